using System.Collections.Immutable;
using System.Text.Json;
using CsCheck;
using HomeStart.Formats.Costings;

namespace HomeStart.Core.Tests;

/// <summary>The scan gives exactly what costing each candidate by itself gives.</summary>
public class ScanTests
{
    [Fact]
    public void Agrees_with_brute_force_on_random_markets() =>
        Gen.Int.Sample(
            seed =>
            {
                var request = RandomScan.Make(seed);
                var faults = new FaultList();
                var scan = Scan.Run(request, null, CancellationToken.None);
                var result = scan.Value.ShouldNotBeNull(string.Join(' ', scan.Faults.Faults));
                var brute = new BruteForce(request).Run();
                result.Considered.ShouldBe(brute.Considered);
                result.Feasible.ShouldBe(brute.Feasible);
                result.Rows.Select(Show).ShouldBe(brute.Rows.Select(row => Show(row.Candidate, row.Costing)));
                result.Front.Select(Show).ShouldBe(brute.Front.Select(row => Show(row.Candidate, row.Costing)));
                result
                    .Rejected.Select(plan => (plan.Book.Id, plan.Plan.Id))
                    .ShouldBe(brute.Rejected.Select(plan => (plan.Book, plan.Plan)));
                result
                    .Rejected.Select(plan => string.Join(',', plan.Reasons.Select(Show)))
                    .ShouldBe(brute.Rejected.Select(plan => plan.Reasons));
            },
            iter: 300
        );

    /// <summary>
    /// Rows are ranked by sums of parts: the costings of the whole candidates must stand in the same order.
    /// </summary>
    [Fact]
    public void Whole_figures_stand_first_and_the_costings_of_the_rows_ascend() =>
        Gen.Int.Sample(
            seed =>
            {
                var request = RandomScan.Make(seed) with { Objective = Objective.Horizon };
                var rows = Scan.Run(request, null, CancellationToken.None).Value!.Rows;
                foreach (var (before, after) in rows.Zip(rows.Skip(1)))
                {
                    var (left, right) = (before.Totals, after.Totals);
                    (left.AtLeast.Horizon, left.Horizon, left.DueToday)
                        .CompareTo((right.AtLeast.Horizon, right.Horizon, right.DueToday))
                        .ShouldBeLessThanOrEqualTo(0);
                }
            },
            iter: 100
        );

    [Fact]
    public void The_demo_names_what_bars_a_plan()
    {
        var books = Directory
            .GetFiles(Path.Combine(AppContext.BaseDirectory, "demo", "books"))
            .Order()
            .Select(file => BookTests.Read(Path.GetFileName(file)))
            .ToImmutableArray();
        var settings = new CountSettings(new DateOnly(2026, 12, 1), 36)
        {
            DisplayCurrency = Currency.Get("GBP"),
            Rates = ImmutableDictionary<string, ExactDecimal>.Empty.Add("USD", ExactDecimal.Whole(1)),
        };
        var needs = new Needs
        {
            Numbers = ImmutableDictionary<string, decimal>.Empty.Add("websites", 3),
            Support = ["phone"],
            Domain = new DomainNeed(DomainRoute.Register, "ostlerwren", ["com"]),
        };
        var result = Scan.Run(
            new ScanRequest(books, settings, needs, Objective.Horizon, true, 25),
            null,
            CancellationToken.None
        ).Value!;
        var slipway = result.Rejected.Single(plan => plan.Plan.Id == "slipway").Reasons.Single();
        (slipway.Need, slipway.Has!.Number, slipway.Wants.Number).ShouldBe(("websites", 1, 3));
        result
            .Rejected.Single(plan => plan.Plan.Id == "orchard")
            .Reasons.Select(reason => reason.Need)
            .ShouldBe(["support"]);
        result.Rows.ShouldNotBeEmpty();
    }

    [Fact]
    public void The_first_row_says_what_it_costs_less_than_the_best_of_any_other_plan()
    {
        var request = new ScanRequest(
            [.. Shop.Books],
            Shop.Settings with
            {
                DisplayCurrency = Currency.Get("GBP"),
            },
            new Needs(),
            Objective.Horizon,
            false,
            1000
        );
        var rows = Scan.Run(request, null, CancellationToken.None).Value!.Rows;
        var lead = ScanLead.Find(rows, Objective.Horizon).ShouldNotBeNull();
        var others = rows.Where(row => row.Candidate.Hosting!.Plan != rows[0].Candidate.Hosting!.Plan).ToList();
        lead.Next.ShouldBe(others[0]);
        lead.Saves.ShouldBe(
            others.Min(row => row.Totals.AtLeast.Horizon ? Int128.MaxValue : row.Totals.Horizon)
                - rows[0].Totals.Horizon
        );
        lead.MoreToday.ShouldBe(rows[0].Totals.DueToday - others[0].Totals.DueToday);
        ScanLead.Find([rows[0]], Objective.Horizon).ShouldBeNull();
    }

    [Fact]
    public void What_the_provider_says_of_its_help_stands_in_the_reason_or_nothing_where_it_says_nothing()
    {
        var host = new OfferBook("host", new Provider("Host", ["mail"]), new DateOnly(2026, 12, 1), Currency.Get("GBP"))
        {
            Plans =
            [
                new Plan("plan", "Plan")
                {
                    Billing = [new BillingOption(12, 12, null, new PriceSteps([new PriceStep(null, 1000)]))],
                },
            ],
        };
        var silent = host with { Id = "silent", Provider = new Provider("Silent", null) };
        var rejected = Scan.Run(
            new ScanRequest(
                [host, silent],
                new CountSettings(new DateOnly(2026, 12, 1), 12),
                new Needs { Support = ["phone"] },
                Objective.Horizon,
                true,
                25
            ),
            null,
            CancellationToken.None
        ).Value!.Rejected;
        rejected.Single(plan => plan.Book.Id == "host").Reasons.Single().Has!.Words!.Value.ShouldBe(["mail"]);
        rejected.Single(plan => plan.Book.Id == "silent").Reasons.Single().Has.ShouldBeNull();
    }

    private static string Show(Reason reason) =>
        reason.Need switch
        {
            "extras" => $"extras {reason.Wants.Word}",
            "maxDueToday" => $"maxDueToday {reason.Has!.Word}",
            _ => reason.Need,
        };

    private static string Show(ScanRow row) => Show(row.Candidate, row.Work());

    private static string Show(Candidate candidate, Costing costing) =>
        $"{costing.Totals.DueToday} {costing.Totals.Horizon} {JsonSerializer.Serialize(CandidateWire.From(candidate))}";
}
