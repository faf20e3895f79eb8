using System.Collections.Immutable;
using HomeStart.Data;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;

namespace HomeStart.Web.Orders;

/// <summary>Whether what the owner saw and agreed to still is so.</summary>
public sealed class AgreedOrder(Workspace workspace, IRegistrar registrar, IHostingCompany hosts, QuoteDesk quoting)
{
    /// <summary>
    /// What is bought; null with the reasons where it is not what the owner saw, or cannot be ordered.
    /// </summary>
    public async Task<(OrderedThings Things, IReadOnlyList<AgreedTerm> Terms, Costing Costing)?> ThingsAsync(
        VersionedSite versioned,
        PlaceOrder wanted,
        DateOnly today,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (versioned.Site.Listed(wanted.Letter) is not { } listed)
        {
            faults.Say(FaultCodes.Unknown, "letter", $"There is no candidate {wanted.Letter} any more.");
            return null;
        }

        var settings = await workspace.CountAsync(versioned.Site.Settings, cancel);
        if (Worksheet.CostingOf(listed.Candidate, workspace.Books, settings) is not { } costing)
        {
            faults.Say(
                FaultCodes.Required,
                "letter",
                $"Candidate {wanted.Letter} is not complete: choose what is missing on the worksheet."
            );
            return null;
        }

        if (settings.StartDate != today)
        {
            faults.Say(
                FaultCodes.BadDate,
                "startDate",
                $"This is counted from {settings.StartDate:yyyy-MM-dd}. An order starts on the day it is "
                    + "placed: set the start to today on the worksheet."
            );
        }

        if (new Money(costing.Totals.DueToday, costing.Currency).ToAmount() != wanted.Today)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "today",
                "What is due today has changed since you saw it. Look at the new sum before you order."
            );
        }

        var terms = TermWords.Agreed(costing);
        if (wanted.Terms is { } read && read != TermWords.Stamp(terms))
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "terms",
                "What you agree to has changed since you read it: a price list was replaced, or the day is "
                    + "another. Read it again before you order."
            );
        }

        var placed = Placing.Prepare(costing, workspace.IsConnected);
        faults.Add(placed.Faults);
        if (placed.Value is not { } things || faults.Any)
        {
            return null;
        }

        return (Pointed(await WithLentAsync(versioned.Site, listed.Candidate, things, cancel), wanted), terms, costing);
    }

    // A name that the owner has through another order is pointed at the new hosting with this one.
    private static OrderedThings Pointed(OrderedThings things, PlaceOrder wanted) =>
        things.Hosting is { Address: { } address } hosting
        && things.Domains.All(domain => domain.Name != address)
        && wanted.Had.TryGetValue(address.Text, out var book)
            ? things with
            {
                Hosting = hosting with { AddressAt = book },
            }
            : things;

    /// <summary>
    /// The same at the sums that the sellers named and the owner saw; null, with the reasons, where one does not hold
    /// any more or differs from the worksheet.
    /// </summary>
    public async Task<(OrderedThings Things, ImmutableArray<Quote> Quotes)?> QuotedAsync(
        VersionedSite versioned,
        PlaceOrder wanted,
        OrderedThings things,
        Costing costing,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var quotes = await quoting.AskAsync(
            costing,
            versioned.Site.Listed(wanted.Letter)!.Candidate,
            (wanted.Holder ?? wanted.Contact).Country,
            wanted.Quotes,
            faults,
            cancel
        );
        return faults.Any ? null : (Placing.Quoted(things, quotes), quotes);
    }

    /// <summary>What the order is made of, for its later years.</summary>
    public async Task<Bought> BoughtAsync(Site site, PlaceOrder wanted, CancellationToken cancel) =>
        new(
            site.Listed(wanted.Letter)!.Candidate,
            site.Settings,
            [.. (await workspace.CountAsync(site.Settings, cancel)).Customer.Of]
        );

    // A borrowed address is the host's to give: where it does not answer now, the hosting is had without.
    private async Task<OrderedThings> WithLentAsync(
        Site site,
        Candidate candidate,
        OrderedThings things,
        CancellationToken cancel
    ) =>
        things.Hosting is { Address: null } hosting
        && candidate.Domains.Any(domain => domain.Route == DomainRoute.Lent)
        && await hosts.EntryAsync(workspace.World, hosting.Book, cancel) is { LentUnder: { } under }
        && DomainName.Parse($"{OwnedReader.LentLabel(site.Name)}.{under}") is { } lent
            ? things with
            {
                Hosting = hosting with { Address = lent },
            }
            : things;

    /// <summary>
    /// Asks the registrars once more before any money is held; they have the last word when they register. What cannot
    /// be checked is not ordered.
    /// </summary>
    public async Task CheckNamesAsync(
        VersionedSite versioned,
        PlaceOrder wanted,
        OrderedThings things,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var chosen = versioned.Site.Listed(wanted.Letter)!.Candidate.Domains;
        foreach (var domain in things.Domains.Where(domain => domain.Route == DomainRoute.Register))
        {
            await CheckAsync(domain, chosen.First(known => known.Domain == domain.Name).Premium, faults, cancel);
        }
    }

    /// <summary>
    /// Asks once more whether a name that is claimed can be had at the ordinary price: a premium one is never included.
    /// </summary>
    public async Task CheckAsync(
        OrderedDomain domain,
        PremiumPrices? premium,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var name = domain.Name!;
        var answer = await registrar.CheckAsync(workspace.World, domain.Book, name, cancel);
        var isAgreed = premium is null
            ? answer.State == AvailabilityState.Free
            : answer.State == AvailabilityState.Premium
                && IsSaid(premium.Register, answer.Register)
                && IsSaid(premium.Renew, answer.Renew);
        if (!isAgreed)
        {
            faults.Say(
                FaultCodes.Unavailable,
                "domain",
                answer.State switch
                {
                    AvailabilityState.Premium =>
                        $"{name} is a premium name and costs more than you saw. Check it again on the domain page.",
                    AvailabilityState.Free =>
                        $"{name} is not a premium name any more. Check it again on the domain page.",
                    AvailabilityState.NotAsked =>
                        $"The seller of {name} cannot be asked from here. Nothing was ordered; buy it at the seller’s "
                            + "own page.",
                    AvailabilityState.Unchecked =>
                        $"{name} could not be checked just now: {answer.Why} Nothing was ordered. Try again in "
                            + "a while.",
                    AvailabilityState.Taken or AvailabilityState.Reserved =>
                        $"{name} is not free any more. Nothing was ordered; choose another name on the domain page.",
                    _ => throw new InvalidOperationException($"There is no sentence for {answer.State}."),
                }
            );
        }
    }

    private static bool IsSaid(ExactDecimal? seen, Money? asked) =>
        seen is { } amount
        && asked is { } price
        && Money.TryOf(amount, price.Currency, out var money) == AmountFault.None
        && money == price;
}
