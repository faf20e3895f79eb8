using System.Diagnostics;
using HomeStart.Web.Domains;
using Chromium = HomeStart.Browser.Tests.Browser;

namespace HomeStart.Bench;

/// <summary>
/// Three hundred look-ups at a registrar that takes 50 ms each and 20 at once: 750 ms is the least possible. Then, in
/// the real browser, from asking about a list to the first answer on the page.
/// </summary>
internal static class LookUpTimings
{
    private const int Names = 300;
    private static readonly TimeSpan Each = TimeSpan.FromMilliseconds(50);

    public static async Task RunAsync()
    {
        var questions = Enumerable
            .Range(0, Names)
            .Select(at => new NameQuestion("one", DomainName.Parse($"wren{at}.com")!))
            .ToList();
        var (all, first, limited) = (new List<double>(), new List<double>(), 0);
        for (var run = 0; run < 12; run++)
        {
            var registrar = new Unhurried();
            using var gates = new RegistrarGates(TimeProvider.System);
            var start = Stopwatch.GetTimestamp();
            var answers = 0;
            await foreach (
                var news in new NameChecks(registrar, gates, TimeProvider.System).AskAsync(
                    new World(Guid.NewGuid()),
                    questions,
                    withRecord: false,
                    CancellationToken.None
                )
            )
            {
                answers += news.Answer is null ? 0 : 1;
                if (answers == 1 && first.Count < run)
                {
                    first.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
                }
            }

            if (run > 0)
            {
                all.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
            }

            limited += registrar.Limited;
        }

        Console.WriteLine(
            $"{Names} look-ups, 50 ms each, 20 at once; asked beyond that {limited} times: all, {new Percentiles(all)}"
        );
        Console.WriteLine($"the first answer, {new Percentiles(first)}");
        Console.WriteLine(
            $"in the browser, from asking about a list to the first answer, {new Percentiles(Browser(times: 20))}"
        );
    }

    private static IEnumerable<double> Browser(int times)
    {
        const string Watch = """
            const [button, done] = arguments;
            const start = performance.now();
            const look = () => {
              if ([...document.querySelectorAll('main tbody td')].some((cell) => /free|taken|premium|reserved/.test(cell.textContent))) {
                requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
              } else {
                requestAnimationFrame(look);
              }
            };
            button.click();
            look();
            """;
        using var browser = new Chromium();
        for (var run = 0; run < times + 2; run++)
        {
            browser.StartAfresh();
            browser.Press("Domain");
            browser.Press("Many names at once");
            browser.Choice("I have a list").Click();
            browser.Type(
                "Names, one a line",
                string.Join('\n', Enumerable.Range(0, 75).Select(at => $"wren{run}x{at}clocks"))
            );
            var taken = Convert.ToDouble(browser.Driver.ExecuteAsyncScript(Watch, browser.Control("Check them")));
            browser.Reads("All asked.");
            if (run >= 2)
            {
                yield return taken;
            }
        }
    }

    private sealed class Unhurried : IRegistrar
    {
        private int _underWay;
        private int _limited;

        public int Limited => _limited;

        public async Task<Availability> CheckAsync(
            World world,
            string book,
            DomainName domain,
            CancellationToken cancel
        )
        {
            try
            {
                if (Interlocked.Increment(ref _underWay) > RegistrarGate.AtOnce)
                {
                    Interlocked.Increment(ref _limited);
                    return new Availability(AvailabilityState.Unchecked) { Pause = TimeSpan.FromSeconds(1) };
                }

                await Task.Delay(Each, cancel);
                return new Availability(AvailabilityState.Free);
            }
            finally
            {
                Interlocked.Decrement(ref _underWay);
            }
        }

        public Task<RegistrationRecord?> LookUpAsync(World world, DomainName domain, CancellationToken cancel) =>
            Task.FromResult<RegistrationRecord?>(null);

        public Task<TransferAnswer> CheckTransferAsync(
            World world,
            string book,
            DomainName domain,
            TransferCode code,
            DateOnly on,
            CancellationToken cancel
        ) => throw new NotSupportedException();

        public Task<Outcome> RegisterAsync(
            World world,
            string key,
            Registration registration,
            CancellationToken cancel
        ) => throw new NotSupportedException();

        public Task<Outcome> PointAsync(
            World world,
            string key,
            string book,
            DomainName domain,
            IReadOnlyList<string> nameServers,
            CancellationToken cancel
        ) => throw new NotSupportedException();

        public Task<Outcome> AskAsync(
            World world,
            string key,
            bool voidIfUnsettled,
            DateOnly today,
            CancellationToken cancel
        ) => throw new NotSupportedException();

        public Task<HolderCheck?> HolderAsync(World world, string book, DomainName domain, CancellationToken cancel) =>
            throw new NotSupportedException();

        public Task<bool> WriteToHolderAsync(World world, string book, DomainName domain, CancellationToken cancel) =>
            throw new NotSupportedException();

        public Task<Outcome> StandAsync(
            World world,
            string key,
            string book,
            DomainName domain,
            string state,
            DateOnly? until,
            CancellationToken cancel
        ) => throw new NotSupportedException();

        public Task<Release?> ReleaseAsync(
            World world,
            string book,
            DomainName domain,
            DateOnly on,
            CancellationToken cancel
        ) => throw new NotSupportedException();

        public Task<Outcome> TransferAsync(
            World world,
            string key,
            string token,
            Registration registration,
            CancellationToken cancel
        ) => throw new NotSupportedException();
    }
}
