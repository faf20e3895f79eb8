using System.Collections.Immutable;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace HomeStart.Formats;

/// <summary>The days to remember of what was bought, as an iCalendar file (RFC 5545) with alarms.</summary>
public static class UpkeepCalendar
{
    /// <param name="days">Of every order: its outlook, its name and what is foreseen.</param>
    /// <param name="daysBefore">When the alarms go off.</param>
    /// <param name="made">The business date.</param>
    public static string Of(
        IEnumerable<(Outlook Outlook, string Name, ImmutableArray<Foreseen> Foreseen)> days,
        IReadOnlyCollection<int> daysBefore,
        DateOnly made
    )
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Home Start//Home Start//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Home Start: what is due");
        foreach (var (outlook, name, foreseen) in days)
        {
            foreach (var one in foreseen)
            {
                calendar.Events.Add(Event(outlook, name, one, daysBefore, made));
            }
        }

        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static CalendarEvent Event(
        Outlook outlook,
        string name,
        Foreseen one,
        IReadOnlyCollection<int> daysBefore,
        DateOnly made
    )
    {
        var (subject, words) = ReminderWords.Of(outlook, name, one);
        var day = new CalendarEvent
        {
            Uid = $"{outlook.Book.OrderId:N}-{one.Key}@home-start",
            DtStamp = new CalDateTime(made.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc)),
            Start = new CalDateTime(one.On),
            End = new CalDateTime(one.On.AddDays(1)),
            Summary = subject,
            Description = words,
            Transparency = TransparencyType.Transparent,
        };
        foreach (
            var days in daysBefore
                .Where(days => one.Remembers(days, outlook.Now.Hosting?.Option.EveryMonths ?? 12))
                .OrderDescending()
        )
        {
            day.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = subject,
                    Trigger = new Trigger(Duration.FromDays(-days)),
                }
            );
        }

        return day;
    }
}
