namespace HomeStart.Core.Costings;

/// <summary>A sum in minor units of the display currency.</summary>
/// <param name="IsAtLeast">A part of it is not stated, and counted as nothing: the sum is this or more.</param>
public readonly record struct Sum(Minor Amount, bool IsAtLeast)
{
    /// <summary>Both together: "at least" where either is.</summary>
    public static Sum operator +(Sum left, Sum right) =>
        new(left.Amount + right.Amount, left.IsAtLeast || right.IsAtLeast);
}
