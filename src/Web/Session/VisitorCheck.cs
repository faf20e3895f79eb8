using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Session;

/// <summary>
/// Marks a route that is the same for everybody and reads nothing of a visitor's. Every other route has its visitor
/// checked.
/// </summary>
/// <param name="IsPage">Whether it is the page that a browser opens first.</param>
internal sealed record ForEverybody(bool IsPage = false);

/// <summary>
/// Marks a route whose address is itself the key to what it shows: no visitor is looked for, and no cookie is given.
/// </summary>
internal sealed record OpenByAddress;

/// <summary>
/// Marks the route that each page load asks first: there a browser whose cookie opens nothing any more gets a new one.
/// </summary>
internal sealed record BeginsVisit;

/// <summary>
/// The one place that opens a visitor's workspace: reads the signed cookie, checks the session it names, and opens the
/// workspace to this request. What is decided depends on the route that was found, never on the text of its path. An
/// account's workspace is open only to its sessions that were not ended; one that was deleted or joined to another is
/// open to nobody.
/// </summary>
internal sealed class VisitorCheck(RequestDelegate next, VisitorCookie cookie)
{
    /// <summary>What the first release called it, in every data folder alike.</summary>
    private const string FormerName = "home-start";

    public async Task InvokeAsync(HttpContext http, WorkspaceScope scope, HomeStartDb db)
    {
        var given = http.Request.Cookies[cookie.Name(http)];
        if (http.GetEndpoint()?.Metadata.GetMetadata<ForEverybody>() is { } route)
        {
            if (route.IsPage)
            {
                Welcome(http, given);
            }

            await next(http);
            return;
        }

        if (http.GetEndpoint()?.Metadata.GetMetadata<OpenByAddress>() is not null)
        {
            await next(http);
            return;
        }

        var aside = cookie.Name(http) + "-unreadable";
        var read = cookie.Read(given)
            ?? cookie.Read(http.Request.Cookies[FormerName])
            ?? cookie.Read(http.Request.Cookies[aside]);
        if (read is { } visitor && await IsOpenToAsync(visitor, db, http.RequestAborted))
        {
            scope.Open(visitor.Workspace, visitor.Session);
        }
        else
        {
            scope.Open(Guid.NewGuid(), isKnown: false);
        }

        scope.IsLost = given is not null && read is null;
        if (scope.IsLost)
        {
            VisitorCookie.Keep(http, aside, given!);
        }

        // A cookie that was read is replaced with the session that each page load asks for, never here: an answer that
        // comes late, after another window signed in, must not sign it out again.
        if (!scope.IsKnown && (read is null || http.GetEndpoint()?.Metadata.GetMetadata<BeginsVisit>() is not null))
        {
            cookie.Write(http, new VisitorId(scope.Id, null));
        }

        await next(http);
    }

    // A browser's first requests may come all at once: the page itself, which comes before them, brings the id they
    // share.
    private void Welcome(HttpContext http, string? given)
    {
        if (given is null && http.Request.Cookies[FormerName] is null)
        {
            cookie.Write(http, new VisitorId(Guid.NewGuid(), null));
        }
    }

    private static async Task<bool> IsOpenToAsync(VisitorId visitor, HomeStartDb db, CancellationToken cancel)
    {
        if (await db.ClosedWorkspaces.AnyAsync(closed => closed.Id == visitor.Workspace, cancel))
        {
            return false;
        }

        var account = await db
            .Workspaces.IgnoreQueryFilters()
            .Where(row => row.Id == visitor.Workspace)
            .Select(row => row.AccountId)
            .SingleOrDefaultAsync(cancel);
        return account is null
            ? visitor.Session is null
            : visitor.Session is { } session
                && await db.Sessions.AnyAsync(
                    row => row.Id == session && row.AccountId == account && row.EndedAt == null,
                    cancel
                );
    }
}
