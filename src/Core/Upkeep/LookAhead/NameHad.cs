using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Upkeep;

/// <summary>A name that the owner has through an order: it can be used again, for other hosting.</summary>
/// <param name="Book">The seller’s, by id.</param>
/// <param name="Expires">Until when it is paid.</param>
/// <param name="Renewal">What each later year of it costs, with tax; null: not stated.</param>
public sealed record NameHad(DomainName Domain, string Book, DateOnly Expires, Money? Renewal)
{
    /// <summary>The names of an order that are live on a morning.</summary>
    public static ImmutableArray<NameHad> ListAll(Outlook outlook) =>
        [
            .. outlook
                .Holdings.Where(holding =>
                    holding.Held is { IsHosting: false, State: HoldingState.Live, PaidUntil: not null }
                )
                .Select(holding => Find(outlook, holding))
                .OfType<NameHad>(),
        ];

    /// <summary>The choice of a candidate that uses it: it is left where it is.</summary>
    public DomainChoice Choice()
    {
        var dot = Domain.Text.IndexOf('.', StringComparison.Ordinal);
        return new DomainChoice(DomainRoute.Keep)
        {
            Name = Domain.Text[..dot],
            Ending = Domain.Text[(dot + 1)..],
            Expires = Expires,
            Currency = Renewal?.Currency,
            Renewal = Renewal is { } renewal && ExactDecimal.TryParse(renewal.ToAmount(), out var exact) ? exact : null,
        };
    }

    private static NameHad? Find(Outlook outlook, Holding holding)
    {
        if (DomainName.Parse(holding.Held.Ref) is not { } domain)
        {
            return null;
        }

        // As it is sold, premium or not: a domain-year or promotion that pays for one year does not pay for all that
        // are counted.
        var ending = domain.Text[(domain.Text.IndexOf('.', StringComparison.Ordinal) + 1)..];
        var bought = outlook.Tenure.Purchase.Domains.FirstOrDefault(known =>
            $"domain:{known.Index}" == holding.Held.Holding
        );
        var renew = bought is null ? outlook.Tenure.Book(holding.Book).Domain(ending)?.Renew : bought.Renew;
        return new NameHad(
            domain,
            holding.Book,
            holding.Held.PaidUntil!.Value,
            renew is { } price ? outlook.WithTax(holding.Book, price) : null
        );
    }
}
