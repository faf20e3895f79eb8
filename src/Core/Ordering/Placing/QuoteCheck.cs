using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Outside;

namespace HomeStart.Core.Ordering;

/// <summary>
/// Where a seller's quote differs from the worksheet, line by line. No difference: both come to the same sum, to the
/// minor unit.
/// </summary>
public static class QuoteCheck
{
    /// <summary>
    /// Codes first, then lines in the quote's order, then tax; the total alone only where nothing else explains it.
    /// </summary>
    public static ImmutableArray<QuoteDifference> Compare(Costing ours, Quote quote)
    {
        if (
            ours.Run.Bills.FirstOrDefault(bill => bill.Date == ours.Settings.StartDate && bill.Book?.Id == quote.Book)
            is not { } bill
        )
        {
            return [new QuoteDifference(QuoteDifferenceKind.Total, null, null, quote.Total)];
        }

        var taxed = ours.Counting.Tax(bill.Book, bill.Sum);
        var total = new Money(taxed.Total, bill.Currency);
        var differences = ImmutableArray.CreateBuilder<QuoteDifference>();
        differences.AddRange(Codes(ours, quote));
        differences.AddRange(Lines(bill, quote, differences.Count > 0));
        if (total != quote.Total && (bill.Book!.Tax.Charged ? ours.Settings.TaxPercent : null) != quote.TaxPercent)
        {
            differences.Add(
                new QuoteDifference(QuoteDifferenceKind.Tax, null, null, null)
                {
                    OurTax = ours.Settings.TaxPercent,
                    TheirTax = quote.TaxPercent,
                }
            );
        }

        if (differences.Count == 0 && total != quote.Total)
        {
            differences.Add(new QuoteDifference(QuoteDifferenceKind.Total, null, total, quote.Total));
        }

        return differences.ToImmutable();
    }

    private static IEnumerable<QuoteDifference> Codes(Costing ours, Quote quote)
    {
        foreach (var code in ours.Run.Codes.Where(code => code.Book.Id == quote.Book))
        {
            var theirs = quote.Codes.FirstOrDefault(known => Ascii.EqualsIgnoreCase(known.Code, code.Code))?.Verdict
                ?? Verdict.Unknown;
            if (theirs != code.Verdict)
            {
                yield return new QuoteDifference(QuoteDifferenceKind.Code, code.Code, null, null)
                {
                    TheirVerdict = theirs,
                };
            }
        }
    }

    // The same line may be there twice, as an included unit and those bought beside it.
    private static IEnumerable<QuoteDifference> Lines(Bill bill, Quote quote, bool isExplained)
    {
        var left = quote.Lines.ToList();
        foreach (var line in bill.Lines)
        {
            var place = left.FindIndex(known =>
                (known.Kind, known.Ref, known.ForDomain) == (line.Kind, line.Ref, line.ForDomain)
            );
            var amount = new Money(line.Amount, bill.Currency);
            if (place < 0)
            {
                yield return new QuoteDifference(QuoteDifferenceKind.NotSold, line.Ref, amount, null);
                continue;
            }

            var theirs = left[place];
            left.RemoveAt(place);
            if (theirs.Amount != amount || theirs.Quantity != line.Quantity)
            {
                yield return new QuoteDifference(QuoteDifferenceKind.Price, line.Ref, amount, theirs.Amount);
            }
            else if (!isExplained && theirs.Left != new Money(line.AfterDiscounts, bill.Currency))
            {
                yield return new QuoteDifference(
                    QuoteDifferenceKind.Discount,
                    line.Ref,
                    new Money(line.AfterDiscounts, bill.Currency),
                    theirs.Left
                );
            }
        }

        foreach (var line in left)
        {
            yield return new QuoteDifference(QuoteDifferenceKind.NotOurs, line.Ref, null, line.Amount);
        }
    }
}

/// <summary>One thing in which a quote is not the worksheet's bill.</summary>
/// <param name="Ref">The line or the code; null for tax and total.</param>
public sealed record QuoteDifference(QuoteDifferenceKind Kind, string? Ref, Money? Ours, Money? Theirs)
{
    /// <summary>For <see cref="QuoteDifferenceKind.Code"/>: what the seller says of it.</summary>
    public Verdict? TheirVerdict { get; init; }

    /// <summary>For <see cref="QuoteDifferenceKind.Tax"/>: the worksheet's rate, in percent.</summary>
    public ExactDecimal? OurTax { get; init; }

    /// <summary>
    /// For <see cref="QuoteDifferenceKind.Tax"/>: the seller's rate in the holder's country; null: none.
    /// </summary>
    public ExactDecimal? TheirTax { get; init; }
}

/// <summary>In what a quote may differ.</summary>
public enum QuoteDifferenceKind
{
    /// <summary>The seller says something else of a code.</summary>
    Code,

    /// <summary>A line has another price or quantity: the price list here is old.</summary>
    Price,

    /// <summary>Something else is taken off a line.</summary>
    Discount,

    /// <summary>The seller does not sell a line of ours.</summary>
    NotSold,

    /// <summary>The seller charges a line that the worksheet does not have.</summary>
    NotOurs,

    /// <summary>The seller charges another tax rate.</summary>
    Tax,

    /// <summary>The sums differ, and nothing says why.</summary>
    Total,
}
