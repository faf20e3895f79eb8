using System.Security.Cryptography;
using HomeStart.Formats;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// What a host lets its customers change: documents with versions, of which the newest counts and earlier ones can be read again, and files kept under their hash. A change says which
/// version it saw, so that of two at once one is refused, and what it makes stands whole or not at all.
/// </summary>
internal static class Panel
{
    /// <summary>How many versions of a document are kept.</summary>
    private const int Kept = 20;

    private const int LargestDocument = 4 << 20;

    public static void MapPanel(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Host).MapGroup("/panel");
        group.MapGet("/{scope}/documents/{kind}", ReadAsync);
        group.MapGet("/{scope}/documents/{kind}/{version:int}", ReadAsync);
        group.MapPut("/{scope}/documents/{kind}", WriteAsync);
        group.MapPost("/{account}/missing-files", MissingAsync);
        group.MapPut("/{account}/files/{hash}", StoreAsync);
        group.MapGet("/visits/{name}", async (string name, HttpContext http, WebServers servers) => new { status = await servers.StatusAsync(http.World(), name, http.RequestAborted) });
        Certificates.Map(group);
        Engines.Map(group);
        app.Behaving(Service.Host).MapGet("/hosts/{book}/engines", Engines.Offers);
    }

    private static async Task<IResult> ReadAsync(string scope, string kind, int? version, HttpContext http, PanelDesk desk)
    {
        if (await desk.FindAsync(http.World(), scope, kind, version, http.RequestAborted) is not var (now, content))
        {
            return Results.NotFound();
        }

        http.Response.Headers.ETag = $"\"{now}\"";
        return Results.Bytes(content, "application/json");
    }

    private static async Task<IResult> WriteAsync(string scope, string kind, HttpContext http, PanelDesk desk)
    {
        if (!int.TryParse(http.Request.Headers.IfMatch.ToString().Trim('"'), out var seen))
        {
            return Results.StatusCode(StatusCodes.Status428PreconditionRequired);
        }

        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, http.RequestAborted);
        if (bytes.Length > LargestDocument)
        {
            return Results.StatusCode(StatusCodes.Status413PayloadTooLarge);
        }

        var (state, now) = await desk.PutAsync(http.World(), scope, kind, seen, bytes.ToArray(), http.RequestAborted);
        http.Response.Headers.ETag = $"\"{now}\"";
        return Results.StatusCode(state);
    }

    private static IResult MissingAsync(string account, string[] hashes, HttpContext http, FileStore files) => Results.Ok(hashes.Where(hash => !PanelDocuments.IsHash(hash) || !files.Has(http.World(), account, hash)));

    private static async Task<IResult> StoreAsync(string account, string hash, HttpContext http, FileStore files, CounterpartsDb db)
    {
        if (http.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
        {
            limit.MaxRequestBodySize = FileRules.LargestFile;
        }

        if (!PanelDocuments.IsHash(hash) || !await db.Accounts.AnyAsync(row => row.World == http.World() && row.Id == account && !row.IsRemoved, http.RequestAborted))
        {
            return Results.NotFound();
        }

        if (await Behaviours.ModeOfAsync(db, http.World(), Service.Host, http.RequestAborted) == Mode.Full)
        {
            return Results.StatusCode(StatusCodes.Status507InsufficientStorage);
        }

        return await files.StoreAsync(http.World(), account, hash, http.Request.Body, http.RequestAborted) ? Results.NoContent() : Results.Conflict(new { code = "damaged", message = "The file did not arrive as it was sent." });
    }

    /// <summary>The documents, behind what asks for them over HTTP and what the host itself does with them.</summary>
    internal sealed class PanelDesk(CounterpartsDb db, Zones zones, FileStore files, PriceLists lists, TimeProvider time)
    {
        /// <summary>A version of a document, the newest where none is asked for; what was never written is as the host began it.</summary>
        public async Task<(int Version, byte[] Content)?> FindAsync(string world, string scope, string kind, int? version, CancellationToken cancel)
        {
            var key = kind == PanelKinds.Zone ? await zones.KindAsync(world, scope, cancel) : kind;
            if (key is null || (kind != PanelKinds.Zone && !await db.Accounts.AnyAsync(row => row.World == world && row.Id == scope && !row.IsRemoved, cancel)))
            {
                return null;
            }

            var row = await db.Kept.AsNoTracking().Where(row => row.World == world && row.Scope == scope && row.Kind == key && (version == null || row.Version == version)).OrderByDescending(row => row.Version).FirstOrDefaultAsync(cancel);
            return row is not null ? (row.Version, row.Content) : version is null or 0 ? (0, await BegunAsync(world, scope, kind, cancel)) : null;
        }

        public async Task<(int Status, int Version)> PutAsync(string world, string scope, string kind, int seen, byte[] content, CancellationToken cancel)
        {
            if (await FindAsync(world, scope, kind, null, cancel) is not var (now, _))
            {
                return (StatusCodes.Status404NotFound, 0);
            }

            if (now != seen)
            {
                return (StatusCodes.Status412PreconditionFailed, now);
            }

            if (!IsReadable(kind, content) || (kind == PanelKinds.Space && !HasAll(world, scope, content)))
            {
                return (StatusCodes.Status409Conflict, now);
            }

            if (kind == PanelKinds.Space && await IsFullAsync(world, scope, content, cancel))
            {
                return (StatusCodes.Status507InsufficientStorage, now);
            }

            var key = kind == PanelKinds.Zone ? (await zones.KindAsync(world, scope, cancel))! : kind;
            db.Kept.Add(new KeptRow { World = world, Scope = scope, Kind = key, Version = now + 1, Content = content, KeptAt = time.GetUtcNow() });
            try
            {
                await db.SaveChangesAsync(CancellationToken.None);
            }
            catch (DbUpdateException)
            {
                db.ChangeTracker.Clear();
                return (StatusCodes.Status412PreconditionFailed, now + 1); // Somebody else was a moment earlier.
            }

            await TidyAsync(world, scope, key, now + 1, cancel);
            return (StatusCodes.Status200OK, now + 1);
        }

        public async Task<WebSpace> SpaceAsync(string world, string account, CancellationToken cancel) => await FindAsync(world, account, PanelKinds.Space, null, cancel) is var (_, content) ? PanelDocuments.Space(content) ?? WebSpace.Empty : WebSpace.Empty;

        private async Task<byte[]> BegunAsync(string world, string scope, string kind, CancellationToken cancel) =>
            kind switch
            {
                PanelKinds.Zone => PanelDocuments.Write(await zones.BegunAsync(world, scope, cancel)),
                PanelKinds.Space => PanelDocuments.Write(new WebSpace([HostPages.Placeholder])),
                PanelKinds.Names => PanelDocuments.Write(HostedNames.Of(DomainName.Parse(await db.Accounts.Where(row => row.World == world && row.Id == scope).Select(row => row.Domain).SingleAsync(cancel)))),
                PanelKinds.Mail => PanelDocuments.Write(MailSetUp.None),
                _ => PanelDocuments.Write(Array.Empty<InstalledEngine>()),
            };

        private static bool IsReadable(string kind, byte[] content) =>
            kind switch
            {
                PanelKinds.Zone => PanelDocuments.Records(content) is not null,
                PanelKinds.Space => PanelDocuments.Space(content) is not null,
                PanelKinds.Names => PanelDocuments.Names(content) is not null,
                PanelKinds.Mail => PanelDocuments.Mail(content) is not null,
                PanelKinds.Engines => PanelDocuments.Engines(content) is not null,
                _ => false,
            };

        private bool HasAll(string world, string account, byte[] content) => PanelDocuments.Space(content)!.Files.All(file => files.Has(world, account, file.Hash));

        private async Task<bool> IsFullAsync(string world, string account, byte[] content, CancellationToken cancel)
        {
            var row = await db.Accounts.AsNoTracking().SingleAsync(row => row.World == world && row.Id == account, cancel);
            return await Behaviours.ModeOfAsync(db, world, Service.Host, cancel) == Mode.Full
                || (lists.Find(row.Book)?.Plan(row.Plan)?.Features["storageGB"]?.Number is { } gigabytes && PanelDocuments.Space(content)!.Size > gigabytes * (1 << 30));
        }

        // Old versions go, and with them files that none of those left has.
        private async Task TidyAsync(string world, string scope, string kind, int newest, CancellationToken cancel)
        {
            await db.Kept.Where(row => row.World == world && row.Scope == scope && row.Kind == kind && row.Version <= newest - Kept).ExecuteDeleteAsync(cancel);
            if (kind == PanelKinds.Space)
            {
                var kept = await db.Kept.AsNoTracking().Where(row => row.World == world && row.Scope == scope && row.Kind == kind).Select(row => row.Content).ToListAsync(cancel);
                files.Keep(world, scope, kept.SelectMany(content => PanelDocuments.Space(content)?.Files ?? []).Select(file => file.Hash).ToHashSet(StringComparer.Ordinal));
            }
        }
    }
}

/// <summary>The bytes of files, each account's by their hash.</summary>
internal sealed class FileStore(string folder, TimeProvider time)
{
    public bool Has(string world, string account, string hash) => hash == HostPages.Placeholder.Hash || File.Exists(PathOf(world, account, hash));

    public Stream Open(string world, string account, string hash) => hash == HostPages.Placeholder.Hash ? new MemoryStream(HostPages.PlaceholderBytes) : File.OpenRead(PathOf(world, account, hash));

    /// <summary>Keeps what comes under its hash, once it is there whole; false: it is something else.</summary>
    public async Task<bool> StoreAsync(string world, string account, string hash, Stream content, CancellationToken cancel)
    {
        var path = PathOf(world, account, hash);
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var arriving = $"{path}.{Guid.NewGuid():N}";
        try
        {
            using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            await using (var file = File.Create(arriving))
            {
                var buffer = new byte[64 * 1024];
                for (int read; (read = await content.ReadAsync(buffer, cancel)) > 0;)
                {
                    sum.AppendData(buffer.AsSpan(0, read));
                    await file.WriteAsync(buffer.AsMemory(0, read), cancel);
                }
            }

            if (Convert.ToHexStringLower(sum.GetHashAndReset()) != hash)
            {
                return false;
            }

            File.Move(arriving, path, overwrite: true);
            return true;
        }
        finally
        {
            File.Delete(arriving);
        }
    }

    /// <summary>Removes the files that nobody needs; what arrived a moment ago waits for the version it belongs to.</summary>
    public void Keep(string world, string account, HashSet<string> hashes)
    {
        var directory = Path.GetDirectoryName(PathOf(world, account, HostPages.Placeholder.Hash))!;
        if (Directory.Exists(directory))
        {
            foreach (var file in new DirectoryInfo(directory).GetFiles().Where(file => !hashes.Contains(file.Name) && file.LastWriteTimeUtc < time.GetUtcNow().UtcDateTime.AddHours(-1)))
            {
                file.Delete();
            }
        }
    }

    private string PathOf(string world, string account, string hash) => Path.Combine(folder, Plain(world), Plain(account), hash);

    // Whoever asks knows the secret; a name that leads elsewhere is refused all the same.
    private static string Plain(string name) => name.Length > 0 && name.All(char.IsAsciiLetterOrDigit) ? name : throw new BadHttpRequestException("There is no such account.");
}
