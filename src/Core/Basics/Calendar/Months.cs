namespace HomeStart.Core.Basics;

/// <summary>
/// Months counted from a first date, as costing rule 3 counts them: always from that date itself, clamped to the
/// month's end.
/// </summary>
public static class Months
{
    /// <summary>How far bills are made, in months from the start date.</summary>
    public const int Run = 180;

    /// <summary>
    /// The largest whole m with <paramref name="start"/> + m months on or before <paramref name="date"/>.
    /// </summary>
    public static int WholeBetween(DateOnly start, DateOnly date)
    {
        var months = ((date.Year - start.Year) * 12) + date.Month - start.Month;
        return start.AddMonths(months) > date ? months - 1 : months;
    }
}

/// <summary>The days a line pays for: from its first day to, not including, <paramref name="Until"/>.</summary>
public readonly record struct Cover(DateOnly From, DateOnly Until)
{
    /// <summary>How many days are covered.</summary>
    public int Days => Until.DayNumber - From.DayNumber;

    /// <summary>How many of its days lie on or after a date.</summary>
    public int DaysFrom(DateOnly date) => Math.Clamp(Until.DayNumber - date.DayNumber, 0, Days);
}
