namespace HomeStart.Formats.Sites;

/// <summary>Every plan with every way to pay for it, the least over the horizon first.</summary>
public sealed record PlanTableWire(IReadOnlyList<PlanWayWire> Ways)
{
    public static PlanTableWire From(PlanTable table, Needs needs) =>
        new([.. table.Ways.Select(way => PlanWayWire.From(way, needs))]);
}

/// <summary>A plan that could be chosen, and a way to pay for it.</summary>
/// <param name="IsLeast">Of the ways to pay for the plan the one that costs least over the horizon.</param>
/// <param name="First">Its first price a month, in the book's currency.</param>
/// <param name="Later">Its last price a month; null where it is not stated.</param>
/// <param name="SetupFee">In the book's currency; null: none.</param>
/// <param name="Fits">How it meets the needs, one by one.</param>
/// <param name="Does">Whether it does all that is needed, with extras where they are sold.</param>
public sealed record PlanWayWire(
    string Book,
    string Plan,
    int EveryMonths,
    int CommitMonths,
    int FreeMonths,
    bool IsChosen,
    bool IsLeast,
    string First,
    string? Later,
    string? SetupFee,
    IReadOnlyList<NeedFitWire> Fits,
    bool Does,
    OutcomeWire? Outcome
)
{
    internal static PlanWayWire From(WhatIf<PlanWay> whatIf, Needs needs)
    {
        var (book, plan, option, fits, isLeast) = whatIf.Choice;
        return new PlanWayWire(
            book.Id,
            plan.Id,
            option.EveryMonths,
            option.CommitMonths,
            option.FreeMonths,
            whatIf.IsChosen,
            isLeast,
            Amount(option.FirstPerMonth)!,
            Amount(option.LaterPerMonth),
            option.SetupFee is { } fee && fee != 0 ? Amount(fee) : null,
            [.. fits.Select(NeedFitWire.From)],
            PlanFit.CanBeMet(fits, needs),
            OutcomeWire.From(whatIf)
        );

        string? Amount(Int128? units) => units is { } known ? new Money(known, book.Currency).ToAmount() : null;
    }
}
