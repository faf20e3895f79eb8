namespace HomeStart.Formats;

/// <summary>The owner's mail.</summary>
/// <param name="IsSilent">The mail server did not answer: what arrived cannot be shown just now.</param>
/// <param name="Arrived">Newest first.</param>
/// <param name="Unsent">What was written and nobody took yet.</param>
public sealed record MailWire(bool IsSilent, IReadOnlyList<LetterWire> Arrived, IReadOnlyList<UnsentLetterWire> Unsent);

/// <param name="Parts">Its text, cut where a link of ours stands.</param>
public sealed record LetterWire(string Id, string From, string To, string Subject, DateTimeOffset ArrivedAt, IReadOnlyList<LetterPartWire> Parts)
{
    /// <param name="home">Only addresses under it become links.</param>
    public static LetterWire Of(ArrivedLetter letter, Uri home)
    {
        var parts = new List<LetterPartWire>();
        var rest = letter.Text.ReplaceLineEndings("\n");
        var start = home.ToString();
        for (var at = rest.IndexOf(start, StringComparison.Ordinal); at >= 0; at = rest.IndexOf(start, StringComparison.Ordinal))
        {
            var end = at;
            while (end < rest.Length && !char.IsWhiteSpace(rest[end]))
            {
                end++;
            }

            parts.Add(new LetterPartWire(rest[..at], null));
            parts.Add(new LetterPartWire(rest[at..end], "/" + rest[(at + start.Length)..end]));
            rest = rest[end..];
        }

        parts.Add(new LetterPartWire(rest, null));
        return new LetterWire(letter.Id, letter.From, letter.To, letter.Subject, letter.ArrivedAt, [.. parts.Where(part => part.Text.Length > 0)]);
    }
}

/// <param name="Path">Where it leads here; null: it is no link.</param>
public sealed record LetterPartWire(string Text, string? Path);

/// <param name="NextAt">When it is tried again; null: the mail server will not have it.</param>
public sealed record UnsentLetterWire(string To, string Subject, DateTimeOffset WrittenAt, int Tries, DateTimeOffset? NextAt)
{
    public static UnsentLetterWire Of(Letter letter, DateTimeOffset writtenAt, int tries, DateTimeOffset? nextAt) => new(letter.To, letter.Subject, writtenAt, tries, nextAt);
}
