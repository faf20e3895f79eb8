namespace HomeStart.Formats.Words;

/// <summary>Lines of a seller's cart, and what to do about them, in words.</summary>
public static class CartWords
{
    /// <summary>A line as the cart prints it, with its length.</summary>
    public static string Line(CartLine line) =>
        line.Name
        + (
            line.Domain is { } domain && !line.Name.Contains(domain, StringComparison.OrdinalIgnoreCase)
                ? $" for {domain}"
                : ""
        )
        + (line.Months is { } months ? $", {DurationWords.Span(months)}" : "")
        + (line.Quantity > 1 ? $", {line.Quantity} of it" : "");

    /// <summary>What differs where no single change of the candidate explains it.</summary>
    public static string Pair(CartPair pair, OfferBook book) =>
        pair.Fit switch
        {
            CartFit.OtherAmount =>
                $"The price list, read on {UpkeepWords.Day(book.AsOf)}, says another price. See whether the "
                    + "right plan, length and offer are chosen.",
            CartFit.OtherLength =>
                "The price list does not sell it for that long. Choose the length that your slip names.",
            CartFit.NotAskedFor when pair.Code is { } code =>
                $"They take something off for “{code}”, which the price list does not know.",
            CartFit.NotAskedFor => "You did not ask for it. Take it out of the cart, or keep it if you want it.",
            CartFit.Missing => "It is not in the cart. Add it there.",
            _ => "",
        };
}
