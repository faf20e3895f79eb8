using System.Reflection;
using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Words;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.Net.Http.Headers;

namespace HomeStart.Web.Requests;

/// <summary>
/// The JSON that came with a request, whole: nothing is worked out, and no turn taken, before it is there. What cannot
/// be read at all is answered by <see cref="ReadableBody"/>, so that a handler never sees it.
/// </summary>
internal abstract class JsonBody : IReadBody
{
    /// <summary>
    /// What the routes say they take; the OpenAPI document says JSON (<see cref="OpenApiSchemaFixes"/>).
    /// </summary>
    public const string AnyType = "*/*";

    private readonly JsonElement _root;

    private protected JsonBody(JsonElement root, byte[] bytes, IResult? problem) =>
        (_root, Bytes, Problem) = (root, bytes, problem);

    public JsonElement Root =>
        Problem is null ? _root : throw new InvalidOperationException("This body could not be read.");

    /// <summary>Exactly what came in.</summary>
    public byte[] Bytes { get; }

    /// <summary>The answer where it cannot be read.</summary>
    public IResult? Problem { get; }

    private protected static async Task<(JsonElement Root, byte[] Bytes, IResult? Problem)> ReadOrRefuseAsync(
        HttpContext context
    )
    {
        if (Refused(context.Request) is { } refusal)
        {
            return (default, [], refusal);
        }

        var most = context.GetEndpoint()?.Metadata.GetMetadata<IRequestSizeLimitMetadata>()?.MaxRequestBodySize
            ?? Composition.LargestBody;
        var (bytes, problem) = await RawBody.ReadAsync(context, most);
        if (problem is not null || bytes.Length == 0)
        {
            return (default, [], problem ?? new BadRequestProblem("There is no body: send JSON."));
        }

        var (document, flaw) = JsonText.Parse(bytes);
        context.Response.RegisterForDispose(document ?? JsonDocument.Parse("null"));
        return document is null ? (default, [], Unreadable(flaw!)) : (document.RootElement, bytes, null);
    }

    private static IResult? Refused(HttpRequest request)
    {
        if (
            !MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            || (
                type.MediaType != "application/json"
                && !type.MediaType.Value!.EndsWith("+json", StringComparison.OrdinalIgnoreCase)
            )
        )
        {
            return
                request.ContentLength is null or 0
                && request.ContentType is null
                && !request.Headers.ContainsKey(HeaderNames.TransferEncoding)
                ? new BadRequestProblem("There is no body: send JSON.")
                : TypedResults.Problem(
                    "Send JSON, as application/json.",
                    statusCode: StatusCodes.Status415UnsupportedMediaType
                );
        }

        var charset = HeaderUtilities.RemoveQuotes(type.Charset);
        return charset.Length > 0 && !charset.Equals("utf-8", StringComparison.OrdinalIgnoreCase)
            ? TypedResults.Problem(
                "Send JSON in UTF-8: no other character set is read here.",
                statusCode: StatusCodes.Status415UnsupportedMediaType
            )
            : null;
    }

    private static IResult Unreadable(JsonFlaw flaw)
    {
        if (flaw.Where is null)
        {
            return new BadRequestProblem(flaw.Message);
        }

        var faults = new FaultList();
        faults.Say(FaultCodes.BadType, flaw.Where, flaw.Message);
        return new UnprocessableProblem(faults);
    }
}

/// <summary>
/// JSON of a known shape, which is what callers are told; a reader of Formats reads it, and says all that is wrong with
/// it at once.
/// </summary>
internal sealed class JsonBody<TShape>
    : JsonBody,
        IBindableFromHttpContext<JsonBody<TShape>>,
        IEndpointParameterMetadataProvider
{
    private JsonBody(JsonElement root, byte[] bytes, IResult? problem)
        : base(root, bytes, problem) { }

    public static async ValueTask<JsonBody<TShape>?> BindAsync(HttpContext context, ParameterInfo parameter)
    {
        var (root, bytes, problem) = await ReadOrRefuseAsync(context);
        return new JsonBody<TShape>(root, bytes, problem);
    }

    public static void PopulateMetadata(ParameterInfo parameter, EndpointBuilder builder)
    {
        // Routing would send bodies of another type to no route at all, which is 404: we say 415 ourselves.
        builder.Metadata.Add(new AcceptsMetadata([AnyType], typeof(TShape)));
        BadRequestProblem.Describe(builder);
    }
}

/// <summary>Answers for a handler whose body could not be read.</summary>
internal sealed class ReadableBody : IEndpointFilter
{
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
        context.Arguments.OfType<IReadBody>().FirstOrDefault(body => body.Problem is not null) is { } unreadable
            ? unreadable.Problem
            : await next(context);
}
