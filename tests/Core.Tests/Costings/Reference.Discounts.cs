using System.Numerics;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>What lowers a charge: included domains, promotions and codes (costing rules 16 to 21).</summary>
internal sealed partial class Reference
{
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
}
