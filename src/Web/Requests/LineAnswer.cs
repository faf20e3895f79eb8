using System.Text.Json;
using HomeStart.Formats.Json;

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
