using HomeStart.Formats.Pages;

namespace HomeStart.Web.Advertising;

/// <summary>What one plan of a page comes to, whatever is still to be answered about the others.</summary>
internal static class PlanCosts
{
    /// <summary>Null: something about this plan is to be answered first.</summary>
    public static PlanCostWire? WorkOut(
        PageReading reading,
        PageAnswers answers,
        int plan,
        DateOnly today,
        CountSettings settings
    )
    {
        // Who sells and how taxes are shown change nothing about what a plan asks for.
        var alone = answers with
        {
            Provider = "read",
            TaxInside = answers.TaxInside ?? reading.Tax == "inside",
            Plans =
            [
                .. reading.Plans.Select(
                    (_, other) =>
                        (
                            answers.Plans.FirstOrDefault(known => known.Plan == other)
                            ?? new PlanAnswer(other, true, null, [])
                        ) with
                        {
                            IsTaken = other == plan,
                            Name = "plan",
                        }
                ),
            ],
        };
        if (
            PageBook.Make(reading, alone, "read", today, new FaultList()) is not { } book
            || Coster
                .Cost(HiddenCosts.Bought(book, []), [book], settings with { DisplayCurrency = book.Currency })
                .Value
                is not { } costing
        )
        {
            return null;
        }

        return new PlanCostWire(
            plan,
            book.Currency.Code,
            settings.HorizonMonths,
            new Money(costing.Totals.Horizon, book.Currency).ToAmount(),
            costing.Totals.AtLeast.Horizon,
            [.. NotSaid(costing).Distinct()]
        );
    }

    private static IEnumerable<string> NotSaid(Costing costing) =>
        from bill in costing.Run.Bills
        from line in bill.Lines
        where line.IsUnstated
        select line.Kind switch
        {
            LineKind.Plan => "the renewal price",
            LineKind.Domain => "what the domain costs each year",
            _ => "what an extra costs later",
        };
}
