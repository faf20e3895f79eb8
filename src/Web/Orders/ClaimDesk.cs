using HomeStart.Data;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;
using HomeStart.Web.Upkeep;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>
/// Claims a domain-year that came with hosting ordered before: an order like any other, with nothing due. Whether there
/// is one is judged by how the hosting stands today; it is taken in the step that stores the claim, so that of several
/// at once one gets it.
/// </summary>
public sealed class ClaimDesk(
    Workspace workspace,
    OrderDesk orders,
    AgreedOrder agreed,
    TenureDesk tenures,
    LaterQuotes quotes,
    HomeStartDb db
)
{
    /// <summary>How far is looked for domain-years: one is enough to claim.</summary>
    private const int HorizonMonths = 12;

    /// <summary>What of an order can be claimed today; null: nothing.</summary>
    public async Task<Claim?> FindAsync(Guid orderId, CancellationToken cancel) =>
        (await FoundAsync(orderId, cancel))?.Claim;

    /// <summary>Places the claim; null, with the reasons, where it cannot be. The same id places once.</summary>
    /// <param name="contact">Null: whoever ordered the hosting.</param>
    public async Task<Order?> PlaceAsync(
        Order of,
        Guid id,
        string label,
        string ending,
        Contact? contact,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (await orders.FindAsync(id, cancel) is { } before)
        {
            return Documents.Read<Order>(before.Document);
        }

        if (await FoundAsync(of.Id, cancel) is not var (kept, claim))
        {
            SayNone(faults);
            return null;
        }

        if (
            Named(claim, label, ending, faults) is not { } name
            || await FreeAsync(kept, claim, name, faults, cancel) is not { } quote
        )
        {
            return null;
        }

        var order = claim.Placed(
            id,
            name,
            quote,
            contact ?? of.Contact,
            Guid.NewGuid(),
            await workspace.BusinessDateAsync(cancel)
        );
        await agreed.CheckAsync(order.Things.Domains[0], null, faults, cancel);
        var stored = faults.Any ? null : await orders.StoredAsync(order, cancel, claim.Allowance.Number);
        if (stored is null && !faults.Any)
        {
            SayNone(faults);
        }

        return stored;
    }

    private async Task<(LoadedTenure Kept, Claim Claim)?> FoundAsync(Guid orderId, CancellationToken cancel)
    {
        await tenures.OpenAsync(cancel);
        if (await tenures.FindAsync(orderId, cancel) is not { } kept)
        {
            return null;
        }

        var taken = await db
            .ClaimedAllowances.Where(row => row.OrderId == orderId)
            .Select(row => row.Number)
            .ToHashSetAsync(cancel);
        return Claim.Find(kept.Order, await tenures.OutlookAsync(kept, HorizonMonths, cancel), taken) is { } claim
            ? (kept, claim)
            : null;
    }

    private static DomainName? Named(Claim claim, string label, string ending, FaultList faults)
    {
        if (!claim.Endings.Contains(ending) || claim.Book.Domain(ending) is null)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "ending",
                "The domain that came with it has one of these endings: "
                    + $"{string.Join(", ", claim.Endings.Select(known => $".{known}"))}."
            );
            return null;
        }

        if (
            DomainName.Parse($"{label.Trim()}.{ending}") is { } name
            && string.Equals(name.Text.Split('.')[0], label.Trim(), StringComparison.OrdinalIgnoreCase)
        )
        {
            return name;
        }

        faults.Say(FaultCodes.BadType, "name", "A name has letters, digits and hyphens inside it, and nothing else.");
        return null;
    }

    // The seller's word, by its own records, that the domain-year pays.
    private async Task<string?> FreeAsync(
        LoadedTenure kept,
        Claim claim,
        DomainName name,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var dot = name.Text.IndexOf('.', StringComparison.Ordinal);
        var (quote, refusal) = await quotes.ForClaimAsync(
            kept,
            claim.Decision(name.Text[..dot], name.Text[(dot + 1)..]),
            cancel
        );
        if (quote is { Amount.Units: var due } && due == 0)
        {
            return quote.Id;
        }

        var seller = claim.Book.Provider.Name;
        faults.Say(
            FaultCodes.Unavailable,
            "",
            quote is not null
                    ? $"{seller} asks for {quote.Amount} for it: by its records the domain-year is used, or over."
                : refusal is not null ? $"{seller}: {refusal}"
                : $"{seller} did not answer. Nothing was claimed; try again in a while."
        );
        return null;
    }

    private static void SayNone(FaultList faults) =>
        faults.Say(
            FaultCodes.Unavailable,
            "",
            "There is no domain to claim with this order: it was claimed already, its time is over, or the "
                + "hosting is not running any more."
        );
}
