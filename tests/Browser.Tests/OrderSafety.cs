using System.Diagnostics;
using System.Globalization;
using System.Text;

namespace HomeStart.Browser.Tests;

/// <summary>
/// What an owner is spared when the network, a process or their own patience fails in the middle of an order.
/// </summary>
public sealed class OrderSafety(Browser browser) : IClassFixture<Browser>
{
    private const string Card = "9999000000000004";

    /// <summary>The request arrives, its answer does not.</summary>
    private const string LosesAnswers = """
        const real = window.fetch;
        window.lose = '';
        window.fetch = async (...asked) => {
          const answer = await real(...asked);
          const url = asked[0] instanceof Request ? asked[0].url : String(asked[0]);
          if (window.lose && new RegExp(window.lose).test(url)) throw new TypeError('Failed to fetch');
          return answer;
        };
        """;

    [Fact]
    public void After_a_lost_answer_the_page_asks_and_shows_the_order_that_was_placed()
    {
        Begin();
        Lose("/sites/[^/]+/orders$");
        Walk.Order(browser);
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Api("/api/orders").GetArrayLength().ShouldBe(1);
    }

    [Fact]
    public void What_may_have_been_placed_is_found_again_after_a_reload_and_not_placed_twice()
    {
        Begin();
        Lose("/(sites/[^/]+/orders|api/orders/[0-9a-f-]{36})$");
        Walk.Order(browser);
        browser.Reads("the order may have been placed");
        browser.Text.ShouldNotContain("Nothing was ordered");
        browser.Driver.Navigate().Refresh();
        browser.Reads("HS-");
        browser.Api("/api/orders").GetArrayLength().ShouldBe(1);
    }

    [Fact]
    public void A_second_order_like_one_just_placed_is_asked_about()
    {
        Begin();
        Walk.Order(browser);
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Press("Worksheet");
        browser.Press("Order A");
        Walk.FillIn(browser, Card);
        browser.Press("Order A and pay");
        browser.Reads("You placed an order like this one a short while ago");
        browser.Keeps("an order like one just placed");
        browser.Press("Order it a second time");
        browser.Reads("is not free any more");
        browser.Api("/api/orders").GetArrayLength().ShouldBe(1);
    }

    [Fact]
    public void The_first_password_is_there_until_it_was_seen()
    {
        Begin();
        Walk.Order(browser);
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Press("Show it once");
        browser.Reads("Write it down now");
        browser.Focused.ShouldContain("Write it down now"); // It takes the focus.
        browser.Press("I have noted it");
        browser.Reads("Noted.");
        browser.Driver.Navigate().Refresh();
        browser.Press("Show it once");
        browser.Reads("It has been shown already");
    }

    [Fact]
    public void The_card_number_is_not_in_the_applications_memory()
    {
        Begin();
        Walk.Order(browser);
        browser.Reads("Key sheet for ostlerwren.com");
        var memory = Memory(browser.App.Id);
        memory.Holds("ostlerwren.com").ShouldBeTrue("the search finds nothing at all");
        memory.Holds(Card).ShouldBeFalse();
        foreach (
            var file in Directory
                .GetFiles(browser.App.DataFolder, "*", SearchOption.AllDirectories)
                .Where(file => !file.EndsWith("in-use", StringComparison.Ordinal))
        )
        {
            using var stream = new FileStream(
                file,
                FileMode.Open,
                FileAccess.Read,
                FileShare.ReadWrite | FileShare.Delete
            );
            using var reader = new StreamReader(stream, Encoding.Latin1);
            reader.ReadToEnd().ShouldNotContain(Card);
        }
    }

    [Fact]
    public void Counterparts_that_die_are_started_again()
    {
        browser.StartAfresh();
        var before = Counterparts();
        before.Kill();
        browser.Until(
            () => CounterpartsOrNull() is { } now && now.Id != before.Id ? "" : null,
            "the counterparts are not started again"
        );
        browser.Press("Domain");
        browser.Until(
            () =>
            {
                browser.Type("The name you want", "ostlerwren");
                return browser.Text.Contains("Available", StringComparison.Ordinal) ? "" : null;
            },
            "no registrar answers"
        );
    }

    private void Begin()
    {
        browser.BeforeEachPage(LosesAnswers);
        browser.StartAfresh();
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        Walk.FillIn(browser, Card);
    }

    private void Lose(string addresses) =>
        browser.Driver.ExecuteScript($"window.lose = {System.Text.Json.JsonSerializer.Serialize(addresses)}");

    private Process Counterparts() =>
        CounterpartsOrNull() ?? throw new ShouldAssertException("the counterparts do not run");

    private Process? CounterpartsOrNull()
    {
        var parent = browser.App.Id.ToString(CultureInfo.InvariantCulture);
        foreach (
            var stat in Directory
                .GetDirectories("/proc")
                .Select(folder => Path.Combine(folder, "stat"))
                .Where(File.Exists)
        )
        {
            try
            {
                // "pid (name) state ppid …": the name may hold spaces.
                var text = File.ReadAllText(stat);
                var fields = text[(text.LastIndexOf(')') + 2)..].Split(' ');
                if (fields[1] == parent && fields[0] != "Z")
                {
                    return Process.GetProcessById(int.Parse(text.Split(' ')[0], CultureInfo.InvariantCulture));
                }
            }
            catch (Exception exception) when (exception is IOException or ArgumentException)
            {
                // It ended while it was looked at.
            }
        }

        return null;
    }

    private static Mapped Memory(int process)
    {
        var ranges = File.ReadLines($"/proc/{process}/maps")
            .Select(line => line.Split(' ', StringSplitOptions.RemoveEmptyEntries))
            .Where(parts => parts[1].StartsWith("rw", StringComparison.Ordinal))
            .Select(parts => parts[0].Split('-'))
            .Select(range => (From: Convert.ToInt64(range[0], 16), Until: Convert.ToInt64(range[1], 16)));
        return new Mapped($"/proc/{process}/mem", [.. ranges]);
    }

    private sealed record Mapped(string File, List<(long From, long Until)> Ranges)
    {
        private const int Piece = 1 << 20;

        /// <summary>Whether a text stands anywhere in it, as one byte a letter or two.</summary>
        public bool Holds(string text)
        {
            byte[][] forms = [Encoding.ASCII.GetBytes(text), Encoding.Unicode.GetBytes(text)];
            using var memory = new FileStream(File, FileMode.Open, FileAccess.Read, FileShare.ReadWrite, 1);
            var buffer = new byte[Piece + 64];
            foreach (var (from, until) in Ranges)
            {
                for (var at = from; at < until; at += Piece)
                {
                    var length = Read(memory, at, buffer.AsSpan(0, (int)Math.Min(buffer.Length, until - at)));
                    if (Array.Exists(forms, form => buffer.AsSpan(0, length).IndexOf(form) >= 0))
                    {
                        return true;
                    }
                }
            }

            return false;
        }

        // Pages that were never touched cannot be read.
        private static int Read(FileStream memory, long at, Span<byte> into)
        {
            try
            {
                memory.Seek(at, SeekOrigin.Begin);
                return memory.ReadAtLeast(into, into.Length, throwOnEndOfStream: false);
            }
            catch (IOException)
            {
                return 0;
            }
        }
    }
}
