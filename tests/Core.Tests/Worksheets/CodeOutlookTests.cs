using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>What would make a refused code count and save, and the best that is allowed.</summary>
public class CodeOutlookTests
{
    [Fact]
    public void A_cycle_too_short_is_cured_by_the_shortest_that_is_long_enough()
    {
        var site = Do(Choosing("tidemarsh", "slipway", 1), new EnterCode("A", "neaptide25"));
        var cure = Worked(site).CodeCures.Single();
        cure.Option!.EveryMonths.ShouldBe(12);
        var after = Do(site, new ChooseBilling("A", 12, 12));
        var code = Costed(after).Run.Codes.Single();
        code.Verdict.ShouldBe(Verdict.Applied);
        cure.Saves.ShouldBe(-Coster.Saves(Costed(after), code));
        cure.HorizonChange.ShouldBe(Costed(after).Totals.Horizon - Costed(site).Totals.Horizon);
    }

    [Fact]
    public void What_counts_already_and_what_nobody_knows_has_no_cure()
    {
        Worked(Do(Choosing("tidemarsh", "slipway", 12), new EnterCode("A", "NEAPTIDE25"), new EnterCode("A", "NOBODY")))
            .CodeCures.ShouldBeEmpty();
        Worked(Do(Choosing("tidemarsh", "slipway", 1), new EnterCode("A", "NEAPTIDE25"), new EnterCode("A", "NOBODY")))
            .CodeCures.Select(cure => cure.Code)
            .ShouldBe(["NEAPTIDE25"]);
    }

    [Fact]
    public void A_code_that_cannot_combine_counts_without_the_other()
    {
        var site = Do(
            Choosing("quillhaven", "inkwell", 12),
            new EnterCode("A", "QUILL10"),
            new EnterCode("A", "PLUME30")
        );
        var cure = Worked(site).CodeCures.Single();
        (cure.Code, cure.Without).ShouldBe(("PLUME30", "QUILL10"));
        var after = Costed(Do(site, new DropCode("A", "QUILL10")));
        cure.HorizonChange.ShouldBe(after.Totals.Horizon - Costed(site).Totals.Horizon);
    }

    [Fact]
    public void The_best_codes_are_offered_and_come_to_what_they_say()
    {
        foreach (
            var (book, plan) in new[]
            {
                ("quillhaven", "inkwell"),
                ("tidemarsh", "slipway"),
                ("fernhollow", "clearing"),
            }
        )
        {
            var site = Choosing(book, plan, 12);
            var best = Worked(site).BestCodes.ShouldNotBeNull();
            var after = Do(site, new UseCodes("A", best.Choice));
            best.HorizonChange.ShouldBe(Costed(after).Totals.Horizon - Costed(site).Totals.Horizon);
            Costed(after).Run.Codes.ShouldAllBe(code => code.Verdict == Verdict.Applied);
            Worked(after).BestCodes.ShouldBeNull();
        }
    }

    [Fact]
    public void No_set_of_a_books_codes_saves_more_than_the_best()
    {
        var site = Choosing("quillhaven", "inkwell", 12);
        var best = Worked(site).BestCodes!.Costing!.Totals.Horizon;
        var codes = Books
            .Single(book => book.Id == "quillhaven")
            .Promotions.Where(promotion => !promotion.IsAutomatic)
            .Select(promotion => promotion.Code!)
            .ToList();
        for (var set = 0; set < 1 << codes.Count; set++)
        {
            Costed(Do(site, new UseCodes("A", [.. codes.Where((_, index) => (set & (1 << index)) != 0)])))
                .Totals.Horizon.ShouldBeGreaterThanOrEqualTo(best);
        }
    }

    [Fact]
    public void A_code_entered_first_says_who_knows_it() =>
        Worked(Do(Site.Empty("Shop"), new EnterCode("A", "plume30")))
            .KnownCodes.Select(known => (known.Book.Id, known.Promotion.MinEveryMonths))
            .ShouldBe([("quillhaven", 12)]);
}
