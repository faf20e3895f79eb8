using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>What a host asks of a log-in, and what is left to confirm after an order.</summary>
public class LogInRulesTests
{
    private static readonly LogInRules Rules = new(5, 12, DigitsInUser: true, 4, 8);

    [Theory]
    [InlineData("ostler", true)]
    [InlineData("ostle", true)]
    [InlineData("ostl", false)]
    [InlineData("ostlerandwre", true)]
    [InlineData("ostlerandwren", false)]
    public void A_user_name_has_so_many_characters(string user, bool isMet) =>
        Rules.IsMet(LogInRule.UserLength, user, "").ShouldBe(isMet);

    [Theory]
    [InlineData("ostler7", true)]
    [InlineData("7ostler", false)]
    [InlineData("Ostler", false)]
    [InlineData("ost-ler", false)]
    [InlineData("östler", false)]
    public void It_is_of_small_letters_with_digits_after_the_first(string user, bool isMet) =>
        Rules.IsMet(LogInRule.UserLetters, user, "").ShouldBe(isMet);

    [Fact]
    public void Digits_only_where_the_host_takes_them() =>
        (Rules with { DigitsInUser = false }).IsMet(LogInRule.UserLetters, "ostler7", "").ShouldBe(false);

    [Theory]
    [InlineData("admin", false)]
    [InlineData("admin99", false)]
    [InlineData("postmaster", false)]
    [InlineData("administer", true)]
    public void It_is_none_that_is_tried_first(string user, bool isMet) =>
        Rules.IsMet(LogInRule.UserNotObvious, user, "").ShouldBe(isMet);

    [Theory]
    [InlineData("4071", true, true, true)]
    [InlineData("407", false, true, true)]
    [InlineData("407182936", false, true, true)]
    [InlineData("40a1", false, true, true)]
    [InlineData("1234", true, false, true)]
    [InlineData("8901", true, false, true)]
    [InlineData("4321", true, false, true)]
    [InlineData("1235", true, true, true)]
    [InlineData("7777", true, true, false)]
    [InlineData("1212", true, true, false)]
    [InlineData("123123", true, true, false)]
    [InlineData("1221", true, true, true)]
    public void A_passcode_is_digits_that_neither_run_nor_repeat(
        string passcode,
        bool digits,
        bool noRun,
        bool noRepeat
    ) =>
        (
            Rules.IsMet(LogInRule.PasscodeDigits, "", passcode),
            Rules.IsMet(LogInRule.PasscodeNoRun, "", passcode),
            Rules.IsMet(LogInRule.PasscodeNoRepeat, "", passcode)
        ).ShouldBe((digits, noRun, noRepeat));

    [Fact]
    public void Nothing_is_said_of_what_is_empty_and_all_must_be_met_to_be_taken()
    {
        Enum.GetValues<LogInRule>().ShouldAllBe(rule => Rules.IsMet(rule, "", "") == null);
        Rules.Allow("", "").ShouldBeFalse();
        Rules.Allow("ostler", "").ShouldBeFalse();
        Rules.Allow("ostler", "4071").ShouldBeTrue();
        Enum.GetValues<LogInRule>().Select(rule => LogInWords.Rule(rule, Rules)).ShouldBeUnique();
    }

    [Fact]
    public void A_holder_has_fifteen_days_the_last_one_counts_and_then_the_name_stands_still()
    {
        var check = new HolderCheck(false, new DateOnly(2026, 12, 16));
        check.DaysLeft(new DateOnly(2026, 12, 1)).ShouldBe(15);
        (check.DaysLeft(check.Until), check.IsStopped(check.Until)).ShouldBe((0, false));
        (check.DaysLeft(check.Until.AddDays(1)), check.IsStopped(check.Until.AddDays(1))).ShouldBe((null, true));
        var done = check with { IsConfirmed = true };
        (done.DaysLeft(check.Until), done.IsStopped(check.Until.AddDays(1))).ShouldBe((null, false));
    }
}
