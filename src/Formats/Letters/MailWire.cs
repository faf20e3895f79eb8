namespace HomeStart.Formats.Letters;

/// <summary>The owner's mail.</summary>
/// <param name="IsSilent">The mail server did not answer: what arrived cannot be shown just now.</param>
/// <param name="Arrived">Newest first.</param>
/// <param name="Unsent">What was written and nobody took yet.</param>
public sealed record MailWire(bool IsSilent, IReadOnlyList<LetterWire> Arrived, IReadOnlyList<UnsentLetterWire> Unsent);

/// <param name="Parts">Its text, cut where a link of ours stands.</param>
public sealed record LetterWire(
    string Id,
    string From,
    string To,
    string Subject,
    DateTimeOffset ArrivedAt,
    IReadOnlyList<LetterPartWire> Parts
)
{
    /// <param name="homes">Addresses under one of them become links here.</param>
    /// <param name="outside">Addresses under it become links to a company's own page; all others stay text.</param>
    public static LetterWire Write(ArrivedLetter letter, IReadOnlyCollection<Uri> homes, Uri outside)
    {
        var parts = new List<LetterPartWire>();
        var rest = letter.Text.ReplaceLineEndings("\n");
        var ours = homes.Select(home => home.ToString()).Distinct(StringComparer.Ordinal).ToArray();
        while (First(rest, [.. ours, outside.ToString()]) is var (at, start) && at >= 0)
        {
            var end = at;
            while (end < rest.Length && !char.IsWhiteSpace(rest[end]))
            {
                end++;
            }

            parts.Add(new LetterPartWire(rest[..at], null, null));
            var isHome = ours.Contains(start, StringComparer.Ordinal);
            parts.Add(
                new LetterPartWire(
                    rest[at..end],
                    isHome ? "/" + rest[(at + start.Length)..end] : null,
                    isHome ? null : rest[at..end]
                )
            );
            rest = rest[end..];
        }

        parts.Add(new LetterPartWire(rest, null, null));
        return new LetterWire(
            letter.Id,
            letter.From,
            letter.To,
            letter.Subject,
            letter.ArrivedAt,
            [.. parts.Where(part => part.Text.Length > 0)]
        );
    }

    private static (int At, string Start) First(string text, params string[] starts) =>
        starts
            .Select(start => (At: text.IndexOf(start, StringComparison.Ordinal), Start: start))
            .OrderBy(found => found.At < 0 ? int.MaxValue : found.At)
            .First();
}

/// <param name="Path">Where it leads here; null: it does not.</param>
/// <param name="Address">The page of a company that it leads to; null: it does not.</param>
public sealed record LetterPartWire(string Text, string? Path, string? Address);

/// <param name="NextAt">When it is tried again; null: the mail server will not have it.</param>
public sealed record UnsentLetterWire(
    string To,
    string Subject,
    DateTimeOffset WrittenAt,
    int Tries,
    DateTimeOffset? NextAt
)
{
    public static UnsentLetterWire From(Letter letter, DateTimeOffset writtenAt, int tries, DateTimeOffset? nextAt) =>
        new(letter.To, letter.Subject, writtenAt, tries, nextAt);
}
