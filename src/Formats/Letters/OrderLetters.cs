using HomeStart.Formats.Words;

namespace HomeStart.Formats.Letters;

/// <summary>What an owner is written about an order. No password and no card number stands in any of it.</summary>
public static class OrderLetters
{
    /// <param name="id">Of the mail: the same however often it is sent.</param>
    /// <param name="page">Where the order is looked at.</param>
    public static Letter Write(OrderNews news, Order order, Guid id, Uri page)
    {
        var (subject, words) = Words(news, order);
        var letter = new LetterText()
            .Paragraph($"Dear {order.Contact.Name.Trim()},")
            .Paragraph(words)
            .Facts([
                ("Reference", order.Reference),
                .. Bought(order),
                ("Total today, with tax", MoneyWords.Format(order.Things.Total)),
            ]);
        foreach (
            var invoice in news == OrderNews.Invoice
                ? order
                    .Things.Payments.Select(payment => Receipt.ForSeller(order, payment.Book))
                    .OfType<Receipt>()
                    .Where(receipt => receipt.DueOn is not null)
                : []
        )
        {
            letter.Facts([
                ("Invoice", invoice.Number),
                ("To", invoice.Payment.Seller),
                ("To pay", MoneyWords.Format(invoice.Payment.By(PayWay.Invoice))),
                ("Until", $"{invoice.DueOn:d MMMM yyyy}"),
            ]);
        }

        foreach (var missed in order.Missed)
        {
            letter.Paragraph($"{missed.Domain.Name} could not be had: {missed.Message} Nothing was taken for it.");
        }
        if (news == OrderNews.Completed)
        {
            letter
                .Facts([.. Keys(order)])
                .Paragraph(
                    WhereTheLogInIs(order)
                        + (
                            order.EndingAt.IsEmpty
                                ? "Keep this: the dates are when it renews."
                                : "Keep this: the dates are until when it is paid. What you chose not to renew "
                                    + "ends then."
                        )
                );
            if (NextBill(order) is { } next)
            {
                letter.Paragraph(
                    $"The first of them is {next:d MMMM yyyy}. You are written to before it, with the sum."
                );
            }
        }

        letter
            .Link(
                news is OrderNews.PaymentRefused or OrderNews.Waiting or OrderNews.Confirm
                    ? "Decide what is to be done"
                    : "Look at the order",
                page
            )
            .Paragraph("Home Start");
        return new Letter(id, order.Contact.Mail, $"{subject} ({order.Reference})", letter.Text, letter.Html);
    }

    private static (string Subject, string Words) Words(OrderNews news, Order order) =>
        news switch
        {
            OrderNews.Placed => (
                "We have your order",
                "We have your order and are carrying it out. The money is held first and taken only when "
                    + "everything is delivered; we write to you again then. If you did not order this, tell us the "
                    + "reference below."
            ),
            OrderNews.PaymentRefused => (
                "Your payment did not go through",
                $"Your order could not be paid {PayWords.Paid(order)}{Reason(order)}. Nothing was charged. It "
                    + "waits: pay another way, or call it off."
            ),
            OrderNews.Confirm => (
                "Your payment waits for your yes",
                "Your bank or wallet wants you to confirm the payment on its own page. You get there from the "
                    + "order’s page. Nothing is charged before everything is delivered."
            ),
            OrderNews.Invoice => (
                "Your invoice",
                "Pay the invoice below by bank transfer and give its number. We set nothing up until the money "
                    + "arrives. After the date below you can pay another way."
            ),
            OrderNews.Moving => (
                "Your domain is on its way",
                "The move of your domain has begun. It takes up to five days, and its present seller may "
                    + "refuse it. Nothing is taken before it has come; we write to you again then."
            ),
            OrderNews.Waiting => (
                "Your order waits for an answer",
                $"{Silent(order)} does not answer, so your order waits. Nothing is lost. Try again on its page, "
                    + "or call it off while that is possible."
            ),
            OrderNews.Cancelled => (
                "Your order was called off",
                "Your order was called off and all that had been done for it was undone. Nothing was charged."
            ),
            OrderNews.Completed => (
                "Your order is complete",
                "Everything you ordered is set up and paid for. Your key sheet is on the order’s page: print "
                    + "it, or look it up again."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(news), news, "There are no words for this."),
        };

    private static string Reason(Order order) =>
        order.Problem is { Message.Length: > 0 } problem ? $": {problem.Message.TrimEnd('.')}" : "";

    private static string Silent(Order order)
    {
        var step = order.Problem?.Step;
        return step switch
        {
            StepKind.Hold or StepKind.Capture => "The payment processor",
            StepKind.Prepare => order.Things.Hosting?.Provider ?? "The host",
            _ => order.Things.Domains.FirstOrDefault()?.Seller ?? "The registrar",
        };
    }

    private static string WhereTheLogInIs(Order order) =>
        order.Account is { } account && order.ClaimOf is null
            ? $"Where is my log-in? At {account.LogIn}, under the user name {account.User}. The first password is "
                + "on your key sheet, which is on the order’s page: it is shown once, and never sent by mail. "
        : order.Things.Hosting is null && order.ClaimOf is null
            ? "The name needs no log-in of yours: it is looked after under Upkeep. "
        : "";

    // What is dropped before it renews is not among the dates.
    private static DateOnly? NextBill(Order order) =>
        order
            .Things.Items.Where(item =>
                item is { Until: not null, Kind: LineKind.Plan or LineKind.Domain }
                && !order.EndingAt.Contains(item.Book)
            )
            .Select(item => item.Until)
            .Min();

    private static IEnumerable<(string, string)> Bought(Order order) =>
        order
            .Things.Items.Where(item => !item.Included)
            .Select(item => (item.Seller, $"{ItemWords.Name(item)}, {MoneyWords.Format(item.Amount)}"));

    private static IEnumerable<(string, string)> Keys(Order order)
    {
        foreach (var domain in order.Things.Domains.Select(domain => domain.Name).OfType<DomainName>())
        {
            yield return ("Domain", domain.Text);
        }

        if (order.Account is { } account)
        {
            yield return ("Log in", account.LogIn);
            yield return ("User name", account.User);
            yield return ("Name servers", string.Join(", ", account.NameServers));
        }

        foreach (
            var item in order.Things.Items.Where(item =>
                item is { Until: not null, Kind: LineKind.Plan or LineKind.Domain }
            )
        )
        {
            yield return ($"{item.Name} until", $"{item.Until:d MMMM yyyy}");
        }
    }
}
