using HomeStart.Data;
using HomeStart.Formats.Letters;
using HomeStart.Formats.Words;
using HomeStart.Web.Mail;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Accounts;

/// <summary>
/// Confirming a mail address by a code, which makes an account or opens it again. Nothing that is answered tells
/// whether an address is known: every address that is typed is treated alike.
/// </summary>
public sealed class AccountDesk(
    UserManager<Account> users,
    HomeStartDb db,
    Workspace workspace,
    WorkspaceScope scope,
    WorkspaceJoin joining,
    OwnMailbox mailbox,
    Outbox outbox,
    WorkBell bell,
    OpenAddress address,
    TimeProvider time
)
{
    private const int MostWrongCodes = 5;

    /// <summary>
    /// How many codes a day are mailed to an address at the wish of browsers that were never signed in to it.
    /// </summary>
    private const int MostStrangersCodes = 60;

    private static readonly TimeSpan BetweenCodes = TimeSpan.FromSeconds(20);
    private static readonly TimeSpan Locked = TimeSpan.FromMinutes(MailCodes.Minutes);

    // Codes for one address are tried one after another, so that many at once are counted as many.
    private static readonly SemaphoreSlim[] WorkSlots = [.. Enumerable.Range(0, 64).Select(_ => new SemaphoreSlim(1))];

    /// <summary>The account of this visitor; null: they are not signed in.</summary>
    public async Task<Account?> PresentAsync(CancellationToken cancel) =>
        scope.Session is { } session
        && await db
            .Sessions.Where(row => row.Id == session)
            .Select(row => (Guid?)row.AccountId)
            .SingleOrDefaultAsync(cancel)
            is { } id
            ? await db.Users.SingleAsync(account => account.Id == id, cancel)
            : null;

    /// <summary>Mails a code, unless one was mailed a moment ago.</summary>
    public Task SendCodeAsync(string mail, CancellationToken cancel) =>
        InTurnAsync(
            mail,
            async () =>
            {
                await SendAsync(mail, cancel);
                return true;
            },
            cancel
        );

    /// <summary>Signs in by a code; null, with the reason, where it does not count.</summary>
    /// <param name="joins">Whether what this browser holds is to be joined with what the account has: said by the
    /// owner, never done unseen.</param>
    public Task<VisitorId?> ConfirmAsync(
        string mail,
        string code,
        string device,
        bool joins,
        FaultList faults,
        CancellationToken cancel
    ) => InTurnAsync(mail, () => TryAsync(mail, code, device, joins, faults, cancel), cancel);

    private static async Task<T> InTurnAsync<T>(string mail, Func<Task<T>> act, CancellationToken cancel)
    {
        var turn = WorkSlots[(uint)string.GetHashCode(mail, StringComparison.OrdinalIgnoreCase) % WorkSlots.Length];
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

    // The code is this browser's alone, and goes to the account's own address, whatever was typed to find it.
    private async Task SendAsync(string typed, CancellationToken cancel)
    {
        var (account, now) = (await FindAsync(typed), time.GetUtcNow());
        var asker = await AskerAsync(account, cancel);
        if (
            (
                asker.SentAt > now - BetweenCodes
                && await users.GetAuthenticationTokenAsync(account, MailCodes.Provider, Purpose) is not null
            ) || !await MayBeMailedAsync(account, now, cancel)
        )
        {
            return;
        }

        (account.CodeSentAt, asker.SentAt) = (now, now);
        var code = await users.GenerateUserTokenAsync(account, MailCodes.Provider, Purpose);
        await workspace.EnsureStoredAsync(cancel);
        var mail = account.Email!;
        var page = new Uri(address.Now, $"/account#mail={Uri.EscapeDataString(mail)}&code={code}");
        outbox.Add(
            account.WorkspaceId ?? workspace.Id,
            AccountLetters.Code(mail, code, MailCodes.Minutes, Guid.NewGuid(), page)
        );
        await db.SaveChangesAsync(cancel);
        bell.Ring<MailWork>();
    }

    private string Purpose => $"{MailCodes.SignIn} {scope.Id:N}";

    private async Task<CodeAskerRow> AskerAsync(Account account, CancellationToken cancel) =>
        await db.CodeAskers.SingleOrDefaultAsync(row => row.AccountId == account.Id && row.Asker == scope.Id, cancel)
        ?? db.CodeAskers.Add(new CodeAskerRow { AccountId = account.Id, Asker = scope.Id }).Entity;

    // Whoever asks for code after code from new browsers fills nobody's mailbox, and guesses no further; the owner's
    // own browser is not counted.
    private async Task<bool> MayBeMailedAsync(Account account, DateTimeOffset now, CancellationToken cancel)
    {
        if (await mailbox.IsOfAsync(account.Id, cancel))
        {
            return true;
        }

        if (account.StrangersSince is not { } since || since < now.AddDays(-1))
        {
            (account.StrangersSince, account.StrangersCodes) = (now, 0);
        }

        return ++account.StrangersCodes <= MostStrangersCodes;
    }

    private async Task<VisitorId?> TryAsync(
        string mail,
        string code,
        string device,
        bool joins,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var (account, now) = (await FindAsync(mail), time.GetUtcNow());
        var asker = await AskerAsync(account, cancel);
        if (asker.LockedUntil > now)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "code",
                "That was a wrong code too often. Wait a quarter of an hour, then ask for a new one."
            );
            return null;
        }

        if (!await users.VerifyUserTokenAsync(account, MailCodes.Provider, Purpose, code))
        {
            (asker.WrongCodes, asker.LockedUntil) =
                asker.WrongCodes + 1 < MostWrongCodes
                    ? (asker.WrongCodes + 1, null)
                    : (0, (DateTimeOffset?)now + Locked);
            await db.SaveChangesAsync(cancel);
            faults.Say(
                FaultCodes.Unknown,
                "code",
                $"That is not the code, or it has been used, or is older than {MailCodes.Minutes} minutes, or "
                    + "was asked for in another browser. Look at the newest mail, or ask for a new code."
            );
            return null;
        }

        (asker.WrongCodes, asker.LockedUntil) = (0, null);
        return await SignedInAsync(account, device, joins, cancel);
    }

    /// <summary>The sessions that are open, this one first.</summary>
    public async Task<IReadOnlyList<SessionRow>> SessionsAsync(Guid account, CancellationToken cancel)
    {
        var open = await db
            .Sessions.AsNoTracking()
            .Where(row => row.AccountId == account && row.EndedAt == null)
            .ToListAsync(cancel);
        return [.. open.OrderByDescending(row => row.Id == scope.Session).ThenByDescending(row => row.SeenAt)];
    }

    /// <summary>
    /// Ends sessions of an account; those of other browsers are revoked: they cannot read its mail any more either.
    /// </summary>
    /// <param name="only">Null: all of them.</param>
    public Task<int> EndAsync(Guid account, Guid? only, CancellationToken cancel) =>
        db
            .Sessions.Where(row => row.AccountId == account && row.EndedAt == null && (only == null || row.Id == only))
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(row => row.EndedAt, time.GetUtcNow())
                        .SetProperty(row => row.IsRevoked, row => row.Id != scope.Session),
                cancel
            );

    /// <summary>Notes that this browser was here; not oftener than worth a write.</summary>
    public async Task SeenAsync(CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        if (
            scope.Session is { } session
            && await db.Sessions.SingleOrDefaultAsync(row => row.Id == session, cancel) is { } row
            && now - row.SeenAt > TimeSpan.FromMinutes(5)
        )
        {
            row.SeenAt = now;
            await db.SaveChangesAsync(cancel);
        }
    }

    private async Task<VisitorId> SignedInAsync(Account account, string device, bool joins, CancellationToken cancel)
    {
        var own = scope.Session is null ? await db.Workspaces.SingleOrDefaultAsync(cancel) : null;
        if (account.WorkspaceId is not { } known)
        {
            // The first time: what this browser has becomes the account's; where it is another account's, there is
            // nothing yet.
            if (own is null)
            {
                own = db
                    .Workspaces.Add(
                        new WorkspaceRow
                        {
                            Id = scope.Session is null ? workspace.Id : Guid.NewGuid(),
                            CreatedAt = time.GetUtcNow(),
                        }
                    )
                    .Entity;
            }

            (own.AccountId, account.WorkspaceId, account.EmailConfirmed) = (account.Id, own.Id, true);
        }
        else if (joins && own is not null && own.Id != known)
        {
            db.Entry(own).State = EntityState.Detached;
            await joining.JoinAsync(own.Id, known, cancel);
        }

        var session = db
            .Sessions.Add(
                new SessionRow
                {
                    Id = Guid.NewGuid(),
                    AccountId = account.Id,
                    Device = device,
                    CreatedAt = time.GetUtcNow(),
                    SeenAt = time.GetUtcNow(),
                }
            )
            .Entity;
        await db.SaveChangesAsync(cancel);
        return new VisitorId(account.WorkspaceId!.Value, session.Id);
    }

    private async Task<Account> FindAsync(string mail)
    {
        if (await users.FindByEmailAsync(mail) is { } known)
        {
            return known;
        }

        var account = new Account
        {
            Id = Guid.NewGuid(),
            Email = mail,
            UserName = mail,
            CreatedAt = time.GetUtcNow(),
        };
        var made = await users.CreateAsync(account);
        return made.Succeeded
            ? account
            : await users.FindByEmailAsync(mail)
                ?? throw new InvalidOperationException(
                    string.Join(' ', made.Errors.Select(error => error.Description))
                );
    }
}
