using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Wants;

/// <summary>Why a plan is out.</summary>
/// <param name="Need">The field of the needs.</param>
/// <param name="Has">The plan's or provider's value; null: not stated.</param>
/// <param name="Wants">The need's own value.</param>
public sealed record Reason(string Need, ReasonValue? Has, ReasonValue Wants);

/// <summary>A value in a reason: exactly one is set.</summary>
public sealed record ReasonValue(
    decimal? Number = null,
    bool? Flag = null,
    string? Word = null,
    ImmutableArray<string>? Words = null
)
{
    /// <summary>A plan's own value; null: not stated.</summary>
    public static ReasonValue? From(FeatureValue? feature) =>
        feature is null ? null : new ReasonValue(feature.Number, feature.Flag, feature.Word, feature.Words);
}
