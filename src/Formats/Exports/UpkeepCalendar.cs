using System.Collections.Immutable;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Exports;

/// <summary>The days to remember of what was bought, as a calendar file with alarms.</summary>
public static class UpkeepCalendar
{
    /// <param name="days">Of every order: its outlook, its name and what is foreseen.</param>
    /// <param name="daysBefore">When the alarms go off.</param>
    /// <param name="made">The business date.</param>
    public static string Write(
        IEnumerable<(Outlook Outlook, string Name, ImmutableArray<Foreseen> Foreseen)> days,
        IReadOnlyCollection<int> daysBefore,
        DateOnly made
    ) =>
        CalendarFile.Write(
            from order in days
            from one in order.Foreseen
            select DayOf(order.Outlook, order.Name, one, daysBefore),
            made,
            "Home Start: what is due"
        );

    private static CalendarDay DayOf(Outlook outlook, string name, Foreseen one, IReadOnlyCollection<int> daysBefore)
    {
        var (subject, words) = ReminderWords.Reminder(outlook, name, one);
        var months = outlook.Now.Hosting?.Option.EveryMonths ?? 12;
        return new CalendarDay(
            $"{outlook.Book.OrderId:N}-{one.Key}@home-start",
            one.On,
            subject,
            words,
            daysBefore.Where(days => one.Remembers(days, months)).OrderDescending()
        );
    }
}
