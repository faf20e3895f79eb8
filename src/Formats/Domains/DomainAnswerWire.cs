namespace HomeStart.Formats;

/// <summary>A domain that an owner has, taken apart and checked for its spelling.</summary>
/// <param name="Label">The part before the ending; null where it cannot be one.</param>
/// <param name="Fault">Why not.</param>
public sealed record TypedDomainWire(string? Label, string? Ending, string? Fault)
{
    public static TypedDomainWire Of(TypedDomain parts)
    {
        var (label, fault) = DomainLabel.Parse(parts.Label);
        return new TypedDomainWire(label?.Text, parts.Ending, fault is null ? null : NameWords.Of(fault));
    }
}

/// <param name="Why">Where it is unchecked: what went wrong.</param>
/// <param name="Book">Whose registrar was asked.</param>
public sealed record DomainAnswerWire(string Domain, AvailabilityState State, Buyable Buyable, string? Why, string Book, PremiumWire? Premium, string? Currency, RegistrationWire? Registration)
{
    public static DomainAnswerWire Of(string domain, string book, Availability availability, RegistrationRecord? record) =>
        new(
            domain,
            availability.State,
            availability.Buyable,
            availability.Why,
            book,
            availability.State == AvailabilityState.Premium ? new PremiumWire(availability.Register?.ToAmount(), availability.Renew?.ToAmount()) : null,
            availability.Register?.Currency.Code,
            record is null ? null : new RegistrationWire(record.Registered, record.Expires, record.Status, record.Registrar));
}

/// <summary>Of the public record (RDAP): since when, until when, in what state, through whom.</summary>
public sealed record RegistrationWire(DateOnly? Registered, DateOnly? Expires, IReadOnlyList<string> Status, string? Registrar);
