using Microsoft.AspNetCore.Identity;

namespace HomeStart.Data;

/// <summary>An owner who confirmed a mail address. There is no password: whoever reads the mail is let in.</summary>
public sealed class Account : IdentityUser<Guid>
{
    /// <summary>Its workspace; null until the address is confirmed for the first time.</summary>
    public Guid? WorkspaceId { get; set; }

    public DateTimeOffset CreatedAt { get; set; }

    /// <summary>When a code was mailed last.</summary>
    public DateTimeOffset? CodeSentAt { get; set; }

    /// <summary>Since when <see cref="StrangersCodes"/> are counted.</summary>
    public DateTimeOffset? StrangersSince { get; set; }

    /// <summary>
    /// How many codes were mailed to it in a day at the wish of browsers that were never signed in to it.
    /// </summary>
    public int StrangersCodes { get; set; }
}

/// <summary>
/// A browser that asked for a code for an address: what it typed wrong is counted for itself, so that nobody else is
/// kept out by it.
/// </summary>
public sealed class CodeAskerRow
{
    public Guid AccountId { get; set; }

    /// <summary>The workspace of the browser.</summary>
    public Guid Asker { get; set; }

    public DateTimeOffset? SentAt { get; set; }

    /// <summary>In a row.</summary>
    public int WrongCodes { get; set; }

    public DateTimeOffset? LockedUntil { get; set; }
}

/// <summary>A browser that is, or was, signed in.</summary>
public sealed class SessionRow
{
    public Guid Id { get; set; }

    public Guid AccountId { get; set; }

    /// <summary>What the browser says it is.</summary>
    public required string Device { get; set; }

    public DateTimeOffset CreatedAt { get; set; }

    public DateTimeOffset SeenAt { get; set; }

    public DateTimeOffset? EndedAt { get; set; }

    /// <summary>Whether it was ended from another browser: then this one is trusted with nothing any more.</summary>
    public bool IsRevoked { get; set; }
}
