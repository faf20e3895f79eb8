namespace HomeStart.Formats.Books;

/// <summary>The JSON Schema of offer books, and the example that teaches them, as docs/ has both.</summary>
public static class BookSchema
{
    public static Stream Open() => Resource("schema");

    public static Stream OpenExample() => Resource("example");

    private static Stream Resource(string what) =>
        typeof(BookSchema).Assembly.GetManifestResourceStream($"HomeStart.Formats.offer-book.{what}.json")!;
}
