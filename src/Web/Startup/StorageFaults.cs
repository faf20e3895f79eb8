using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Startup;

/// <summary>
/// Says in one sentence what keeps the database from being written or read, instead of "something went wrong".
/// </summary>
internal sealed partial class StorageFaults(IProblemDetailsService problems, ILogger<StorageFaults> log)
    : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(
        HttpContext httpContext,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        if (
            ((exception as SqliteException) ?? exception.InnerException as SqliteException) is not { } fault
            || Say(fault.SqliteErrorCode) is not var (status, why)
        )
        {
            return false;
        }

        LogFault(exception);
        httpContext.Response.StatusCode = status;
        return await problems.TryWriteAsync(
            new ProblemDetailsContext
            {
                HttpContext = httpContext,
                ProblemDetails =
                {
                    Status = status,
                    Detail = $"{why} Nothing was changed; what you typed is still here. Try again in a while.",
                },
            }
        );
    }

    private static (int Status, string Why)? Say(int code) =>
        code switch
        {
            SQLitePCL.raw.SQLITE_FULL => (StatusCodes.Status507InsufficientStorage, "The disk of Home Start is full."),
            SQLitePCL.raw.SQLITE_BUSY or SQLitePCL.raw.SQLITE_LOCKED => (
                StatusCodes.Status503ServiceUnavailable,
                "The database of Home Start is busy."
            ),
            SQLitePCL.raw.SQLITE_READONLY
            or SQLitePCL.raw.SQLITE_IOERR
            or SQLitePCL.raw.SQLITE_CANTOPEN
            or SQLitePCL.raw.SQLITE_CORRUPT => (
                StatusCodes.Status503ServiceUnavailable,
                "The database of Home Start cannot be used."
            ),
            _ => null,
        };

    [LoggerMessage(Level = LogLevel.Error, Message = "The database could not be used.")]
    private partial void LogFault(Exception exception);
}
