using HomeStart.Core.Online;
using HomeStart.Formats;

namespace HomeStart.Core.Tests;

/// <summary>Every reason there is has a sentence, which takes the figures that Core gives it.</summary>
public class FaultWordsTests
{
    public static TheoryData<FaultReason> Reasons =>
        new(Enum.GetValues<FaultReason>().Except([FaultReason.NotADomain]));

    [Theory]
    [MemberData(nameof(Reasons))]
    public void Every_reason_is_a_sentence_of_its_figures(FaultReason reason)
    {
        object?[] figures = reason switch
        {
            FaultReason.Said => ["Said so."],
            FaultReason.NameLength => ["site", 1, 80, 99],
            FaultReason.NameUnseen => ["candidate"],
            FaultReason.ThereTwice => ["plan", "slipway"],
            FaultReason.ContactMissing => ["postcode"],
            FaultReason.HasExpired => [new DateOnly(2026, 11, 30)],
            FaultReason.RecordFlawed => [RecordFlaw.Twice],
            FaultReason.ReadySetArgument => [ReadySet.ProveByText],
            FaultReason.FileFlawed => ["run.php", FileFlaw.Kind],
            FaultReason.SpaceFull => [2L, 1L],
            FaultReason.PageFlawed => [PageFlaw.Name],
            FaultReason.MailboxFlawed => [MailboxFlaw.Twice, "a@b.example"],
            FaultReason.PlanUsedUp => [PlanLimit.Mailboxes, 2, 1],
            FaultReason.HostedNameFlawed => [HostedNameFlaw.Twice, "a.example"],
            FaultReason.EngineFlawed => [EngineFlaw.User],
            _ => ["one", "two", "three", "four"],
        };
        var sentence = FaultWords.Of(new Fault(FaultCodes.Unknown, "here", reason, figures));
        sentence.ShouldEndWith(".");
        sentence.ShouldNotContain("{");
    }

    [Theory]
    [InlineData(0, "A candidate’s name has at most 40 characters; this has 41.")]
    [InlineData(1, "A candidate’s name has 1 to 40 characters; this has 41.")]
    public void A_name_that_may_be_left_out_has_no_least_length(int least, string sentence) =>
        FaultWords
            .Of(new Fault(FaultCodes.OutOfRange, "name", FaultReason.NameLength, ["candidate", least, 40, 41]))
            .ShouldBe(sentence);

    [Fact]
    public void A_day_is_written_as_it_is_typed() =>
        FaultWords
            .Of(new Fault(FaultCodes.Expired, "x", FaultReason.HasExpired, [new DateOnly(2026, 11, 30)]))
            .ShouldStartWith("The domain expired on 2026-11-30,");

    [Theory]
    [InlineData("ostler wren", "com", "A domain has no spaces")]
    [InlineData("ostler", "c_m", "This is no ending")]
    [InlineData("a\u202eb", "com", "A domain cannot hold")]
    public void A_name_says_what_is_wrong_with_it(string label, string ending, string begins) =>
        FaultWords
            .Of(new Fault(FaultCodes.BadType, "name", FaultReason.NotADomain, [DomainName.Parse(label, ending).Fault]))
            .ShouldStartWith(begins);
}
