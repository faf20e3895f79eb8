using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>
/// What people misread: what falls due right after, what only looks cheap, what runs out on different days.
/// </summary>
public class NoteTests
{
    [Fact]
    public void What_is_chosen_says_what_falls_due_next_and_whether_it_is_the_very_next_day()
    {
        Note(Choosing("tidemarsh", "slipway", 12), 12, 36)
            .ShouldBe(new WayNote(WayNoteKind.FallsDueNext, IsDayAfter: true));
        Note(Choosing("tidemarsh", "slipway", 12), 12, 30)
            .ShouldBe(new WayNote(WayNoteKind.FallsDueNext, IsDayAfter: false));
        Note(Choosing("tidemarsh", "slipway", 1), 1, 36)
            .ShouldBe(new WayNote(WayNoteKind.FallsDueNext, IsDayAfter: true));
    }

    [Fact]
    public void What_ends_with_the_horizon_and_costs_less_looks_cheap()
    {
        var site = Choosing("tidemarsh", "slipway", 12);
        Note(site, 36, 36).ShouldBe(new WayNote(WayNoteKind.LooksCheap, IsDayAfter: true));
        Note(site, 36, 35).ShouldBeNull(); // Its next bill comes a month later.
        Note(site, 1, 36).ShouldBeNull(); // Paid by the month nothing is put off.
        Note(Choosing("tidemarsh", "slipway", 36), 12, 36).ShouldBeNull(); // It costs more, and so looks dear.
    }

    [Fact]
    public void What_cannot_be_costed_has_no_note() =>
        Worked(Site.Empty("Shop")).WaysToPay.ShouldAllBe(way => WayNote.Find(way) == null);

    [Theory]
    [InlineData(12, 1, false)]
    [InlineData(12, 2, true)]
    [InlineData(36, 1, true)]
    [InlineData(1, 2, false)] // By the month there is no day to forget.
    public void Domain_and_hosting_that_run_out_apart_are_said(int everyMonths, int years, bool apart)
    {
        var site = Do(
            Choosing("tidemarsh", "slipway", everyMonths),
            new ChooseDomain("A", Name("tidemarsh") with { Years = years })
        );
        var days = DifferentDays.Find(Costed(site));
        days.ShouldBe(apart ? new DifferentDays(Today.AddMonths(12 * years), Today.AddMonths(everyMonths)) : null);
    }

    [Fact]
    public void One_of_them_alone_runs_out_apart_from_nothing()
    {
        DifferentDays
            .Find(Costed(Do(Choosing("tidemarsh", "slipway", 12), new ChooseDomain("A", null))))
            .ShouldBeNull();
        DifferentDays.Find(Costed(Do(Site.Empty("Shop"), new ChooseDomain("A", Name("nameyarrow"))))).ShouldBeNull();
    }

    private static WayNote? Note(Site site, int everyMonths, int horizon) =>
        WayNote.Find(
            Worksheet
                .Fill(site.Listed("A")!, Books, Settings with { HorizonMonths = horizon }, new Needs())
                .WaysToPay.Single(way => way.Choice.EveryMonths == everyMonths)
        );
}
