using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>Every reason there is has a sentence, which holds the figures that Core gives it.</summary>
public class FaultWordsTests
{
    public static TheoryData<Type> Reasons => new(FaultReasons.Kinds);

    [Theory]
    [MemberData(nameof(Reasons))]
    public void Every_reason_is_a_sentence(Type reason)
    {
        foreach (var sentence in FaultReasons.Samples(reason).Select(Sentence))
        {
            sentence.ShouldEndWith(".");
            sentence.ShouldNotContain("  ");
        }
    }

    [Fact]
    public void There_are_as_many_reasons_as_the_rooms_have() =>
        // Else the test above could pass by finding none.
        Reasons.Count.ShouldBeGreaterThan(80);

    [Fact]
    public void Figures_stand_where_they_belong()
    {
        Sentence(new CellNotMonths("x", 2, 9)).ShouldBe("“x” is no number of months: write 2 to 9.");
        Sentence(new TooManyRecords(Most: 7, There: 8)).ShouldBe("There are 8 here; at most 7 are kept.");
        Sentence(new TooManyFiles(Most: 7, There: 8)).ShouldBe("There are 8 files; a web space holds at most 7.");
        Sentence(new YearsOutOfRange(10, 11))
            .ShouldBe("This domain can be registered for 1 to 10 years; this says 11.");
        Sentence(new NoSuchPlan("slip", "ostler")).ShouldBe("There is no plan “slip” in the price list “ostler”.");
        Sentence(new RowSaidTwice(3, "Twig", 12))
            .ShouldBe("Row 3 says a second price of “Twig” for bills of 12 months: keep one of them.");
        Sentence(new PlanUsedUp(PlanLimit.Databases, 2, 1)).ShouldBe("That would be 2 databases; your plan allows 1.");
        Sentence(new ThereTwice(Listed.BillingOption, "12/24"))
            .ShouldBe("Way to pay (months of a bill/of commitment) “12/24” is there twice: keep one of them.");
        Sentence(new TooManyWays("Twig", "Ostler", 12, 9)).ShouldContain("What Twig of Ostler lacks");
        Sentence(new TooManyWays("Twig", "Ostler", 12, 9)).ShouldContain("in 12 ways; at most 9");
    }

    [Theory]
    [InlineData(0, "A candidate’s name has at most 40 characters; this has 41.")]
    [InlineData(1, "A candidate’s name has 1 to 40 characters; this has 41.")]
    public void A_name_that_may_be_left_out_has_no_least_length(int least, string sentence) =>
        Sentence(new NameLength(Named.Candidate, least, 40, 41)).ShouldBe(sentence);

    [Fact]
    public void A_day_is_written_as_it_is_typed() =>
        Sentence(new HasExpired(new DateOnly(2026, 11, 30))).ShouldStartWith("The domain expired on 2026-11-30,");

    [Theory]
    [InlineData("ostler wren", "com", "A domain has no spaces")]
    [InlineData("ostler", "c_m", "This is no ending")]
    [InlineData("a\u202eb", "com", "A domain cannot hold")]
    public void A_name_says_what_is_wrong_with_it(string label, string ending, string begins) =>
        Sentence(new NotADomain(DomainName.Parse(label, ending).Fault.ShouldNotBeNull())).ShouldStartWith(begins);

    private static string Sentence(FaultReason reason) =>
        FaultWords.Sentence(new Fault(FaultCodes.Unknown, "here", reason));
}
