namespace HomeStart.Formats.Words;

/// <summary>
/// Where a seller's quote is not the worksheet's sum, in sentences: what differs, why, and what to do.
/// </summary>
public static class QuoteWords
{
    /// <param name="book">The visitor's price list of the seller.</param>
    public static string Difference(QuoteDifference difference, OfferBook book)
    {
        var (seller, what) = (book.Provider.Name, difference.Ref is { } reference ? NameOf(book, reference) : "");
        return difference.Kind switch
        {
            QuoteDifferenceKind.Code =>
                $"{OfCode(difference.Ref!, difference.TheirVerdict!.Value, seller)} Take the code off on the "
                    + "worksheet, or enter another.",
            QuoteDifferenceKind.Price
                when DomainName.Parse(difference.Ref) is not null
                    && difference.Theirs?.Units > difference.Ours?.Units =>
                $"{seller} charges {difference.Theirs} for {what}; your worksheet says {difference.Ours}. It "
                    + "may have become a premium name: check it again on the domain page.",
            QuoteDifferenceKind.Price =>
                $"{seller} charges {difference.Theirs} for {what}; your price list says {difference.Ours}. Your "
                    + "price list is old: get the new one on the shelf, then look at the sum again.",
            QuoteDifferenceKind.Discount =>
                $"{seller} asks for {difference.Theirs} for {what} after discounts; your price list makes it "
                    + $"{difference.Ours}. Your price list is old: get the new one on the shelf.",
            QuoteDifferenceKind.NotSold =>
                $"{seller} does not sell {what} any more. Choose something else on the worksheet.",
            QuoteDifferenceKind.NotOurs =>
                $"{seller} also charges {difference.Theirs} for {what}, which is not on your worksheet. Your "
                    + "price list is old: get the new one on the shelf.",
            QuoteDifferenceKind.Tax =>
                $"{seller} charges {Percent(difference.TheirTax)} tax in the holder’s country; your worksheet "
                    + $"counts {Percent(difference.OurTax)}. Set the tax on the worksheet to that, or check the "
                    + "country.",
            _ => $"{seller} asks for {difference.Theirs}; your worksheet says {difference.Ours}. Look at the "
                + "worksheet again before you order.",
        };
    }

    private static string NameOf(OfferBook book, string reference) =>
        book.Plan(reference)?.Name
        ?? book.AddOns.FirstOrDefault(extra => extra.Id == reference)?.Name
        ?? book.DataCentre(reference)?.Name
        ?? reference;

    private static string Percent(ExactDecimal? rate) => rate is { } percent ? $"{percent}%" : "no";

    private static string OfCode(string code, Verdict verdict, string seller) =>
        verdict switch
        {
            Verdict.Unknown => $"{seller} does not know the code {code}.",
            Verdict.NewCustomersOnly =>
                $"{seller} takes the code {code} from new customers only, and you are its customer.",
            Verdict.Expired => $"At {seller} the code {code} has expired.",
            Verdict.Applied => $"{seller} takes the code {code}, which your price list does not.",
            _ => $"{seller} does not take the code {code} for this.",
        };
}
