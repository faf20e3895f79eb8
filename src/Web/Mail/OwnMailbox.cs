using HomeStart.Data;
using HomeStart.Web.Session;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Mail;

/// <summary>
/// Whose mail a browser reads. A mailbox is not the account's: who signs out can still read their mail, and so comes back in. A browser that was signed out from another one
/// cannot.
/// </summary>
public sealed class OwnMailbox(IHttpContextAccessor accessor, VisitorCookie cookie, WorkspaceScope scope, HomeStartDb db)
{
    public async Task<World> WorldAsync(CancellationToken cancel)
    {
        var http = accessor.HttpContext!;
        if (scope.Session is not null || cookie.Read(http.Request.Cookies[cookie.MailboxName(http)]) is not { Workspace: var session })
        {
            return new World(scope.Id);
        }

        // The cookie holds the session it was written for.
        var mailbox = await db.Sessions.Where(row => row.Id == session && !row.IsRevoked).Join(db.Users, row => row.AccountId, account => account.Id, (_, account) => account.WorkspaceId).SingleOrDefaultAsync(cancel);
        return new World(mailbox ?? scope.Id);
    }
}
