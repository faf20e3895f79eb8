using HomeStart.Core.Basics;

namespace HomeStart.Core.Domains;

/// <summary>A text that no domain can be called.</summary>
public sealed record NotADomain(DomainFault Fault) : FaultReason;

/// <summary>More years than an ending is registered for, or less than one.</summary>
public sealed record YearsOutOfRange(int Most, int Asked) : FaultReason;
