using System.Collections.Concurrent;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Browser.Tests;

namespace HomeStart.Bench;

/// <summary>
/// Every route of the OpenAPI document, asked as an owner asks it (with cookies, token, a site and an order that was
/// delivered) and then with hostile bodies. What answered is counted route by route:
/// a route that never answered 2xx was not reached, and is listed as a fault of the bench; an answer of 500 is one of
/// ours.
/// </summary>
internal sealed class AttackRoutes(HttpClient http, JsonElement session)
{
    private static readonly string[] Hostile =
    [
        "",
        "null",
        "[]",
        "{",
        "7",
        "\"a\"",
        "{\"a\":",
        "{\"id\":{\"a\":[]}}",
        new string('[', 5_000),
        "{\"name\":\"\\u0007\"}",
        "{\"name\":\"\\ud800\"}",
        "{\"text\":\"" + new string('a', 100_000) + "\"}",
        "{\"mail\":\"a\\u200b@b.c\",\"code\":\"000000\"}",
        "{\"revision\":1e400}",
        "{\"files\":[" + string.Join(',', Enumerable.Repeat("{}", 900)) + "]}",
    ];

    private const string Decision = """{"on":"2027-06-01","do":"renewing","holding":"hosting","value":false}""";

    private readonly ConcurrentDictionary<string, ConcurrentDictionary<int, int>> _answers = new(
        StringComparer.Ordinal
    );
    private readonly string _site = session.GetProperty("sites")[0].GetProperty("id").GetString()!;
    private string _token = session.GetProperty("token").GetString()!;
    private string _order = Guid.NewGuid().ToString();

    /// <summary>Goes through all routes, again and again, until the time is over; then says what answered.</summary>
    public async Task RunAsync(TimeSpan time, string openApi)
    {
        await OrderAsync();
        using var document = JsonDocument.Parse(await File.ReadAllTextAsync(openApi));
        var routes = document
            .RootElement.GetProperty("paths")
            .EnumerateObject()
            .SelectMany(path =>
                path.Value.EnumerateObject()
                    .Select(method => (Method: new HttpMethod(method.Name.ToUpperInvariant()), Path: path.Name))
            )
            .Where(route =>
                !(route.Method == HttpMethod.Delete && route.Path == "/api/account")
                && !route.Path.Contains("sign-out", StringComparison.Ordinal)
            )
            .ToList();
        using var over = new CancellationTokenSource(time);
        await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(async caller =>
                {
                    for (var turn = caller; !over.IsCancellationRequested; turn++)
                    {
                        var (method, path) = routes[turn * 7 % routes.Count];
                        var body =
                            turn / routes.Count % 3 == 0 ? await ProperAsync(path) : Hostile[turn % Hostile.Length];
                        await AskAsync(method, path, body, over.Token);
                    }
                })
        );
        var missed = routes
            .Select(route => $"{route.Method} {route.Path}")
            .Where(route =>
                !_answers.TryGetValue(route, out var said) || said.Keys.All(status => status is < 200 or > 299)
            )
            .Order(StringComparer.Ordinal)
            .ToList();
        Console.WriteLine(
            $"{_answers.Values.Sum(said => said.Values.Sum())} requests to {routes.Count} routes; answers by "
                + $"status: {string.Join(", ", _answers.Values.SelectMany(said => said).GroupBy(said => said.Key).OrderBy(group => group.Key).Select(group => $"{group.Key}: {group.Sum(said => said.Value)}"))}"
        );
        Console.WriteLine(
            "answered 500: "
                + $"{string.Join(", ", _answers.Where(said => said.Value.ContainsKey(500)).Select(said => said.Key).DefaultIfEmpty("none"))}"
        );
        Console.WriteLine($"never reached (a fault of this bench): {string.Join(", ", missed.DefaultIfEmpty("none"))}");
    }

    private async Task AskAsync(HttpMethod method, string path, string body, CancellationToken cancel)
    {
        try
        {
            using var request = new HttpRequestMessage(method, Filled(path));
            request.Headers.Add("X-Home-Start-Token", _token);
            request.Content =
                method == HttpMethod.Get ? null : new StringContent(body, Encoding.UTF8, "application/json");
            using var answer = await http.SendAsync(request, cancel);
            _answers
                .GetOrAdd($"{method} {path}", _ => new())
                .AddOrUpdate((int)answer.StatusCode, 1, (_, count) => count + 1);
        }
        catch (Exception exception)
            when (exception is HttpRequestException or OperationCanceledException or IOException)
        {
            // It is over, or was cut off.
        }
    }

    private string Filled(string path) =>
        path.Replace("{siteId}", _site, StringComparison.Ordinal)
            .Replace("{orderId}", _order, StringComparison.Ordinal)
            .Replace("{letter}", "A", StringComparison.Ordinal)
            .Replace("{book}", "tidemarsh", StringComparison.Ordinal)
            .Replace("{domain}", "ostlerwren.com", StringComparison.Ordinal)
            .Replace("{index}", "0", StringComparison.Ordinal)
            .Replace("{line}", "0", StringComparison.Ordinal)
            .Replace("{holding}", "hosting", StringComparison.Ordinal)
            .Replace("{uploadId}", _order, StringComparison.Ordinal)
            .Replace("{fileId}", _order, StringComparison.Ordinal)
            .Replace("{sessionId}", _order, StringComparison.Ordinal)
            .Replace("{id}", _order, StringComparison.Ordinal)
        + path switch
        {
            "/api/domains/check" => "?label=ostlerwren&ending=com",
            "/api/domains/typed" => "?text=ostlerwren.com",
            _ when path.Contains("/pointing", StringComparison.Ordinal)
                    || path.Contains("/zone", StringComparison.Ordinal) => "?domain=ostlerwren.com",
            _ => "",
        };

    // What an owner would send, where something has to be sent: of a site or an order, with the version it has by now.
    private async Task<string> ProperAsync(string path) =>
        path switch
        {
            "/api/sites/{siteId}/commands" =>
                $$"""{"revision":{{await RevisionAsync()}},"command":{"kind":"set-horizon","months":36} }""",
            "/api/sites/{siteId}/undo" or "/api/sites/{siteId}/redo" => $$"""{"revision":{{await RevisionAsync()}} }""",
            "/api/orders/{orderId}/upkeep/decisions" =>
                $$"""{"version":{{await TenureVersionAsync()}},"decision":{{Decision}} }""",
            _ => Proper(path),
        };

    private async Task<int> RevisionAsync() =>
        (await http.GetFromJsonAsync<JsonElement>($"/api/sites/{_site}")).GetProperty("revision").GetInt32();

    private async Task<int> TenureVersionAsync() =>
        (await http.GetFromJsonAsync<JsonElement>($"/api/sites/{_site}/upkeep")).GetProperty("tenures") is { } tenures
        && tenures.GetArrayLength() > 0
            ? tenures[0].GetProperty("version").GetInt32()
            : 0;

    private static string Example(params string[] file)
    {
        using var example = JsonDocument.Parse(
            File.ReadAllText(Repository.Folder(["docs", "rules", "examples", .. file]))
        );
        return example.RootElement.GetProperty("request").GetRawText();
    }

    private static string Proper(string path) =>
        path switch
        {
            "/api/costings" => Example("01-yearly.json"),
            "/api/upkeep" => Example("upkeep", "upkeep-1-three-years.json"),
            "/api/reconciliations" => Example("reconciling", "reconciling-1-agrees.json"),
            "/api/shelf" => File.ReadAllText(Repository.Folder("demo", "books", "tidemarsh.json")),
            "/api/names/ideas" =>
                """{"business":"Ostler & Wren","trade":"clocks","town":"Hexworth","customersIn":"GB"}""",
            "/api/advertisements/read" => """{"text":"Only £2.99 a month for 36 months. Renews at £8.99 a month."}""",
            "/api/sites/{siteId}/upkeep/statement" =>
                """{"text":"date,description,amount\n2026-12-01,Tidemarsh Hosting,-65.15","keep":false}""",
            "/api/orders/{orderId}/zone/try" => """{"zoneFile":null,"set":"site-here","argument":null}""",
            "/api/orders/{orderId}/upkeep/what-if" => $$"""{"decision":{{Decision}} }""",
            "/api/orders/{orderId}/engines" =>
                """{"engine":"thistledown","folder":"notes","title":"Notes","user":"ada","mail":"ada@example.com","password":null,"mayReplace":true}""",
            "/api/orders/{orderId}/engines/update" or "/api/orders/{orderId}/engines/remove" =>
                """{"folder":"notes"}""",
            "/api/orders/{orderId}/first-page" =>
                """{"page":{"name":"Ostler & Wren","about":"Clocks","street":"4 Mill Lane","town":"Hexworth","telephone":"","hours":[{"isOpen":true,"opens":"09:00","closes":"17:30"}],"layout":"shopfront","picture":null,"pictureText":""},"mayReplace":true}""",
            "/api/shares" => $$"""{"what":"worksheet","of":"{{Guid.NewGuid()}}","letter":"A"}""",
            "/api/sites" => """{"name":"Another"}""",
            "/api/names/read" => """{"text":"Ostler & Wren","ending":"com","customersIn":"GB"}""",
            "/api/account/code" => """{"mail":"tom@example.com"}""",
            "/api/orders/check" =>
                """{"agreed":true,"contact":{"name":"Ada Wren","mail":"ada@example.com","street":"4 Mill Lane","town":"Hexworth","postcode":"HX4 2AB","country":"GB"}}""",
            "/api/contacts/read" => "{\"text\":\"BEGIN:VCARD\\nFN:Ada Wren\\nEND:VCARD\"}",
            "/api/contacts/vcard" => """{"name":"Ada Wren","mail":"ada@example.com"}""",
            "/api/sites/{siteId}/orders/quotes" => """{"letter":"A","country":"GB"}""",
            "/api/sites/{siteId}/names" => """{"text":"wren","endings":["com"]}""",
            "/api/sites/{siteId}/names/check" => """{"names":["wren"],"endings":["com"]}""",
            "/api/sites/{siteId}/names/near" => """{"name":"wren","ending":"com"}""",
            "/api/sites/{siteId}/transfer-checks" => """{"domain":"wren.com","code":"MOVE-WREN","book":"nameyarrow"}""",
            "/api/sites/{siteId}/owned-name" =>
                """{"domain":"wren.com","expires":"2027-05-03","renewal":"14.20","book":"nameyarrow"}""",
            "/api/sites/{siteId}/candidates/{letter}/slip" => """{"done":[]}""",
            "/api/sites/{siteId}/candidates/{letter}/cart" =>
                """{"book":"tidemarsh","text":"Slipway hosting, 12 months: £42.00\nTotal £42.00"}""",
            "/api/sites/{siteId}/candidates/{letter}/their-sum" => """{"book":"tidemarsh","total":"84.59"}""",
            "/api/sellers/{book}/customer/code" => """{"mail":"ada@example.com"}""",
            "/api/sellers/{book}/log-in-check" => """{"user":"ostler","passcode":"k7rm2w9q"}""",
            "/api/examples/put-away" => """{"isPutAway":false}""",
            "/api/sites/{siteId}/price-table" =>
                """{"text":"Plan,Yearly\\nTwig,48.00","provider":"Quarry Web","currency":"GBP","tax":"inside"}""",
            "/api/shelf/{book}/put-away" => """{"isPutAway":false}""",
            "/api/shelf/{book}/edit" => """{"version":0,"operations":[]}""",
            "/api/orders/{orderId}/uploads" =>
                """{"folder":"","alone":false,"unpacks":false,"files":[{"path":"a.txt","size":5}]}""",
            "/api/upkeep/remind-days" => """{"days":[7]}""",
            _ => "{}",
        };

    // An order as an owner places it, so that what is about orders is reached.
    private async Task OrderAsync()
    {
        const string Mail = "ada@example.com";
        await PostAsync("/api/account/code", new { mail = Mail });
        var code = "";
        for (var tries = 0; code.Length == 0 && tries < 100; tries++)
        {
            await Task.Delay(100);
            var arrived = (await http.GetFromJsonAsync<JsonElement>("/api/mail")).GetProperty("arrived");
            code =
                arrived.GetArrayLength() == 0
                    ? ""
                    : arrived[0]
                        .GetProperty("subject")
                        .GetString()!
                        .Replace("Your code: ", "", StringComparison.Ordinal);
        }

        await PostAsync(
            "/api/account/confirm",
            new
            {
                mail = Mail,
                code,
                join = true,
            }
        );
        _token = (await http.GetFromJsonAsync<JsonElement>("/api/session")).GetProperty("token").GetString()!;
        using var cards = new HttpClient();
        using var card = await cards.PostAsJsonAsync(
            $"{session.GetProperty("cardProcessor").GetString()}/cards",
            new
            {
                number = "9999 0000 0000 0004",
                expires = "09/29",
                code = "123",
            }
        );
        var token = (await card.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("token").GetString();
        var page = await http.GetFromJsonAsync<JsonElement>($"/api/sites/{_site}");
        var quotes = await PostAsync($"/api/sites/{_site}/orders/quotes", new { letter = "A", country = "GB" });
        var order = new JsonObject
        {
            ["id"] = _order,
            ["revision"] = page.GetProperty("revision").GetInt32(),
            ["letter"] = "A",
            ["agreed"] = true,
            ["card"] = new JsonObject { ["token"] = token },
            ["today"] = page.GetProperty("worksheet")
                .GetProperty("costing")
                .GetProperty("totals")
                .GetProperty("dueToday")
                .GetString(),
            ["contact"] = new JsonObject
            {
                ["name"] = "Ada Wren",
                ["mail"] = Mail,
                ["street"] = "4 Mill Lane",
                ["town"] = "Hexworth",
                ["postcode"] = "HX4 2AB",
                ["country"] = "GB",
            },
            ["quotes"] = new JsonArray([
                .. quotes
                    .GetProperty("quotes")
                    .EnumerateArray()
                    .Select(quote =>
                        (JsonNode)
                            new JsonObject
                            {
                                ["book"] = quote.GetProperty("book").GetString(),
                                ["id"] = quote.GetProperty("id").GetString(),
                            }
                    ),
            ]),
        };
        await PostAsync($"/api/sites/{_site}/orders", order);
        await Task.Delay(TimeSpan.FromSeconds(3)); // It is delivered by itself.
    }

    private async Task<JsonElement> PostAsync(string path, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("X-Home-Start-Token", _token);
        using var answer = await http.SendAsync(request);
        return answer.Content.Headers.ContentType is null
            ? default
            : await answer.Content.ReadFromJsonAsync<JsonElement>();
    }
}
