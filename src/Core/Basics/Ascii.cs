namespace HomeStart.Core.Basics;

/// <summary>Comparison of codes: ASCII case does not matter, any other difference does.</summary>
public static class Ascii
{
    /// <summary>Whether two texts are the same but for the case of the letters a to z.</summary>
    public static bool EqualsIgnoreCase(string left, string right) =>
        string.Equals(ToUpper(left), ToUpper(right), StringComparison.Ordinal);

    /// <summary>The text with the letters a to z as capitals; all others as they are.</summary>
    public static string ToUpper(string text) => string.Create(text.Length, text, static (span, source) =>
        {
            for (var i = 0; i < span.Length; i++)
            {
                span[i] = char.IsAsciiLetterLower(source[i]) ? (char)(source[i] - 32) : source[i];
            }
        });
}
