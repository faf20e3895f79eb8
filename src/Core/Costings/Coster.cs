using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>Costs a candidate: the entry to the rules of costing.md.</summary>
public static class Coster
{
    /// <summary>
    /// The costing of a candidate over the owner's settings, or what bars it. Neither means that something is not
    /// chosen yet.
    /// </summary>
    /// <param name="faults">What was found wrong before, when the candidate was read: it bars the costing too.</param>
    public static Result<Costing> Cost(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList? faults = null
    )
    {
        faults ??= new FaultList();
        return Result.From(
            Resolver.Resolve(candidate, books, settings, faults) is { } purchase
            && CostingWork.IsBounded(purchase, faults)
                ? Cost(purchase, settings, faults)
                : null,
            faults
        );
    }

    private static Costing? Cost(Purchase purchase, CountSettings settings, FaultList faults) =>
        Costing.Make(
            purchase,
            settings,
            new Counting(settings, settings.DisplayCurrency ?? purchase.OwnCurrency),
            faults
        );

    /// <summary>
    /// What a code of a costing saves over the horizon: the exact difference to the same candidate without it, in minor
    /// units of the display currency.
    /// </summary>
    public static Minor Saves(Costing costing, CodeVerdict code)
    {
        var run = Costing.RunOf(Without(costing.Run.Purchase, code), costing.Settings, costing.Counting);
        return run.Bills.Take(run.CountBefore(costing.End))
                .Aggregate((Minor)0, (sum, bill) => sum + costing.ValueOf(bill)) - costing.Totals.Horizon;
    }

    private static Purchase Without(Purchase purchase, CodeVerdict code)
    {
        return purchase with
        {
            Hosting =
                purchase.Hosting is { } hosting && hosting.Book == code.Book
                    ? hosting with
                    {
                        Codes = hosting.Codes.RemoveAll(Same),
                    }
                    : purchase.Hosting,
            Domains =
            [
                .. purchase.Domains.Select(domain =>
                    domain.Book == code.Book
                        ? domain with
                        {
                            Choice = domain.Choice with { Codes = domain.Choice.Codes.RemoveAll(Same) },
                        }
                        : domain
                ),
            ],
        };

        bool Same(string entered) => Ascii.EqualsIgnoreCase(entered, code.Code);
    }
}
