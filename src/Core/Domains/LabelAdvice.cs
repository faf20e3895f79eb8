namespace HomeStart.Core.Domains;

/// <summary>What experienced people say of a name: nothing here forbids it.</summary>
public static class LabelAdvice
{
    private const int EasyToSay = 15;

    /// <summary>One sentence for each thing worth a second thought.</summary>
    public static IReadOnlyList<string> For(DomainLabel label)
    {
        var advice = new List<string>();
        if (label.Text.Contains('-', StringComparison.Ordinal))
        {
            advice.Add("The hyphen has to be said each time on the telephone, and is easily left out.");
        }

        if (label.Text.Any(char.IsAsciiDigit))
        {
            advice.Add("People who hear a digit do not know whether to write it as a word.");
        }

        if (label.Text.Length > EasyToSay)
        {
            advice.Add($"{label.Text.Length} letters are many to type: shorter names are remembered better.");
        }

        return advice;
    }
}
