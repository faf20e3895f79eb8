using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Orders;

/// <summary>What an owner agreed to when they placed an order.</summary>
/// <param name="Id">Made by the page, so that pressing twice places once.</param>
/// <param name="Today">What they were told is due today; another figure by now is a reason to stop.</param>
/// <param name="Again">They know that they ordered the like a short while ago.</param>
/// <param name="Terms">The stamp of the sentences they agreed to; null: not said.</param>
public sealed record PlaceOrder(
    Guid Id,
    int Revision,
    string Letter,
    string Today,
    Contact Contact,
    bool Again,
    string? Terms
)
{
    /// <summary>What the processor gave for the card; null: none was given, as nothing is paid by card.</summary>
    public string? Card { get; init; }

    /// <summary>The sums that the sellers named and that were looked at: by the id of the book.</summary>
    public required IReadOnlyDictionary<string, SeenQuote> Quotes { get; init; }

    /// <summary>By the id of the book.</summary>
    public required IReadOnlyDictionary<string, (PayWay Way, bool Balance)> Payments { get; init; }

    /// <summary>By the domain, written out.</summary>
    public required IReadOnlyDictionary<string, TransferCode> Transfers { get; init; }

    public (string User, string Passcode)? LogIn { get; init; }

    public Contact? Holder { get; init; }

    /// <summary>The books of those sellers whose things are not to renew by themselves.</summary>
    public required IReadOnlyList<string> EndingAt { get; init; }

    /// <summary>
    /// The names that the owner has and that can be pointed from here: by the domain, the book of its seller.
    /// </summary>
    public IReadOnlyDictionary<string, string> Had { get; init; } = new Dictionary<string, string>();
}

/// <summary>A seller's sum as the owner saw it.</summary>
/// <param name="Total">The sum they agreed to; null: not said.</param>
public sealed record SeenQuote(string Id, string? Total);

/// <summary>Reads the body of an order.</summary>
public static class PlaceOrderReader
{
    private const int Most = 50;

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

        var order = new PlaceOrder(
            Guid.TryParse(id, out var parsed) ? parsed : Guid.Empty,
            revision ?? 0,
            root["letter"].RequiredText("The letter") ?? "",
            root["today"].RequiredText("The sum") ?? "",
            contact,
            root["again"].Flag() ?? false,
            root["terms"].Text()
        )
        {
            Card = root["card"].IsAbsent ? null : ReadCard(root["card"]),
            Quotes = ReadQuotes(root["quotes"]),
            Payments = ReadPayments(root["payments"]),
            Transfers = ReadTransfers(root["transfers"]),
            LogIn = ReadLogIn(root["logIn"]),
            Holder = root["holder"].IsAbsent ? null : ReadContact(root["holder"]),
            EndingAt =
            [
                .. root["endingAt"]
                    .Items(Most)
                    .Select(item => item.RequiredText("The seller"))
                    .OfType<string>()
                    .Distinct(StringComparer.Ordinal),
            ],
        };
        return faults.Any ? null : order;
    }

    /// <summary>A claim; null where anything of it is missing. The name is judged by whoever places it.</summary>
    public static (Guid Id, string Name, string Ending, Contact? Contact)? ReadClaim(Node root)
    {
        var (id, name, ending) = (
            root["id"].RequiredText("The order's id"),
            root["name"].RequiredText("The name"),
            root["ending"].RequiredText("The ending")
        );
        if (root["agreed"].Flag() != true)
        {
            root["agreed"].Fault(FaultCodes.Required, "Tick this once you have read the name.");
        }

        if (id is not null && !Guid.TryParse(id, out _))
        {
            root["id"].Fault(FaultCodes.BadType, "The order's id is a UUID.");
        }

        var contact = root["contact"].IsAbsent ? null : ReadContact(root["contact"]);
        contact?.Check(root.Faults, "contact");
        return root.Faults.Any ? null : (Guid.Parse(id!), name!, ending!, contact);
    }

    /// <summary>How a seller is paid, as a word.</summary>
    public static PayWay? ReadWay(Node node) =>
        node.Word(("card", PayWay.Card), ("wallet", PayWay.Wallet), ("invoice", PayWay.Invoice));

    private static Dictionary<string, (PayWay, bool)> ReadPayments(Node node)
    {
        var payments = new Dictionary<string, (PayWay, bool)>(StringComparer.Ordinal);
        foreach (var item in node.Items(Most))
        {
            if (
                item["book"].RequiredText("The seller") is { } book
                && !payments.TryAdd(book, (ReadWay(item["way"]) ?? PayWay.Card, item["balance"].Flag() ?? false))
            )
            {
                item.Fault(FaultCodes.Repeated, "This seller is named twice: say once how it is paid.");
            }
        }

        return payments;
    }

    private static Dictionary<string, SeenQuote> ReadQuotes(Node node)
    {
        var quotes = new Dictionary<string, SeenQuote>(StringComparer.Ordinal);
        foreach (var item in node.Items(Most))
        {
            if (item["book"].RequiredText("The seller") is { } book && item["id"].RequiredText("The quote") is { } id)
            {
                quotes[book] = new SeenQuote(id, item["total"].Text());
            }
        }

        return quotes;
    }

    private static Dictionary<string, TransferCode> ReadTransfers(Node node)
    {
        var codes = new Dictionary<string, TransferCode>(StringComparer.Ordinal);
        foreach (var item in node.Items(Most))
        {
            var domain = item["domain"].RequiredText("The domain");
            if (TransferCode.Read(item["code"].Text()) is not { } code)
            {
                // The owner's form knows it by its domain, not by its place in a list.
                item.Faults.Say(
                    FaultCodes.BadType,
                    $"transfers.{domain}",
                    $"A transfer code has {TransferCode.Shortest} to {TransferCode.Longest} letters, digits and "
                        + $"signs, without spaces: copy it from where {domain} is now."
                );
            }
            else if (domain is not null)
            {
                codes[domain] = code;
            }
        }

        return codes;
    }

    private static (string, string)? ReadLogIn(Node node)
    {
        var (user, passcode) = (node["user"].Text()?.Trim() ?? "", node["passcode"].Text()?.Trim() ?? "");
        return user.Length == 0 && passcode.Length == 0 ? null : (user, passcode);
    }

    /// <summary>What the owner typed of themselves and agreed to, checked before the card is handed in.</summary>
    public static Contact ReadAgreed(Node root)
    {
        if (root["agreed"].Flag() != true)
        {
            root["agreed"].Fault(FaultCodes.Required, "Tick this once you have read it.");
        }

        var contact = ReadContact(root["contact"]);
        contact.Check(root.Faults, "contact");
        if (!root["holder"].IsAbsent)
        {
            ReadContact(root["holder"]).Check(root.Faults, "holder");
        }

        return contact;
    }

    /// <summary>The card's token, which the processor gave to the page.</summary>
    public static string ReadCard(Node card)
    {
        var token = card["token"].RequiredText("The card") ?? "";
        if (token.Length > 0 && !IsToken(token))
        {
            card["token"]
                .Fault(
                    FaultCodes.BadType,
                    "This is no token of the card processor: hand the card to it, and send what it gives. A "
                        + "card's number never belongs here."
                );
        }

        return token;
    }

    private static bool IsToken(string text) =>
        text.StartsWith("card_", StringComparison.Ordinal)
        && text.Length == 37
        && text[5..].All(char.IsAsciiHexDigitLower);

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
            Empty(node["state"].Text()?.Trim())
        );
    }

    private static string? Empty(string? text) => text is "" ? null : text;
}
