using System.Globalization;

namespace HomeStart.Connectors;

/// <summary>
/// An address at a counterpart. Whatever is put into it stays one segment: neither a slash nor dots in a book's id, a key or an account lead anywhere else.
/// </summary>
internal static class CounterpartPath
{
    /// <summary>The path with each value escaped: <c>Of($"/hosts/{book}/accounts")</c>.</summary>
    public static string Of(FormattableString path) =>
        string.Format(CultureInfo.InvariantCulture, path.Format, Array.ConvertAll(path.GetArguments(), argument => (object)Segment(argument?.ToString() ?? "")));

    // Addresses fold segments of dots, however they are escaped: they are sent as something that no counterpart has.
    private static string Segment(string text) => text is "" or "." or ".." ? $"%25{text.Length}" : Uri.EscapeDataString(text);
}
