using HomeStart.Formats.Words;

namespace HomeStart.Formats.Domains;

/// <summary>A domain that an owner has, taken apart and checked for its spelling.</summary>
/// <param name="Label">The part before the ending; null where it cannot be one.</param>
/// <param name="Fault">Why not.</param>
public sealed record TypedDomainWire(string? Label, string? Ending, string? Fault)
{
    public static TypedDomainWire From(TypedDomain parts)
    {
        var (label, fault) = DomainLabel.Parse(parts.Label);
        return new TypedDomainWire(label?.Text, parts.Ending, fault is null ? null : NameWords.Sentence(fault));
    }
}
