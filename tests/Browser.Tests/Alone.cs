using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text;
using System.Text.Json;

namespace HomeStart.Browser.Tests;

/// <summary>
/// Without the counterparts nothing is sold from here, nobody is asked, and mail goes out by a real server.
/// </summary>
public sealed class Alone : IAsyncLifetime
{
    private readonly PostBox _post = new();
    private AppProcess _app = null!;
    private HttpClient _owner = null!;
    private string _site = "";

    public async ValueTask InitializeAsync()
    {
        _app = new AppProcess(
            null,
            "--counterparts",
            "off",
            "--mail",
            $"smtp://localhost:{_post.Port}",
            "--mail-from",
            "desk@shop.example"
        );
        _owner = new HttpClient { BaseAddress = _app.Address };
        var session = await AskAsync("/api/session");
        session.GetProperty("hasCounterparts").GetBoolean().ShouldBeFalse();
        _owner.DefaultRequestHeaders.Add("X-Home-Start-Token", session.GetProperty("token").GetString());
        _site = $"/api/sites/{session.GetProperty("sites")[0].GetProperty("id").GetGuid()}";
    }

    public ValueTask DisposeAsync()
    {
        _owner.Dispose();
        _app.Dispose();
        _post.Dispose();
        return ValueTask.CompletedTask;
    }

    [Fact]
    public async Task Nothing_runs_beside_it_and_it_is_well()
    {
        AppProcess.Children(_app.Id).ShouldBeEmpty();
        (await _owner.GetStringAsync("/health", TestContext.Current.CancellationToken)).ShouldBe("Healthy");
    }

    [Fact]
    public async Task Nothing_is_ordered_from_here_and_no_clock_is_moved()
    {
        var quotes = await PostAsync($"{_site}/orders/quotes", new { letter = "A", country = "GB" });
        (await ReadAsync(quotes)).GetProperty("differences").GetArrayLength().ShouldBeGreaterThan(0);
        (await PostAsync("/api/clock", new { from = "2026-12-01", to = "2026-12-02" })).StatusCode.ShouldBe(
            HttpStatusCode.Conflict
        );
        (await AskAsync($"{_site}/candidates/A/slip")).GetProperty("sellers").GetArrayLength().ShouldBeGreaterThan(0);
    }

    [Fact]
    public async Task A_name_is_neither_free_nor_taken_but_to_be_looked_up_there()
    {
        var answer = await AskAsync("/api/domains/check?label=ostlerwren&ending=com");
        answer.GetProperty("state").GetString().ShouldBe("not-asked");
        answer.GetProperty("buyable").GetString().ShouldBe("anywhere"); // It can be chosen, and bought there.
    }

    [Fact]
    public async Task A_code_goes_out_by_the_mail_server_and_signs_in()
    {
        const string mail = "ada@shop.example";
        (await PostAsync("/api/account/code", new { mail })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var letter = await _post.LetterAsync(TestContext.Current.CancellationToken);
        letter.ShouldContain("From: Home Start <desk@shop.example>");
        letter.ShouldContain($"To: {mail}");
        var code = letter[(letter.IndexOf("Your code: ", StringComparison.Ordinal) + 11)..][..6];
        var confirmed = await PostAsync(
            "/api/account/confirm",
            new
            {
                mail,
                code,
                join = true,
            }
        );
        (await ReadAsync(confirmed)).GetProperty("mail").GetString().ShouldBe(mail);
    }

    private async Task<JsonElement> AskAsync(string path) =>
        await _owner.GetFromJsonAsync<JsonElement>(path, TestContext.Current.CancellationToken);

    private Task<HttpResponseMessage> PostAsync(string path, object body) =>
        _owner.PostAsJsonAsync(path, body, TestContext.Current.CancellationToken);

    private static async Task<JsonElement> ReadAsync(HttpResponseMessage answer) =>
        await answer
            .EnsureSuccessStatusCode()
            .Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);

    // A mail server that takes one letter: as much of SMTP (RFC 5321) as that needs.
    private sealed class PostBox : IDisposable
    {
        private readonly TcpListener _listener = new(IPAddress.Loopback, 0);

        public PostBox() => _listener.Start();

        public int Port => ((IPEndPoint)_listener.LocalEndpoint).Port;

        public async Task<string> LetterAsync(CancellationToken cancel)
        {
            using var client = await _listener.AcceptTcpClientAsync(cancel);
            using var reader = new StreamReader(client.GetStream(), Encoding.UTF8);
            await using var writer = new StreamWriter(client.GetStream(), new UTF8Encoding(false)) { AutoFlush = true };
            writer.NewLine = "\r\n";
            await writer.WriteLineAsync("220 here");
            var letter = new StringBuilder();
            while (await reader.ReadLineAsync(cancel) is { } line)
            {
                var isData = line == "DATA";
                await writer.WriteLineAsync(
                    isData ? "354 go on"
                    : line == "QUIT" ? "221 good-bye"
                    : "250 yes"
                );
                while (isData && await reader.ReadLineAsync(cancel) is { } text)
                {
                    if (text == ".")
                    {
                        await writer.WriteLineAsync("250 taken");
                        break;
                    }

                    letter.AppendLine(text);
                }
            }

            return letter.ToString();
        }

        public void Dispose() => _listener.Dispose();
    }
}
