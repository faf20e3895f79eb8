using System.Globalization;
using System.Numerics;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>
/// The costing once more, written from the specification alone and straight from the JSON, with exact fractions and no
/// thought of speed. It shares nothing with the
/// product but the text both were written from; the two must agree to the last cent.
/// </summary>
internal sealed class Reference
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

    private void HostingCharges()
    {
        if (_hosting is not { } hosting)
        {
            return;
        }

        var book = Book(Text(hosting, "book")!);
        var (plan, option) = PlanAndOption();
        var every = Int(option, "everyMonths")!.Value;
        var includes = Words(plan, "includes");
        if (Amount(option, "setupFee", book) is { IsZero: false } fee)
        {
            Add(_start, book, "setup", Text(plan, "id")!, 1, fee, false, null);
        }

        var free = Int(option, "freeMonths") ?? 0;
        DateOnly Falls(int i) => i == 0 ? _start : _start.AddMonths(free + (i * every));
        for (var i = 0; Falls(i) < _start.AddMonths(Run); i++)
        {
            var (date, cover) = (Falls(i), (Falls(i), Falls(i + 1)));
            var price = Steps(option.GetProperty("prices"), book, i, 1);
            Add(date, book, "plan", Text(plan, "id")!, 1, price.Sum, price.Unstated, cover);
            var centre = Items(book, "dataCentres")
                .FirstOrDefault(known => Text(known, "id") == Text(hosting, "dataCentre"));
            if (
                Text(hosting, "dataCentre") is not null
                && Amount(centre, "perMonth", book) is { IsZero: false } perMonth
            )
            {
                Add(date, book, "dataCentre", Text(centre, "id")!, 1, perMonth * every, false, cover);
            }
        }

        foreach (var chosen in Items(hosting, "addOns"))
        {
            var (extra, place) = Extra(book, Text(chosen, "id")!);
            var quantity = Int(chosen, "quantity") ?? 1;
            var charge = extra.GetProperty("charge");
            var prices = charge.GetProperty("prices");
            var how = Text(charge, "every");
            if (includes.Contains(Text(extra, "id")!))
            {
                var first = how == "month" ? Steps(prices, book, 0, every) : Steps(prices, book, 0, 1);
                Included(_start, book, extra, place, 1, first.Unstated ? null : first.Sum, -1);
                quantity--;
            }

            if (quantity == 0)
            {
                continue;
            }

            for (var i = 0; i < Run; i++)
            {
                var (months, price) = how switch
                {
                    "once" => (i == 0 ? 0 : Run, Steps(prices, book, 0, 1)),
                    "year" => (12 * i, Steps(prices, book, i, 1)),
                    "month" => (i == 0 ? 0 : free + (every * i), Steps(prices, book, every * i, every)),
                    _ => (i == 0 ? 0 : free + (every * i), Steps(prices, book, i, 1)),
                };
                if (months >= Run)
                {
                    break;
                }

                var span =
                    how == "year" ? 12
                    : i == 0 ? free + every
                    : every;
                Add(
                    _start.AddMonths(months),
                    book,
                    "addOn",
                    Text(extra, "id")!,
                    quantity,
                    price.Sum * quantity,
                    price.Unstated,
                    how == "once" ? null : (_start.AddMonths(months), _start.AddMonths(months + span)),
                    place
                );
            }
        }
    }

    private void DomainCharges(int index, JsonElement domain)
    {
        var route = Text(domain, "route");
        var name = $"{Text(domain, "name")}.{Text(domain, "ending")}";
        if (route == "lent")
        {
            return;
        }

        if (route == "keep")
        {
            var expires = Day(domain.GetProperty("expires"));
            var currency = Text(domain, "currency")!;
            for (var year = 0; expires.AddMonths(12 * year) < _start.AddMonths(Run); year++)
            {
                _charges.Add(
                    new Charge(
                        expires.AddMonths(12 * year),
                        null,
                        currency,
                        "domain",
                        name,
                        1,
                        Minor(Text(domain, "renewal")!, currency),
                        index
                    )
                    {
                        Cover = (expires.AddMonths(12 * year), expires.AddMonths(12 * (year + 1))),
                        Domain = index,
                    }
                );
            }

            return;
        }

        var book = Book(Text(domain, "book")!);
        var price = Items(book, "domains").First(known => Text(known, "ending") == Text(domain, "ending"));
        var premium = Get(domain, "premium");
        var register = Amount(premium ?? price, "register", book);
        var renew = Amount(premium ?? price, "renew", book);
        var years = route == "transfer" ? 1 : Int(domain, "years") ?? 1;
        var from = route switch
        {
            "later" => _start.AddMonths(Int(domain, "inMonths") ?? 0),
            "transfer" => Day(domain.GetProperty("expires")),
            _ => _start,
        };
        for (var year = 0; year < 40; year += year == 0 ? years : 1)
        {
            var date = year == 0 && route == "transfer" ? _start : from.AddMonths(12 * year);
            if (date >= _start.AddMonths(Run))
            {
                break;
            }

            var count = year == 0 ? years : 1;
            var cover = (from.AddMonths(12 * year), from.AddMonths(12 * (year + count)));
            var first =
                year > 0 ? renew
                : route == "transfer" ? Amount(price, "transfer", book)
                : register;
            var restUnstated = count > 1 && renew is null;
            var line = Add(
                date,
                book,
                "domain",
                name,
                count,
                (first ?? 0) + ((count - 1) * (renew ?? 0)),
                first is null || restUnstated,
                cover,
                index
            );
            (line.Domain, line.Ending, line.Waivable, line.RestUnstated, line.FirstUnstated) = (
                index,
                Text(domain, "ending"),
                first ?? 0,
                restUnstated,
                first is null
            );
            foreach (var chosen in Items(domain, "addOns"))
            {
                DomainExtra(index, book, price, Text(chosen, "id")!, date, year, count, cover);
            }
        }
    }

    private void DomainExtra(
        int index,
        JsonElement book,
        JsonElement domainPrice,
        string id,
        DateOnly date,
        int year,
        int count,
        (DateOnly From, DateOnly Until) cover
    )
    {
        var (extra, place) = Extra(book, id);
        var charge = extra.GetProperty("charge");
        var how = Text(charge, "every");
        var prices = charge.GetProperty("prices");
        var price = how switch
        {
            "once" => Steps(prices, book, 0, 1),
            "month" => Steps(prices, book, 12 * year, 12 * count),
            _ => Steps(prices, book, year, count),
        };
        var included =
            Words(domainPrice, "includes").Contains(id)
            || (
                _hosting is { } hosting
                && Text(hosting, "book") == Text(book, "id")
                && Words(PlanAndOption().Plan, "includes").Contains(id)
            );
        if (included || how == "once")
        {
            if (year == 0 && included)
            {
                Included(date, book, extra, place, 1, price.Unstated ? null : price.Sum, index);
            }
            else if (year == 0)
            {
                Add(date, book, "addOn", id, 1, price.Sum, price.Unstated, null, place).Domain = index;
            }

            return;
        }

        Add(date, book, "addOn", id, 1, price.Sum, price.Unstated, cover, place).Domain = index;
    }

    private void Allowances()
    {
        if (_hosting is not { } hosting || Get(PlanAndOption().Plan, "includedDomain") is not { } given)
        {
            return;
        }

        var (_, option) = PlanAndOption();
        var commit = Int(option, "commitMonths") ?? Int(option, "everyMonths")!.Value;
        bool Applies(JsonElement domain) =>
            Text(domain, "book") == Text(hosting, "book")
            && commit >= (Int(given, "minCommitMonths") ?? 0)
            && Words(given, "endings").Contains(Text(domain, "ending")!)
            && Get(domain, "premium") is null
            && (
                Text(domain, "route") is "register" or "later"
                || (Text(domain, "route") == "transfer" && Flag(given, "transfer") == true)
            )
            && Flag(domain, "useIncluded") != false;

        var grants =
            Flag(given, "everyYear") == true
                ? Enumerable
                    .Range(0, 16)
                    .Select(year => (From: _start.AddMonths(12 * year), Until: _start.AddMonths(12 * (year + 1))))
                    .ToList()
                : [(_start, _start.AddMonths(Int(given, "claimWithinMonths") ?? 12))];
        foreach (
            var line in _charges
                .Where(charge => charge.Kind == "domain" && charge.Book is not null && Applies(_domains[charge.Domain]))
                .OrderBy(charge => charge.Date)
                .ThenBy(charge => charge.Domain)
        )
        {
            var grant = grants.FindIndex(known => known.From <= line.Date && line.Date < known.Until);
            if (grant >= 0)
            {
                grants.RemoveAt(grant);
                line.Cut("included", null, line.Waivable);
                line.Unstated = line.RestUnstated;
            }
        }
    }

    private JsonArray Promotions()
    {
        var verdicts = new JsonArray();
        foreach (var book in _books)
        {
            var id = Text(book, "id");
            var hosted = _hosting is { } hosting && Text(hosting, "book") == id;
            var codes = new List<string>();
            foreach (
                var code in (hosted ? Words(_hosting!.Value, "codes") : []).Concat(
                    _domains
                        .Where(domain => Text(domain, "book") == id && Text(domain, "route") is not ("keep" or "lent"))
                        .SelectMany(domain => Words(domain, "codes"))
                )
            )
            {
                if (!codes.Exists(known => Same(known, code)))
                {
                    codes.Add(code);
                }
            }

            foreach (
                var automatic in Items(book, "promotions")
                    .Where(promotion => Flag(promotion, "automatic") == true && Bar(promotion, id!, hosted) is null)
            )
            {
                Take(book, automatic);
            }

            var applied = new List<JsonElement>();
            foreach (var code in codes)
            {
                var found = Items(book, "promotions")
                    .Where(promotion => Text(promotion, "code") is { } known && Same(known, code))
                    .ToList();
                var verdict =
                    found.Count == 0 ? "unknown"
                    : Bar(found[0], id!, hosted) is { } bar ? bar
                    : applied.Count > 0
                    && (
                        Flag(found[0], "combinable") != true
                        || applied.Exists(earlier => Flag(earlier, "combinable") != true)
                    )
                        ? "cannot-combine"
                    : Take(book, found[0]).IsZero ? "nothing-to-discount"
                    : "applied";
                if (verdict == "applied")
                {
                    applied.Add(found[0]);
                }

                verdicts.Add(
                    new JsonObject
                    {
                        ["book"] = id,
                        ["code"] = code,
                        ["verdict"] = verdict,
                    }
                );
            }
        }

        return verdicts;
    }

    private string? Bar(JsonElement promotion, string seller, bool hosted)
    {
        if (Get(promotion, "from") is { } from && _start < Day(from))
        {
            return "not-yet";
        }

        if (Get(promotion, "until") is { } until && _start > Day(until))
        {
            return "expired";
        }

        if (
            Flag(promotion, "newCustomersOnly") == true
            && (
                Flag(Get(_request, "owner"), "newCustomer") == false
                || (Get(_request, "owner") is { } owner && Words(owner, "customerOf").Contains(seller))
            )
        )
        {
            return "new-customers-only";
        }

        if (
            Words(promotion, "plans").Count > 0
            && !(hosted && Words(promotion, "plans").Contains(Text(_hosting, "plan")!))
        )
        {
            return "other-plans-only";
        }

        return
            Int(promotion, "minEveryMonths") is { } least && !(hosted && Int(_hosting!.Value, "everyMonths") >= least)
            ? "cycle-too-short"
            : null;
    }

    private BigInteger Take(JsonElement book, JsonElement promotion)
    {
        var source = Text(promotion, "code") ?? Text(promotion, "id")!;
        var matches = Words(promotion, "appliesTo");
        var dates = _charges
            .Where(charge => charge.Book == Text(book, "id") && charge.Is(matches))
            .GroupBy(charge => charge.Date)
            .OrderBy(group => group.Key)
            .ToList();
        var most = Get(promotion, "bills") is { ValueKind: JsonValueKind.String }
            ? int.MaxValue
            : Int(promotion, "bills") ?? 1;
        BigInteger taken = 0;
        foreach (
            var lines in dates
                .Take(most)
                .Select(date =>
                    date.OrderBy(charge => Array.IndexOf(KindOrder, charge.Kind))
                        .ThenBy(charge => charge.Place)
                        .ThenBy(charge => charge.Domain)
                        .ToList()
                )
        )
        {
            var left = lines.ConvertAll(line => line.Left);
            var sum = left.Aggregate(BigInteger.Zero, BigInteger.Add);
            var cuts =
                Text(promotion, "percent") is { } percent
                    ? left.ConvertAll(amount => (R.From(amount) * R.From(percent) / R.From(100)).Round())
                : sum.IsZero ? [.. left.Select(_ => BigInteger.Zero)]
                : Share(BigInteger.Min(sum, Amount(promotion, "amount", book)!.Value), [.. left.Select(R.From)]);
            foreach (var (line, cut) in lines.Zip(cuts).Where(pair => !pair.Second.IsZero))
            {
                line.Cut(source, promotion, cut);
                taken += cut;
            }
        }

        return taken;
    }

    // Rule 28, the one place for floating point.
    private BigInteger Expected(List<Invoice> counted, double chance)
    {
        var expected = 0.0;
        foreach (var bill in counted)
        {
            var months = Enumerable.Range(0, Run).Last(month => _start.AddMonths(month) <= bill.Date);
            expected += (double)Value(bill) * Math.Pow(chance / 100, months / 12.0);
        }

        return (BigInteger)Math.Round(expected, MidpointRounding.AwayFromZero);
    }

    private JsonObject Totals(List<Invoice> bills, List<Invoice> counted)
    {
        var commit =
            _hosting is not null
                ? Int(PlanAndOption().Option, "commitMonths") ?? Int(PlanAndOption().Option, "everyMonths")!.Value
            : Text(_domains[0], "route") is "register" or "later" ? 12 * (Int(_domains[0], "years") ?? 1)
            : 12;
        var termEnd = _start.AddMonths(commit);
        var today = bills.Where(bill => bill.Date == _start).ToList();
        var term = bills.Where(bill => bill.Date < termEnd).ToList();
        var horizon = Sum(counted);
        var peak = counted
            .GroupBy(bill => bill.Date)
            .Select(group => (group.Key, Sum: Sum(group)))
            .OrderByDescending(due => due.Sum)
            .ThenBy(due => due.Key)
            .ToList();
        var next = bills
            .Where(bill => bill.Date >= _end)
            .GroupBy(bill => bill.Date)
            .OrderBy(group => group.Key)
            .FirstOrDefault(group => group.Any(bill => bill.AtLeast || !Counts(bill.Book, bill.Sum).IsZero));
        var marks = new[] { ("dueToday", today), ("firstTerm", term), ("horizon", counted) }
            .Where(mark => mark.Item2.Exists(bill => bill.AtLeast))
            .Select(mark => (JsonNode)mark.Item1);
        var host = Text(_hosting, "book");
        return new JsonObject
        {
            ["currency"] = _display,
            ["dueToday"] = Show(Sum(today)),
            ["firstTerm"] = Show(Sum(term)),
            ["horizon"] = Show(horizon),
            ["perMonth"] = Show((R.From(horizon) / R.From(_horizon)).Round()),
            ["peak"] =
                peak.Count == 0
                    ? null
                    : new JsonObject { ["date"] = Write(peak[0].Key), ["total"] = Show(peak[0].Sum) },
            ["next"] = next is null
                ? null
                : new JsonObject
                {
                    ["date"] = Write(next.Key),
                    ["total"] = Show(Sum(next)),
                    ["atLeast"] = next.Any(bill => bill.AtLeast),
                },
            ["owedAfterHorizon"] = Show(
                Sum(
                    bills.Where(bill =>
                        host is not null && bill.Book == host && bill.Date >= _end && bill.Date < termEnd
                    )
                )
            ),
            ["unusedAtEnd"] = Show(
                counted
                    .SelectMany(bill =>
                        bill.Charges.Where(charge => charge.Cover?.Until > _end).Select(charge => Unused(bill, charge))
                    )
                    .Aggregate(BigInteger.Zero, BigInteger.Add)
            ),
            ["refundable"] = Show(Refundable(today, commit)),
            ["advertised"] = _hosting is null
                ? null
                : new JsonObject { ["perMonth"] = PerMonth(0), ["currency"] = Text(Book(host!), "currency") },
            ["expected"] = Text(Get(_request, "owner"), "keepChancePercent") is { } chance
                ? Show(Expected(counted, double.Parse(chance, CultureInfo.InvariantCulture)))
                : null,
            ["atLeast"] = new JsonArray([.. marks]),
        };
    }

    private BigInteger Unused(Invoice bill, Charge charge)
    {
        var (from, until) = charge.Cover!.Value;
        var begins = from > _end ? from : _end;
        var left = (
            R.From(charge.Left) * R.From(until.DayNumber - begins.DayNumber) / R.From(until.DayNumber - from.DayNumber)
        ).Round();
        return Convert(Counts(bill.Book, left), bill.Currency);
    }

    private BigInteger Refundable(List<Invoice> today, int commit)
    {
        if (
            _hosting is not { } hosting
            || Get(Book(Text(hosting, "book")!), "refund") is not { } refund
            || (Int(refund, "days") ?? 0) == 0
            || commit < (Int(refund, "minCommitMonths") ?? 0)
        )
        {
            return 0;
        }

        var lines = today.Where(bill => bill.Book == Text(hosting, "book")).SelectMany(bill => bill.Charges).ToList();
        var left = lines
            .Where(line => !line.Is(Words(refund, "excludes")))
            .Aggregate(BigInteger.Zero, (sum, line) => sum + line.Left);
        if (Flag(refund, "deductsIncludedDomain") == true)
        {
            left -= lines
                .SelectMany(line => line.Cuts)
                .Where(cut => cut.Source == "included")
                .Aggregate(BigInteger.Zero, (sum, cut) => sum + cut.Amount);
        }

        return left.Sign <= 0
            ? 0
            : Convert(Counts(Text(hosting, "book"), left), Text(Book(Text(hosting, "book")!), "currency")!);
    }

    private JsonObject? PriceStep()
    {
        if (_hosting is not { } hosting)
        {
            return null;
        }

        var book = Book(Text(hosting, "book")!);
        var (_, option) = PlanAndOption();
        var every = Int(option, "everyMonths")!.Value;
        var first = Steps(option.GetProperty("prices"), book, 0, 1);
        var free = Int(option, "freeMonths") ?? 0;
        for (var i = 1; _start.AddMonths(free + (i * every)) < _end; i++)
        {
            var price = Steps(option.GetProperty("prices"), book, i, 1);
            if (price.Unstated || price.Sum != first.Sum)
            {
                return new JsonObject
                {
                    ["date"] = Write(_start.AddMonths(free + (i * every))),
                    ["from"] = PerMonth(0),
                    ["to"] = price.Unstated ? null : PerMonth(i),
                    ["currency"] = Text(book, "currency"),
                };
            }
        }

        return null;
    }

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

    private bool Inclusive(string book) =>
        Flag(Get(Book(book), "tax"), "charged") == false || Flag(Get(Book(book), "tax"), "pricesInclude") == true;

    private (BigInteger Net, BigInteger Tax) Taxed(string? book, BigInteger sum)
    {
        if (book is null || Flag(Get(Book(book), "tax"), "charged") == false)
        {
            return (sum, 0);
        }

        if (Flag(Get(Book(book), "tax"), "pricesInclude") == true)
        {
            var net = (R.From(sum) * R.From(100) / (R.From(100) + _tax)).Round();
            return (net, sum - net);
        }

        return (sum, (R.From(sum) * _tax / R.From(100)).Round());
    }

    private BigInteger Counts(string? book, BigInteger sum)
    {
        var (net, tax) = Taxed(book, sum);
        return _countTax ? net + tax : net;
    }

    private BigInteger Value(Invoice bill) => Convert(Counts(bill.Book, bill.Sum), bill.Currency);

    private BigInteger Sum(IEnumerable<Invoice> bills) =>
        bills.Aggregate(BigInteger.Zero, (sum, bill) => sum + Value(bill));

    private R RateOf(string currency) =>
        currency == _display
            ? R.From(1)
            : R.From(Text(Get(Get(_request, "display")!.Value, "rates"), currency)!)
                * R.From(BigInteger.Pow(10, Decimals(_display)))
                / R.From(BigInteger.Pow(10, Decimals(currency)));

    private BigInteger Convert(BigInteger amount, string currency) => (R.From(amount) * RateOf(currency)).Round();

    private string PerMonth(int period)
    {
        var book = Book(Text(_hosting, "book")!);
        var (_, option) = PlanAndOption();
        return Show(
            (
                R.From(Steps(option.GetProperty("prices"), book, period, 1).Sum)
                / R.From(Int(option, "everyMonths")!.Value)
            ).Round(),
            Text(book, "currency")
        );
    }

    private (JsonElement Plan, JsonElement Option) PlanAndOption()
    {
        var hosting = _hosting!.Value;
        var plan = Items(Book(Text(hosting, "book")!), "plans")
            .First(known => Text(known, "id") == Text(hosting, "plan"));
        var commit = Int(hosting, "commitMonths") ?? Int(hosting, "everyMonths");
        return (
            plan,
            Items(plan, "billing")
                .First(known =>
                    Int(known, "everyMonths") == Int(hosting, "everyMonths")
                    && (Int(known, "commitMonths") ?? Int(known, "everyMonths")) == commit
                )
        );
    }

    private static (JsonElement Extra, int Place) Extra(JsonElement book, string id)
    {
        var place = Items(book, "addOns").ToList().FindIndex(known => Text(known, "id") == id);
        return (Items(book, "addOns").ElementAt(place), place);
    }

    private JsonElement Book(string id) => _books.First(book => Text(book, "id") == id);

    private Charge Add(
        DateOnly date,
        JsonElement book,
        string kind,
        string name,
        int quantity,
        BigInteger amount,
        bool unstated,
        (DateOnly, DateOnly)? cover,
        int place = 0
    )
    {
        var charge = new Charge(date, Text(book, "id"), Text(book, "currency")!, kind, name, quantity, amount, place)
        {
            Unstated = unstated,
            Cover = cover,
        };
        _charges.Add(charge);
        return charge;
    }

    private void Included(
        DateOnly date,
        JsonElement book,
        JsonElement extra,
        int place,
        int quantity,
        BigInteger? worth,
        int domain
    )
    {
        var line = Add(date, book, "addOn", Text(extra, "id")!, quantity, 0, false, null, place);
        (line.IsIncluded, line.Worth, line.Domain) = (true, worth, domain);
    }

    internal static (BigInteger Sum, bool Unstated) Steps(JsonElement prices, JsonElement book, int first, int count)
    {
        var steps = prices.EnumerateArray().ToList();
        var sum = BigInteger.Zero;
        var unstated = false;
        for (var period = first; period < first + count; period++)
        {
            var before = 0;
            var step = steps.First(known => Int(known, "periods") is not { } periods || period < (before += periods));
            unstated |= Amount(step, "amount", book) is null;
            sum += Amount(step, "amount", book) ?? 0;
        }

        return (sum, unstated);
    }

    private static List<BigInteger> Share(BigInteger total, List<R> parts)
    {
        var all = parts.Aggregate(R.From(0), (sum, part) => sum + part);
        return Settle(total, parts.ConvertAll(part => R.From(total) * part / all));
    }

    private static List<BigInteger> Settle(BigInteger total, List<R> exact)
    {
        var shares = exact.ConvertAll(part => part.Floor());
        var left = (int)(total - shares.Aggregate(BigInteger.Zero, BigInteger.Add));
        foreach (
            var (_, index) in exact
                .Select((part, index) => (Over: part - R.From(part.Floor()), index))
                .OrderByDescending(pair => pair.Over, Comparer<R>.Create((l, r) => (l.N * r.D).CompareTo(r.N * l.D)))
                .Take(left)
        )
        {
            shares[index]++;
        }

        return shares;
    }

    private static bool Same(string left, string right) =>
        left.Length == right.Length
        && left.Zip(right)
            .All(pair =>
                pair.First == pair.Second
                || (
                    char.IsAsciiLetter(pair.First)
                    && char.IsAsciiLetter(pair.Second)
                    && (pair.First | 32) == (pair.Second | 32)
                )
            );

    private string Show(BigInteger units) => Show(units, _display);

    internal static string Show(BigInteger units, string? currency)
    {
        var decimals = Decimals(currency!);
        var digits = BigInteger.Abs(units).ToString(CultureInfo.InvariantCulture).PadLeft(decimals + 1, '0');
        return (units.Sign < 0 ? "-" : "") + (decimals == 0 ? digits : digits[..^decimals] + "." + digits[^decimals..]);
    }

    private static int Decimals(string currency) =>
        currency switch
        {
            "JPY" or "ISK" => 0,
            "BHD" or "KWD" => 3,
            "CLF" => 4,
            _ => 2,
        };

    private static BigInteger Minor(string amount, string currency) =>
        (R.From(amount) * R.From(BigInteger.Pow(10, Decimals(currency)))).Round();

    internal static BigInteger? Amount(JsonElement element, string field, JsonElement book) =>
        Text(element, field) is { } text ? Minor(text, Text(book, "currency")!) : null;

    internal static JsonElement? Get(JsonElement? element, string field) =>
        element is { ValueKind: JsonValueKind.Object } present
        && present.TryGetProperty(field, out var value)
        && value.ValueKind != JsonValueKind.Null
            ? value
            : null;

    internal static string? Text(JsonElement? element, string field) => Get(element, field)?.GetString();

    internal static int? Int(JsonElement element, string field) => Get(element, field)?.GetInt32();

    internal static bool? Flag(JsonElement? element, string field) => Get(element, field)?.GetBoolean();

    internal static IEnumerable<JsonElement> Items(JsonElement element, string field) =>
        Get(element, field)?.EnumerateArray() ?? Enumerable.Empty<JsonElement>();

    internal static List<string> Words(JsonElement element, string field) =>
        [.. Items(element, field).Select(item => item.GetString()!)];

    internal static DateOnly Day(JsonElement element) =>
        DateOnly.ParseExact(element.GetString()!, "yyyy-MM-dd", CultureInfo.InvariantCulture);

    internal static string Write(DateOnly date) => date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

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
