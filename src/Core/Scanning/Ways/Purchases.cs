using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>Puts together what is bought at one book; nothing is looked up by id that is at hand already.</summary>
internal sealed class Purchases(CountSettings settings)
{
    public Purchase Make(HostWay host, ImmutableArray<AddOnChoice> extras, ImmutableArray<string> codes) =>
        new(settings.StartDate, settings.Customer, Hosting(host, extras, codes), [], [host.Book]);

    public Purchase Make(DomainWay domain, ImmutableArray<AddOnChoice> extras, ImmutableArray<string> codes) =>
        new(
            settings.StartDate,
            settings.Customer,
            null,
            [Domain(domain, extras, codes)],
            domain.Book is { } book ? [book] : []
        );

    public Purchase Make(
        HostWay host,
        ImmutableArray<AddOnChoice> hostExtras,
        DomainWay domain,
        ImmutableArray<AddOnChoice> domainExtras,
        ImmutableArray<string> codes
    ) =>
        new(
            settings.StartDate,
            settings.Customer,
            Hosting(host, hostExtras, codes),
            [Domain(domain, domainExtras, [])],
            [host.Book]
        );

    /// <summary>What conditions of promotions look at; of the book; its own hosting, or none.</summary>
    public PromotionConditions Conditions(OfferBook? book, HostWay? host) =>
        new(
            settings.StartDate,
            book is null || settings.Customer.IsNewAt(book),
            host is null ? null : Hosting(host, [], [])
        );

    private static BoughtHosting Hosting(
        HostWay host,
        ImmutableArray<AddOnChoice> extras,
        ImmutableArray<string> codes
    ) => new(host.Book, host.Plan, host.Option, host.DataCentre, Bought(host.Book, AddOnFor.Hosting, extras), codes);

    private static BoughtDomain Domain(
        DomainWay domain,
        ImmutableArray<AddOnChoice> extras,
        ImmutableArray<string> codes
    ) =>
        domain.Bought! with
        {
            Choice = domain.Choice! with { AddOns = extras, Codes = codes },
            AddOns = domain.Book is { } book ? Bought(book, AddOnFor.Domain, extras) : [],
        };

    private static ImmutableArray<BoughtAddOn> Bought(OfferBook book, AddOnFor sort, ImmutableArray<AddOnChoice> extras)
    {
        var bought = ImmutableArray.CreateBuilder<BoughtAddOn>(extras.Length);
        foreach (var choice in extras)
        {
            var addOn = book.AddOn(choice.Id, sort)!;
            bought.Add(new BoughtAddOn(addOn, choice.Quantity, book.AddOns.IndexOf(addOn)));
        }

        return bought.MoveToImmutable();
    }
}
