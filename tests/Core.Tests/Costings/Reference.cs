using System.Numerics;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>
/// The costing once more, written from the specification alone and straight from the JSON, with exact fractions and no
/// thought of speed. It shares nothing with the product but the text both were written from; the two must agree to the
/// last cent.
/// </summary>
internal sealed partial class Reference
{
    private const int Run = 180;

    private static readonly string[] KindOrder = ["plan", "dataCentre", "setup", "domain", "addOn", "code", "tax"];

    private readonly JsonElement _request;

    private readonly DateOnly _start;

    private readonly int _horizon;

    private readonly DateOnly _end;

    private readonly List<JsonElement> _books;

    private readonly JsonElement? _hosting;

    private readonly List<JsonElement> _domains;

    private readonly List<Charge> _charges = [];

    private readonly R _tax;

    private readonly bool _countTax;

    private readonly string _display;

    private Reference(JsonElement request)
    {
        _request = request;
        _start = Day(request.GetProperty("startDate"));
        _horizon = request.GetProperty("horizonMonths").GetInt32();
        _end = _start.AddMonths(_horizon);
        _books = [.. request.GetProperty("books").EnumerateArray()];
        var candidate = request.GetProperty("candidate");
        _hosting = Get(candidate, "hosting");
        _domains = [.. Items(candidate, "domains")];
        var owner = Get(request, "owner");
        _tax = R.From(Text(owner, "taxPercent") ?? "0");
        _countTax = Flag(owner, "countTax") ?? true;
        _display = Text(Get(request, "display"), "currency")
            ?? Text(
                _hosting is { } h ? Book(Text(h, "book")!)
                    : Text(_domains[0], "book") is { } b ? Book(b)
                    : _domains[0],
                "currency"
            )!;
    }

    public static JsonNode Answer(JsonElement request) => new Reference(request).Work();

    /// <summary>Every line of the 180 months, for whoever goes on from there.</summary>
    /// <param name="withDiscounts">Also what allowances and promotions take off.</param>
    public static List<Charge> ChargesOf(JsonElement request, bool withDiscounts)
    {
        var reference = new Reference(request);
        reference.HostingCharges();
        foreach (var (index, domain) in reference._domains.Index())
        {
            reference.DomainCharges(index, domain);
        }

        if (withDiscounts)
        {
            reference.Allowances();
            reference.Promotions();
        }

        return reference._charges;
    }

    private JsonNode Work()
    {
        HostingCharges();
        foreach (var (index, domain) in _domains.Index())
        {
            DomainCharges(index, domain);
        }

        Allowances();
        var codes = Promotions();
        var bills = _charges
            .GroupBy(charge => (charge.Date, charge.Book, charge.Currency))
            .Select(group => new Invoice(
                group.Key.Date,
                group.Key.Book,
                group.Key.Currency,
                [
                    .. group
                        .OrderBy(charge => Array.IndexOf(KindOrder, charge.Kind))
                        .ThenBy(charge => charge.Place)
                        .ThenBy(charge => charge.Domain),
                ]
            ))
            .OrderBy(bill => bill.Date)
            .ThenBy(bill => bill.Book, StringComparer.Ordinal)
            .ThenBy(bill => bill.Currency, StringComparer.Ordinal)
            .ToList();
        var counted = bills.Where(bill => bill.Date < _end).ToList();
        return new JsonObject
        {
            ["totals"] = Totals(bills, counted),
            ["unstated"] = new JsonArray([
                .. counted.SelectMany(bill =>
                    bill.Charges.Where(charge => charge.Unstated)
                        .Select(charge =>
                            (JsonNode)
                                new JsonObject
                                {
                                    ["date"] = Write(bill.Date),
                                    ["book"] = bill.Book,
                                    ["kind"] = charge.Kind,
                                    ["ref"] = charge.Ref,
                                }
                        )
                ),
            ]),
            ["priceStep"] = PriceStep(),
            ["codes"] = codes,
            ["bills"] = new JsonArray([.. counted.Select(Bill)]),
            ["ledger"] = Ledger(counted),
        };
    }

    private sealed record Invoice(DateOnly Date, string? Book, string Currency, List<Charge> Charges)
    {
        public BigInteger Sum => Charges.Aggregate(BigInteger.Zero, (sum, charge) => sum + charge.Left);

        public bool AtLeast => Charges.Exists(charge => charge.Unstated);
    }

    internal sealed record Taken(string Source, JsonElement? Promotion, BigInteger Amount);

    internal sealed class Charge(
        DateOnly date,
        string? book,
        string currency,
        string kind,
        string name,
        int quantity,
        BigInteger amount,
        int place
    )
    {
        public DateOnly Date { get; } = date;
        public string? Book { get; } = book;
        public string Currency { get; } = currency;
        public string Kind { get; } = kind;
        public string Ref { get; } = name;
        public int Quantity { get; } = quantity;
        public BigInteger Amount { get; } = amount;
        public int Place { get; } = place;
        public int Domain { get; set; } = -1;
        public string? Ending { get; set; }
        public bool Unstated { get; set; }
        public bool RestUnstated { get; set; }
        public bool FirstUnstated { get; set; }
        public BigInteger Waivable { get; set; }
        public (DateOnly From, DateOnly Until)? Cover { get; init; }
        public bool IsIncluded { get; set; }
        public BigInteger? Worth { get; set; }
        public List<Taken> Cuts { get; } = [];
        public BigInteger Left => Amount - Cuts.Aggregate(BigInteger.Zero, (sum, cut) => sum + cut.Amount);

        public void Cut(string source, JsonElement? promotion, BigInteger amount) =>
            Cuts.Add(new Taken(source, promotion, amount));

        public bool Is(List<string> words) =>
            words.Contains(Kind) || words.Contains($"{Kind}:{(Kind == "domain" ? Ending : Ref)}");
    }

    /// <summary>An exact fraction with a denominator above zero.</summary>
    internal readonly record struct R(BigInteger N, BigInteger D)
    {
        public static R From(BigInteger whole) => new(whole, 1);

        public static R From(string text) =>
            text.Split('.') is [var whole, var rest]
                ? new(BigInteger.Parse(whole + rest), BigInteger.Pow(10, rest.Length))
                : new(BigInteger.Parse(text), 1);

        public static R operator +(R left, R right) => new((left.N * right.D) + (right.N * left.D), left.D * right.D);

        public static R operator -(R left, R right) => new((left.N * right.D) - (right.N * left.D), left.D * right.D);

        public static R operator *(R left, R right) => new(left.N * right.N, left.D * right.D);

        public static R operator /(R left, R right) =>
            right.N.Sign < 0 ? new(-left.N * right.D, -left.D * right.N) : new(left.N * right.D, left.D * right.N);

        public BigInteger Floor() => N.Sign >= 0 ? N / D : -((-N + D - 1) / D);

        public BigInteger Round() => N.Sign >= 0 ? ((2 * N) + D) / (2 * D) : -(((-2 * N) + D) / (2 * D));
    }
}
