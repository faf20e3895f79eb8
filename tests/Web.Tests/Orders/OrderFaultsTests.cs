using System.Data.Common;
using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using HomeStart.Connectors;
using HomeStart.Data;
using HomeStart.Web.Orders;
using HomeStart.Web.Work;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace HomeStart.Web.Tests;

/// <summary>
/// What visitors, counterparts, the disk and the network may do to an order, and what must never come of it.
/// </summary>
public class OrderFaultsTests
{
    [Fact]
    public async Task Keys_at_the_counterparts_are_not_made_from_an_id_that_the_client_chose()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = Guid.NewGuid();
        await visitor.TryOrderAsync(id: id);
        await visitor.UntilAsync(id, "completed");
        var keys = await host.InCounterpartsAsync(db => db.Operations.Select(row => row.Key).ToListAsync());
        keys.Count.ShouldBe(5);
        keys.ShouldAllBe(key => !key.Contains(id.ToString("N")));
    }

    [Theory]
    [InlineData("/name-servers", HttpStatusCode.NotFound, "")]
    [InlineData("/name-servers", HttpStatusCode.OK, "[")]
    [InlineData("/registrations", HttpStatusCode.NotFound, "{}")]
    [InlineData("/accounts", HttpStatusCode.OK, "{\"server\":3}")]
    [InlineData("/accounts", HttpStatusCode.OK, "[]")]
    [InlineData("/holds", HttpStatusCode.Conflict, "7")]
    [InlineData("/capture", HttpStatusCode.BadRequest, "")]
    public async Task A_counterpart_that_answers_nonsense_is_asked_a_few_times_and_then_the_owner_decides(
        string path,
        HttpStatusCode status,
        string body
    )
    {
        var nonsense = new Nonsense(path, status, body);
        await using var host = await TestHost.StartAsync(between: nonsense.Handler);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(id, "needs-patience", "needs-payment");
        nonsense.Answered.ShouldBeLessThanOrEqualTo(OrderFlow.MostUnanswered);
        nonsense.IsOver = true;
        var (token, ending) = await visitor.CardAsync(Visitor.GoodCard);
        await visitor.PostAsync($"/api/orders/{id}/resume", new { card = new { token, ending } });
        await visitor.UntilAsync(id, "completed");
    }

    [Fact]
    public async Task A_fault_of_our_own_is_tried_again_with_growing_pauses()
    {
        var (disk, pauses) = (new FullDisk(failures: 4), new NoPauses());
        await using var host = await TestHost.StartAsync(disk, work: pauses);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        pauses.Faults.ShouldBe([1, 2, 3, 4]);
        (await host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(1);
    }

    [Fact]
    public async Task An_order_that_nothing_carries_on_is_found_by_the_sweep()
    {
        var forgetful = new Forgetful();
        await using var host = await TestHost.StartAsync(forgetful);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(id, "completed");
        forgetful.Forgot.ShouldBeTrue();
    }

    [Fact]
    public async Task An_orders_record_is_on_the_disk_before_anybody_is_asked()
    {
        var sync = new SyncMode();
        await using var host = await TestHost.StartAsync(interceptor: sync);
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed");
        sync.OfOrders.Count.ShouldBeGreaterThan(10);
        sync.OfOrders.ShouldAllBe(mode => mode == 2); // FULL.
    }

    [Fact]
    public async Task Six_equal_placements_at_once_are_one_order_and_all_are_told_of_it()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var id = Guid.NewGuid();
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => visitor.TryOrderAsync(id: id)));
        answers.ShouldAllBe(answer =>
            answer.Status == HttpStatusCode.OK && answer.Body.GetProperty("id").GetGuid() == id
        );
        await visitor.UntilAsync(id, "completed");
        (await host.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(1);
    }

    [Fact]
    public async Task Resuming_and_calling_off_at_once_both_get_an_answer()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("host", "down");
        var id = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(id, "needs-patience");
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(turn => visitor.PostAsync($"/api/orders/{id}/{(turn % 2 == 0 ? "resume" : "cancel")}", new { }))
        );
        answers.ShouldAllBe(answer => answer.Status == HttpStatusCode.OK);
        await visitor.TellAsync("host", "ok");
        (await visitor.UntilAsync(id, "needs-patience", "completed", "cancelled"))
            .GetProperty("charged")
            .ValueKind.ShouldBeOneOf(JsonValueKind.True, JsonValueKind.False);
    }

    [Fact]
    public async Task A_second_order_like_one_just_placed_is_asked_about()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("host", "down");
        var first = await visitor.OrderAsync();
        var (status, body) = await visitor.TryOrderAsync();
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        Where(body).ShouldBe(["again"]);
        body.ToString().ShouldContain(first.GetProperty("reference").GetString()!);
        (await visitor.TryOrderAsync(again: true)).Status.ShouldBe(HttpStatusCode.OK);
        await visitor.UntilAsync(first.GetProperty("id").GetGuid(), "needs-patience");
    }

    [Fact]
    public async Task What_cannot_be_checked_is_not_ordered()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.TellAsync("registrar", "limiting");
        var (status, body) = await visitor.TryOrderAsync();
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        Where(body).ShouldBe(["domain"]);
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task A_name_that_became_premium_meanwhile_is_not_ordered_at_the_ordinary_price()
    {
        // The check says free, as it would have a minute ago; the seller's own sum holds the premium price.
        await using var host = await TestHost.StartAsync(
            between: new Nonsense("/check", HttpStatusCode.OK, "{\"state\":\"free\"}").Handler
        );
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new
                {
                    route = "register",
                    book = "tidemarsh",
                    name = "antique",
                    ending = "com",
                    years = 1,
                },
            }
        );
        var (status, body) = await visitor.TryOrderAsync();
        status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var fault = body.GetProperty("errors").EnumerateArray().Single();
        fault.GetProperty("where").GetString().ShouldBe("quotes.tidemarsh");
        fault.GetProperty("message").GetString()!.ShouldContain("premium name");
        (await host.InCounterpartsAsync(db => Task.FromResult(db.Holds.Count()))).ShouldBe(0);
    }

    [Fact]
    public async Task Another_visitors_order_id_is_just_an_id()
    {
        await using var host = await TestHost.StartAsync();
        var (owner, stranger) = (host.Visit(), host.Visit());
        await owner.OpenAsync();
        await stranger.OpenAsync();
        var id = (await owner.OrderAsync()).GetProperty("id").GetGuid();
        await owner.UntilAsync(id, "completed");
        var (status, body) = await stranger.TryOrderAsync(id: id);
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        await stranger.UntilAsync(id, "completed");
    }

    [Fact]
    public async Task Counterparts_do_nothing_for_who_does_not_know_the_secret()
    {
        await using var host = await TestHost.StartAsync();
        using var stranger = host.Outside();
        (
            await stranger.PutAsync("/worlds/any/behaviours/card/down", null, TestContext.Current.CancellationToken)
        ).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (await stranger.PostAsync("/holds", null, TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            HttpStatusCode.Unauthorized
        );
        (
            await stranger.PostAsync(
                "/cards",
                new StringContent("{}", Encoding.UTF8, "application/json"),
                TestContext.Current.CancellationToken
            )
        ).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Theory]
    [InlineData("a/b", "/hosts/a%2Fb/accounts")]
    [InlineData("%2e%2e", "/hosts/%252e%252e/accounts")]
    [InlineData("..", "/hosts/%252/accounts")]
    [InlineData(".", "/hosts/%251/accounts")]
    [InlineData("", "/hosts/%250/accounts")]
    [InlineData("x?y#z", "/hosts/x%3Fy%23z/accounts")]
    public void Whatever_is_put_into_an_address_stays_one_segment(string book, string path)
    {
        CounterpartPath.Escape($"/hosts/{book}/accounts").ShouldBe(path);
        new Uri(
            new Uri("http://localhost"),
            CounterpartPath.Escape($"/hosts/{book}/accounts")
        ).Segments.Length.ShouldBe(4);
    }

    [Fact]
    public void A_counterparts_address_has_each_value_in_its_format_whatever_language_the_machine_speaks()
    {
        var before = CultureInfo.CurrentCulture;
        try
        {
            CultureInfo.CurrentCulture = CultureInfo.GetCultureInfo("ar-SA"); // Another calendar, and other digits.
            CounterpartPath
                .Escape($"/a?date={new DateOnly(2026, 12, 1):yyyy-MM-dd}&at={1234.5m:0.00}&name={"a b/c"}")
                .ShouldBe("/a?date=2026-12-01&at=1234.50&name=a%20b%2Fc");
            CounterpartPath.Escape($"/a/{new DateOnly(2026, 12, 1)}").ShouldBe("/a/12%2F01%2F2026");
        }
        finally
        {
            CultureInfo.CurrentCulture = before;
        }
    }

    [Theory]
    [InlineData(
        "{\"ldhName\":\"clock.com\",\"entities\":[{\"roles\":[\"registrar\"],\"vcardArray\":[\"vcard\",[[\"fn\",{},\"text\",7]]]}]}"
    )]
    [InlineData(
        "{\"ldhName\":\"clock.com\",\"events\":[{\"eventAction\":3,\"eventDate\":{}}],\"status\":[1,null],\"entities\":{}}"
    )]
    [InlineData("{\"ldhName\":\"\\ud800\"}")]
    [InlineData("[7]")]
    [InlineData("nonsense")]
    public async Task A_public_record_that_makes_no_sense_spoils_no_check(string record)
    {
        await using var host = await TestHost.StartAsync(
            between: new Nonsense("/clock.com", HttpStatusCode.OK, record).Handler
        );
        var answer = await host.Visit().GetAsync("/api/domains/check?label=clock&ending=com");
        answer.GetProperty("state").GetString().ShouldBe("taken");
    }

    private static List<string?> Where(JsonElement problem) =>
        [.. problem.GetProperty("errors").EnumerateArray().Select(fault => fault.GetProperty("where").GetString())];

    /// <summary>Answers what is sent to addresses that end so, in the counterpart's place.</summary>
    private sealed class Nonsense(string pathEnd, HttpStatusCode status, string body)
    {
        public int Answered { get; private set; }

        public bool IsOver { get; set; }

        public DelegatingHandler Handler() => new Between(this);

        private sealed class Between(Nonsense nonsense) : DelegatingHandler
        {
            protected override async Task<HttpResponseMessage> SendAsync(
                HttpRequestMessage request,
                CancellationToken cancellationToken
            )
            {
                if (
                    nonsense.IsOver
                    || !request.RequestUri!.AbsolutePath.EndsWith(nonsense.PathEnd, StringComparison.Ordinal)
                )
                {
                    return await base.SendAsync(request, cancellationToken);
                }

                nonsense.Answered++;
                return new HttpResponseMessage(nonsense.Status)
                {
                    Content = new StringContent(nonsense.Body, Encoding.UTF8, "application/json"),
                };
            }
        }

        private string PathEnd => pathEnd;

        private HttpStatusCode Status => status;

        private string Body => body;
    }

    private sealed class FullDisk(int failures) : OrderPace
    {
        private int _left = failures;

        public override Task WaitAsync(int unanswered, CancellationToken cancel) => Task.CompletedTask;

        public override Task AtAsync(OrderMoment moment, OrderAction action, CancellationToken cancel) =>
            moment == OrderMoment.Answered && _left-- > 0
                ? throw new DbUpdateException("", new SqliteException("database or disk is full", 13))
                : Task.CompletedTask;
    }

    private sealed class NoPauses : WorkPace
    {
        public List<int> Faults { get; } = [];

        public override Task AfterFaultAsync(int faults, CancellationToken cancel)
        {
            Faults.Add(faults);
            return Task.CompletedTask;
        }
    }

    /// <summary>Stops carrying an order on once, as no code should.</summary>
    private sealed class Forgetful : OrderPace
    {
        public bool Forgot { get; private set; }

        public override TimeSpan SweepEvery => TimeSpan.FromMilliseconds(50);

        public override Task WaitAsync(int unanswered, CancellationToken cancel) => Task.CompletedTask;

        public override Task AtAsync(OrderMoment moment, OrderAction action, CancellationToken cancel)
        {
            if (Forgot)
            {
                return Task.CompletedTask;
            }

            Forgot = true;
            throw new OperationCanceledException();
        }
    }

    /// <summary>Reads, with each save of an order, how the connection syncs.</summary>
    private sealed class SyncMode : DbCommandInterceptor
    {
        public List<long> OfOrders { get; } = [];

        public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
            DbCommand command,
            CommandEventData eventData,
            InterceptionResult<DbDataReader> result,
            CancellationToken cancellationToken = default
        )
        {
            if (
                eventData.Context is HomeStartDb
                && (
                    command.CommandText.Contains("INSERT INTO \"Orders\"", StringComparison.Ordinal)
                    || command.CommandText.Contains("UPDATE \"Orders\"", StringComparison.Ordinal)
                )
            )
            {
                using var ask = command.Connection!.CreateCommand();
                (ask.CommandText, ask.Transaction) = ("PRAGMA synchronous", command.Transaction);
                OfOrders.Add((long)ask.ExecuteScalar()!);
            }

            return ValueTask.FromResult(result);
        }
    }
}
