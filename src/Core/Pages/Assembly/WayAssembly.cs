using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Puts a way to pay together: months, price, how it is paid, and what it costs later.</summary>
internal sealed partial class WayAssembly(PageDraft draft, Evidence evidence)
{
    /// <summary>One way to pay, with what its plan and its page say of all.</summary>
    public ReadWay Assemble(PlanDraft plan, WayDraft way, string at)
    {
        var price = evidence.Amount($"{at}/price", way.Price);
        var isFirst = IsFirst(plan, way);
        var perUnit = way.Price.Per;
        // A price a year is for no month.
        var ofPlan = perUnit == Per.Year && plan.Term is { Months: < 12 } ? null : plan.Term;
        var months = way.Term?.Months ?? ofPlan?.Months;
        var monthsAt = way.Term?.At ?? ofPlan?.At;
        var paid = way.Paid;
        if (way is { Term: null, Price.Per: Per.Month } && (way.Paid == Paid.MonthlyFree || IsBesideAYear(plan, way)))
        {
            // "or £8 a month, cancel whenever you like", "£8 monthly or £80 yearly".
            (months, monthsAt, paid) = (1, way.Price.At, Paid.MonthlyFree);
        }
        else if (months is null && perUnit == Per.None && (paid ?? plan.Paid) == Paid.MonthlyFree)
        {
            // "One website costs £6. Cancel any time."
            (months, monthsAt) = (1, way.Price.At);
        }
        else if (months is null && perUnit == Per.Year)
        {
            (months, monthsAt) = (12, way.Price.At);
        }
        else if (months is null && perUnit is Per.Month && (!isFirst || (paid ?? plan.Paid) == Paid.MonthlyFree))
        {
            (months, monthsAt) = (1, way.Price.At);
        }

        foreach (var total in way.Totals)
        {
            draft.Why.TryAdd(total, "total");
            Total(way, total, ref months, ref paid);
        }

        paid ??=
            (way.Term is null || plan.Term is null || plan.Term.Months == way.Term.Months)
            && !(perUnit == Per.Year && plan.Paid is Paid.MonthlyFree or Paid.MonthlyBound && months == 12)
                ? plan.Paid
                : null;
        var per = perUnit switch
        {
            Per.Month => "month",
            Per.Year => "year",
            _ when months == 1 => "month",
            _ when months == 12 => "year",
            _ => "term",
        };
        // A price a year is not paid by the month, whatever is said of another way, but in instalments.
        if ((paid is null && per == "term") || (per == "year" && months == 12 && !SaysInstalments(plan)))
        {
            paid = Paid.AtOnce;
        }

        if (months == 1 && per == "month")
        {
            paid = Paid.MonthlyFree;
        }

        if (months is { } length)
        {
            evidence.Source($"{at}/months", length, monthsAt ?? way.Price.At);
        }
        else
        {
            evidence.Doubt("term-not-said", $"{at}/months");
        }

        if (paid is null)
        {
            evidence.Doubt("paid-not-said", $"{at}/paid");
        }
        else
        {
            evidence.Source($"{at}/paid", paid, way.PaidAt ?? way.Line.Seen.At);
        }

        if (way.Free is { Months: > 0 } free)
        {
            evidence.Source($"{at}/freeMonths", free.Months, free.At);
            evidence.Doubt("free-months", $"{at}/freeMonths");
        }

        if (way.IsFrom)
        {
            evidence.Doubt("from-price", $"{at}/price");
        }

        var struck = way.Struck is { } dear ? evidence.Amount($"{at}/struck", dear) : null;
        var setup =
            way.Setup is { } fee ? evidence.Amount($"{at}/setupFee", fee)
            : way.FreeSetup is not null ? evidence.Text(0)
            : null;
        return new ReadWay(
            months,
            price,
            per,
            PaidWord(paid),
            way.Free?.Months ?? 0,
            struck,
            Later(plan, way, per, isFirst, at),
            setup
        );
    }

    private static bool SaysInstalments(PlanDraft plan) =>
        plan.Lines.Exists(line => Patterns.Has(line.Words, @"\binstal?ments?\b|\bmonthly payments\b"));

    private static bool IsBesideAYear(PlanDraft plan, WayDraft way) =>
        way.Totals.Count == 0
        && plan.Ways.Exists(other =>
            other is { Term: null or { Months: 12 }, Price.Per: Per.Year } && other.Line == way.Line
        );

    private static void Total(WayDraft way, PageAmount total, ref int? months, ref Paid? paid)
    {
        if (way.Price.Per != Per.Month || way.Price.Value == 0)
        {
            return;
        }

        if (months is { } length && Math.Abs((way.Price.Value * length) - total.Value) <= length * 0.01m)
        {
            paid ??= length > 1 ? Paid.AtOnce : null;
        }
        else if (months is null or 1 && way.Term is null)
        {
            foreach (var guess in new[] { 12, 24, 36, 48, 60, 3, 6, 18, 120 })
            {
                if (Math.Abs((way.Price.Value * guess) - total.Value) <= guess * 0.01m)
                {
                    (months, paid) = (guess, paid ?? Paid.AtOnce);
                    break;
                }
            }
        }
    }

    // A saving against another way of the same plan makes no price a first one.
    private bool IsFirst(PlanDraft plan, WayDraft way)
    {
        if (way.Struck is not null || way.IsFirst || plan.IsFirst || draft.IsFirstForAll)
        {
            return true;
        }

        return (way.HasPercent || way.Savings.Count > 0) && plan.Ways.Count == 1;
    }

    private ReadLater? Later(PlanDraft plan, WayDraft way, string per, bool isFirst, string at)
    {
        var isMonthly = (way.Term?.Months ?? 0) == 1 && plan.Ways.Count > 1;
        // What a year renews at is no monthly price's.
        var later = way.Later ?? (isMonthly && plan.Later?.Per == Per.Year ? null : plan.Later);
        if (later is not null)
        {
            var laterPer = later.Per switch
            {
                Per.Month => "month",
                Per.Year => "year",
                _ => PerLength(later)
                    ?? (
                        per == "month" && IsForWholeTerm(way, later)
                            ? (way.Term?.Months ?? plan.Term?.Months) is null or 12
                                ? "year"
                                : "term"
                            : per
                    ),
            };
            if (later.Value == way.Price.Value && laterPer == per)
            {
                evidence.Place(later);
                evidence.Source($"{at}/later", "same", later.At);
                return ReadLater.Same;
            }

            evidence.Source($"{at}/later/price", later.Number, Evidence.Wide(later));
            evidence.Source($"{at}/later/per", laterPer, Evidence.Wide(later));
            evidence.Place(later);
            return new ReadLater(evidence.Text(later), laterPer);
        }

        if (way.IsSame || plan.IsSame || draft.IsSameForAll)
        {
            return ReadLater.Same;
        }

        if (way.Struck is { } dear && (way.IsRegular || plan.IsRegular || draft.IsRegularForAll))
        {
            var dearPer = dear.Per switch
            {
                Per.Month => "month",
                Per.Year => "year",
                _ => per,
            };
            evidence.Source($"{at}/later/price", dear.Number, Evidence.Wide(dear));
            return new ReadLater(evidence.Text(dear), dearPer);
        }

        if (isFirst || way.IsUnstated || plan.IsUnstated || draft.IsUnstatedForAll)
        {
            evidence.Doubt("later-not-said", $"{at}/later");
            return null;
        }

        return ReadLater.Same;
    }

    [GeneratedRegex(
        @"^\s*(?:every|for|per|each|for each)\s+(?:(?:another|the same|the|further"
            + $@"|more)\s+)*(?:{Patterns.Count}[- ](?:months?|(?<year>years?))|(?<term>term))\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Every { get; }

    // No price a month rises to what all the months together cost.
    private static bool IsForWholeTerm(WayDraft way, PageAmount later) =>
        later.Value >= way.Price.Value * Math.Max(6, (way.Term?.Months ?? 12) * 0.6m);

    [GeneratedRegex(
        @"\b(?:(?<year>yearly|annually|each year|every year|once a year)|monthly|each month)\b[^.0-9]{0,12}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Often { get; }

    // "then £144 every 24 months".
    private string? PerLength(PageAmount amount)
    {
        var match = Every.Match(draft.Page.Text, amount.At.To, Math.Min(40, draft.Page.Text.Length - amount.At.To));
        var often = Often.Match(draft.Page.Between(amount.At.From - 30, amount.At.From));
        return !match.Success
                ? (
                    often.Success
                        ? often.Groups["year"].Success
                            ? "year"
                            : "month"
                        : null
                )
            : match.Groups["term"].Success ? "term"
            : (Patterns.Number(match.Groups["count"].Value) * (match.Groups["year"].Success ? 12 : 1)) switch
            {
                1 => "month",
                12 => "year",
                _ => "term",
            };
    }

    private static string? PaidWord(Paid? paid) =>
        paid switch
        {
            Paid.AtOnce => "at-once",
            Paid.MonthlyBound => "monthly-bound",
            Paid.MonthlyFree => "monthly-free",
            _ => null,
        };
}
