namespace HomeStart.Core.Pages;

/// <summary>A cart as far as it is read.</summary>
internal sealed class CartDraft
{
    /// <summary>What is bought, in its order.</summary>
    public List<CartItemDraft> Items { get; } = [];

    public List<(string Name, PageSpan NameAt, PageAmount Amount)> Discounts { get; } = [];

    /// <summary>Why an amount is none of the cart's own.</summary>
    public Dictionary<PageAmount, string> Why { get; } = [];

    /// <summary>The lines since the last amount: they tell of the next item.</summary>
    public List<Line> Pending { get; } = [];

    /// <summary>Whether what follows is offered, and not bought.</summary>
    public bool IsOffered { get; set; }

    public PageAmount? Subtotal { get; set; }

    public PageAmount? Tax { get; set; }

    /// <summary>The line of the tax: whether it is within the total, or comes on top.</summary>
    public string TaxWords { get; set; } = "";

    public PageAmount? Total { get; set; }

    /// <summary>Notes what is taken off, by its code where its words hold one.</summary>
    public void TakeOff(Line line, PageAmount amount)
    {
        var words = line.BeforeAmounts.Trim().TrimEnd(':', '-', '−', '–', ' ');
        var code = CartWords
            .Code.Matches(words)
            .Select(match => match.Groups["code"].Value)
            .FirstOrDefault(word => word is not ("CODE" or "DISCOUNT" or "PROMO" or "VOUCHER" or "COUPON"));
        Discounts.Add((code ?? (words.Length > 0 ? words : "Discount"), line.Seen.At, amount));
    }
}

/// <summary>One item as far as it is read.</summary>
internal sealed class CartItemDraft(Line line, string name, PageSpan nameAt)
{
    public Line Line { get; } = line;

    public string Name { get; } = name;

    public PageSpan NameAt { get; } = nameAt;

    public string Kind { get; set; } = "addOn";

    public string? Domain { get; init; }

    public int? Months { get; init; }

    public int Quantity { get; set; }

    public PageAmount? Amount { get; set; }

    public PageAmount? Struck { get; set; }

    /// <summary>The smaller amount right before it in plain text, of which it may be what it was.</summary>
    public PageAmount? Cheaper { get; init; }

    /// <summary>The amounts of earlier columns of its row.</summary>
    public List<PageAmount> Earlier { get; } = [];

    public PageSpan? ZeroAt { get; set; }
}
