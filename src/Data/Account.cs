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
