using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;
using HomeStart.Formats.Upkeep;
using Currencies = HomeStart.Core.Basics.Currency;

namespace HomeStart.Formats.Orders;

/// <summary>A purchase as a seller is asked about it.</summary>
public sealed record SellerPurchaseWire(
    DateOnly StartDate,
    CandidateWire Candidate,
    bool IsCustomer,
    string Country,
    string? AgreedTaxPercent
)
{
    public static SellerPurchaseWire From(SellerPurchase purchase) =>
        new(
            purchase.StartDate,
            CandidateWire.From(purchase.Candidate),
            purchase.IsCustomer,
            purchase.Country,
            purchase.AgreedTaxPercent?.ToString()
        );

    /// <summary>The purchase; null, with every fault at its place, where it cannot be read.</summary>
    public static SellerPurchase? Read(string book, Node node)
    {
        var country = node["country"].RequiredText("The country");
        if (node["startDate"].IsAbsent)
        {
            node["startDate"].Required("The start date");
        }

        var purchase = new SellerPurchase(
            book,
            node["startDate"].Date() ?? default,
            CandidateReader.Read(node["candidate"]),
            node["isCustomer"].Flag() ?? false,
            country ?? ""
        )
        {
            AgreedTaxPercent = node["agreedTaxPercent"].Percent(1000),
        };
        return node.Faults.Any ? null : purchase;
    }
}

/// <summary>Asks a seller for its sum, or for the sum it named under an id before.</summary>
/// <param name="Id">Null: a new quote.</param>
public sealed record QuoteBody(string? Id, SellerPurchaseWire Purchase);

/// <summary>A seller's sum for a purchase.</summary>
public sealed record QuoteWire(
    string Id,
    string Currency,
    string Total,
    string Tax,
    string? TaxPercent,
    DateTimeOffset ValidUntil,
    IReadOnlyList<QuotedLineWire> Lines,
    IReadOnlyList<QuotedCodeWire> Codes
)
{
    public static QuoteWire From(Quote quote) =>
        new(
            quote.Id,
            quote.Total.Currency.Code,
            quote.Total.ToAmount(),
            quote.Tax.ToAmount(),
            quote.TaxPercent?.ToString(),
            quote.ValidUntil,
            [
                .. quote.Lines.Select(line => new QuotedLineWire(
                    line.Kind,
                    line.Ref,
                    line.ForDomain,
                    line.Quantity,
                    line.Amount.ToAmount(),
                    line.Left.ToAmount()
                )),
            ],
            [.. quote.Codes.Select(code => new QuotedCodeWire(code.Code, code.Verdict))]
        );

    /// <summary>The quote; null where any amount of it is none. A seller is as foreign as any other caller.</summary>
    public Quote? Read(string book) =>
        Id is { Length: > 0 and <= 100 }
        && Currencies.TryGet(Currency, out _)
        && Amount(Total) is { } total
        && Amount(Tax) is { } tax
        && Percent(TaxPercent) is (true, var percent)
        && Lines is { Count: <= 1000 } lines
        && lines.All(line => Amount(line.Amount) is not null && Amount(line.Left) is not null)
        && Codes is { Count: <= 1000 }
            ? new Quote(Id, book, total, tax, percent, ValidUntil)
            {
                Lines =
                [
                    .. lines.Select(line => new QuotedLine(
                        line.Kind,
                        line.Ref,
                        line.ForDomain,
                        line.Quantity,
                        Amount(line.Amount)!.Value,
                        Amount(line.Left)!.Value
                    )),
                ],
                Codes = [.. Codes.Select(code => new QuotedCode(code.Code, code.Verdict))],
            }
            : null;

    private Money? Amount(string? text) =>
        Currencies.TryGet(Currency, out var currency)
        && Money.TryParse(text, currency, out var money) == AmountFault.None
            ? money
            : null;

    private static (bool IsRead, ExactDecimal? Percent) Percent(string? text) =>
        text is null ? (true, null)
        : ExactDecimal.TryParse(text, out var percent) ? (true, percent)
        : (false, null);
}

public sealed record QuotedLineWire(
    LineKind Kind,
    string Ref,
    string? ForDomain,
    int Quantity,
    string Amount,
    string Left
);

public sealed record QuotedCodeWire(string Code, Verdict Verdict);

/// <summary>Asks a seller for its sum of one movement after the order.</summary>
public sealed record LaterBody(
    string? Agreement,
    SellerPurchaseWire Purchase,
    LaterMomentWire Moment,
    LaterMovementWire Movement,
    IReadOnlyList<string> Missed
)
{
    public static LaterBody From(LaterPurchase later) =>
        new(
            later.Agreement,
            SellerPurchaseWire.From(later.Purchase),
            new LaterMomentWire(
                later.Moment.Day,
                later.Moment.IsDecision,
                [.. later.Moment.Decisions.Select(DecisionBodies.From)],
                later.Moment.Before
            ),
            new LaterMovementWire(later.Movement.Kind, later.Movement.Due, later.Movement.Occurrence),
            later.Missed
        );

    /// <summary>What is asked; null, with every fault at its place, where it cannot be read.</summary>
    /// <param name="books">What the seller sells, for the endings of claimed names.</param>
    public static (LaterMoment Moment, LaterMovement Movement)? Read(
        Node node,
        DateOnly start,
        IReadOnlyList<OfferBook> books
    )
    {
        var (moment, movement) = (node["moment"], node["movement"]);
        var decisions = moment["decisions"]
            .Items()
            .Select(item => UpkeepRequestReader.Decision(item, start, null, [.. books]))
            .OfType<Decision>()
            .ToList();
        var (day, due) = (moment["day"].Date(), movement["due"].Date());
        var (before, occurrence) = (moment["before"].Whole(), movement["occurrence"].Whole());
        var kind = movement["kind"]
            .Word(
                ("charge", LaterMovementKind.Charge),
                ("refund", LaterMovementKind.Refund),
                ("balance", LaterMovementKind.Balance),
                ("claim", LaterMovementKind.Claim)
            );
        return
            node.Faults.Any
            || day is null
            || due is null
            || kind is null
            || before is not { } made
            || made < 0
            || made > decisions.Count
            || occurrence is not >= 0
            ? null
            : (
                new LaterMoment(day.Value, moment["isDecision"].Flag() ?? false, [.. decisions], made),
                new LaterMovement(kind.Value, due.Value, occurrence.Value)
            );
    }
}

public sealed record LaterMomentWire(DateOnly Day, bool IsDecision, IReadOnlyList<DecisionBody> Decisions, int Before);

public sealed record LaterMovementWire(LaterMovementKind Kind, DateOnly Due, int Occurrence);

/// <summary>A seller's sum for one movement after the order.</summary>
/// <param name="Amount">Of a balance that shrinks: "-3.00".</param>
public sealed record LaterQuoteWire(string Id, string Amount, string Currency)
{
    public static LaterQuoteWire From(LaterQuote quote) =>
        new(quote.Id, quote.Amount.ToAmount(), quote.Amount.Currency.Code);

    /// <summary>The quote; null where its amount is none.</summary>
    public LaterQuote? Read() =>
        Id is { Length: > 0 and <= 100 }
        && Currencies.TryGet(Currency, out var currency)
        && Amount is { Length: > 0 }
        && Money.TryParse(Amount.TrimStart('-'), currency, out var money) == AmountFault.None
            ? new LaterQuote(Id, Amount[0] == '-' ? Money.Zero(currency) - money : money)
            : null;
}
