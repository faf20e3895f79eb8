namespace HomeStart.Core.Domains;

/// <summary>
/// The part of a domain that the owner makes up, before the ending: lower case, letters, digits and inner hyphens, 1 to
/// 63 of them (RFC 1035, RFC 5891).
/// </summary>
public sealed record DomainLabel
{
    /// <summary>The most characters a label has.</summary>
    public const int Longest = 63;

    // Letters of the western European alphabets and what they are written as without their marks.
    private const string Accented = "àáâãäåçèéêëìíîïñòóôõöøùúûüýÿšž";
    private const string Plain = "aaaaaaceeeeiiiinoooooouuuuyysz";

    private static readonly System.Buffers.SearchValues<char> Allowed = System.Buffers.SearchValues.Create(
        "abcdefghijklmnopqrstuvwxyz0123456789-"
    );

    private DomainLabel(string text) => Text = text;

    /// <summary>Lower case, without its ending.</summary>
    public string Text { get; }

    /// <summary>
    /// The label, or null with the reason and, where there is an obvious one, a spelling that would do.
    /// </summary>
    public static (DomainLabel? Label, LabelFault? Fault) Parse(string? typed)
    {
        var text = (typed ?? "").Trim().ToLowerInvariant();
        return ProblemOf(text) is { } problem
            ? (null, new LabelFault(problem, Wrong(text), text.Length, Mend(text)))
            : (new DomainLabel(text), null);
    }

    /// <summary>The text.</summary>
    public override string ToString() => Text;

    private static LabelProblem? ProblemOf(string text) =>
        text.Length == 0 ? LabelProblem.Empty
        : Wrong(text) is { } wrong
            ? wrong switch
            {
                ' ' => LabelProblem.Space,
                '_' => LabelProblem.Underscore,
                '.' => LabelProblem.Dot,
                '&' => LabelProblem.Ampersand,
                _ when char.IsLetter(wrong) => LabelProblem.OtherLetter,
                _ => LabelProblem.OtherCharacter,
            }
        : text[0] == '-' || text[^1] == '-' ? LabelProblem.HyphenAtEnd
        : text.Length >= 4 && text[2] == '-' && text[3] == '-' ? LabelProblem.HyphensKept
        : text.Length > Longest ? LabelProblem.TooLong
        : null;

    // The first character that cannot stand in a label.
    private static char? Wrong(string text)
    {
        var at = text.AsSpan().IndexOfAnyExcept(Allowed);
        return at < 0 ? null : text[at];
    }

    private static string? Mend(string text)
    {
        var plain = text.Select(letter =>
            Accented.IndexOf(letter, StringComparison.Ordinal) is >= 0 and var at ? Plain[at] : letter
        );
        var kept = string.Concat(
                plain.Where(letter => char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter == '-')
            )
            .Trim('-');
        while (kept.Contains("--", StringComparison.Ordinal))
        {
            kept = kept.Replace("--", "-", StringComparison.Ordinal);
        }

        return kept.Length is 0 or > Longest ? null : kept;
    }
}

/// <summary>Why a label cannot be one, and a spelling that could.</summary>
/// <param name="Character">The first that is wrong; null where none by itself is.</param>
/// <param name="Length">How many characters were typed.</param>
public sealed record LabelFault(LabelProblem Problem, char? Character, int Length, string? Suggestion);

/// <summary>What stops a text from being a label.</summary>
public enum LabelProblem
{
    /// <summary>Nothing was typed.</summary>
    Empty,

    /// <summary>A space.</summary>
    Space,

    /// <summary>An underscore.</summary>
    Underscore,

    /// <summary>A dot that belongs to no ending.</summary>
    Dot,

    /// <summary>"&amp;", which people mean to be heard as "and".</summary>
    Ampersand,

    /// <summary>A letter outside a to z.</summary>
    OtherLetter,

    /// <summary>Any other character.</summary>
    OtherCharacter,

    /// <summary>A hyphen at an end.</summary>
    HyphenAtEnd,

    /// <summary>Hyphens in the third and fourth place, which are kept for encoded names.</summary>
    HyphensKept,

    /// <summary>More than <see cref="DomainLabel.Longest"/> characters.</summary>
    TooLong,
}
