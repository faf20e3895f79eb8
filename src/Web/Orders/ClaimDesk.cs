using HomeStart.Formats;
using HomeStart.Web.Session;

namespace HomeStart.Web.Orders;

/// <summary>Claims a domain that came with hosting ordered before: an order like any other, with nothing due.</summary>
public sealed class ClaimDesk(Workspace workspace, OrderDesk orders, AgreedOrder agreed)
{
    /// <summary>What of an order can be claimed today; null: nothing.</summary>
    public async Task<Claim?> FindAsync(Order order, CancellationToken cancel) =>
        Claim.Of(order, workspace.Books, (await orders.ListAsync(cancel)).Where(other => other.Id != order.Id), await workspace.BusinessDateAsync(cancel));

    /// <summary>Places the claim; null, with the reasons, where it cannot be. The same id places once.</summary>
    /// <param name="contact">Null: whoever ordered the hosting.</param>
    public async Task<Order?> PlaceAsync(Order of, Guid id, string label, string ending, Contact? contact, FaultList faults, CancellationToken cancel)
    {
        if (await orders.FindAsync(id, cancel) is { } before)
        {
            return Data.Documents.Read<Order>(before.Document);
        }

        if (await FindAsync(of, cancel) is not { } claim)
        {
            faults.Say(FaultCodes.Unavailable, "", "There is no domain to claim with this order: it was claimed already, or its time is over.");
            return null;
        }

        if (!claim.Endings.Contains(ending) || claim.Book.Domain(ending) is null)
        {
            faults.Say(FaultCodes.OutOfRange, "ending", $"The domain that came with it is one of these endings: {string.Join(", ", claim.Endings.Select(known => $".{known}"))}.");
        }
        else if (DomainName.Parse($"{label.Trim()}.{ending}") is not { } name || !string.Equals(name.Text.Split('.')[0], label.Trim(), StringComparison.OrdinalIgnoreCase))
        {
            faults.Say(FaultCodes.BadType, "name", "A name has letters, digits and hyphens inside it, and nothing else.");
        }
        else
        {
            var order = claim.Placed(id, name, contact ?? of.Contact, Guid.NewGuid(), await workspace.BusinessDateAsync(cancel));
            await agreed.CheckAsync(order.Things.Domains[0], null, faults, cancel);
            return faults.Any ? null : await orders.StoredAsync(order, cancel);
        }

        return null;
    }
}
