using System.Collections.Immutable;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Pages;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Slips;

/// <summary>A seller's cart, a quote or a receipt, pasted or dropped, to be held against a candidate.</summary>
/// <param name="Book">The seller's price list.</param>
public sealed record CartCheckBody(string Book, string? Html, string? Text, string? File);

/// <summary>A cart held against a candidate: line beside line, then the sum.</summary>
/// <param name="Sum">Why their sum is not ours; null: the cart has no sum.</param>
/// <param name="AsTheySell">The candidate as it stands in the cart; null where nothing differs that is a
/// choice.</param>
public sealed record CartCheckWire(
    CartReadingWire Cart,
    string Currency,
    IReadOnlyList<CartPairWire> Lines,
    TheirSumWire? Sum,
    CandidateWire? AsTheySell
);

/// <param name="Ours">What the candidate has; null: nothing.</param>
/// <param name="Theirs">What the cart has; null: nothing.</param>
/// <param name="Why">What differs, and what to do about it; null: nothing differs.</param>
public sealed record CartPairWire(
    CartFit Fit,
    string? Ours,
    string? OurAmount,
    string? Theirs,
    string? TheirAmount,
    string? Why
);

/// <summary>Writes a cart held against a candidate.</summary>
public static class CartCheckWriter
{
    public static CartCheckWire Write(
        CartCheck check,
        CartReading cart,
        Candidate candidate,
        ImmutableArray<OfferBook> books,
        CountSettings settings,
        TheirSumWire? sum
    )
    {
        var seen = new SeenSum(check.Book.Id, check.Total ?? 0, settings.StartDate);
        var deviations = check.Deviations.Where(AsTheySellIt.IsChoice).ToList();
        var theirs =
            deviations.Count == 0 ? null : AsTheySellIt.Translate(candidate, books, settings, seen, deviations);
        return new CartCheckWire(
            PageWriter.Write(cart),
            check.Book.Currency.Code,
            [.. check.Pairs.Select(pair => Pair(pair, check.Book, candidate, seen))],
            sum,
            theirs is null ? null : CandidateWire.From(theirs)
        );
    }

    private static CartPairWire Pair(CartPair pair, OfferBook book, Candidate candidate, SeenSum seen)
    {
        return new CartPairWire(
            pair.Fit,
            pair.Ours is { } ours ? SlipWords.Line(ours, book)
                : pair.Fit == CartFit.Missing && pair.Code is { } missing ? $"The code {missing}"
                : null,
            pair.Ours is { IsUnstated: false } priced ? Amount(priced.Amount) : null,
            pair.Theirs is { } theirs ? CartWords.Line(theirs)
                : pair.Fit == CartFit.NotAskedFor ? pair.Code
                : null,
            pair.Amount is { } amount ? Amount(amount) : null,
            pair.Fit == CartFit.AsExpected ? null
                : pair.Why is { } why ? SlipWords.Deviation(why, book, candidate, seen, seen.Total)
                : CartWords.Pair(pair, book)
        );

        string Amount(Minor units) => new Money(units, book.Currency).ToAmount();
    }
}
