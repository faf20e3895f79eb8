using HomeStart.Core.Basics;

namespace HomeStart.Core.Ordering;

/// <summary>A contact without a country.</summary>
public sealed record CountryMissing : FaultReason;

/// <summary>A text that is no telephone number.</summary>
public sealed record NotATelephone : FaultReason;

/// <summary>A field of a contact that must be filled.</summary>
public sealed record ContactMissing(string Field) : FaultReason;

/// <summary>A field of a contact that is too long.</summary>
public sealed record ContactTooLong(int Most, int Typed) : FaultReason;

/// <summary>A field of a contact that holds line breaks or tabs.</summary>
public sealed record ContactNotOneLine : FaultReason;

/// <summary>A seller whose price list is the owner’s own: nothing can be ordered there from here.</summary>
public sealed record NotConnected(string Provider) : FaultReason;

/// <summary>A part of what is due today whose price is not stated.</summary>
public sealed record UnstatedToday : FaultReason;

/// <summary>A name that is the owner’s already, and the reference of the order it came with.</summary>
public sealed record NameIsYours(string Domain, string Order) : FaultReason;
