namespace HomeStart.Core.Outside;

/// <summary>
/// A transfer code as it was typed: what the present seller gives out so that a domain can be moved. A secret: it is
/// passed on and never kept.
/// </summary>
public sealed record TransferCode
{
    /// <summary>The fewest characters a code has.</summary>
    public const int Shortest = 6;

    /// <summary>The most characters a code has.</summary>
    public const int Longest = 64;

    private TransferCode(string text) => Text = text;

    /// <summary>Printable ASCII without spaces; capitals count.</summary>
    public string Text { get; }

    /// <summary>
    /// The code without the spaces around it; null where it is too short, too long, or has a character that no code
    /// has.
    /// </summary>
    public static TransferCode? Read(string? typed)
    {
        var text = typed?.Trim() ?? "";
        return text.Length is >= Shortest and <= Longest && text.All(letter => letter is > ' ' and <= '~')
            ? new TransferCode(text)
            : null;
    }

    /// <summary>Not the code: it stands in no log.</summary>
    public override string ToString() => "a transfer code";
}

/// <summary>Whether a domain could be moved in.</summary>
/// <param name="Until">For <see cref="TransferState.TooNew"/>: the first day it can be moved.</param>
/// <param name="Why">For <see cref="TransferState.Unchecked"/>: what went wrong, for the owner.</param>
public sealed record TransferAnswer(TransferState State, DateOnly? Until = null, string? Why = null)
{
    /// <summary>How many days after a registration or a transfer a domain stays where it is.</summary>
    public const int RestDays = 60;

    /// <summary>For <see cref="TransferState.Ready"/>: what stands for the code from now on.</summary>
    public string? Token { get; init; }
}

/// <summary>What stands in the way of moving a domain in.</summary>
public enum TransferState
{
    /// <summary>Nothing.</summary>
    Ready,

    /// <summary>The present seller has it locked.</summary>
    Locked,

    /// <summary>The code is not the present seller's.</summary>
    WrongCode,

    /// <summary>It was registered or moved less than <see cref="TransferAnswer.RestDays"/> days ago.</summary>
    TooNew,

    /// <summary>Nobody has it: it can be registered instead.</summary>
    NotRegistered,

    /// <summary>It is with this seller already.</summary>
    HereAlready,

    /// <summary>Nobody could say.</summary>
    Unchecked,
}
