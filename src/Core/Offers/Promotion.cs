using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>A discount of a book: by code, or automatic; a percentage or an amount (costing rules 18 to 21).</summary>
public sealed record Promotion(string Id, string? Code)
{
    /// <summary>Exactly one of <see cref="Percent"/> and <see cref="Amount"/> is set.</summary>
    public ExactDecimal? Percent { get; init; }

    /// <summary>Minor units, once for each bill it applies to.</summary>
    public Minor? Amount { get; init; }

    /// <summary>The lines it takes something off.</summary>
    public ImmutableArray<LineMatch> AppliesTo { get; init; } = [];

    /// <summary>On how many of the first bills that hold a matching line; null: on all.</summary>
    public int? Bills { get; init; } = 1;

    /// <summary>The least months that must be paid for at a time; null: any.</summary>
    public int? MinEveryMonths { get; init; }

    /// <summary>Ids of the plans it is for; empty: any.</summary>
    public ImmutableArray<string> Plans { get; init; } = [];

    /// <summary>The first start date it counts on; null: any.</summary>
    public DateOnly? From { get; init; }

    /// <summary>The last start date it counts on; null: any.</summary>
    public DateOnly? Until { get; init; }

    /// <summary>Whether it is for those who are no customers of the book yet.</summary>
    public bool NewCustomersOnly { get; init; }

    /// <summary>Whether it may stand beside other codes.</summary>
    public bool Combinable { get; init; }

    /// <summary>Whether the seller takes it off without a code.</summary>
    public bool IsAutomatic => Code is null;

    /// <summary>How a discount's row names it: the code as the book spells it, or the id.</summary>
    public string Source => Code ?? Id;
}

/// <summary>What kind of line: also the word for it on the wire, in camel case.</summary>
public enum LineKind
{
    /// <summary>The plan.</summary>
    Plan,

    /// <summary>A data centre's surcharge.</summary>
    DataCentre,

    /// <summary>Setting the hosting up.</summary>
    Setup,

    /// <summary>A domain.</summary>
    Domain,

    /// <summary>An extra.</summary>
    AddOn,
}

/// <summary>Lines of a kind, or one of them: <c>domain:com</c>, <c>addOn:backup</c> (costing rule 19).</summary>
/// <param name="Of">The ending of a domain or the id of an extra; null: every line of the kind.</param>
public readonly record struct LineMatch(LineKind Kind, string? Of)
{
    /// <param name="of">The line's own ending for a domain, else the id it is about.</param>
    public bool Matches(LineKind kind, string? of) =>
        kind == Kind && (Of is null || string.Equals(Of, of, StringComparison.Ordinal));

    /// <summary>Reads one of the words of rule 19; false where it is none of them.</summary>
    public static bool TryParse(string text, out LineMatch match)
    {
        var colon = text.IndexOf(':', StringComparison.Ordinal);
        var (kind, of) = colon < 0 ? (text, null) : (text[..colon], text[(colon + 1)..]);
        LineKind? known = kind switch
        {
            "plan" when of is null => LineKind.Plan,
            "dataCentre" when of is null => LineKind.DataCentre,
            "setup" when of is null => LineKind.Setup,
            "domain" => LineKind.Domain,
            "addOn" => LineKind.AddOn,
            _ => null,
        };
        match = new LineMatch(known ?? default, of);
        return known is not null;
    }
}
