namespace HomeStart.Formats.Words;

/// <summary>How things are paid, in words.</summary>
public static class PayWords
{
    /// <summary>How an order is paid: "by the card that ends in 0004".</summary>
    public static string Paid(Order order)
    {
        if (order.There is not null)
        {
            return "at the seller’s own page";
        }

        List<string> ways =
        [
            .. order
                .Things.Payments.SelectMany(payment => payment.Ways)
                .Distinct()
                .Select(way => Way(way, order.CardEnding)),
        ];
        return ways.Count switch
        {
            0 => "with nothing due",
            1 => ways[0],
            _ => $"{string.Join(", ", ways[..^1])} and {ways[^1]}",
        };
    }

    private static string Way(PayWay way, string? ending) =>
        way switch
        {
            PayWay.Card when ending is null => "by card",
            PayWay.Card => $"by the card that ends in {ending}",
            PayWay.Wallet => "by your wallet",
            PayWay.Invoice => "by bank transfer",
            PayWay.Balance => "from your balance",
            _ => throw new ArgumentOutOfRangeException(nameof(way), way, "There are no words for this."),
        };
}
