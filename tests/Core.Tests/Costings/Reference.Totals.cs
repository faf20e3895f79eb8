using System.Globalization;
using System.Numerics;
using System.Text.Json.Nodes;

namespace HomeStart.Core.Tests;

/// <summary>Sums over the horizon (costing rules 25 to 29).</summary>
internal sealed partial class Reference
{
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
}
