namespace HomeStart.Formats;

/// <summary>What an owner is written about an order. No password and no card number stands in any of it.</summary>
public static class OrderLetters
{
    /// <param name="id">Of the mail: the same however often it is sent.</param>
    /// <param name="page">Where the order is looked at.</param>
    public static Letter Of(OrderNews news, Order order, Guid id, Uri page)
    {
        var (subject, words) = Words(news, order);
        var letter = new LetterText()
            .Paragraph($"Dear {order.Contact.Name.Trim()},")
            .Paragraph(words)
            .Facts([("Reference", order.Reference), .. Bought(order), ("In all today, with tax", Sum(order.Things.Total))]);
        if (news == OrderNews.Completed)
        {
            letter.Facts([.. Keys(order)]).Paragraph("The first password is shown once, on the order’s page, and is never sent by mail. Keep this: the dates are when it renews.");
        }

        letter.Link(news is OrderNews.CardRefused or OrderNews.Waiting ? "Decide what is to be done" : "Look at the order", page).Paragraph("Home Start");
        return new Letter(id, order.Contact.Mail, $"{subject} ({order.Reference})", letter.Text, letter.Html);
    }

    private static (string Subject, string Words) Words(OrderNews news, Order order) =>
        news switch
        {
            OrderNews.Placed => ("We have your order", "We have your order and are carrying it out. The money is held first and taken only when everything is delivered; you will be written to again then. If you did not order this, tell us the reference below."),
            OrderNews.CardRefused => ("Your card was refused", $"The bank refused the card that ends in {order.CardEnding}. Nothing was charged. Your order waits: give another card, or call it off."),
            OrderNews.Waiting => ("Your order waits for an answer", $"{Silent(order)} does not answer, so your order waits. Nothing is lost. Try again on its page, or call it off while that is possible."),
            OrderNews.Cancelled => ("Your order was called off", "Your order was called off and all that had been done for it was undone. Nothing was charged."),
            OrderNews.Completed => ("Your order is complete", "Everything you ordered is there and paid. Your key sheet is on the order’s page, to print or to look up again."),
            _ => throw new ArgumentOutOfRangeException(nameof(news), news, "There are no words for this."),
        };

    private static string Silent(Order order)
    {
        var step = order.Problem?.Step;
        return step switch
        {
            StepKind.Hold or StepKind.Capture => "The card processor",
            StepKind.Prepare => order.Things.Hosting?.Provider ?? "The host",
            _ => order.Things.Domain?.Seller ?? "The registrar",
        };
    }

    private static IEnumerable<(string, string)> Bought(Order order) => order.Things.Items.Where(item => !item.Included).Select(item => (item.Seller, $"{ItemWords.Of(item)}, {Sum(item.Amount)}"));

    private static IEnumerable<(string, string)> Keys(Order order)
    {
        if (order.Things.Domain?.Name is { } domain)
        {
            yield return ("Domain", domain.Text);
        }

        if (order.Account is { } account)
        {
            yield return ("Log in", account.LogIn);
            yield return ("User name", account.User);
            yield return ("Name servers", string.Join(", ", account.NameServers));
        }

        foreach (var item in order.Things.Items.Where(item => item is { Until: not null, Kind: LineKind.Plan or LineKind.Domain }))
        {
            yield return ($"{item.Name} until", $"{item.Until:d MMMM yyyy}");
        }
    }

    private static string Sum(Money money) => $"{money.Currency.Code} {money.ToAmount()}";
}
