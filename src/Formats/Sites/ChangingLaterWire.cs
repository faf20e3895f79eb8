using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Sites;

/// <summary>What it costs to start with the way to pay that binds least and to change later.</summary>
/// <param name="Currency">Of the sums; prices a month and the domain-year are in
/// <paramref name="BookCurrency"/>.</param>
/// <param name="FirstPerMonth">The other way's first price a month, where a change does not give it; null: nothing is
/// lost.</param>
/// <param name="LaterPerMonth">What is paid a month instead; null: not stated.</param>
/// <param name="DomainYear">What the plan's domain-year would have paid; null: it is not lost.</param>
/// <param name="Codes">Those that would count no more.</param>
/// <param name="LosesRefund">Whether the money can be had back with the other way only.</param>
public sealed record ChangingLaterWire(
    string Provider,
    int FromEveryMonths,
    int FromCommitMonths,
    int ToEveryMonths,
    int ToCommitMonths,
    string Currency,
    string BookCurrency,
    IReadOnlyList<ChangeOnWire> Changes,
    string? FirstPerMonth,
    string? LaterPerMonth,
    string? DomainYear,
    IReadOnlyList<string> Codes,
    bool LosesRefund
)
{
    public static ChangingLaterWire From(ChangingLater changing, Currency display)
    {
        var (from, to, lost) = (changing.From, changing.To, changing.Lost);
        return new ChangingLaterWire(
            changing.Book.Provider.Name,
            from.EveryMonths,
            from.CommitMonths,
            to.EveryMonths,
            to.CommitMonths,
            display.Code,
            changing.Book.Currency.Code,
            [.. changing.Changes.Select(change => ChangeOnWire.From(change, display))],
            lost.FirstPerMonth?.ToAmount(),
            lost.LaterPerMonth?.ToAmount(),
            lost.DomainYear?.ToAmount(),
            lost.Codes,
            lost.Refund
        );
    }
}

/// <summary>A change on one day.</summary>
/// <param name="More">What is paid more over the horizon than by the other way from the start; below zero: less. Null:
/// not known.</param>
/// <param name="IsAssumed">The seller does not say what a change does, so that the usual was taken.</param>
public sealed record ChangeOnWire(DateOnly On, int Months, SumWire DueThen, string? More, bool IsAssumed)
{
    internal static ChangeOnWire From(ChangeOn change, Currency display) =>
        new(
            change.On,
            change.Months,
            SumWire.From(change.DueThen, display),
            change.More is { } more ? new Money(more, display).ToAmount() : null,
            change.IsAssumed
        );
}
