namespace HomeStart.Core.Outside;

/// <summary>
/// Whether the holder of a domain has confirmed their mail address, as registries want it of every new one.
/// </summary>
/// <param name="Until">The last day to do so.</param>
public sealed record HolderCheck(bool IsConfirmed, DateOnly Until)
{
    /// <summary>For how many days a name lives without it.</summary>
    public const int Days = 15;

    /// <summary>How many days are left, the last one being 0; null: nothing is waited for.</summary>
    public int? DaysLeft(DateOnly today) => IsConfirmed || IsStopped(today) ? null : Until.DayNumber - today.DayNumber;

    /// <summary>
    /// Whether the registry has stopped the name: nobody is led to it until the address is confirmed.
    /// </summary>
    public bool IsStopped(DateOnly today) => !IsConfirmed && today > Until;
}
