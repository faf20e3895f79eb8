using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>A refusal that says to choose, ask for less, or buy elsewhere leads to where that is done.</summary>
public class FaultCureTests
{
    [Theory]
    [InlineData(typeof(PlanFirst), FaultCure.ChoosePlan)]
    [InlineData(typeof(DomainFirst), FaultCure.ChooseDomain)]
    [InlineData(typeof(NameIsYours), FaultCure.ChooseDomain)]
    [InlineData(typeof(TooManyWays), FaultCure.ChangeNeeds)]
    [InlineData(typeof(NoRate), FaultCure.TypeRate)]
    [InlineData(typeof(ShortlistFull), FaultCure.TakeOff)]
    [InlineData(typeof(ScanTooLarge), FaultCure.LookAtPriceLists)]
    [InlineData(typeof(NotConnected), FaultCure.BuyThere)]
    [InlineData(typeof(CodeLength), null)]
    public void What_mends_a_fault_on_another_page_is_named(Type reason, FaultCure? cure) =>
        FaultReasons.Samples(reason).ShouldAllBe(made => FaultCures.For(made) == cure);

    [Fact]
    public void Every_cure_mends_something() =>
        Enum.GetValues<FaultCure>()
            .Except(FaultReasons.Kinds.SelectMany(FaultReasons.Samples).Select(FaultCures.For).OfType<FaultCure>())
            .ShouldBeEmpty();
}
