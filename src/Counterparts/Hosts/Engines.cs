using System.Security.Cryptography;
using System.Text;
using HomeStart.Formats.Online;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// The site engines that hosts offer, and setting one up step by step: files, database, administrator, and last the
/// check, which puts its front page into the web space. Each step can be asked for again; nothing is seen before the
/// last.
/// </summary>
internal static class Engines
{
    private const int FirstYear = 2020;
    private const string LogInPath = "log-in/index.html";
    private static readonly PasswordHasher<EngineRow> Hasher = new();

    public static void Map(IEndpointRouteBuilder group) => group.MapPut("/{account}/engines", StepAsync);

    /// <summary>What is offered; engines get a new version every two months.</summary>
    public static IResult Offers(string book, DateOnly? date, PriceLists lists) =>
        lists.Find(book) is { Plans.IsEmpty: false }
            ? Results.Bytes(PanelDocuments.Write(On(date ?? DateOnly.MinValue)), "application/json")
            : Results.NotFound();

    private static EngineOffer[] On(DateOnly date)
    {
        var version = $"{Math.Max(1, date.Year - FirstYear)}.{(date.Month - 1) / 2}";
        return
        [
            new(
                "thistledown",
                "Thistledown",
                version,
                "A journal with pages: news, recipes, a diary of work. Written in the browser.",
                1,
                200
            ),
            new("larderbook", "Larderbook", version, "A small shop: goods, basket, orders by mail.", 1, 600),
            new("hedgerow", "Hedgerow", version, "A few pages that are changed in place.", 0, 60),
        ];
    }

    private static async Task<IResult> StepAsync(
        string account,
        EngineRequest request,
        DateOnly? date,
        HttpContext http,
        CounterpartsDb db,
        PanelDesk panel,
        FileStore files
    )
    {
        var (world, cancel) = (http.World(), http.RequestAborted);
        if (
            await db
                .Accounts.AsNoTracking()
                .SingleOrDefaultAsync(row => row.World == world && row.Id == account && !row.IsRemoved, cancel)
                is null
            || On(date ?? DateOnly.MinValue).FirstOrDefault(offer => offer.Id == request.Engine) is not { } offer
        )
        {
            return Results.NotFound();
        }

        var row = await db.Engines.SingleOrDefaultAsync(
            row => row.World == world && row.Account == account && row.Folder == request.Folder,
            cancel
        )
            ?? db.Engines.Add(
                new EngineRow
                {
                    World = world,
                    Account = account,
                    Folder = request.Folder,
                    Engine = request.Engine,
                }
            ).Entity;
        switch (request.Step)
        {
            case 1:
                foreach (var page in Pages(request, offer))
                {
                    using var content = new MemoryStream(page.Bytes);
                    await files.StoreAsync(world, account, page.File.Hash, content, cancel);
                }

                row.Engine = request.Engine;
                break;
            case 3 when request.Password is { } password:
                (row.User, row.PasswordHash) = (request.User, Hasher.HashPassword(row, password));
                break;
            case 4 when row.PasswordHash is null:
                return Results.Conflict(
                    new
                    {
                        code = "no-administrator",
                        message = "Nobody could log in yet: the administrator comes first.",
                    }
                );
            case 4
                when await SeenAsync(world, account, request, offer, panel, cancel)
                    is var status
                        and not StatusCodes.Status200OK:
                return Results.StatusCode(status);
        }

        await db.SaveChangesAsync(CancellationToken.None);
        http.Response.Headers.ETag = $"\"{request.Step}\"";
        return Results.StatusCode(StatusCodes.Status200OK);
    }

    // The front page and the log-in take their place in the web space, and the engine in the list of engines.
    private static async Task<int> SeenAsync(
        string world,
        string account,
        EngineRequest request,
        EngineOffer offer,
        PanelDesk panel,
        CancellationToken cancel
    )
    {
        if (
            await panel.FindAsync(world, account, PanelKinds.Space, null, cancel) is not var (version, content)
            || await panel.FindAsync(world, account, PanelKinds.Engines, null, cancel) is not var (listed, list)
        )
        {
            return StatusCodes.Status404NotFound;
        }

        List<SiteFile> pages = [.. Pages(request, offer).Select(page => page.File)];
        var space = PanelDocuments.Space(content)!.With(pages, request.Folder, alone: false);
        var (status, _) = await panel.PutAsync(
            world,
            account,
            PanelKinds.Space,
            version,
            PanelDocuments.Write(space),
            cancel
        );
        return status != StatusCodes.Status200OK
            ? status
            : (
                await panel.PutAsync(
                    world,
                    account,
                    PanelKinds.Engines,
                    listed,
                    PanelDocuments.Write(
                        PanelDocuments
                            .Engines(list)!
                            .Where(engine => engine.Folder != request.Folder)
                            .Append(
                                new InstalledEngine(
                                    offer.Id,
                                    offer.Name,
                                    offer.Version,
                                    request.Folder,
                                    request.Title,
                                    request.User,
                                    request.Step
                                )
                                {
                                    Files =
                                    [
                                        .. pages.Select(page =>
                                            page with
                                            {
                                                Path = WebSpace.Joined(request.Folder, page.Path),
                                            }
                                        ),
                                    ],
                                }
                            )
                    ),
                    cancel
                )
            ).Status;
    }

    /// <summary>Lets the administrator in at the engine's log-in address.</summary>
    public static async Task LogInAsync(HttpContext http, CounterpartsDb db, AccountRow account, string path)
    {
        var folder =
            path.TrimEnd('/') is "log-in" ? ""
            : path.TrimEnd('/').EndsWith("/log-in", StringComparison.Ordinal) ? path.TrimEnd('/')[..^"/log-in".Length]
            : null;
        var row = folder is null
            ? null
            : await db
                .Engines.AsNoTracking()
                .SingleOrDefaultAsync(
                    row => row.World == account.World && row.Account == account.Id && row.Folder == folder,
                    http.RequestAborted
                );
        if (row?.PasswordHash is not { } hash || !http.Request.HasFormContentType)
        {
            http.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
            return;
        }

        var form = await http.Request.ReadFormAsync(http.RequestAborted);
        var isIn =
            form["user"] == row.User
            && Hasher.VerifyHashedPassword(row, hash, form["password"].ToString()) != PasswordVerificationResult.Failed;
        await WebServers.SayAsync(
            http,
            isIn ? StatusCodes.Status200OK : StatusCodes.Status403Forbidden,
            isIn ? $"You are in, {row.User}" : "That is not right",
            isIn
                ? "From here the site is written. There is no more to this made-up engine."
                : "The name or the password is another one. Go back and try again."
        );
    }

    private static IEnumerable<(SiteFile File, byte[] Bytes)> Pages(EngineRequest request, EngineOffer offer)
    {
        yield return Page(
            "index.html",
            Html(
                request.Title,
                $"<p>This site is made with {offer.Name} {offer.Version}. Its first words are still to be "
                    + "written.</p><p><a href=\"log-in/\">Log in</a></p>"
            )
        );
        yield return Page(
            LogInPath,
            Html(
                $"Log in · {request.Title}",
                "<form method=\"post\" action=\"./\"><p><label>Name<br><input name=\"user\" "
                    + "autocomplete=\"username\" required></label></p><p><label>Password<br><input type=\"password\" "
                    + "name=\"password\" autocomplete=\"current-password\" required></label></p><p><button>Log "
                    + "in</button></p></form>"
            )
        );
    }

    private static (SiteFile File, byte[] Bytes) Page(string path, string html)
    {
        var bytes = Encoding.UTF8.GetBytes(html);
        return (new SiteFile(path, Convert.ToHexStringLower(SHA256.HashData(bytes)), bytes.Length), bytes);
    }

    private static string Html(string title, string body)
    {
        var text = System.Net.WebUtility.HtmlEncode(title);
        return $"<!DOCTYPE html>\n<html lang=\"en-GB\"><head><meta charset=\"utf-8\"><title>{text}</title><meta "
            + "name=\"viewport\" content=\"width=device-width, initial-scale=1\"></head><body style=\"font: "
            + "1.1rem/1.5 Georgia, serif; margin: 3rem auto; max-width: 36rem; padding: 0 "
            + $"1rem\"><main><h1>{text}</h1>{body}</main></body></html>\n";
    }
}
