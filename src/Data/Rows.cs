namespace HomeStart.Data;

/// <summary>One visitor's work. Written at the first change.</summary>
public sealed class WorkspaceRow
{
    public Guid Id { get; set; }

    public DateTimeOffset CreatedAt { get; set; }

    /// <summary>How many days look-ahead has moved this workspace's business date on.</summary>
    public int DaysAhead { get; set; }

    /// <summary>
    /// Counts the addresses that a calendar could subscribe to; only the last is good. 0: there is none.
    /// </summary>
    public int CalendarNumber { get; set; }

    /// <summary>Whether that address was withdrawn.</summary>
    public bool CalendarWithdrawn { get; set; }

    /// <summary>
    /// How many days before something falls due the owner is written to, separated by spaces; null: as usual.
    /// </summary>
    public string? RemindDays { get; set; }

    /// <summary>The account it belongs to; null: the browser that holds its cookie.</summary>
    public Guid? AccountId { get; set; }
}

/// <summary>
/// A workspace that was deleted, or joined to an account's: its id opens nothing any more, here or in the world of that
/// name.
/// </summary>
public sealed class ClosedWorkspaceRow
{
    public Guid Id { get; set; }

    /// <summary>The real day.</summary>
    public DateOnly ClosedOn { get; set; }
}

/// <summary>A site: which of its revisions is the present one.</summary>
public sealed class SiteRow
{
    public Guid Id { get; set; }

    public Guid WorkspaceId { get; set; }

    /// <summary>Grows with every change, undo and redo; a command that saw another one is stale.</summary>
    public int Revision { get; set; }

    /// <summary>The position of the present document among the kept ones.</summary>
    public int Cursor { get; set; }

    /// <summary>The position of the newest document that redo can reach.</summary>
    public int Newest { get; set; }

    public DateTimeOffset CreatedAt { get; set; }

    /// <summary>The real day of the last change, undo or redo.</summary>
    public DateOnly ChangedOn { get; set; }

    /// <summary>
    /// The real day on which the owner deleted it; it can be brought back until it is cleared away. Null: it is there.
    /// </summary>
    public DateOnly? DeletedOn { get; set; }
}

/// <summary>A document a site had.</summary>
public sealed class RevisionRow
{
    public Guid SiteId { get; set; }

    public int Position { get; set; }

    public Guid WorkspaceId { get; set; }

    public required string Document { get; set; }
}

/// <summary>An order, as one document that each recorded step replaces.</summary>
public sealed class OrderRow
{
    public Guid Id { get; set; }

    public Guid WorkspaceId { get; set; }

    public Guid SiteId { get; set; }

    public DateTimeOffset PlacedAt { get; set; }

    /// <summary>
    /// Whether steps are still to be carried out, or looked at, without the owner: what a restarted server goes on
    /// with.
    /// </summary>
    public bool IsOpen { get; set; }

    public int Version { get; set; }

    public required string Document { get; set; }

    /// <summary>The hashes of the offer books it was placed from, separated by spaces.</summary>
    public required string BookHashes { get; set; }

    /// <summary>
    /// The world it was placed in, where the workspace it was placed from was joined to another; null: its workspace's.
    /// </summary>
    public Guid? World { get; set; }

    /// <summary>The world at the counterparts that it belongs to.</summary>
    public Guid WorldId => World ?? WorkspaceId;
}

/// <summary>What happens day by day with what was ordered, as one document that each recorded act replaces.</summary>
public sealed class DayBookRow
{
    public Guid WorkspaceId { get; set; }

    public Guid OrderId { get; set; }

    public int Version { get; set; }

    /// <summary>
    /// The number of the first day (<see cref="DateOnly.DayNumber"/>) that the business date must have reached for
    /// something to be carried out.
    /// </summary>
    public int WaitsFor { get; set; }

    public required string Document { get; set; }
}

/// <summary>
/// A domain-year of an order's plan that was claimed: each can be once, whoever else claims at the same moment.
/// </summary>
public sealed class ClaimedAllowanceRow
{
    public Guid WorkspaceId { get; set; }

    /// <summary>The order whose plan gives it.</summary>
    public Guid OrderId { get; set; }

    /// <summary>0 for that of the first year.</summary>
    public int Number { get; set; }

    /// <summary>The order that claims it.</summary>
    public Guid ClaimId { get; set; }
}

/// <summary>An offer book as the exact bytes that came in.</summary>
public sealed class BookRow
{
    /// <summary>SHA-256 of the bytes, in hexadecimal.</summary>
    public required string Hash { get; set; }

    public required byte[] Content { get; set; }
}

/// <summary>
/// A version of an offer book that a visitor put on their shelf. The newest of each id counts; earlier ones are its
/// history, and what orders were placed from.
/// </summary>
public sealed class OwnBookRow
{
    public Guid WorkspaceId { get; set; }

    /// <summary>The id in the book.</summary>
    public required string BookId { get; set; }

    /// <summary>1, 2, … for each id.</summary>
    public int Version { get; set; }

    /// <summary>Of its bytes, which are a <see cref="BookRow"/>.</summary>
    public required string Hash { get; set; }

    public DateTimeOffset AddedAt { get; set; }
}

/// <summary>What a visitor said of a book, their own or the demo's.</summary>
public sealed class ShelfRow
{
    public Guid WorkspaceId { get; set; }

    public required string BookId { get; set; }

    /// <summary>Whether it is put away: kept, but nothing is offered from it.</summary>
    public bool IsPutAway { get; set; }

    /// <summary>The business date on which they looked at the seller's page again and found nothing changed.</summary>
    public DateOnly? LookedOn { get; set; }
}

/// <summary>A seller whose customer a visitor is: by an order, or because the seller said so.</summary>
public sealed class CustomerRow
{
    public Guid WorkspaceId { get; set; }

    public required string BookId { get; set; }

    /// <summary>The business date on which that was known.</summary>
    public DateOnly Since { get; set; }
}

/// <summary>What was said of a domain when a visitor last asked about it.</summary>
public sealed class AnswerRow
{
    public Guid WorkspaceId { get; set; }

    public required string Domain { get; set; }

    /// <summary>The real time it was asked at, in seconds since 1970: SQLite compares numbers.</summary>
    public long AskedAt { get; set; }

    public required string Document { get; set; }
}

/// <summary>The names that a visitor is looking for, for a site.</summary>
public sealed class SoughtRow
{
    public Guid WorkspaceId { get; set; }

    public Guid SiteId { get; set; }

    public required string Document { get; set; }
}

/// <summary>The first page that an owner made for a hosting they ordered.</summary>
public sealed class FirstPageRow
{
    public Guid WorkspaceId { get; set; }

    public Guid OrderId { get; set; }

    public required string Document { get; set; }
}

/// <summary>
/// A receipt that its owner keeps with what they bought at a seller's own page, as the bytes that came in.
/// </summary>
public sealed class KeptFileRow
{
    public Guid WorkspaceId { get; set; }

    public Guid Id { get; set; }

    public Guid OrderId { get; set; }

    public required string Name { get; set; }

    public required string MediaType { get; set; }

    public required byte[] Content { get; set; }

    /// <summary>The business date it came on.</summary>
    public DateOnly KeptOn { get; set; }
}

/// <summary>What an owner ticked off on the slip of a candidate.</summary>
public sealed class SlipRow
{
    public Guid WorkspaceId { get; set; }

    public Guid SiteId { get; set; }

    public required string Letter { get; set; }

    public required string Document { get; set; }
}

/// <summary>
/// An upload under way: what is to come. The bytes that came lie beside the database, in a folder named after it.
/// </summary>
public sealed class UploadRow
{
    public Guid WorkspaceId { get; set; }

    public Guid Id { get; set; }

    public Guid OrderId { get; set; }

    public DateTimeOffset StartedAt { get; set; }

    public required string Document { get; set; }
}

/// <summary>
/// A mail on its way out: written together with what it tells of, sent afterwards, kept until somebody took it.
/// </summary>
public sealed class OutboxRow
{
    public Guid WorkspaceId { get; set; }

    public Guid Id { get; set; }

    public DateTimeOffset WrittenAt { get; set; }

    public OutboxState State { get; set; }

    public int Tries { get; set; }

    /// <summary>The real time of the next try, in seconds since 1970.</summary>
    public long NextAt { get; set; }

    public required string Document { get; set; }
}

/// <summary>How far a mail has come.</summary>
public enum OutboxState
{
    /// <summary>Nobody has taken it yet.</summary>
    Waiting,

    /// <summary>The mail server took it.</summary>
    Sent,

    /// <summary>The mail server would not have it.</summary>
    Refused,
}
