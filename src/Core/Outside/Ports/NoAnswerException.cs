namespace HomeStart.Core.Outside;

/// <summary>
/// A counterpart gave no answer that can be read. Nothing is known to be lost: it can be asked again.
/// </summary>
public sealed class NoAnswerException : Exception
{
    /// <summary>With what is known of it.</summary>
    public NoAnswerException(string message, Exception? inner = null)
        : base(message, inner) { }

    /// <summary>With what is known of it.</summary>
    public NoAnswerException() { }

    /// <summary>With what is known of it.</summary>
    public NoAnswerException(string message)
        : this(message, null) { }
}
