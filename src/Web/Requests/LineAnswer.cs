using System.Reflection;
using System.Text.Json;
using HomeStart.Formats.Json;
using Microsoft.AspNetCore.Http.Metadata;

namespace HomeStart.Web.Requests;

/// <summary>An answer told line by line as it comes about: each line is one JSON value, sent at once.</summary>
internal sealed class LineAnswer(HttpContext http)
{
    public const string ContentType = "application/x-ndjson";

    public async Task WriteAsync(object value)
    {
        if (!http.Response.HasStarted)
        {
            http.Response.ContentType = ContentType;
        }

        await http.Response.WriteAsync(JsonSerializer.Serialize(value, WireJson.Options) + "\n", http.RequestAborted);
        await http.Response.Body.FlushAsync(http.RequestAborted);
    }
}

/// <summary>
/// The answer of a handler that told it by <see cref="LineAnswer"/>: nothing is left to send.
/// </summary>
internal sealed class LinesSent<TLine> : IResult, IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        builder.Metadata.Add(
            new ProducesResponseTypeMetadata(StatusCodes.Status200OK, typeof(TLine), [LineAnswer.ContentType])
        );

    public Task ExecuteAsync(HttpContext httpContext) => Task.CompletedTask;
}
