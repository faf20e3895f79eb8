using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>Where the owner is a customer already (costing rule 21).</summary>
/// <param name="IsNew">False: promotions for new customers count nowhere.</param>
/// <param name="Of">The ids of the books whose customer the owner is.</param>
public sealed record CustomerStatus(bool IsNew, ImmutableHashSet<string> Of)
{
    /// <summary>A customer of nobody yet.</summary>
    public static readonly CustomerStatus New = new(true, []);

    /// <summary>Whether the owner counts as a new customer of a book's seller.</summary>
    public bool IsNewAt(OfferBook book) => IsNew && !Of.Contains(book.Id);
}
