namespace HomeStart.Core.Basics;

/// <summary>Comparison of codes: ASCII case does not matter, any other difference does.</summary>
public static class Ascii
{
    public static bool EqualsIgnoreCase(string left, string right) => string.Equals(ToUpper(left), ToUpper(right), StringComparison.Ordinal);

    public static string ToUpper(string text) =>
        string.Create(text.Length, text, static (span, source) =>
        {
            for (var i = 0; i < span.Length; i++)
            {
                span[i] = char.IsAsciiLetterLower(source[i]) ? (char)(source[i] - 32) : source[i];
            }
        });
}
