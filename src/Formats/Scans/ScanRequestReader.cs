using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Scans;

/// <summary>Reads the body of <c>POST /api/scans</c> (scan.md).</summary>
public static class ScanRequestReader
{
    private const int UsualRows = 25;

    private static readonly (string, Objective)[] Objectives =
    [
        ("horizon", Objective.Horizon),
        ("dueToday", Objective.DueToday),
        ("expected", Objective.Expected),
    ];

    /// <summary>The objective of a word; without one the horizon; null where the word is none.</summary>
    public static Objective? ObjectiveOf(string? word) =>
        word is null
            ? Objective.Horizon
            : Objectives.Where(known => known.Item1 == word).Select(known => (Objective?)known.Item2).FirstOrDefault();

    /// <summary>The request, or null with all its faults, those of the books first.</summary>
    public static ScanRequest? Read(JsonElement json, ImmutableArray<OfferBook> ownBooks, FaultList faults)
    {
        var root = new Node(json, "", faults);
        if (!root.IsObject())
        {
            if (root.IsAbsent)
            {
                root.Fault(FaultCodes.BadType, "This must be an object.");
            }

            return null;
        }

        var books = CostingRequestReader.BooksOf(root, ownBooks);
        var settings = SettingsReader.Read(root);
        var display = Display(root, books, settings);
        var needs = NeedsReader.Read(root["needs"], settings, display);
        var objective = root["objective"].Word(Objectives) ?? Objective.Horizon;
        if (objective == Objective.Expected && root["owner"]["keepChancePercent"] is { IsAbsent: true } chance)
        {
            chance.Required("The chance of still running the site a year on");
        }

        var byPlan = root["group"].Word(("plan", true)) ?? false;
        var top = Top(root["top"]);
        return faults.Any
            ? null
            : new ScanRequest(books, settings with { DisplayCurrency = display }, needs, objective, byPlan, top);
    }

    private static Currency? Display(Node root, ImmutableArray<OfferBook> books, CountSettings settings)
    {
        var currencies = books.Select(book => book.Currency).Distinct().ToList();
        var node = root["display"]["currency"];
        if (settings.DisplayCurrency is null && node.IsAbsent && currencies.Count > 1)
        {
            node.Required("The currency to show sums in, since the books have different ones,");
        }

        return settings.DisplayCurrency ?? (currencies.Count > 0 ? currencies[0] : null);
    }

    private static int Top(Node node)
    {
        var top = node.Whole();
        if (top is < 1 or > ScanRequest.MostRows)
        {
            node.Fault(
                FaultCodes.OutOfRange,
                $"From 1 to {ScanRequest.MostRows} rows can be asked for; this says {top}."
            );
        }

        return top ?? UsualRows;
    }
}
