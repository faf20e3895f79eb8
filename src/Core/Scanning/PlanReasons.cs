using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>What bars a plan, apart from what its candidates cost (scan rule 9).</summary>
internal sealed class PlanReasons(ScanMarket market, OfferBook book, Plan plan, Side side, ImmutableArray<DomainOffer> own)
{
    private readonly Needs _needs = market.Request.Needs;

    /// <summary>The data centres to choose from; a null one where none is chosen.</summary>
    public ImmutableArray<DataCentre?> Centres { get; } = CentresOf(market.Request.Needs, book);

    /// <summary>Whether something bars the whole plan, whatever is bought with it.</summary>
    public bool IsBarred => Fixed().Any();

    /// <summary>Why no candidate of the plan is feasible: what bars every one on its own, else what bars some, in the order of the needs (scan rule 9).</summary>
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

        all.AddRange(Fixed().Where(reason => reason.Need is not ("regions" or "platform")).Select(reason => (reason, true)));
        AddToday(all, today);
        if (market.Domains.IsEmpty)
        {
            all.Add((new Reason("domain", null, new ReasonValue(Words: _needs.Domain!.Endings)), true));
        }

        return [.. all.Where(pair => pair.BarsEvery || !all.Exists(other => other.BarsEvery)).Select(pair => pair.Reason)];
    }

    private void AddWant(List<(Reason Reason, bool BarsEvery)> all, int index, Want want)
    {
        var bit = 1 << index;
        var bars = market.Domains.Select(domain =>
        {
            var names = own.FirstOrDefault(offer => ReferenceEquals(offer.Way, domain.Way))?.Side ?? domain.Side;
            return ((side.Met | names.Met | side.Curable | names.Curable) & bit) == 0;
        }).ToList();
        var none = market.Domains.IsEmpty && ((side.Met | side.Curable) & bit) == 0;
        if (none || bars.Exists(barred => barred))
        {
            all.Add((new Reason(want.Need, want.Kind == WantKind.Tag ? null : ReasonValue.Of(plan.Features[want.Need]), Wanted(want)), none || bars.TrueForAll(barred => barred)));
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

        ReasonValue Sum(Minor units) => new(Word: new Money(units, market.Request.Settings.DisplayCurrency!).ToAmount());
    }

    // What holds for the whole plan, whatever is bought with it.
    private IEnumerable<Reason> Fixed()
    {
        var needs = _needs;
        if (Centres.IsEmpty)
        {
            yield return new Reason("regions", new ReasonValue(Words: [.. book.DataCentres.Select(centre => centre.Region).OfType<string>().Distinct()]), new ReasonValue(Words: needs.Regions));
        }

        var platforms = plan.Features["platforms"];
        if (needs.Platform is { } platform && !(platforms is null ? needs.AcceptUnknown : platforms.Words?.Contains(platform, StringComparer.Ordinal) == true))
        {
            yield return new Reason("platform", ReasonValue.Of(platforms), new ReasonValue(Word: platform));
        }

        var support = book.Provider.Support;
        if (!needs.Support.IsEmpty && !(support is { } channels ? needs.Support.All(channel => channels.Contains(channel, StringComparer.Ordinal)) : needs.AcceptUnknown))
        {
            yield return new Reason("support", support is null ? null : new ReasonValue(Words: support), new ReasonValue(Words: needs.Support));
        }

        if (needs.MinRefundDays > 0 && !(book.Refund is { } refund ? refund.Days >= needs.MinRefundDays : needs.AcceptUnknown))
        {
            yield return new Reason("minRefundDays", book.Refund is null ? null : new ReasonValue(Number: book.Refund.Days), new ReasonValue(Number: needs.MinRefundDays));
        }
    }

    private static ReasonValue Wanted(Want want) =>
        want.Kind switch
        {
            WantKind.Number => new ReasonValue(Number: want.Number),
            WantKind.Certificate => new ReasonValue(Word: want.Level.ToString().ToLowerInvariant()),
            WantKind.Tag => new ReasonValue(Word: want.Tag),
            _ => new ReasonValue(Flag: true),
        };

    private static ImmutableArray<DataCentre?> CentresOf(Needs needs, OfferBook book) =>
        needs.Regions.IsEmpty ? [null]
        : book.DataCentres.IsEmpty ? needs.AcceptUnknown ? [null] : []
        : [.. book.DataCentres.Where(centre => centre.Region is not null && needs.Regions.Contains(centre.Region, StringComparer.Ordinal))];
}
