using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Reconciling;

/// <summary>What a request asks to be reconciled.</summary>
public sealed record ReconciliationRequest(CostingRequest Costing, SeenSum Seen);

/// <summary>
/// Reads the body of <c>POST /api/reconciliations</c>: what a costing takes, and the sum that was seen.
/// </summary>
public static class ReconciliationReader
{
    /// <summary>The request; null where it cannot be reconciled, with every fault at its place.</summary>
    public static ReconciliationRequest? Read(JsonElement json, ImmutableArray<OfferBook> ownBooks, FaultList faults)
    {
        if (CostingRequestReader.Read(json, ownBooks, faults) is not { } costing)
        {
            return null;
        }

        var seen = new Node(json, "", faults)["seen"];
        if (seen.IsAbsent)
        {
            seen.Required("The sum that was seen");
        }

        if (!seen.IsObject())
        {
            return null;
        }

        var id = seen["book"].RequiredText("The offer book");
        var book = costing.Books.FirstOrDefault(book => book.Id == id);
        var isBoughtFrom =
            costing.Candidate.Hosting?.Book == id
            || costing.Candidate.Domains.Any(domain => domain.IsBought && domain.Book == id);
        if (id is not null && (book is null || !isBoughtFrom))
        {
            seen["book"].Fault(FaultCodes.Unknown, "Nothing of this candidate is bought from such a book.");
        }

        if (seen["total"].IsAbsent)
        {
            seen["total"].Required("The sum");
        }

        var (total, start) = (seen["total"].Amount(book?.Currency), costing.Settings.StartDate);
        var date = seen["date"].Date();
        if (date is { } day && (day < start || day >= costing.Settings.End))
        {
            seen["date"]
                .Fault(
                    FaultCodes.OutOfRange,
                    "The day lies between the day of the order and the end of the months that are counted."
                );
        }

        return faults.Any || book is null || total is not { } units
            ? null
            : new ReconciliationRequest(costing, new SeenSum(book.Id, units, date ?? start));
    }
}
