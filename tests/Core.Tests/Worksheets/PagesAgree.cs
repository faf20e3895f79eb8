using System.Text.Json;
using CsCheck;
using HomeStart.Formats.Costings;

namespace HomeStart.Core.Tests;

/// <summary>
/// A figure that several pages show is the same on each: worksheet, its sentence and picture, comparison, what to buy
/// at the sellers' own pages, order, and the sheets taken away.
/// </summary>
public class PagesAgree
{
    private const int Cases = 300;

    [Fact]
    public void What_is_due_today_and_over_the_horizon_is_the_same_everywhere() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var read = CostingRequestReader.Read(request.Deserialize<JsonElement>(), [], new FaultList());
                if (read is null || Coster.Cost(read.Candidate, read.Books, read.Settings).Value is not { } costing)
                {
                    return;
                }

                var (today, horizon) = (costing.Totals.DueToday, costing.Totals.Horizon);
                var summary = Summary.Summarise(costing);
                (summary.Today.Amount, summary.Horizon.Amount).ShouldBe((today, horizon));

                var timeline = Timeline.Build(costing);
                Added(timeline.Bars.Select(bar => bar.Total)).ShouldBe(horizon);
                if (!timeline.IsByYear)
                {
                    Added(timeline.Bars.Where(bar => bar.Date == read.Settings.StartDate).Select(bar => bar.Total))
                        .ShouldBe(today);
                }

                var listed = new ListedCandidate("A", read.Candidate);
                var site = Site.Empty("Shop") with { Shortlist = [listed, listed with { Letter = "B" }] };
                var compared = Comparison.Compare(site, read.Books, read.Settings, "A", "B").Candidates;
                foreach (var known in compared)
                {
                    (known.Costing!.Totals.DueToday, known.Costing.Totals.Horizon).ShouldBe((today, horizon));
                    (known.Paid.IsEmpty ? 0 : known.Paid[^1].Sum.Amount).ShouldBe(horizon);
                }

                if (!costing.Totals.AtLeast.Horizon)
                {
                    compared[1].HorizonChange.ShouldBe((Minor?)(Minor)0); // The same, twice.
                }

                // What is chosen says what the whole worksheet says.
                Worksheet
                    .Fill(listed, read.Books, read.Settings, new Needs())
                    .WaysToPay.Where(way => way.IsChosen)
                    .ShouldAllBe(way => way.Costing!.Totals.Horizon == horizon);

                // At the sellers, each in its own currency and with its tax: alike where there is one currency, the tax
                // is counted, and no name kept elsewhere renews today.
                if (
                    read.Settings.CountTax
                    && costing
                        .Run.Bills.Where(bill => bill.Date == read.Settings.StartDate)
                        .All(bill => bill.Book is not null && bill.Currency == costing.Currency)
                )
                {
                    Added(Slip.Write(costing).Sellers.Select(seller => seller.Today?.Total ?? 0)).ShouldBe(today);
                    if (Placing.Prepare(costing).Value is { } things)
                    {
                        Added(things.Payments.Select(payment => payment.Amount.Units)).ShouldBe(today);
                    }
                }
            },
            iter: Cases
        );

    private static Minor Added(IEnumerable<Minor> sums) => sums.Aggregate((Minor)0, (sum, next) => sum + next);
}
