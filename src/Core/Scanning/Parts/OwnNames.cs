using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>
/// What domains of a plan's own book cost with it, apart from the hosting's own lines. The data centre makes no
/// difference, so the ways to pay alone are told apart.
/// </summary>
internal sealed class OwnNames(Accounts accounts, Purchases purchases)
{
    private readonly Dictionary<(DomainOffer Domain, int Wants), ImmutableArray<Entered>> _known = [];
    private BillingOption? _option;

    /// <param name="codes">The codes worth entering with this way to pay.</param>
    public ImmutableArray<Entered> ListAll(
        HostWay host,
        DomainOffer domain,
        int wants,
        ImmutableArray<ImmutableArray<string>> codes
    )
    {
        if (!ReferenceEquals(_option, host.Option))
        {
            _known.Clear();
            _option = host.Option;
        }

        if (!_known.TryGetValue((domain, wants), out var known))
        {
            _known[(domain, wants)] = known = [
                .. from extras in domain.Side.SetsFor(wants)
                from entered in codes.Index()
                let purchase = purchases.Make(host, [], domain.Way, extras, entered.Item)
                select new Entered(
                    extras,
                    entered.Index,
                    entered.Item,
                    accounts.WorkOut(purchase, withVerdicts: entered.Item.Length > 1, chargesHosting: false)
                ),
            ];
        }

        return known;
    }
}
