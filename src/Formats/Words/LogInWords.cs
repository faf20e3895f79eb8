namespace HomeStart.Formats.Words;

/// <summary>What a host asks of a log-in, a sentence a rule.</summary>
public static class LogInWords
{
    /// <summary>Which field a rule is about: user or passcode.</summary>
    public static string Field(LogInRule rule) =>
        rule is LogInRule.UserLength or LogInRule.UserLetters or LogInRule.UserNotObvious ? "user" : "passcode";

    public static string Rule(LogInRule rule, LogInRules rules) =>
        rule switch
        {
            LogInRule.UserLength => $"The user name has {rules.ShortestUser} to {rules.LongestUser} characters.",
            LogInRule.UserLetters => rules.DigitsInUser
                ? "The user name is of small letters, with digits after the first if you like."
                : "The user name is of small letters alone.",
            LogInRule.UserNotObvious => "Not an obvious name such as admin or info.",
            LogInRule.PasscodeDigits => $"The passcode is {rules.ShortestPasscode} to {rules.LongestPasscode} digits.",
            LogInRule.PasscodeNoRun => "The passcode does not count up or down, as 1234 does.",
            LogInRule.PasscodeNoRepeat => "The passcode does not repeat itself, as 7777 or 1212 does.",
            _ => throw new ArgumentOutOfRangeException(nameof(rule), rule, "There are no words for this."),
        };
}

/// <param name="IsMet">Null while the field it is about is empty.</param>
public sealed record LogInRuleWire(LogInRule Rule, string Field, string Words, bool? IsMet);

/// <summary>What a host asks of a log-in, and how far what was typed goes.</summary>
/// <param name="IsTaken">Whether somebody has the user name; null: not asked yet, or nobody could say.</param>
public sealed record LogInCheckWire(IReadOnlyList<LogInRuleWire> Rules, bool? IsTaken)
{
    public static LogInCheckWire From(LogInRules rules, string user, string passcode, bool? isTaken) =>
        new(
            [
                .. Enum.GetValues<LogInRule>()
                    .Select(rule => new LogInRuleWire(
                        rule,
                        LogInWords.Field(rule),
                        LogInWords.Rule(rule, rules),
                        rules.IsMet(rule, user, passcode)
                    )),
            ],
            isTaken
        );
}
