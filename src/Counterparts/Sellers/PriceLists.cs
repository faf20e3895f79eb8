using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using HomeStart.Formats.Books;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>The price lists the sellers sell from today, by the id of their book.</summary>
internal sealed class PriceLists(IReadOnlyList<OfferBook> books)
{
    public OfferBook? Find(string book) => books.FirstOrDefault(known => known.Id == book);

    /// <summary>The ids of the books that sell hosting.</summary>
    public IEnumerable<string> Hosts => books.Where(book => !book.Plans.IsEmpty).Select(book => book.Id);

    /// <summary>Whether anybody here sells an ending: then names under it are registered.</summary>
    public bool SellsEnding(string ending) => books.Any(book => book.Domain(ending) is not null);

    /// <summary>
    /// Keeps a price list as it is today, so that what is sold by it is later charged by it. The answer is its hash.
    /// </summary>
    public static async Task<string> KeepAsync(OfferBook book, CounterpartsDb db, CancellationToken cancel)
    {
        var text = BookWriter.Text(BookWriter.Write(book));
        var hash = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
        await db.Database.ExecuteSqlAsync(
            $"INSERT OR IGNORE INTO PriceLists (Hash, Text) VALUES ({hash}, {text})",
            cancel
        ); // Many may be asked for the first quote at once.
        return hash;
    }

    /// <summary>A price list that was kept.</summary>
    public static async Task<OfferBook> KeptAsync(string hash, CounterpartsDb db, CancellationToken cancel)
    {
        using var json = JsonDocument.Parse(
            (await db.PriceLists.AsNoTracking().SingleAsync(row => row.Hash == hash, cancel)).Text
        );
        return BookReader.Read(json.RootElement, new FaultList())!;
    }
}
