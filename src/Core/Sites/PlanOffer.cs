using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>A plan that could be chosen, against the needs.</summary>
public sealed record PlanOffer(OfferBook Book, Plan Plan, ImmutableArray<NeedFit> Fits);
