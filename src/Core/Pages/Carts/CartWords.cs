using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>What carts, quotes and receipts call what they list: sums, what is taken off, kinds of item.</summary>
internal static partial class CartWords
{
    private const string TaxName = @"(?:vat|gst|hst|pst|qst|moms|mva|mwst|ust|btw|tva|iva|dph|(?:sales )?tax(?:es)?)";

    [GeneratedRegex(
        $@"^\W*(?:sub-?\s?total|(?:before|excl(?:uding|\.)?|ex|without|net of) {TaxName}\b|sum before"
            + @"|net total|goods total|items total|net(?: amount| price)?\W*$|total "
            + @"(?:before|excl|excluding|ex|without|net of)\b)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Subtotal { get; }

    [GeneratedRegex(@"^\W*(?:items|goods|products)(?: \([0-9]+\))?\W*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex AllItems { get; }

    [GeneratedRegex(
        @"^\W*(?:net|items|goods|products)(?: amount| price| value| total)?(?: \([0-9]+\))?\W*(?:[A-Z]{3}\s?)?[0-9]",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex NetWithSum { get; }

    [GeneratedRegex(
        @"^\W*(?:grand total|order total|totals?|to pay(?: now| today)?|amount (?:due|paid|to pay|payable)|you pay|paid"
            + @"|charged(?: today| to (?:your|the) card)?|due (?:today|now)|sum total"
            + @"|sum(?! of)|payable|balance due|all together|altogether)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Total { get; }

    [GeneratedRegex(
        @"^\W*(?:all (?:amounts|prices) )?(?:(?:plus|incl(?:uding|uded|udes)?\.?|of which|this includes|includes"
            + $@"|thereof|with|add)\s+)?(?:[0-9]{{1,2}}(?:[.,][0-9]{{1,2}})? ?% )?(?:\p{{L}}+ )?{TaxName}\b"
            + @"|^\W*(?:incl\w*\.?|of which|contains)\s+(?:[A-Z]{1,3}\s?)?[^\p{L}0-9]?[0-9][0-9.,]*\s?"
            + $@"(?:€|kr|[A-Z]{{3}})?\s(?:of |in )?{TaxName}\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Tax { get; }

    [GeneratedRegex(
        $@"^\W*(?:incl\w*\.?|includes|of which|with|thereof)\b.*\b{TaxName}\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex TaxWithin { get; }

    [GeneratedRegex(
        @"\b(?:incl(?:uding|uded|udes)?\.?|includes?|of which|thereof|contains)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Within { get; }

    [GeneratedRegex(@"\b(?:plus|add|added|\+)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex Beyond { get; }

    [GeneratedRegex(
        @"^\W*(?:.{0,20}\b)?(?:discount|promo(?:tion)?(?: code)?|coupon|voucher|code|rebate|credit|reduction"
            + @"|loyalty)\b|^\W*less [0-9]",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Discount { get; }

    [GeneratedRegex(
        @"(?<![\p{L}0-9])(?<code>[A-Z][A-Z0-9]{3,19})(?![\p{L}0-9])",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Code { get; }

    [GeneratedRegex(@"\byou (?:save|keep|saved)\b|\bsavings?\b|\bsaved\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex Saving { get; }

    [GeneratedRegex(
        @"^\W*(?:add|also add|include|upgrade|get|try)\b.*(?:\bfor\b|\bonly\b|\bat\b|\bjust\b)"
            + @"|^\W*(?:recommended|suggested)\b|\badd (?:it )?for\b|\bcan be added\b|\bonly\b.*\b(?:monthly|yearly|a "
            + @"month|a year)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Offered { get; }

    [GeneratedRegex(
        @"^\W*(?:you may also like|you might also like|goes well with.*|recommended.*|others also.*|customers "
            + @"also.*|before you go|don.t forget|popular extras|complete your order|suggested.*|often bought.*)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex OfferHeading { get; }

    [GeneratedRegex(
        @"\b(?:renews?|renewal|next (?:payment|invoice|bill|charge)"
            + @"|thereafter|afterwards|then|from (?:the )?(?:next|second|third|[0-9]).*(?:costs?"
            + @"|on\b|:)|costs?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Renewal { get; }

    [GeneratedRegex(
        @"^\W*(?:free|included|incl\.?|gratis|no charge|on the house|nothing)\W*$|(?<=(?:[0-9)]|\byears?"
            + @"|\bmonths?|[a-z0-9-]\.[a-z]{2,12})\s|[—–:]\s{0,2})(?:free|included)"
            + @"\W*(?:(?:remove|change|edit|delete)\W*)?$"
            + @"|(?<=\p{Ll}\s)(?-i:FREE)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Zero { get; }

    [GeneratedRegex(
        @"^\W*(?:remove|change|edit|delete|x|×|add|add to order|details?|price|amount|quantity|qty|item|items"
            + @"|description|no\.?|each|unit price|how many|what|total|check ?out|go to payment|pay now|order and pay"
            + @"|apply|use|update|menu|home|hosting|mail|domains?|log in|support|status|contact|about us|blog|help"
            + @"|partners|imprint|privacy|terms)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Noise { get; }

    [GeneratedRegex(@"^\W*(?:quantity|qty|how many|count|pieces)\W*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex QuantityLabel { get; }

    [GeneratedRegex(@"\b(?:each|unit|per piece|single)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex UnitHead { get; }

    [GeneratedRegex(
        @"\b(?:(?:price|cost|rate|fee) (?:per|a|each) month|monthly (?:price|cost|rate|fee)|unit price)\b[\s:]*$|@\s*$"
            + @"|(?<![0-9.,])(?:[2-9]|[1-9][0-9])\s?[×x]\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex UnitBefore { get; }

    [GeneratedRegex(@"^\W*paid (?:by|with|from) ", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex PaidBy { get; }

    [GeneratedRegex(@"^\s*[×x]\s?[0-9]{1,3}\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex UnitBehind { get; }

    [GeneratedRegex($@"^\W*{TaxName}\W*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex TaxAlone { get; }

    [GeneratedRegex(@"^\W*[0-9]{1,2}(?:[.,][0-9]{1,2})?\s?%\W*$", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex PercentAlone { get; }

    // "Total (incl. VAT £5.40)", whose own amount comes next.
    [GeneratedRegex(
        $@"\(\s*(?:(?:incl\w*\.?|includes|of which|with|thereof)\b[^()]*\b)?{TaxName}\b[^()]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex TaxInBrackets { get; }

    [GeneratedRegex(
        @"\b(?:was|before|regular|normal(?:ly)?|list price|old price|full price)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex StruckHead { get; }

    [GeneratedRegex(@"\b(?:amount|total|sum|price|line total)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex AmountHead { get; }

    [GeneratedRegex(
        @"(?:(?<!\b(?:mo|mth|month)\.?\s|\p{L})[×x]\s?(?<n>[0-9]{1,3})\b(?!\s?(?:months?|mths?|years?|yrs?)\b)"
            + @"|(?<![.,])\b(?<n>[0-9]{1,3})\s?[×x](?=\s))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Times { get; }

    [GeneratedRegex(
        @"(?<![\p{L}0-9@./-])(?<domain>[\p{L}0-9](?:[\p{L}0-9-]{0,61}[\p{L}0-9])?(?:\.[a-z]{2,}){1,3})(?![\p{L}0-9@-])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Domain { get; }

    [GeneratedRegex(
        $@"\b{Patterns.Count}[- ](?:(?<month>months?|mths?|mos?)|(?<year>years?|yrs?))\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Months { get; }

    [GeneratedRegex(
        @"[.,;–—-]?\s*\b(?:renews?|then|afterwards|thereafter|plus [0-9]+ (?:free )?months?|[+] ?[0-9]+ "
            + @"(?:months? free|free months?)|and [0-9]+ free)\b.*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex LaterPart { get; }

    [GeneratedRegex(
        @"\b[0-9]{1,2} (?:free months?|months? free|extra months?|bonus months?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex FreeMonths { get; }

    [GeneratedRegex(
        @"^\W*(?:for |domain (?:name )?(?:registration|transfer|renewal)(?:,|\s*$)|registration\b(?! of)|transfer,"
            + $@"|renew|billed|paid|term\b|valid|at |from |until |{Patterns.Count}[- ](?:months?|years?)\b|[0-9]+$"
            + @"|monthly|yearly|annual(?:ly)?\b|per )",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Detail { get; }

    [GeneratedRegex(@"\b(?:(?:web)?hosting|web ?space|plan|package|account)\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex PlanWord { get; }

    [GeneratedRegex(
        @"\bset-?\s?up\b|\bsetting up\b|\bactivation\b|\binstallation\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SetupWord { get; }

    [GeneratedRegex(@"\bdata ?-?cent(?:re|er)\b|\bserver location\b", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex CentreWord { get; }

    [GeneratedRegex(
        @"\b(?:site move|moving (?:your|the|a)|site migration|migration|move (?:of|by)|moving over)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex MoveWord { get; }

    [GeneratedRegex(@"\bdomain\b(?! privacy)", Patterns.AnyCase, Patterns.Patience)]
    public static partial Regex DomainWord { get; }

    [GeneratedRegex(
        @"\b(?:backups?|privacy|malware|certificate|ip address|mailbox(?:es)?|archive|support|snapshots?|design"
            + @"|search listing|logo|installer|storage|databases?|scan|watch|ssl|builder)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex ThingWord { get; }

    [GeneratedRegex(
        @"\s*(?:\([^()]*\)|(?<=\s)[×x]|@|(?<!\p{L})[×x]\s?[0-9]{1,3}|[0-9]{1,3}\s?[×x]"
            + @"|[,;:–—-]\s*(?:domain(?: name)?|registration"
            + $@"|domain registration|{Patterns.Count}[- ](?:months?|years?)[^,;]*|for .*|billed .*|first year"
            + $@"|(?:per|a) (?:year|month)|yearly|annually|annual|monthly|quarterly|included|free)"
            + $@"|\s{Patterns.Count}[- ](?:months?|years?)|\bfor "
            + $@"(?:{Patterns.Count}[- ]|the |[\p{{L}}0-9-]+\.).*|,? at(?: \S*[0-9].*)?|[:,;–—·|•-])\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Tail { get; }
}
