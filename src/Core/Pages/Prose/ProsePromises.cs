using System.Collections.Immutable;
using System.Text.RegularExpressions;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Pages;

/// <summary>
/// What an advertisement promises beside its price: a domain, money back, tax, set-up. What was read is blanked, so
/// that no price is read from its words.
/// </summary>
internal sealed class ProsePromises
{
    private static readonly Regex FreeDomain = ProseText.Pattern(
        @"\b((free|a|one|with|plus|get|your|includes?|including)( (a|one|free|your|included))?( \.[a-z.]+)?(( or"
            + @"|,|/| and) \.[a-z.]+)* domain( name)?s?( registration)?( (is|are))?( (included|free|on us))?( (for"
            + @"|in) (the |your |one |a )?(first )?(year|12 months))?|\bdomain( name)? (is |comes )?(included|free|on "
            + @"us)( (for|in) (the |your |one |a )?(first )?(year|12 months))?)"
    );

    private static readonly Regex SaysFree = ProseText.Pattern(@"\b(free|included|includes?|including|on us)\b");

    // "Free domain privacy" is no domain, and one that is "included for £9" is not in the price.
    private static readonly Regex NotADomain = ProseText.Pattern(
        @"^[\s-]*((transfers?|privacy|parking|forwarding|search|checks?|management|manager|controls?|mapping"
            + @"|connection|tools?|hosting|email)\b|(for|at|from) ([£€$]|[A-Z]{3} ?[0-9]))"
    );

    private static readonly Regex NoDomain = ProseText.Pattern(
        @"\b(no|without( a)?|not including( a)?|excluding( a)?) (free )?domain|domain[a-z ]* (not|isn.t|sold"
            + @"|costs?|from|extra|separate)"
    );

    private static readonly Regex EndingWord = ProseText.Pattern(
        @"(^|[\s,(/])\.(?<ending>[a-z]{2,24}(\.[a-z]{2,3})?)\b"
    );

    private static readonly Regex FromTerm = ProseText.Pattern(
        @"\b(on|with|from|for|when you (pay|sign up) for) (a |an |all |any )?((?<yearly>annual|yearly)"
            + $@"|(?<count>[0-9]{{1,3}}|{Patterns.NumberWord})[- ]((?<month>months?)|(?<year>years?)))( (plans?|terms?"
            + @"|contracts?|billing|and (up|longer|over)|or (more|longer)|upwards))+"
    );

    private static readonly Regex MoneyBack = ProseText.Pattern(
        @"\b(?<days>[0-9]{1,3})[- ]days?('s?)? (no[- ]quibble |no[- ]questions |full |free |unconditional "
            + @")?(money[- ]?back|refund|satisfaction)( guarantee)?|\b(money[- ]back|refund(ed|s|able)?|your money "
            + @"back)( guarantee)?( for| within| in)( the| your)?( first)? (?<days>[0-9]{1,3}) days"
    );

    private static readonly Regex TaxOnTop = ProseText.Pattern(
        @"(\b(ex|excl|excludes?|excluding|exclusive of|plus|before|without|not including)\.?|\+) ?([0-9.]+ ?% "
            + @")?(VAT|tax|GST|sales tax)\b|\b(VAT|tax|GST|sales tax) (is |will be )?(not included|extra|on top|added"
            + @"|excluded)\b"
    );

    private static readonly Regex TaxInside = ProseText.Pattern(
        @"\b(inc|incl|includes?|including|inclusive of|with)\.? ?([0-9.]+ ?% )?(VAT|tax|GST|sales tax)\b|\b(VAT"
            + @"|tax|GST|sales tax) (is |already )?(included|incl)\b"
    );

    private static readonly Regex FreeSetup = ProseText.Pattern(
        @"\b(no|free|without( a)?|zero) (set-?\s?up|activation|installation|joining)( fees?| charges?| "
            + @"costs?)?\b|\b(set-?\s?up|activation|installation|joining)( fees?| charges?| costs?)? (is |are )?(free"
            + @"|waived|included)\b"
    );

    private readonly ImmutableArray<Finding>.Builder _found = ImmutableArray.CreateBuilder<Finding>();

    private ProsePromises(ImmutableArray<string> sentences)
    {
        Domain(sentences);
        Only(
            ProseField.RefundDays,
            sentences
                .SelectMany(sentence => MoneyBack.Matches(sentence))
                .Select(match => (match.Groups["days"].Value.TrimStart('0'), match.Value))
        );
        Only(ProseField.Tax, sentences.SelectMany(TaxWords));
        Only(
            ProseField.SetupFee,
            sentences.SelectMany(sentence => FreeSetup.Matches(sentence)).Select(match => ("0", match.Value))
        );
        Rest = [.. sentences.Select(Blanked)];
    }

    /// <summary>What was found.</summary>
    public ImmutableArray<Finding> Found => _found.ToImmutable();

    /// <summary>The sentences with the words of promises blanked, each as long as it was.</summary>
    public ImmutableArray<string> Rest { get; }

    public static ProsePromises Read(ImmutableArray<string> sentences) => new(sentences);

    private void Domain(ImmutableArray<string> sentences)
    {
        var found = sentences
            .Where(sentence => !NoDomain.IsMatch(sentence))
            .SelectMany(sentence =>
                FreeDomain
                    .Matches(sentence)
                    .Where(match =>
                        SaysFree.IsMatch(match.Value)
                        && !NotADomain.IsMatch(ProseText.Behind(sentence, match.Index + match.Length))
                    )
                    .Select(match => (Sentence: sentence, Words: match.Value.Trim()))
            )
            .ToList();
        if (found.Count == 0 || sentences.Any(NoDomain.IsMatch))
        {
            return;
        }

        var (first, words) = found[0];
        _found.Add(new Finding(ProseField.IncludesDomain, "true", words));
        var endings = EndingWord
            .Matches(first)
            .Select(match => match.Groups["ending"].Value.ToLowerInvariant())
            .Where(ending => DomainName.ParseEnding(ending) is not null)
            .Distinct()
            .ToList();
        if (endings.Count > 0)
        {
            _found.Add(
                new Finding(
                    ProseField.Endings,
                    string.Join(", ", endings),
                    string.Join(" ", endings.Select(ending => "." + ending))
                )
            );
        }

        Only(ProseField.DomainFromMonths, FromTerm.Matches(first).Select(match => (FromMonths(match), match.Value)));
    }

    private static string FromMonths(Match match)
    {
        var count = match.Groups["yearly"].Success
            ? 12
            : Patterns.Number(match.Groups["count"].Value) * (match.Groups["year"].Success ? 12 : 1);
        return count?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "";
    }

    // "not including VAT" holds "including VAT".
    private static IEnumerable<(string, string)> TaxWords(string sentence) =>
        TaxOnTop
            .Matches(sentence)
            .Select(match => ("on-top", match.Value))
            .Concat(TaxInside.Matches(TaxOnTop.Replace(sentence, "")).Select(match => ("inside", match.Value)));

    private static string Blanked(string sentence)
    {
        foreach (var pattern in (Regex[])[FreeDomain, MoneyBack, TaxOnTop, TaxInside, FreeSetup])
        {
            sentence = pattern.Replace(sentence, match => new string(' ', match.Length));
        }

        return sentence;
    }

    // A field whose words contradict one another is left empty.
    private void Only(ProseField field, IEnumerable<(string Value, string Words)> found)
    {
        var all = found.Where(one => one.Value.Length > 0).ToList();
        if (all.Select(one => one.Value).Distinct(StringComparer.Ordinal).Count() == 1)
        {
            _found.Add(new Finding(field, all[0].Value, all[0].Words.Trim()));
        }
    }
}
