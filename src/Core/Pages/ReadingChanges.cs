using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Pages;

/// <summary>What an owner mends of a reading: one value.</summary>
/// <param name="At">The value, as sources name it: "/plans/0/ways/0/price".</param>
/// <param name="Value">What it is; null: it is taken away, or moved.</param>
/// <param name="ToPlan">The place of the plan it belongs to instead; null: it stays where it is.</param>
/// <param name="From">Where in the page's text the words stand that it is read from, of an amount that was left over;
/// null: it is typed.</param>
public sealed record ReadingChange(string At, string? Value, int? ToPlan = null, int? From = null);

/// <summary>Makes of a reading what its owner says it is, change by change.</summary>
public static partial class ReadingChanges
{
    /// <summary>No owner mends more of one page.</summary>
    public const int Most = 400;

    [GeneratedRegex(
        @"^/plans/(?<plan>[0-9]{1,3})/(?:ways/(?<way>[0-9]{1,3})/)?(?<field>.{1,60})$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Place { get; }

    /// <summary>The reading with the changes; a change that cannot be is a fault at its place in the list.</summary>
    public static PageReading Apply(PageReading reading, IReadOnlyList<ReadingChange> changes, FaultList faults)
    {
        foreach (var (number, change) in changes.Index())
        {
            if (Changed(reading, change) is { } changed)
            {
                reading = changed;
            }
            else
            {
                faults.Add(FaultCodes.Unknown, $"changes[{number}]", new PageChangeUnknown(change.At));
            }
        }

        return reading;
    }

    private static PageReading? Changed(PageReading reading, ReadingChange change)
    {
        var match = Place.Match(change.At);
        if (!match.Success || Index(match, "plan") is not { } plan || plan >= reading.Plans.Length)
        {
            return null;
        }

        var way = Index(match, "way");
        var field = match.Groups["field"].Value;
        if (change.ToPlan is { } other)
        {
            return
                other >= 0
                && other < reading.Plans.Length
                && other != plan
                && Valued(reading.Plans[plan], way, field) is { } value
                && Moved(reading, plan, other, way, field, value) is { } moved
                ? moved
                : null;
        }

        var text = change.From is { } from ? AmountAt(reading, from) : change.Value;
        if (
            (change.From is not null && text is null)
            || With(reading.Plans[plan], way, field, text, DecimalsOf(reading)) is not { } mended
        )
        {
            return null;
        }

        var words = change.From is { } at
            ? reading.NotPlaced.FirstOrDefault(left => left.Words.From == at)?.Words
            : null;
        return Said(reading with { Plans = reading.Plans.SetItem(plan, mended) }, change.At, words);
    }

    private static int? Index(Match match, string group) =>
        match.Groups[group].Success ? int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture) : null;

    // What was said of the value before is not where it comes from any more.
    private static PageReading Said(PageReading reading, string at, PageSpan? words) =>
        reading with
        {
            Sources =
            [
                .. reading.Sources.Where(source =>
                    source.At != at && !source.At.StartsWith(at + "/", StringComparison.Ordinal)
                ),
                .. words is { } placed ? [new ReadSource(at, placed)] : ImmutableArray<ReadSource>.Empty,
            ],
            NotPlaced = words is { } gone
                ? [.. reading.NotPlaced.Where(left => left.Words != gone)]
                : reading.NotPlaced,
            Doubts = [.. reading.Doubts.Where(doubt => doubt.At != at)],
        };

    private static PageReading? Moved(PageReading reading, int plan, int other, int? way, string field, string value)
    {
        var target = way is null ? null : (int?)Math.Min(way.Value, reading.Plans[other].Ways.Length - 1);
        if (
            With(reading.Plans[other], target, field, value, DecimalsOf(reading)) is not { } given
            || With(reading.Plans[plan], way, field, null, DecimalsOf(reading)) is not { } left
        )
        {
            return null;
        }

        var (from, to) = (At(plan, way, field), At(other, target, field));
        var words = reading.Sources.FirstOrDefault(source => source.At == from)?.Words;
        return Said(
            Said(reading with { Plans = reading.Plans.SetItem(plan, left).SetItem(other, given) }, from, null),
            to,
            words
        );
    }

    private static string At(int plan, int? way, string field) =>
        way is { } number ? $"/plans/{plan}/ways/{number}/{field}" : $"/plans/{plan}/{field}";

    private static string? AmountAt(PageReading reading, int from) =>
        reading.NotPlaced.FirstOrDefault(left => left.Words.From == from) is { } one
            ? PageAmount.In(reading.Text[one.Words.From..one.Words.To], 0) is [var amount, ..]
                ? amount.Number
                : PageAmount.NumberOf(reading.Text[one.Words.From..one.Words.To])
            : null;

    private static string? Valued(ReadPlan plan, int? way, string field)
    {
        if (way is { } number)
        {
            return number >= plan.Ways.Length ? null
                : plan.Ways[number] is var one
                && field switch
                {
                    "struck" => one.Struck,
                    "setupFee" => one.SetupFee,
                    "later" => one.Later?.Price is { } price ? $"{price} {one.Later.Per}"
                    : one.Later is null ? null
                    : "same",
                    _ => null,
                }
                    is { } value
                    ? value
                : null;
        }

        return field == "setupFee" ? plan.SetupFee
            : field.StartsWith("features/", StringComparison.Ordinal)
            && plan.Features.TryGetValue(field[9..], out var feature)
                ? Convert.ToString(feature, CultureInfo.InvariantCulture)
            : field == "domain" && plan.Domain is not null
                ? string.Join(' ', plan.Domain.Endings) is { Length: > 0 } endings ? endings
                    : "any"
            : null;
    }

    // A plan with one value of it as said; null: it has no such value, or it cannot be that.
    private static ReadPlan? With(ReadPlan plan, int? way, string field, string? value, int decimals)
    {
        if (way is { } number)
        {
            return number < plan.Ways.Length && WayWith(plan.Ways[number], field, value?.Trim(), decimals) is { } mended
                ? plan with
                {
                    Ways = plan.Ways.SetItem(number, mended),
                }
                : null;
        }

        return field switch
        {
            "name" => plan with { Name = value },
            "setupFee" => Amount(value, decimals) is var fee && fee.IsGood ? plan with { SetupFee = fee.Text } : null,
            "domain" when value is null => plan with { Domain = null },
            "domain" => plan with
            {
                Domain = new ReadPlanDomain(
                    value == "any"
                        ? []
                        :
                        [
                            .. value
                                .Split([' ', ','], StringSplitOptions.RemoveEmptyEntries)
                                .Select(ending => ending.TrimStart('.').ToLowerInvariant()),
                        ],
                    plan.Domain?.FromMonths,
                    plan.Domain?.EveryYear ?? false
                ),
            },
            _ when field.StartsWith("features/", StringComparison.Ordinal) => value is null
                ? plan with
                {
                    Features = plan.Features.Remove(field[9..]),
                }
            : Feature(field[9..], value.Trim()) is { } feature
                ? plan with
                {
                    Features = plan.Features.SetItem(field[9..], feature),
                }
            : null,
            _ => null,
        };
    }

    private static ReadWay? WayWith(ReadWay way, string field, string? value, int decimals)
    {
        switch (field)
        {
            case "price":
                return Amount(value, decimals) is { IsGood: true, Text: { } price } ? way with { Price = price } : null;
            case "per":
                return value is "month" or "year" or "term" ? way with { Per = value } : null;
            case "months":
                return Count(value, 1, 120) is { } months ? way with { Months = months } : null;
            case "freeMonths":
                return Count(value ?? "0", 0, 24) is { } free ? way with { FreeMonths = free } : null;
            case "paid":
                return value is "at-once" or "monthly-bound" or "monthly-free" ? way with { Paid = value } : null;
            case "struck":
                return Amount(value, decimals) is { IsGood: true } struck ? way with { Struck = struck.Text } : null;
            case "setupFee":
                return Amount(value, decimals) is { IsGood: true } fee ? way with { SetupFee = fee.Text } : null;
            case "later":
                return Later(way, value, decimals);
            default:
                return null;
        }
    }

    // "same", or an amount with what it is for: "9.99 month".
    private static ReadWay? Later(ReadWay way, string? value, int decimals)
    {
        if (value is null or "same")
        {
            return way with { Later = value is null ? null : ReadLater.Same };
        }

        var parts = value.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var per = parts.Length > 1 ? parts[1] : way.Per;
        return
            parts.Length is 1 or 2
            && per is "month" or "year" or "term"
            && Amount(parts[0], decimals) is { IsGood: true, Text: { } price }
            ? way with
            {
                Later = new ReadLater(price, per),
            }
            : null;
    }

    private static (bool IsGood, string? Text) Amount(string? value, int decimals)
    {
        if (value is null)
        {
            return (true, null);
        }

        var figures = PageAmount.In(value, 0) is [var amount, ..]
            ? amount.Number
            : PageAmount.NumberOf(Patterns.Swap(value, @"[^0-9.,'’ \u00A0]", ""));
        if (figures is null || !figures.Any(char.IsAsciiDigit))
        {
            return (false, null);
        }

        var point = figures.IndexOf('.', StringComparison.Ordinal);
        var missing = decimals - (point < 0 ? 0 : figures.Length - point - 1);
        return (true, missing <= 0 ? figures : figures + (point < 0 ? "." : "") + new string('0', missing));
    }

    private static int DecimalsOf(PageReading reading) =>
        Currency.TryGet(reading.Currency, out var currency) ? currency.Decimals : 2;

    private static int? Count(string? value, int least, int most) =>
        int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out var count)
        && count >= least
        && count <= most
            ? count
            : null;

    private static object? Feature(string key, string value) =>
        key switch
        {
            "websites"
            or "storageGB"
            or "transferGB"
            or "monthlyVisits"
            or "mailboxes"
            or "databases"
            or "subdomains" => value.Equals(FeatureWords.Unlimited, StringComparison.OrdinalIgnoreCase)
                ? FeatureWords.Unlimited
            : decimal.TryParse(value, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            && number <= 1_000_000_000
                ? number
            : null,
            "certificate" => value is "shared" or "own" or "wildcard" ? value : null,
            "ownIp" or "installer" => bool.TryParse(value, out var flag) ? flag : null,
            _ => null,
        };
}
