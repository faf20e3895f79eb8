using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>A plan that is not paid with these months of a bill and of commitment.</summary>
public sealed record NotPaidLikeThis(string Plan, int EveryMonths, int CommitMonths) : FaultReason;

/// <summary>More of an extra than can be bought, or less than one.</summary>
public sealed record QuantityOutOfRange(int Most, int Asked) : FaultReason;

/// <summary>A price without any step (costing rule 4).</summary>
public sealed record NoSteps : FaultReason;

/// <summary>A last step that ends (costing rule 4).</summary>
public sealed record LastStepEnds : FaultReason;

/// <summary>A step before the last that does not end (costing rule 4).</summary>
public sealed record StepWithoutEnd : FaultReason;

/// <summary>A first step whose price is not stated (costing rule 4).</summary>
public sealed record FirstStepUnstated : FaultReason;
