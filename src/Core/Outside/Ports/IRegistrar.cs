using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Outside;

/// <summary>A registrar as Home Start sees it: one for each book that sells domains.</summary>
public interface IRegistrar
{
    /// <summary>
    /// Whether a domain can be had, and for how much. Never throws for what the registrar says or fails to say.
    /// </summary>
    Task<Availability> CheckAsync(World world, string book, DomainName domain, CancellationToken cancel);

    /// <summary>
    /// What the registry's public record says of a domain (RFC 9083); null where there is no record, or it could not be
    /// read.
    /// </summary>
    Task<RegistrationRecord?> LookUpAsync(World world, DomainName domain, CancellationToken cancel);

    /// <summary>
    /// Whether a domain that somebody has could be moved in with a transfer code. Never throws for what the registrar
    /// says or fails to say.
    /// </summary>
    Task<TransferAnswer> CheckTransferAsync(
        World world,
        string book,
        DomainName domain,
        TransferCode code,
        DateOnly on,
        CancellationToken cancel
    );

    /// <summary>Registers a domain. Cannot be undone.</summary>
    Task<Outcome> RegisterAsync(World world, string key, Registration registration, CancellationToken cancel);

    /// <summary>Begins to move a domain in; that takes days, and its present seller may refuse.</summary>
    /// <param name="token">What the registrar gave for the transfer code.</param>
    Task<Outcome> TransferAsync(
        World world,
        string key,
        string token,
        Registration registration,
        CancellationToken cancel
    );

    /// <summary>Points a domain at name servers.</summary>
    Task<Outcome> PointAsync(
        World world,
        string key,
        string book,
        DomainName domain,
        IReadOnlyList<string> nameServers,
        CancellationToken cancel
    );

    /// <summary>
    /// Tells a registrar how a domain stands: paid until when, in grace, in redemption, about to be let go, given back.
    /// </summary>
    /// <param name="state">live, grace, redemption, pending, left or gone.</param>
    Task<Outcome> StandAsync(
        World world,
        string key,
        string book,
        DomainName domain,
        string state,
        DateOnly? until,
        CancellationToken cancel
    );

    /// <summary>
    /// Has a registrar unlock a domain and give out its transfer code; null: it did not answer, or does not have it.
    /// </summary>
    Task<Release?> ReleaseAsync(World world, string book, DomainName domain, DateOnly on, CancellationToken cancel);

    /// <summary>
    /// Whether the holder of a domain has confirmed their address; null: it is not asked for, or nobody answered.
    /// </summary>
    Task<HolderCheck?> HolderAsync(World world, string book, DomainName domain, CancellationToken cancel);

    /// <summary>Has the registrar write to the holder once more; false: it did not answer.</summary>
    Task<bool> WriteToHolderAsync(World world, string book, DomainName domain, CancellationToken cancel);

    /// <summary>
    /// What became of a key by a business date; with <paramref name="voidIfUnsettled"/> a key that is not known or not
    /// settled yet can never be used afterwards.
    /// </summary>
    Task<Outcome> AskAsync(World world, string key, bool voidIfUnsettled, DateOnly today, CancellationToken cancel);
}

/// <summary>What the counterparts hold for one workspace.</summary>
public readonly record struct World(Guid Id)
{
    /// <summary>The id as counterparts' addresses have it.</summary>
    public override string ToString() => Id.ToString("N");
}

/// <summary>What a registrar says to whoever wants to move a domain away.</summary>
/// <param name="Code">The transfer code; null: it cannot be moved yet.</param>
/// <param name="Until">Until when it rests where it is.</param>
public sealed record Release(string? Code, DateOnly? Until);

/// <summary>The registrar's answer. The prices are set for a premium name alone.</summary>
/// <param name="Why">For <see cref="AvailabilityState.Unchecked"/>: what went wrong, for the owner.</param>
public sealed record Availability(
    AvailabilityState State,
    Money? Register = null,
    Money? Renew = null,
    string? Why = null
)
{
    /// <summary>
    /// Where the registrar would not say because it is asked too much: how long it wants to be left alone.
    /// </summary>
    public TimeSpan? Pause { get; init; }

    /// <summary>
    /// Where a domain with this answer can be registered: a premium name only where its price was given.
    /// </summary>
    public Buyable Buyable =>
        State switch
        {
            AvailabilityState.Free or AvailabilityState.NotAsked => Buyable.Anywhere,
            AvailabilityState.Premium => Buyable.WhereAsked,
            AvailabilityState.Taken or AvailabilityState.Reserved or AvailabilityState.Unchecked => Buyable.Nowhere,
            _ => throw new InvalidOperationException($"There is no rule for {State}."),
        };
}

/// <summary>Where a domain can be registered.</summary>
public enum Buyable
{
    /// <summary>By nobody, or nobody could say.</summary>
    Nowhere,

    /// <summary>Only from the seller whose registrar was asked.</summary>
    WhereAsked,

    /// <summary>From every seller of its ending, if it is free where nobody was asked.</summary>
    Anywhere,
}

/// <summary>Six different answers.</summary>
public enum AvailabilityState
{
    /// <summary>It can be had at the ending's price.</summary>
    Free,

    /// <summary>Somebody has it.</summary>
    Taken,

    /// <summary>It can be had at a price of its own.</summary>
    Premium,

    /// <summary>The registry lets nobody have it.</summary>
    Reserved,

    /// <summary>Nobody could say: not the same as free.</summary>
    Unchecked,

    /// <summary>
    /// Its seller cannot be asked from here: whether it is free is seen on the seller's own pages, where it is bought.
    /// </summary>
    NotAsked,
}

/// <summary>Of the public record: since when, until when, in what state.</summary>
public sealed record RegistrationRecord(
    string Domain,
    DateOnly? Registered,
    DateOnly? Expires,
    IReadOnlyList<string> Status,
    string? Registrar
)
{
    /// <summary>Whether somebody uses it: it is neither on its way out nor held back.</summary>
    public bool IsInUse => Status.Contains("active", StringComparer.Ordinal);

    /// <summary>Who is in charge of the name, as host names.</summary>
    public IReadOnlyList<string> NameServers { get; init; } = [];
}

/// <param name="MostPremium">The most that may be asked for the first year of a premium name; null: it must not be
/// one.</param>
/// <param name="Quote">The id of the seller's quote that was agreed to.</param>
/// <param name="On">The business date it is registered on.</param>
public sealed record Registration(
    string Book,
    string? Quote,
    DomainName Domain,
    int Years,
    string Holder,
    string Mail,
    string Country,
    bool Private,
    Money? MostPremium,
    DateOnly On
);
