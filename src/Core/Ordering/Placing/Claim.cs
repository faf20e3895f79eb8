using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Ordering;

/// <summary>The domain-year that came with hosting and was not claimed yet (costing rule 16).</summary>
/// <param name="Book">Whose hosting it came with.</param>
/// <param name="Endings">Under which it may be had.</param>
/// <param name="Before">The first day on which it is too late.</param>
public sealed record Claim(Order Order, OfferBook Book, ImmutableArray<string> Endings, DateOnly Before)
{
    /// <summary>What can still be claimed of an order; null: nothing.</summary>
    /// <param name="books">As they are now: an allowance that a price list does not tell of any more is asked for at the seller.</param>
    /// <param name="others">The owner's other orders, of which one may have claimed it.</param>
    public static Claim? Of(Order order, IReadOnlyList<OfferBook> books, IEnumerable<Order> others, DateOnly today)
    {
        if (order is not { State: OrderState.Completed, Account: not null, Things.Hosting: { } hosting }
            || books.FirstOrDefault(known => known.Id == hosting.Book) is not { } book
            || book.Plan(hosting.Plan)?.IncludedDomain is not { Endings.IsEmpty: false } given || hosting.CommitMonths < given.MinCommitMonths
            || order.Things.Items.Any(item => item is { Kind: LineKind.Domain, Included: true } && item.Book == hosting.Book)
            || others.Any(other => other.ClaimOf == order.Id && other.State != OrderState.Cancelled))
        {
            return null;
        }

        var before = order.PlacedOn.AddMonths(given.EveryYear ? 12 : given.ClaimWithinMonths);
        return today < before ? new Claim(order, book, given.Endings, before) : null;
    }

    /// <summary>The order that claims it: nothing is due, the domain joins the hosting that is there.</summary>
    /// <param name="id">Made by the page.</param>
    public Order Placed(Guid id, DomainName name, Contact contact, Guid secret, DateOnly today)
    {
        var zero = Money.Zero(Book.Currency);
        var plan = Book.Plan(Order.Things.Hosting!.Plan)!;
        var includes = plan.Includes.AddRange(Book.Domain(name.Text[(name.Text.IndexOf('.', StringComparison.Ordinal) + 1)..])!.Includes);
        var domain = new OrderedDomain(Book.Id, Book.Provider.Name, name, 1, includes.Any(extra => Book.AddOn(extra, AddOnFor.Domain)?.Provides == "privacy"));
        var item = new OrderedItem(LineKind.Domain, name.Text, name.Text, Book.Id, Book.Provider.Name, 1, 12, zero, today, today.AddMonths(12), Included: true);
        return OrderFlow.Planned(new Order(id, Order.SiteId, Order.Letter, today, contact, new OrderedThings([], null, [domain], [item], zero))
        {
            Secret = secret, Account = Order.Account, ClaimOf = Order.Id,
        });
    }
}
