using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Scanning;

/// <summary>
/// What settles which candidate is the least: over how many months another would be, and what each need costs. Each
/// answer is a scan with that one thing changed, so it holds against every way to buy there is.
/// </summary>
/// <param name="Least">The first row of the scan; null: nothing is feasible.</param>
/// <param name="Shorter">Over fewer months than the owner counts; null: it stays the least down to a month.</param>
/// <param name="Longer">Over more months; null: it stays the least up to ten years.</param>
/// <param name="Needs">The needs that cost something, the dearest first; where nothing is feasible, those without which
/// something is.</param>
public sealed record Settling(ScanRow? Least, Crossover? Shorter, Crossover? Longer, ImmutableArray<NeedCost> Needs)
{
    /// <summary>What settles it, or what bars a scan.</summary>
    public static Result<Settling> WorkOut(ScanRequest request, CancellationToken cancel)
    {
        var settles = new Settles(request with { ByPlan = false, Top = 1 }, cancel);
        var scan = Scan.Run(settles.Request, null, cancel);
        return Result.From(scan.Has(out var found) ? Settle(found.Rows.FirstOrDefault(), settles) : null, scan.Faults);
    }

    private static Settling Settle(ScanRow? least, Settles settles)
    {
        var turns = least is not null && settles.Request.Objective != Objective.DueToday;
        return new Settling(
            least,
            turns ? settles.Crossover(least!, -1) : null,
            turns ? settles.Crossover(least!, +1) : null,
            settles.Needs(least)
        );
    }
}

/// <summary>Where another candidate takes over.</summary>
/// <param name="FromMonths">Over this many months, and every number up to <paramref name="ToMonths"/>, it costs
/// less.</param>
/// <param name="AtMonths">The number nearest to what the owner counts: the two costings are over it.</param>
/// <param name="Other">The least over <paramref name="AtMonths"/>; null: none is less, but the least is no longer
/// wholly stated.</param>
/// <param name="Least">The candidate that is the least over what the owner counts.</param>
public sealed record Crossover(int FromMonths, int ToMonths, int AtMonths, ScanRow? Other, ScanRow Least);

/// <summary>What one need costs.</summary>
/// <param name="Need">The field of the needs.</param>
/// <param name="Wants">Its value; for a tag, the tag.</param>
/// <param name="Saves">What the least would cost less without it, in minor units of the display currency; null: without
/// it something is feasible at all.</param>
/// <param name="Best">The least without it.</param>
public sealed record NeedCost(string Need, ReasonValue Wants, Minor? Saves, ScanRow Best);

/// <summary>Scans again with one thing changed.</summary>
internal sealed class Settles(ScanRequest request, CancellationToken cancel)
{
    public ScanRequest Request => request;

    /// <param name="step">+1 looks at longer horizons, −1 at shorter ones.</param>
    public Crossover? Crossover(ScanRow least, int step)
    {
        for (
            var months = request.Settings.HorizonMonths + step;
            months is >= 1 and <= CountSettings.LongestHorizon;
            months += step
        )
        {
            var over = Over(months);
            var then = Recosted(least, over);
            if (IsAtLeast(then))
            {
                return new Crossover(months, months, months, null, then);
            }

            if (First(over) is { } other && !IsAtLeast(other) && Figure(other) < Figure(then))
            {
                var last = LastOf(other, least, months, step);
                return new Crossover(Math.Min(months, last), Math.Max(months, last), months, other, then);
            }
        }

        return null;
    }

    /// <summary>What each need costs, the dearest first.</summary>
    public ImmutableArray<NeedCost> Needs(ScanRow? least)
    {
        if (least is not null && IsAtLeast(least))
        {
            return [];
        }

        var costs = new List<NeedCost>();
        foreach (
            var (need, wants, without) in NeedsWithoutOne.ListAll(request.Needs, request.Settings.DisplayCurrency!)
        )
        {
            if (
                First(request with { Needs = without }) is { } best
                && !IsAtLeast(best)
                && (least is null || Figure(best) < Figure(least))
            )
            {
                costs.Add(new NeedCost(need, wants, least is null ? null : Figure(least) - Figure(best), best));
            }
        }

        return [.. costs.OrderByDescending(cost => cost.Saves).ThenBy(cost => Figure(cost.Best))];
    }

    // The last number of months, going on, over which the one stays less than the other.
    private int LastOf(ScanRow one, ScanRow other, int months, int step)
    {
        for (var next = months + step; next is >= 1 and <= CountSettings.LongestHorizon; next += step)
        {
            var over = Over(next);
            var (left, right) = (Recosted(one, over), Recosted(other, over));
            if (IsAtLeast(left) || IsAtLeast(right) || Figure(left) >= Figure(right))
            {
                return next - step;
            }
        }

        return step > 0 ? CountSettings.LongestHorizon : 1;
    }

    private ScanRequest Over(int months) =>
        request with
        {
            Settings = request.Settings with { HorizonMonths = months },
            SamePriceMonths = request.Settings.HorizonMonths,
        };

    private ScanRow? First(ScanRequest changed) => Scan.Run(changed, null, cancel).Value?.Rows.FirstOrDefault();

    private static ScanRow Recosted(ScanRow row, ScanRequest over) =>
        new(row.Candidate, over, Coster.Cost(row.Candidate, over.Books, over.Settings).Value!.Totals);

    private bool IsAtLeast(ScanRow row) => row.Totals.IsAtLeast(request.Objective);

    private Minor Figure(ScanRow row) => row.Totals.Figure(request.Objective);
}
