using System.Buffers;
using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>How a price is paid.</summary>
internal enum Paid
{
    AtOnce,
    MonthlyBound,
    MonthlyFree,
}

/// <summary>A length of time in words, and where.</summary>
internal sealed record Term(int Months, PageSpan At);

/// <summary>Reads for how long a price is and how it is paid.</summary>
internal static partial class Terms
{
    private const string Unit = @"(?:(?<month>months?|mths?|mo\b)|(?<year>years?|yrs?))";

    // Words with lengths of time that are no term: taken out first, each as long as it was.
    private static readonly Regex[] Others =
    [
        Patterns.InAnyCase(
            @"\bfree(?:[^.;·|]|\.(?=\p{L})){0,60}?\bdomains?\b[^.;·|\n]*|\bdomains?\b(?:[^.;·|\n]"
                + @"|\.(?=\p{L})){0,60}\bfree\b[^.;·|\n]*|\bdomain (?:name )?registration[^\n]*"
        ),
        Patterns.InAnyCase(
            $@"[+]?\s*\b(?:plus |get |and )?(?:{Patterns.Count}|another) (?:free |extra )?{Unit}\s+(?:extra "
                + $@"|more )?(?:free|extra|on us|on top|on the house)\b|\bplus {Patterns.Count} free {Unit}\b"
                + $@"|[+]\s*{Patterns.Count} free {Unit}|\b{Patterns.Count} free {Unit}\b"
        ),
        Patterns.InAnyCase(
            @"\b(?:after|within|in|during|before) (?:the |your |a )?(?:(?:first|initial|next"
                + $@"|last)\s+)?(?:{Patterns.Count}[- ]?)?(?:{Unit}|days?|hours?|minutes?|term)\b(?! in advance)"
        ),
        Patterns.InAnyCase(
            $@"\b(?:for |in )?(?:its |a )?(?:second|third|following|next|last) (?:{Patterns.Count}[- ])?(?:{Unit}"
                + $@"|term)\b|\b(?:in |during )(?:the |your )?(?:first|initial) (?:{Patterns.Count}[- ])?(?:{Unit}"
                + $@"|term)\b|\b(?:the |your )?(?:first|initial) (?:{Unit}|term)\b"
        ),
        Patterns.InAnyCase(
            $@"\b(?:on |with |from )?(?:(?:terms|plans) of )?{Patterns.Count}[- ]{Unit}(?:'s|s')?(?: (?:terms?"
                + @"|plans?|contracts?))?,? (?:and|or) (?:longer|up|more|over|upwards)\b|\bannual (?:plans|terms) and "
                + @"(?:longer|up)\b"
        ),
        Patterns.InAnyCase(@"\b[0-9]{1,3}[- ]days?\b"),
        Patterns.InAnyCase(
            @"\b(?:visits?|visitors|transfer|traffic|bandwidth|data)\s+(?:a|per|each|every)\s+month\b|\bmonthly "
                + @"(?:visits|visitors|traffic|transfer|bandwidth)\b"
        ),
        Patterns.InAnyCase(@"\bin business\b|\byears? (?:ago|old|of experience)\b"),
    ];

    [GeneratedRegex(
        @"\b(?:(?:for|every|term:?|of|on a|within a)\s+)?(?:(?:the |your )?(?:first"
            + $@"|initial)\s+)?{Patterns.Count}[- ]{Unit}(?:[- ](?<what>terms?|contracts?|commitments?|plans?"
            + @"|agreements?|subscriptions?|periods?))?\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Length { get; }

    [GeneratedRegex(
        @"\b(?:(?<two>biennial(?:ly)?)|(?<three>triennial(?:ly)?)|(?<quarter>quarterly|every quarter|per quarter"
            + @"|each quarter)|(?<half>half[- ]yearly|every half "
            + @"year|six-monthly)|(?<year>(?:billed|paid|pay|payable|charged|invoiced|due|renewed)\s+(?:upfront |in "
            + @"advance )?(?:annually|yearly|each year|every year|once a year|by the year|each january|a year)"
            + @"|annual(?:ly)? (?:billing|payment|plan|term)|yearly (?:billing|payment|plan|term)|for (?:a|one|the "
            + @"whole|a full|a whole|one full) year|pay (?:a|one|the) (?:whole|full|entire) year|a year at a time|pay "
            + @"(?:by the year|yearly|annually)|(?:annually|yearly) in advance|^\s*(?:yearly|annual|annually)\s*$"
            + @"|with annual (?:billing|payment)|if (?:you pay|paid) (?:annually|yearly)))\b"
            + @"|(?<month>\b(?:month[- ]by[- ]month|monthly rolling|rolling monthly|pay (?:monthly|by the month)"
            + @"|monthly:|^\s*monthly\s+[–—-]\s|^\s*(?:monthly|month to month)\s*$|month[- ]to[- ]month))"
            + @"|(?<year>\b(?:yearly|annually|annual|per year):|^\s*(?:yearly|annually|annual)\s+[–—-]\s)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Named { get; }

    [GeneratedRegex(
        $@"(?:[+]\s*|\bplus |\bget |\band )?\b{Patterns.Count}[- ](?:months?|mths?) (?:extra |more )?(?:free"
            + $@"|extra|on us|on top)\b|(?:[+]\s*|\bplus |\bget )?\b{Patterns.Count} (?:free|extra|bonus) months?\b"
            + @"|(?:[+]\s*|\bplus |\bget )(?:(?<count>[0-9]{1,2}|one|two|three|an?)[- ](?<years>years?) (?:extra "
            + @"|more )?(?:free|extra|on us|on top)|(?<count>[0-9]{1,2}|one|two|three|an?) (?:free|extra|bonus) "
            + @"(?<years>years?))\b|\b(?:first|last) month free\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Free { get; }

    [GeneratedRegex(
        @"\b(?:billed|paid|pay|payable|charged|invoiced|due|payment)\b[^.;·|]{0,30}?\b(?:up-?\s?front|in advance"
            + @"|annually|yearly|quarterly|half-yearly|every (?:[0-9]+|two|three|four|five|six|twelve) (?:months"
            + @"|years)|each january|by the year|for (?:[0-9]+|one|two|three|four|five|a|the) (?:months?|years?|whole "
            + @"term|year ahead)|once|at once|at the start)\b|\bdue today\b|\bbilled today\b|\b(?:up-?\s?front|in "
            + @"advance)\b|\bbilled (?:as|every|for)\b|\ba year at a time\b|\b(?:a|one|the) (?:whole |full )?(?:year"
            + @"|term) ahead\b|\bin (?:one (?:sum|payment|go)|full)\b|\bpre-?paid\b|\bwhen you (?:order|buy|sign up)\b"
            + @"|\bwith (?:your|the) order\b|\btoday\b(?=[^.]{0,20}$)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex AtOnce { get; }

    [GeneratedRegex(
        @"\b(?:billed|paid|pay|payable|charged|invoiced)\b[^.;·|]{0,14}?\b(?:monthly|each month|every month|by "
            + @"the month|month by month|per month|a month at a time)\b|\bmonthly (?:billing|payments?|instal?ments)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Monthly { get; }

    [GeneratedRegex(
        @"\bcancel (?:any ?time|whenever|monthly)\b|\bno (?:contracts?|commitment|minimum term|tie-in|ties)\b"
            + @"|\bmonth[- ](?:by|to)[- ]month\b|\bleave (?:any ?time|at the end of any month|whenever)|\bstop (?:any "
            + @"?time|at the end of any month)|\bwithout (?:a )?(?:contract|commitment)|\brolling monthly|\bmonthly "
            + @"rolling|\bnot tied\b|\bend it any (?:time|month)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Leave { get; }

    [GeneratedRegex(@"\b(?:commitment|contract|minimum|agreement)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Bound { get; }

    /// <summary>Whether words bind for longer than they are paid for: "12-month contract".</summary>
    public static bool AreBinding(string words) => Bound.IsMatch(words);

    private static readonly SearchValues<string> Lengths = SearchValues.Create(
        ["month", "year", "yr", "mth", "mo ", "annual", "ennial", "quarter", "half", "january"],
        StringComparison.OrdinalIgnoreCase
    );

    private static readonly SearchValues<string> Payings = SearchValues.Create(
        [
            "bill",
            "paid",
            "pay",
            "charged",
            "invoiced",
            "due",
            "front",
            "advance",
            "today",
            "cancel",
            "contract",
            "commitment",
            "term",
            "leave",
            "stop",
            "tie",
            "month",
            "year",
            "once",
        ],
        StringComparison.OrdinalIgnoreCase
    );

    /// <summary>The words with what is no term blanked, as long as they were.</summary>
    public static string Without(string words)
    {
        foreach (var other in Others)
        {
            words = other.Replace(words, match => new string(' ', match.Length));
        }

        return words;
    }

    /// <summary>The terms that words name; words about domains, moves and such are none.</summary>
    public static ImmutableArray<Term> In(string words, int from)
    {
        if (!words.AsSpan().ContainsAny(Lengths))
        {
            return [];
        }

        var rest = Without(words);
        var found = ImmutableArray.CreateBuilder<Term>();
        foreach (Match match in Length.Matches(rest))
        {
            if (Patterns.Number(match.Groups["count"].Value) is { } count and > 0)
            {
                var months = match.Groups["year"].Success ? count * 12 : count;
                if (months <= 120)
                {
                    found.Add(new Term(months, new PageSpan(from + match.Index, from + match.Index + match.Length)));
                }
            }
        }

        foreach (Match match in Named.Matches(rest))
        {
            var months =
                match.Groups["quarter"].Success ? 3
                : match.Groups["half"].Success ? 6
                : match.Groups["year"].Success ? 12
                : match.Groups["two"].Success ? 24
                : match.Groups["three"].Success ? 36
                : 1;
            var at = new PageSpan(from + match.Index, from + match.Index + match.Length);
            if (!found.Any(known => known.At.From < at.To && at.From < known.At.To))
            {
                found.Add(new Term(months, at));
            }
        }

        return [.. found.OrderBy(term => term.At.From)];
    }

    /// <summary>The months that are given on top; null: none.</summary>
    public static Term? FreeIn(string words, int from) =>
        (
            words.Contains("mo", StringComparison.OrdinalIgnoreCase)
            || words.Contains("year", StringComparison.OrdinalIgnoreCase)
        )
        && Free.Match(words) is { Success: true } match
        && !Patterns.Has(words, @"\bdomain\b")
            ? new Term(
                match.Groups["count"].Success
                    ? (Patterns.Number(match.Groups["count"].Value) ?? 0) * (match.Groups["years"].Success ? 12 : 1)
                    : 1,
                new PageSpan(from + match.Index, from + match.Index + match.Length)
            )
            : null;

    /// <summary>How it is paid; null: the words do not say.</summary>
    public static Paid? PaidIn(string words)
    {
        if (!words.AsSpan().ContainsAny(Payings))
        {
            return null;
        }

        var rest = Without(words);
        if (
            Monthly.Match(rest) is { Success: true } monthly
            && rest.LastIndexOf(" or ", monthly.Index, StringComparison.OrdinalIgnoreCase) is > 0 and var or
            && AtOnce.IsMatch(rest[..or])
        )
        {
            return Paid.AtOnce; // "billed yearly, or 9 when billed monthly": the first of two is the price's.
        }

        return Monthly.IsMatch(rest)
                ? (
                    Leave.IsMatch(rest) && !Bound.IsMatch(Leave.Replace(rest, ""))
                        ? Paid.MonthlyFree
                        : Paid.MonthlyBound
                )
            : Leave.IsMatch(words) ? Paid.MonthlyFree
            : AtOnce.IsMatch(rest) ? Paid.AtOnce
            : null;
    }

    /// <summary>Whether a line is no more than a length of time, as a choice among several has it.</summary>
    public static bool IsLabel(string words) =>
        words.Length <= 40
        && words.AsSpan().ContainsAny(Lengths)
        && In(words, 0).Length == 1
        && OnlyTerm.IsMatch(words);

    [GeneratedRegex(
        $@"^\W*(?:(?:pay |billed |paid |for |every |term:? ?|price for |on a )*(?:{Patterns.Count}[- ](?:months?"
            + @"|years?|mths?|yrs?)(?:[- ](?:term|contract|commitment|plan))?|monthly|yearly|annually|annual|quarterly"
            + @"|by the (?:month|year)|half-yearly)\s*(?:,?\s*\(?(?:paid|billed|payable|invoiced)\b[^)0-9]{3,24})?"
            + @"(?:[+]\s*[0-9]+ (?:months?|free).*)?)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnlyTerm { get; }
}
