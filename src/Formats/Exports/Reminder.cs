using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace HomeStart.Formats;

/// <summary>A date to remember as an iCalendar file (RFC 5545), with alarms before it.</summary>
public static class Reminder
{
    private static readonly int[] DaysBefore = [30, 7, 1];

    /// <summary>The day before an included domain-year is lost.</summary>
    /// <param name="uid">The same for the same reminder, so that a calendar replaces it.</param>
    /// <param name="made">The business date it is made on.</param>
    public static string Of(LaterClaim claim, string site, string uid, DateOnly made)
    {
        var last = claim.Before.AddDays(-1);
        var price = claim.Missed is { } units
            ? $"{MoneyWords.Of(new Money(units, claim.Book.Currency))} for the first year, before tax where it is added"
            : "its first year at a price that is not stated";
        var day = new CalendarEvent
        {
            Uid = uid,
            DtStamp = new CalDateTime(made.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc)),
            Start = new CalDateTime(last),
            End = new CalDateTime(claim.Before),
            Summary = $"Last day to claim the domain that comes with {claim.Book.Provider.Name}",
            Description =
                $"For {site}: choose a name and register it through {claim.Book.Provider.Name} by this day. "
                + $"From the day after, .{claim.Ending} costs {price}.",
            Transparency = TransparencyType.Transparent,
        };
        foreach (var days in DaysBefore)
        {
            day.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = day.Summary,
                    Trigger = new Trigger(Duration.FromDays(-days)),
                }
            );
        }

        var calendar = new Ical.Net.Calendar { ProductId = "-//Home Start//Home Start//EN" };
        calendar.Events.Add(day);
        return new CalendarSerializer().SerializeToString(calendar)!;
    }
}
