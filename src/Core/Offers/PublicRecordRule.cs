using System.Collections.Immutable;

namespace HomeStart.Core.Offers;

/// <summary>What the public record of an ending shows of a domain's holder, and what can be done about it.</summary>
/// <param name="Shows">The fields that anybody can read without contact privacy, in the book's words; those of
/// <see cref="Fields"/> are known here.</param>
/// <param name="Privacy">Null: not stated.</param>
public sealed record PublicRecordRule(ImmutableArray<string> Shows, RecordPrivacy? Privacy)
{
    /// <summary>The fields that are known here, in the order a record has them.</summary>
    public static readonly ImmutableArray<string> Fields =
    [
        "name",
        "organisation",
        "street",
        "town",
        "postcode",
        "country",
        "mail",
        "telephone",
    ];

    /// <summary>The fields that anybody can read of a holder.</summary>
    /// <param name="hasPrivacy">Whether contact privacy is taken or comes with the domain; it does nothing where the
    /// registry forbids it.</param>
    public ImmutableArray<string> ShownWith(bool hasPrivacy) =>
        hasPrivacy && Privacy != RecordPrivacy.Forbidden ? [] : Shows;
}

/// <summary>How the details of a holder can be kept out of the public record.</summary>
public enum RecordPrivacy
{
    /// <summary>By contact privacy, which is sold or included.</summary>
    Sold,

    /// <summary>The registry leaves out a private person's details by itself.</summary>
    ByDefault,

    /// <summary>Not at all: the registry has no hidden holders.</summary>
    Forbidden,
}
