using System.Buffers;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads what a page says for all its plans: who sells, tax, money back, currency.</summary>
internal static partial class PageWide
{
    private const string TaxName = @"(?:vat|gst|hst|iva|tva|mwst|moms|(?:sales |local )?tax(?:es)?)";

    [GeneratedRegex(
        @"(?:\b(?:ex|excl|excludes?|excluding|exclusive of|plus|before|without|net of)\.?|\+)\s*(?:of )?(?:any "
            + $@"|the |all )?(?:applicable |local )?(?:[0-9.,]+ ?% ?)?{TaxName}\b|\b{TaxName}\s*(?:\([^)]*\) |(?:at"
            + @"|of) [0-9.,]+ ?% )?(?:is |are |will be |gets? |comes? |is then )?(?:extra|on top|added|excluded"
            + $@"|excl)\b|\bdo(?:es)? not include (?:[0-9.,]+ ?% ?)?{TaxName}\b|\b{TaxName} (?:is |are )?not (?:yet "
            + $@")?included\b|\bnot includ(?:ing|ed) {TaxName}\b|\bnet prices\b|\bexclude "
            + $@"[\p{{L}} ]{{0,20}}\(?[^)]{{0,12}}{TaxName}|\bquoted before tax\b|\b{TaxName}\b[^.;]{{0,40}}\b(?:and"
            + @"|but) (?:is |are )?not included\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OnTop { get; }

    [GeneratedRegex(
        $@"\b(?:inc|incl|includes?|including|inclusive of|included?)\.?\s*(?:of )?(?:[0-9.,]+ ?% ?)?{TaxName}\b"
            + $@"|\b{TaxName}\s*(?:\([^)]*\) |(?:at|of) [0-9.,]+ ?% )?(?:is |are )?(?:already |always )?(?:included"
            + $@"|incl|inside|in (?:the|our|all) prices?)\b|\bgross prices\b|\bwith {TaxName} included\b"
            + $@"|\b{TaxName}[- ]inclusive\b|\ball taxes included\b|\binclude [\p{{L}} ]{{0,12}}{TaxName}",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Inside { get; }

    [GeneratedRegex(@"\b(?:not|isn.t|aren.t|doesn.t|don.t|never|no longer)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex Not { get; }

    [GeneratedRegex(
        $@"\bnot registered for {TaxName}\b|\b{TaxName} may (?:apply|be added)\b|\bmay be (?:added|charged)\b"
            + @"|\bsee checkout\b|\bat checkout\b|\bnext step\b|\bdepends?\b|\bwhere (?:it )?appli(?:es|cable)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Open { get; }

    [GeneratedRegex($@"\bno {TaxName}\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex NoTax { get; }

    [GeneratedRegex(
        $@"\b{TaxName}\s*(?:\([^)]*\) |(?:at|of) [0-9.,]+ ?% )?(?:is|are|will be) (?:added|charged extra|extra"
            + $@"|on top)\b(?! (?:where|if|when))|\b{TaxName}\b[^.;]{{0,40}}\b(?:and|but) (?:is |are )?not included\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SureTop { get; }

    [GeneratedRegex(
        $@"^\W*(?:is|are|do|does|what about|and|how about) (?:the )?(?:prices? )?{TaxName}[^?]*\?\W*$"
            + @"|^\W*(?:what about|and) tax\?",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Question { get; }

    [GeneratedRegex(
        @"\b(?<days>[0-9]{1,3})[- ]days?(?:'s?)? (?:no[- ][\p{L}-]+ )?(?:full |free |unconditional "
            + @")?(?:money[- ]?back|refunds?|full refund|satisfaction|return|right to cancel|back guarantee|trial "
            + @"with refund)\b|\b(?:money[- ]back|(?:full )?refund(?:ed|s|able)?|your money back|money back|get "
            + @"(?:all of it|your money|it) back|all of it back|change your mind|cancel for a refund|get all of "
            + @"it)\b[^.;]{0,40}?\b(?<days>[0-9]{1,3}) days|\b(?:within|in) (?:the )?(?:first )?(?<days>[0-9]{1,3}) "
            + @"days\b[^.;]{0,60}\b(?:back|refund(?:ed)?)\b|\b(?<days>[0-9]{1,3}) days (?:to (?:change your mind|get "
            + @"your money back)|full refund|money back|refund)\b|\b(?<days>[0-9]{1,3}) days[^.;]{0,20}\bmoney back\b"
            + @"|\byes, all of it within (?<days>[0-9]{1,3}) days|\brefund within (?<days>[0-9]{1,3}) days",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MoneyBack { get; }

    [GeneratedRegex(
        @"(?<!\bare )\bno refunds?\b|\bnon-refundable\b|\bno money back\b|\bwe do not refund\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NoRefund { get; }

    [GeneratedRegex(
        @"\b(?:domain|name)s? (?:names? )?(?:are|is|once|cannot)[^.]*(?:refunded|returned)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Names { get; }

    [GeneratedRegex(
        @"(?:©|\(c\)|[Cc]opyright)\s*(?:[0-9]{4}\s*(?:[–-]\s*[0-9]{4})?)?,?\s*(?<name>[\p{Lu}\p{N}][^·|,.0-9©\n]{1,50}?)(?=\s*(?:·"
            + @"|\||,|\.|[0-9]{4}|All rights|Company no|$|\n| – | - |Ltd|Limited|LLC|Inc|GmbH|AB\b|s\.r\.o|Pvt|AG\b))",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Copyright { get; }

    [GeneratedRegex(
        @"\b(?:hosting|hosts?|web|webspace|servers?|online|internet|sites?|webworks|networks?|systems|pages"
            + @"|cloud|domains|names|byte|relay|cart|co-operative|company|cloud|digital|net)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Trade { get; }

    [GeneratedRegex(
        @"^\W*(?:home|menu|log ?in|sign in|basket|cart|blog|status|support|help(?: centre)?|contact(?: us)?"
            + @"|about(?: us)?|domains?|hosting|mail|webmail|partners|skip to.*|products|search|call us.*|open from.*"
            + @"|since [0-9]+.*|order.*|your .*|checkout.*|review.*|compare.*|simple.*|plans.*|prices?|pricing|rates"
            + @"|news|what .*|how .*|en|english|pay .*|new:.*|office .*|talk to us|cart.*|confirm.*|thank.*|receipt.*"
            + @"|quote.*|quotation.*|invoice.*|remove|quantity.*|qty|update|edit|delete|back|close|apply|continue|next"
            + @"|previous|plan|package|step [0-9].*|progress|secure.*|billed.*)\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Menu { get; }

    [GeneratedRegex("£|€|₹|zł|Kč", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex OwnSign { get; }

    [GeneratedRegex(@"(?<!\p{L})(?:US|AU|A|CA|C|NZ|HK|S|MX|NT)\$(?!\s?[0-9])", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex BareSign { get; }

    [GeneratedRegex(@"(?:(?! [–—-] )[^·|\t])+", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Part { get; }

    private const int LongestSignOff = 30;

    [GeneratedRegex(
        @"^\W*(?:(?:kind|best|warm)? ?regards|yours (?:sincerely|truly|faithfully)|many thanks|thank you|thanks"
            + @"|sincerely),?\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SignOff { get; }

    private static readonly (string Name, string Code)[] CurrencyNames =
    [
        ("us dollar", "USD"),
        ("american dollar", "USD"),
        ("u.s. dollar", "USD"),
        ("australian dollar", "AUD"),
        ("canadian dollar", "CAD"),
        ("new zealand dollar", "NZD"),
        ("singapore dollar", "SGD"),
        ("hong kong dollar", "HKD"),
        ("pounds sterling", "GBP"),
        ("british pound", "GBP"),
        ("euros", "EUR"),
        ("in euro", "EUR"),
        ("swiss franc", "CHF"),
        ("swedish kron", "SEK"),
        ("norwegian kron", "NOK"),
        ("danish kron", "DKK"),
        ("indian rupee", "INR"),
        ("czech", "CZK"),
        ("polish zł", "PLN"),
        ("zlot", "PLN"),
        ("japanese yen", "JPY"),
        ("south african rand", "ZAR"),
        ("malaysian ringgit", "MYR"),
        ("philippine peso", "PHP"),
        ("mexican peso", "MXN"),
        ("turkish lira", "TRY"),
        ("hungarian forint", "HUF"),
        ("romanian lei", "RON"),
    ];

    [GeneratedRegex($@"\b(?:{CurrencySigns.Code})\b", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Code { get; }

    private static readonly SearchValues<string> TaxWords = SearchValues.Create(
        ["vat", "gst", "hst", "iva", "tva", "mwst", "moms", "tax", "net prices", "gross prices"],
        StringComparison.OrdinalIgnoreCase
    );
    private static readonly SearchValues<string> BackWords = SearchValues.Create(
        ["back", "refund", "change your mind", "days", "satisfaction", "return"],
        StringComparison.OrdinalIgnoreCase
    );

    /// <summary>Whether tax is inside the prices or on top; null: not said, or said both ways.</summary>
    public static (string? Tax, PageSpan At, bool IsTwice) TaxOf(IEnumerable<Line> lines)
    {
        var found = new List<(string Tax, PageSpan At)>();
        Line? before = null;
        foreach (var line in lines)
        {
            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                if (TaxIn(sentence.Words) is { } tax)
                {
                    found.Add((tax, sentence.At));
                }
                else if (
                    before is not null
                    && Question.IsMatch(before.Words)
                    && Patterns.Find(sentence.Words, @"^\W*(?<said>yes|no)\b") is { Success: true } said
                    && TaxIn(sentence.Words) is null
                )
                {
                    var isOnTop = Patterns.Has(before.Words, @"\bon top|extra|added");
                    var isYes = said.Groups["said"].Value.Equals("yes", StringComparison.OrdinalIgnoreCase);
                    found.Add((isYes == isOnTop ? "on-top" : "inside", sentence.At));
                }
            }

            before = line;
        }

        return found.Count == 0 ? (null, default, false)
            : found.Select(one => one.Tax).Distinct(StringComparer.Ordinal).Count() == 1
                ? (found[0].Tax, found[0].At, false)
            : (null, default, true);
    }

    /// <summary>What one sentence says of tax; a "not" turns it round.</summary>
    private static string? TaxIn(string sentence)
    {
        if (
            sentence.Length > 400
            || !sentence.AsSpan().ContainsAny(TaxWords)
            || (Open.IsMatch(sentence) && !SureTop.IsMatch(sentence))
            || sentence.TrimEnd().EndsWith('?')
        )
        {
            return null;
        }

        if (NoTax.IsMatch(sentence))
        {
            return null;
        }

        var top = OnTop.Match(sentence);
        if (top.Success)
        {
            // "not exclusive of VAT" is inside; "does not include VAT" holds its "not" itself.
            var isTurned = Not.IsMatch(sentence[..top.Index]) && !Not.IsMatch(top.Value);
            return isTurned ? "inside" : "on-top";
        }

        var inside = Inside.Match(sentence);
        if (!inside.Success)
        {
            return null;
        }

        var around = sentence[..inside.Index];
        return Not.IsMatch(around[Math.Max(0, around.Length - 60)..]) ? "on-top" : "inside";
    }

    /// <summary>The days to have one's money back; 0: none.</summary>
    public static (int? Days, PageSpan At) RefundOf(IEnumerable<Line> lines)
    {
        var found = new List<(int Days, PageSpan At)>();
        Line? before = null;
        foreach (var line in lines)
        {
            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                if (!sentence.Words.AsSpan().ContainsAny(BackWords))
                {
                    continue;
                }

                if (MoneyBack.Matches(sentence.Words) is { Count: > 0 } matches)
                {
                    found.AddRange(
                        matches.Select(match =>
                            (
                                int.Parse(
                                    match.Groups["days"].Value,
                                    System.Globalization.CultureInfo.InvariantCulture
                                ),
                                sentence.At
                            )
                        )
                    );
                }
                else if (NoRefund.IsMatch(sentence.Words) && !Names.IsMatch(sentence.Words))
                {
                    found.Add((0, sentence.At));
                }
                else if (
                    before is not null
                    && Patterns.Has(before.Words, @"\b(?:money back|refund|change my mind)\b.*\?")
                    && Patterns.Find(sentence.Words, @"\b(?<days>[0-9]{1,3}) days\b") is { Success: true } days
                )
                {
                    found.Add(
                        (
                            int.Parse(days.Groups["days"].Value, System.Globalization.CultureInfo.InvariantCulture),
                            sentence.At
                        )
                    );
                }
            }

            before = line;
        }

        return found.Count > 0 && found.Select(one => one.Days).Distinct().Count() == 1 ? found[0] : (null, default);
    }

    /// <summary>The currency of the page: of most plan prices, of equals the first printed.</summary>
    public static (string? Currency, PageSpan At) CurrencyOf(
        IReadOnlyList<Line> lines,
        IReadOnlyList<PageAmount> prices,
        IReadOnlyList<PageAmount> all
    )
    {
        // Where prices have a sign that can mean several currencies, another amount's sign says nothing of them unless
        // it can be the same.
        var signs = prices
            .Where(price => price.Currency is null)
            .Select(price => price.Sign)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        foreach (var amounts in new[] { prices, all })
        {
            var known = amounts
                .Where(amount =>
                    amount.Currency is { } code && signs.TrueForAll(sign => CurrencySigns.MayBe(sign, code))
                )
                .ToList();
            if (known.Count > 0)
            {
                var most = known
                    .GroupBy(amount => amount.Currency)
                    .OrderByDescending(group => group.Count())
                    .ThenBy(group => group.Min(amount => amount.At.From))
                    .First();
                if (most.Count() * 2 >= amounts.Count(amount => amount.Sign.Length > 0))
                {
                    return (most.Key, most.First().At);
                }
            }
        }

        // "$" and "kr" alone, where the page says once whose they are; or figures without any sign.
        var sign = (prices.Concat(all).FirstOrDefault(amount => amount.Sign.Length > 0)?.Sign ?? "").TrimEnd('.');
        var said = new List<(string Code, PageSpan At)>();
        foreach (var line in lines.Where(line => line.Words.Length < 500))
        {
            foreach (Match match in Code.Matches(line.Words))
            {
                said.Add((match.Value, new PageSpan(line.From + match.Index, line.From + match.Index + match.Length)));
            }

            foreach (Match match in BareSign.Matches(line.Words))
            {
                said.Add(
                    (
                        CurrencySigns.CodeOf(match.Value)!,
                        new PageSpan(line.From + match.Index, line.From + match.Index + match.Length)
                    )
                );
            }

            foreach (var (name, code) in CurrencyNames)
            {
                if (line.Words.IndexOf(name, StringComparison.OrdinalIgnoreCase) is var at and >= 0)
                {
                    said.Add((code, new PageSpan(line.From + at, line.From + at + name.Length)));
                }
            }

            if (sign.Length == 0)
            {
                foreach (Match match in OwnSign.Matches(line.Words))
                {
                    said.Add(
                        (
                            CurrencySigns.CodeOf(match.Value)!,
                            new PageSpan(line.From + match.Index, line.From + match.Index + match.Length)
                        )
                    );
                }
            }
        }

        var fitting = said.Where(one => CurrencySigns.MayBe(sign, one.Code)).ToList();
        return fitting.Select(one => one.Code).Distinct(StringComparer.Ordinal).Count() == 1
            ? fitting[0]
            : (null, default);
    }

    /// <summary>Who sells; null: the page does not say.</summary>
    /// <param name="isSure">Whether only a copyright line or a trade's word will do: the plans are not known
    /// yet.</param>
    public static (string? Name, PageSpan At) ProviderOf(
        PageText page,
        IReadOnlyList<Line> lines,
        IReadOnlySet<string> plans,
        bool isSure = false
    )
    {
        foreach (var line in lines.Reverse().Take(40))
        {
            var match = Copyright.Match(line.Words);
            if (
                match.Success
                && Tidied(match.Groups["name"].Value) is { Length: > 1 } name
                && !Patterns.Has(name, @"^All rights")
                && !plans.Contains(name)
            )
            {
                return (
                    name,
                    new PageSpan(
                        line.From + match.Groups["name"].Index,
                        line.From + match.Groups["name"].Index + match.Groups["name"].Length
                    )
                );
            }
        }

        foreach (var (number, line) in lines.Index().Skip(1))
        {
            if (
                Enumerable
                    .Range(Math.Max(0, number - 3), Math.Min(3, number))
                    .Any(at => lines[at].Words.Length <= LongestSignOff && SignOff.IsMatch(lines[at].Words))
                && Tidied(line.Words) is { Length: > 2 and < 46 } signed
                && Trade.IsMatch(signed)
                && line.Amounts.IsEmpty
            )
            {
                return (signed, line.Seen.At);
            }
        }

        var text = page.Text;
        foreach (var line in lines.Take(14).Where(line => line.Owner is null or string))
        {
            foreach (
                var piece in Part.Matches(line.Words).Select(match => (Words: match.Value, At: line.From + match.Index))
            )
            {
                var name = Tidied(Patterns.Swap(piece.Words, @"^(?:From:?|Welcome to)\s+", ""));
                name = WithoutMenu(name);
                if (
                    name.Length is < 3 or > 45
                    || name.AsSpan().ContainsAny('?', ':', '(')
                    || IsMenu(name)
                    || plans.Contains(name)
                    || plans.Contains(PlanBlocks.NameOf(name))
                    || !char.IsLetterOrDigit(name[0])
                    || name.Split(' ').Length > 6
                    || name.EndsWith('.') && name.Count(letter => letter == ' ') > 3
                    || PageAmount.In(name, 0).Length > 0
                    || Terms.IsLabel(name)
                    || (line.Seen.Cell is not null && !name.Contains(' ', StringComparison.Ordinal))
                    || KindAlone.IsMatch(name)
                )
                {
                    continue;
                }

                var start = piece.At + piece.Words.IndexOf(name, StringComparison.Ordinal);
                var again = text.IndexOf(
                    name,
                    Math.Min(text.Length, start + name.Length),
                    StringComparison.OrdinalIgnoreCase
                );
                var isTitle = name.Split(' ')
                    .All(part => !char.IsLower(part[0]) || part is "of" or "and" or "the" or "&");
                if (
                    isTitle
                    && (
                        (again >= 0 && again > start + 20 && !isSure)
                        || (
                            line.Index <= 3
                            && Trade.IsMatch(name)
                            && name.Contains(' ', StringComparison.Ordinal)
                            && !name.Any(char.IsAsciiDigit)
                            && !(line.Index + 1 < lines.Count && lines[line.Index + 1].Amounts.Length > 0)
                        )
                    )
                )
                {
                    var printed =
                        again >= 0 && name.All(letter => !char.IsLower(letter))
                            ? text.Substring(again, name.Length)
                            : name;
                    return (printed, new PageSpan(start, start + name.Length));
                }
            }
        }

        return isSure ? (null, default) : Introduced(lines, plans);
    }

    private const string Title =
        @"[\p{Lu}0-9][\p{L}\p{N}’'&-]*(?:\.\p{Ll}+)?(?: (?:[\p{Lu}0-9][\p{L}\p{N}’'-]*(?:\.\p{Ll}+)?|&|and(?= "
        + @"\p{Lu})|of(?= \p{Lu})|the(?= \p{Lu}))){0,4}";

    [GeneratedRegex(
        $@"\b(?:[Ww]e are|[Ww]e.re|I run|[Ww]e run|[Ww]elcome (?:to|at)) (?<name>{Title})"
            + $@"|\b[Aa]t (?<name>{Title}),? we\b",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex WeAre { get; }

    // "Cloud Web Hosting" says what is sold, and not by whom.
    [GeneratedRegex(
        @"^(?:(?:web|website|cloud|shared|managed|linux|windows|business|small|cheap|fast|simple|our|domain|names?"
            + @"|and|&)\s+)+(?:hosting|plans|prices|packages|domains)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex KindAlone { get; }

    [GeneratedRegex(
        $@"(?:^|\b)(?:from|by|at|of|with|[Bb]y|[Ff]rom) (?<name>{Title})\W*$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex By { get; }

    [GeneratedRegex(
        $@"(?<name>{Title}),? (?:Ltd|Limited|LLC|Inc|GmbH|AB|s\.r\.o|Pvt|AG|SA|S\.A|BV|B\.V|Oy|ApS|AS|SARL|Srl"
            + @"|S\.r\.l|SpA|Pty|plc|Corp|KG|UG|e\.K)\b",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Firm { get; }

    [GeneratedRegex($@"^\W*(?<name>{Title})", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex Opening { get; }

    [GeneratedRegex(
        @"^(?:web|website|shared|cloud|business|managed|our|cheap|fast|simple|simply|reliable|linux|windows"
            + @"|domains?|best|green|professional|the|all|new|secure|affordable|email|e-mail|personal|hosting|choose"
            + @"|compare|pricing|plans?|prices?|host|get|start|why|buy|order|standard|basic|small|free|your|my|a|an"
            + @"|how|what|which|welcome|black|cyber|spring|summer|autumn|winter|launch|special|pick|find|one|full"
            + @"|premium|unlimited|total|monday|tuesday|wednesday|thursday|friday|saturday|sunday|january|february"
            + @"|march|april|may|june|july|august|september|october|november|december|from|billed|internet|online"
            + @"|digital)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Everyday { get; }

    [GeneratedRegex(
        @"\b(?:january|february|march|april|may|june|july|august|september|october|november|december)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Dated { get; }

    [GeneratedRegex(
        @"^ (?:(?:web|shared|website|cloud) )?hosting\b(?! plans? compared)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Sells { get; }

    private static readonly SearchValues<string> Greetings = SearchValues.Create(
        ["e are ", "e're ", "e’re ", "elcome ", "I run ", "e run ", "At "],
        StringComparison.Ordinal
    );
    private static readonly SearchValues<string> FirmKinds = SearchValues.Create(
        [
            " Ltd",
            " Limited",
            " LLC",
            " Inc",
            " GmbH",
            " AB",
            " s.r.o",
            " Pvt",
            " AG",
            " SA",
            " S.A",
            " BV",
            " B.V",
            " Oy",
            " ApS",
            " AS",
            " SARL",
            " Srl",
            " S.r.l",
            " SpA",
            " Pty",
            " plc",
            " Corp",
            " KG",
            " UG",
            " e.K",
        ],
        StringComparison.Ordinal
    );

    // "We are Gorse & Heather", "Web space from Pilchard Row", "Quayside Works Ltd", "Kestrel Hosting – spring offers".
    private static (string? Name, PageSpan At) Introduced(IReadOnlyList<Line> lines, IReadOnlySet<string> plans)
    {
        var greeting = lines.Where(line => line.Words.AsSpan().ContainsAny(Greetings));
        var firms = lines.Reverse().Where(line => line.Words.AsSpan().ContainsAny(FirmKinds));
        foreach (
            var (pattern, near) in new[]
            {
                (WeAre, greeting),
                (By, lines.Take(6)),
                (Firm, firms),
                (Opening, lines.Take(4)),
            }
        )
        {
            foreach (var line in near.Where(line => line.Words.Length <= 300))
            {
                var group = pattern.Match(line.Words).Groups["name"];
                var name = group.Success ? Tidied(group.Value.TrimEnd('.', ',', '&', ' ')) : "";
                if (
                    name.Length is < 3 or > 45
                    || plans.Contains(name)
                    || plans.Contains(PlanBlocks.NameOf(name))
                    || (
                        pattern == Opening
                        && plans.Any(plan => plan.StartsWith(name, StringComparison.OrdinalIgnoreCase))
                    )
                    || Everyday.IsMatch(name)
                    || Dated.IsMatch(name)
                    || PageAmount.In(name, 0).Length > 0
                    || !name.Any(char.IsLetter)
                )
                {
                    continue;
                }

                if (
                    pattern == Opening
                    && !(
                        (name.Contains(' ', StringComparison.Ordinal) && Trade.IsMatch(name.Split(' ')[^1]))
                        || Sells.IsMatch(line.Words[(group.Index + group.Length)..])
                    )
                )
                {
                    continue;
                }

                if (
                    pattern == By
                    && !name.Contains(' ', StringComparison.Ordinal)
                    && !Trade.IsMatch(name)
                    && !Patterns.Has(
                        line.Words,
                        @"\b(?:hosting|web ?space|plans?|prices?|offers?|domains?|domain names?) (?:by|from|at)\b"
                    )
                )
                {
                    continue;
                }

                return (name, new PageSpan(line.From + group.Index, line.From + group.Index + name.Length));
            }
        }

        return AtTheTop(lines, plans);
    }

    // A page that says nowhere else who sells often begins with it: one word with a capital, by itself.
    private static (string? Name, PageSpan At) AtTheTop(IReadOnlyList<Line> lines, IReadOnlySet<string> plans) =>
        lines.Take(3).FirstOrDefault(line => !IsMenu(Tidied(line.Words))) is { } first
        && WithoutMenu(Tidied(first.Words)) is { Length: > 3 and < 25 } name
        && OneName.IsMatch(name)
        && first.Seen.Cell is null // The head of a column.
        && !Everyday.IsMatch(name)
        && !NoName.IsMatch(name)
        && !plans.Contains(name)
            ? (name, new PageSpan(first.From, first.From + name.Length))
            : (null, default);

    private static string WithoutMenu(string name) =>
        Patterns.Swap(name, @"\s+(?:basket|cart|log ?in|sign in|menu|help|contact)\b.*$", "");

    // "Home", and several such words in a row.
    private static bool IsMenu(string words) => Menu.IsMatch(words) || words.Split(' ').All(word => Menu.IsMatch(word));

    [GeneratedRegex(@"^\p{Lu}[\p{L}’'-]+(?: (?:&|and) \p{Lu}[\p{L}’'-]+)?$", Patterns.ExactCase, Patterns.Patience)]
    private static partial Regex OneName { get; }

    [GeneratedRegex(
        @"^(?:sales?|offers?|deals?|save|summary|overview|packages?|features?|rates?|contents|navigation|products?"
            + @"|services?|reviews?|notice|announcement|important|warning|cookies?|advertisement|limited|hello|dear"
            + @"|shop|store|accounts?|index|faq|questions?|deutsch|fran[cç]ais|svenska|espa[nñ]ol|italiano|nederlands"
            + @"|shopping|payment|delivery|invoice|receipt|confirmation|recommended|popular|attention|today|now|new"
            + @"|more|web.*|host.*|site.*|mail.*|server.*|login.*)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NoName { get; }

    private static string Tidied(string name) =>
        Patterns.Swap(
            Patterns.Swap(name, @"\s+", " ").Trim(' ', ',', '·', '|', '-', '–'),
            @"\s+(?:Ltd|Limited|LLC|Inc|GmbH|AB|s\.r\.o|Pvt|AG|BV|B\.V|SA|Oy|ApS|SARL|Srl|SpA|Pty|plc|Corp)\.?$",
            ""
        );
}
