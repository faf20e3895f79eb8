using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>What became of a code the owner entered (costing rule 21).</summary>
/// <param name="Code">As typed.</param>
/// <param name="Promotion">What it belongs to; null where it is unknown.</param>
/// <param name="CombinesNotWith">For <see cref="Verdict.CannotCombine"/>: the code applied before it.</param>
public sealed record CodeVerdict(
    OfferBook Book,
    string Code,
    Verdict Verdict,
    Promotion? Promotion,
    string? CombinesNotWith = null
);

/// <summary>In the order they are looked for.</summary>
public enum Verdict
{
    /// <summary>The book has no such code.</summary>
    Unknown,

    /// <summary>It counts from a later day on.</summary>
    NotYet,

    /// <summary>It counted until an earlier day.</summary>
    Expired,

    /// <summary>The owner is a customer of this book already.</summary>
    NewCustomersOnly,

    /// <summary>It is for other plans.</summary>
    OtherPlansOnly,

    /// <summary>The plan is paid for fewer months at a time than it asks.</summary>
    CycleTooShort,

    /// <summary>Another code that cannot stand beside it saves more, or came first.</summary>
    CannotCombine,

    /// <summary>No line that it is for has anything left to take off.</summary>
    NothingToDiscount,

    /// <summary>It took something off.</summary>
    Applied,
}

/// <summary>
/// Takes automatic promotions and codes off the bills, and says what became of each code (costing rules 18 to 21).
/// </summary>
internal static class Discounts
{
    public static ImmutableArray<CodeVerdict> Take(Purchase purchase, ImmutableArray<Bill> bills)
    {
        var verdicts = ImmutableArray.CreateBuilder<CodeVerdict>();
        foreach (var book in purchase.Books)
        {
            var codes = EnteredAt(book, purchase);
            if (codes.Count == 0 && !book.Promotions.Any(promotion => promotion.IsAutomatic))
            {
                continue;
            }

            var ofBook = bills.Where(bill => ReferenceEquals(bill.Book, book)).ToList();
            var conditions = PromotionConditions.At(book, purchase);
            foreach (
                var automatic in book.Promotions.Where(promotion =>
                    promotion.IsAutomatic && conditions.Bar(promotion) is null
                )
            )
            {
                TakeOff(automatic, ofBook);
            }

            verdicts.AddRange(TakeCodes(book, codes, conditions, ofBook));
        }

        return verdicts.ToImmutable();
    }

    private static IEnumerable<CodeVerdict> TakeCodes(
        OfferBook book,
        List<string> codes,
        PromotionConditions conditions,
        List<Bill> bills
    )
    {
        var applied = new List<Promotion>();
        foreach (var code in codes)
        {
            var promotion = book.PromotionOf(code);
            var clash = promotion is null
                ? null
                : applied.Find(earlier => !earlier.Combinable || !promotion.Combinable);
            var verdict =
                promotion is null ? Verdict.Unknown
                : conditions.Bar(promotion) is { } bar ? bar
                : clash is not null ? Verdict.CannotCombine
                : TakeOff(promotion, bills) == 0 ? Verdict.NothingToDiscount
                : Verdict.Applied;
            if (verdict == Verdict.Applied)
            {
                applied.Add(promotion!);
            }

            yield return new CodeVerdict(
                book,
                code,
                verdict,
                promotion,
                verdict == Verdict.CannotCombine ? clash!.Code : null
            );
        }
    }

    // In the order entered, the hosting part first; the same code twice counts once, as first typed.
    private static List<string> EnteredAt(OfferBook book, Purchase purchase)
    {
        var entered = new List<string>();
        var seen = new HashSet<string>(StringComparer.Ordinal);
        if (purchase.Hosting?.Book == book)
        {
            entered.AddRange(purchase.Hosting.Codes.Where(code => seen.Add(Ascii.ToUpper(code))));
        }

        foreach (var domain in purchase.Domains.Where(domain => domain.Book == book))
        {
            entered.AddRange(domain.Choice.Codes.Where(code => seen.Add(Ascii.ToUpper(code))));
        }

        return entered;
    }

    private static Minor TakeOff(Promotion promotion, List<Bill> bills)
    {
        Minor taken = 0;
        var used = 0;
        foreach (var bill in bills)
        {
            var matching = new List<BillLine>();
            foreach (var line in bill.Charged)
            {
                if (Matches(promotion, line))
                {
                    matching.Add(line);
                }
            }

            if (matching.Count == 0)
            {
                continue;
            }

            if (promotion.Bills is { } most && used++ >= most)
            {
                break;
            }

            taken += promotion.Percent is { } percent
                ? TakePercent(promotion, Fraction.OfPercent(percent), matching)
                : TakeAmount(promotion, matching);
        }

        return taken;
    }

    private static bool Matches(Promotion promotion, BillLine line)
    {
        foreach (var match in promotion.AppliesTo)
        {
            if (line.Is(match))
            {
                return true;
            }
        }

        return false;
    }

    private static Minor TakePercent(Promotion promotion, Fraction percent, List<BillLine> lines)
    {
        Minor taken = 0;
        foreach (var line in lines)
        {
            taken += Lower(line, promotion, percent.Of(line.AfterDiscounts));
        }

        return taken;
    }

    private static Minor TakeAmount(Promotion promotion, List<BillLine> lines)
    {
        var held = lines.ConvertAll(line => line.AfterDiscounts);
        var most = held.Aggregate((Minor)0, (sum, units) => sum + units);
        if (most == 0)
        {
            return 0;
        }

        var cuts = Sharing.InProportion(Minor.Min(promotion.Amount!.Value, most), held);
        foreach (var (index, line) in lines.Index())
        {
            Lower(line, promotion, cuts[index]);
        }

        return cuts.Aggregate((Minor)0, (sum, cut) => sum + cut);
    }

    private static Minor Lower(BillLine line, Promotion promotion, Minor cut)
    {
        if (cut != 0)
        {
            line.Lower(promotion, cut);
        }

        return cut;
    }
}
