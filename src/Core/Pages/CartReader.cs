using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Pages;

/// <summary>
/// Reads a cart, a quote or a receipt: what is bought line by line, what is taken off, and the sums. An item ends at
/// its amount.
/// </summary>
public sealed partial class CartReader
{
    private const string TaxName = @"(?:vat|gst|hst|moms|mwst|iva|(?:sales )?tax(?:es)?)";

    [GeneratedRegex(
        @"^\W*(?:sub-?\s?total|sum before|net total|goods total|items total|net(?: amount| price)?\W*$|total "
            + @"(?:before|excl|excluding|ex|without|net of)\b)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Subtotal { get; }

    [GeneratedRegex(@"^\W*(?:items|goods|products)(?: \([0-9]+\))?\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex AllItems { get; }

    [GeneratedRegex(
        @"^\W*(?:net|items|goods|products)(?: amount| price| value| total)?(?: \([0-9]+\))?\W*(?:[A-Z]{3}\s?)?[0-9]",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NetWithSum { get; }

    [GeneratedRegex(
        @"^\W*(?:grand total|order total|totals?|to pay(?: now| today)?|amount (?:due|paid|to pay|payable)|you pay|paid"
            + @"|due (?:today|now)|sum total|sum(?! of)|payable|balance due|all together|altogether)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Total { get; }

    [GeneratedRegex(
        @"^\W*(?:all (?:amounts|prices) )?(?:(?:plus|incl(?:uding|uded|udes)?\.?|of which|this includes|includes"
            + $@"|thereof|with|add)\s+)?(?:[0-9]{{1,2}}(?:[.,][0-9]{{1,2}})? ?% )?(?:\p{{L}}+ )?{TaxName}\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Tax { get; }

    [GeneratedRegex(
        $@"^\W*(?:incl\w*\.?|includes|of which|with|thereof)\b.*\b{TaxName}\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex TaxWithin { get; }

    [GeneratedRegex(
        @"\b(?:incl(?:uding|uded|udes)?\.?|includes?|of which|thereof|contains)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Within { get; }

    [GeneratedRegex(@"\b(?:plus|add|added|\+)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Beyond { get; }

    [GeneratedRegex(
        @"^\W*(?:.{0,20}\b)?(?:discount|promo(?:tion)?(?: code)?|coupon|voucher|code|rebate|credit|reduction"
            + @"|loyalty)\b|^\W*less [0-9]",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Discount { get; }

    [GeneratedRegex(
        @"(?<![\p{L}0-9])(?<code>[A-Z][A-Z0-9]{3,19})(?![\p{L}0-9])",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Code { get; }

    [GeneratedRegex(@"\byou (?:save|keep|saved)\b|\bsavings?\b|\bsaved\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Saving { get; }

    [GeneratedRegex(
        @"^\W*(?:add|also add|include|upgrade|get|try)\b.*(?:\bfor\b|\bonly\b|\bat\b|\bjust\b)"
            + @"|^\W*(?:recommended|suggested)\b|\badd (?:it )?for\b|\bcan be added\b|\bonly\b.*\b(?:monthly|yearly|a "
            + @"month|a year)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Offered { get; }

    [GeneratedRegex(
        @"^\W*(?:you may also like|you might also like|goes well with.*|recommended.*|others also.*|customers "
            + @"also.*|before you go|don.t forget|popular extras|complete your order|suggested.*|often bought.*)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OfferHeading { get; }

    [GeneratedRegex(
        @"\b(?:renews?|renewal|thereafter|afterwards|then|from (?:the )?(?:next|second|third|[0-9]).*(?:costs?"
            + @"|on\b|:)|costs?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Renewal { get; }

    [GeneratedRegex(
        @"^\W*(?:free|included|incl\.?|gratis|no charge|on the house|nothing)\W*$|(?<=(?:[0-9)]|\byears?"
            + @"|\bmonths?|[a-z0-9-]\.[a-z]{2,12})\s|[—–:]\s{0,2})(?:free|included)\W*$"
            + @"|(?<=\p{Ll}\s)(?-i:FREE)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Zero { get; }

    [GeneratedRegex(
        @"^\W*(?:remove|change|edit|delete|x|×|add|add to order|details?|price|amount|quantity|qty|item|items"
            + @"|description|no\.?|each|unit price|how many|what|total|check ?out|go to payment|pay now|order and pay"
            + @"|apply|use|update|menu|home|hosting|mail|domains?|log in|support|status|contact|about us|blog|help"
            + @"|partners|imprint|privacy|terms)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Noise { get; }

    [GeneratedRegex(@"^\W*(?:quantity|qty|how many|count|pieces)\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex QuantityLabel { get; }

    [GeneratedRegex(@"\b(?:each|unit|per piece|single)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex UnitHead { get; }

    [GeneratedRegex(
        @"\b(?:(?:price|cost|rate|fee) (?:per|a|each) month|monthly (?:price|cost|rate|fee)|unit price)\b[\s:]*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex UnitBefore { get; }

    [GeneratedRegex(
        @"\b(?:was|before|regular|normal(?:ly)?|list price|old price|full price)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex StruckHead { get; }

    [GeneratedRegex(@"\b(?:amount|total|sum|price|line total)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex AmountHead { get; }

    [GeneratedRegex(
        @"(?:(?<!\b(?:mo|mth|month)\.?\s)[×x]\s?(?<n>[0-9]{1,3})\b|\b(?<n>[0-9]{1,3})\s?[×x](?=\s))",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Times { get; }

    [GeneratedRegex(
        @"(?<![\p{L}0-9@./-])(?<domain>[\p{L}0-9](?:[\p{L}0-9-]{0,61}[\p{L}0-9])?(?:\.[a-z]{2,}){1,3})(?![\p{L}0-9@-])",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Domain { get; }

    [GeneratedRegex(
        $@"\b{Patterns.Count}[- ](?:(?<month>months?|mths?)|(?<year>years?|yrs?))\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Months { get; }

    [GeneratedRegex(
        @"[.,;–—-]?\s*\b(?:renews?|then|afterwards|thereafter|plus [0-9]+ (?:free )?months?|[+] ?[0-9]+ "
            + @"(?:months? free|free months?)|and [0-9]+ free)\b.*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex LaterPart { get; }

    [GeneratedRegex(
        @"\b[0-9]{1,2} (?:free months?|months? free|extra months?|bonus months?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex FreeMonths { get; }

    [GeneratedRegex(
        @"^\W*(?:for |domain (?:name )?(?:registration|transfer|renewal)(?:,|\s*$)|registration\b(?! of)|transfer,"
            + $@"|renew|billed|paid|term\b|valid|at |from |until |{Patterns.Count}[- ](?:months?|years?)\b|[0-9]+$"
            + @"|monthly|yearly|annual(?:ly)?\b|per )",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Detail { get; }

    [GeneratedRegex(@"\b(?:(?:web)?hosting|web ?space|plan|package|account)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex PlanWord { get; }

    [GeneratedRegex(
        @"\bset-?\s?up\b|\bsetting up\b|\bactivation\b|\binstallation\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SetupWord { get; }

    [GeneratedRegex(@"\bdata ?-?cent(?:re|er)\b|\bserver location\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex CentreWord { get; }

    [GeneratedRegex(
        @"\b(?:site move|moving (?:your|the|a)|site migration|migration|move (?:of|by)|moving over)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MoveWord { get; }

    [GeneratedRegex(@"\bdomain\b(?! privacy)", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex DomainWord { get; }

    [GeneratedRegex(
        @"\b(?:backups?|privacy|malware|certificate|ip address|mailbox(?:es)?|archive|support|snapshots?|design"
            + @"|search listing|logo|installer|storage|databases?|scan|watch|ssl|builder)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex ThingWord { get; }

    [GeneratedRegex(
        @"\s*(?:\([^()]*\)|(?<=\s)[×x]|[×x]\s?[0-9]{1,3}|[0-9]{1,3}\s?[×x]"
            + @"|[,;:–—-]\s*(?:domain(?: name)?|registration"
            + $@"|domain registration|{Patterns.Count}[- ](?:months?|years?)[^,;]*|for .*|billed .*|first year|yearly"
            + $@"|annually|annual|monthly|quarterly|included|free)|\s{Patterns.Count}[- ](?:months?|years?)|\bfor "
            + $@"(?:{Patterns.Count}[- ]|the |[\p{{L}}0-9-]+\.).*|,? at \S*[0-9].*|[:,;–—-])\s*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Tail { get; }

    private readonly PageText _page;
    private readonly List<Line> _lines;
    private readonly List<Draft> _items = [];
    private readonly List<(string Name, PageSpan NameAt, PageAmount Amount)> _discounts = [];
    private readonly Dictionary<PageAmount, string> _why = [];
    private readonly HashSet<PageSpan> _placed = [];
    private readonly List<Line> _pending = [];
    private PageAmount? _subtotal;
    private PageAmount? _total;
    private PageAmount? _tax;
    private string _taxWords = "";
    private string _label = "";
    private Line? _labelLine;
    private int? _quantity;
    private bool _isQuantity;
    private bool _isOffered;
    private bool _isChanged;

    private CartReader(PageText page)
    {
        _page = page;
        _lines = PageLines.Split(page);
    }

    /// <summary>What a cart says.</summary>
    public static CartReading Read(PageText page) => new CartReader(page).Whole();

    private CartReading Whole()
    {
        var heads = Heads();
        for (var at = 0; at < _lines.Count; at++)
        {
            var line = _lines[at];
            Take(line, heads);
        }

        return Assembled();
    }

    // What the columns of a table are called.
    private Dictionary<(int Table, int Column), string> Heads()
    {
        var heads = new Dictionary<(int, int), string>();
        foreach (var table in _lines.Where(line => line.Seen.Cell is not null).GroupBy(line => line.Seen.Cell!.Table))
        {
            var first = table.Min(line => line.Seen.Cell!.Row);
            var row = table.Where(line => line.Seen.Cell!.Row == first).ToList();
            if (row.TrueForAll(line => line.Amounts.IsEmpty))
            {
                foreach (var line in row)
                {
                    heads[(table.Key, line.Seen.Cell!.Column)] = line.Words;
                }
            }
        }

        return heads;
    }

    private void Take(Line line, Dictionary<(int Table, int Column), string> heads)
    {
        var words = line.Words;
        var head =
            line.Seen.Cell is { } cell && heads.TryGetValue((cell.Table, cell.Column), out var known) ? known : "";
        if (OfferHeading.IsMatch(words))
        {
            _isOffered = true;
            Why(line, "offered");
            return;
        }

        if (Sum(line))
        {
            return;
        }

        if (_isQuantity || (head.Length > 0 && QuantityLabel.IsMatch(head)))
        {
            _isQuantity = false;
            if (
                int.TryParse(words.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var count)
                && count is > 0 and < 1000
            )
            {
                _quantity = count;
                return;
            }
        }

        if (QuantityLabel.IsMatch(words) && head != words)
        {
            _isQuantity = true;
            return;
        }

        if (_total is not null && _items.Count > 0)
        {
            Rest(line);
            return;
        }

        var zero = FreeMonths.IsMatch(words) ? Match.Empty : Zero.Match(Unstruck(line));
        if (line.Amounts.IsEmpty && !zero.Success)
        {
            if (
                !Noise.IsMatch(words) && words.Length <= 160 && !FreeMonths.IsMatch(words)
                || _pending.Count > 0 && Months.IsMatch(words)
            )
            {
                _pending.Add(line);
            }

            return;
        }

        if (_isOffered || Offered.IsMatch(words))
        {
            Why(line, "offered");
            if (Offered.IsMatch(words))
            {
                _pending.Clear();
            }

            return;
        }

        if (Saving.IsMatch(words) && !Discount.IsMatch(words))
        {
            Why(line, "saving");
            return;
        }

        Item(line, head, zero);
    }

    // "FREE $17.99": what it was, struck out or last of a line in plain text, stands behind what it is.
    private string Unstruck(Line line) =>
        line.Amounts is [{ Per: Per.None } was]
        && line.Words[(was.End - line.From)..].Trim().Length == 0
        && (PlanReader.IsStruck(_page, was.At) || !_page.IsMarked)
            ? Head(line)
            : line.Words;

    // An item ends at its amount: struck, unit and later prices on the way are none.
    private void Item(Line line, string head, Match zero)
    {
        var plain = new List<PageAmount>();
        PageAmount? struck = null;
        foreach (var (number, amount) in line.Amounts.Index())
        {
            var from = number == 0 ? line.From : line.Amounts[number - 1].End;
            var to = number + 1 < line.Amounts.Length ? line.Amounts[number + 1].At.From : line.Seen.At.To;
            var (before, behind) = (_page.Text[from..amount.At.From], _page.Text[Math.Min(amount.End, to)..to]);
            var role =
                PlanReader.IsStruck(_page, amount.At) || StruckHead.IsMatch(head)
                    ? Role.Struck
                    : Roles.Classify(amount, before, behind);
            if (role == Role.Struck)
            {
                struck ??= amount;
            }
            else if (role == Role.Later || Renewal.IsMatch(before))
            {
                _why[amount] = "later";
            }
            else if (amount.Per is Per.Month or Per.Year || UnitHead.IsMatch(head) || UnitBefore.IsMatch(before))
            {
                _why[amount] = "unit";
            }
            else if (role == Role.Saving && !amount.IsNegative)
            {
                _why[amount] = "saving";
            }
            else
            {
                plain.Add(amount);
            }
        }

        if (
            !_page.IsMarked
            && plain.Count == 2
            && plain[0].Value > plain[1].Value
            && _page.Text[plain[0].At.To..plain[1].At.From].Trim().Length == 0
        )
        {
            struck ??= plain[0];
            plain.RemoveAt(0);
        }

        if (zero.Success && plain.Count > 0 && !_page.IsMarked)
        {
            struck ??= plain[0];
            plain.Clear();
        }

        if (plain.Count == 0 && !zero.Success)
        {
            // A month's price, or the renewal: part of what is said of the item.
            if (
                line.Words.Length <= 160 && _pending.Count > 0
                || Months.IsMatch(line.Words)
                || Kind(line.Words, null) is not null
            )
            {
                _pending.Add(line);
            }

            if (struck is not null && _pending.Count > 0)
            {
                _struck = struck;
            }
            else if (
                struck is not null
                && _items.Count > 0
                && _items[^1] is { Struck: null, Amount: { } paid } above
                && line.Index == above.Line.Index + 1
                && struck.Value > paid.Value
            )
            {
                above.Struck = struck; // What it was stands below what it is.
            }

            return;
        }

        var own = line.Amounts.Length > 0 ? _page.Text[line.From..line.Amounts[0].At.From] : line.Words[..zero.Index];
        if (own.Trim().Length > 2)
        {
            _pending.Add(line);
        }

        var chosen = plain.Count > 0 ? plain[^1] : null;
        foreach (var other in plain.Where(other => other != chosen))
        {
            _why[other] = "unit";
        }

        _cheaper =
            !_page.IsMarked
            && plain is [.., var first, var second]
            && first.Value < second.Value
            && _page.Text[first.End..second.At.From].Trim().Length == 0
                ? first
                : null;

        if (chosen is { IsNegative: true })
        {
            AddDiscount(own.Trim().Length > 2 ? line : _pending.LastOrDefault() ?? line, chosen);
            _pending.Clear();
            return;
        }

        Close(line, chosen, struck ?? _struck, zero);
    }

    private PageAmount? _struck;
    private PageAmount? _cheaper;

    private void Close(Line line, PageAmount? amount, PageAmount? struck, Match zero)
    {
        var title = Title();
        var cell = line.Seen.Cell;
        if (title is null)
        {
            // A second amount in the same row is the sum for all pieces; the one before was for one.
            if (
                _items.Count > 0
                && cell is not null
                && _items[^1].Line.Seen.Cell is { } last
                && last.Table == cell.Table
                && last.Row == cell.Row
                && (amount is not null || zero.Success)
            )
            {
                var item = _items[^1];
                if (item.Amount is { } unit)
                {
                    _why[unit] = "unit";
                    item.Earlier.Add(unit);
                }

                item.Amount = amount;
                item.Struck = struck ?? item.Struck;
                item.ZeroAt = amount is null ? line.Seen.At : null;
                item.Quantity = _quantity ?? item.Quantity;
            }
            else if (
                amount is not null
                && !_page.IsMarked
                && _items.Count > 0
                && _items[^1] is { Struck: null, Amount: { } dear } above
                && above.Line.Index == line.Index - 1
                && dear.Value > amount.Value
            )
            {
                // Of two, one below the other, the larger is what it was.
                (above.Struck, above.Amount) = (dear, amount);
            }
            else if (amount is not null)
            {
                _why.TryAdd(amount, "unknown");
            }

            (_quantity, _struck) = (null, null);
            return;
        }

        var all = string.Join(
            "\n",
            _pending.SkipWhile(other => other != title).Select(other => other.Words).Append(Behind(line))
        );
        var name = NameOf(
            title.Words,
            title == line && zero.Success ? zero.Index
                : title.Amounts.Length > 0 ? title.Amounts[0].At.From - title.From
                : -1
        );
        var domain =
            Domain.Match(title.Words) is { Success: true } own ? own.Groups["domain"].Value
            : Domain.Match(all) is { Success: true } other2 ? other2.Groups["domain"].Value
            : null;
        var kind = Kind(title.Words, all) ?? "addOn";
        if (name.Length == 0)
        {
            name = domain ?? title.Words;
        }

        var draft = new Draft(line, name, title.Seen.At)
        {
            Kind = kind,
            Domain = kind == "plan" ? null : domain?.ToLowerInvariant(),
            Months = MonthsIn(all),
            Quantity = _quantity
                ?? (
                    Times.Match(all) is { Success: true } times
                        ? int.Parse(times.Groups["n"].Value, CultureInfo.InvariantCulture)
                        : 1
                ),
            Amount = amount,
            Struck = struck,
            Cheaper = _cheaper,
            ZeroAt = amount is null ? new PageSpan(line.From + Math.Max(0, zero.Index), line.Seen.At.To) : null,
        };
        _items.Add(draft);
        _pending.Clear();
        (_quantity, _struck) = (null, null);
    }

    // "£65.00 for 12 months": what stands behind the last amount of a line that is no title.
    private string Behind(Line line) =>
        !_pending.Contains(line)
        && line.Amounts.Length > 0
        && _page.Text[line.Amounts[^1].At.To..Math.Max(line.Amounts[^1].At.To, line.Seen.At.To)] is var behind
        && !Renewal.IsMatch(behind)
            ? behind
            : "";

    // The last line that names a kind; what follows it tells of it.
    private Line? Title()
    {
        var named = _pending
            .Where(line =>
                !Detail.IsMatch(line.Words)
                && !Patterns.Has(line.Words, @"^\W*(?:free|included?|comes?) (?:with|in)\b")
                && Kind(Head(line), null) is not null
            )
            .ToList();
        // "Domain privacy", and below it whose: the thing is what is bought.
        return named is [.., var thing, var whose]
            && whose.Index - thing.Index <= 3
            && Kind(Head(whose), null) == "domain"
            && (
                Kind(Head(thing), null) == "addOn"
                || (Kind(Head(thing), null) == "plan" && Domain.Match(whose.Words).Length == whose.Words.Length)
                || (Domain.IsMatch(thing.Words) && !Domain.IsMatch(whose.Words))
            )
                ? thing
            : named.Count > 0 ? named[^1]
            : _pending.LastOrDefault(line => !Detail.IsMatch(line.Words) && Head(line).Trim().Length > 1);
    }

    private static string Head(Line line) =>
        line.Amounts.Length > 0
            ? line.Words[..Math.Max(0, Math.Min(line.Words.Length, line.Amounts[0].At.From - line.From))]
            : line.Words;

    private static string? Kind(string words, string? all)
    {
        var domain = Domain.IsMatch(words);
        return CentreWord.IsMatch(words) ? "dataCentre"
            : MoveWord.IsMatch(words) ? "other"
            : SetupWord.IsMatch(words) && !PlanWord.IsMatch(words) ? "setup"
            : ThingWord.IsMatch(words) && !Patterns.Has(words, @"\bhosting\b") ? "addOn"
            : PlanWord.IsMatch(words) ? "plan"
            : domain || DomainWord.IsMatch(words) ? "domain"
            : all is not null && Patterns.Has(all, @"^domain (?:registration|transfer)") ? "domain"
            : null;
    }

    private static string NameOf(string words, int cut)
    {
        var name = cut >= 0 ? words[..Math.Min(cut, words.Length)] : words;
        name = Patterns.Swap(name, @"^\W*(?:[0-9]{1,3}[.)]\s+|[0-9]{1,3}\s?[×x]\s+|[•·-]\s+)", "").Trim();
        for (var before = ""; before != name; )
        {
            before = name;
            name = Tail.Replace(name, "").Trim().TrimEnd(',', ':', ';', '–', '—', '-').Trim();
        }

        return Patterns.Swap(name, @"\s+", " ");
    }

    private static int? MonthsIn(string words)
    {
        foreach (var line in words.Split('\n'))
        {
            var rest = FreeMonths.Replace(LaterPart.Replace(line, ""), "");
            if (
                Months.Match(rest) is { Success: true } match
                && Patterns.Number(match.Groups["count"].Value) is { } count
            )
            {
                return match.Groups["year"].Success ? count * 12 : count;
            }

            if (Patterns.Has(rest, @"\b(?:yearly|annual(?:ly)?|per year|a year|first year)\b"))
            {
                return 12;
            }

            if (Patterns.Has(rest, @"\bmonthly\b"))
            {
                return 1;
            }
        }

        return null;
    }

    // Subtotal, tax, total and what is taken off; a label alone takes the next amount.
    private bool Sum(Line line)
    {
        var words = line.Words;
        var label =
            words.Length > 120 ? ""
            : AllItems.IsMatch(words) && line.Index + 1 < _lines.Count && StandsAlone(_lines[line.Index + 1])
                ? "subtotal"
            : LabelOf(words);
        if (label.Length == 0 && _label.Length > 0)
        {
            if (StandsAlone(line))
            {
                if (IsSummedUpLater(line))
                {
                    _why.TryAdd(line.Amounts[^1], "total"); // Net and tax of a row whose last column is the sum.
                    return true;
                }

                Set(_label, _labelLine!, line.Amounts[^1]);
                _label = "";
                return true;
            }

            if (Patterns.Has(words, @"\b(?:calculated|next step|later|to follow|at checkout|tbd)\b"))
            {
                _label = "";
                return true;
            }

            _label = "";
        }

        if (label.Length == 0)
        {
            return false;
        }

        if (line.Amounts.IsEmpty)
        {
            if (words.Length <= 40)
            {
                (_label, _labelLine) = (label, line);
            }

            return words.Length <= 40;
        }

        // "Paid: £54.84 (incl. VAT £9.14)": the tax within a total stands behind it.
        var within =
            label == "total"
            && line.Amounts.Length == 2
            && TaxWithin.IsMatch(
                _page.Text[line.Amounts[0].End..line.Amounts[1].At.From]
                    + _page.Text[line.Amounts[1].End..line.Seen.At.To]
            )
                ? line.Amounts[1]
                : null;
        var own = within is null ? line.Amounts[^1] : line.Amounts[0];
        Set(label, line, own);
        if (within is not null && _tax is null)
        {
            (_tax, _taxWords) = (within, _page.Text[line.Amounts[0].End..line.Seen.At.To]);
        }

        foreach (var other in line.Amounts.Where(amount => amount != own && amount != _tax))
        {
            _why.TryAdd(other, "total");
        }

        return true;
    }

    // An amount with nothing before it.
    private static bool StandsAlone(Line line) =>
        line.Amounts.Length > 0 && Head(line).Trim(' ', ':', '-', '−', '–').Length == 0;

    private bool IsSummedUpLater(Line line) =>
        _label == "total"
        && line.Seen.Cell is { } cell
        && _lines
            .Skip(line.Index + 1)
            .TakeWhile(next => next.Seen.Cell is { } its && its.Table == cell.Table && its.Row == cell.Row)
            .Any(next => next.Amounts.Length > 0);

    private string LabelOf(string words)
    {
        if (Saving.IsMatch(words) && !Discount.IsMatch(words))
        {
            return "";
        }

        return Subtotal.IsMatch(words) || NetWithSum.IsMatch(words) ? "subtotal"
            : Tax.IsMatch(words) && !Patterns.Has(words, @"\b(?:privacy|hosting|reg\. no|no\.)\b") ? "tax"
            : Total.IsMatch(words)
            && !Patterns.Has(words, @"^\W*paid (?:by|with|each|monthly|yearly)|^\W*to pay (?:by|with)")
                ? "total"
            : Discount.IsMatch(words)
            && (PageAmount.In(words, 0).Any(amount => amount.IsNegative) || _items.Count > 0)
            && !Patterns.Has(words, @"^\W*(?:have a|enter|use|type|your) |\?$")
            && PageAmount.In(words, 0).Length <= 1
            && words.Length < 70
                ? "discount"
            : "";
    }

    private void Set(string label, Line line, PageAmount amount)
    {
        _pending.Clear();
        _isOffered = false;
        switch (label)
        {
            case "subtotal" when _subtotal is null:
                _subtotal = amount;
                break;
            case "tax" when _tax is null:
                (_tax, _taxWords) = (amount, line.Words);
                _isChanged = _total is not null;
                break;
            case "total" when _total is null:
                _total = amount;
                break;
            case "total" when _subtotal is null && _isChanged && amount.Value != _total.Value:
                (_subtotal, _total) = (_total, amount); // "Sum", what is taken off or added, and then what is paid.
                break;
            case "discount":
                AddDiscount(line, amount);
                _isChanged = _total is not null;
                break;
            default:
                _why.TryAdd(amount, "total");
                break;
        }
    }

    private void AddDiscount(Line line, PageAmount amount)
    {
        var words = Head(line).Trim().TrimEnd(':', '-', '−', '–', ' ');
        var code = Code.Matches(words)
            .Select(match => match.Groups["code"].Value)
            .FirstOrDefault(word => word is not ("CODE" or "DISCOUNT" or "PROMO" or "VOUCHER" or "COUPON"));
        _discounts.Add((code ?? (words.Length > 0 ? words : "Discount"), line.Seen.At, amount));
    }

    private void Rest(Line line)
    {
        foreach (var amount in line.Amounts)
        {
            _why.TryAdd(
                amount,
                _isOffered || Offered.IsMatch(line.Words) ? "offered"
                    : Renewal.IsMatch(line.Words) ? "later"
                    : Saving.IsMatch(line.Words) ? "saving"
                    : Patterns.Has(line.Words, @"\b(?:added|add)\b") ? "offered"
                    : "total"
            );
        }
    }

    private void Why(Line line, string why)
    {
        foreach (var amount in line.Amounts)
        {
            _why.TryAdd(amount, why);
        }
    }

    private CartReading Assembled()
    {
        var all = _lines.SelectMany(line => line.Amounts).ToList();
        var (currency, currencyAt) = PageWide.CurrencyOf(_lines, [], all);
        var decimals = currency is not null && Currency.TryGet(currency, out var known) ? known.Decimals : 2;
        KnownPlan();
        Fit();
        var (provider, providerAt) = PageWide.ProviderOf(
            _page,
            _lines,
            _items
                .SelectMany(item => new[] { item.Name, PlanBlocks.NameOf(item.Name) })
                .ToHashSet(StringComparer.OrdinalIgnoreCase)
        );
        var sources = ImmutableArray.CreateBuilder<ReadSource>();
        var doubts = ImmutableArray.CreateBuilder<ReadDoubt>();
        void Source(string at, object? value, PageSpan span)
        {
            if (value is not null && span.To > span.From)
            {
                sources.Add(new ReadSource(at, span));
            }
        }

        string Text(PageAmount amount, string at)
        {
            _placed.Add(amount.At);
            Source(at, amount, amount.At);
            var dot = amount.Number.IndexOf('.', StringComparison.Ordinal);
            var digits = Math.Max(decimals, dot < 0 ? 0 : amount.Number.Length - dot - 1);
            return amount.Value.ToString(
                "F" + digits.ToString(CultureInfo.InvariantCulture),
                CultureInfo.InvariantCulture
            );
        }

        Source("/provider", provider, providerAt);
        Source("/currency", currency, currencyAt);
        if (currency is null)
        {
            doubts.Add(new ReadDoubt("currency-not-said", "/currency"));
        }

        var lines = ImmutableArray.CreateBuilder<CartLine>();
        foreach (var (number, item) in _items.Index())
        {
            var at = $"/lines/{number}";
            Source($"{at}/name", item.Name, item.NameAt);
            if (item.ZeroAt is { } zero)
            {
                Source($"{at}/amount", "0", zero);
            }

            lines.Add(
                new CartLine(
                    item.Name,
                    item.Kind,
                    item.Domain,
                    item.Months,
                    item.Quantity,
                    item.Amount is { } amount
                        ? Text(amount, $"{at}/amount")
                        : 0m.ToString(
                            "F" + decimals.ToString(CultureInfo.InvariantCulture),
                            CultureInfo.InvariantCulture
                        ),
                    item.Struck is { } struck ? Text(struck, $"{at}/struck") : null
                )
            );
        }

        var discounts = ImmutableArray.CreateBuilder<CartDiscount>();
        foreach (var (number, (name, nameAt, amount)) in _discounts.Index())
        {
            Source($"/discounts/{number}/name", name, nameAt);
            discounts.Add(new CartDiscount(name, Text(amount, $"/discounts/{number}/amount")));
        }

        var subtotal = _subtotal is { } sub ? Text(sub, "/subtotal") : null;
        var tax = _tax is { } levy ? Text(levy, "/tax") : null;
        var total = _total is { } sum ? Text(sum, "/total") : null;
        var (inside, addsUp) = Adding();
        return new CartReading(
            provider,
            currency,
            lines.ToImmutable(),
            discounts.ToImmutable(),
            subtotal,
            tax,
            total,
            inside,
            addsUp,
            sources.ToImmutable(),
            NotPlaced(all),
            doubts.ToImmutable(),
            _page.Text
        );
    }

    // Where the sum does not fit: the smaller of two amounts side by side, or another column of the table (net, before
    // tax and gross), is what is paid where the printed subtotal says so.
    private void Fit()
    {
        if (_subtotal is not { Value: var sum } || _items.Sum(item => item.Amount?.Value ?? 0) == sum)
        {
            return;
        }

        if (_items.Sum(item => (item.Cheaper ?? item.Amount)?.Value ?? 0) == sum)
        {
            foreach (var item in _items.Where(item => item.Cheaper is not null))
            {
                (item.Amount, item.Struck) = (item.Cheaper, item.Amount);
            }

            return;
        }

        var columns = _items.Count == 0 ? 0 : _items.Min(item => item.Earlier.Count);
        for (var column = columns - 1; column >= 0; column--)
        {
            if (_items.Sum(item => item.Earlier[column].Value) == sum)
            {
                foreach (var item in _items)
                {
                    if (item.Amount is { } other)
                    {
                        _why[other] = "total";
                    }

                    item.Amount = item.Earlier[column];
                }

                return;
            }
        }
    }

    // A cart is for a plan: where none is called one, it is the first line with a length that is no domain and no
    // thing.
    private void KnownPlan()
    {
        if (
            !_items.Exists(item => item.Kind == "plan")
            && _items.Find(item =>
                item is { Kind: "addOn", Domain: null, Months: not null }
                && !ThingWord.IsMatch(item.Name)
                && !Times.IsMatch(item.Name)
            )
                is { } plan
            && _items.IndexOf(plan) == 0
        )
        {
            plan.Kind = "plan";
        }
    }

    private (bool? TaxInside, bool? AddsUp) Adding()
    {
        var items = _items.Sum(item => item.Amount?.Value ?? 0);
        var off = _discounts.Sum(discount => discount.Amount.Value);
        var net = items - off;
        bool? inside =
            _tax is null or { Value: 0 } ? null
            : Within.IsMatch(_taxWords) ? true
            : Beyond.IsMatch(_taxWords) ? false
            : _total is null ? null
            : net == _total.Value ? true
            : net + _tax.Value == _total.Value ? false
            : null;
        if (_total is null || _items.Count == 0)
        {
            return (inside, null);
        }

        var fitsSub = _subtotal is null || _subtotal.Value == items || _subtotal.Value == net;
        var whole = net + (inside == true ? 0 : _tax?.Value ?? 0);
        return (inside, fitsSub && whole == _total.Value);
    }

    private ImmutableArray<NotPlaced> NotPlaced(List<PageAmount> all) =>
        [
            .. all.Where(amount => !_placed.Contains(amount.At))
                .Select(amount => new NotPlaced(amount.At, _why.GetValueOrDefault(amount) ?? "unknown")),
        ];

    private sealed class Draft(Line line, string name, PageSpan nameAt)
    {
        public Line Line { get; } = line;

        public string Name { get; } = name;

        public PageSpan NameAt { get; } = nameAt;

        public string Kind { get; set; } = "addOn";

        public string? Domain { get; init; }

        public int? Months { get; init; }

        public int Quantity { get; set; }

        public PageAmount? Amount { get; set; }

        public PageAmount? Struck { get; set; }

        /// <summary>The smaller amount right before it in plain text, of which it may be what it was.</summary>
        public PageAmount? Cheaper { get; init; }

        /// <summary>The amounts of earlier columns of its row.</summary>
        public List<PageAmount> Earlier { get; } = [];

        public PageSpan? ZeroAt { get; set; }
    }
}
