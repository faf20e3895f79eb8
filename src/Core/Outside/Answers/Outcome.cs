namespace HomeStart.Core.Outside;

/// <summary>What came of asking a counterpart for something.</summary>
/// <param name="Code">A refusal's reason as a word: <c>card-refused</c>, <c>name-taken</c> …</param>
/// <param name="Message">The refusal in the counterpart's words.</param>
public sealed record Outcome(OutcomeState State, string? Code = null, string? Message = null)
{
    /// <summary>It was done, and there is nothing more to say.</summary>
    public static readonly Outcome Done = new(OutcomeState.Done);

    /// <summary>The hosting account that was prepared.</summary>
    public HostAccount? Account { get; init; }

    /// <summary>For <see cref="OutcomeState.Pending"/>: what it waits for.</summary>
    public Pending? Pending { get; init; }

    /// <summary>Nobody knows what came of it.</summary>
    public static Outcome NoAnswer(string? message = null) => new(OutcomeState.NoAnswer, "no-answer", message);
}

/// <summary>What came of asking.</summary>
public enum OutcomeState
{
    /// <summary>It was done.</summary>
    Done,

    /// <summary>It was not done, and will not be by asking again with the same key.</summary>
    Refused,

    /// <summary>Nobody knows whether it was done: it must be asked for by its key before it is tried again.</summary>
    NoAnswer,

    /// <summary>Nothing was ever done under the key.</summary>
    NeverHappened,

    /// <summary>
    /// It was taken up and waits for somebody, or for time to pass: it is asked for again by its key.
    /// </summary>
    Pending,
}

/// <summary>What a counterpart waits for.</summary>
/// <param name="Page">The path of a page of its own where the owner says yes or no, or pays; null: there is
/// none.</param>
/// <param name="Until">The day it ends by itself, done or not.</param>
/// <param name="Said">In its own words; null: nothing.</param>
public sealed record Pending(string? Page = null, DateOnly? Until = null, string? Said = null);

/// <summary>A hosting account: where it is and how to get in. No secret stands in it.</summary>
public sealed record HostAccount(
    string Id,
    string LogIn,
    string User,
    string Server,
    string IPv4,
    string IPv6,
    IReadOnlyList<string> NameServers,
    string FileServer,
    string MailServer
);
