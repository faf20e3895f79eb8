using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>
/// From key sheet to a first page: a class of tests about a hosting that was delivered, at the host counterpart and
/// back.
/// </summary>
public abstract class Delivered(bool isRecording = false) : OneOwner(isRecording)
{
    private protected Guid _order;

    private protected string Api => $"/api/orders/{_order}";

    private protected static object Page(string name) =>
        new
        {
            name,
            about = "We mend clocks.",
            street = "3 Tide Lane",
            town = "Wexmouth",
            telephone = "01234 567890",
            hours = new[]
            {
                new
                {
                    isOpen = true,
                    opens = "09:00",
                    closes = "17:30",
                },
            },
            layout = "shopfront",
            picture = (string?)null,
            pictureText = "",
        };

    private protected static object Engine(
        string engine,
        string folder = "",
        string user = "minutehand",
        string? password = null
    ) =>
        new
        {
            engine,
            folder,
            title = "The clock journal",
            user,
            mail = "ada@example.com",
            password,
            mayReplace = folder.Length == 0,
        };

    private protected static JsonElement Record(string owner, string type, string data) =>
        JsonSerializer.SerializeToElement(
            new
            {
                owner,
                ttlSeconds = 3600,
                type,
                data,
                preference = (int?)null,
            }
        );

    private protected static IEnumerable<JsonElement> Records(JsonElement zone) =>
        zone.GetProperty("records").EnumerateArray();

    private protected async Task DeliverAsync()
    {
        _order = (await _visitor.OrderAsync()).GetProperty("id").GetGuid();
        await _visitor.UntilAsync(_order, "completed");
    }

    private protected Task<(HttpStatusCode Status, JsonElement Body)> PutAsync(string path, object body) =>
        _visitor.SendAsync(HttpMethod.Put, $"{Api}/{path}", body);

    private protected Task<(HttpStatusCode Status, JsonElement Body)> PostAsync(string path, object body) =>
        _visitor.PostAsync($"{Api}/{path}", body);

    private protected async Task<string?> AskAsync(string name)
    {
        using var outside = _host.Outside();
        using var content = new ByteArrayContent(
            Formats.Dns.DnsWriter.Write(Formats.Dns.DnsMessage.Ask(name, Formats.Dns.DnsType.A))
        )
        {
            Headers = { ContentType = new("application/dns-message") },
        };
        var answer = await outside.PostAsync(
            new Uri($"/worlds/{_visitor.Workspace:N}/dns", UriKind.Relative),
            content,
            TestContext.Current.CancellationToken
        );
        return Formats
            .Dns.DnsReader.Read(await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken))!
            .Answers.LastOrDefault()
            ?.Data;
    }

    private protected async Task<(
        HttpStatusCode Status,
        string Body,
        System.Net.Http.Headers.HttpResponseHeaders Headers
    )> VisitAsync(string name, string path = "/")
    {
        using var outside = _host.Outside();
        using var request = new HttpRequestMessage(HttpMethod.Get, path)
        {
            Headers = { Host = $"{name}.{_visitor.Workspace:N}.localhost:5081" },
        };
        var response = await outside.SendAsync(request, TestContext.Current.CancellationToken);
        return (
            response.StatusCode,
            await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            response.Headers
        );
    }

    private protected async Task<(string Html, string Policy)> PreviewAsync(object page)
    {
        using var form = new FormUrlEncodedContent([new("page", page as string ?? JsonSerializer.Serialize(page))]);
        var answer = await _visitor.PostFormAsync($"{Api}/first-page/preview.html", form);
        return (
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            answer.Headers.GetValues("Content-Security-Policy").Single()
        );
    }

    private protected async Task<string> LogInAsync(string path, string user, string password)
    {
        using var outside = _host.Outside();
        using var request = new HttpRequestMessage(HttpMethod.Post, path)
        {
            Headers = { Host = $"ostlerwren.com.{_visitor.Workspace:N}.localhost:5081" },
            Content = new FormUrlEncodedContent([new("user", user), new("password", password)]),
        };
        return await (
            await outside.SendAsync(request, TestContext.Current.CancellationToken)
        ).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
    }

    private protected async Task<HttpStatusCode> PieceAsync(Guid upload, int index, long from, byte[] bytes) =>
        (
            await _visitor.SendBytesAsync(
                HttpMethod.Put,
                $"{Api}/uploads/{upload}/files/{index}?from={from}",
                bytes,
                "application/octet-stream"
            )
        ).Status;

    private protected async Task<Guid> SendAsync(Dictionary<string, string> files)
    {
        var id = (
            await PostAsync(
                "uploads",
                new
                {
                    files = files.Select(file => new
                    {
                        path = file.Key,
                        size = Encoding.UTF8.GetByteCount(file.Value),
                    }),
                    folder = "",
                    alone = false,
                    unpacks = false,
                }
            )
        ).ShouldBeOk().GetProperty("id").GetGuid();
        foreach (var (index, file) in files.Index())
        {
            (await PieceAsync(id, index, 0, Encoding.UTF8.GetBytes(file.Value))).ShouldBe(HttpStatusCode.OK);
        }

        return id;
    }

    private protected async Task<JsonElement> UploadAsync(Dictionary<string, string> files) =>
        (await LinesAsync($"uploads/{await SendAsync(files)}/put-up")).Lines[^1];

    private protected async Task<(HttpStatusCode Status, IReadOnlyList<JsonElement> Lines)> ZipAsync(
        Action<ZipArchive> fill
    )
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            fill(zip);
        }

        var id = (
            await PostAsync(
                "uploads",
                new
                {
                    files = new[] { new { path = "site.zip", size = bytes.Length } },
                    folder = "",
                    alone = false,
                    unpacks = true,
                }
            )
        ).ShouldBeOk().GetProperty("id").GetGuid();
        await PieceAsync(id, 0, 0, bytes.ToArray());
        return await LinesAsync($"uploads/{id}/put-up");
    }

    private protected static ZipArchiveEntry Add(ZipArchive zip, string path, string text)
    {
        var entry = zip.CreateEntry(path);
        using var writer = new StreamWriter(entry.Open());
        writer.Write(text);
        return entry;
    }

    private protected Task<(HttpStatusCode Status, IReadOnlyList<JsonElement> Lines)> LinesAsync(
        string path,
        object? body = null
    ) => _visitor.LinesOrProblemAsync($"{Api}/{path}", body ?? new { });
}
