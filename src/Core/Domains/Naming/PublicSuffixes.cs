using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>
/// Where names are registered: the ICANN part of the public suffix list, with its wildcards and exceptions. Labels are
/// in ASCII form, lower case.
/// </summary>
public sealed class PublicSuffixes
{
    private readonly HashSet<string> _rules = new(StringComparer.Ordinal);
    private readonly HashSet<string> _wildcards = new(StringComparer.Ordinal);
    private readonly HashSet<string> _exceptions = new(StringComparer.Ordinal);
    private readonly HashSet<string> _ends = new(StringComparer.Ordinal);

    /// <summary>
    /// Reads the list in its own format: a rule a line, <c>//</c> before comments, the ICANN part between its marks.
    /// </summary>
    public PublicSuffixes(IEnumerable<string> lines)
    {
        var isIcann = false;
        foreach (var line in lines.Select(line => line.Trim()))
        {
            if (
                line.Contains("===BEGIN ICANN DOMAINS===", StringComparison.Ordinal)
                || line.Contains("===END ICANN DOMAINS===", StringComparison.Ordinal)
            )
            {
                isIcann = line.Contains("BEGIN", StringComparison.Ordinal);
            }
            else if (isIcann && line.Length > 0 && !line.StartsWith("//", StringComparison.Ordinal))
            {
                Add(line.Split(' ', '\t')[0]);
            }
        }
    }

    /// <summary>Whether any rule ends in this label.</summary>
    public bool Knows(string lastLabel) => _ends.Contains(lastLabel);

    /// <summary>
    /// How many labels at the end are the public suffix: those of the longest rule that fits, an exception before all;
    /// 0 where no rule does.
    /// </summary>
    public int LengthIn(ImmutableArray<string> labels)
    {
        for (var count = labels.Length; count > 0; count--)
        {
            var end = string.Join('.', labels[^count..]);
            if (_exceptions.Contains(end))
            {
                return count - 1;
            }

            if (_rules.Contains(end) || (count > 1 && _wildcards.Contains(string.Join('.', labels[^(count - 1)..]))))
            {
                return count;
            }
        }

        return 0;
    }

    private void Add(string rule)
    {
        var (set, text) = rule[0] switch
        {
            '!' => (_exceptions, rule[1..]),
            '*' => (_wildcards, rule[2..]),
            _ => (_rules, rule),
        };
        if (DomainName.ParseEnding(text.ToLowerInvariant()) is { } ascii)
        {
            set.Add(ascii);
            _ends.Add(ascii[(ascii.LastIndexOf('.') + 1)..]);
        }
    }
}
