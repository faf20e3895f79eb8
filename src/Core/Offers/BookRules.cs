using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>
/// What must hold between the parts of a book (the table of errors in costing.md), reported with its place.
/// </summary>
public static class BookRules
{
    /// <summary>Checks ids that must differ, over the whole book.</summary>
    /// <param name="where">The book's own path: <c>books[0]</c>; empty for a book by itself.</param>
    public static void CheckIds(OfferBook book, string where, FaultList faults)
    {
        var at = where.Length == 0 ? "" : where + ".";
        CheckUnique(book.Plans.Select(plan => plan.Id), "plans", "id", Listed.Plan);
        CheckUnique(book.DataCentres.Select(centre => centre.Id), "dataCentres", "id", Listed.DataCentre);
        CheckUnique(book.AddOns.Select(addOn => addOn.Id), "addOns", "id", Listed.Extra);
        CheckUnique(book.Domains.Select(price => price.Ending), "domains", "ending", Listed.Ending);
        CheckUnique(book.Promotions.Select(promotion => promotion.Id), "promotions", "id", Listed.Promotion);
        CheckUnique(
            book.Promotions.Select(promotion => promotion.Code is { } code ? Ascii.ToUpper(code) : null),
            "promotions",
            "code",
            Listed.Code
        );
        foreach (var (index, plan) in book.Plans.Index())
        {
            faults.AddDuplicates(
                plan.Billing.Select(option =>
                    option.EveryMonths > 0 ? $"{option.EveryMonths}/{option.CommitMonths}" : null
                ),
                option => $"{at}plans[{index}].billing[{option}]",
                Listed.BillingOption
            );
        }

        void CheckUnique(IEnumerable<string?> ids, string list, string field, Listed what) =>
            faults.AddDuplicates(ids.Select(id => id is "" ? null : id), index => $"{at}{list}[{index}].{field}", what);
    }

    /// <summary>
    /// Checks steps by costing rule 4: some steps, only the last one open, the others for at least one period, the
    /// first one stated.
    /// </summary>
    /// <param name="readable">Whether the amount of a step could be read; one that could not has been reported
    /// already.</param>
    public static void CheckSteps(
        ImmutableArray<PriceStep> steps,
        Func<int, bool> readable,
        string where,
        FaultList faults
    )
    {
        if (steps.IsEmpty)
        {
            faults.Add(FaultCodes.BadSteps, where, new NoSteps());
            return;
        }

        foreach (var (index, step) in steps.Index())
        {
            var isLast = index == steps.Length - 1;
            if (isLast && step.Periods is not null)
            {
                faults.Add(FaultCodes.BadSteps, $"{where}[{index}].periods", new LastStepEnds());
            }
            else if (!isLast && step.Periods is not >= 1)
            {
                faults.Add(FaultCodes.BadSteps, $"{where}[{index}].periods", new StepWithoutEnd());
            }
        }

        if (steps[0].Units is null && readable(0))
        {
            faults.Add(FaultCodes.BadSteps, $"{where}[0].amount", new FirstStepUnstated());
        }
    }
}
