using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Sites;

/// <summary>Writes one candidate worked out, with its what-ifs.</summary>
public static class WorksheetWriter
{
    public static WorksheetWire Write(Worksheet worksheet) =>
        new(
            worksheet.Letter,
            CandidateWire.From(worksheet.Candidate),
            worksheet.Costing is { } costing ? CostingWriter.Write(costing) : null,
            worksheet.Costing is { } summed ? Summary(summed) : null,
            worksheet.Costing is { } drawn ? Timeline(drawn) : null,
            [.. worksheet.Faults.Select(fault => FaultWire.From(fault))],
            [
                .. worksheet.DataCentres.Select(centre => new DataCentreOptionWire(
                    centre.Choice?.Id,
                    centre.Choice?.Name,
                    centre.Choice?.Region,
                    centre.IsChosen,
                    OutcomeWire.From(centre)
                )),
            ],
            [.. worksheet.WaysToPay.Select(way => WayToPay(worksheet, way))],
            [.. worksheet.Extras.Select(ExtraWire.From)],
            [.. worksheet.DomainSellers.Select(seller => Seller(worksheet.Candidate, seller))],
            [.. worksheet.Endings.Select(EndingWire.From)],
            [
                .. worksheet.DomainWays.Select(way => new DomainWayWire(
                    way.Choice is null ? null : DomainWire.From(way.Choice),
                    way.IsChosen,
                    OutcomeWire.From(way)
                )),
            ],
            [.. worksheet.CodeCures.Select(cure => CodeCureWire.From(cure, worksheet.Costing!.Currency))],
            worksheet.BestCodes is { } best ? new BestCodesWire(best.Choice, OutcomeWire.From(best)!) : null,
            [.. worksheet.KnownCodes.Select(known => KnownCodeWire.Write(known.Code, known.Book, known.Promotion))],
            worksheet.Costing is { } costed && Core.Worksheets.DifferentDays.Find(costed) is { } days
                ? new DifferentDaysWire(days.Domain, days.Hosting)
                : null,
            worksheet.Costing is { } ordered
            && Placing.Prepare(ordered).Value?.Domains is [var domain, ..]
            && ordered.Run.Purchase.Domains.First(bought => bought.Choice.Domain == domain.Name) is { Price: { } price }
                ? PublicRecordWire.From(domain, price.PublicRecord)
                : null,
            worksheet.IncludedYear is { } year
                ? new IncludedYearWire(year.Domain, new Money(year.Saves, worksheet.Costing!.Currency).ToAmount())
                : null,
            worksheet.Claim is { } claim ? LaterClaimWire.From(claim) : null,
            worksheet.Costing is { } agreed ? TermsWire.From(agreed) : null
        );

    private static SummaryWire Summary(Costing costing)
    {
        var summary = Core.Worksheets.Summary.Summarise(costing);
        return new SummaryWire(
            costing.Currency.Code,
            SumWire.From(summary.Today, costing.Currency),
            SumWire.From(summary.RestOfFirstYear, costing.Currency),
            summary.EachLaterYear is { } year ? SumWire.From(year, costing.Currency) : null,
            SumWire.From(summary.Horizon, costing.Currency),
            summary.StepTimes
        );
    }

    private static TimelineWire Timeline(Costing costing)
    {
        var timeline = Core.Worksheets.Timeline.Build(costing);
        return new TimelineWire(timeline.IsByYear, [.. timeline.Bars.Select(bar => Bar(costing, bar))]);
    }

    private static BarWire Bar(Costing costing, Bar bar) =>
        new(
            bar.Date,
            Amount(costing, bar.Total),
            bar.AtLeast,
            Amount(costing, bar.Parts.Plan),
            Amount(costing, bar.Parts.Domain),
            Amount(costing, bar.Parts.Extras),
            Amount(costing, bar.Parts.Setup),
            Amount(costing, bar.Parts.Tax),
            [.. bar.Within.Select(within => Bar(costing, within))]
        );

    private static WayToPayWire WayToPay(Worksheet worksheet, WhatIf<BillingOption> whatIf)
    {
        var (option, costing, own) = (whatIf.Choice, whatIf.Costing, worksheet.HostCurrency!);
        return new WayToPayWire(
            option.EveryMonths,
            option.CommitMonths,
            option.FreeMonths,
            whatIf.IsChosen,
            new Money(option.FirstPerMonth, own).ToAmount(),
            option.LaterPerMonth is { } later ? new Money(later, own).ToAmount() : null,
            own.Code,
            costing is not null && option.SetupFee is { } fee && fee != 0 ? new Money(fee, own).ToAmount() : null,
            Saving.Find(whatIf, worksheet.WaysToPay) is { } saving ? SavingWire.From(saving, costing!.Currency) : null,
            costing is null ? null : [.. costing.Ledger.Sums.Select(sum => SumWire.From(sum, costing.Currency))],
            costing?.Ledger.FoldedSum is { } folded ? SumWire.From(folded, costing.Currency) : null,
            costing is null
                ? null
                : SumWire.From(new Sum(costing.Totals.Horizon, costing.Totals.AtLeast.Horizon), costing.Currency),
            NextWire.From(costing),
            Change(whatIf, whatIf.HorizonChange),
            Change(whatIf, whatIf.TodayChange),
            costing?.Run.Inclusions.Any(verdict => verdict.Result == InclusionResult.Used) ?? false,
            WayNote.Find(whatIf) is { } note ? new WayNoteWire(note.Kind, note.IsDayAfter) : null
        );
    }

    private static DomainSellerWire Seller(Candidate candidate, WhatIf<OfferBook> whatIf)
    {
        var book = whatIf.Choice;
        var price = book.Domain(candidate.Domains[0].Ending);
        var privacy = price is null ? new PrivacyThere(PrivacyWay.NotSold) : PrivacyThere.Find(candidate, book, price);
        return new DomainSellerWire(
            book.Id,
            book.Provider.Name,
            Price(price?.Register),
            Price(price?.Renew),
            book.Currency.Code,
            privacy.Way,
            Price(privacy.FirstYear),
            Price(privacy.LaterYear),
            whatIf.IsChosen,
            OutcomeWire.From(whatIf)
        );

        string? Price(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }

    private static string? Change<T>(WhatIf<T> whatIf, Int128? change) =>
        change is { } units ? Amount(whatIf.Costing!, units) : null;

    private static string Amount(Costing costing, Int128 units) => new Money(units, costing.Currency).ToAmount();
}
