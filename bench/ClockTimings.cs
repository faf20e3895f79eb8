using System.Diagnostics;
using HomeStart.Web.Tests;

namespace HomeStart.Bench;

/// <summary>
/// A hundred workspaces, each with an order, whose clocks are moved on a year at once: until everything of every day is
/// carried out at the counterparts.
/// </summary>
internal static class ClockTimings
{
    private const int Visitors = 100;
    private const int AMinute = 28;

    public static async Task RunAsync()
    {
        await using var host = await TestHost.StartAsync();
        var visitors = new List<Visitor>();
        foreach (var number in Enumerable.Range(1, Visitors))
        {
            if (number % AMinute == 0)
            {
                await Task.Delay(TimeSpan.FromSeconds(61)); // No more codes are mailed from one address.
            }

            var visitor = host.Visit();
            await visitor.OpenAsync();
            var order = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
            await visitor.UntilAsync(order, "completed");
            visitors.Add(visitor);
        }

        var watch = Stopwatch.StartNew();
        await Task.WhenAll(
            visitors.Select(visitor => visitor.PostAsync("/api/clock", new { from = "2026-12-01", to = "2027-12-02" }))
        );
        var answered = watch.Elapsed;
        foreach (var visitor in visitors)
        {
            while ((await visitor.GetAsync($"/api/sites/{visitor.SiteId}/upkeep")).GetProperty("isMoving").GetBoolean())
            {
                await Task.Delay(100);
            }
        }

        Console.WriteLine(
            $"{Visitors} workspaces moved on a year at once: answered within {answered.TotalSeconds:0.0} s, all "
                + $"carried out after {watch.Elapsed.TotalSeconds:0.0} s"
        );
    }
}
