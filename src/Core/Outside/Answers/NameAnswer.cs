using HomeStart.Core.Domains;

namespace HomeStart.Core.Outside;

/// <summary>What was said of a domain when it was last asked about, and when that was.</summary>
/// <param name="Book">Whose registrar was asked.</param>
/// <param name="Record">The registry's public record, where it was asked for and could be read.</param>
/// <param name="AskedAt">By the real clock: others register names by that.</param>
public sealed record NameAnswer(
    DomainName Domain,
    string Book,
    Availability Availability,
    RegistrationRecord? Record,
    DateTimeOffset AskedAt
)
{
    /// <summary>
    /// Whether it is so long ago that somebody may have taken it since: an hour, or where the clock has been put back.
    /// </summary>
    public bool IsOld(DateTimeOffset now) => now - AskedAt >= KeepsFor || now < AskedAt;

    /// <summary>For how long an answer is worth something.</summary>
    public static readonly TimeSpan KeepsFor = TimeSpan.FromHours(1);

    /// <summary>
    /// Whether registrar and registry contradict each other: it says that nobody has it, and there is a record.
    /// </summary>
    public bool IsContradicted =>
        Record is not null && Availability.State is (AvailabilityState.Free or AvailabilityState.Premium);

    /// <summary>Where it can be registered; nowhere while registrar and registry contradict each other.</summary>
    public Buyable Buyable => IsContradicted ? Buyable.Nowhere : Availability.Buyable;
}
