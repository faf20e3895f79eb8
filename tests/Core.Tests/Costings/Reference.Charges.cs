using System.Numerics;
using System.Text.Json;

namespace HomeStart.Core.Tests;

/// <summary>What is charged when: plans, domains, extras (costing rules 4 to 15).</summary>
internal sealed partial class Reference
{
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
}
