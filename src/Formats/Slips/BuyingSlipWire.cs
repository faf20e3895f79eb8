using System.Collections.Immutable;
using HomeStart.Formats.Books;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Slips;

/// <summary>What to do at the sellers' own pages to buy a candidate there.</summary>
/// <param name="Done">The steps that were ticked off, each with its seller's book before it.</param>
public sealed record BuyingSlipWire(
    string Letter,
    DateOnly Date,
    IReadOnlyList<SellerSlipWire> Sellers,
    IReadOnlyList<string> Done
)
{
    public static BuyingSlipWire From(string letter, Slip slip, Costing costing, IReadOnlyList<string> done) =>
        new(letter, costing.Settings.StartDate, [.. slip.Sellers.Select(SellerSlipWire.From)], done);
}

/// <summary>What is ticked off on a slip from now on.</summary>
public sealed record TickBody(IReadOnlyList<string> Done);

/// <param name="Steps">In the order their pages ask.</param>
/// <param name="Today">What must stand there today; null: nothing is due.</param>
/// <param name="Questions">What their price list does not state, to be asked before buying.</param>
public sealed record SellerSlipWire(
    string Book,
    string Seller,
    string Currency,
    bool TaxOnTop,
    IReadOnlyList<SlipStepWire> Steps,
    SlipBillWire? Today,
    SlipBillWire? Next,
    IReadOnlyList<SlipQuestionWire> Questions
)
{
    public static SellerSlipWire From(SellerSlip slip) =>
        new(
            slip.Book.Id,
            slip.Book.Provider.Name,
            slip.Book.Currency.Code,
            slip.Book.Tax is { Charged: true, PricesInclude: false },
            [.. slip.Steps.Select(step => new SlipStepWire(step.Kind, SlipWords.Step(step, slip.Book)))],
            SlipBillWire.From(slip.Today, slip.Book),
            SlipBillWire.From(slip.Next, slip.Book),
            [.. slip.Questions.Select(question => SlipQuestionWire.From(question, slip.Book))]
        );
}

/// <param name="Asks">What is answered: amount, days, change or words.</param>
/// <param name="Answered">What they said, and when, where the price list has no other place for it; null: nothing
/// yet.</param>
public sealed record SlipQuestionWire(string Words, string Asks, string? Answered)
{
    internal static SlipQuestionWire From(SlipQuestion question, OfferBook book)
    {
        var words = SlipWords.Question(question, book);
        return new SlipQuestionWire(
            words,
            BookAnswers.Asks(question.Kind),
            book.Provider.Facts.LastOrDefault(fact => fact.Contains(words, StringComparison.Ordinal))
        );
    }
}

/// <summary>What a seller answered.</summary>
/// <param name="Question">In its words, as the slip has it.</param>
/// <param name="Amount">Of a price.</param>
/// <param name="Days">Within how many it can be given back.</param>
/// <param name="Credit">Whether a change credits what is unused; and whether it starts at the first price.</param>
/// <param name="Said">The seller's own words.</param>
public sealed record AnswerBody(
    string Book,
    string Question,
    string? Amount = null,
    int? Days = null,
    bool? Credit = null,
    bool? FirstPrice = null,
    string? Said = null
);

public sealed record SlipStepWire(SlipStepKind Kind, string Words);

/// <param name="Tax">Null where it is inside, or none is charged.</param>
public sealed record SlipBillWire(
    DateOnly Date,
    IReadOnlyList<SlipLineWire> Lines,
    string? Tax,
    string Total,
    bool AtLeast
)
{
    internal static SlipBillWire? From(SlipBill? bill, OfferBook book)
    {
        return bill is null
            ? null
            : new(
                bill.Date,
                [
                    .. bill.Lines.Select(line => new SlipLineWire(
                        SlipWords.Line(line, book),
                        Amount(line.Amount),
                        line.IsUnstated
                    )),
                ],
                book.Tax is { Charged: true, PricesInclude: false } ? Amount(bill.Tax) : null,
                Amount(bill.Total),
                bill.IsAtLeast
            );

        string Amount(Minor units) => new Money(units, bill.Currency).ToAmount();
    }
}

/// <param name="Amount">After discounts, before tax on top.</param>
public sealed record SlipLineWire(string What, string Amount, bool NotStated);

/// <summary>What a seller's page asks for.</summary>
/// <param name="Total">In the book's currency, as typed.</param>
public sealed record TheirSumBody(string Book, string Total);

/// <summary>Why their sum is not ours.</summary>
/// <param name="Difference">Theirs less ours.</param>
/// <param name="Explanations">Each gives exactly their sum; the likeliest first.</param>
/// <param name="Closest">Where nothing explains it: what comes nearest.</param>
public sealed record TheirSumWire(
    string Currency,
    string Ours,
    string Theirs,
    string Difference,
    bool AtLeast,
    bool Agrees,
    IReadOnlyList<WhyWire> Explanations,
    NearestWire? Closest
);

/// <param name="Words">One sentence a reason; two reasons together make their sum.</param>
/// <param name="AsTheySell">The candidate as it is there; null where what differs is no choice.</param>
public sealed record WhyWire(IReadOnlyList<string> Words, CandidateWire? AsTheySell);

/// <param name="Words">Empty: ours is as near as anything.</param>
/// <param name="Remainder">What stays unexplained: theirs less this total.</param>
public sealed record NearestWire(IReadOnlyList<string> Words, string Total, string Remainder);

/// <summary>Writes why a seller's sum is not ours.</summary>
public static class TheirSumWriter
{
    public static TheirSumWire Write(
        Reconciliation found,
        Candidate candidate,
        ImmutableArray<OfferBook> books,
        CountSettings settings,
        SeenSum seen
    )
    {
        var book = books.First(known => known.Id == seen.Book);
        return new TheirSumWire(
            found.Currency.Code,
            Amount(found.Ours),
            Amount(found.Seen),
            Amount(found.Seen - found.Ours),
            found.IsAtLeast,
            found.Agrees,
            [
                .. found.Explanations.Select(why => new WhyWire(
                    Words(why),
                    AsTheySellIt.Translate(candidate, books, settings, seen, why.Deviations) is { } theirs
                        ? CandidateWire.From(theirs)
                        : null
                )),
            ],
            found.Closest is { } closest
                ? new NearestWire(Words(closest), Amount(closest.Total), Amount(found.Seen - closest.Total))
                : null
        );

        string Amount(Minor units) => new Money(units, found.Currency).ToAmount();
        List<string> Words(Explanation why) =>
            [.. why.Deviations.Select(deviation => SlipWords.Deviation(deviation, book, candidate, seen, why.Total))];
    }
}
