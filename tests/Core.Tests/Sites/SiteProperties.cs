using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Exports;

namespace HomeStart.Core.Tests;

/// <summary>
/// What holds of every worksheet and comparison, over random markets. A failure prints the seed that finds it again.
/// </summary>
public class SiteProperties
{
    private const int Cases = 300;

    /// <summary>The alternative is written into the request by hand and costed by itself.</summary>
    [Fact]
    public void Every_way_to_pay_is_the_difference_of_two_costings() =>
        Hosted.Sample(
            market =>
            {
                var now = Horizon(market.Request);
                foreach (var way in market.Worksheet.WaysToPay)
                {
                    market.Request["candidate"]!["hosting"]!["everyMonths"] = way.Choice.EveryMonths;
                    market.Request["candidate"]!["hosting"]!["commitMonths"] = way.Choice.CommitMonths;
                    (
                        way.HorizonChange is { } change ? new Money(change, way.Costing!.Currency).ToAmount() : null
                    ).ShouldBe(Difference(Horizon(market.Request), now));
                }
            },
            iter: Cases
        );

    [Fact]
    public void Every_data_centre_is_the_difference_of_two_costings() =>
        Hosted.Sample(
            market =>
            {
                var now = Horizon(market.Request);
                foreach (var centre in market.Worksheet.DataCentres)
                {
                    market.Request["candidate"]!["hosting"]!["dataCentre"] = centre.Choice?.Id;
                    (
                        centre.HorizonChange is { } change
                            ? new Money(change, centre.Costing!.Currency).ToAmount()
                            : null
                    ).ShouldBe(Difference(Horizon(market.Request), now));
                }
            },
            iter: Cases
        );

    [Fact]
    public void The_best_codes_save_what_they_say_and_nothing_is_left_to_gain() =>
        Hosted.Sample(
            market =>
            {
                if (market.Worksheet.BestCodes is not { } best)
                {
                    return;
                }

                best.HorizonChange!.Value.ShouldBeLessThan(0);
                var candidate = CodeChange.Using(
                    market.Worksheet.Candidate,
                    best.Choice,
                    market.Books,
                    new FaultList()
                );
                var after = Worksheet.Fill(
                    new ListedCandidate("A", candidate),
                    market.Books,
                    market.Settings,
                    new Needs()
                );
                (after.Costing!.Totals.Horizon - market.Worksheet.Costing!.Totals.Horizon).ShouldBe(
                    best.HorizonChange.Value
                );
                after.BestCodes.ShouldBeNull();
            },
            iter: Cases
        );

    [Fact]
    public void What_is_sunk_never_falls_and_ends_at_the_horizon_with_what_is_owed() =>
        Hosted.Sample(
            market =>
            {
                var stopping = Stopping
                    .WorkOut(market.Worksheet.Candidate, market.Books, market.Settings)
                    .ShouldNotBeNull();
                var totals = market.Worksheet.Costing!.Totals;
                stopping
                    .Chosen.Zip(stopping.Chosen.Skip(1))
                    .All(pair => pair.First.Amount <= pair.Second.Amount)
                    .ShouldBeTrue();
                stopping.Chosen[^1].Amount.ShouldBe(totals.Horizon + totals.OwedAfterHorizon);
            },
            iter: Cases
        );

    [Fact]
    public void Two_candidates_differ_line_by_line_by_what_their_columns_differ() =>
        Hosted.Sample(
            market =>
            {
                var costings = market.Worksheet.WaysToPay.Select(way => way.Costing).OfType<Costing>().ToList();
                foreach (var other in costings)
                {
                    var lines = LineDifference.Between(market.Worksheet.Costing!, other);
                    lines.ShouldAllBe(line =>
                        line.Total
                        == (
                            line.Cells.Any(cell => cell == null)
                                ? null
                                : line.Cells.Aggregate((Int128)0, (sum, cell) => sum + cell!.Value)
                        )
                    );
                    for (var column = 0; column < other.Ledger.Totals.Length; column++)
                    {
                        var known = lines.All(line => line.Cells[column] is not null);
                        known.ShouldBe(
                            !other.Ledger.AtLeast[column] && !market.Worksheet.Costing!.Ledger.AtLeast[column]
                        );
                        if (known)
                        {
                            lines
                                .Aggregate((Int128)0, (sum, line) => sum + line.Cells[column]!.Value)
                                .ShouldBe(
                                    other.Ledger.Totals[column] - market.Worksheet.Costing!.Ledger.Totals[column]
                                );
                        }
                    }
                }
            },
            iter: Cases
        );

    [Fact]
    public void Ledger_and_bills_as_CSV_say_what_the_costing_says() =>
        Hosted.Sample(
            market =>
            {
                var costing = market.Worksheet.Costing!;
                var rows = CostingCsv
                    .Ledger(costing, CsvStyle.Plain)
                    .Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
                rows.Length.ShouldBe(costing.Ledger.Rows.Length + 2);
                rows[^1]
                    .ShouldContain(
                        $",{new Money(costing.Totals.Horizon, costing.Currency).ToAmount()},{costing.Currency.Code},"
                    );
                CostingCsv
                    .Bills(costing, CsvStyle.British)
                    .Split("\r\n")
                    .Length.ShouldBeGreaterThanOrEqualTo(2 + costing.Counted.Sum(bill => bill.Lines.Count));
            },
            iter: 100
        );

    private sealed record Market(
        JsonObject Request,
        IReadOnlyList<OfferBook> Books,
        CountSettings Settings,
        Worksheet Worksheet
    );

    /// <summary>Those of the random requests that buy hosting.</summary>
    private static readonly Gen<Market> Hosted = RandomMarket
        .Request.Where(request => request["candidate"]!["hosting"] is not null)
        .Select(request =>
        {
            var read = CostingRequestReader.Read(request.Deserialize<JsonElement>(), [], new FaultList())!;
            return new Market(
                request,
                read.Books,
                read.Settings,
                Worksheet.Fill(new ListedCandidate("A", read.Candidate), read.Books, read.Settings, new Needs())
            );
        });

    private static string? Horizon(JsonObject request) =>
        Wire.Try(request.Deserialize<JsonElement>()).Answer?.GetProperty("totals").GetProperty("horizon").GetString();

    // By the digits alone: both are written with the same decimals.
    private static string? Difference(string? then, string? now)
    {
        if (then is null || now is null)
        {
            return null;
        }

        var decimals = now.Length - 1 - now.IndexOf('.', StringComparison.Ordinal);
        return now.Contains('.', StringComparison.Ordinal)
            ? (decimal.Parse(then) - decimal.Parse(now)).ToString("F" + decimals)
            : (decimal.Parse(then) - decimal.Parse(now)).ToString("F0");
    }
}
