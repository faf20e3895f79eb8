using HomeStart.Core.Basics;

namespace HomeStart.Core.Reconciling;

/// <summary>More steps than are taken to try two differences at once.</summary>
public sealed record PairsTooMany(long Steps, long Most) : FaultReason;
