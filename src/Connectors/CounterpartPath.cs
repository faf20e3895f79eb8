using System.Globalization;

namespace HomeStart.Connectors;

/// <summary>
/// An address at a counterpart. Whatever is put into it stays one segment: neither a slash nor dots in a book's id, a
/// key or an account lead anywhere else.
/// </summary>
internal static class CounterpartPath
{
    /// <summary>
    /// The path with each value escaped, in its format: <c>Escape($"/hosts/{book}/accounts?date={day:yyyy-MM-dd}")</c>.
    /// The machine's language has no say in it.
    /// </summary>
    public static string Escape(FormattableString path) =>
        string.Format(Escaping.Instance, path.Format, path.GetArguments());

    private sealed class Escaping : IFormatProvider, ICustomFormatter
    {
        public static readonly Escaping Instance = new();

        public object? GetFormat(Type? formatType) => formatType == typeof(ICustomFormatter) ? this : null;

        public string Format(string? format, object? arg, IFormatProvider? formatProvider) =>
            Segment(
                arg is IFormattable formattable
                    ? formattable.ToString(format, CultureInfo.InvariantCulture)
                    : arg?.ToString() ?? ""
            );
    }

    // Addresses fold segments of dots, however they are escaped: they are sent as something that no counterpart has.
    private static string Segment(string text) =>
        text is "" or "." or ".." ? $"%25{text.Length}" : Uri.EscapeDataString(text);
}
