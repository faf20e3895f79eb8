using HomeStart.Core.Basics;

namespace HomeStart.Core.Domains;

/// <summary>More records, or names, than are kept.</summary>
public sealed record TooManyRecords(int Most, int There) : FaultReason;

/// <summary>A record that cannot stand as it is.</summary>
public sealed record RecordFlawed(RecordFlaw Flaw) : FaultReason;

/// <summary>A set of records that is missing what it is made for.</summary>
public sealed record ReadySetArgument(ReadySet Set) : FaultReason;
