using HomeStart.Formats.Domains;
using HomeStart.Web.Session;

namespace HomeStart.Web.Upkeep;

/// <summary>A name of the owner’s, and the order it came with.</summary>
public sealed record NameOfOrder(NameHad Name, LoadedTenure Kept);

/// <summary>The names that the visitor has through delivered orders, for whatever site they were ordered.</summary>
public sealed class NamesHad(TenureDesk desk, Workspace workspace)
{
    /// <summary>Far enough to see the next renewal of a name paid for ten years ahead.</summary>
    private const int HorizonMonths = Years.Longest;

    public async Task<IReadOnlyList<NameOfOrder>> ListAsync(CancellationToken cancel)
    {
        await desk.OpenAsync(cancel);
        var names = new List<NameOfOrder>();
        foreach (var kept in await desk.ListAsync(null, cancel))
        {
            names.AddRange(
                NameHad
                    .ListAll(await desk.OutlookAsync(kept, HorizonMonths, cancel))
                    .Select(name => new NameOfOrder(name, kept))
            );
        }

        return names;
    }

    /// <summary>
    /// By the domain, written out: the book of the seller who can be told to point it somewhere. What was bought at a
    /// seller's own page is the owner's to point.
    /// </summary>
    public async Task<IReadOnlyDictionary<string, string>> PointableAsync(CancellationToken cancel) =>
        (await ListAsync(cancel))
            .Where(had => had.Kept.Order.There is null)
            .DistinctBy(had => had.Name.Domain)
            .ToDictionary(had => had.Name.Domain.Text, had => had.Name.Book, StringComparer.Ordinal);

    public async Task<IReadOnlyList<NameHadWire>> WiresAsync(CancellationToken cancel) =>
        [.. (await ListAsync(cancel)).Select(had => NameHadWire.From(had.Name, SellerOf(had), had.Kept.Order))];

    private string SellerOf(NameOfOrder had) =>
        workspace.Books.FirstOrDefault(book => book.Id == had.Name.Book)?.Provider.Name
        ?? had.Kept.Tenure.Book(had.Name.Book).Provider.Name;
}
