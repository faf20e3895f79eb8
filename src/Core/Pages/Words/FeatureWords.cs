using System.Buffers;
using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>One thing that a page says of a plan.</summary>
/// <param name="Key">As pages.md names it, or the kind of an extra: "backup".</param>
/// <param name="Value">A decimal, a word, true or false, or a list of words.</param>
/// <param name="At">Its words.</param>
internal sealed record Feature(string Key, object Value, PageSpan At)
{
    /// <summary>Whether it holds for a time only: "for 1 year".</summary>
    public bool IsForATime { get; init; }

    public bool IsKind => FeatureWords.Kinds.Contains(Key);
}

/// <summary>Reads what a plan has from words like "10 GB of web space", from labels and from cells.</summary>
internal static partial class FeatureWords
{
    public const string Unlimited = "unlimited";

    public static readonly ImmutableHashSet<string> Kinds =
    [
        "backup",
        "privacy",
        "malware-watch",
        "search-help",
        "design-help",
    ];

    private const string Figure =
        @"(?:(?:up to|about|around|approx\.?|over|some|for|or)\s+|~\s?)*(?<n>[0-9][0-9.,'’  ]*[0-9]|[0-9]"
        + $@"|{Patterns.NumberWord}|an?|no|zero|unlimited|unmetered|infinite|any number of|∞)"
        + @"(?<k>\s?(?:k|thousand|million"
        + @"|mio)\b)?";

    [GeneratedRegex(
        @"\bas (?:many|much) (?<what>[\p{L} -]{2,30}?) as you (?:like|want|need|wish)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex AsMany { get; }

    private const string Between =
        @"(?:(?!per\b|in\b|for\b|with\b|from\b|days?\b|months?\b|years?\b|hours?\b|minutes?\b|[gmt]b\b|ram\b"
        + @"|cpu\b|and\b|or\b|ftp\b|sub)[\p{L}-]+\s+){0,3}?";

    private static readonly (string Key, Regex Pattern)[] Nouns =
    [
        ("subdomains", Noun(@"sub-?\s?domains?")),
        (
            "mailboxes",
            Noun(
                @"(?:e-?\s?mail\s+|mail\s+)?(?:mail-?\s?box(?:es)?|inbox(?:es)?)|e-?\s?mail\s+(?:accounts?"
                    + @"|address(?:es)?|boxes|users?)|mail\s+(?:accounts?|address(?:es)?)|e-?mails?(?=\s*$)"
            )
        ),
        ("databases", Noun(@"(?:my\s?sql\s+|sql\s+|mariadb\s+)?(?:data-?\s?bases?|dbs?)\b")),
        ("monthlyVisits", Noun(@"(?:monthly\s+)?(?:visits?|visitors?|page\s?views?)")),
        (
            "websites",
            Noun(
                @"(?:web-?\s?sites?|web\s?spaces?(?=\s*$)|sites?|web\s?presences?)(?!\s+(?:mov|build|migrat|transfer))"
            )
        ),
    ];

    [GeneratedRegex(
        @"(?<before>[\p{L}-]*(?:storage|space|disk|disc|transfer|traffic|bandwidth|data|ssd|ram"
            + @"|memory)[\p{L}\s-]{0,16}[:=–-]?\s*)?(?<![\p{L}0-9.,])(?<n>[0-9][0-9.,'’]*[0-9]"
            + @"|[0-9])\s?(?<unit>[gmt]i?b|gig(?:abyte)?s?|megs?|terabytes?)\b(?<behind>[^0-9,;·|•]{0,40})",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Size { get; }

    [GeneratedRegex(
        @"\b(?:unlimited|unmetered|limitless|no limit on|uncapped)\s+(?<what>(?:[\p{L}-]+\s+){0,2}?(?:transfer"
            + @"|traffic|bandwidth|storage|space|disk|disc|visits|visitors|web\s?space))\b|\b(?<what>transfer|traffic"
            + @"|bandwidth|storage|space|disk|visits)\b[\p{L} ]{0,12}[:=–-]?\s*(?:is\s+)?(?:unlimited|unmetered)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Endless { get; }

    [GeneratedRegex(@"\bwild-?\s?card\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Wildcard { get; }

    [GeneratedRegex(@"\b(?:certificates?|ssl|tls|https)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Certificate { get; }

    [GeneratedRegex(@"\b(?:own|dedicated|private|personal|premium)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex OwnThing { get; }

    [GeneratedRegex(
        @"\b(?:own|dedicated|private|static|fixed|unique)\s+ip(?:v4)?(?![\p{L}])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OwnIp { get; }

    [GeneratedRegex(
        @"\b(?:one-click|1-click|app(?:lication)?|click|software|script)\s*-?\s*install(?:er|ers|s|ation)?\b"
            + @"|\binstaller\b|\bone-click (?:apps|set-?up)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Installer { get; }

    [GeneratedRegex(
        @"\b(?:domain|contact|whois|id|name|registration)[ -]privacy\b|\bprivacy (?:for|of) (?:your|the) "
            + @"(?:domain|name|contact)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Privacy { get; }

    [GeneratedRegex(@"\bback-?\s?ups?\b|\bsnapshots?\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Backup { get; }

    [GeneratedRegex(@"\bmalware\b|\bvirus scan", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Malware { get; }

    [GeneratedRegex(
        @"\bsearch[ -](?:listing|engine)s?[ -](?:help|listing|optimi[sz]ation|submission)|\bsearch help\b|\bseo "
            + @"(?:help|tools?|kit)\b|\bhelp with search",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Search { get; }

    [GeneratedRegex(
        @"\b(?:page |web |site )?design (?:help|service|support)\b|\bhelp with (?:the |your )?design\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Design { get; }

    [GeneratedRegex(
        @"\b(?:platforms?|operating systems?|runs? on|hosting (?:on|runs)|servers?)\b.*\b(?:linux|windows)\b"
            + @"|^\s*(?:linux|windows)(?: (?:or|and|/) (?:linux|windows))?(?: hosting| servers?| platform)?\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Platform { get; }

    [GeneratedRegex(
        @"^\s*(?:no|without|not|excluding|does not include)\b|\bnot (?:included|part|available)\b|\bno "
            + @"(?:back-?ups?|certificate|installer)\b|\bon request\b|\bextra\b|\badd-?on\b|\boptional\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Negative { get; }

    [GeneratedRegex(@"^\s*(?:another|extra|additional|more|add)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Another { get; }

    [GeneratedRegex(
        $@"\bfor (?:the )?(?:first )?(?:{Patterns.NumberWord}|a|[0-9]+) ?(?:years?|months?)\b|\b(?:in|for) the "
            + @"first (?:year|month)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ForATime { get; }

    [GeneratedRegex(@"^(?:✓|✔|☑|✅|●|yes|included|incl\.?|free|x|•|1 free|on)$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Tick { get; }

    [GeneratedRegex(@"^(?:✗|✘|✕|❌|×|[-–—]|no|not included|none|n/a|off|)$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Cross { get; }

    private static readonly (string Key, Regex Pattern)[] Labels =
    [
        ("subdomains", Patterns.InAnyCase(@"\bsub-?\s?domains?\b")),
        ("certificate", Certificate),
        (
            "ownIp",
            Patterns.InAnyCase(@"\b(?:own|dedicated|private|static|fixed)\s+ip(?:v4)?(?![\p{L}])|^ip(?: address)?$")
        ),
        ("installer", Installer),
        ("privacy", Patterns.InAnyCase(@"\bprivacy\b")),
        ("backup", Backup),
        ("malware-watch", Malware),
        ("search-help", Patterns.InAnyCase(@"\bsearch (?:listing|engine)|\bsearch help\b|\bseo\b")),
        ("design-help", Patterns.InAnyCase(@"\bdesign (?:help|service|support)\b|\bpage design\b")),
        ("platforms", Patterns.InAnyCase(@"^(?:server )?(?:platforms?|operating systems?|os|server|system)$")),
        (
            "domain",
            Patterns.InAnyCase(
                @"\b(?:free|included)\b.*\bdomain|\bdomains?\b.*\b(?:free|included|incl|for (?:a|1|one|the first) "
                    + @"year)\b|^(?:an? )?(?:\.[a-z.]{2,10} )?domain(?: name)?\W*$"
            )
        ),
        (
            "mailboxes",
            Patterns.InAnyCase(
                @"\bmail-?\s?box(?:es)?\b|\be-?\s?mails?(?: (?:accounts?|address(?:es)?|boxes))?\b|\bmail "
                    + @"accounts?\b|\binbox|^mails?$"
            )
        ),
        ("databases", Patterns.InAnyCase(@"\bdata-?\s?bases?\b|\bmy\s?sql\b|\bdbs?\b")),
        ("monthlyVisits", Patterns.InAnyCase(@"\bvisit(?:s|ors)\b|\bpage\s?views\b")),
        ("transferGB", Patterns.InAnyCase(@"\btransfer\b(?! in)|\btraffic\b|\bbandwidth\b")),
        ("websites", Patterns.InAnyCase(@"\bweb-?\s?sites?\b|^(?:number of )?sites?$|\bsites? (?:hosted|included)\b")),
        ("storageGB", Patterns.InAnyCase(@"\bspace\b|\bstorage\b|\bdis[ck]\b|\bssd\b|\bnvme\b|\bwebspace\b|^[gm]b$")),
    ];

    // Words without any of these name nothing that a plan has.
    private static readonly SearchValues<string> Telling = SearchValues.Create(
        [
            "site",
            "space",
            "storage",
            "disk",
            "disc",
            "gb",
            "mb",
            "tb",
            "gig",
            "meg",
            "tera",
            "transfer",
            "traffic",
            "bandwidth",
            "data",
            "mail",
            "inbox",
            "db",
            "visit",
            "page view",
            "pageview",
            "presence",
            "certificate",
            "ssl",
            "tls",
            "https",
            "ip",
            "install",
            "click",
            "privacy",
            "backup",
            "back-up",
            "back up",
            "snapshot",
            "malware",
            "virus",
            "search",
            "seo",
            "design",
            "linux",
            "windows",
            "domain",
            "ssd",
            "nvme",
            "system",
            "platform",
            "server",
        ],
        StringComparison.OrdinalIgnoreCase
    );

    /// <summary>Which feature a label names; null: none.</summary>
    public static string? KeyOf(string label) =>
        label.Length > 70 || !label.AsSpan().ContainsAny(Telling)
            ? null
            : Labels.Where(known => known.Pattern.IsMatch(label)).Select(known => known.Key).FirstOrDefault();

    /// <summary>Whether a cell says yes.</summary>
    public static bool IsTick(string cell) => Tick.IsMatch(cell.Trim());

    /// <summary>Whether a cell says no.</summary>
    public static bool IsCross(string cell) => Cross.IsMatch(cell.Trim());

    /// <summary>What a cell says of the feature its label names; null: nothing that can be read.</summary>
    public static Feature? OfCell(string label, string cell, PageSpan at)
    {
        if (KeyOf(label) is not { } key || key == "domain")
        {
            return null;
        }

        var text = cell.Trim();
        switch (key)
        {
            case "certificate":
                return IsCross(text) ? null
                    : Wildcard.IsMatch(label + " " + text) ? new(key, "wildcard", at)
                    : OwnThing.IsMatch(label + " " + text) ? new(key, "own", at)
                    : new(key, "shared", at);
            case "ownIp" or "installer":
                return IsTick(text) ? new(key, true, at)
                    : IsCross(text) ? new(key, false, at)
                    : null;
            case "platforms":
                return PlatformsOf(text) is { Length: > 0 } platforms ? new(key, platforms, at) : null;
            case var kind when Kinds.Contains(kind):
                return IsCross(text) || PageAmount.In(text, 0).Length > 0 ? null : new(key, true, at);
            case "storageGB" or "transferGB":
                if (Says(text, "unlimited", "unmetered", "no limit", "∞"))
                {
                    return new(key, Unlimited, at);
                }

                var size = Size.Match(text);
                return size.Success ? new(key, Gigabytes(size.Groups["n"].Value, size.Groups["unit"].Value), at)
                    : Patterns.Find(label, @"\b(?<unit>[GMT]i?B)\b") is { Success: true } unit
                    && Plain(text) is { } bare
                        ? new(
                            key,
                            Gigabytes(bare.ToString(CultureInfo.InvariantCulture), unit.Groups["unit"].Value),
                            at
                        )
                    : null;
            default:
                return Says(text, "unlimited", "unmetered", "no limit", "∞") ? new(key, Unlimited, at)
                    : text is "none" or "no" or "None" or "No" ? new(key, 0m, at)
                    : Plain(text) is { } number ? new(key, number, at)
                    : null;
        }
    }

    /// <summary>What a piece of words says, in the order of the words.</summary>
    /// <param name="from">Where the piece begins in the page.</param>
    public static ImmutableArray<Feature> In(string piece, int from)
    {
        if (
            piece.Length > 240
            || !piece.AsSpan().ContainsAny(Telling)
            || Another.IsMatch(piece)
            || piece.Contains('©', StringComparison.Ordinal)
        )
        {
            return [];
        }

        if (piece[0] is '✗' or '✘' or '✕' or '❌' or '×')
        {
            var at = new PageSpan(from, from + piece.Length);
            return OwnIp.IsMatch(piece) ? [new Feature("ownIp", false, at)]
                : Installer.IsMatch(piece) ? [new Feature("installer", false, at)]
                : [];
        }

        var found = ImmutableArray.CreateBuilder<Feature>();
        var hasAmount = PageAmount
            .In(piece, 0)
            .Any(amount =>
                Roles.Classify(amount, piece[..amount.At.From], piece[Math.Min(piece.Length, amount.End)..])
                != Role.Worth
            );
        PageSpan Span(Match match) => new(from + match.Index, from + match.Index + match.Length);
        foreach (Match size in Size.Matches(piece))
        {
            var words = size.Groups["before"].Value + " " + size.Groups["behind"].Value;
            if (Says(words, "ram", "memory", "per site", "per file", "attachment", "modem"))
            {
                continue;
            }

            var isTransfer =
                Says(size.Groups["behind"].Value, "transfer", "traffic", "bandwidth", " data", "of data")
                || (
                    Says(size.Groups["before"].Value, "transfer", "traffic", "bandwidth", "data")
                    && !Says(size.Groups["behind"].Value, "space", "storage")
                );
            var isStorage =
                !isTransfer
                && (
                    size.Groups["before"].Success
                    || Says(words, "space", "storage", "disk", "disc", "ssd", "nvme", "webspace", "of files")
                    || !Patterns.HasExact(
                        size.Groups["behind"].Value,
                        @"^\s*(?!(?:and|or|with|plus|for|as|in|on)\b)\p{L}"
                    )
                );
            if (isTransfer || isStorage)
            {
                found.Add(
                    new Feature(
                        isTransfer ? "transferGB" : "storageGB",
                        Gigabytes(size.Groups["n"].Value, size.Groups["unit"].Value),
                        Span(size)
                    )
                );
            }
        }

        foreach (Match endless in Endless.Matches(piece))
        {
            var what = endless.Groups["what"].Value;
            found.Add(
                new Feature(
                    Says(what, "visit") ? "monthlyVisits"
                        : Says(what, "transfer", "traffic", "bandwidth") ? "transferGB"
                        : "storageGB",
                    Unlimited,
                    Span(endless)
                )
            );
        }

        foreach (Match many in AsMany.Matches(piece))
        {
            if (
                Labels.FirstOrDefault(known => known.Pattern.IsMatch(many.Groups["what"].Value)).Key is { } key
                && key
                    is "websites"
                        or "mailboxes"
                        or "databases"
                        or "subdomains"
                        or "storageGB"
                        or "transferGB"
                        or "monthlyVisits"
            )
            {
                found.Add(new Feature(key, Unlimited, Span(many)));
            }
        }

        foreach (var (key, pattern) in Nouns)
        {
            foreach (Match match in pattern.Matches(piece))
            {
                if (
                    Value(match.Groups["n"].Value, match.Groups["k"].Value) is { } value
                    && !(
                        key is "websites" or "monthlyVisits"
                        && match.Groups["n"].Value.ToLowerInvariant() is "a" or "an"
                    )
                )
                {
                    found.Add(new Feature(key, value, Span(match)) { IsForATime = ForATime.IsMatch(piece) });
                }
            }
        }

        if (found.Count == 0 && Labelled(piece, from) is { } labelled)
        {
            found.Add(labelled);
        }

        Flags(piece, new PageSpan(from, from + piece.Length), hasAmount, found);
        return [.. found.OrderBy(one => one.At.From)];
    }

    private static void Flags(string piece, PageSpan at, bool hasAmount, ImmutableArray<Feature>.Builder found)
    {
        if (Platform.IsMatch(piece) && PlatformsOf(piece) is { Length: > 0 } platforms)
        {
            found.Add(new Feature("platforms", platforms, at));
        }

        if (hasAmount || Negative.IsMatch(piece))
        {
            return;
        }

        if (Certificate.IsMatch(piece) && !found.Any(one => one.Key == "certificate"))
        {
            found.Add(
                new Feature(
                    "certificate",
                    Wildcard.IsMatch(piece) ? "wildcard"
                        : OwnThing.IsMatch(piece) ? "own"
                        : "shared",
                    at
                )
            );
        }

        foreach (
            var (key, pattern) in new[]
            {
                ("ownIp", OwnIp),
                ("installer", Installer),
                ("backup", Backup),
                ("privacy", Privacy),
                ("malware-watch", Malware),
                ("search-help", Search),
                ("design-help", Design),
            }
        )
        {
            if (pattern.IsMatch(piece) && !found.Any(one => one.Key == key))
            {
                found.Add(new Feature(key, true, at));
            }
        }
    }

    [GeneratedRegex(
        @"^(?<label>\p{L}[\p{L}\s()-]{1,40}?)\s*[:=]?\s*(?<value>(?:up to |about |~ ?)?(?:[0-9][0-9.,'’]*"
            + @"|unlimited|unmetered|none|no|yes|[0-9.,]+ ?[gmt]b))\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Label { get; }

    // "Databases: 1", "sites 2".
    private static Feature? Labelled(string piece, int from) =>
        Label.Match(piece) is { Success: true } match
            ? OfCell(match.Groups["label"].Value, match.Groups["value"].Value, new PageSpan(from, from + piece.Length))
            : null;

    private static ImmutableArray<string> PlatformsOf(string text) =>
        [.. new[] { "linux", "windows" }.Where(name => Patterns.Has(text, $@"\b{name}\b"))];

    private static Regex Noun(string noun) =>
        Patterns.InAnyCase($@"(?<![\p{{L}}0-9.,£€$-]){Figure}[\s-]+{Between}(?:{noun})(?![\p{{L}}])");

    private static object? Value(string text, string scale)
    {
        var word = text.ToLowerInvariant();
        if (word is "unlimited" or "unmetered" or "infinite" or "any number of" or "∞")
        {
            return Unlimited;
        }

        return word is "no" or "zero" ? 0m
            : Plain(text) is { } number
                ? number
                    * (
                        scale.Trim().ToLowerInvariant() switch
                        {
                            "" => 1,
                            "k" or "thousand" => 1_000,
                            _ => 1_000_000,
                        }
                    )
            : null;
    }

    // A count: its separators are of thousands.
    private static decimal? Plain(string text)
    {
        var match = Patterns.Find(
            text.Trim(),
            @"^(?:(?:up to|about|around|approx\.?|over)\s+|~\s?)?(?<n>[0-9]{1,3}(?:[.,'’  ][0-9]{3})+"
                + @"|[0-9]{1,9}(?<part>[.,][0-9]{1,2})?)(?<k>k)?(?:\s.*)?$"
        );
        if (!match.Success)
        {
            return Patterns.Number(text.Trim()) is { } word ? word : null;
        }

        var figures = match.Groups["n"].Value;
        var number = match.Groups["part"].Success
            ? decimal.Parse(figures.Replace(',', '.'), CultureInfo.InvariantCulture)
            : decimal.Parse(string.Concat(figures.Where(char.IsAsciiDigit)), CultureInfo.InvariantCulture);
        return match.Groups["k"].Success ? number * 1_000 : number;
    }

    private static decimal Gigabytes(string figures, string unit)
    {
        var text = Patterns.HasExact(figures, @"^[0-9]{1,3}([.,'’][0-9]{3})+$")
            ? string.Concat(figures.Where(char.IsAsciiDigit))
            : figures.Replace(',', '.').Replace("'", "", StringComparison.Ordinal);
        var number =
            decimal.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var read)
            && text.Length < 12
                ? read
                : 0;
        var size = char.ToLowerInvariant(unit[0]) switch
        {
            't' => number * 1_000,
            'm' => number / 1_000,
            _ => number,
        };
        return size / 1.000000000000000000000000000m; // Without noughts at its end.
    }

    private static bool Says(string text, params ReadOnlySpan<string> words)
    {
        foreach (var word in words)
        {
            if (text.Contains(word, StringComparison.OrdinalIgnoreCase))
            {
                return true;
            }
        }

        return false;
    }
}
