using System.Globalization;
using System.Security.Cryptography;
using System.Text;

namespace HomeStart.Formats.Words;

/// <summary>What buying agrees to, one sentence each.</summary>
public static class TermWords
{
    /// <summary>The sentences of a costing, with their sellers.</summary>
    public static IReadOnlyList<AgreedTerm> Agreed(Costing costing) =>
        [.. Terms.Agreed(costing).Select(term => new AgreedTerm(term.Book.Provider.Name, Sentence(term)))];

    /// <summary>A short mark of sentences: another one by now means that they are not those that were read.</summary>
    public static string Stamp(IEnumerable<AgreedTerm> terms) =>
        Convert.ToHexStringLower(
            SHA256
                .HashData(
                    Encoding.UTF8.GetBytes(string.Join('\n', terms.Select(term => $"{term.Seller}\t{term.Sentence}")))
                )
                .AsSpan(0, 8)
        );

    public static string Sentence(Term term) =>
        term.Kind switch
        {
            TermKind.Committed =>
                $"You commit to {term.Of} for {DurationWords.Span(term.Months)}, however often you pay.",
            TermKind.Renews when term.Date is null => $"{term.Of} does not renew within ten years.",
            TermKind.Renews when term.Amount is { } amount =>
                $"{term.Of} renews by itself on {Day(term.Date.Value)} for {MoneyWords.Format(amount)}{Tax(term)}, "
                    + $"{DurationWords.Every(term.Months)} from then on, until you cancel it.",
            TermKind.Renews =>
                $"{term.Of} renews by itself on {Day(term.Date.Value)}, {DurationWords.Every(term.Months)} from "
                    + "then on, until you cancel it; what it costs then is not stated.",
            TermKind.GivenBack when term.Amount is { Units: var units } && units == 0 =>
                $"Until {Day(term.Date!.Value)} the hosting can be given back, but nothing that you pay today "
                    + "comes back.",
            TermKind.GivenBack => $"Until {Day(term.Date!.Value)} the hosting can be given back and "
                + $"{MoneyWords.Format(term.Amount!.Value)} comes "
                + $"back{(term.Without.IsEmpty ? "" : $", without {List([.. term.Without.Select(match => Excluded(term.Book, match))])}")}"
                + ".",
            TermKind.GivenBackFrom =>
                $"The hosting can be given back only with a commitment of {DurationWords.Span(term.Months)} or "
                    + "more: with yours nothing comes back.",
            TermKind.GivingBackNotStated =>
                "Whether the hosting can be given back is not stated: assume that nothing comes back.",
            TermKind.DomainKept => $"{term.Of} cannot be given back once it is registered.",
            TermKind.NoticeNotStated => "How long before a renewal you must cancel is not stated: do it in good time.",
            _ => throw new ArgumentOutOfRangeException(nameof(term), term.Kind, "There are no words for this."),
        };

    private static string Tax(Term term) => term.Book.Tax is { Charged: true, PricesInclude: false } ? " and tax" : "";

    private static string List(IReadOnlyList<string> words) =>
        words.Count == 1 ? words[0] : $"{string.Join(", ", words.SkipLast(1))} and {words[^1]}";

    private static string Excluded(OfferBook book, LineMatch match) =>
        match.Kind switch
        {
            LineKind.Plan => "the plan",
            LineKind.Setup => "the set-up fee",
            LineKind.DataCentre => "the data centre",
            LineKind.Domain => match.Of is null ? "the domain" : $"a .{match.Of} domain",
            _ => match.Of is null
                ? "extras"
                : $"the extra “{book.AddOns.FirstOrDefault(addOn => addOn.Id == match.Of)?.Name ?? match.Of}”",
        };

    private static string Day(DateOnly day) => day.ToString("d MMMM yyyy", CultureInfo.InvariantCulture);
}
