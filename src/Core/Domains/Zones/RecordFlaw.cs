namespace HomeStart.Core.Domains;

/// <summary>
/// What is wrong with a record, by itself or beside the others of its zone. The sentence is made of it in Formats.
/// </summary>
public enum RecordFlaw
{
    /// <summary>What stands before the domain is no name.</summary>
    Owner,

    /// <summary>With the domain behind it the name is longer than <see cref="DomainName.Longest"/>.</summary>
    OwnerTooLong,

    /// <summary>
    /// Remembered for less than <see cref="ZoneRules.LeastTtl"/> or more than <see cref="ZoneRules.MostTtl"/> seconds.
    /// </summary>
    Ttl,

    /// <summary>No IPv4 address.</summary>
    Address,

    /// <summary>No IPv6 address.</summary>
    LongAddress,

    /// <summary>No name with a dot at its end.</summary>
    Target,

    /// <summary>An MX record without a preference from 0 to 65,535, or another with one.</summary>
    Preference,

    /// <summary>
    /// A text that is empty, holds a control character, or is longer than <see cref="ZoneRules.LongestText"/> bytes.
    /// </summary>
    Text,

    /// <summary>No flag, tag and value of a CAA record.</summary>
    Authority,

    /// <summary>No priority, weight, port and target of an SRV record.</summary>
    Service,

    /// <summary>An SRV record whose owner does not begin with a service and a protocol.</summary>
    ServiceOwner,

    /// <summary>Another name for the domain itself: there are always other records there.</summary>
    AliasAtApex,

    /// <summary>Another name for a name that has other records, or two of them.</summary>
    AliasBesideOthers,

    /// <summary>Another name that leads back to where it began.</summary>
    AliasLoop,

    /// <summary>Mail to a name that is only another name (RFC 2181, 10.3).</summary>
    MailToAlias,

    /// <summary>A second text that says who may send mail (RFC 7208, 3.2).</summary>
    TwoSenders,

    /// <summary>A record that is there already.</summary>
    Twice,
}
