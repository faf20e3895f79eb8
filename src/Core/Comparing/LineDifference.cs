using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Comparing;

/// <summary>
/// What one candidate pays more or less than another for the same thing, column by column of the ledger. Plans stand
/// against plans, domains against domains, extras against those that provide the same. Minor units of the display
/// currency.
/// </summary>
/// <param name="Of">What the extra provides, or its id; null for other kinds.</param>
/// <param name="One">The names of it at the one.</param>
/// <param name="Cells">The other's less the one's: above zero is dearer at the other. Null: a part of either is not
/// stated, so that nobody can say.</param>
public sealed record LineDifference(
    RowKind Kind,
    string? Of,
    ImmutableArray<string> One,
    ImmutableArray<string> Other,
    ImmutableArray<Minor?> Cells
)
{
    /// <summary>Null where a cell is not known.</summary>
    public Minor? Total => Cells.Aggregate((Minor?)0, (sum, cell) => sum + cell);

    /// <summary>
    /// Every line of either; their cells add up to the difference of the totals wherever all is stated.
    /// </summary>
    public static ImmutableArray<LineDifference> Between(Costing one, Costing other)
    {
        var lines =
            new Dictionary<(RowKind Kind, string? Of), (List<string> One, List<string> Other, Minor?[] Cells)>();
        Enter(one, isOther: false);
        Enter(other, isOther: true);
        return
        [
            .. lines
                .OrderBy(line => line.Key.Kind)
                .Select(line => new LineDifference(
                    line.Key.Kind,
                    line.Key.Of,
                    [.. line.Value.One],
                    [.. line.Value.Other],
                    [.. line.Value.Cells]
                )),
        ];

        void Enter(Costing costing, bool isOther)
        {
            foreach (var row in costing.Ledger.Rows)
            {
                var key = (row.Key.Kind, Thing(row.Key));
                if (!lines.TryGetValue(key, out var line))
                {
                    lines[key] = line = ([], [], [.. new Minor[costing.Ledger.Totals.Length]]);
                }

                (isOther ? line.Other : line.One).Add(Name(row.Key));
                for (var column = 0; column < line.Cells.Length; column++)
                {
                    line.Cells[column] +=
                        row.AtLeast[column] ? null
                        : isOther ? row.Cells[column]
                        : -row.Cells[column];
                }
            }
        }
    }

    private static string? Thing(RowKey key) => key.Kind == RowKind.AddOn ? AddOnOf(key)?.Provides ?? key.Ref : null;

    private static string Name(RowKey key) =>
        key.Kind switch
        {
            RowKind.Plan => key.Book!.Plan(key.Ref)?.Name ?? key.Ref!,
            RowKind.AddOn => AddOnOf(key)?.Name ?? key.Ref!,
            _ => key.Ref ?? "",
        };

    private static AddOn? AddOnOf(RowKey key) => key.Book!.AddOns.FirstOrDefault(addOn => addOn.Id == key.Ref);
}
