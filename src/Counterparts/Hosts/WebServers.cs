using HomeStart.Formats.Dns;
using HomeStart.Formats.Online;
using Microsoft.AspNetCore.Http;
using Microsoft.EntityFrameworkCore;
using Microsoft.Net.Http.Headers;

namespace HomeStart.Counterparts;

/// <summary>
/// The hosts' web servers: whoever asks for <c>name.world.localhost</c> gets what the world's owner put there, if the
/// name leads to the host. That is another origin for each name, none of them ours, so that nothing uploaded can run as
/// Home Start.
/// </summary>
internal sealed class WebServers(CounterpartsDb db, Zones zones, PanelDesk panel, FileStore files)
{
    private const string Suffix = ".localhost";

    /// <summary>What a server says of a name that it does not know (RFC 9110, 15.5.20).</summary>
    public const int NotHere = StatusCodes.Status421MisdirectedRequest;

    /// <summary>The name and the world that a host header means; null: it means neither.</summary>
    public static (string Name, string World)? Read(HostString host)
    {
        if (!host.Host.EndsWith(Suffix, StringComparison.OrdinalIgnoreCase))
        {
            return null;
        }

        var name = host.Host[..^Suffix.Length].ToLowerInvariant();
        var dot = name.LastIndexOf('.');
        return dot > 0 && Guid.TryParseExact(name[(dot + 1)..], "N", out _) ? (name[..dot], name[(dot + 1)..]) : null;
    }

    /// <summary>With which status the front page of a name is answered.</summary>
    public async Task<int> StatusAsync(string world, string name, CancellationToken cancel)
    {
        if (await AccountAsync(world, name, cancel) is not var (account, hosted, names))
        {
            return NotHere;
        }

        return !IsOpen(account)
            ? StatusCodes.Status503ServiceUnavailable
            : hosted.Use switch
            {
                NameUse.Forwarded => StatusCodes.Status302Found,
                NameUse.MailOnly => StatusCodes.Status404NotFound,
                NameUse.Resting => StatusCodes.Status200OK,
                _ => (await panel.SpaceAsync(world, account.Id, cancel)).At(
                    WebSpace.Joined(names.FolderOf(hosted), "index.html")
                )
                    is null
                    ? StatusCodes.Status404NotFound
                    : StatusCodes.Status200OK,
            };
    }

    /// <summary>The account at the host which a name leads to that answers for it.</summary>
    public async Task<(AccountRow Account, HostedName Hosted, HostedNames Names)?> AccountAsync(
        string world,
        string name,
        CancellationToken cancel
    )
    {
        var accounts = await db
            .Accounts.AsNoTracking()
            .Where(row => row.World == world && !row.IsRemoved)
            .ToListAsync(cancel);
        foreach (var account in accounts)
        {
            if (
                await panel.FindAsync(world, account.Id, PanelKinds.Names, null, cancel) is var (_, content)
                && PanelDocuments.Names(content) is { } names
                && names.Answering(name) is { } hosted
            )
            {
                return (account, hosted, names);
            }
        }

        // A domain that was claimed afterwards joins the one hosting there is where it leads to.
        var there = await HostOfAsync(world, name, cancel) is { } book
            ? accounts.Where(row => row.Book == book).ToList()
            : [];
        return
            there is [var only]
            && DomainName.Parse(name.StartsWith("www.", StringComparison.Ordinal) ? name[4..] : name) is { } claimed
            ? (only, new HostedName(claimed, NameUse.OwnSite), HostedNames.ForMain(claimed))
            : null;
    }

    /// <summary>The book of the host that a name leads to.</summary>
    public async Task<string?> HostOfAsync(string world, string name, CancellationToken cancel)
    {
        var answer = await zones.AuthoritativeAsync(world, DnsMessage.Ask(name, DnsType.A), cancel);
        return zones.HostAt(answer.Answers.LastOrDefault(record => record.Type == DnsType.A)?.Data);
    }

    public async Task AnswerAsync(HttpContext http, string name, string world)
    {
        SetHeaders(http.Response.Headers);
        var cancel = http.RequestAborted;
        if (await Behaviours.ModeOfAsync(db, world, Service.Host, cancel) == Mode.Down)
        {
            await SayAsync(
                http,
                StatusCodes.Status503ServiceUnavailable,
                "The server does not answer",
                "It is down at the moment. Nothing is lost: what was put there is there again when it comes back."
            );
            return;
        }

        if (await HostOfAsync(world, name, cancel) is not { } book)
        {
            await SayAsync(
                http,
                StatusCodes.Status404NotFound,
                "Server not found",
                $"No record leads from {name} to a server. This page stands in for what your browser would say."
            );
        }
        else if (await AccountAsync(world, name, cancel) is not var (account, hosted, names) || account.Book != book)
        {
            await SayAsync(
                http,
                NotHere,
                "No such site here",
                $"{name} leads to this server, which does not know the name."
            );
        }
        else if (!IsOpen(account))
        {
            await SayAsync(
                http,
                StatusCodes.Status503ServiceUnavailable,
                "This site is not shown at the moment",
                "Its hosting is not paid. What was put there is kept for some days: whoever owns it can pay "
                    + "and have it back."
            );
        }
        else
        {
            await ShowAsync(http, account, hosted, names);
        }
    }

    private static bool IsOpen(AccountRow account) => account.State == "live";

    private async Task ShowAsync(HttpContext http, AccountRow account, HostedName hosted, HostedNames names)
    {
        switch (hosted.Use)
        {
            case NameUse.Forwarded:
                http.Response.Redirect(
                    hosted.ForwardTo!
                        + (
                            hosted.KeepsPath
                                ? (http.Request.Path + http.Request.QueryString.ToString()).TrimStart('/')
                                    is { Length: > 0 } path
                                    ? (hosted.ForwardTo!.EndsWith('/') ? "" : "/") + path
                                    : ""
                                : ""
                        )
                );
                break;
            case NameUse.Resting:
                await SayAsync(http, StatusCodes.Status200OK, hosted.Name.Text, "Something is to come here.");
                break;
            case NameUse.MailOnly:
                await SayAsync(http, StatusCodes.Status404NotFound, "No site here", $"{hosted.Name} takes mail alone.");
                break;
            default:
                await ServeAsync(http, account, names.FolderOf(hosted));
                break;
        }
    }

    private async Task ServeAsync(HttpContext http, AccountRow account, string folder)
    {
        var (space, asked) = (
            await panel.SpaceAsync(account.World, account.Id, http.RequestAborted),
            http.Request.Path.Value!.TrimStart('/')
        );
        if (HttpMethods.IsPost(http.Request.Method))
        {
            await Engines.LogInAsync(http, db, account, WebSpace.Joined(folder, asked));
            return;
        }

        if (!HttpMethods.IsGet(http.Request.Method) && !HttpMethods.IsHead(http.Request.Method))
        {
            http.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
            return;
        }

        var path = WebSpace.Joined(folder, asked.Length == 0 || asked.EndsWith('/') ? asked + "index.html" : asked);
        if (space.At(path) is { } file)
        {
            await SendAsync(http, account, file, StatusCodes.Status200OK);
        }
        else if (space.At(path + "/index.html") is not null)
        {
            http.Response.Redirect($"/{asked}/", permanent: true);
        }
        else if (space.At(WebSpace.Joined(folder, "404.html")) is { } own)
        {
            await SendAsync(http, account, own, StatusCodes.Status404NotFound);
        }
        else
        {
            await SayAsync(
                http,
                StatusCodes.Status404NotFound,
                "There is no such page",
                "The address may be mistyped, or the page was taken away."
            );
        }
    }

    private async Task SendAsync(HttpContext http, AccountRow account, SiteFile file, int status)
    {
        var tag = new EntityTagHeaderValue($"\"{file.Hash[..16]}\"");
        http.Response.Headers.ETag = tag.ToString();
        if (
            status == StatusCodes.Status200OK
            && http.Request.Headers.IfNoneMatch.ToString().Contains(tag.ToString(), StringComparison.Ordinal)
        )
        {
            http.Response.StatusCode = StatusCodes.Status304NotModified;
            return;
        }

        http.Response.StatusCode = status;
        http.Response.ContentType = FileKinds.TypeOf(file.Path) ?? "application/octet-stream";
        http.Response.ContentLength = file.Size;
        if (HttpMethods.IsGet(http.Request.Method))
        {
            await using var content = files.Open(account.World, account.Id, file.Hash);
            await content.CopyToAsync(http.Response.Body, http.RequestAborted);
        }
    }

    // What an owner's site may do in a browser is theirs to say; that it cannot be mistaken for another kind of file,
    // framed or measured by others is the host's.
    private static void SetHeaders(IHeaderDictionary headers)
    {
        headers.XContentTypeOptions = "nosniff";
        headers.XFrameOptions = "DENY";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Origin-Agent-Cluster"] = "?1";
        headers["Referrer-Policy"] = "strict-origin-when-cross-origin";
        headers.CacheControl = "no-cache";
    }

    internal static Task SayAsync(HttpContext http, int status, string title, string text)
    {
        http.Response.StatusCode = status;
        http.Response.ContentType = "text/html; charset=utf-8";
        var (heading, words) = (System.Net.WebUtility.HtmlEncode(title), System.Net.WebUtility.HtmlEncode(text));
        return http.Response.WriteAsync(
            $"<!DOCTYPE html>\n<html lang=\"en-GB\"><head><meta charset=\"utf-8\"><title>{heading}</title><meta "
                + "name=\"viewport\" content=\"width=device-width, initial-scale=1\"></head>"
                + "<body style=\"font: 1.1rem/1.5 Georgia, serif; margin: 4rem auto; max-width: 32rem; padding: "
                + $"0 1rem\"><main><h1>{heading}</h1><p>{words}</p></main></body></html>\n",
            http.RequestAborted
        );
    }
}
