using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Wants;

/// <summary>
/// One need that extras can make good: a number, a certificate level, a tag, or a plain yes (scan rule 3).
/// </summary>
/// <param name="Need">The field it comes from: the name under which a reason is given.</param>
/// <param name="Tag">What an extra must provide; null for numbers and certificates.</param>
public sealed record Want(string Need, WantKind Kind, string? Tag, decimal Number, CertificateLevel Level)
{
    /// <summary>What the needs ask for, in the order reasons are given.</summary>
    public static ImmutableArray<Want> ListAll(Needs needs)
    {
        var wants = ImmutableArray.CreateBuilder<Want>();
        wants.AddRange(
            Needs
                .NumberNames.Where(needs.Numbers.ContainsKey)
                .Select(name => new Want(name, WantKind.Number, null, needs.Numbers[name], default))
        );
        if (needs.Certificate > CertificateLevel.None)
        {
            wants.Add(new Want("certificate", WantKind.Certificate, null, 0, needs.Certificate));
        }

        wants.AddRange(needs.Extras.Distinct().Select(tag => new Want("extras", WantKind.Tag, tag, 0, default)));
        if (needs.Installer)
        {
            wants.Add(new Want("installer", WantKind.Flag, "installer", 0, default));
        }

        if (needs.OwnIp)
        {
            wants.Add(new Want("ownIp", WantKind.Flag, "ownIp", 0, default));
        }

        return wants.ToImmutable();
    }

    /// <summary>What is asked for, as a reason gives it.</summary>
    public ReasonValue Wanted =>
        Kind switch
        {
            WantKind.Number => new ReasonValue(Number: Number),
            WantKind.Certificate => new ReasonValue(Word: Level.ToString().ToLowerInvariant()),
            WantKind.Tag => new ReasonValue(Word: Tag),
            _ => new ReasonValue(Flag: true),
        };

    /// <summary>Whether an extra provides it. Numbers are added to, not provided.</summary>
    public bool IsProvidedBy(AddOn addOn) =>
        Kind switch
        {
            WantKind.Number => false,
            WantKind.Certificate => CertificateOf(addOn.Provides) >= Level,
            _ => addOn.Provides == Tag,
        };

    /// <summary>Whether an extra had already helps towards it, so that it is worth listing.</summary>
    public bool IsServedBy(AddOn addOn) =>
        Kind == WantKind.Number ? addOn.For == AddOnFor.Hosting && Adds(addOn) is not null : IsProvidedBy(addOn);

    /// <summary>
    /// What one unit of an extra adds to the number; <see cref="decimal.MaxValue"/> for unlimited; null: nothing.
    /// </summary>
    public decimal? Adds(AddOn addOn) =>
        addOn.Adds.TryGetValue(Need, out var value)
            ? Amount(value) is > 0 and var adds
                ? adds
                : null
            : null;

    /// <summary>
    /// A feature as a number; <see cref="decimal.MaxValue"/> for unlimited; null where it is not stated as one.
    /// </summary>
    public static decimal? Amount(FeatureValue? value) =>
        value?.Word == FeatureValue.Unlimited ? decimal.MaxValue : value?.Number;

    private static CertificateLevel? CertificateOf(string? provides) =>
        provides?.Split(':') is ["certificate", var level] ? LevelOf(level) : null;

    /// <summary>The level of a word; null: there is no such level.</summary>
    public static CertificateLevel? LevelOf(string? word) =>
        word switch
        {
            "none" => CertificateLevel.None,
            "shared" => CertificateLevel.Shared,
            "own" => CertificateLevel.Own,
            "wildcard" => CertificateLevel.Wildcard,
            _ => null,
        };
}

/// <summary>How a want is met.</summary>
public enum WantKind
{
    /// <summary>A number is reached.</summary>
    Number,

    /// <summary>A certificate is good enough.</summary>
    Certificate,

    /// <summary>Something provides a tag.</summary>
    Tag,

    /// <summary>Something is so.</summary>
    Flag,
}
