using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>Puts a plan together: its ways to pay, its fee, what it has.</summary>
internal sealed class PlanAssembly(PageDraft draft, Evidence evidence)
{
    private readonly WayAssembly _ways = new(draft, evidence);

    /// <summary>One plan.</summary>
    /// <param name="at">Where it is in the reading, as a pointer.</param>
    public ReadPlan Assemble(PlanDraft plan, string at)
    {
        evidence.Source($"{at}/name", plan.Name, plan.NameAt);
        Distinct(plan);
        DropCounted(plan);
        var setup = Setup(plan, at);
        var ways = plan
            .Ways.Select((way, number) => _ways.Assemble(plan, way, $"{at}/ways/{number}"))
            .ToImmutableArray();
        var features = ImmutableSortedDictionary.CreateBuilder<string, object>(StringComparer.Ordinal);
        foreach (var (key, feature) in plan.Features)
        {
            features[key] = feature.Value;
            evidence.Source($"{at}/features/{key}", feature.Value, feature.At);
            if (feature.IsForATime)
            {
                evidence.Doubt("limited-time", $"{at}/features/{key}");
            }
        }

        foreach (var (number, kind) in plan.Includes.Index())
        {
            evidence.Source($"{at}/includes/{number}", kind.Key, kind.At);
        }

        var domain =
            plan.Domain is { } offer && !plan.HasNoDomain
                ? new ReadPlanDomain(offer.Endings, offer.FromMonths, offer.EveryYear)
                : null;
        if (domain is not null)
        {
            evidence.Source($"{at}/domain", domain, plan.Domain!.At);
        }

        return new ReadPlan(
            plan.Name,
            ways,
            setup,
            features.ToImmutable(),
            domain,
            [.. plan.Includes.Select(kind => kind.Key)]
        );
    }

    // No two ways of a plan share months, per and paid: the later one is another thing.
    private static void Distinct(PlanDraft plan)
    {
        if (
            plan.Ways is [{ Term: null, Price: { Per: Per.None } bare }, var second, ..]
            && second.Price.Value == bare.Value
        )
        {
            plan.Ways.RemoveAt(0);
        }

        for (var at = plan.Ways.Count - 1; at > 0; at--)
        {
            var way = plan.Ways[at];
            if (way is { Term: null, Price.Per: Per.None })
            {
                plan.Ways.RemoveAt(at); // "Site move £49", below the price: no length, and for nothing that is said.
                continue;
            }

            if (
                plan
                    .Ways.Take(at)
                    .FirstOrDefault(other =>
                        other.Price.Value == way.Price.Value
                        && other.Price.Per == way.Price.Per
                        && (other.Term is null || way.Term is null || other.Term.Months == way.Term.Months)
                    ) is
                { } same
            )
            {
                same.Term ??= way.Term; // Printed twice: on its card, and in the choice of lengths.
                plan.Ways.RemoveAt(at);
            }
            else if (
                (
                    way.Term is null
                    && way.Paid != Paid.MonthlyFree
                    && way.Price.Per is Per.Month
                    && plan.Ways.Exists(other => other.Term is not null && other.Price.Per == way.Price.Per)
                )
                || plan.Ways.Take(at)
                    .Any(other =>
                        other.Term?.Months == way.Term?.Months
                        && other.Price.Per == way.Price.Per
                        && other.Paid == way.Paid
                    )
            )
            {
                plan.Ways.RemoveAt(at);
            }
        }
    }

    // "£8 a month or £80 a year, 2 months free": the year's price has them in it already.
    private static void DropCounted(PlanDraft plan)
    {
        foreach (var way in plan.Ways.Where(way => way.Free is not null))
        {
            var months = way.Term?.Months ?? 12;
            var whole = way.Price.Per == Per.Month ? way.Price.Value * months : way.Price.Value;
            if (
                plan.Ways.Exists(other =>
                    other != way
                    && other.Price.Per == Per.Month
                    && Math.Abs((other.Price.Value * (months - way.Free!.Months)) - whole) <= months * 0.05m
                )
            )
            {
                way.Free = null;
            }
        }
    }

    private string? Setup(PlanDraft plan, string at)
    {
        var amount = plan.Setup ?? (plan.FreeSetup is null ? draft.SetupForAll : null);
        if (amount is not null)
        {
            return evidence.Amount($"{at}/setupFee", amount);
        }

        if (
            (plan.FreeSetup ?? draft.FreeSetupForAll) is { } free
            && plan.Ways.TrueForAll(way => way.Setup is null && way.FreeSetup is null)
        )
        {
            evidence.Source($"{at}/setupFee", "0", free);
            return evidence.Text(0);
        }

        return null;
    }
}
