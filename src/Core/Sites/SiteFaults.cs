using HomeStart.Core.Basics;

namespace HomeStart.Core.Sites;

/// <summary>What an owner gives a name of their own.</summary>
public enum Named
{
    /// <summary>A site.</summary>
    Site,

    /// <summary>A candidate of a shortlist.</summary>
    Candidate,
}

/// <summary>The name of a site or candidate that is too long, or not there though it must be.</summary>
public sealed record NameLength(Named What, int Least, int Most, int Typed) : FaultReason;

/// <summary>A name that holds characters which are not seen.</summary>
public sealed record NameUnseen(Named What) : FaultReason;

/// <summary>A code of no characters, or of too many.</summary>
public sealed record CodeLength(int Most) : FaultReason;

/// <summary>More codes than are tried on one candidate.</summary>
public sealed record TooManyCodes(int Most) : FaultReason;

/// <summary>A candidate to copy that is not on the shortlist.</summary>
public sealed record NoCandidateToCopy(string Letter) : FaultReason;

/// <summary>A candidate that is not on the shortlist.</summary>
public sealed record NoCandidate(string Letter) : FaultReason;

/// <summary>A shortlist that holds as many candidates as it can.</summary>
public sealed record ShortlistFull(int Most) : FaultReason;

/// <summary>Something that belongs to a plan, where none is chosen.</summary>
public sealed record PlanFirst : FaultReason;

/// <summary>Something that belongs to a domain, where none is chosen.</summary>
public sealed record DomainFirst : FaultReason;

/// <summary>A plan that is not in its price list.</summary>
public sealed record NoSuchPlan(string Plan, string Book) : FaultReason;

/// <summary>More held names than are kept.</summary>
public sealed record HeldFull(int Most, int Would) : FaultReason;

/// <summary>More domains than a candidate has.</summary>
public sealed record DomainsFull(int Most) : FaultReason;

/// <summary>A domain that the candidate has already.</summary>
public sealed record DomainTwice(string Domain) : FaultReason;

/// <summary>A domain that the candidate has not.</summary>
public sealed record NoSuchDomain(string Domain) : FaultReason;

/// <summary>Months to count over beyond the limit.</summary>
public sealed record HorizonOutOfRange(int Most, int Asked) : FaultReason;

/// <summary>A start outside the years that are counted.</summary>
public sealed record StartOutOfRange : FaultReason;

/// <summary>A rate that cannot be one.</summary>
public sealed record RateOutOfRange : FaultReason;
