using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.TestHost;

namespace HomeStart.Web.Tests;

/// <summary>
/// A browser without its window: cookies, the token that goes with every change, and the card processor at its own
/// address.
/// </summary>
public sealed class Visitor
{
    public const string GoodCard = "9999 0000 0000 0004";
    public const string PoorCard = "9999 5100 0000 0002";

    private readonly CookieContainer _cookies;
    private readonly HttpClient _http;
    private readonly HttpClient _outside;
    private readonly Func<string, string> _readCookie;
    private static int _count;

    private string _token = "";
    private Task? _confirmed;

    /// <param name="again">Somebody who was here before, coming back to a server that was started again.</param>
    public Visitor(
        TestServer app,
        TestServer counterparts,
        Func<string, string> readCookie,
        string secret,
        Visitor? again
    )
    {
        _readCookie = readCookie;
        _confirmed = again?._confirmed;
        Mail = again?.Mail ?? $"ada{Interlocked.Increment(ref _count)}@example.com";
        _cookies = again?._cookies ?? new CookieContainer();
        _http = new HttpClient(new Cookies(_cookies, app.CreateHandler()))
        {
            BaseAddress = new Uri("http://localhost"),
        };
        _outside = counterparts.CreateClient();
        _outside.DefaultRequestHeaders.Authorization = new("Bearer", secret);
    }

    /// <summary>One of a real server, over the network. Which workspace is theirs is not seen from outside.</summary>
    public Visitor(Uri app, Uri counterparts, string secret)
    {
        _readCookie = _ => throw new NotSupportedException("What a real server's cookie holds cannot be read.");
        Mail = $"ada{Interlocked.Increment(ref _count)}@example.com";
        _cookies = new CookieContainer();
        _http = new HttpClient(new Cookies(_cookies, new SocketsHttpHandler { UseCookies = false }))
        {
            BaseAddress = app,
        };
        _outside = new HttpClient { BaseAddress = counterparts };
        _outside.DefaultRequestHeaders.Authorization = new("Bearer", secret);
    }

    public Guid SiteId { get; private set; }

    /// <summary>The address they order with: nobody else has it.</summary>
    public string Mail { get; }

    /// <summary>Opens the page: the session, then the first site.</summary>
    public async Task<JsonElement> OpenAsync()
    {
        var session = await GetAsync("/api/session");
        _token = session.GetProperty("token").GetString()!;
        SiteId = session.GetProperty("sites")[0].GetProperty("id").GetGuid();
        return await SiteAsync();
    }

    /// <summary>Waits until something is so; fails where it never is.</summary>
    /// <param name="every">How often it is looked at: some routes ask a frequent caller to wait.</param>
    public async Task WaitForAsync(Func<Task<bool>> isSo, TimeSpan? every = null)
    {
        for (var tries = 0; tries < 300; tries++)
        {
            if (await isSo())
            {
                return;
            }

            await Task.Delay(every ?? TimeSpan.FromMilliseconds(50));
        }

        throw new ShouldAssertException("What was waited for did not come about.");
    }

    public Task<JsonElement> SiteAsync(string? view = null) => GetAsync($"/api/sites/{SiteId}?view={view}");

    public async Task<JsonElement> GetAsync(string path)
    {
        using var response = await _http.GetAsync(path);
        response.IsSuccessStatusCode.ShouldBeTrue(
            $"{path}: {response.StatusCode} {await response.Content.ReadAsStringAsync()}"
        );
        return await response.Content.ReadFromJsonAsync<JsonElement>();
    }

    public async Task<(HttpStatusCode Status, JsonElement Body)> SendAsync(
        HttpMethod method,
        string path,
        object? body,
        bool withToken = true
    )
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content =
                body is null ? null
                : body is string text ? new StringContent(text, null, "application/json")
                : JsonContent.Create(body),
        };
        if (withToken)
        {
            request.Headers.Add("X-Home-Start-Token", _token);
        }

        using var response = await _http.SendAsync(request);
        var content = await response.Content.ReadAsStringAsync();
        return (response.StatusCode, content.Length == 0 ? default : JsonSerializer.Deserialize<JsonElement>(content));
    }

    /// <summary>The lines of an answer that is told line by line.</summary>
    public async Task<IReadOnlyList<JsonElement>> LinesAsync(string path, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Accept.ParseAdd("application/x-ndjson");
        using var response = await _http.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return
        [
            .. text.Split('\n', StringSplitOptions.RemoveEmptyEntries)
                .Select(line => JsonSerializer.Deserialize<JsonElement>(line)),
        ];
    }

    /// <summary>The lines of an answer that is told line by line, or the one problem that it is instead.</summary>
    public async Task<(HttpStatusCode Status, IReadOnlyList<JsonElement> Lines)> LinesOrProblemAsync(
        string path,
        object body
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("X-Home-Start-Token", _token);
        using var response = await _http.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return (
            response.StatusCode,
            [
                .. text.Split('\n', StringSplitOptions.RemoveEmptyEntries)
                    .Select(line => JsonSerializer.Deserialize<JsonElement>(line)),
            ]
        );
    }

    /// <summary>What comes of asking about names, line by line.</summary>
    public Task<IReadOnlyList<JsonElement>> CheckNamesAsync(object question) =>
        FirstNamesAsync(question, int.MaxValue, CancellationToken.None);

    /// <summary>The first lines of that; the caller may leave then.</summary>
    public async Task<IReadOnlyList<JsonElement>> FirstNamesAsync(object question, int count, CancellationToken leave)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/sites/{SiteId}/names/check")
        {
            Content = JsonContent.Create(question),
        };
        request.Headers.Add("X-Home-Start-Token", _token);
        using var response = await _http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, leave);
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        using var reader = new StreamReader(await response.Content.ReadAsStreamAsync(leave));
        var lines = new List<JsonElement>();
        while (lines.Count < count && await reader.ReadLineAsync(leave) is { } line)
        {
            lines.Add(JsonSerializer.Deserialize<JsonElement>(line));
        }

        return lines;
    }

    /// <summary>Sends bytes as they are, with the token; tells the status and the headers.</summary>
    public async Task<(HttpStatusCode Status, HttpResponseHeaders Headers)> SendBytesAsync(
        HttpMethod method,
        string path,
        byte[] body,
        string? type
    )
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content = body.Length == 0 ? null : new ByteArrayContent(body),
        };
        request.Content?.Headers.TryAddWithoutValidation("Content-Type", type);
        request.Headers.Add("X-Home-Start-Token", _token);
        using var response = await _http.SendAsync(request);
        return (response.StatusCode, response.Headers);
    }

    /// <summary>Posts as a form of a page does: with the cookies, without the token.</summary>
    public async Task<HttpResponseMessage> PostFormAsync(string path, FormUrlEncodedContent form) =>
        await _http.PostAsync(path, form);

    /// <summary>Posts, and leaves when told to.</summary>
    public async Task PostUntilAsync(string path, object body, CancellationToken leave)
    {
        using var content = JsonContent.Create(body);
        using var response = await _http.PostAsync(path, content, leave);
    }

    /// <summary>Begins to post and never ends.</summary>
    public async Task PostSlowlyAsync(string path, CancellationToken leave)
    {
        using var content = new StreamContent(new NeverEnding());
        content.Headers.ContentType = new("application/json");
        using var response = await _http.PostAsync(path, content, leave);
    }

    public IEnumerable<string> CookieNames =>
        _cookies.GetCookies(new Uri("http://localhost")).Where(cookie => !cookie.Expired).Select(cookie => cookie.Name);

    public string CookieValue(string name) => _cookies.GetCookies(new Uri("http://localhost"))[name]!.Value;

    public void SetCookie(string name, string value) =>
        _cookies.Add(new Uri("http://localhost"), new Cookie(name, value, "/"));

    /// <summary>The value of a cookie, which is gone from the browser afterwards.</summary>
    public string TakeCookie(string name)
    {
        var cookie = _cookies.GetCookies(new Uri("http://localhost"))[name]!;
        cookie.Expired = true;
        return cookie.Value;
    }

    public void UseTokenOf(Visitor other) => _token = other._token;

    public async Task<HttpResponseMessage> RawAsync(string path) => await _http.GetAsync(path);

    public Task<(HttpStatusCode Status, JsonElement Body)> PostAsync(string path, object? body) =>
        SendAsync(HttpMethod.Post, path, body);

    /// <summary>Sends a command with the newest revision; it must succeed.</summary>
    public async Task<JsonElement> DoAsync(object command, string? view = null)
    {
        var revision = (await SiteAsync()).GetProperty("revision").GetInt32();
        var (status, body) = await PostAsync($"/api/sites/{SiteId}/commands?view={view}", new { revision, command });
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        return body;
    }

    /// <summary>
    /// Tells a counterpart of this visitor's world how to behave: ok, slow, limiting, down or answers-lost.
    /// </summary>
    public async Task TellAsync(string service, string mode)
    {
        using var response = await _outside.PutAsync($"/worlds/{Workspace:N}/behaviours/{service}/{mode}", null);
        response.EnsureSuccessStatusCode();
    }

    public async Task TakeNameAsync(string domain)
    {
        using var response = await _outside.PutAsync($"/worlds/{Workspace:N}/registrations/{domain}", null);
        response.EnsureSuccessStatusCode();
    }

    public async Task<(string Token, string Ending)> CardAsync(string number)
    {
        using var response = await _outside.PostAsJsonAsync(
            "/cards",
            new
            {
                number,
                expires = "09/29",
                code = "123",
            }
        );
        var card = await response.Content.ReadFromJsonAsync<JsonElement>();
        return (card.GetProperty("token").GetString()!, card.GetProperty("ending").GetString()!);
    }

    /// <summary>Orders candidate A; the answer is the order as it was placed.</summary>
    public async Task<JsonElement> OrderAsync(string card = GoodCard, string letter = "A")
    {
        var (status, body) = await TryOrderAsync(card, letter);
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        return body;
    }

    /// <summary>Confirms a mail address by the code that is mailed to it. Orders need that.</summary>
    public async Task ConfirmAsync(string? address = null)
    {
        var mail = address ?? Mail;
        var before = await CodesAsync();
        (await PostAsync("/api/account/code", new { mail })).Status.ShouldBe(HttpStatusCode.NoContent);
        var (status, body) = await PostAsync(
            "/api/account/confirm",
            new
            {
                mail,
                code = await CodeAsync(after: before.Count),
                join = true,
            }
        );
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        _confirmed = Task.CompletedTask;
        _token = (await GetAsync("/api/session")).GetProperty("token").GetString()!;
    }

    /// <summary>
    /// The newest code that was mailed, once there are more than were there before: what came earlier, or is of
    /// somebody else, is not taken for it.
    /// </summary>
    /// <param name="after">How many there were.</param>
    public async Task<string> CodeAsync(int after = 0)
    {
        IReadOnlyList<string> codes = [];
        await WaitForAsync(async () => (codes = await CodesAsync()).Count > after);
        return codes[0];
    }

    /// <summary>The codes of the application's own mails, the newest first.</summary>
    public async Task<IReadOnlyList<string>> CodesAsync() =>
        [
            .. (await GetAsync("/api/mail"))
                .GetProperty("arrived")
                .EnumerateArray()
                .Where(letter =>
                    letter.GetProperty("subject").GetString()!.StartsWith("Your code: ", StringComparison.Ordinal)
                )
                .Select(letter => letter.GetProperty("subject").GetString()!["Your code: ".Length..][..6]),
        ];

    /// <param name="more">Further fields of the order, or others in their place.</param>
    public async Task<(HttpStatusCode Status, JsonElement Body)> TryOrderAsync(
        string card = GoodCard,
        string letter = "A",
        Guid? id = null,
        string? today = null,
        object? contact = null,
        bool again = false,
        string? token = null,
        string? terms = null,
        object? more = null
    )
    {
        // One that failed, as the server was away, is tried again.
        _confirmed = _confirmed is null or { IsFaulted: true } ? ConfirmAsync() : _confirmed;
        await _confirmed;
        var page = await SiteAsync(letter);
        var handedIn = await CardAsync(card);
        var order = JsonSerializer
            .SerializeToNode(
                new
                {
                    again,
                    terms,
                    id = id ?? Guid.NewGuid(),
                    revision = page.GetProperty("revision").GetInt32(),
                    letter,
                    today = today
                        ?? page.GetProperty("worksheet")
                            .GetProperty("costing")
                            .GetProperty("totals")
                            .GetProperty("dueToday")
                            .GetString(),
                    contact = contact
                        ?? new
                        {
                            name = "Ada Wren",
                            mail = Mail,
                            street = "4 Mill Lane",
                            town = "Hexworth",
                            postcode = "HX4 2AB",
                            country = "GB",
                        },
                    card = new { token = token ?? handedIn.Token },
                    agreed = true,
                }
            )!
            .AsObject();
        order["quotes"] = await QuotesAsync(
            letter,
            (more is null ? null : JsonSerializer.SerializeToNode(more)!["holder"]?["country"]?.GetValue<string>())
                ?? order["contact"]?["country"]?.GetValue<string>()
                ?? "GB"
        );
        foreach (var (field, value) in more is null ? [] : JsonSerializer.SerializeToNode(more)!.AsObject())
        {
            order[field] = value?.DeepClone();
        }

        return await PostAsync($"/api/sites/{SiteId}/orders", order);
    }

    /// <summary>
    /// The sums that the sellers of a candidate name, as an order sends them along; none where they cannot be asked.
    /// </summary>
    public async Task<JsonArray> QuotesAsync(string letter = "A", string country = "GB")
    {
        var (status, asked) = await PostAsync($"/api/sites/{SiteId}/orders/quotes", new { letter, country });
        return status == HttpStatusCode.OK
            ?
            [
                .. asked
                    .GetProperty("quotes")
                    .EnumerateArray()
                    .Select(quote => new JsonObject
                    {
                        ["book"] = quote.GetProperty("book").GetString(),
                        ["id"] = quote.GetProperty("id").GetString(),
                    }),
            ]
            : [];
    }

    /// <summary>Answers on the page that a pending step of an order leads to.</summary>
    public async Task<string> AnswerAsync(JsonElement order, string field, string value)
    {
        var page = order
            .GetProperty("steps")
            .EnumerateArray()
            .First(step => step.GetProperty("page").ValueKind == JsonValueKind.String)
            .GetProperty("page")
            .GetString();
        return await AnswerAsync(page!, field, value);
    }

    public async Task<string> AnswerAsync(string page, string field, string value)
    {
        using var form = new FormUrlEncodedContent([KeyValuePair.Create(field, value)]);
        using var response = await _outside.PostAsync(page, form);
        return await response.Content.ReadAsStringAsync();
    }

    /// <summary>What the newest mail whose subject begins so says.</summary>
    public async Task<string> MailAsync(string subject)
    {
        var text = "";
        await WaitForAsync(async () =>
        {
            var letter = (await GetAsync("/api/mail"))
                .GetProperty("arrived")
                .EnumerateArray()
                .FirstOrDefault(letter =>
                    letter.GetProperty("subject").GetString()!.StartsWith(subject, StringComparison.Ordinal)
                );
            text =
                letter.ValueKind == JsonValueKind.Undefined
                    ? ""
                    : string.Concat(
                        letter
                            .GetProperty("parts")
                            .EnumerateArray()
                            .Select(part => part.GetProperty("text").GetString())
                    );
            return text.Length > 0;
        });
        return text;
    }

    /// <summary>Looks at an order until it is in one of these states.</summary>
    public async Task<JsonElement> UntilAsync(Guid order, params string[] states)
    {
        JsonElement seen = default;
        for (var turn = 0; turn < 400; turn++)
        {
            seen = await GetAsync($"/api/orders/{order}");
            if (states.Contains(seen.GetProperty("state").GetString()))
            {
                return seen;
            }

            await Task.Delay(20);
        }

        throw new ShouldAssertException($"the order is not {string.Join(" or ", states)}: {seen}");
    }

    /// <summary>The workspace this visitor's cookie stands for, which is also the name of its world.</summary>
    public Guid Workspace =>
        Guid.Parse(
            _readCookie(
                    _cookies
                        .GetCookies(new Uri("http://localhost"))
                        .Single(cookie => cookie.Name.EndsWith("-workspace", StringComparison.Ordinal))
                        .Value
                )
                .Split(' ')[0]
        );

    private sealed class NeverEnding : MemoryStream
    {
        public override async ValueTask<int> ReadAsync(
            Memory<byte> buffer,
            CancellationToken cancellationToken = default
        )
        {
            await Task.Delay(Timeout.Infinite, cancellationToken);
            return 0;
        }

        public override async Task<int> ReadAsync(
            byte[] buffer,
            int offset,
            int count,
            CancellationToken cancellationToken
        ) => await ReadAsync(buffer.AsMemory(offset, count), cancellationToken);
    }

    private sealed class Cookies(CookieContainer cookies, HttpMessageHandler inner) : DelegatingHandler(inner)
    {
        protected override async Task<HttpResponseMessage> SendAsync(
            HttpRequestMessage request,
            CancellationToken cancellationToken
        )
        {
            if (cookies.GetCookieHeader(request.RequestUri!) is { Length: > 0 } kept)
            {
                request.Headers.Add("Cookie", kept);
            }

            var response = await base.SendAsync(request, cancellationToken);
            foreach (var cookie in response.Headers.TryGetValues("Set-Cookie", out var set) ? set : [])
            {
                cookies.SetCookies(request.RequestUri!, cookie);
            }

            return response;
        }
    }
}
