using System.Numerics;
using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>What holds of every costing. A failure prints the seed that finds it again.</summary>
public class CostingProperties
{
    private const int Cases = 1500;

    [Fact]
    public void Agrees_with_an_independent_reading_of_the_rules() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var json = request.Deserialize<JsonElement>();
                var reference = Reference.Answer(json).Deserialize<JsonElement>();
                Wire.ShouldHold(Wire.Cost(json), reference, "response");
            },
            iter: Cases
        );

    [Fact]
    public void Columns_rows_and_bills_add_up() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var answer = Wire.Cost(request);
                var ledger = answer.GetProperty("ledger");
                var horizon = Units(answer.GetProperty("totals").GetProperty("horizon"));
                var rows = ledger.GetProperty("rows").EnumerateArray().ToList();
                foreach (var (column, total) in ledger.GetProperty("totals").EnumerateArray().Index())
                {
                    Sum(rows.Select(row => row.GetProperty("cells")[column])).ShouldBe(Units(total));
                }

                rows.ShouldAllBe(row =>
                    Sum(row.GetProperty("cells").EnumerateArray()) == Units(row.GetProperty("total"))
                );
                Sum(ledger.GetProperty("totals").EnumerateArray()).ShouldBe(horizon);
                Sum(answer.GetProperty("bills").EnumerateArray().Select(bill => bill.GetProperty("counts")))
                    .ShouldBe(horizon);
            },
            iter: Cases
        );

    [Fact]
    public void A_later_horizon_never_costs_less_and_shows_the_same_bills() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var months = request["horizonMonths"]!.GetValue<int>();
                var shorter = Wire.Cost(request);
                request["horizonMonths"] = Math.Min(120, months + 7);
                var longer = Wire.Cost(request);
                Units(longer.GetProperty("totals").GetProperty("horizon"))
                    .ShouldBeGreaterThanOrEqualTo(Units(shorter.GetProperty("totals").GetProperty("horizon")));
                foreach (var (index, bill) in shorter.GetProperty("bills").EnumerateArray().Index())
                {
                    longer.GetProperty("bills")[index].GetRawText().ShouldBe(bill.GetRawText());
                }
            },
            iter: Cases / 3
        );

    [Fact]
    public void No_discount_makes_a_line_negative_and_each_line_is_its_amount_less_its_rows() =>
        RandomMarket.Request.Sample(
            request =>
            {
                foreach (
                    var line in Wire.Cost(request)
                        .GetProperty("bills")
                        .EnumerateArray()
                        .SelectMany(bill => bill.GetProperty("lines").EnumerateArray())
                )
                {
                    var left = Units(line.GetProperty("afterDiscounts"));
                    left.Sign.ShouldBeGreaterThanOrEqualTo(0);
                    (
                        Units(line.GetProperty("amount"))
                        - Sum(
                            line.GetProperty("discounts")
                                .EnumerateArray()
                                .Select(discount => discount.GetProperty("amount"))
                        )
                    ).ShouldBe(left);
                }
            },
            iter: Cases / 3
        );

    [Fact]
    public void What_a_code_saves_is_the_difference_to_the_costing_without_it() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var answer = Wire.Cost(request);
                foreach (
                    var code in answer
                        .GetProperty("codes")
                        .EnumerateArray()
                        .Where(code => code.Text("verdict") == "applied")
                        .Take(1)
                )
                {
                    var without = Wire.Cost(Without(request, code.Text("code"), code.Text("book")));
                    (
                        Units(without.GetProperty("totals").GetProperty("horizon"))
                        - Units(answer.GetProperty("totals").GetProperty("horizon"))
                    ).ShouldBe(Units(code.GetProperty("saves")));
                }
            },
            iter: Cases / 3
        );

    private static JsonNode Without(JsonObject request, string code, string book)
    {
        var copy = request.DeepClone();
        var candidate = copy["candidate"]!;
        foreach (
            var part in candidate["domains"]!
                .AsArray()
                .Append(candidate["hosting"])
                .Where(part => part?["book"]?.GetValue<string>() == book && part["codes"] is not null)
        )
        {
            part!["codes"] = new JsonArray([
                .. part["codes"]!
                    .AsArray()
                    .Select(entered => entered!.GetValue<string>())
                    .Where(entered => !entered.Equals(code, StringComparison.OrdinalIgnoreCase))
                    .Select(entered => (JsonNode)entered),
            ]);
        }

        return copy;
    }

    private static BigInteger Units(JsonElement amount) =>
        BigInteger.Parse(amount.GetString()!.Replace(".", "", StringComparison.Ordinal));

    private static BigInteger Sum(IEnumerable<JsonElement> amounts) =>
        amounts.Aggregate(BigInteger.Zero, (sum, amount) => sum + Units(amount));
}
