namespace HomeStart.Formats.Orders;

/// <summary>A candidate that was bought at the sellers' own pages.</summary>
/// <param name="Id">Made by the page, so that pressing twice notes it once.</param>
/// <param name="BoughtOn">The day; not after today.</param>
/// <param name="Name">Who bought it.</param>
/// <param name="Mail">Where reminders go: an address that was confirmed.</param>
/// <param name="CardExpires">The last day on which the card that was given there is good.</param>
public sealed record NoteBoughtBody(
    Guid Id,
    string Letter,
    DateOnly BoughtOn,
    string Name,
    string Mail,
    IReadOnlyList<SellerReceiptBody> Receipts,
    TypedKeysBody Keys,
    DateOnly? CardExpires = null
);

/// <summary>What is told of it, told anew.</summary>
public sealed record ChangeBoughtBody(
    IReadOnlyList<SellerReceiptBody> Receipts,
    TypedKeysBody Keys,
    DateOnly? CardExpires = null
);

/// <param name="Paid">With tax, in the currency of the seller's price list.</param>
public sealed record SellerReceiptBody(
    string Book,
    string Paid,
    string? Reference = null,
    IReadOnlyList<ReceiptEntryBody>? Lines = null
);

public sealed record ReceiptEntryBody(string What, string Amount);

/// <summary>A key sheet as its owner fills it in. No secret has a place on it.</summary>
public sealed record TypedKeysBody(
    string? LogIn = null,
    string? User = null,
    string? Server = null,
    string? IPv4 = null,
    string? IPv6 = null,
    IReadOnlyList<string>? NameServers = null,
    string? FileServer = null,
    string? MailServer = null,
    string? Notes = null
)
{
    public static TypedKeysBody From(TypedKeys keys) =>
        new(
            keys.LogIn,
            keys.User,
            keys.Server,
            keys.IPv4,
            keys.IPv6,
            keys.NameServers,
            keys.FileServer,
            keys.MailServer,
            keys.Notes
        );
}

/// <summary>What was told of buying it there, as its page shows it.</summary>
public sealed record BoughtThereWire(
    IReadOnlyList<SellerReceiptWire> Receipts,
    TypedKeysBody Keys,
    DateOnly? CardExpires
)
{
    public static BoughtThereWire? From(Order order) =>
        order.There is not { } there
            ? null
            : new(
                [.. there.Receipts.Select(receipt => SellerReceiptWire.From(receipt, order))],
                TypedKeysBody.From(there.Keys),
                there.CardExpires
            );
}

/// <param name="WorkedOut">What was due by its price list; null: nothing was.</param>
public sealed record SellerReceiptWire(
    string Book,
    string Seller,
    string? Reference,
    string Paid,
    string Currency,
    string? WorkedOut,
    IReadOnlyList<ReceiptEntryBody> Lines
)
{
    internal static SellerReceiptWire From(SellerReceipt receipt, Order order)
    {
        var payment = order.Things.Payments.FirstOrDefault(payment => payment.Book == receipt.Book);
        var seller = payment?.Seller
            ?? order.Things.Items.FirstOrDefault(item => item.Book == receipt.Book)?.Seller
            ?? receipt.Book;
        return new SellerReceiptWire(
            receipt.Book,
            seller,
            receipt.Reference,
            receipt.Paid.ToAmount(),
            receipt.Paid.Currency.Code,
            payment?.Amount.ToAmount(),
            [.. receipt.Lines.Select(line => new ReceiptEntryBody(line.What, line.Amount.ToAmount()))]
        );
    }
}

/// <summary>A receipt that is kept with an order.</summary>
/// <param name="Size">In bytes.</param>
public sealed record KeptFileWire(Guid Id, string Name, int Size, DateOnly KeptOn);
