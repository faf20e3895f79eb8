using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Formats.Books;
using HomeStart.Formats.Words;

namespace HomeStart.Web.Startup;

/// <summary>The demo's offer books and the site that a visitor's workspace starts as a copy of.</summary>
/// <param name="Files">Each book as its exact bytes, with their hash.</param>
public sealed record Demo(ImmutableArray<OfferBook> OfferBooks, ImmutableArray<BookRow> Files, Site? Site)
{
    /// <exception cref="InvalidDataException">A file of the demo has faults: the message says which and
    /// where.</exception>
    public static Demo Load(string folder)
    {
        var books = ImmutableArray.CreateBuilder<OfferBook>();
        var files = ImmutableArray.CreateBuilder<BookRow>();
        foreach (var file in Directory.GetFiles(Path.Combine(folder, "books"), "*.json").Order(StringComparer.Ordinal))
        {
            var bytes = File.ReadAllBytes(file);
            books.Add(Read(file, bytes));
            files.Add(new BookRow { Hash = Convert.ToHexStringLower(SHA256.HashData(bytes)), Content = bytes });
        }

        return new Demo(
            books.ToImmutable(),
            files.ToImmutable(),
            Documents.Read<Site>(File.ReadAllText(Path.Combine(folder, "site.json")))
        );
    }

    private static OfferBook Read(string file, byte[] bytes)
    {
        var faults = new FaultList();
        using var json = JsonDocument.Parse(bytes);
        return BookReader.Read(json.RootElement, faults)
            ?? throw new InvalidDataException(
                $"{file}: "
                    + string.Join("; ", faults.Faults.Select(fault => $"{fault.Where}: {FaultWords.Sentence(fault)}"))
            );
    }
}
