using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Costings;

/// <summary>What a request asks to be costed; null where it has faults.</summary>
public sealed record CostingRequest(ImmutableArray<OfferBook> Books, CountSettings Settings, Candidate Candidate);

/// <summary>Reads the body of <c>POST /api/costings</c>.</summary>
public static class CostingRequestReader
{
    private const int MostBooks = 1000;

    /// <summary>
    /// Reads a request, the faults of its books first. Without <c>books</c> it is about <paramref name="ownBooks"/>.
    /// </summary>
    public static CostingRequest? Read(JsonElement json, ImmutableArray<OfferBook> ownBooks, FaultList faults)
    {
        var root = new Node(json, "", faults);
        if (!root.IsObject())
        {
            if (root.IsAbsent)
            {
                root.Fault(FaultCodes.BadType, "This must be an object.");
            }

            return null;
        }

        return new CostingRequest(
            BooksOf(root, ownBooks),
            SettingsReader.Read(root),
            CandidateReader.Read(root["candidate"])
        );
    }

    /// <summary>The books sent along with a request, or the caller's own where none are.</summary>
    internal static ImmutableArray<OfferBook> BooksOf(Node root, ImmutableArray<OfferBook> ownBooks) =>
        root["books"].IsAbsent ? ownBooks : Books(root["books"]);

    private static ImmutableArray<OfferBook> Books(Node node)
    {
        var items = node.Items(MostBooks);
        var books = items.Select(BookReader.Read).ToImmutableArray();
        node.Faults.AddDuplicates(
            books.Select(book => book?.Id is "" ? null : book?.Id),
            index => $"{items[index].Where}.id",
            Listed.Book
        );
        return [.. books.OfType<OfferBook>()];
    }
}
