using HomeStart.Data;
using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Mail;
using HomeStart.Web.Session;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Accounts;

/// <summary>
/// Confirming a mail address by a code, which makes an account or opens it again. Nothing that is answered tells whether an address is known: every address that is typed is
/// treated alike.
/// </summary>
public sealed class AccountDesk(UserManager<Account> users, HomeStartDb db, Workspace workspace, WorkspaceScope scope, WorkspaceJoin joining, Outbox outbox, PostBell bell, StartOptions options, TimeProvider time)
{
    private static readonly TimeSpan BetweenCodes = TimeSpan.FromSeconds(20);

    // Codes for one address are tried one after another, so that many at once are counted as many.
    private static readonly SemaphoreSlim[] Turns = [.. Enumerable.Range(0, 64).Select(_ => new SemaphoreSlim(1))];

    /// <summary>The account of this visitor; null: they are not signed in.</summary>
    public async Task<Account?> PresentAsync(CancellationToken cancel) =>
        scope.Session is { } session && await db.Sessions.Where(row => row.Id == session).Select(row => (Guid?)row.AccountId).SingleOrDefaultAsync(cancel) is { } id ? await db.Users.SingleAsync(account => account.Id == id, cancel) : null;

    /// <summary>Mails a code, unless one was mailed a moment ago.</summary>
    public Task SendCodeAsync(string mail, CancellationToken cancel) =>
        InTurnAsync(mail, async () =>
        {
            await SendAsync(mail, cancel);
            return true;
        }, cancel);

    /// <summary>Signs in by a code; null, with the reason, where it does not count.</summary>
    public Task<VisitorId?> ConfirmAsync(string mail, string code, string device, FaultList faults, CancellationToken cancel) =>
        InTurnAsync(mail, () => TryAsync(mail, code, device, faults, cancel), cancel);

    private static async Task<T> InTurnAsync<T>(string mail, Func<Task<T>> act, CancellationToken cancel)
    {
        var turn = Turns[(uint)string.GetHashCode(mail, StringComparison.OrdinalIgnoreCase) % Turns.Length];
        await turn.WaitAsync(cancel);
        try
        {
            return await act();
        }
        finally
        {
            turn.Release();
        }
    }

    private async Task SendAsync(string mail, CancellationToken cancel)
    {
        var account = await FindAsync(mail);
        if (account.CodeSentAt > time.GetUtcNow() - BetweenCodes && await users.GetAuthenticationTokenAsync(account, MailCodes.Provider, MailCodes.SignIn) is not null)
        {
            return;
        }

        account.CodeSentAt = time.GetUtcNow();
        var code = await users.GenerateUserTokenAsync(account, MailCodes.Provider, MailCodes.SignIn);
        await workspace.EnsureStoredAsync(cancel);
        var page = new Uri(options.PublicAddress, $"/account#mail={Uri.EscapeDataString(mail)}&code={code}");
        var id = Guid.NewGuid();
        outbox.Add(account.WorkspaceId ?? workspace.Id, AccountLetters.Code(mail, code, MailCodes.Minutes, id, page));
        await db.SaveChangesAsync(cancel);
        bell.Ring();
    }

    private async Task<VisitorId?> TryAsync(string mail, string code, string device, FaultList faults, CancellationToken cancel)
    {
        var account = await FindAsync(mail);
        if (await users.IsLockedOutAsync(account))
        {
            faults.Say(FaultCodes.OutOfRange, "code", "That was a wrong code too often. Wait a quarter of an hour, then ask for a new one.");
            return null;
        }

        if (!await users.VerifyUserTokenAsync(account, MailCodes.Provider, MailCodes.SignIn, code))
        {
            await users.AccessFailedAsync(account);
            faults.Say(FaultCodes.Unknown, "code", $"That is not the code, or it has been used, or is older than {MailCodes.Minutes} minutes. Look at the newest mail, or ask for a new code.");
            return null;
        }

        await users.ResetAccessFailedCountAsync(account);
        return await SignedInAsync(account, device, cancel);
    }

    /// <summary>The sessions that are open, this one first.</summary>
    public async Task<IReadOnlyList<SessionRow>> SessionsAsync(Guid account, CancellationToken cancel)
    {
        var open = await db.Sessions.AsNoTracking().Where(row => row.AccountId == account && row.EndedAt == null).ToListAsync(cancel);
        return [.. open.OrderByDescending(row => row.Id == scope.Session).ThenByDescending(row => row.SeenAt)];
    }

    /// <summary>Ends sessions of an account; those of other browsers are revoked: they cannot read its mail any more either.</summary>
    /// <param name="only">Null: all of them.</param>
    public Task<int> EndAsync(Guid account, Guid? only, CancellationToken cancel) =>
        db.Sessions.Where(row => row.AccountId == account && row.EndedAt == null && (only == null || row.Id == only))
            .ExecuteUpdateAsync(set => set.SetProperty(row => row.EndedAt, time.GetUtcNow()).SetProperty(row => row.IsRevoked, row => row.Id != scope.Session), cancel);

    /// <summary>Notes that this browser was here; not oftener than worth a write.</summary>
    public async Task SeenAsync(CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        if (scope.Session is { } session && await db.Sessions.SingleOrDefaultAsync(row => row.Id == session, cancel) is { } row && now - row.SeenAt > TimeSpan.FromMinutes(5))
        {
            row.SeenAt = now;
            await db.SaveChangesAsync(cancel);
        }
    }

    private async Task<VisitorId> SignedInAsync(Account account, string device, CancellationToken cancel)
    {
        var own = scope.Session is null ? await db.Workspaces.SingleOrDefaultAsync(cancel) : null;
        if (account.WorkspaceId is not { } known)
        {
            // The first time: what this browser has becomes the account's; where it is another account's, there is nothing yet.
            if (own is null)
            {
                own = db.Workspaces.Add(new WorkspaceRow { Id = scope.Session is null ? workspace.Id : Guid.NewGuid(), CreatedAt = time.GetUtcNow() }).Entity;
            }

            (own.AccountId, account.WorkspaceId, account.EmailConfirmed) = (account.Id, own.Id, true);
        }
        else if (own is not null && own.Id != known)
        {
            db.Entry(own).State = EntityState.Detached;
            await joining.JoinAsync(own.Id, known, cancel);
        }

        var session = db.Sessions.Add(new SessionRow { Id = Guid.NewGuid(), AccountId = account.Id, Device = device, CreatedAt = time.GetUtcNow(), SeenAt = time.GetUtcNow() }).Entity;
        await db.SaveChangesAsync(cancel);
        return new VisitorId(account.WorkspaceId!.Value, session.Id);
    }

    private async Task<Account> FindAsync(string mail)
    {
        if (await users.FindByEmailAsync(mail) is { } known)
        {
            return known;
        }

        var account = new Account { Id = Guid.NewGuid(), Email = mail, UserName = mail, CreatedAt = time.GetUtcNow() };
        var made = await users.CreateAsync(account);
        return made.Succeeded ? account : await users.FindByEmailAsync(mail) ?? throw new InvalidOperationException(string.Join(' ', made.Errors.Select(error => error.Description)));
    }
}
