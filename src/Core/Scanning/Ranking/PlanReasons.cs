using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>What bars a plan, apart from what its candidates cost (scan rule 9).</summary>
internal sealed class PlanReasons(
    ScanMarket market,
    OfferBook book,
    Plan plan,
    Side side,
    ImmutableArray<DomainOffer> own
)
{
    private readonly Needs _needs = market.Request.Needs;

    /// <summary>The data centres to choose from; a null one where none is chosen.</summary>
    public ImmutableArray<DataCentre?> Centres { get; } = CentresOf(market.Request.Needs, book);

    /// <summary>The domains that may go with the plan.</summary>
    public ImmutableArray<DomainOffer> Domains { get; } =
        market.Request.OneSeller
            ? [.. market.Domains.Where(domain => market.Request.Pairs(book, domain.Way.Book))]
            : market.Domains;

    /// <summary>Whether something bars the whole plan, whatever is bought with it.</summary>
    public bool IsBarred => Fixed().Any();

    /// <summary>Whether a way to pay costs the same throughout, where the needs ask for that.</summary>
    public bool KeepsPrice(BillingOption option) =>
        PriceNeed.IsMet(_needs, option, market.Request.SamePriceMonths ?? market.Request.Settings.HorizonMonths);

    /// <summary>
    /// Why no candidate of the plan is feasible: what bars every one on its own, else what bars some, in the order of
    /// the needs (scan rule 9).
    /// </summary>
    public ImmutableArray<Reason> All(TodayLimit today)
    {
        var all = new List<(Reason Reason, bool BarsEvery)>();
        foreach (var (index, want) in market.Wants.Index().Where(pair => pair.Item.Kind != WantKind.Flag))
        {
            AddWant(all, index, want);
        }

        all.AddRange(Fixed().Where(reason => reason.Need is "regions" or "platform").Select(reason => (reason, true)));
        foreach (var (index, want) in market.Wants.Index().Where(pair => pair.Item.Kind == WantKind.Flag))
        {
            AddWant(all, index, want);
        }

        all.AddRange(
            Fixed().Where(reason => reason.Need is not ("regions" or "platform")).Select(reason => (reason, true))
        );
        AddPrice(all);
        AddToday(all, today);
        if (Domains.IsEmpty)
        {
            all.Add((new Reason("domain", null, new ReasonValue(Words: _needs.Domain!.Endings)), true));
        }

        return
        [
            .. all.Where(pair => pair.BarsEvery || !all.Exists(other => other.BarsEvery)).Select(pair => pair.Reason),
        ];
    }

    private void AddWant(List<(Reason Reason, bool BarsEvery)> all, int index, Want want)
    {
        var bit = 1 << index;
        var bars = Domains
            .Select(domain =>
            {
                var names = own.FirstOrDefault(offer => ReferenceEquals(offer.Way, domain.Way))?.Side ?? domain.Side;
                return ((side.Met | names.Met | side.Curable | names.Curable) & bit) == 0;
            })
            .ToList();
        var none = Domains.IsEmpty && ((side.Met | side.Curable) & bit) == 0;
        if (none || bars.Exists(barred => barred))
        {
            all.Add(
                (
                    new Reason(
                        want.Need,
                        want.Kind == WantKind.Tag ? null : ReasonValue.From(plan.Features[want.Need]),
                        want.Wanted
                    ),
                    none || bars.TrueForAll(barred => barred)
                )
            );
        }
    }

    // It bars ways to pay, each on its own.
    private void AddPrice(List<(Reason Reason, bool BarsEvery)> all)
    {
        var kept = plan.Billing.Count(KeepsPrice);
        if (kept < plan.Billing.Length)
        {
            all.Add((PriceNeed.Unmet, kept == 0));
        }
    }

    private void AddToday(List<(Reason Reason, bool BarsEvery)> all, TodayLimit today)
    {
        if (!today.SomeBarred || today.Least is not { } least)
        {
            return;
        }

        var reason = new Reason("maxDueToday", Sum(least), Sum(_needs.MaxDueToday!.Value));
        all.Add((reason, !today.SomeMet));

        ReasonValue Sum(Minor units) =>
            new(Word: new Money(units, market.Request.Settings.DisplayCurrency!).ToAmount());
    }

    // What holds for the whole plan, whatever is bought with it.
    private IEnumerable<Reason> Fixed() =>
        ProviderNeeds.Check(_needs, book, plan).Where(need => !need.IsMet).Select(need => need.Reason);

    private static ImmutableArray<DataCentre?> CentresOf(Needs needs, OfferBook book) =>
        needs.Regions.IsEmpty ? [null]
        : book.DataCentres.IsEmpty
            ? needs.AcceptUnknown ? [null]
                : []
        :
        [
            .. book.DataCentres.Where(centre =>
                centre.Region is not null && needs.Regions.Contains(centre.Region, StringComparer.Ordinal)
            ),
        ];
}
