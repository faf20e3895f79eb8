using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>
/// The hosts' panel over HTTP. Versions travel as entity tags (RFC 9110): a change says which one it saw.
/// </summary>
public sealed class HttpHostPanel(LookUps lookUps, FileCarrier files) : IHostPanel
{
    private const string Json = "application/json";

    public async Task<KeptDocument?> ReadAsync(
        World world,
        string scope,
        string kind,
        int? version,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = version is { } wanted
                ? await lookUps.GetAsync(world, $"/panel/{scope}/documents/{kind}/{wanted}", cancel)
                : await lookUps.GetAsync(world, $"/panel/{scope}/documents/{kind}", cancel);
            return response.IsSuccessStatusCode && VersionOf(response) is { } found
                ? new KeptDocument(found, [.. await response.Content.ReadAsByteArrayAsync(cancel)])
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<PanelAnswer> WriteAsync(
        World world,
        string scope,
        string kind,
        int seen,
        ReadOnlyMemory<byte> content,
        CancellationToken cancel
    ) =>
        files.PutAsync(
            world,
            $"/panel/{scope}/documents/{kind}",
            seen,
            new ReadOnlyMemoryContent(content) { Headers = { ContentType = new(Json) } },
            cancel
        );

    public async Task<IReadOnlyList<string>?> MissingAsync(
        World world,
        string account,
        IReadOnlyList<string> hashes,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = await lookUps.PostAsync(world, $"/panel/{account}/missing-files", hashes, cancel);
            return response.IsSuccessStatusCode ? await response.Content.ReadFromJsonAsync<string[]>(cancel) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<PanelAnswer> StoreAsync(
        World world,
        string account,
        string hash,
        long size,
        IAsyncEnumerable<ReadOnlyMemory<byte>> content,
        CancellationToken cancel
    ) => files.PutAsync(world, $"/panel/{account}/files/{hash}", null, new PartsContent(content, size), cancel);

    public async Task<int?> VisitAsync(World world, DomainName name, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/panel/visits/{name.Text}", cancel);
            return response.IsSuccessStatusCode
                ? Answers.Field(await response.Content.ReadFromJsonAsync<JsonElement>(cancel), "status")
                    is { ValueKind: JsonValueKind.Number } status
                && status.TryGetInt32(out var said)
                    ? said
                    : null
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public async Task<CertificateFacts?> CertificateAsync(
        World world,
        string account,
        DomainName name,
        bool ask,
        DateOnly today,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = ask
                ? await lookUps.PostAsync(
                    world,
                    $"/panel/{account}/certificates/{name.Text}?date={today:yyyy-MM-dd}",
                    new { },
                    cancel
                )
                : await lookUps.GetAsync(
                    world,
                    $"/panel/{account}/certificates/{name.Text}?date={today:yyyy-MM-dd}",
                    cancel
                );
            return response.IsSuccessStatusCode
                ? Certificate(await response.Content.ReadFromJsonAsync<JsonElement>(cancel))
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public async Task<KeptDocument?> EnginesAsync(World world, string book, DateOnly today, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(
                world,
                $"/hosts/{book}/engines?date={today:yyyy-MM-dd}",
                cancel
            );
            return response.IsSuccessStatusCode
                ? new KeptDocument(0, [.. await response.Content.ReadAsByteArrayAsync(cancel)])
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<PanelAnswer> EngineStepAsync(
        World world,
        string account,
        EngineRequest request,
        DateOnly today,
        CancellationToken cancel
    ) =>
        files.PutAsync(
            world,
            $"/panel/{account}/engines?date={today:yyyy-MM-dd}",
            null,
            JsonContent.Create(request),
            cancel
        );

    private static CertificateFacts? Certificate(JsonElement answer) =>
        Answers.Text(answer, "state") switch
        {
            "none" => new CertificateFacts(CertificateState.None),
            "waiting" => new CertificateFacts(CertificateState.Waiting),
            "refused" => new CertificateFacts(CertificateState.Refused, null, Answers.Text(answer, "refusal")),
            "there" when DateOnly.TryParseExact(Answers.Text(answer, "until"), "yyyy-MM-dd", out var until) =>
                new CertificateFacts(CertificateState.There, until),
            _ => null,
        };

    internal static int? VersionOf(HttpResponseMessage response) =>
        response.Headers.ETag?.Tag is { } tag && int.TryParse(tag.Trim('"'), out var version) && version >= 0
            ? version
            : null;
}

/// <summary>Carries files to a host, however long that takes.</summary>
public sealed class FileCarrier(HttpClient http)
{
    /// <param name="seen">The version that is to be replaced; null: there is none to be seen.</param>
    internal async Task<PanelAnswer> PutAsync(
        World world,
        FormattableString path,
        int? seen,
        HttpContent content,
        CancellationToken cancel
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, CounterpartPath.Escape(path)) { Content = content };
        request.Headers.Add(Counterpart.WorldHeader, world.ToString());
        if (seen is { } version)
        {
            request.Headers.IfMatch.Add(new($"\"{version}\""));
        }

        try
        {
            using var response = await http.SendAsync(request, cancel);
            return response.StatusCode switch
            {
                HttpStatusCode.OK => HttpHostPanel.VersionOf(response) is { } now
                    ? new PanelAnswer(PanelState.Done, now)
                    : new PanelAnswer(PanelState.NoAnswer),
                HttpStatusCode.NoContent => new PanelAnswer(PanelState.Done),
                HttpStatusCode.PreconditionFailed => new PanelAnswer(
                    PanelState.Stale,
                    HttpHostPanel.VersionOf(response) ?? 0
                ),
                HttpStatusCode.InsufficientStorage => new PanelAnswer(PanelState.Full),
                HttpStatusCode.Conflict => new PanelAnswer(
                    PanelState.Refused,
                    0,
                    Answers.Text(await response.Content.ReadFromJsonAsync<JsonElement>(cancel), "message")
                ),
                _ => new PanelAnswer(PanelState.NoAnswer),
            };
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return new PanelAnswer(PanelState.NoAnswer);
        }
    }
}

/// <summary>Bytes that are sent as they come.</summary>
internal sealed class PartsContent(IAsyncEnumerable<ReadOnlyMemory<byte>> parts, long size) : HttpContent
{
    protected override async Task SerializeToStreamAsync(Stream stream, TransportContext? context)
    {
        await foreach (var part in parts)
        {
            await stream.WriteAsync(part);
        }
    }

    protected override bool TryComputeLength(out long length)
    {
        length = size;
        return true;
    }
}
