namespace HomeStart.Formats.Words;

/// <summary>A line of an order in words.</summary>
internal static class ItemWords
{
    public static string Name(OrderedItem item) =>
        item.Kind switch
        {
            null => item.Name,
            LineKind.Plan => $"{item.Name}, hosting for {DurationWords.Span(item.Months)}",
            LineKind.DataCentre => $"Data centre {item.Name}",
            LineKind.Setup => "Setting the hosting up, once",
            LineKind.Domain => $"{item.Name} for {DurationWords.Span(item.Months)}",
            LineKind.AddOn when item.Quantity > 1 => $"{item.Quantity} × {item.Name}",
            LineKind.AddOn => item.Name,
            _ => throw new InvalidOperationException($"There are no words for {item.Kind}."),
        };
}
