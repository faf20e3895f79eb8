using HomeStart.Core.Basics;

namespace HomeStart.Core.Online;

/// <summary>A file that cannot be in a web space.</summary>
public sealed record FileFlawed(string Path, FileFlaw Flaw) : FaultReason;

/// <summary>More bytes than go in.</summary>
public sealed record SpaceFull(long Would, long Most) : FaultReason;

/// <summary>More files than a web space holds.</summary>
public sealed record TooManyFiles(int Most, int There) : FaultReason;

/// <summary>A file that is not there.</summary>
public sealed record NoSuchFile(string Path) : FaultReason;

/// <summary>A page that cannot be made of what was typed.</summary>
public sealed record PageFlawed(PageFlaw Flaw) : FaultReason;

/// <summary>A mailbox or forward that cannot be set up.</summary>
public sealed record MailboxFlawed(MailboxFlaw Flaw, string Address) : FaultReason;

/// <summary>More of something than the plan allows.</summary>
public sealed record PlanUsedUp(PlanLimit Limit, int Would, int Most) : FaultReason;

/// <summary>A name that cannot lead to the web space as it is set.</summary>
public sealed record HostedNameFlawed(HostedNameFlaw Flaw, string Name) : FaultReason;

/// <summary>A site engine that cannot be set up so.</summary>
public sealed record EngineFlawed(EngineFlaw Flaw) : FaultReason;
