using HomeStart.Core.Basics;
using HomeStart.Formats;

namespace HomeStart.Core.Tests;

/// <summary>A refusal that says to choose, ask for less, or buy elsewhere leads to where that is done.</summary>
public class FaultCureTests
{
    [Theory]
    [InlineData(FaultReason.PlanFirst, FaultCure.ChoosePlan)]
    [InlineData(FaultReason.DomainFirst, FaultCure.ChooseDomain)]
    [InlineData(FaultReason.NameHad, FaultCure.ChooseDomain)]
    [InlineData(FaultReason.TooManyWays, FaultCure.ChangeNeeds)]
    [InlineData(FaultReason.NoRate, FaultCure.TypeRate)]
    [InlineData(FaultReason.ShortlistFull, FaultCure.TakeOff)]
    [InlineData(FaultReason.ScanTooLarge, FaultCure.LookAtPriceLists)]
    [InlineData(FaultReason.NotConnected, FaultCure.BuyThere)]
    [InlineData(FaultReason.CodeLength, null)]
    public void What_mends_a_fault_on_another_page_is_named(FaultReason reason, FaultCure? cure) =>
        FaultCures.Of(reason).ShouldBe(cure);

    [Fact]
    public void Every_cure_mends_something() =>
        Enum.GetValues<FaultCure>()
            .Except(Enum.GetValues<FaultReason>().Select(FaultCures.Of).OfType<FaultCure>())
            .ShouldBeEmpty();
}
