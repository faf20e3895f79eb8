using System.Collections.Immutable;
using System.Net;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Orders;

/// <summary>Reads what an owner tells of buying at the sellers' own pages.</summary>
public static class BoughtThereReader
{
    private const int Longest = 200;

    /// <param name="sellers">Those that something of the candidate is bought from.</param>
    /// <param name="notedOn">The business date.</param>
    public static BoughtThere? Read(Node root, IReadOnlyList<OfferBook> sellers, DateOnly notedOn)
    {
        var receipts = root["receipts"].Items(BoughtThere.MostLines).Select(item => Receipt(item, sellers)).ToList();
        if (receipts.OfType<SellerReceipt>().GroupBy(receipt => receipt.Book).Any(seller => seller.Skip(1).Any()))
        {
            root["receipts"].Fault(FaultCodes.Repeated, "A seller is named twice: say once what was paid there.");
        }

        foreach (
            var seller in sellers.Where(seller =>
                receipts.TrueForAll(receipt => receipt is not null && receipt.Book != seller.Id)
            )
        )
        {
            if (!root.Faults.Any)
            {
                root["receipts"].Fault(FaultCodes.Required, $"What {seller.Provider.Name} was paid is missing.");
            }
        }

        var there = new BoughtThere(notedOn, [.. receipts.OfType<SellerReceipt>()], Keys(root["keys"]))
        {
            CardExpires = root["cardExpires"].IsAbsent ? null : root["cardExpires"].Date(),
        };
        return root.Faults.Any ? null : there;
    }

    private static SellerReceipt? Receipt(Node node, IReadOnlyList<OfferBook> sellers)
    {
        var id = node["book"].RequiredText("The seller");
        if (sellers.FirstOrDefault(known => known.Id == id) is not { } seller)
        {
            if (id is not null)
            {
                node["book"].Fault(FaultCodes.Unknown, "Nothing of this candidate is bought there.");
            }

            return null;
        }

        var (paid, reference) = (
            Amount(node["paid"], seller.Currency, $"What {seller.Provider.Name} was paid"),
            Open(node["reference"])
        );
        ImmutableArray<ReceiptEntry> lines =
        [
            .. node["lines"]
                .Items(BoughtThere.MostLines)
                .Select(line => Line(line, seller.Currency))
                .OfType<ReceiptEntry>(),
        ];
        return paid is { } sum ? new SellerReceipt(seller.Id, reference, sum, lines) : null;
    }

    private static ReceiptEntry? Line(Node node, Currency currency)
    {
        var (what, amount) = (Open(node["what"]), Amount(node["amount"], currency, "The sum of the line"));
        if (what is null)
        {
            node["what"].Required("What the line is for");
        }

        return what is not null && amount is { } sum ? new ReceiptEntry(what, sum) : null;
    }

    /// <summary>An amount as it is typed from a page or a receipt: "£189.07" and "1,204.00" too.</summary>
    public static Money? Amount(Node node, Currency currency, string what)
    {
        if (node.Text() is not { Length: > 0 } typed)
        {
            node.Required(what);
            return null;
        }

        if (
            ExactDecimal.TryParse(TypedNumber.Clean(typed), out var number)
            && Money.TryOf(number, currency, out var money) == AmountFault.None
        )
        {
            return money;
        }

        node.Fault(
            FaultCodes.BadAmount,
            $"This is no sum in {currency.Code}: type it like {new Money(18907, currency).ToAmount()}."
        );
        return null;
    }

    private static TypedKeys Keys(Node node)
    {
        var keys = new TypedKeys(
            Open(node["logIn"]),
            Open(node["user"]),
            Open(node["server"]),
            Open(node["iPv4"]),
            Open(node["iPv6"]),
            [.. node["nameServers"].Items(10).Select(Open).OfType<string>()],
            Open(node["fileServer"]),
            Open(node["mailServer"]),
            Open(node["notes"], Node.LongestText)
        );
        if (
            keys.LogIn is { } address
            && !(
                Uri.TryCreate(address, UriKind.Absolute, out var uri)
                && uri.Scheme == Uri.UriSchemeHttps
                && uri.UserInfo.Length == 0
            )
        )
        {
            node["logIn"]
                .Fault(
                    FaultCodes.BadType,
                    "Type the address where you log in from https:// on, without a name or passcode in it."
                );
        }

        Address(
            node["iPv4"],
            keys.IPv4,
            System.Net.Sockets.AddressFamily.InterNetwork,
            "an IPv4 address, four numbers with points: 192.0.2.10"
        );
        Address(
            node["iPv6"],
            keys.IPv6,
            System.Net.Sockets.AddressFamily.InterNetworkV6,
            "an IPv6 address, groups with colons: 2001:db8::10"
        );
        foreach (var server in keys.NameServers.Where(server => DomainName.Parse(server.TrimEnd('.')) is null))
        {
            node["nameServers"]
                .Fault(FaultCodes.BadType, $"“{server}” is no name of a server, such as ns1.example.net.");
        }

        return keys;
    }

    private static void Address(Node node, string? typed, System.Net.Sockets.AddressFamily family, string what)
    {
        if (
            typed is not null
            && !(
                IPAddress.TryParse(typed, out var address)
                && address.AddressFamily == family
                && (
                    family != System.Net.Sockets.AddressFamily.InterNetwork || typed.Count(letter => letter == '.') == 3
                )
            )
        )
        {
            node.Fault(FaultCodes.BadType, $"This is not {what}.");
        }
    }

    // What is typed freely. A secret in it is refused: it would be kept, shown and exported with the rest.
    private static string? Open(Node node) => Open(node, Longest);

    private static string? Open(Node node, int longest)
    {
        if (node.Text()?.Trim() is not { Length: > 0 } text)
        {
            return null;
        }

        if (text.Length > longest)
        {
            node.Fault(FaultCodes.OutOfRange, $"This has {text.Length} characters; {longest} can be kept.");
        }

        if (TypedSecret.In(text) is { } secret)
        {
            node.Fault(
                FaultCodes.Unavailable,
                secret == SecretKind.CardNumber
                    ? "This looks like the number of a card. None is kept here: leave it out."
                    : "This looks like a password or code. None is kept here: write it down elsewhere, and leave "
                        + "it out."
            );
        }

        return text;
    }
}
