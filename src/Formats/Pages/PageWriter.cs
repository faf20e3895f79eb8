namespace HomeStart.Formats.Pages;

/// <summary>Writes readings of pages and carts.</summary>
public static class PageWriter
{
    public static PageReadingWire Write(PageReading reading) =>
        new(
            reading.Provider,
            reading.Currency,
            reading.Tax,
            reading.RefundDays,
            [.. reading.Plans.Select(Plan)],
            [
                .. reading.Domains.Select(domain => new ReadDomainWire(
                    domain.Ending,
                    domain.Register,
                    domain.Renew,
                    domain.Transfer
                )),
            ],
            [.. reading.Extras.Select(extra => new ReadExtraWire(extra.Name, extra.Price, extra.Per, extra.Ticked))],
            [.. reading.Codes.Select(code => new ReadCodeWire(code.Code, code.Percent, code.Amount))],
            Sources(reading.Sources, reading.Text),
            Left(reading.NotPlaced, reading.Text),
            Doubts(reading.Doubts),
            reading.Text
        );

    public static CartReadingWire Write(CartReading reading) =>
        new(
            reading.Provider,
            reading.Currency,
            [
                .. reading.Lines.Select(line => new CartLineWire(
                    line.Name,
                    line.Kind,
                    line.Domain,
                    line.Months,
                    line.Quantity,
                    line.Amount,
                    line.Struck
                )),
            ],
            [.. reading.Discounts.Select(discount => new CartDiscountWire(discount.Name, discount.Amount))],
            reading.Subtotal,
            reading.Tax,
            reading.Total,
            reading.TaxInside,
            reading.AddsUp,
            Sources(reading.Sources, reading.Text),
            Left(reading.NotPlaced, reading.Text),
            Doubts(reading.Doubts),
            reading.Text
        );

    private static ReadPlanWire Plan(ReadPlan plan) =>
        new(
            plan.Name,
            [.. plan.Ways.Select(Way)],
            plan.SetupFee,
            plan.Features,
            plan.Domain is { } domain
                ? new ReadPlanDomainWire(domain.Endings, domain.FromMonths, domain.EveryYear)
                : null,
            plan.Includes
        );

    private static ReadWayWire Way(ReadWay way) =>
        new(
            way.Months,
            way.Price,
            way.Per,
            way.Paid,
            way.FreeMonths,
            way.Struck,
            way.Later switch
            {
                null => null,
                { Price: { } price, Per: { } per } => new ReadLaterWire(price, per),
                _ => "same",
            },
            way.SetupFee
        );

    private static SourceWire[] Sources(IEnumerable<ReadSource> sources, string text) =>
        [
            .. sources.Select(source => new SourceWire(
                source.At,
                text[source.Words.From..source.Words.To],
                source.Words.From,
                source.Words.To
            )),
        ];

    private static NotPlacedWire[] Left(IEnumerable<NotPlaced> left, string text) =>
        [
            .. left.Select(one => new NotPlacedWire(
                text[one.Words.From..one.Words.To],
                one.Words.From,
                one.Words.To,
                one.Why
            )),
        ];

    private static DoubtWire[] Doubts(IEnumerable<ReadDoubt> doubts) =>
        [.. doubts.Select(doubt => new DoubtWire(doubt.Code, doubt.At))];
}
