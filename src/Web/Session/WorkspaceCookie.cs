using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Session;

/// <summary>
/// Binds a visitor to their workspace by a signed cookie, which every visit renews. One that cannot be read is kept aside, not lost. The workspace of an account is open only
/// to a session of it that was not ended.
/// </summary>
internal sealed class WorkspaceCookie(RequestDelegate next, VisitorCookie cookie)
{
    /// <summary>What the first release called it, in every data folder alike.</summary>
    private const string FormerName = "home-start";

    public async Task InvokeAsync(HttpContext http, WorkspaceScope scope, HomeStartDb db)
    {
        var name = cookie.Name(http);
        var given = http.Request.Cookies[name];
        var aside = name + "-unreadable";
        var isApi = http.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal);
        var read = cookie.Read(given) ?? cookie.Read(http.Request.Cookies[FormerName]) ?? cookie.Read(http.Request.Cookies[aside]);
        var known = read is { } visitor && (!isApi || await IsOpenToAsync(visitor, db, http.RequestAborted)) ? read : null;
        (scope.Id, scope.Session, scope.IsKnown, scope.IsLost) = (known?.Workspace ?? Guid.NewGuid(), known?.Session, known is not null, given is not null && read is null);
        if (scope.IsLost && !isApi)
        {
            await next(http); // The page itself changes nothing: it asks for the session, which says what happened.
            return;
        }

        if (scope.IsLost)
        {
            VisitorCookie.Keep(http, aside, given!);
        }

        cookie.Write(http, new VisitorId(scope.Id, scope.Session));
        await next(http);
    }

    private static async Task<bool> IsOpenToAsync(VisitorId visitor, HomeStartDb db, CancellationToken cancel)
    {
        var account = await db.Workspaces.IgnoreQueryFilters().Where(row => row.Id == visitor.Workspace).Select(row => row.AccountId).SingleOrDefaultAsync(cancel);
        return account is null ? visitor.Session is null
            : visitor.Session is { } session && await db.Sessions.AnyAsync(row => row.Id == session && row.AccountId == account && row.EndedAt == null, cancel);
    }
}
