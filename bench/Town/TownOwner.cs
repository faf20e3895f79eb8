using System.Diagnostics;
using System.Net;
using System.Text.Json;
using HomeStart.Browser.Tests;
using HomeStart.Web.Tests;

namespace HomeStart.Bench;

/// <summary>
/// One owner of a town and what they do, again and again, with a while of thinking between: look at the site, change
/// it, scan, ask for a name, compare, paste a seller's page; every fifth orders once and then looks after it.
/// </summary>
internal sealed class TownOwner(int number, AppProcess app, Diary diary)
{
    private const string Page =
        "<h1>Mossgate Hosting</h1><h2>Pebble</h2><p>£3.50 a month for 12 months, then £7.00 a month. 10 GB.</p>"
        + "<h2>Boulder</h2><p>£6.00 a month for 12 months, then £11.00 a month. 50 GB.</p><p>Prices exclude VAT.</p>";

    private static readonly TimeSpan Thinking = TimeSpan.FromSeconds(4);

    private readonly Random _random = new(number);
    private readonly Visitor _visitor = new(app.Address, app.Counterparts, app.Secret);
    private readonly Guid _order = Guid.NewGuid();
    private int _revision;

    private bool Orders => number % 5 == 0;

    /// <summary>The revision that was last acknowledged: whatever happened since, it may not be lost.</summary>
    public int Acknowledged { get; private set; }

    public bool HasOrdered { get; private set; }

    private string Site => $"/api/sites/{_visitor.SiteId}";

    /// <summary>Lives until it is over. Whatever goes wrong is noted, and life goes on.</summary>
    public async Task LiveAsync(CancellationToken over)
    {
        try
        {
            await Task.Delay(TimeSpan.FromSeconds(_random.NextDouble() * 10), over);
            for (var round = 0; ; round++)
            {
                foreach (var act in Acts(round))
                {
                    await TryAsync(act.Kind, act.Do);
                    await Task.Delay(-Math.Log(1 - _random.NextDouble()) * Thinking, over);
                }
            }
        }
        catch (OperationCanceledException) when (over.IsCancellationRequested)
        {
            // The day is over.
        }
    }

    /// <summary>The site's revision as the server has it now; null: it does not answer.</summary>
    public async Task<int?> RevisionAsync()
    {
        var (status, page) = await _visitor.SendAsync(HttpMethod.Get, Site, null);
        return status == HttpStatusCode.OK ? page.GetProperty("revision").GetInt32() : null;
    }

    private IEnumerable<(string Kind, Func<Task<HttpStatusCode>> Do)> Acts(int round)
    {
        yield return ("open", OpenAsync);
        yield return ("change", () => ChangeAsync(new { kind = "set-horizon", months = 24 + (12 * (round % 3)) }));
        yield return ("change", () => ChangeAsync(Billing(round % 2 == 0 ? 1 : 12)));
        yield return ("compare", () => LookAsync($"{Site}/comparison"));
        yield return ("change", () => ChangeAsync(Billing(round % 2 == 0 ? 12 : 1)));
        yield return ("scan", () => LookAsync($"{Site}/scan"));
        yield return ("name", () => LookAsync($"/api/domains/check?label=shop{number}r{round}&ending=com"));
        yield return ("paste a page", PasteAsync);
        if (Orders && !HasOrdered)
        {
            yield return ("order", OrderAsync);
        }
        else if (Orders)
        {
            yield return ("upkeep", () => LookAsync($"{Site}/upkeep"));
            yield return ("five months later", MoveOnAsync);
        }
    }

    private async Task TryAsync(string kind, Func<Task<HttpStatusCode>> act)
    {
        var start = Stopwatch.GetTimestamp();
        try
        {
            var status = await act();
            if ((int)status >= 400)
            {
                diary.Told($"{kind}: {(int)status}");
            }
            else
            {
                diary.Waited(kind, Stopwatch.GetElapsedTime(start).TotalMilliseconds);
            }
        }
        catch (Exception exception)
        {
            // A connection that breaks while it is opened comes as one of many kinds.
            diary.Told(exception is ShouldAssertException ? $"{kind}: otherwise" : "nobody answered");
        }
    }

    private async Task<HttpStatusCode> OpenAsync()
    {
        _revision = (await _visitor.OpenAsync()).GetProperty("revision").GetInt32();
        return HttpStatusCode.OK;
    }

    private async Task<HttpStatusCode> LookAsync(string path) =>
        (await _visitor.SendAsync(HttpMethod.Get, path, null)).Status;

    private static object Billing(int months) =>
        new
        {
            kind = "choose-billing",
            letter = "A",
            everyMonths = months,
            commitMonths = months,
        };

    private async Task<HttpStatusCode> ChangeAsync(object command)
    {
        var (status, page) = await _visitor.PostAsync($"{Site}/commands", new { revision = _revision, command });
        if (status is HttpStatusCode.OK or HttpStatusCode.Conflict)
        {
            _revision = page.GetProperty("revision").GetInt32();
        }

        if (status == HttpStatusCode.OK)
        {
            Acknowledged = _revision;
        }

        return status;
    }

    private async Task<HttpStatusCode> PasteAsync() =>
        (
            await _visitor.PostAsync(
                $"{Site}/page",
                new
                {
                    html = Page,
                    provider = "Mossgate Hosting",
                    currency = "GBP",
                    changes = Array.Empty<object>(),
                }
            )
        ).Status;

    // Placed again under the same id where the answer was lost.
    private async Task<HttpStatusCode> OrderAsync()
    {
        var (status, _) = await _visitor.TryOrderAsync(id: _order);
        HasOrdered = status == HttpStatusCode.OK;
        return status;
    }

    private async Task<HttpStatusCode> MoveOnAsync()
    {
        var today = DateOnly.Parse(
            (await _visitor.GetAsync("/api/session")).GetProperty("businessDate").GetString()!,
            System.Globalization.CultureInfo.InvariantCulture
        );
        var (status, _) = await _visitor.PostAsync("/api/clock", new { from = today, to = today.AddMonths(5) });
        return status;
    }
}
