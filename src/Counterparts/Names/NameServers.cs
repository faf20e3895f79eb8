using System.Globalization;
using HomeStart.Formats.Dns;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.WebUtilities;

namespace HomeStart.Counterparts;

/// <summary>
/// The name servers of a world: DNS messages over HTTP (RFC 8484), from whoever is in charge of a name, or from one of
/// five resolvers around this made-up world that keep
/// what they heard until its time to live runs out. A world's id cannot be guessed, so that anybody who has it may ask:
/// <c>dig</c> does.
/// </summary>
internal static class NameServers
{
    public const string MediaType = "application/dns-message";

    /// <summary>Where the five resolvers are.</summary>
    public static readonly string[] Places = ["northport", "westmere", "sunbay", "eastgate", "farcape"];

    public static void MapNameServers(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Dns).WithMetadata(new ForAnybody());
        group.MapGet("/worlds/{world:guid}/dns", (string world, string? dns, HttpContext http, Zones zones) =>
            AnswerAsync(Decoded(dns), question => zones.AuthoritativeAsync(world, question, http.RequestAborted))
        );
        group.MapPost("/worlds/{world:guid}/dns", (string world, HttpContext http, Zones zones) =>
            PostedAsync(http, question => zones.AuthoritativeAsync(world, question, http.RequestAborted))
        );
        group.MapGet(
            "/worlds/{world:guid}/dns/{place}",
            (string world, string place, string? dns, HttpContext http, Resolvers resolvers) =>
                Known(place, () =>
                    AnswerAsync(Decoded(dns), question =>
                        resolvers.AnswerAsync(world, place, question, http.RequestAborted)
                    )
                )
        );
        group.MapPost(
            "/worlds/{world:guid}/dns/{place}",
            (string world, string place, HttpContext http, Resolvers resolvers) =>
                Known(place, () =>
                    PostedAsync(http, question => resolvers.AnswerAsync(world, place, question, http.RequestAborted))
                )
        );
    }

    private static Task<IResult> Known(string place, Func<Task<IResult>> answer) =>
        Places.Contains(place) ? answer() : Task.FromResult(Results.NotFound());

    private static async Task<IResult> PostedAsync(HttpContext http, Func<DnsMessage, Task<DnsMessage>> ask)
    {
        using var body = new MemoryStream();
        var buffer = new byte[DnsReader.Longest + 1];
        for (
            var read = 0;
            body.Length <= DnsReader.Longest
                && (read = await http.Request.Body.ReadAsync(buffer, http.RequestAborted)) > 0;

        )
        {
            body.Write(buffer, 0, read);
        }

        return await AnswerAsync(body.ToArray(), ask);
    }

    private static async Task<IResult> AnswerAsync(byte[]? question, Func<DnsMessage, Task<DnsMessage>> ask)
    {
        if (question is null || DnsReader.Read(question) is not { IsResponse: false } asked)
        {
            return Results.BadRequest();
        }

        var answer = await ask(asked);
        return new Answered(
            DnsWriter.Write(answer),
            answer.Answers.Concat(answer.Authority).Select(record => record.TtlSeconds).DefaultIfEmpty(0).Min()
        );
    }

    private static byte[]? Decoded(string? dns)
    {
        try
        {
            return dns is null ? null : WebEncoders.Base64UrlDecode(dns);
        }
        catch (FormatException)
        {
            return null;
        }
    }

    // What it says is good for as long as the shortest of its records (RFC 8484, 5.1).
    private sealed class Answered(byte[] message, int seconds) : IResult
    {
        public Task ExecuteAsync(HttpContext httpContext)
        {
            httpContext.Response.Headers.CacheControl = string.Create(
                CultureInfo.InvariantCulture,
                $"max-age={seconds}"
            );
            return Results.Bytes(message, MediaType).ExecuteAsync(httpContext);
        }
    }
}
