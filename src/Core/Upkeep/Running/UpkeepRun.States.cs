using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <content>What changes state by itself at the end of a day (rules 10 and 11).</content>
internal sealed partial class UpkeepRun
{
    private const int GoneAfterDays = 21;
    private const int GraceDays = 30;
    private const int RedemptionDays = 30;
    private const int PendingDays = 5;

    private void ChangeStates(DateOnly day)
    {
        if (_hosting is { Held: var hosting })
        {
            if (hosting.Next is { } next)
            {
                hosting.Next = null;
                Lose(hosting, next, day);
            }

            if (
                hosting.State is HoldingState.Suspended or HoldingState.Ended
                && day >= hosting.MissedOn!.Value.AddDays(GoneAfterDays)
            )
            {
                Become(hosting, HoldingState.Gone, day);
                hosting.Stop();
            }
        }

        foreach (var domain in _domains)
        {
            if (domain.MissedOn is not null && !domain.IsOver)
            {
                Lapse(domain, day);
            }
        }
    }

    private void Lose(Held hosting, HoldingState state, DateOnly day)
    {
        TakeOut(hosting);
        Become(hosting, state, day);
    }

    private void Lapse(Held domain, DateOnly day)
    {
        var state = StateAfter(domain.Lapse, day.DayNumber - domain.MissedOn!.Value.DayNumber);
        if (state == domain.State)
        {
            return;
        }

        Become(
            domain,
            state,
            day,
            isAssumed: domain.Lapse
                is not { GraceDays: not null, RedemptionDays: not null, RedemptionFee: not null, PendingDays: not null }
        );
        if (state != HoldingState.Grace)
        {
            TakeOut(domain);
        }

        if (state == HoldingState.Gone)
        {
            domain.Stop();
        }
    }

    private static HoldingState StateAfter(LapseRule? rule, int days)
    {
        var redemption = rule?.GraceDays ?? GraceDays;
        var pending = redemption + (rule?.RedemptionDays ?? RedemptionDays);
        return days < redemption ? HoldingState.Grace
            : days < pending ? HoldingState.Redemption
            : days < pending + (rule?.PendingDays ?? PendingDays) ? HoldingState.Pending
            : HoldingState.Gone;
    }
}
