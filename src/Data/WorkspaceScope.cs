namespace HomeStart.Data;

/// <summary>
/// The workspace whose rows this request or job may read. Closed until somebody who may open it does: reading a
/// visitor's rows before that is a fault of ours, not an empty answer.
/// </summary>
public sealed class WorkspaceScope
{
    private Guid? _id;

    /// <exception cref="InvalidOperationException">No workspace was opened.</exception>
    public Guid Id => _id ?? throw new InvalidOperationException("No workspace is open here.");

    /// <summary>Whether the visitor was here before; otherwise the id was drawn for this request.</summary>
    public bool IsKnown { get; private set; }

    /// <summary>The session the visitor is signed in with; null: they are not signed in.</summary>
    public Guid? Session { get; private set; }

    /// <summary>Whether the visitor was here before and their cookie cannot be read any more.</summary>
    public bool IsLost { get; set; }

    /// <summary>Opens a workspace. The caller has checked that whoever asks may see it.</summary>
    public void Open(Guid id, Guid? session = null, bool isKnown = true) =>
        (_id, Session, IsKnown) = (id, session, isKnown);
}
