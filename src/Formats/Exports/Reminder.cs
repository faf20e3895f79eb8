using HomeStart.Formats.Words;

namespace HomeStart.Formats.Exports;

/// <summary>A date to remember as an iCalendar file (RFC 5545), with alarms before it.</summary>
public static class Reminder
{
    private static readonly int[] DaysBefore = [30, 7, 1];

    /// <summary>The day before an included domain-year is lost.</summary>
    /// <param name="uid">The same for the same reminder, so that a calendar replaces it.</param>
    /// <param name="made">The business date it is made on.</param>
    public static string Write(LaterClaim claim, string site, string uid, DateOnly made)
    {
        var last = claim.Before.AddDays(-1);
        var price = claim.Missed is { } units
            ? $"{MoneyWords.Format(new Money(units, claim.Book.Currency))} for the first year, before tax where it is added"
            : "its first year at a price that is not stated";
        var seller = claim.Book.Provider.Name;
        return CalendarFile.Write(
            [
                new CalendarDay(
                    uid,
                    last,
                    $"Last day to claim the domain that comes with {seller}",
                    $"For {site}: choose a name and register it through {seller} by this day. "
                        + $"From the day after, .{claim.Ending} costs {price}.",
                    DaysBefore
                ),
            ],
            made
        );
    }
}
