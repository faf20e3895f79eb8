using HomeStart.Core.Basics;

namespace HomeStart.Core.Costings;

/// <summary>A price list that is not there.</summary>
public sealed record NoSuchBook(string Id) : FaultReason;

/// <summary>A plan that its seller does not have.</summary>
public sealed record NoSuchPlanThere(string Provider, string Id) : FaultReason;

/// <summary>A data centre that its seller does not have.</summary>
public sealed record NoSuchDataCentre(string Provider, string Id) : FaultReason;

/// <summary>An extra for hosting that its seller does not have.</summary>
public sealed record NoSuchHostingExtra(string Provider, string Id) : FaultReason;

/// <summary>An extra for domains that its seller does not have.</summary>
public sealed record NoSuchDomainExtra(string Provider, string Id) : FaultReason;

/// <summary>An ending that a seller does not sell.</summary>
public sealed record EndingNotSold(string Provider, string Ending) : FaultReason;

/// <summary>An ending of which a seller takes no transfers.</summary>
public sealed record NoTransfers(string Provider, string Ending) : FaultReason;

/// <summary>An extra for a domain that no seller here is to sell.</summary>
public sealed record ExtraWithoutBook(string Id) : FaultReason;

/// <summary>An address that a host would lend, where there is no host.</summary>
public sealed record LentWithoutHost : FaultReason;

/// <summary>Months that are counted up to a limit.</summary>
public sealed record MonthsOutOfRange(int Most, int Asked) : FaultReason;

/// <summary>A domain chosen later than anything is counted.</summary>
public sealed record LaterOutOfRange(int Most, int Asked) : FaultReason;

/// <summary>A domain that runs out before the start (costing rules 10 and 11).</summary>
public sealed record HasExpired(DateOnly On) : FaultReason;

/// <summary>A domain paid for further ahead than a registry allows (costing rule 10).</summary>
public sealed record PaidTooFarAhead : FaultReason;

/// <summary>More domains than are costed together.</summary>
public sealed record TooManyDomains(int There, int Most) : FaultReason;

/// <summary>More steps of work than one costing may take.</summary>
public sealed record CostingTooLarge(long Steps, long Most) : FaultReason;

/// <summary>A rate that the owner has not given (costing rule 24).</summary>
public sealed record NoRate(string Currency, Currency Display) : FaultReason;
