using System.Threading.RateLimiting;
using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Accounts;

/// <param name="Mail">The confirmed address; null: nobody is signed in.</param>
public sealed record AccountWire(string? Mail, IReadOnlyList<SignedInWire> Sessions);

/// <summary>A browser that is signed in.</summary>
public sealed record SignedInWire(Guid Id, string Device, DateTimeOffset CreatedAt, DateTimeOffset SeenAt, bool IsThis);

public sealed record AccountCodeBody(string Mail);

/// <param name="Join">Whether what this browser holds is to be joined with what the account has; without it the account
/// is opened and nothing moves.</param>
public sealed record ConfirmAccountBody(string Mail, string Code, bool Join = false);

/// <param name="Sure">Said in so many words, as it cannot be undone.</param>
public sealed record DeleteAccountBody(bool Sure);

internal static class AccountEndpoints
{
    private const string Limit = "codes";
    private const int LongestDevice = 120;

    public static void AddAccounts(this IServiceCollection services)
    {
        services
            .AddIdentityCore<Account>(identity =>
            {
                // An address is checked as one; any of its characters will do.
                identity.User.AllowedUserNameCharacters = "";
                identity.User.RequireUniqueEmail = true;
            })
            .AddEntityFrameworkStores<HomeStartDb>()
            .AddTokenProvider<MailCodes>(MailCodes.Provider);
        services.AddScoped<AccountDesk>().AddScoped<WorkspaceJoin>().AddScoped<DataArchive>();
        services.AddRateLimiter(limits =>
            limits.AddPolicy(Limit, http =>
                RateLimitPartition.GetFixedWindowLimiter(
                    Domains.DomainsEndpoints.AskerOf(http),
                    _ => new FixedWindowRateLimiterOptions { PermitLimit = 60, Window = TimeSpan.FromMinutes(1) }
                )
            )
        );
    }

    public static void MapAccounts(this IEndpointRouteBuilder app)
    {
        var account = app.MapGroup("/api/account");
        account.MapGet("", GetAsync).WithName("getAccount");
        account.MapPost("/code", CodeAsync).WithName("sendCode").RequireRateLimiting(Limit);
        account.MapPost("/confirm", ConfirmAsync).WithName("confirmAccount").RequireRateLimiting(Limit);
        account.MapPost("/sign-out", SignOutAsync).WithName("signOut");
        account
            .MapPost(
                "/sign-out-everywhere",
                (HttpContext http, AccountDesk desk, VisitorCookie cookie, CancellationToken cancel) =>
                    EndAsync(null, http, desk, cookie, cancel)
            )
            .WithName("signOutEverywhere");
        account
            .MapPost(
                "/sessions/{sessionId:guid}/end",
                (Guid sessionId, HttpContext http, AccountDesk desk, VisitorCookie cookie, CancellationToken cancel) =>
                    EndAsync(sessionId, http, desk, cookie, cancel)
            )
            .WithName("endSession");
        account
            .MapGet("/data.zip", async (DataArchive archive, Workspace workspace, CancellationToken cancel) =>
                TypedResults.File(
                    await archive.WriteAsync(await workspace.BusinessDateAsync(cancel), cancel),
                    "application/zip",
                    "home-start.zip"
                )
            )
            .WithName("takeDataAway")
            .Produces(StatusCodes.Status200OK);
        account.MapDelete("", DeleteAsync).WithName("deleteAccount");
    }

    private static async Task<Ok<AccountWire>> GetAsync(
        AccountDesk desk,
        WorkspaceScope scope,
        CancellationToken cancel
    )
    {
        await desk.SeenAsync(cancel);
        return TypedResults.Ok(await WireAsync(desk, await desk.PresentAsync(cancel), scope.Session, cancel));
    }

    private static async Task<Results<NoContent, UnprocessableProblem>> CodeAsync(
        JsonBody<AccountCodeBody> body,
        AccountDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        if (ReadMail(new Node(body.Root, "", faults)) is not { } mail)
        {
            return new UnprocessableProblem(faults);
        }

        await desk.SendCodeAsync(mail, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<AccountWire>, UnprocessableProblem>> ConfirmAsync(
        JsonBody<ConfirmAccountBody> body,
        HttpContext http,
        AccountDesk desk,
        VisitorCookie cookie,
        HomeStartDb db,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var root = new Node(body.Root, "", faults);
        var (mail, code) = (
            ReadMail(root),
            root["code"].RequiredText("The code")?.Replace(" ", "", StringComparison.Ordinal)
        );
        var joins = root["join"].Flag() ?? false;
        if (
            faults.Any
            || await desk.ConfirmAsync(mail!, code!, Device(http), joins, faults, cancel)
                is not { Session: { } session } visitor
        )
        {
            return new UnprocessableProblem(faults);
        }

        cookie.Write(http, visitor);
        cookie.WriteMailbox(http, session);
        var account = await db.Users.SingleAsync(known => known.WorkspaceId == visitor.Workspace, cancel);
        return TypedResults.Ok(await WireAsync(desk, account, session, cancel));
    }

    private static async Task<Results<NoContent, NotFoundProblem>> SignOutAsync(
        HttpContext http,
        WorkspaceScope scope,
        AccountDesk desk,
        VisitorCookie cookie,
        CancellationToken cancel
    ) => scope.Session is { } session ? await EndAsync(session, http, desk, cookie, cancel) : TypedResults.NoContent();

    private static async Task<Results<NoContent, NotFoundProblem>> EndAsync(
        Guid? session,
        HttpContext http,
        AccountDesk desk,
        VisitorCookie cookie,
        CancellationToken cancel
    )
    {
        var own = http.RequestServices.GetRequiredService<WorkspaceScope>().Session;
        if (await desk.PresentAsync(cancel) is not { } account)
        {
            return session is null ? TypedResults.NoContent() : Missing();
        }

        if (await desk.EndAsync(account.Id, session, cancel) == 0)
        {
            return Missing();
        }

        if (session is null || session == own)
        {
            cookie.Write(http, new VisitorId(Guid.NewGuid(), null));
        }

        return TypedResults.NoContent();
    }

    private static NotFoundProblem Missing() => new NotFoundProblem("There is no such session here.");

    private static async Task<Results<NoContent, ConflictProblem, UnprocessableProblem>> DeleteAsync(
        JsonBody<DeleteAccountBody> body,
        HttpContext http,
        HomeStartDb db,
        Workspace workspace,
        Housekeeping housekeeping,
        Online.UploadTidying uploads,
        VisitorCookie cookie,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var sure = new Node(body.Root, "", faults)["sure"];
        if (sure.Flag() != true)
        {
            sure.Fault(FaultCodes.Required, "Say that you are sure: it cannot be undone.");
            return new UnprocessableProblem(faults);
        }

        var orders = await db.Orders.AsNoTracking().ToListAsync(cancel);
        if (
            orders
                .Select(row => Documents.Read<Order>(row.Document))
                .FirstOrDefault(order => order.State is not (OrderState.Completed or OrderState.Cancelled)) is
            { } open
        )
        {
            return new ConflictProblem($"Order {open.Reference} is not over yet: wait for it, or call it off first.");
        }

        await housekeeping.ForgetAsync(workspace.Id, cancel);
        await uploads.TidyAsync(cancel); // Bytes that came for a site lie in files beside the database.
        cookie.Write(http, new VisitorId(Guid.NewGuid(), null));
        return TypedResults.NoContent();
    }

    private static async Task<AccountWire> WireAsync(
        AccountDesk desk,
        Account? account,
        Guid? session,
        CancellationToken cancel
    ) =>
        account is null
            ? new AccountWire(null, [])
            : new AccountWire(
                account.Email,
                [
                    .. (await desk.SessionsAsync(account.Id, cancel)).Select(row => new SignedInWire(
                        row.Id,
                        row.Device,
                        row.CreatedAt,
                        row.SeenAt,
                        row.Id == session
                    )),
                ]
            );

    private static string? ReadMail(Node root)
    {
        var mail = root["mail"].RequiredText("The mail address")?.Trim();
        if (mail is not null && !Contact.LooksLikeMail(mail))
        {
            root.Faults.Add(FaultCodes.BadType, "mail", new NotAMailAddress());
        }

        return root.Faults.Any ? null : mail;
    }

    private static string Device(HttpContext http)
    {
        var said = new string([
            .. http.Request.Headers.UserAgent.ToString().Where(letter => !char.IsControl(letter)).Take(LongestDevice),
        ]);
        return said.Length == 0 ? "A browser that does not say what it is" : said;
    }
}
