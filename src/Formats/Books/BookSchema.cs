namespace HomeStart.Formats;

/// <summary>The JSON Schema of offer books, as docs/offer-book.schema.json has it.</summary>
public static class BookSchema
{
    public static Stream Open() => typeof(BookSchema).Assembly.GetManifestResourceStream("HomeStart.Formats.offer-book.schema.json")!;
}
