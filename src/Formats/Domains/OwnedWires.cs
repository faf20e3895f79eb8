using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Domains;

/// <summary>A domain that the owner has, and where it could be moved to.</summary>
/// <param name="Code">The transfer code; it is passed on to the registrar and nowhere kept.</param>
public sealed record CheckTransferBody(string Domain, string Code, string Book);

/// <summary>Whether it could be moved.</summary>
/// <param name="Until">Where it came to its seller too lately: the first day it can be moved.</param>
public sealed record TransferWire(
    string Domain,
    TransferState State,
    DateOnly? Until,
    string? Why,
    RegistrationWire? Registration
)
{
    public static TransferWire From(DomainName domain, TransferAnswer answer, RegistrationRecord? record) =>
        new(
            domain.Text,
            answer.State,
            answer.Until,
            answer.Why,
            record is null
                ? null
                : new RegistrationWire(record.Registered, record.Expires, record.Status, record.Registrar)
        );
}

/// <summary>A domain that the owner has: left where it is against moved here.</summary>
/// <param name="Expires">Null: as the registry has it.</param>
/// <param name="Renewal">What its present seller takes for a year, tax and all; null: what the seller it could be moved
/// to takes.</param>
/// <param name="Currency">Of <paramref name="Renewal"/>; null: the display currency.</param>
public sealed record WeighOwnedBody(
    string Domain,
    string Book,
    DateOnly? Expires = null,
    string? Renewal = null,
    string? Currency = null
);

/// <summary>Where a fact of a domain that the owner has is from.</summary>
public enum OwnedSource
{
    /// <summary>The owner typed it.</summary>
    Typed,

    /// <summary>The registry's public record.</summary>
    Registry,

    /// <summary>The order with which the owner bought it here.</summary>
    Order,

    /// <summary>Taken to be as at the seller it could be moved to.</summary>
    Assumed,
}

/// <summary>What is known of a domain that the owner has, before anything else of it is typed.</summary>
/// <param name="Registration">The registry's record; null: it has none, or did not answer.</param>
/// <param name="NameServers">Who answers for the name today, as the registry has it.</param>
/// <param name="Had">It came with an order of the owner's; null: it is kept elsewhere.</param>
public sealed record OwnedRecordWire(
    string Domain,
    RegistrationWire? Registration,
    IReadOnlyList<string> NameServers,
    NameHadWire? Had
)
{
    public static OwnedRecordWire From(DomainName domain, RegistrationRecord? record, NameHadWire? had) =>
        new(
            domain.Text,
            record is null
                ? null
                : new RegistrationWire(record.Registered, record.Expires, record.Status, record.Registrar),
            record?.NameServers ?? [],
            had
        );
}

/// <summary>Over the horizon, with all else of the candidate, in <see cref="Currency"/>.</summary>
/// <param name="MovingCostsMore">Below zero: moving saves.</param>
/// <param name="PaidUntil">Until when it is paid once it is moved.</param>
/// <param name="Kept">The domain as it was counted: what was not typed is filled in.</param>
public sealed record OwnedNameWire(
    string Currency,
    SumWire? Staying,
    SumWire? Moving,
    string? MovingCostsMore,
    DateOnly? PaidUntil,
    DomainWire Kept,
    OwnedSource ExpiresFrom,
    OwnedSource RenewalFrom
)
{
    public static OwnedNameWire From(
        OwnedName owned,
        Currency currency,
        DomainChoice kept,
        OwnedSource expiresFrom,
        OwnedSource renewalFrom
    )
    {
        return new OwnedNameWire(
            currency.Code,
            Sum(owned.Staying),
            Sum(owned.Moving),
            owned.MovingCostsMore is { } more ? new Money(more, currency).ToAmount() : null,
            owned.PaidUntil,
            DomainWire.From(kept),
            expiresFrom,
            renewalFrom
        );

        SumWire? Sum(Costing? costing) =>
            costing is null
                ? null
                : SumWire.From(new Sum(costing.Totals.Horizon, costing.Totals.AtLeast.Horizon), currency);
    }
}

/// <summary>Where a host takes names in, and what it lends.</summary>
/// <param name="Lent">The address it would lend for the site; null: it lends none.</param>
public sealed record HostEntryWire(
    string Provider,
    IReadOnlyList<string> NameServers,
    string? Lent,
    IReadOnlyList<string> LentRules
);

/// <summary>What to set where a domain is kept.</summary>
/// <param name="MailToday">Where its mail goes today; null: nobody could say.</param>
/// <param name="StopsMail">Handing it to the host's name servers would stop mail, or might.</param>
/// <param name="ZoneFile">The records as a zone file has them (RFC 1035).</param>
public sealed record PointingWire(
    string Domain,
    string Provider,
    IReadOnlyList<string> NameServers,
    IReadOnlyList<ResourceRecordWire> Records,
    IReadOnlyList<ResourceRecordWire>? MailToday,
    bool StopsMail,
    string ZoneFile
)
{
    public static PointingWire From(Pointing pointing, string provider) =>
        new(
            pointing.Domain.Text,
            provider,
            pointing.Entry.NameServers,
            [.. pointing.Records.Select(ResourceRecordWire.From)],
            pointing.MailToday is { } mail ? [.. mail.Select(ResourceRecordWire.From)] : null,
            pointing.StopsMail,
            Domains.ZoneFile.Write(pointing.Domain, pointing.Records)
        );
}

/// <param name="Owner">@ for the domain itself, else what stands before it.</param>
public sealed record ResourceRecordWire(string Owner, string Type, int TtlSeconds, int? Preference, string Data)
{
    internal static ResourceRecordWire From(ResourceRecord record) =>
        new(record.Owner, ZoneFile.Word(record.Type), record.TtlSeconds, record.Preference, record.Data);
}
