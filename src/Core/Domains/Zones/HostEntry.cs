using System.Collections.Immutable;

namespace HomeStart.Core.Domains;

/// <summary>Where a hosting company takes in names that are pointed at it.</summary>
/// <param name="LentUnder">What its borrowed addresses end with; null: it lends none.</param>
/// <param name="LentRules">What holds for a borrowed address, one sentence each, in the host's words.</param>
public sealed record HostEntry(ImmutableArray<string> NameServers, string IPv4, string IPv6, string MailServer, string? LentUnder, ImmutableArray<string> LentRules);
