using System.Collections.Immutable;
using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>The rules as one function: folded over events one by one, it gives what one go gives.</summary>
public class UpkeepMachineTests
{
    [Fact]
    public void Events_one_by_one_are_the_same_as_one_go() =>
        Gen.Select(UpkeepProperties.Years, Gen.Int[0, int.MaxValue])
            .Sample(
                (json, seed) =>
                {
                    if (DayKeeperTests.Opened(json) is not var (tenure, request, _))
                    {
                        return;
                    }

                    var (state, happened, random) = (tenure.Opening.State, tenure.Opening.Happened, new Random(seed));
                    foreach (var decision in request.Decisions.OrderBy(decision => decision.On))
                    {
                        // Days that end on the way, one or many at a time, change nothing of what comes of them.
                        while (random.Next(3) > 0 && state.Day.AddDays(1) < decision.On)
                        {
                            var day = state.Day.AddDays(
                                1 + random.Next(decision.On.DayNumber - state.Day.DayNumber - 1)
                            );
                            (state, happened) = Apply(tenure, state, happened, new DayEnded(day));
                        }

                        (state, happened) = Apply(tenure, state, happened, new Decided(decision));
                    }

                    var years = tenure.Through(state, request.Until, []);
                    var whole = tenure.Through(request.Until, request.Decisions);
                    UpkeepProperties
                        .Said(years with { Happened = happened.AddRange(years.Happened) })
                        .ShouldBe(UpkeepProperties.Said(whole));
                    years.AllowancesTaken.ShouldBe(whole.AllowancesTaken);
                    years
                        .Open.Select(bill => (bill.Book, bill.Due, bill.Total, bill.NextOn))
                        .ShouldBe(whole.Open.Select(bill => (bill.Book, bill.Due, bill.Total, bill.NextOn)));
                },
                iter: 1000
            );

    [Fact]
    public void The_next_day_is_the_first_on_which_something_happens() =>
        UpkeepProperties.Years.Sample(
            json =>
            {
                if (DayKeeperTests.Opened(json) is not var (tenure, request, _))
                {
                    return;
                }

                var state = tenure.Opening.State;
                var next = UpkeepMachine.NextDay(tenure, state, request.Until);
                if ((next ?? request.Until.AddDays(1)) is var day && day > tenure.Start.AddDays(1))
                {
                    UpkeepMachine.Apply(tenure, state, new DayEnded(day.AddDays(-1))).Happened.ShouldBeEmpty();
                }
            },
            iter: 300
        );

    [Fact]
    public void A_state_does_not_grow_with_the_years()
    {
        var (tenure, _, _) = DayKeeperTests.Opened(UpkeepByHand.Ask(UpkeepByHand.Market(), "2030-01-01"))!.Value;
        var (first, later) = (tenure.Opening.State, tenure.Through(tenure.Start.AddYears(8), []).State);
        later.Lines.Length.ShouldBeLessThan(first.Lines.Length);
    }

    private static (UpkeepState, ImmutableArray<Happening>) Apply(
        Tenure tenure,
        UpkeepState state,
        ImmutableArray<Happening> before,
        UpkeepEvent happens
    )
    {
        var step = UpkeepMachine.Apply(tenure, state, happens);
        return (step.State, before.AddRange(step.Happened));
    }
}
