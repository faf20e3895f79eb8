using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>The name taken out of what was typed (naming rule 1).</summary>
/// <param name="Name">Not mended yet.</param>
/// <param name="Ending">In ASCII form; null where none was typed or given.</param>
/// <param name="Problem">That nothing stands before the ending, or that nobody knows it.</param>
internal sealed record TakenOut(string Name, string? Ending, ImmutableArray<NameMend> Mends, NameProblem? Problem)
{
    private const string WebHost = "www";

    /// <summary>Takes the name out of a text.</summary>
    /// <param name="given">The ending that stands beside the field.</param>
    public static TakenOut Find(string typed, string? given, PublicSuffixes suffixes)
    {
        var text = typed
            .Trim()
            .Replace('\u3002', '.')
            .Replace('\uff0e', '.')
            .Replace('\uff61', '.')
            .Replace("İ", "i̇", StringComparison.Ordinal)
            .ToLowerInvariant(); // The one letter whose small form is two characters.
        var bare = WithoutAddress(text);
        var mends = bare == text ? ImmutableArray<NameMend>.Empty : [NameMend.Address];
        bare = bare.Trim().TrimEnd('.');
        if (!bare.Contains('.', StringComparison.Ordinal) || bare.Any(char.IsWhiteSpace))
        {
            return new TakenOut(bare, given, mends, null);
        }

        ImmutableArray<string> labels = [.. bare.Split('.', StringSplitOptions.RemoveEmptyEntries)];
        ImmutableArray<string> encoded = [.. labels.Select(label => DomainName.ParseEnding(label) ?? label)];
        if (!suffixes.Knows(encoded[^1]))
        {
            return labels.Length == 1
                ? new TakenOut(labels[0], given, mends, null)
                : new TakenOut(labels[^2], encoded[^1], Dropped(labels[..^2], mends), NameProblem.EndingUnknown);
        }

        // A rule may need more labels than there are: then the last one is the ending.
        var length = Math.Max(1, suffixes.LengthIn(encoded));
        var ending = string.Join('.', encoded[^length..]);
        return length >= labels.Length
            ? new TakenOut("", ending, mends, NameProblem.IsAnEnding)
            : new TakenOut(labels[^(length + 1)], ending, Dropped(labels[..^(length + 1)], mends), null);
    }

    private static ImmutableArray<NameMend> Dropped(ImmutableArray<string> labels, ImmutableArray<NameMend> mends) =>
        labels.IsEmpty ? mends
        : labels is [WebHost]
            ? mends.Contains(NameMend.Address) ? mends
                : mends.Add(NameMend.Address)
        : mends.Add(NameMend.Subdomain);

    // What stands around a host in an address; a text is one where it has a scheme, or a dot before anything else of an
    // address and no space.
    private static string WithoutAddress(string text)
    {
        var scheme = text.IndexOf("://", StringComparison.Ordinal);
        var hasScheme =
            scheme > 0
            && char.IsAsciiLetter(text[0])
            && text[..scheme].All(letter => char.IsAsciiLetterOrDigit(letter) || letter is '+' or '-' or '.');
        var rest = hasScheme ? text[(scheme + 3)..] : text;
        var end = rest.IndexOfAny(['/', '?', '#', '\\']);
        var authority = end < 0 ? rest : rest[..end];
        if (
            !hasScheme
            && (text.Any(char.IsWhiteSpace) || !authority.TrimEnd('.').Contains('.', StringComparison.Ordinal))
        )
        {
            return text;
        }

        var host = authority[(authority.LastIndexOf('@') + 1)..];
        var colon = host.LastIndexOf(':');
        return colon >= 0 && host.AsSpan(colon + 1).IndexOfAnyExceptInRange('0', '9') < 0 ? host[..colon] : host;
    }
}
