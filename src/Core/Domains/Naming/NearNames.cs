using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>
/// Names that are easily taken for another: one letter off, a doubled letter, a hyphen or the plural s (names.md).
/// The holder of one gets a part of the mail and the visits meant for the other.
/// </summary>
public static class NearNames
{
    /// <summary>How many near names are worth asking a registry for.</summary>
    public const int MostAsked = 40;

    /// <summary>
    /// The near names of a label that are likeliest to be taken for it: the plural, hyphens left out, a letter doubled
    /// or left out. In that order, at most <see cref="MostAsked"/>.
    /// </summary>
    /// <param name="others">Other ways to write it, such as with hyphens between its words.</param>
    public static ImmutableArray<string> ToAsk(string label, IReadOnlyList<string> others)
    {
        var near = new List<string>
        {
            label.EndsWith('s') ? label[..^1] : label + "s",
            label.Replace("-", "", StringComparison.Ordinal),
        };
        near.AddRange(others.Where(other => IsNear(label, other)));
        near.AddRange(
            Enumerable
                .Range(0, label.Length)
                .Where(at => char.IsAsciiLetter(label[at]) && IsDoubled(label, at))
                .Select(at => label.Remove(at, 1))
        );
        near.AddRange(
            Enumerable
                .Range(0, label.Length)
                .Where(at => char.IsAsciiLetter(label[at]) && !IsDoubled(label, at))
                .Select(at => label.Insert(at, label[at].ToString()))
        );
        near.AddRange(Enumerable.Range(0, label.Length).Select(at => label.Remove(at, 1)));
        return
        [
            .. near.Where(name => name != label && DomainLabel.Parse(name).Label?.Text == name)
                .Distinct(StringComparer.Ordinal)
                .Take(MostAsked),
        ];
    }

    /// <summary>
    /// Whether people write the one for the other without noticing: with and without hyphens, or the plural s, or a
    /// doubled letter that the first has and the other lacks. Other near names are mistyped too seldom to warn of.
    /// </summary>
    public static bool IsEasilyTaken(string label, string near) =>
        label != near
        && (
            Plain(label) == Plain(near)
            || label + "s" == near
            || near + "s" == label
            || Enumerable.Range(0, label.Length).Any(at => IsDoubled(label, at) && label.Remove(at, 1) == near)
        );

    /// <summary>Whether one label may be taken for the other; never of a label and itself.</summary>
    public static bool IsNear(string one, string other) =>
        one != other && (Plain(one) == Plain(other) || DiffersByOne(Plain(one), Plain(other)));

    private static string Plain(string label) => label.Replace("-", "", StringComparison.Ordinal);

    private static bool IsDoubled(string label, int at) => at > 0 && label[at - 1] == label[at];

    // One letter put in, left out or exchanged: a doubled letter and the plural s are such.
    private static bool DiffersByOne(string one, string other)
    {
        var (shorter, longer) = one.Length <= other.Length ? (one, other) : (other, one);
        if (longer.Length - shorter.Length > 1)
        {
            return false;
        }

        var alike = 0;
        while (alike < shorter.Length && shorter[alike] == longer[alike])
        {
            alike++;
        }

        return string.CompareOrdinal(
                shorter,
                shorter.Length == longer.Length ? alike + 1 : alike,
                longer,
                alike + 1,
                longer.Length
            ) == 0;
    }
}
