using System.Text.Json;

namespace HomeStart.Formats;

/// <summary>What an owner agreed to when they placed an order.</summary>
/// <param name="Id">Made by the page, so that pressing twice places once.</param>
/// <param name="Today">What they were told is due today; another figure by now is a reason to stop.</param>
/// <param name="Again">They know that they ordered the like a short while ago.</param>
/// <param name="Terms">The stamp of the sentences they agreed to; null: not said.</param>
public sealed record PlaceOrder(Guid Id, int Revision, string Letter, string Today, Contact Contact, string CardToken, string CardEnding, bool Again, string? Terms);

/// <summary>Reads the body of an order.</summary>
public static class PlaceOrderReader
{
    public static PlaceOrder? Read(JsonElement body, FaultList faults)
    {
        var root = new Node(body, "", faults);
        root.IsObject();
        var contact = ReadAgreed(root);
        var id = root["id"].RequiredText("The order's id");
        var revision = root["revision"].Whole();
        if (revision is null)
        {
            root["revision"].Required("The revision");
        }

        if (id is not null && !Guid.TryParse(id, out _))
        {
            root["id"].Fault(FaultCodes.BadType, "The order's id is a UUID.");
        }

        var (token, ending) = ReadCard(root["card"]);
        var order = new PlaceOrder(
            Guid.TryParse(id, out var parsed) ? parsed : Guid.Empty, revision ?? 0, root["letter"].RequiredText("The letter") ?? "", root["today"].RequiredText("The sum") ?? "", contact, token, ending,
            root["again"].Flag() ?? false, root["terms"].Text());
        return faults.Any ? null : order;
    }

    /// <summary>What the owner typed of themselves and agreed to, checked before the card is handed in.</summary>
    public static Contact ReadAgreed(Node root)
    {
        if (root["agreed"].Flag() != true)
        {
            root["agreed"].Fault(FaultCodes.Required, "Tick this once you have read it.");
        }

        var contact = ReadContact(root["contact"]);
        contact.Check(root.Faults);
        return contact;
    }

    /// <summary>The card's token and last digits, which the processor gave to the page.</summary>
    public static (string Token, string Ending) ReadCard(Node card)
    {
        var token = card["token"].RequiredText("The card") ?? "";
        var ending = card["ending"].RequiredText("The card's last digits") ?? "";
        if (token.Length > 0 && !IsToken(token))
        {
            card["token"].Fault(FaultCodes.BadType, "This is no token of the card processor: hand the card to it, and send what it gives. A card's number never belongs here.");
        }

        if (ending.Length != 4 || !ending.All(char.IsAsciiDigit))
        {
            card["ending"].Fault(FaultCodes.BadType, "Only the card's last four digits belong here.");
        }

        return (token, ending);
    }

    private static bool IsToken(string text) => text.StartsWith("card_", StringComparison.Ordinal) && text.Length == 37 && text[5..].All(char.IsAsciiHexDigitLower);

    /// <summary>A contact as it was typed, its telephone in the international form where it can be read.</summary>
    public static Contact ReadContact(Node node)
    {
        var country = node["country"].Text() ?? "";
        var telephone = node["telephone"].Text()?.Trim();
        return new Contact(
            node["name"].Text()?.Trim() ?? "",
            node["mail"].Text()?.Trim() ?? "",
            node["street"].Text()?.Trim() ?? "",
            node["town"].Text()?.Trim() ?? "",
            node["postcode"].Text()?.Trim() ?? "",
            country,
            telephone is null ? null : Telephones.Read(telephone, country) ?? telephone,
            Empty(node["organisation"].Text()?.Trim()),
            Empty(node["state"].Text()?.Trim()));
    }

    private static string? Empty(string? text) => text is "" ? null : text;
}
