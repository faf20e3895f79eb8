using System.Numerics;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>Bills and the ledger as they are answered (costing rules 17 and 30).</summary>
internal sealed partial class Reference
{
    private JsonObject Ledger(List<Invoice> counted)
    {
        var columns = 1 + ((_horizon + 11) / 12);
        var rows = new Dictionary<(string Kind, string? Book, string? Ref), BigInteger[]>();
        foreach (var bill in counted)
        {
            var column =
                bill.Date == _start
                    ? 0
                    : Enumerable.Range(1, columns).First(year => bill.Date < _start.AddMonths(12 * year));
            var parts = new Dictionary<(string, string?, string?), BigInteger>();
            void Part(string kind, string? book, string? name, BigInteger amount) =>
                parts[(kind, book, name)] = parts.GetValueOrDefault((kind, book, name)) + amount;
            foreach (var charge in bill.Charges)
            {
                Part(
                    charge.Kind,
                    bill.Book,
                    charge.Ref,
                    charge.Amount
                        - charge
                            .Cuts.Where(cut => cut.Source == "included" && cut.Promotion is null)
                            .Aggregate(BigInteger.Zero, (sum, cut) => sum + cut.Amount)
                );
                charge
                    .Cuts.Where(cut => cut.Promotion is not null)
                    .ToList()
                    .ForEach(cut => Part("code", bill.Book, cut.Source, -cut.Amount));
            }

            var tax = bill.Book is { } id && !Inclusive(id) && _countTax ? Taxed(id, bill.Sum).Tax : 0;
            if (!tax.IsZero)
            {
                Part("tax", null, null, tax);
            }

            var keys = parts
                .Keys.OrderBy(key => key, Comparer<(string Kind, string? Book, string? Ref)>.Create(RowOrder))
                .ToList();
            var all = keys.Aggregate(BigInteger.Zero, (sum, key) => sum + parts[key]);
            var rate = RateOf(bill.Currency);
            var shares = all.IsZero
                ? Settle(0, [.. keys.Select(key => R.From(parts[key]) * rate)])
                : Share(Value(bill), [.. keys.Select(key => R.From(parts[key]))]);
            foreach (var (key, share) in keys.Zip(shares))
            {
                (rows.TryGetValue(key, out var cells) ? cells : rows[key] = new BigInteger[columns])[column] += share;
            }
        }

        var ordered = rows.OrderBy(row => row.Key, Comparer<(string Kind, string? Book, string? Ref)>.Create(RowOrder))
            .ToList();
        return new JsonObject
        {
            ["columns"] = new JsonArray([
                .. Enumerable.Range(0, columns).Select(column => (JsonNode)(column == 0 ? "today" : $"year{column}")),
            ]),
            ["totals"] = new JsonArray([
                .. Enumerable
                    .Range(0, columns)
                    .Select(column =>
                        (JsonNode)Show(ordered.Aggregate(BigInteger.Zero, (sum, row) => sum + row.Value[column]))
                    ),
            ]),
            ["rows"] = new JsonArray([
                .. ordered.Select(row =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["kind"] = row.Key.Kind,
                            ["book"] = row.Key.Book,
                            ["ref"] = row.Key.Ref,
                            ["cells"] = new JsonArray([.. row.Value.Select(cell => (JsonNode)Show(cell))]),
                            ["total"] = Show(row.Value.Aggregate(BigInteger.Zero, BigInteger.Add)),
                        }
                ),
            ]),
        };
    }

    private int RowOrder((string Kind, string? Book, string? Ref) left, (string Kind, string? Book, string? Ref) right)
    {
        List<IComparable> Key((string Kind, string? Book, string? Ref) row)
        {
            if (row.Kind == "domain")
            {
                return
                [
                    Array.IndexOf(KindOrder, row.Kind),
                    _domains.FindIndex(domain =>
                        $"{Text(domain, "name")}.{Text(domain, "ending")}" == row.Ref
                        && (Text(domain, "route") == "keep" ? null : Text(domain, "book")) == row.Book
                    ),
                ];
            }

            var place =
                row.Book is null ? 0
                : row.Kind == "addOn" ? Extra(Book(row.Book), row.Ref!).Place
                : row.Kind == "code"
                    ? Items(Book(row.Book), "promotions")
                        .ToList()
                        .FindIndex(promotion => (Text(promotion, "code") ?? Text(promotion, "id")) == row.Ref)
                : 0;
            var automatic =
                row.Kind == "code" && Flag(Items(Book(row.Book!), "promotions").ElementAt(place), "automatic") == true;
            return
            [
                Array.IndexOf(KindOrder, row.Kind),
                row.Book == Text(_hosting, "book") ? 0 : 1,
                Rank(row.Book),
                automatic ? 0 : 1,
                place,
            ];
        }

        return Key(left)
            .Zip(Key(right))
            .Select(pair => pair.First.CompareTo(pair.Second))
            .FirstOrDefault(order => order != 0);
    }

    private int Rank(string? book) =>
        _books.Select(known => Text(known, "id")!).Order(StringComparer.Ordinal).ToList().IndexOf(book!);

    private JsonNode Bill(Invoice bill)
    {
        var (net, tax) = Taxed(bill.Book, bill.Sum);
        return new JsonObject
        {
            ["date"] = Write(bill.Date),
            ["book"] = bill.Book,
            ["currency"] = bill.Currency,
            ["net"] = Show(net, bill.Currency),
            ["tax"] = Show(tax, bill.Currency),
            ["total"] = Show(net + tax, bill.Currency),
            ["lines"] = new JsonArray([
                .. bill.Charges.Select(charge =>
                {
                    var line = new JsonObject
                    {
                        ["kind"] = charge.Kind,
                        ["ref"] = charge.Ref,
                        ["quantity"] = charge.Quantity,
                        ["amount"] = Show(charge.Amount, bill.Currency),
                        ["afterDiscounts"] = Show(charge.Left, bill.Currency),
                        ["discounts"] = new JsonArray([
                            .. charge.Cuts.Select(cut =>
                                (JsonNode)
                                    new JsonObject
                                    {
                                        ["source"] = cut.Source,
                                        ["amount"] = Show(cut.Amount, bill.Currency),
                                    }
                            ),
                        ]),
                    };
                    if (charge.IsIncluded)
                    {
                        line["included"] = true;
                        line["worth"] = charge.Worth is { } worth ? Show(worth, bill.Currency) : null;
                    }

                    return (JsonNode)line;
                }),
            ]),
        };
    }
}
