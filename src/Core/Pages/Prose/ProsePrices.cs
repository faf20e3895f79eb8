using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>
/// Which of an advertisement's amounts is the headline, which follows it, which sets up; the others are left unread.
/// </summary>
internal sealed class ProsePrices
{
    private static readonly Regex LaterBefore = ProseText.Pattern(
        @"\b(then|thereafter|afterwards|after that|after which|renew(s|ed|ing|al)?|rises? to|ris(es|ing) to"
            + @"|goes up to|going up to|subsequently|from (the )?(second|2nd) (year|month)|from year (2|two)|after "
            + @"(the |your )?(first|initial|introductory)[a-z0-9 ]*|second year)\b"
    );

    private static readonly Regex LaterBehind = ProseText.Pattern(
        @"^[\s)]*(thereafter|afterwards|after that|(on|at|upon) renewal|when it renews|after (the |your )?(first"
            + @"|initial|introductory)[a-z0-9 ]*|from (the )?(second|2nd) (year|month)|from year (2|two))\b"
    );

    private const string SetupWords = @"(set-?\s?up|activation|installation|connection|joining)";

    private static readonly Regex SetupBefore = ProseText.Pattern(
        $@"\b{SetupWords}( fee| charge| cost| costs)?( of| is|:| costs?)?[\s(]*$"
    );

    private static readonly Regex SetupBehind = ProseText.Pattern(
        $@"^[\s(]*(one-?\s?(off|time) )?(for )?{SetupWords}\b"
    );

    private static readonly Regex NotAPrice = ProseText.Pattern(
        @"\b(was|were|usually|normally|worth|save|saves|saving|rrp|instead of|value of|regular(ly)?|list price"
            + @"|reg|up to|over|discount of|voucher of|credit of|deposit of|spend|than|minimum)( of| price| price of| "
            + @"up to|:|\.)?[\s(]*$"
    );

    private static readonly Regex NotAPriceBehind = ProseText.Pattern(
        @"^[\s]*(off|discount|cash ?back|credits?|vouchers?|worth|cheaper|savings?|of ad|advertising|less|saved)\b"
    );

    private static readonly Regex ExtraBefore = ProseText.Pattern(
        @"\b(add|extra|optional|plus|upgrade)\b[^,]*$|\b(back-?ups?|guard|protect\w*|privacy|security|ssl"
            + @"|certificates?|mailbox(es)?|e-?mail|anti-?virus|scan\w*|support|builder|transfer)( is| are| at| for| "
            + @"from| costs?|:|,)?[\s(]*$"
    );

    private static readonly Regex ExtraBehind = ProseText.Pattern(@"^[\s]*(extra|more|on top|each|surcharge)\b");

    private static readonly Regex Domain = ProseText.Pattern(@"\bdomains?\b|(^|\s)\.[a-z]{2,}");

    private static readonly Regex TermBehind = ProseText.Pattern(
        @"^[\s]*(for|in)( the| your)?( (first|initial|whole))?( [0-9a-z-]+)? (year|years|months?)\b"
    );

    private static readonly Regex PercentOff = ProseText.Pattern(
        @"\b((?<percent>[0-9]{1,2}) ?(%|per ?cent) off|(?<half>half[- ]price)) (for )?(the |your )?(first"
            + $@"|initial) ((?<count>[0-9]{{1,2}}|{Patterns.NumberWord})[- ])?((?<month>months?)|(?<year>years?))\b"
    );

    private static readonly Regex FirstFree = ProseText.Pattern(
        $@"\b(the |your )?first ((?<count>[0-9]{{1,2}}|{Patterns.NumberWord})[- ])?((?<month>months?)"
            + @"|(?<year>years?)) (is |are )?free\b|\bfree for (the |your )?(first )?((?<count>[0-9]{1,2}"
            + $@"|{Patterns.NumberWord})[- ])?((?<month>months?)|(?<year>years?))\b"
    );

    private static readonly Regex Same = ProseText.Pattern(
        @"\b(renews? at the same (price|rate)|same price (on|at|when|after|every|each)( it)? (renewals?|renews?"
            + @"|year|month)?|prices? (that )?(never|do not|does not|don.t|doesn.t|won.t|will not) (change|rise|go up"
            + @"|increase)s?|no (price|renewal) (rises?|increases?|hikes?)|price for life|never goes up|stays the "
            + @"same)\b"
    );

    private static readonly Regex Or = ProseText.Pattern(@"\bor\b");

    private static readonly Regex ForATime = ProseText.Pattern(@"^\s+(for|during|until|in the first)\b");

    private readonly ImmutableArray<Finding>.Builder _found = ImmutableArray.CreateBuilder<Finding>();
    private readonly ImmutableArray<Said> _all;

    private ProsePrices(ImmutableArray<string> sentences, ImmutableArray<string> rest)
    {
        _all = [.. sentences.Zip(rest).SelectMany((pair, index) => SaidIn(pair.First, pair.Second, index))];
        Currency();
        Setup();
        var later = Later(rest);
        var headline = Headline() ?? Reduced(rest, later);
        if (headline is null or { Sentence: < 0 })
        {
            _found.RemoveAll(finding =>
                finding.Field is ProseField.Later or ProseField.LaterPrice or ProseField.LaterPer
            ); // What follows nothing that was read may follow something else.
            return;
        }

        Terms(sentences, rest, headline, later);
    }

    /// <summary>What an amount is.</summary>
    private enum Kind
    {
        Headline,
        Later,
        Setup,
        Other,
    }

    private sealed record Said(ProseAmount Amount, Kind Kind, int Sentence, string Words, bool IsAlternative);

    private sealed record Head(Per Per, int Sentence, int? Months);

    /// <summary>What was found.</summary>
    public ImmutableArray<Finding> Found => _found.ToImmutable();

    public static ProsePrices Read(ImmutableArray<string> sentences, ImmutableArray<string> rest) =>
        new(sentences, rest);

    private static IEnumerable<Said> SaidIn(string sentence, string rest, int index)
    {
        var amounts = ProseAmount.In(sentence);
        var kind = Kind.Other;
        foreach (var (number, amount) in amounts.Index())
        {
            var from = number == 0 ? 0 : amounts[number - 1].End;
            var to = number == amounts.Length - 1 ? rest.Length : amounts[number + 1].At;
            var whole = sentence[from..amount.At];
            var isAfterSetup = kind == Kind.Setup;
            kind = KindOf(amount, rest[from..amount.At], rest[amount.End..to], number < amounts.Length - 1, whole);
            kind = kind == Kind.Later && isAfterSetup ? Kind.Headline : kind; // "£20 set-up, then £3 a month".
            yield return new Said(
                amount,
                kind,
                index,
                sentence[amount.At..amount.End].Trim(),
                number > 0 && Or.IsMatch(whole)
            );
        }
    }

    private static Kind KindOf(ProseAmount amount, string before, string behind, bool isFollowed, string whole)
    {
        if (SetupBefore.IsMatch(before) || SetupBehind.IsMatch(behind))
        {
            return Kind.Setup;
        }

        if (amount.Per != Per.Month && Domain.IsMatch(whole))
        {
            return Kind.Other;
        }

        // Right before the next amount the words belong to that one: "£2.99 thereafter £8.99".
        if (
            LaterBefore.IsMatch(before)
            || (
                LaterBehind.Match(behind) is { Success: true } match
                && !(isFollowed && string.IsNullOrWhiteSpace(behind[match.Length..]))
            )
        )
        {
            return Kind.Later;
        }

        var isOther =
            NotAPrice.IsMatch(before)
            || NotAPriceBehind.IsMatch(behind)
            || ExtraBefore.IsMatch(before)
            || ExtraBehind.IsMatch(behind)
            || (amount.Per == Per.None && !TermBehind.IsMatch(behind));
        return isOther ? Kind.Other : Kind.Headline;
    }

    private void Currency()
    {
        var codes = _all.Select(said => said.Amount.Currency).Distinct().ToList();
        if (codes is [{ } code])
        {
            _found.Add(new Finding(ProseField.Currency, code, _all[0].Words));
        }
    }

    private void Setup()
    {
        var fees = _all.Where(said => said.Kind == Kind.Setup).ToList();
        if (
            fees.Select(said => said.Amount.Number).Distinct(StringComparer.Ordinal).Count() == 1
            && fees[0].Amount.Per == Per.None
        )
        {
            _found.Add(new Finding(ProseField.SetupFee, fees[0].Amount.Number, fees[0].Words));
        }
    }

    private Said? Later(ImmutableArray<string> rest)
    {
        var same = rest.Select(sentence => (sentence, Match: Same.Match(sentence)))
            .FirstOrDefault(pair =>
                pair.Match.Success && !ForATime.IsMatch(pair.sentence[(pair.Match.Index + pair.Match.Length)..])
            );
        var later = _all.Where(said => said.Kind == Kind.Later).ToList();
        var isOne = later.Select(said => (said.Amount.Number, said.Amount.Per)).Distinct().Count() == 1;
        if (same.Match is { Success: true } && later.Count == 0)
        {
            _found.Add(new Finding(ProseField.Later, "same", same.Match.Value.Trim()));
        }
        else if (same.Match is null && isOne)
        {
            _found.Add(new Finding(ProseField.Later, "stated", later[0].Words));
            _found.Add(new Finding(ProseField.LaterPrice, later[0].Amount.Number, later[0].Words));
            AddPer(ProseField.LaterPer, later[0]);
            return later[0];
        }

        return null;
    }

    private Head? Headline()
    {
        var heads = _all.Where(said => said.Kind == Kind.Headline)
            .DistinctBy(said => (said.Amount.Number, said.Amount.Per))
            .ToList();
        if (heads.Count == 0)
        {
            return null;
        }

        // The same price said by the month and by the year is one; "or £48 a year" is another way to pay.
        var first = heads[0];
        if (heads.Skip(1).Any(said => !IsTheSame(first.Amount, said.Amount) && !said.IsAlternative))
        {
            return new Head(Per.Month, -1, null);
        }

        _found.Add(new Finding(ProseField.Price, first.Amount.Number, first.Words));
        if (first.Amount.Per != Per.None)
        {
            AddPer(ProseField.PricePer, first);
        }
        else
        {
            _found.Add(new Finding(ProseField.PricePer, "term", first.Words));
        }

        return new Head(first.Amount.Per, first.Sentence, null);
    }

    private static bool IsTheSame(ProseAmount one, ProseAmount other)
    {
        var (month, year) = one.Per == Per.Month ? (one, other) : (other, one);
        return month.Per == Per.Month && year.Per == Per.Year && Decimal(month.Number) * 12 == Decimal(year.Number);
    }

    // "50% off your first year, then £8 a month": exact, or not at all.
    private Head? Reduced(ImmutableArray<string> rest, Said? later)
    {
        if (later?.Amount.Per is not { } per || per == Per.None || rest[later.Sentence] is not { } sentence)
        {
            return null;
        }

        var (match, off) = (PercentOff.Match(sentence), 0m);
        if (match.Success)
        {
            off = match.Groups["half"].Success ? 50 : Decimal(match.Groups["percent"].Value);
        }
        else
        {
            (match, off) = (FirstFree.Match(sentence), 100);
        }

        var price = Decimal(later.Amount.Number) * (100 - off) / 100;
        if (!match.Success || match.Index > later.Amount.At || decimal.Round(price, 2) != price)
        {
            return null;
        }

        var count = match.Groups["count"].Success ? Patterns.Number(match.Groups["count"].Value) : 1;
        _found.Add(
            new Finding(ProseField.Price, price.ToString("0.00", CultureInfo.InvariantCulture), match.Value.Trim())
        );
        AddPer(ProseField.PricePer, later);
        return new Head(per, later.Sentence, match.Groups["year"].Success ? count * 12 : count);
    }

    private void Terms(ImmutableArray<string> sentences, ImmutableArray<string> rest, Head headline, Said? later)
    {
        var text = string.Join(
            " . ",
            rest.Where((_, index) => index == headline.Sentence || !Domain.IsMatch(sentences[index]))
        );
        var near = rest[headline.Sentence];
        if (later?.Sentence == headline.Sentence)
        {
            near = near[..later.Amount.At];
        }

        var paid = ProseTerms.PaidIn(text, headline.Per);
        var terms = ProseTerms.In(near);
        if (terms.IsEmpty)
        {
            terms =
            [
                .. rest.Where((_, index) => index != later?.Sentence && ProseTerms.IsAboutPaying(sentences[index]))
                    .SelectMany(sentence => ProseTerms.In(sentence)),
            ];
        }

        var months = terms
            .Select(term => term.Months)
            .Append(headline.Months ?? 0)
            .Where(count => count > 0)
            .Distinct()
            .ToList();
        var one = months.Count == 1 ? months[0] : (int?)null;
        var words = terms.Select(term => term.Words).FirstOrDefault();
        if (months.Count == 0 && headline.Per == Per.Year)
        {
            (one, words) = (12, _found.Last(finding => finding.Field == ProseField.PricePer).Words);
        }
        else if (months.Count == 0 && paid is { Paid: Paid.MonthlyFree } free)
        {
            (one, words) = (1, free.Words);
        }

        if (one is { } found)
        {
            _found.Add(
                new Finding(
                    ProseField.Months,
                    found.ToString(CultureInfo.InvariantCulture),
                    words ?? _found.Last(finding => finding.Field == ProseField.Price).Words
                )
            );
        }

        if (paid is { } how)
        {
            _found.Add(
                new Finding(
                    ProseField.Paid,
                    how.Paid switch
                    {
                        Paid.AtOnce => "at-once",
                        Paid.MonthlyBound => "monthly-bound",
                        _ => "monthly-free",
                    },
                    how.Words
                )
            );
        }
        else if (
            headline.Per != Per.Month
            && one is not null
            && (headline.Per == Per.None || one == 12)
            && !ProseTerms.SaysMonthly(text)
        )
        {
            _found.Add(
                new Finding(
                    ProseField.Paid,
                    "at-once",
                    _found.Last(finding => finding.Field == ProseField.PricePer).Words
                )
            );
        }
    }

    private void AddPer(ProseField field, Said said)
    {
        if (said.Amount.Per != Per.None)
        {
            _found.Add(new Finding(field, said.Amount.Per == Per.Month ? "month" : "year", said.Words));
        }
    }

    private static decimal Decimal(string number) => decimal.Parse(number, CultureInfo.InvariantCulture);
}
