namespace HomeStart.Core.Domains;

/// <summary>The part of a domain that the owner makes up, before the ending: lower case, letters, digits and inner hyphens, 1 to 63 of them (RFC 1035, RFC 5891).</summary>
public sealed record DomainLabel
{
    public const int Longest = 63;

    // Letters of the western European alphabets and what they are written as without their marks.
    private const string Accented = "àáâãäåçèéêëìíîïñòóôõöøùúûüýÿšž";
    private const string Plain = "aaaaaaceeeeiiiinoooooouuuuyysz";

    private DomainLabel(string text) => Text = text;

    public string Text { get; }

    /// <summary>The label, or null with the reason and, where there is an obvious one, a spelling that would do.</summary>
    public static (DomainLabel? Label, LabelFault? Fault) Parse(string? typed)
    {
        var text = (typed ?? "").Trim().ToLowerInvariant();
        return Fault(text) is { } reason ? (null, new LabelFault(reason, Mend(text))) : (new DomainLabel(text), null);
    }

    public override string ToString() => Text;

    private static string? Fault(string text)
    {
        if (text.Length == 0)
        {
            return "Type the name you want, without its ending.";
        }

        var wrong = text.FirstOrDefault(letter => !char.IsAsciiLetterLower(letter) && !char.IsAsciiDigit(letter) && letter != '-');
        return wrong switch
        {
            ' ' => "A domain has no spaces: run the words together, or put a hyphen between them.",
            '_' => "A domain has no underscores: a hyphen may stand instead.",
            '.' => "There is a dot left over: type the name once, with at most one ending.",
            '&' => "A domain cannot hold “&”: leave it out, or write “and”.",
            not '\0' when char.IsLetter(wrong) => $"“{wrong}” is outside a to z. Some registries allow it, none of ours does yet: write it without.",
            not '\0' => $"A domain cannot hold “{(char.IsControl(wrong) || char.IsSurrogate(wrong) ? "that character" : wrong)}”: use letters, digits and hyphens.",
            _ when text[0] == '-' || text[^1] == '-' => "A hyphen can only stand between letters or digits, not at an end.",
            _ when text.Length >= 4 && text[2] == '-' && text[3] == '-' => "Two hyphens in the third and fourth place are kept for encoded names: use one.",
            _ when text.Length > Longest => $"This has {text.Length} characters; a name can have at most {Longest}.",
            _ => null,
        };
    }

    private static string? Mend(string text)
    {
        var plain = text.Select(letter => Accented.IndexOf(letter, StringComparison.Ordinal) is >= 0 and var at ? Plain[at] : letter);
        var kept = string.Concat(plain.Where(letter => char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter == '-')).Trim('-');
        while (kept.Contains("--", StringComparison.Ordinal))
        {
            kept = kept.Replace("--", "-", StringComparison.Ordinal);
        }

        return kept.Length is 0 or > Longest ? null : kept;
    }
}

/// <summary>Why a label cannot be one, and a spelling that could.</summary>
public sealed record LabelFault(string Reason, string? Suggestion);
