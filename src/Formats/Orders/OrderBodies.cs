namespace HomeStart.Formats;

/// <summary>What is sent to order a candidate; <see cref="PlaceOrderReader"/> reads it.</summary>
/// <param name="Id">Made by the page, so that pressing twice places once.</param>
/// <param name="Today">The sum the owner was told is due today.</param>
/// <param name="Again">They know that they ordered the like a short while ago.</param>
/// <param name="Terms">The stamp of what they read that they agree to; another one by now is a reason to stop.</param>
public sealed record PlaceOrderBody(Guid Id, int Revision, string Letter, string Today, ContactBody Contact, CardBody Card, bool Agreed, bool Again = false, string? Terms = null);

/// <summary>What is checked before the card is handed in.</summary>
public sealed record CheckOrderBody(ContactBody Contact, bool Agreed);

/// <param name="Card">Another card, where the one before was refused.</param>
public sealed record ResumeOrderBody(CardBody? Card = null);

/// <param name="Token">What the card processor gave for the card.</param>
/// <param name="Ending">The card's last four digits.</param>
public sealed record CardBody(string Token, string Ending);

public sealed record ContactBody(
    string? Name = null, string? Mail = null, string? Street = null, string? Town = null, string? Postcode = null, string? Country = null, string? Telephone = null, string? Organisation = null, string? State = null);

/// <summary>A country an order can come from, and what an address there holds.</summary>
public sealed record CountryWire(string Code, bool AsksPostcode, bool AsksState)
{
    public static CountryWire Of(Country country) => new(country.Code, country.AsksPostcode, country.AsksState);
}

/// <summary>A contact as a vCard file (RFC 6350).</summary>
public sealed record VCardBody(string Text);
