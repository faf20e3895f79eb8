using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What a column of a table of prices holds.</summary>
/// <param name="Number">Of prices and counts of bills: which step, from 1; of a way to pay: its months.</param>
/// <param name="Feature">Of a feature: its key in an offer book.</param>
public sealed record ColumnRole(ColumnKind Kind, int Number = 0, string? Feature = null)
{
    /// <summary>Nothing is taken from it.</summary>
    public static readonly ColumnRole Ignored = new(ColumnKind.Ignored);

    /// <summary>The most steps of one price.</summary>
    public const int MostSteps = 6;

    private static readonly Regex Numbered = ProseText.ExactPattern(
        "^(?<kind>price|bills|way)-(?<number>[0-9]{1,3})(?<month>-per-month)?$"
    );

    /// <summary>"plan", "price-1", "way-12-per-month", "feature-mailboxes"; see <see cref="TryParse"/>.</summary>
    public override string ToString() =>
        Kind switch
        {
            ColumnKind.Price => $"price-{Number}",
            ColumnKind.PricePerMonth => $"price-{Number}-per-month",
            ColumnKind.Bills => $"bills-{Number}",
            ColumnKind.Way => $"way-{Number}",
            ColumnKind.WayPerMonth => $"way-{Number}-per-month",
            ColumnKind.Feature => $"feature-{Feature}",
            _ => Words.First(pair => pair.Kind == Kind).Word,
        };

    /// <summary>Reads what <see cref="ToString"/> writes; false where it is none of these words.</summary>
    public static bool TryParse(string? word, out ColumnRole role)
    {
        role = Ignored;
        if (word is null)
        {
            return false;
        }

        if (Array.Exists(Words, pair => pair.Word == word))
        {
            role = new ColumnRole(Array.Find(Words, pair => pair.Word == word).Kind);
            return true;
        }

        if (
            word.StartsWith("feature-", StringComparison.Ordinal)
            && Array.Exists(Features, pair => pair.Key == word["feature-".Length..])
        )
        {
            role = new ColumnRole(ColumnKind.Feature, 0, word["feature-".Length..]);
            return true;
        }

        if (
            Numbered.Match(word) is not { Success: true } match
            || !int.TryParse(
                match.Groups["number"].Value,
                NumberStyles.None,
                CultureInfo.InvariantCulture,
                out var number
            )
        )
        {
            return false;
        }

        var kind = (match.Groups["kind"].Value, match.Groups["month"].Success) switch
        {
            ("price", false) => ColumnKind.Price,
            ("price", true) => ColumnKind.PricePerMonth,
            ("bills", false) => ColumnKind.Bills,
            ("way", false) => ColumnKind.Way,
            ("way", true) => ColumnKind.WayPerMonth,
            _ => ColumnKind.Ignored,
        };
        role = new ColumnRole(kind, number);
        return kind != ColumnKind.Ignored
            && number >= 1
            && number <= (kind is ColumnKind.Way or ColumnKind.WayPerMonth ? 120 : MostSteps);
    }

    /// <summary>What a heading says its column holds; <see cref="Ignored"/> where that is not clear.</summary>
    public static ColumnRole OfHeading(string heading)
    {
        var words = heading.Trim();
        if (TryParse(words.ToLowerInvariant().Replace(' ', '-'), out var exact))
        {
            return exact;
        }

        foreach (var (pattern, of) in Headings)
        {
            if (pattern.Match(words) is { Success: true } match)
            {
                return of(match);
            }
        }

        return Ignored;
    }

    private static readonly (string Word, ColumnKind Kind)[] Words =
    [
        ("ignored", ColumnKind.Ignored),
        ("seller", ColumnKind.Seller),
        ("plan", ColumnKind.Plan),
        ("every-months", ColumnKind.EveryMonths),
        ("commit-months", ColumnKind.CommitMonths),
        ("set-up-fee", ColumnKind.SetupFee),
        ("later", ColumnKind.Later),
        ("later-per-month", ColumnKind.LaterPerMonth),
        ("later-per-year", ColumnKind.LaterPerYear),
        ("endings", ColumnKind.Endings),
        ("domain-from-months", ColumnKind.DomainFromMonths),
        ("currency", ColumnKind.Currency),
        ("tax", ColumnKind.Tax),
        ("free-months", ColumnKind.FreeMonths),
    ];

    // The keys of numbers in an offer book, and how pages head them.
    private static readonly (string Key, string Pattern)[] Features =
    [
        ("websites", "^(number of )?(web)?sites?$"),
        ("storageGB", "storage|disk|web ?space|space|ssd"),
        ("mailboxes", "mail(box(es)?)?$|^e-?mails?( accounts| addresses)?$|mailboxes"),
        ("databases", "databases?"),
        ("subdomains", "subdomains?"),
        ("monthlyVisits", "visit(or)?s"),
        ("transferGB", "traffic|transfer|bandwidth"),
    ];

    private static readonly (Regex Pattern, Func<Match, ColumnRole> Of)[] Headings =
    [
        (Heading("^(seller|provider|host|company)$"), _ => new(ColumnKind.Seller)),
        (Heading("^(plan|package|product|tariff|name|plan name|offer)s?$"), _ => new(ColumnKind.Plan)),
        (Heading(@"set-?\s?up|activation"), _ => new(ColumnKind.SetupFee)),
        (Heading(@"^(free|extra|bonus) months?$|^months? (free|extra|on top)$"), _ => new(ColumnKind.FreeMonths)),
        (Heading("^currency$"), _ => new(ColumnKind.Currency)),
        (Heading("^(tax|vat)$"), _ => new(ColumnKind.Tax)),
        (Heading(@"(renew|later|after|then|regular|from year (2|two)).*(month|/mo)"), _ =>
            new(ColumnKind.LaterPerMonth)
        ),
        (Heading(@"(renew|later|after|then|regular|from year (2|two)).*(year|annum|/yr)"), _ =>
            new(ColumnKind.LaterPerYear)
        ),
        (Heading("renew|later|^then|^after|regular price"), _ => new(ColumnKind.Later)),
        (Heading("commit|contract|minimum term"), _ => new(ColumnKind.CommitMonths)),
        (
            Heading(
                @"^(billing cycle|billed every|every|paid every|cycle|months|term|term \(months\)|billing "
                    + @"period)( months| \(months\))?$"
            ),
            _ => new(ColumnKind.EveryMonths)
        ),
        (Heading("ending|^(free )?domains?( included)?$"), _ => new(ColumnKind.Endings)),
        (Heading(@"(?<count>[0-9]{1,3})[- ]?(months?|mo)\b.*(/mo|per month|a month|monthly)"), match =>
            Way(ColumnKind.WayPerMonth, match, 1)
        ),
        (Heading(@"(?<count>[0-9]{1,2}|one|two|three)[- ]?(years?|yrs?)\b.*(/mo|per month|a month|monthly)"), match =>
            Way(ColumnKind.WayPerMonth, match, 12)
        ),
        (
            Heading(
                @"(yearly|annual(ly)?).*(/mo|per month|a month|monthly)|(/mo|per month|a month|monthly).*(yearly"
                    + @"|annual(ly)?)"
            ),
            _ => new(ColumnKind.WayPerMonth, 12)
        ),
        (Heading(@"^(paid |pay |price )?(?<count>[0-9]{1,3})[- ]?months?( price| plan| term)?$"), match =>
            Way(ColumnKind.Way, match, 1)
        ),
        (Heading(@"^(paid |pay |price )?(?<count>[0-9]{1,2}|one|two|three)[- ]?years?( price| plan| term)?$"), match =>
            Way(ColumnKind.Way, match, 12)
        ),
        (
            Heading(
                @"^(price )?(paid |pay |billed )?(yearly|annual(ly)?)( price| plan| billing)?$|^(price )?(per"
                    + @"|a) year$|^price/year$"
            ),
            _ => new(ColumnKind.Way, 12)
        ),
        (
            Heading(
                @"^(price )?(per|a) month$|^price/(month|mo)$|^monthly price$|^(price )?(paid |pay |billed "
                    + @")?monthly( price| plan| billing)?$|^/mo(nth)?$"
            ),
            _ => new(ColumnKind.Way, 1)
        ),
        (Heading("^(first )?price$|^cost$|^first bill$"), _ => new(ColumnKind.Price, 1)),
        .. Features.Select(pair =>
            (Heading(pair.Pattern), (Func<Match, ColumnRole>)(_ => new(ColumnKind.Feature, 0, pair.Key)))
        ),
    ];

    private static Regex Heading(string pattern) => ProseText.Pattern(pattern);

    private static ColumnRole Way(ColumnKind kind, Match match, int times) =>
        Patterns.Number(match.Groups["count"].Value) * times is { } months and >= 1 and <= 120
            ? new(kind, months)
            : Ignored;
}

/// <summary>The sorts of columns.</summary>
public enum ColumnKind
{
    /// <summary>Nothing that is read.</summary>
    Ignored,

    /// <summary>Who sells: the same in every row.</summary>
    Seller,

    /// <summary>The plan's name; a row without one belongs to the plan above.</summary>
    Plan,

    /// <summary>How many months a bill is for.</summary>
    EveryMonths,

    /// <summary>How many months are committed to; empty: as many as a bill is for.</summary>
    CommitMonths,

    /// <summary>The fee for setting up.</summary>
    SetupFee,

    /// <summary>The price of a bill, step by step.</summary>
    Price,

    /// <summary>The same, by the month.</summary>
    PricePerMonth,

    /// <summary>For how many bills a step holds; empty: for good.</summary>
    Bills,

    /// <summary>The price of one bill for so many months: the column is a way to pay.</summary>
    Way,

    /// <summary>The same, by the month.</summary>
    WayPerMonth,

    /// <summary>What a bill costs after the first.</summary>
    Later,

    /// <summary>The same, by the month.</summary>
    LaterPerMonth,

    /// <summary>The same, by the year.</summary>
    LaterPerYear,

    /// <summary>The endings of the included domain.</summary>
    Endings,

    /// <summary>From which commitment on it is included.</summary>
    DomainFromMonths,

    /// <summary>The currency's code: the same in every row.</summary>
    Currency,

    /// <summary>Whether tax is inside or on top: the same in every row.</summary>
    Tax,

    /// <summary>How many months come free on top of the first bill.</summary>
    FreeMonths,

    /// <summary>A number that the plan allows.</summary>
    Feature,
}
