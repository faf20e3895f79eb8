namespace HomeStart.Data;

/// <summary>One page of an owner's that anyone with its link may read, for a while.</summary>
public sealed class SharedRow
{
    public Guid WorkspaceId { get; set; }

    public Guid Id { get; set; }

    /// <summary>
    /// What the link ends in: 32 drawn bytes, as base64 for addresses. It opens this page and nothing else.
    /// </summary>
    public string Secret { get; set; } = "";

    /// <summary>"worksheet", "comparison" or "key-sheet".</summary>
    public string What { get; set; } = "";

    /// <summary>The site, or the order of a key sheet.</summary>
    public Guid Of { get; set; }

    /// <summary>The candidate of a worksheet.</summary>
    public string? Letter { get; set; }

    public DateTimeOffset MadeAt { get; set; }

    /// <summary>
    /// From then on it opens nothing, in seconds since 1970; withdrawing it puts this to that moment.
    /// </summary>
    public long Until { get; set; }
}

/// <summary>What a reader of a shared page wrote to one line of it: the last that was written.</summary>
public sealed class SharedNoteRow
{
    public Guid WorkspaceId { get; set; }

    public Guid SharedId { get; set; }

    /// <summary>The line, by what it is called on the page.</summary>
    public string Line { get; set; } = "";

    /// <summary>Who wrote it, as they called themselves; empty: they did not say.</summary>
    public string By { get; set; } = "";

    public string Text { get; set; } = "";

    public DateTimeOffset At { get; set; }
}
