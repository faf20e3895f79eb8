using System.Text.Json;

namespace HomeStart.Formats.Scans;

/// <summary>What settles which candidate is the least.</summary>
/// <param name="Least">Null: nothing fits.</param>
/// <param name="Shorter">Over fewer months another costs less; null: over none.</param>
/// <param name="Longer">Over more months; null: over none up to ten years.</param>
public sealed record SettlingWire(
    ScanRowWire? Least,
    TurnWire? Shorter,
    TurnWire? Longer,
    IReadOnlyList<NeedCostWire> Needs
)
{
    public static SettlingWire From(Settling settling, Currency display) =>
        new(
            settling.Least is { } least ? ScanRowWire.From(least) : null,
            TurnWire.From(settling.Shorter),
            TurnWire.From(settling.Longer),
            [.. settling.Needs.Select(cost => NeedCostWire.From(cost, display))]
        );
}

/// <param name="AtMonths">The two costings are over this many months.</param>
/// <param name="Other">Costs less from <paramref name="FromMonths"/> to <paramref name="ToMonths"/>; null: the least is
/// only "at least" from there on.</param>
public sealed record TurnWire(int FromMonths, int ToMonths, int AtMonths, ScanRowWire? Other, ScanRowWire Least)
{
    internal static TurnWire? From(Crossover? turn) =>
        turn is null
            ? null
            : new TurnWire(
                turn.FromMonths,
                turn.ToMonths,
                turn.AtMonths,
                turn.Other is { } other ? ScanRowWire.From(other) : null,
                ScanRowWire.From(turn.Least)
            );
}

/// <param name="Saves">What the least would cost less without this need; null: without it something fits at
/// all.</param>
public sealed record NeedCostWire(string Need, JsonElement Wants, string? Saves, ScanRowWire Best)
{
    internal static NeedCostWire From(NeedCost cost, Currency display) =>
        new(
            cost.Need,
            ReasonWire.Value(cost.Wants),
            cost.Saves is { } saves ? new Money(saves, display).ToAmount() : null,
            ScanRowWire.From(cost.Best)
        );
}
