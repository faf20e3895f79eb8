using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Formats.Books;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace HomeStart.Web.Books;

/// <summary>An offer book on a visitor's shelf.</summary>
/// <param name="Book">As of the day its prices were last looked at.</param>
/// <param name="Versions">How many versions of their own the visitor has; 0: it is the demo's.</param>
public sealed record ShelvedBook(OfferBook Book, string Hash, int Versions, bool IsPutAway);

/// <summary>
/// The offer books a visitor has: the demo's, and their own, of which the newest version of each id counts. A book of
/// their own takes the place of the demo's with its id.
/// </summary>
public sealed class Shelf(HomeStartDb db, Demo demo, IMemoryCache cache)
{
    // The provider is synchronous anyhow, and a request needs the shelf once.
    private ImmutableArray<ShelvedBook>? _all;

    /// <summary>All of them, those put away too: the demo's first, then their own in the order they came.</summary>
    public ImmutableArray<ShelvedBook> All => _all ??= Load();

    /// <summary>Looks at the shelf anew after it was changed.</summary>
    public void Reload() => _all = null;

    /// <summary>A book by its id; null where there is none.</summary>
    /// <param name="bookId">Also as an address has it: ids from before there was a rule for them may hold slashes,
    /// say.</param>
    public ShelvedBook? Find(string bookId) =>
        All.FirstOrDefault(shelved => shelved.Book.Id == bookId)
        ?? All.FirstOrDefault(shelved =>
            !BookIds.IsId(shelved.Book.Id) && shelved.Book.Id == Uri.UnescapeDataString(bookId)
        );

    /// <summary>The bytes of a version, the newest without one; null where there is none.</summary>
    public async Task<byte[]?> BytesAsync(string bookId, int? version, CancellationToken cancel)
    {
        var hash = version is null
            ? Find(bookId)?.Hash
            : (
                await db.OwnBooks.FirstOrDefaultAsync(row => row.BookId == bookId && row.Version == version, cancel)
            )?.Hash;
        return hash is null ? null : (await db.Books.FirstOrDefaultAsync(row => row.Hash == hash, cancel))?.Content;
    }

    /// <summary>All versions of a book, the oldest first, the demo's own before the visitor's.</summary>
    public async Task<IReadOnlyList<OfferBook>> VersionsAsync(string bookId, CancellationToken cancel)
    {
        var own = await db
            .OwnBooks.AsNoTracking()
            .Where(row => row.BookId == bookId)
            .OrderBy(row => row.Version)
            .Select(row => row.Hash)
            .ToListAsync(cancel);
        return [.. demo.OfferBooks.Where(book => book.Id == bookId), .. own.Select(Read)];
    }

    /// <summary>The very books that an order was placed from.</summary>
    /// <param name="hashes">Separated by spaces.</param>
    public ImmutableArray<OfferBook> PlacedFrom(string hashes) =>
        [.. hashes.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Read)];

    public static string HashOf(byte[] bytes) => Convert.ToHexStringLower(SHA256.HashData(bytes));

    private ImmutableArray<ShelvedBook> Load()
    {
        var own = db.OwnBooks.AsNoTracking().OrderBy(row => row.BookId).ThenBy(row => row.Version).ToList();
        var said = db.Shelf.AsNoTracking().ToDictionary(row => row.BookId);
        var newest = own.GroupBy(row => row.BookId)
            .Select(versions => versions.Last())
            .OrderBy(row => row.AddedAt)
            .ToList();
        var demos = demo
            .OfferBooks.Index()
            .Where(pair => newest.TrueForAll(row => row.BookId != pair.Item.Id))
            .Select(pair => Shelved(pair.Item, demo.Files[pair.Index].Hash, 0));
        return
        [
            .. demos,
            .. newest.Select(row => Shelved(Read(row.Hash), row.Hash, own.Count(known => known.BookId == row.BookId))),
        ];

        ShelvedBook Shelved(OfferBook book, string hash, int versions)
        {
            var saying = said.GetValueOrDefault(book.Id);
            return new ShelvedBook(
                saying?.LookedOn > book.AsOf ? book with { AsOf = saying.LookedOn.Value } : book,
                hash,
                versions,
                saying?.IsPutAway ?? false
            );
        }
    }

    // The same bytes are the same book: it is read once for all who have it.
    private OfferBook Read(string hash) => cache.GetOrCreate(("book", hash), entry =>
        {
            entry.SetSize(1).SetSlidingExpiration(TimeSpan.FromMinutes(30));
            using var json = JsonDocument.Parse(db.Books.AsNoTracking().First(row => row.Hash == hash).Content);
            return BookReader.Read(json.RootElement, new FaultList())!;
        })!;
}
