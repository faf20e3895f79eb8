using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Who sells, and what the plan is called: only where capitals and a telling word leave no doubt.</summary>
internal static class ProseNames
{
    private static readonly Regex Provider = ProseText.ExactPattern(
        @"\b(?<name>[A-Z][A-Za-z0-9&'-]*( [A-Z&][A-Za-z0-9&'-]*){0,2} (Hosting|Hosts|Host|Webspace|Servers|Cloud"
            + @"|Internet|Networks|Online))\b"
    );

    private static readonly Regex Plan = ProseText.ExactPattern(
        @"\b(?<name>[A-Z][a-z0-9]+( [A-Z][a-z0-9]*)?) ([Pp]lan|[Pp]ackage|hosting plan)\b|\b[Pp]lan: "
            + @"?(?<name>[A-Z][A-Za-z0-9]*( [A-Z][A-Za-z0-9]*)?)|[“""'](?<name>[A-Z][A-Za-z0-9]*( "
            + @"[A-Za-z0-9]+)?)[”""'] (plan|package)"
    );

    private static readonly HashSet<string> Common = new(StringComparer.OrdinalIgnoreCase)
    {
        "web",
        "website",
        "our",
        "the",
        "your",
        "get",
        "free",
        "shared",
        "cloud",
        "managed",
        "fast",
        "best",
        "cheap",
        "business",
        "new",
        "this",
        "every",
        "all",
        "any",
        "each",
        "secure",
        "reliable",
        "simple",
        "great",
        "annual",
        "yearly",
        "monthly",
        "hosting",
        "start",
        "choose",
        "pick",
        "buy",
        "try",
        "uk",
        "green",
        "personal",
        "email",
        "domain",
        "ultimate",
        "unlimited",
        "professional",
        "premium",
        "with",
        "on",
        "when",
        "a",
        "one",
        "year",
        "month",
        "compare",
        "select",
    };

    public static ImmutableArray<Finding> In(ImmutableArray<string> sentences) =>
        [
            .. Find(ProseField.Provider, Provider, sentences, skipCommon: true),
            .. Find(ProseField.Plan, Plan, sentences, skipCommon: false),
        ];

    /// <summary>The plan that words name for certain, and where in them; null: none, or several.</summary>
    public static (string Name, int At, int End)? PlanIn(string words)
    {
        var named = Plan.Matches(words)
            .Select(match =>
                (
                    Name: NameOf(match.Groups["name"].Value, skipCommon: false),
                    match.Index,
                    End: match.Index + match.Length
                )
            )
            .Where(found => found.Name.Length > 0)
            .ToList();
        return named.Select(found => found.Name).Distinct(StringComparer.Ordinal).Count() == 1 ? named[0] : null;
    }

    // Two different names, or words that any advertisement has, are no name.
    private static IEnumerable<Finding> Find(
        ProseField field,
        Regex pattern,
        ImmutableArray<string> sentences,
        bool skipCommon
    )
    {
        var names = sentences
            .SelectMany(sentence => pattern.Matches(sentence))
            .Select(match => (Name: NameOf(match.Groups["name"].Value, skipCommon), Words: match.Value))
            .Where(found => found.Name.Length > 0)
            .ToList();
        if (names.Select(found => found.Name).Distinct(StringComparer.Ordinal).Count() == 1)
        {
            yield return new Finding(field, names[0].Name, names[0].Words.Trim());
        }
    }

    private static string NameOf(string text, bool skipCommon)
    {
        var words = text.Split(' ').SkipWhile(Common.Contains).ToArray();
        return skipCommon && words.Length < 2 ? "" : string.Join(' ', words);
    }
}
