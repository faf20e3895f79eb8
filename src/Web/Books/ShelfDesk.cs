using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Data;
using HomeStart.Formats.Books;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Books;

/// <summary>Putting books on the shelf, away, and off it again.</summary>
public sealed class ShelfDesk(Shelf shelf, Workspace workspace, HomeStartDb db, SiteDesk sites, TimeProvider time)
{
    /// <summary>How many books of their own a visitor may have.</summary>
    private const int MostBooks = 60;

    /// <summary>How many versions of one.</summary>
    private const int MostVersions = 40;

    /// <summary>How many bytes all of them may take together: hundreds of usual price lists.</summary>
    private const long MostBytes = 16 << 20;

    /// <summary>
    /// What taking a book would change: against the version on the shelf, and for every candidate that buys there.
    /// </summary>
    public async Task<BookLookWire> LookAsync(OfferBook book, byte[] bytes, CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        var known = shelf.Find(book.Id);
        return new BookLookWire(
            [],
            BookWire.From(book, today),
            known is null ? BookStanding.New
                : known.Hash == Shelf.HashOf(bytes) ? BookStanding.Same
                : BookStanding.Newer,
            known is null
                ? []
                :
                [
                    .. BookChange
                        .Between(known.Book, book)
                        .Select(change => BookChangeWire.Write(change, known.Book, book)),
                ],
            await EffectsAsync(book.Id, book, cancel)
        );
    }

    /// <summary>
    /// A book as changes left it, and what keeping it would do; under a seller's name of its own it is another book.
    /// </summary>
    public async Task<EditedBookWire> EditedAsync(JsonNode edited, string? asNew, CancellationToken cancel)
    {
        if (asNew is not null && edited is JsonObject book)
        {
            book["id"] = Slug.Free(Slug.Make(asNew, "seller"), id => shelf.Find(id) is not null);
            (book["provider"] as JsonObject ?? [])["name"] = asNew;
        }

        var text = BookWriter.Text(edited);
        var faults = new FaultList();
        using var json = JsonDocument.Parse(text);
        var look = BookReader.Read(json.RootElement, faults) is { } whole
            ? await LookAsync(whole, Encoding.UTF8.GetBytes(text), cancel)
            : BookLookWire.From(faults);
        return new EditedBookWire(text, look);
    }

    /// <summary>Puts what a book was changed into on the shelf as a newer version, if it still reads as one.</summary>
    public async Task TakeEditedAsync(JsonNode edited, FaultList faults, CancellationToken cancel)
    {
        var text = BookWriter.Text(edited);
        using var json = JsonDocument.Parse(text);
        if (BookReader.Read(json.RootElement, faults) is { } book)
        {
            await TakeAsync(book, Encoding.UTF8.GetBytes(text), faults, cancel);
        }
    }

    /// <summary>Puts a book, or a newer version of one, on the shelf as the bytes that came in.</summary>
    public async Task TakeAsync(OfferBook book, byte[] bytes, FaultList faults, CancellationToken cancel)
    {
        BookIds.Check(book, faults);
        if (faults.Any)
        {
            return;
        }

        await workspace.EnsureStoredAsync(cancel);
        await db.AloneAsync(
            async () =>
            {
                await PutAsync(book, bytes, faults, cancel);
                return true;
            },
            cancel
        );
        shelf.Reload();
    }

    // Counted and put in one step.
    private async Task PutAsync(OfferBook book, byte[] bytes, FaultList faults, CancellationToken cancel)
    {
        var hash = Shelf.HashOf(bytes);
        if (shelf.Find(book.Id) is { } known && known.Hash == hash)
        {
            return; // It is there already.
        }

        var own = await db.OwnBooks.Where(row => row.BookId == book.Id).ToListAsync(cancel);
        if (own.Count == 0 && shelf.All.Count(shelved => shelved.Versions > 0) >= MostBooks)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "",
                $"The shelf holds {MostBooks} books of your own: take one off first."
            );
            return;
        }

        if (own.Count >= MostVersions)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "",
                $"{MostVersions} versions of this book are kept: take it off the shelf and put it on anew."
            );
            return;
        }

        var kept = await db
            .OwnBooks.Join(db.Books, row => row.Hash, stored => stored.Hash, (_, stored) => (long)stored.Content.Length)
            .SumAsync(cancel);
        if (kept + bytes.Length > MostBytes)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "",
                $"With this your books would take {kept + bytes.Length} bytes; at most {MostBytes} are kept. "
                    + "Take some off the shelf first."
            );
            return;
        }

        if (!await db.Books.AnyAsync(row => row.Hash == hash, cancel))
        {
            db.Books.Add(new BookRow { Hash = hash, Content = bytes });
        }

        db.OwnBooks.Add(
            new OwnBookRow
            {
                WorkspaceId = workspace.Id,
                BookId = book.Id,
                Version = own.Count == 0 ? 1 : own.Max(row => row.Version) + 1,
                Hash = hash,
                AddedAt = time.GetUtcNow(),
            }
        );
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>
    /// Takes a book of the visitor's own off the shelf, all its versions; the demo's with its id comes back. What
    /// orders were placed from is kept.
    /// </summary>
    public async Task RemoveAsync(string bookId, CancellationToken cancel)
    {
        await db.OwnBooks.Where(row => row.BookId == bookId).ExecuteDeleteAsync(cancel);
        await db.Shelf.Where(row => row.BookId == bookId).ExecuteDeleteAsync(cancel);
        shelf.Reload();
    }

    public Task PutAwayAsync(string bookId, bool isPutAway, CancellationToken cancel) =>
        SayAsync(bookId, row => row.IsPutAway = isPutAway, cancel);

    /// <summary>Hides every seller that comes with the application, or shows them again, in one step.</summary>
    public async Task PutExamplesAwayAsync(bool isPutAway, CancellationToken cancel)
    {
        foreach (
            var shelved in shelf.All.Where(shelved => shelved.Versions == 0 && shelved.IsPutAway != isPutAway).ToList()
        )
        {
            await SayAsync(shelved.Book.Id, row => row.IsPutAway = isPutAway, cancel);
        }
    }

    /// <summary>The visitor looked at the seller's page again today and found nothing changed.</summary>
    public async Task LookedAgainAsync(string bookId, CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        await SayAsync(bookId, row => row.LookedOn = today, cancel);
    }

    /// <summary>The shelf as its page shows it.</summary>
    public async Task<IReadOnlyList<ShelvedWire>> ListAsync(CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        var used = (await sites.AllAsync(cancel))
            .SelectMany(site => site.Shortlist)
            .SelectMany(listed =>
                listed.Candidate.Domains.Select(domain => domain.Book).Append(listed.Candidate.Hosting?.Book)
            )
            .ToHashSet();
        var added = await db.OwnBooks.AsNoTracking().OrderBy(row => row.Version).ToListAsync(cancel);
        return
        [
            .. shelf.All.Select(shelved => new ShelvedWire(
                BookWire.From(shelved.Book, today),
                shelved.Versions > 0,
                shelved.IsPutAway,
                used.Contains(shelved.Book.Id),
                [.. added.Where(row => row.BookId == shelved.Book.Id).Select(row => new BookVersionWire(row.Version))]
            )),
        ];
    }

    private async Task<ImmutableArray<BookEffectWire>> EffectsAsync(
        string bookId,
        OfferBook? changed,
        CancellationToken cancel
    )
    {
        var today = await workspace.BusinessDateAsync(cancel);
        return
        [
            .. (await sites.AllAsync(cancel)).SelectMany(site =>
                BookEffect
                    .ListAll(site, workspace.Books, bookId, changed, site.Settings.On(today))
                    .Select(effect => BookEffectWire.From(site.Name, effect))
            ),
        ];
    }

    private async Task SayAsync(string bookId, Action<ShelfRow> say, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        var row = await db.Shelf.FirstOrDefaultAsync(row => row.BookId == bookId, cancel)
            ?? db.Shelf.Add(new ShelfRow { WorkspaceId = workspace.Id, BookId = bookId }).Entity;
        say(row);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            // Another window said something of this book first: what is said now is added to that.
            db.ChangeTracker.Clear();
            say(await db.Shelf.FirstAsync(known => known.BookId == bookId, cancel));
            await db.SaveChangesAsync(cancel);
        }

        shelf.Reload();
    }
}
