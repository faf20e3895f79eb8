using HomeStart.Formats.Sites;

namespace HomeStart.Formats.Orders;

/// <summary>What is sent to order a candidate; <see cref="PlaceOrderReader"/> reads it.</summary>
/// <param name="Id">Made by the page, so that pressing twice places once.</param>
/// <param name="Today">The sum the owner was told is due today.</param>
/// <param name="Card">Needed where any seller is paid by card.</param>
/// <param name="Again">They know that they ordered the like a short while ago.</param>
/// <param name="Terms">The stamp of what they read that they agree to; another one by now is a reason to stop.</param>
/// <param name="Quotes">The sums that the sellers named, as they were looked at.</param>
/// <param name="Payments">How each seller is paid; one that is not named is paid by card.</param>
/// <param name="Transfers">The transfer code of each domain that is moved in.</param>
/// <param name="LogIn">The log-in at the host; without it the host makes one.</param>
/// <param name="Holder">Who the domain is registered to, where that is somebody else.</param>
/// <param name="EndingAt">The books of those sellers whose things are not to renew by themselves.</param>
public sealed record PlaceOrderBody(
    Guid Id,
    int Revision,
    string Letter,
    string Today,
    ContactBody Contact,
    CardBody? Card,
    bool Agreed,
    bool Again = false,
    string? Terms = null,
    IReadOnlyList<SeenQuoteBody>? Quotes = null,
    IReadOnlyList<PayBody>? Payments = null,
    IReadOnlyList<TransferCodeBody>? Transfers = null,
    LogInBody? LogIn = null,
    ContactBody? Holder = null,
    IReadOnlyList<string>? EndingAt = null
);

/// <summary>A quote that was looked at.</summary>
/// <param name="Total">The sum that was seen. Where the quote has run out, the seller is asked anew, and that sum must
/// be the same.</param>
public sealed record SeenQuoteBody(string Book, string Id, string? Total = null);

/// <summary>Asks the sellers of a candidate for their sums.</summary>
/// <param name="Country">The holder's: its tax is charged.</param>
public sealed record AskQuotesBody(string Letter, string Country);

/// <summary>What the sellers ask for a candidate today.</summary>
/// <param name="Differences">Where a sum is not the worksheet's, or there is none, or a name is the owner's already;
/// empty: it can be ordered at these sums.</param>
/// <param name="Like">An order like this one that was placed a short while ago; null: none.</param>
public sealed record OrderQuotesWire(
    IReadOnlyList<SellerQuoteWire> Quotes,
    IReadOnlyList<FaultWire> Differences,
    LikeOrderWire? Like
);

/// <summary>An order that was placed a short while ago, and buys the same.</summary>
public sealed record LikeOrderWire(Guid Id, string Reference, DateOnly PlacedOn);

/// <summary>One seller's sum.</summary>
/// <param name="TaxPercent">Null: the seller charges no tax.</param>
public sealed record SellerQuoteWire(
    string Book,
    string Seller,
    string Id,
    string Total,
    string Tax,
    string? TaxPercent,
    string Currency,
    DateTimeOffset ValidUntil
)
{
    public static SellerQuoteWire From(Quote quote, string seller) =>
        new(
            quote.Book,
            seller,
            quote.Id,
            quote.Total.ToAmount(),
            quote.Tax.ToAmount(),
            quote.TaxPercent?.ToString(),
            quote.Total.Currency.Code,
            quote.ValidUntil
        );
}

/// <summary>What is checked before the card is handed in.</summary>
public sealed record CheckOrderBody(ContactBody Contact, bool Agreed, ContactBody? Holder = null);

/// <param name="Balance">Whether what the seller owes the owner pays as much of it as it can.</param>
public sealed record PayBody(string Book, PayWay Way, bool Balance = false);

/// <param name="Code">What the present seller gave out. It is handed on to the registrar and kept nowhere here.</param>
public sealed record TransferCodeBody(string Domain, string Code);

/// <param name="Passcode">For the telephone. It is handed on to the host and kept nowhere here.</param>
public sealed record LogInBody(string User = "", string Passcode = "");

/// <param name="Way">Another way, where the one before was refused; null: by card.</param>
/// <param name="Card">Another card.</param>
public sealed record ResumeOrderBody(CardBody? Card = null, PayWay? Way = null);

/// <param name="Token">What the card processor gave for the card. Its last digits are asked of the processor.</param>
public sealed record CardBody(string Token);

/// <summary>A domain that came with the hosting, claimed afterwards: nothing is due.</summary>
public sealed record ClaimBody(Guid Id, string Name, string Ending, bool Agreed, ContactBody? Contact = null);

public sealed record ContactBody(
    string? Name = null,
    string? Mail = null,
    string? Street = null,
    string? Town = null,
    string? Postcode = null,
    string? Country = null,
    string? Telephone = null,
    string? Organisation = null,
    string? State = null
);

/// <summary>A country an order can come from, and what an address there holds.</summary>
public sealed record CountryWire(string Code, bool AsksPostcode, bool AsksState)
{
    public static CountryWire From(Country country) => new(country.Code, country.AsksPostcode, country.AsksState);
}

/// <summary>A contact as a vCard file (RFC 6350).</summary>
public sealed record VCardBody(string Text);
