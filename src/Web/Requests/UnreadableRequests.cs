using Microsoft.AspNetCore.Diagnostics;

namespace HomeStart.Web.Requests;

/// <summary>
/// Answers for requests that broke off, stalled, were too large or of another type while a handler was reading them: as
/// what they are, with one line in the log, and not as a fault of ours.
/// </summary>
internal sealed partial class UnreadableRequests(IProblemDetailsService problems, ILogger<UnreadableRequests> log)
    : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(
        HttpContext httpContext,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        var status = exception switch
        {
            BadHttpRequestException bad => bad.StatusCode,
            // A form with more fields, or longer ones, than are read.
            InvalidDataException => StatusCodes.Status400BadRequest,
            IOException or OperationCanceledException when httpContext.RequestAborted.IsCancellationRequested =>
                StatusCodes.Status400BadRequest,
            Microsoft.AspNetCore.Connections.ConnectionResetException => StatusCodes.Status400BadRequest,
            _ => 0,
        };
        if (status == 0)
        {
            return false;
        }

        LogUnreadable(
            httpContext.Request.Method,
            httpContext.GetEndpoint()?.DisplayName ?? "an address that is not there",
            status
        );
        httpContext.Response.StatusCode = status;
        return await problems.TryWriteAsync(
            new ProblemDetailsContext
            {
                HttpContext = httpContext,
                ProblemDetails = { Status = status, Detail = Words(status) },
            }
        );
    }

    /// <summary>What is wrong with a request that cannot be read.</summary>
    public static string Words(int status) =>
        status switch
        {
            StatusCodes.Status413PayloadTooLarge => "The body is larger than is read here.",
            StatusCodes.Status408RequestTimeout => "The body took too long to arrive. Send it again.",
            StatusCodes.Status415UnsupportedMediaType => "This address does not read bodies of that type.",
            _ => "The body did not arrive whole. Send it again.",
        };

    [LoggerMessage(
        Level = LogLevel.Information,
        Message = "A request could not be read: {Method} {Route}, answered {Status}."
    )]
    private partial void LogUnreadable(string method, string route, int status);
}
