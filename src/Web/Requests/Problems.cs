using System.Reflection;
using HomeStart.Formats.Sites;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Requests;

/// <summary>
/// Why a request was not done, in words, as RFC 9457 has it. A handler names the kinds it may answer with in its
/// signature, and the OpenAPI document is made from those.
/// </summary>
public abstract class Problem(int status, string detail) : IResult, IStatusCodeHttpResult
{
    /// <summary>What went wrong and how to mend it, in words for the owner.</summary>
    public string Detail => detail;

    public int? StatusCode => status;

    public virtual Task ExecuteAsync(HttpContext httpContext) =>
        TypedResults.Problem(detail, statusCode: status).ExecuteAsync(httpContext);

    private protected static void Describe(EndpointBuilder builder, params ReadOnlySpan<int> statuses)
    {
        foreach (var status in statuses)
        {
            builder.Metadata.Add(
                new ProducesResponseTypeMetadata(status, typeof(ProblemDetails), ["application/problem+json"])
            );
        }
    }
}

/// <summary>What was asked for cannot be read at all.</summary>
public sealed class BadRequestProblem(string detail)
    : Problem(StatusCodes.Status400BadRequest, detail),
        IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) => Describe(builder);

    /// <summary>A route whose body is read before its handler runs may answer so too.</summary>
    internal static void Describe(EndpointBuilder builder) => Describe(builder, StatusCodes.Status400BadRequest);
}

/// <summary>It is not there, or not for this visitor.</summary>
public sealed class NotFoundProblem(string detail)
    : Problem(StatusCodes.Status404NotFound, detail),
        IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Describe(builder, StatusCodes.Status404NotFound);
}

/// <summary>It went on meanwhile, or stands otherwise than the request takes for granted.</summary>
public sealed class ConflictProblem(string detail)
    : Problem(StatusCodes.Status409Conflict, detail),
        IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Describe(builder, StatusCodes.Status409Conflict);
}

/// <summary>Too many ask at once.</summary>
public sealed class TooManyProblem(string detail)
    : Problem(StatusCodes.Status429TooManyRequests, detail),
        IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Describe(builder, StatusCodes.Status429TooManyRequests);
}

/// <summary>Somebody outside, whom it needs, does not answer.</summary>
public sealed class SilentProblem(string detail)
    : Problem(StatusCodes.Status503ServiceUnavailable, detail),
        IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Describe(builder, StatusCodes.Status503ServiceUnavailable);
}

/// <summary>
/// A host did not take a change: it saw another version or refused (409), has no room (507), or did not answer (503).
/// </summary>
public sealed class HostProblem(int status, string detail) : Problem(status, detail), IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Describe(
            builder,
            StatusCodes.Status409Conflict,
            StatusCodes.Status503ServiceUnavailable,
            StatusCodes.Status507InsufficientStorage
        );
}

/// <summary>Something sent is missing or not right: all of it is told at once, each fault with its place.</summary>
public sealed class UnprocessableProblem(FaultList faults)
    : Problem(StatusCodes.Status422UnprocessableEntity, "Something is missing or not right: see what is listed."),
        IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        Describe(builder, StatusCodes.Status422UnprocessableEntity);

    /// <summary>The faults as they go over the wire.</summary>
    public static IReadOnlyList<FaultWire> Wires(FaultList faults) =>
        [.. faults.Faults.Select(fault => FaultWire.From(fault))];

    public override Task ExecuteAsync(HttpContext httpContext) =>
        TypedResults
            .Problem(
                title: Detail,
                detail: faults.More == 0
                    ? null
                    : $"{faults.Count} things are wrong; the first {FaultList.MostListed} are listed.",
                statusCode: StatusCode,
                extensions: new Dictionary<string, object?> { ["errors"] = Wires(faults), ["more"] = faults.More }
            )
            .ExecuteAsync(httpContext);
}
