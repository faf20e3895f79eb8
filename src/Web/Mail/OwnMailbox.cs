using HomeStart.Data;
using HomeStart.Web.Session;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Mail;

/// <summary>
/// Whose mail a browser reads. A mailbox is not the account's: who signs out can still read their mail, and so comes
/// back in. A browser that was signed out from another one cannot.
/// </summary>
public sealed class OwnMailbox(
    IHttpContextAccessor accessor,
    VisitorCookie cookie,
    WorkspaceScope scope,
    HomeStartDb db
)
{
    public async Task<World> WorldAsync(CancellationToken cancel)
    {
        if (scope.Session is not null || Mailbox is not { } session)
        {
            return new World(scope.Id);
        }

        // The cookie holds the session it was written for.
        var mailbox = await db
            .Sessions.Where(row => row.Id == session && !row.IsRevoked)
            .Join(db.Users, row => row.AccountId, account => account.Id, (_, account) => account.WorkspaceId)
            .SingleOrDefaultAsync(cancel);
        return new World(mailbox ?? scope.Id);
    }

    /// <summary>
    /// Whether this browser was signed in to an account once, and not sent away from another browser since.
    /// </summary>
    public async Task<bool> IsOfAsync(Guid account, CancellationToken cancel) =>
        Mailbox is { } session
        && await db.Sessions.AnyAsync(row => row.Id == session && row.AccountId == account && !row.IsRevoked, cancel);

    private Guid? Mailbox =>
        accessor.HttpContext is { } http
            ? cookie.Read(http.Request.Cookies[cookie.MailboxName(http)])?.Workspace
            : null;
}
