namespace HomeStart.Core.Outside;

/// <summary>A mail as it is sent: plain text and plain HTML that say the same. No secret stands in it.</summary>
/// <param name="Id">The same however often it is sent: whoever takes it in files it once.</param>
/// <param name="To">A mail address.</param>
public sealed record Letter(Guid Id, string To, string Subject, string Text, string Html);

/// <summary>A mail as it arrived.</summary>
/// <param name="Text">Its plain text.</param>
public sealed record ArrivedLetter(
    string Id,
    string From,
    string To,
    string Subject,
    DateTimeOffset ArrivedAt,
    string Text
)
{
    /// <summary>The <see cref="Letter.Id"/> of one that was sent from here; null: it was not.</summary>
    public Guid? MessageId { get; init; }

    /// <summary>The box it was put into; null: none of the owner's own.</summary>
    public string? DeliveredTo { get; init; }
}

/// <summary>Whoever carries mail.</summary>
public interface IPostOffice
{
    /// <summary>
    /// Hands a mail over. Without an answer it may have been taken all the same: it is handed over again, under its id.
    /// </summary>
    Task<Outcome> SendAsync(World world, Letter letter, CancellationToken cancel);
}

/// <summary>Where the mail of a world arrives.</summary>
public interface IMailbox
{
    /// <summary>What arrived, newest first; null: nobody answered.</summary>
    Task<IReadOnlyList<ArrivedLetter>?> ListAsync(World world, CancellationToken cancel);

    /// <summary>A mail as it was sent (RFC 5322); null: there is none, or nobody answered.</summary>
    Task<byte[]?> ReadAsync(World world, string id, CancellationToken cancel);
}
