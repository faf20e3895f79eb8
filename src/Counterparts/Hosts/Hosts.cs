using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// A hosting company for each book that sells plans: prepares accounts, takes them back, gives a first password out
/// until one was seen.
/// </summary>
internal static class Hosts
{
    private const string PasswordLetters = "abcdefghjkmnpqrstuvwxyzABCDEFGHJKMNPQRSTUVWXYZ23456789";

    public static void MapHosts(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Host);
        group.MapGet("/hosts/{book}/entry", Entry);
        group.MapGet("/hosts/{book}/log-in-rules", Rules);
        group.MapGet(
            "/hosts/{book}/users/{user}",
            async (string book, string user, HttpContext http, CounterpartsDb db) =>
                new { state = await IsTakenAsync(http.World(), book, user, db, http.RequestAborted) ? "taken" : "free" }
        );
        group.MapPost("/hosts/{book}/log-ins", DepositAsync);
        group.MapPost("/hosts/{book}/accounts", PrepareAsync);
        group.MapPost("/accounts/{account}/remove", RemoveAsync);
        group.MapPost("/accounts/{account}/first-password", FirstPasswordAsync);
        group.MapPost("/accounts/{account}/first-password/seen", FirstPasswordSeenAsync);
    }

    internal sealed record PrepareRequest(string Plan, string? Quote, string? Domain, string Mail, string? LogIn);

    internal sealed record LogInRequest(string User, string Passcode);

    private static readonly string[] TakenUsers = ["clockshop", "repairs", "hexworth", "adawren"];

    private static LogInRules RulesOf(string book)
    {
        var number = SHA256.HashData(Encoding.UTF8.GetBytes("log-in " + book));
        return new LogInRules(
            4 + (number[0] % 3),
            12 + (number[1] % 9),
            number[2] % 3 != 0,
            4,
            number[3] % 2 == 0 ? 6 : 8
        );
    }

    private static LogInRules Rules(string book) => RulesOf(book);

    private static async Task<bool> IsTakenAsync(
        string world,
        string book,
        string user,
        CounterpartsDb db,
        CancellationToken cancel
    ) =>
        TakenUsers.Contains(user)
        || await db.Accounts.AnyAsync(
            row => row.World == world && row.Book == book && row.User == user && !row.IsRemoved,
            cancel
        );

    private static Task<IResult> DepositAsync(string book, LogInRequest request, HttpContext http, CounterpartsDb db) =>
        db.AloneAsync(() => TakeInAsync(book, request, http, db), http.RequestAborted);

    private static async Task<IResult> TakeInAsync(
        string book,
        LogInRequest request,
        HttpContext http,
        CounterpartsDb db
    )
    {
        var world = http.World();
        if (!RulesOf(book).Allow(request.User, request.Passcode))
        {
            return Results.Conflict(new { code = "rules", message = "The log-in is not as this host wants it." });
        }

        if (await IsTakenAsync(world, book, request.User, db, http.RequestAborted))
        {
            return Results.Conflict(
                new { code = "taken", message = $"Somebody has the user name {request.User} already." }
            );
        }

        var row = new LogInRow
        {
            Token = "login_" + Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16)),
            World = world,
            Book = book,
            User = request.User,
            PasscodeHash = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(request.Passcode))),
        };
        db.LogIns.Add(row);
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(new { token = row.Token });
    }

    // Names that are pointed here come in at one address, whatever account they belong to.
    private static IResult Entry(string book, PriceLists lists)
    {
        if (lists.Find(book) is not { Plans.IsEmpty: false } known)
        {
            return Results.NotFound();
        }

        var (v4, v6) = Addresses(book);
        return Results.Ok(
            new
            {
                nameServers = ServersOf(book),
                iPv4 = v4,
                iPv6 = v6,
                mailServer = $"mail.{book}.example.net",
                lentUnder = $"{book}.example.net",
                lentRules = new[]
                {
                    $"It is an address under {book}.example.net, one for each account.",
                    "It has no mailboxes, and search engines may not list it.",
                    "It ends 30 days after a domain of your own is joined, or with the account.",
                },
            }
        );
    }

    /// <summary>Where names that are pointed at a host come in.</summary>
    public static (string V4, string V6) Addresses(string book)
    {
        var number = SHA256.HashData(Encoding.UTF8.GetBytes(book));
        return ($"198.51.100.{1 + (number[0] % 254)}", $"2001:db8:{number[1]:x}::{1 + number[2]:x}");
    }

    /// <summary>The book of the host that a name server belongs to; null: it is no host's.</summary>
    public static string? BookOf(string nameServer) =>
        nameServer.Split('.') is ["ns1" or "ns2", var book, "example", "net"] ? book : null;

    private static string[] ServersOf(string book) => [$"ns1.{book}.example.net", $"ns2.{book}.example.net"];

    private static Task<IResult> PrepareAsync(
        string book,
        PrepareRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db
    ) => Operations.OnceAsync(http, db, async world =>
        {
            if (lists.Find(book)?.Plan(request.Plan) is null)
            {
                return Answer.Refuse("no-such-plan", "This plan is not sold any more.");
            }

            if (
                !await Quotes.IsFormerAsync(db, world, request.Quote, book, http.RequestAborted)
                && (
                    await Quotes.PaidAsync(db, world, request.Quote, book, http.RequestAborted) is not { } paid
                    || Quotes.PurchaseOf(paid).Candidate.Hosting?.Plan != request.Plan
                )
            )
            {
                return Answer.Refuse("no-quote", "This plan was not paid for.");
            }

            var chosen = await db.LogIns.SingleOrDefaultAsync(
                row => row.Token == request.LogIn && row.World == world && row.Book == book,
                http.RequestAborted
            );
            if (chosen is not null && await IsTakenAsync(world, book, chosen.User, db, http.RequestAborted))
            {
                return Answer.Refuse("user-taken", $"Somebody took the user name {chosen.User} in the meantime.");
            }

            var key = http.Request.Headers[Operations.KeyHeader].ToString();
            var number = SHA256.HashData(Encoding.UTF8.GetBytes(world + key));
            var id = $"ac{Convert.ToHexStringLower(number.AsSpan(0, 4))}";
            db.Accounts.Add(
                new AccountRow
                {
                    World = world,
                    Id = id,
                    Book = book,
                    Plan = request.Plan,
                    Domain = request.Domain,
                    User = chosen?.User,
                    PasscodeHash = chosen?.PasscodeHash,
                }
            );
            return Answer.With(Account(book, id, chosen?.User ?? id, number));
        });

    // Names under example.net and addresses from the ranges kept for documentation (RFC 2606, RFC 5737, RFC 3849).
    private static object Account(string book, string id, string user, byte[] number) =>
        new
        {
            id,
            logIn = $"https://panel.{book}.example.net/",
            user,
            server = $"web{number[4] % 40}.{book}.example.net",
            iPv4 = Addresses(book).V4, // Where the records of its names lead.
            iPv6 = Addresses(book).V6,
            nameServers = ServersOf(book),
            fileServer = $"sftp.{book}.example.net",
            mailServer = $"mail.{book}.example.net",
        };

    private static Task<IResult> RemoveAsync(string account, HttpContext http, CounterpartsDb db) =>
        Operations.OnceAsync(http, db, async world =>
        {
            var row = await db.Accounts.SingleOrDefaultAsync(
                row => row.World == world && row.Id == account,
                http.RequestAborted
            );
            if (row is not null)
            {
                row.IsRemoved = true;
            }

            return Answer.Done;
        });

    private static async Task<IResult> FirstPasswordAsync(string account, HttpContext http, CounterpartsDb db)
    {
        var world = http.World();
        var row = await db.Accounts.SingleOrDefaultAsync(
            row => row.World == world && row.Id == account && !row.IsRemoved,
            http.RequestAborted
        );
        if (row is null || row.PasswordSeen)
        {
            return Results.StatusCode(StatusCodes.Status410Gone);
        }

        // Each one takes the place of the one before: an answer that was lost costs nothing, and only a hash is kept.
        var password = RandomNumberGenerator.GetString(PasswordLetters, 16);
        row.PasswordHash = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(password)));
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(new { password });
    }

    private static async Task<IResult> FirstPasswordSeenAsync(string account, HttpContext http, CounterpartsDb db)
    {
        var world = http.World();
        var row = await db.Accounts.SingleOrDefaultAsync(
            row => row.World == world && row.Id == account && row.PasswordHash != null,
            http.RequestAborted
        );
        if (row is null)
        {
            return Results.NotFound();
        }

        row.PasswordSeen = true;
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.NoContent();
    }
}
