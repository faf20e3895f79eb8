namespace HomeStart.Core.Domains;

/// <summary>What experienced people say of a name: nothing here forbids it.</summary>
public static class LabelAdvice
{
    private const int EasyToSay = 15;

    /// <summary>Each thing worth a second thought.</summary>
    public static IReadOnlyList<Advice> For(DomainLabel label)
    {
        var advice = new List<Advice>();
        if (label.Text.Contains('-', StringComparison.Ordinal))
        {
            advice.Add(Advice.Hyphen);
        }

        if (label.Text.Any(char.IsAsciiDigit))
        {
            advice.Add(Advice.Digit);
        }

        if (label.Text.Length > EasyToSay)
        {
            advice.Add(Advice.ManyLetters);
        }

        return advice;
    }
}

/// <summary>What is worth a second thought about a name.</summary>
public enum Advice
{
    /// <summary>A hyphen has to be said.</summary>
    Hyphen,

    /// <summary>A digit may be written as a word.</summary>
    Digit,

    /// <summary>More letters than are easily typed and remembered.</summary>
    ManyLetters,
}
