using System.Collections.Immutable;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Worksheets;

/// <summary>A plan that could be chosen, against the needs.</summary>
public sealed record PlanOffer(OfferBook Book, Plan Plan, ImmutableArray<NeedFit> Fits);
