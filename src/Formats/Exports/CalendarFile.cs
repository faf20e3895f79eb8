using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace HomeStart.Formats.Exports;

/// <summary>A day to remember.</summary>
/// <param name="Uid">The same for the same day, so that a calendar replaces it.</param>
/// <param name="AlarmsBefore">How many days before it an alarm goes off, the earliest first.</param>
internal sealed record CalendarDay(
    string Uid,
    DateOnly On,
    string Subject,
    string Words,
    IEnumerable<int> AlarmsBefore
);

/// <summary>Days to remember as an iCalendar file (RFC 5545).</summary>
internal static class CalendarFile
{
    /// <param name="made">The business date it is made on.</param>
    /// <param name="name">What a calendar calls it that subscribes to it; null: nothing.</param>
    public static string Write(IEnumerable<CalendarDay> days, DateOnly made, string? name = null)
    {
        var calendar = new Calendar { ProductId = "-//Home Start//Home Start//EN" };
        if (name is not null)
        {
            calendar.AddProperty("X-WR-CALNAME", name);
        }

        foreach (var day in days)
        {
            calendar.Events.Add(EventOf(day, made));
        }

        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    // The whole day, which keeps nobody from being free.
    private static CalendarEvent EventOf(CalendarDay day, DateOnly made)
    {
        var entry = new CalendarEvent
        {
            Uid = day.Uid,
            DtStamp = new CalDateTime(made.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc)),
            Start = new CalDateTime(day.On),
            End = new CalDateTime(day.On.AddDays(1)),
            Summary = day.Subject,
            Description = day.Words,
            Transparency = TransparencyType.Transparent,
        };
        foreach (var days in day.AlarmsBefore)
        {
            entry.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = day.Subject,
                    Trigger = new Trigger(Duration.FromDays(-days)),
                }
            );
        }

        return entry;
    }
}
