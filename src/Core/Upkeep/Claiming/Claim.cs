using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;
using HomeStart.Core.Ordering;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// A domain-year of the plan that can be claimed today: judged by how the hosting stands, not by how it was ordered
/// (upkeep rule 15).
/// </summary>
/// <param name="Allowance">The domain-year.</param>
/// <param name="On">The day the claim counts for: a decision comes after the day of the order.</param>
public sealed record Claim(Order Order, OfferBook Book, Allowance Allowance, DateOnly On)
{
    /// <summary>The extras that come with the plan the owner has now, by id.</summary>
    public ImmutableArray<string> PlanIncludes { get; init; } = [];

    /// <summary>How it is counted.</summary>
    public required Counting Counting { get; init; }

    /// <summary>Under which endings a name may be had with it.</summary>
    public ImmutableArray<string> Endings => Allowance.Endings;

    /// <summary>The first day on which it is too late.</summary>
    public DateOnly Before => Allowance.LastDay.AddDays(1);

    /// <summary>What can be claimed of an order; null: nothing.</summary>
    /// <param name="taken">The numbers of the domain-years that claims under way, or claims not noted down yet, have
    /// taken.</param>
    public static Claim? Find(Order order, Outlook outlook, IReadOnlySet<int> taken)
    {
        if (
            order is not { State: OrderState.Completed, Account: not null, There: null }
            || outlook.Now.Hosting is not { } hosting
        )
        {
            return null;
        }

        var open = Allowance
            .ListAll(outlook)
            .FirstOrDefault(known =>
                known is { TakenBy: null, Endings.IsEmpty: false }
                && known.From <= outlook.DecidingOn
                && outlook.DecidingOn <= known.LastDay
                && !taken.Contains(known.Number)
            );
        return open is null
            ? null
            : new Claim(order, outlook.Tenure.Book(open.Book), open, outlook.DecidingOn)
            {
                PlanIncludes = hosting.Plan.Includes,
                Counting = outlook.Counting,
            };
    }

    /// <summary>The decision it is when the years are run.</summary>
    public ClaimDomain Decision(string label, string ending) =>
        new(
            On,
            new DomainChoice(DomainRoute.Register)
            {
                Book = Book.Id,
                Name = label,
                Ending = ending,
            }
        );

    /// <summary>
    /// Whether contact privacy comes with a name of an ending: with the plan, or with the name itself.
    /// </summary>
    public bool IsPrivate(DomainPrice price) =>
        PlanIncludes.AddRange(price.Includes).Any(extra => Book.AddOn(extra, AddOnFor.Domain)?.Provides == "privacy");

    /// <summary>A price of the seller's as it is paid: with the tax it charges; null: it is not stated.</summary>
    public Money? WithTax(Minor? price) =>
        price is { } stated ? new Money(Counting.Tax(Book, stated).Total, Book.Currency) : null;

    /// <summary>The order that claims it: nothing is due, the domain joins the hosting that is there.</summary>
    /// <param name="id">Made by the page.</param>
    /// <param name="quote">The id of the seller's word that nothing is due.</param>
    public Order Placed(Guid id, DomainName name, string quote, Contact contact, Guid secret, DateOnly today)
    {
        var zero = Money.Zero(Book.Currency);
        var domain = new OrderedDomain(
            Book.Id,
            Book.Provider.Name,
            name,
            1,
            IsPrivate(Book.Domain(name.Text[(name.Text.IndexOf('.', StringComparison.Ordinal) + 1)..])!)
        );
        var item = new OrderedItem(
            LineKind.Domain,
            name.Text,
            name.Text,
            Book.Id,
            Book.Provider.Name,
            1,
            12,
            zero,
            today,
            today.AddMonths(12),
            Included: true
        );
        return OrderFlow.Planned(
            new Order(
                id,
                Order.SiteId,
                Order.Letter,
                today,
                contact,
                new OrderedThings([], null, [domain], [item], zero)
            )
            {
                Secret = secret,
                Account = Order.Account,
                ClaimOf = Order.Id,
                OpenAt = Order.OpenAt,
                Quotes = [new AgreedQuote(Book.Id, quote, zero)],
            }
        );
    }
}
