using System.Collections.Immutable;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>
/// What the hosting of one way to buy it costs, alone or with a domain of the same book, each account made once.
/// </summary>
internal sealed class HostingParts
{
    private readonly HostWay _host;
    private readonly Side _side;
    private readonly Accounts _accounts;
    private readonly Purchases _purchases;
    private readonly OwnNames _names;
    private readonly ImmutableArray<ImmutableArray<string>> _codes;
    private readonly bool _areApart;
    private readonly Dictionary<int, ImmutableArray<Entered>> _hostings = [];
    private readonly Dictionary<int, ImmutableArray<Part>> _parts = [];

    public HostingParts(HostWay host, Side side, Accounts accounts, Purchases purchases, OwnNames names)
    {
        (_host, _side, _accounts, _purchases, _names) = (host, side, accounts, purchases, names);
        var conditions = purchases.Conditions(host.Book, host);
        _codes = CodeSets.At(host.Book, conditions);
        _areApart = CodeSets.AreApart(host.Book, conditions);
    }

    /// <summary>The hosting by itself, making good these wants.</summary>
    public ImmutableArray<Part> Alone(int wants)
    {
        if (!_parts.TryGetValue(wants, out var parts))
        {
            _parts[wants] = parts = Part.Kept(
                Hostings(wants)
                    .Select(entered =>
                        ToPart(
                            entered.Extras,
                            [],
                            entered.Codes,
                            entered.Account.Applied,
                            entered.Account.PartTotals,
                            0
                        )
                    )
            );
        }

        return parts;
    }

    /// <summary>Hosting and domain at one book, whose bills, codes and allowance they share.</summary>
    public ImmutableArray<Part> With(DomainOffer domain, Split split) =>
        Part.Kept(_areApart ? Added(domain, split) : Whole(domain, split));

    private IEnumerable<Part> Added(DomainOffer domain, Split split) =>
        from hosting in Hostings(split.AtHost)
        from name in _names.ListAll(_host, domain, split.AtDomain, _codes)
        where hosting.CodeSet == name.CodeSet
        let applied = hosting.Codes.Length > 1
            ? hosting.Codes.RemoveAll(code =>
                !hosting.Account.Applied.Contains(code) && !name.Account.Applied.Contains(code)
            )
            : []
        select ToPart(
            hosting.Extras,
            name.Extras,
            hosting.Codes,
            applied,
            _accounts.Together(hosting.Account, name.Account, _host.Book),
            domain.Side.Bought(name.Extras)
        );

    private IEnumerable<Part> Whole(DomainOffer domain, Split split) =>
        from hosting in _side.SetsFor(split.AtHost)
        from name in domain.Side.SetsFor(split.AtDomain)
        from codes in _codes
        let account = _accounts.WorkOut(
            _purchases.Make(_host, hosting, domain.Way, name, codes),
            withVerdicts: codes.Length > 1
        )
        select ToPart(hosting, name, codes, account.Applied, account.PartTotals, domain.Side.Bought(name));

    private ImmutableArray<Entered> Hostings(int wants)
    {
        if (!_hostings.TryGetValue(wants, out var known))
        {
            _hostings[wants] = known = [
                .. from extras in _side.SetsFor(wants)
                from codes in _codes.Index()
                select new Entered(
                    extras,
                    codes.Index,
                    codes.Item,
                    _accounts.WorkOut(_purchases.Make(_host, extras, codes.Item), withVerdicts: codes.Item.Length > 1)
                ),
            ];
        }

        return known;
    }

    private Part ToPart(
        ImmutableArray<AddOnChoice> hosting,
        ImmutableArray<AddOnChoice> names,
        ImmutableArray<string> codes,
        ImmutableArray<string> applied,
        PartTotals sums,
        int boughtNames
    ) =>
        new()
        {
            PartTotals = sums,
            Bought = _side.Bought(hosting) + boughtNames,
            HostingExtras = hosting,
            DomainExtras = names,
            HostingCodes = codes.Length > 1 ? applied : codes,
            DomainCodes = [],
        };
}
