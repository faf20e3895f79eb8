using System.Security.Cryptography;
using HomeStart.Data;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Words;
using HomeStart.Web.Orders;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Sharing;

/// <summary>
/// Links that let somebody read one page: made and withdrawn by the owner, and opened by anyone who has one. The page
/// is always as it is now.
/// </summary>
internal sealed class ShareDesk(
    HomeStartDb db,
    WorkspaceScope scope,
    Workspace workspace,
    SiteDesk sites,
    OrderDesk orders,
    TimeProvider time
)
{
    /// <summary>For how many days a link can be read.</summary>
    public const int Days = 7;

    /// <summary>How many links of an owner can be open at a time.</summary>
    public const int MostOpen = 20;

    public const int LongestNote = 500;

    public const int LongestName = 80;

    public const string Worksheet = "worksheet";

    public const string Comparison = "comparison";

    public const string KeySheet = "key-sheet";

    /// <summary>Null: the owner has no such page, or too many links are open already, which is reported.</summary>
    public async Task<SharedRow?> MakeAsync(
        string what,
        Guid of,
        string? letter,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (await ReportAsync(what, of, letter, cancel) is null)
        {
            return null;
        }

        var now = time.GetUtcNow();
        await workspace.EnsureStoredAsync(cancel);
        await sites.KeepAsync(of, cancel);
        return await db.AloneAsync<SharedRow?>(
            async () =>
            {
                var all = await db.Shared.AsNoTracking().ToListAsync(cancel);
                if (all.Count(known => known.Until > now.ToUnixTimeSeconds()) >= MostOpen)
                {
                    faults.Say(
                        FaultCodes.OutOfRange,
                        "what",
                        $"{MostOpen} links can be read already: withdraw one you no longer need."
                    );
                    return null;
                }

                var made = new SharedRow
                {
                    WorkspaceId = scope.Id,
                    Id = Guid.NewGuid(),
                    Secret = WebEncoders.Base64UrlEncode(RandomNumberGenerator.GetBytes(32)),
                    What = what,
                    Of = of,
                    Letter = letter,
                    MadeAt = now,
                    Until = now.AddDays(Days).ToUnixTimeSeconds(),
                };
                db.Shared.Add(made);
                await db.SaveChangesAsync(cancel);
                return made;
            },
            cancel
        );
    }

    /// <summary>The links of a site or an order, the last one first, each with its notes.</summary>
    public async Task<IReadOnlyList<(SharedRow Link, IReadOnlyList<SharedNoteRow> Notes)>> ListAsync(
        Guid of,
        CancellationToken cancel
    )
    {
        var links = await db.Shared.AsNoTracking().Where(link => link.Of == of).ToListAsync(cancel);
        var ids = links.Select(link => link.Id).ToList();
        var notes = await db.SharedNotes.AsNoTracking().Where(note => ids.Contains(note.SharedId)).ToListAsync(cancel);
        return
        [
            .. links
                .OrderByDescending(link => link.MadeAt)
                .Select(link =>
                    (
                        link,
                        (IReadOnlyList<SharedNoteRow>)
                            [.. notes.Where(note => note.SharedId == link.Id).OrderBy(note => note.At)]
                    )
                ),
        ];
    }

    /// <summary>False: there is no such link.</summary>
    public async Task<bool> WithdrawAsync(Guid id, CancellationToken cancel)
    {
        var now = time.GetUtcNow().ToUnixTimeSeconds();
        if (await db.Shared.SingleOrDefaultAsync(link => link.Id == id, cancel) is not { } link)
        {
            return false;
        }

        link.Until = Math.Min(link.Until, now);
        await db.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>
    /// Lets this request see what a link shows, and nothing else of its owner's: null where it opens nothing, or what
    /// it showed is there no more.
    /// </summary>
    public async Task<(SharedRow Link, Report Report)?> OpenAsync(string secret, CancellationToken cancel)
    {
        if (
            await db
                .Shared.IgnoreQueryFilters()
                .AsNoTracking()
                .SingleOrDefaultAsync(row => row.Secret == secret, cancel)
                is not { } link
            || link.Until <= time.GetUtcNow().ToUnixTimeSeconds()
        )
        {
            return null;
        }

        scope.Open(link.WorkspaceId);
        return await ReportAsync(link.What, link.Of, link.Letter, cancel) is { } report ? (link, report) : null;
    }

    public async Task<Dictionary<string, LineNote>> NotesAsync(SharedRow link, CancellationToken cancel) =>
        await db
            .SharedNotes.AsNoTracking()
            .Where(note => note.SharedId == link.Id)
            .ToDictionaryAsync(note => note.Line, note => new LineNote(note.By, note.Text), cancel);

    /// <summary>Keeps a note in the place of the one that was there.</summary>
    public async Task NoteAsync(SharedRow link, string line, LineNote note, CancellationToken cancel) =>
        await db.AloneAsync(
            async () =>
            {
                var kept = await db.SharedNotes.SingleOrDefaultAsync(
                    known => known.SharedId == link.Id && known.Line == line,
                    cancel
                );
                if (kept is null)
                {
                    kept = new SharedNoteRow
                    {
                        WorkspaceId = link.WorkspaceId,
                        SharedId = link.Id,
                        Line = line,
                    };
                    db.SharedNotes.Add(kept);
                }

                (kept.By, kept.Text, kept.At) = (note.By, note.Text, time.GetUtcNow());
                return await db.SaveChangesAsync(cancel);
            },
            cancel
        );

    private async Task<Report?> ReportAsync(string what, Guid of, string? letter, CancellationToken cancel) =>
        what switch
        {
            Worksheet when letter is not null && await sites.CostedAsync(of, letter, cancel) is var (site, costing) =>
                WorksheetReport.Make(site.Name, letter, costing),
            Comparison when await sites.CountedAsync(of, cancel) is var (site, settings) => ComparisonReport.Make(
                site.Name,
                Core.Comparing.Comparison.Compare(site, workspace.Books, settings, null, against: null),
                settings
            ),
            KeySheet
                when await orders.FindAsync(of, cancel) is { } row
                    && Documents.Read<Order>(row.Document) is { State: OrderState.Completed } order =>
                OrderReports.KeySheet(order),
            _ => null,
        };
}
