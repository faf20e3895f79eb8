using System.Buffers;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Words and places by which a seller's name is known, and such as are none.</summary>
internal static partial class SellerWords
{
    public const string Title =
        @"[\p{Lu}0-9][\p{L}\p{N}’'&-]*(?:\.\p{Ll}+)?(?: (?:[\p{Lu}0-9][\p{L}\p{N}’'-]*(?:\.\p{Ll}+)?|&|and(?= "
        + @"\p{Lu})|of(?= \p{Lu})|the(?= \p{Lu}))){0,4}";

    [GeneratedRegex(
        @"(?:©|\(c\)|[Cc]opyright)\s*(?:[0-9]{4}\s*(?:[–-]\s*[0-9]{4})?)?,?\s*(?<name>[\p{Lu}\p{N}][^·|,.0-9©\n]{1,50}?)(?=\s*(?:·"
            + @"|\||,|\.|[0-9]{4}|All rights|Company no|$|\n| – | - |Ltd|Limited|LLC|Inc|GmbH|AB\b|s\.r\.o|Pvt|AG\b))",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Copyright { get; }

    [GeneratedRegex(
        @"\b(?:hosting|hosts?|web|webspace|servers?|online|internet|sites?|webworks|networks?|systems|pages"
            + @"|cloud|domains|names|byte|relay|cart|co-operative|company|cloud|digital|net)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Trade { get; }

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
    public static partial Regex Menu { get; }

    [GeneratedRegex(@"(?:(?! [–—-] )[^·|\t])+", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex Part { get; }

    [GeneratedRegex(
        @"^\W*(?:(?:kind|best|warm)? ?regards|yours (?:sincerely|truly|faithfully)|many thanks|thank you|thanks"
            + @"|sincerely),?\W*$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex SignOff { get; }

    [GeneratedRegex(
        $@"\b(?:[Ww]e are|[Ww]e.re|I run|[Ww]e run|[Ww]elcome (?:to|at)) (?<name>{Title})"
            + $@"|\b[Aa]t (?<name>{Title}),? we\b",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex WeAre { get; }

    // "Cloud Web Hosting" says what is sold, and not by whom.
    [GeneratedRegex(
        @"^(?:(?:web|website|cloud|shared|managed|linux|windows|business|small|cheap|fast|simple|our|domain|names?"
            + @"|and|&)\s+)+(?:hosting|plans|prices|packages|domains)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex KindAlone { get; }

    [GeneratedRegex(
        $@"(?:^|\b)(?:from|by|at|of|with|[Bb]y|[Ff]rom) (?<name>{Title})\W*$",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex By { get; }

    [GeneratedRegex(
        $@"(?<name>{Title}),? (?:Ltd|Limited|LLC|Inc|GmbH|AB|s\.r\.o|Pvt|AG|SA|S\.A|BV|B\.V|Oy|ApS|AS|SARL|Srl"
            + @"|S\.r\.l|SpA|Pty|plc|Corp|KG|UG|e\.K)\b",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Firm { get; }

    [GeneratedRegex($@"^\W*(?<name>{Title})", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex Opening { get; }

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
    public static partial Regex Everyday { get; }

    [GeneratedRegex(
        @"\b(?:january|february|march|april|may|june|july|august|september|october|november|december)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex Dated { get; }

    [GeneratedRegex(
        @"^ (?:(?:web|shared|website|cloud) )?hosting\b(?! plans? compared)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    public static partial Regex Sells { get; }

    [GeneratedRegex(@"^\p{Lu}[\p{L}’'-]+(?: (?:&|and) \p{Lu}[\p{L}’'-]+)?$", Patterns.ExactCase, Patterns.Patience)]
    public static partial Regex OneName { get; }

    [GeneratedRegex(
        @"^(?:sales?|offers?|deals?|save|summary|overview|packages?|features?|rates?|contents|navigation|products?"
            + @"|services?|reviews?|notice|announcement|important|warning|cookies?|advertisement|limited|hello|dear"
            + @"|shop|store|accounts?|index|faq|questions?|deutsch|fran[cç]ais|svenska|espa[nñ]ol|italiano|nederlands"
            + @"|items?|terms?|quantity|description|order|basket|cart|checkout|quote"
            + @"|shopping|payment|delivery|invoice|receipt|confirmation|recommended|popular|attention|today|now|new"
            + @"|more|web.*|host.*|site.*|mail.*|server.*|login.*|names?|domain.*)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    public static partial Regex NoName { get; }

    public static readonly SearchValues<string> Greetings = SearchValues.Create(
        ["e are ", "e're ", "e’re ", "elcome ", "I run ", "e run ", "At "],
        StringComparison.Ordinal
    );
    public static readonly SearchValues<string> FirmKinds = SearchValues.Create(
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
}
