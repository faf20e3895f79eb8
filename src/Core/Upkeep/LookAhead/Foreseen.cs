using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>A day to remember: a charge to come, or what a notice is about.</summary>
/// <param name="Charge">Null: it is a notice.</param>
/// <param name="Notice">Null: it is a charge.</param>
public sealed record Foreseen(DateOnly On, Charged? Charge, Notice? Notice)
{
    private const int DaysOfMonth = 28;

    /// <summary>The days before, on which owners are reminded unless they say otherwise.</summary>
    public static readonly ImmutableArray<int> UsualDays = [60, 30, 7, 1];

    /// <summary>The same for the same thing, whenever it is worked out.</summary>
    public string Key =>
        Charge is { } charge
            ? $"{On:yyyyMMdd}-charge-{charge.Book}{(charge.Due == On ? "" : $"-{charge.Due:yyyyMMdd}")}"
            : $"{On:yyyyMMdd}-{Notice!.Kind}-{Notice.Holding}{Notice.Book}"
                + $"{(Notice.Other is { } other ? $"-{other:yyyyMMdd}" : "")}";

    /// <summary>What is to come within the horizon, by its day.</summary>
    public static ImmutableArray<Foreseen> ListAll(Outlook outlook, IEnumerable<Notice> notices) =>
        [
            .. outlook
                .Coming.OfType<Charged>()
                .Where(charged => charged.Total > charged.FromBalance)
                .Select(charged => new Foreseen(charged.On, charged, null))
                .Concat(
                    notices
                        .Where(notice =>
                            notice.Kind is not (NoticeKind.PriceStep or NoticeKind.NotStated or NoticeKind.Apart)
                        )
                        .Select(notice => new Foreseen(notice.On, null, notice))
                )
                .DistinctBy(foreseen => foreseen.Key)
                .OrderBy(foreseen => foreseen.On)
                .ThenBy(foreseen => foreseen.Key, StringComparer.Ordinal),
        ];

    /// <summary>
    /// Whether a reminder so many days before makes sense: not for a bill that comes more often than that.
    /// </summary>
    public bool Remembers(int daysBefore, int monthsOfHosting) =>
        Charge is not { } charge
        || daysBefore
            < DaysOfMonth * (charge.Lines.Any(line => line.Kind == UpkeepLineKind.Plan) ? monthsOfHosting : 12);

    /// <summary>Those that owners are reminded of on a day.</summary>
    /// <param name="daysBefore">How many days before.</param>
    public static IEnumerable<(Foreseen Foreseen, int Days)> RemindersOn(
        Outlook outlook,
        ImmutableArray<Foreseen> foreseen,
        IReadOnlyCollection<int> daysBefore
    ) =>
        from one in foreseen
        from days in daysBefore
        where
            one.On.AddDays(-days) == outlook.Today
            && outlook.Today > outlook.Tenure.Start
            && one.Remembers(days, outlook.Now.Hosting?.Option.EveryMonths ?? 12)
        select (one, days);

    /// <summary>The days after one and up to another on which there may be something to be reminded of.</summary>
    public static IEnumerable<DateOnly> ReminderDays(
        Tenure tenure,
        DayBook book,
        DateOnly after,
        DateOnly to,
        IReadOnlyCollection<int> daysBefore
    )
    {
        if (daysBefore.Count == 0 || to <= after || to <= tenure.Start)
        {
            return [];
        }

        var from = after < tenure.Start ? tenure.Start : after;
        var outlook = new Outlook(
            tenure,
            book,
            from.AddDays(1),
            Months.WholeBetween(from, to.AddDays(daysBefore.Max())) + 2
        );
        return
        [
            .. ListAll(
                    outlook,
                    OwnerNotices.ListAll(outlook, book.Payer.Expires, ImmutableDictionary<string, DateOnly>.Empty)
                )
                .SelectMany(one => daysBefore.Select(days => one.On.AddDays(-days)))
                .Where(day => day > from && day <= to)
                .Distinct()
                .Order(),
        ];
    }
}
