namespace HomeStart.Core.Outside;

/// <summary>What a host asks of the log-in that an owner chooses there. Its first password it makes itself.</summary>
/// <param name="ShortestUser">The fewest characters of a user name.</param>
/// <param name="LongestUser">The most characters of a user name.</param>
/// <param name="DigitsInUser">Whether a user name may hold digits after its first letter.</param>
/// <param name="ShortestPasscode">The fewest digits of the passcode for the telephone.</param>
/// <param name="LongestPasscode">The most digits of the passcode.</param>
public sealed record LogInRules(
    int ShortestUser,
    int LongestUser,
    bool DigitsInUser,
    int ShortestPasscode,
    int LongestPasscode
)
{
    // What anybody who wants to get in tries first.
    private static readonly string[] Obvious =
    [
        "admin",
        "administrator",
        "root",
        "user",
        "test",
        "guest",
        "info",
        "mail",
        "web",
        "www",
        "webmaster",
        "host",
        "hosting",
        "owner",
        "support",
        "postmaster",
        "ftp",
    ];

    /// <summary>Whether a rule is met; null while what it is about is empty.</summary>
    public bool? IsMet(LogInRule rule, string user, string passcode) =>
        rule switch
        {
            LogInRule.UserLength => user.Length == 0 ? null : user.Length >= ShortestUser && user.Length <= LongestUser,
            LogInRule.UserLetters => user.Length == 0
                ? null
                : char.IsAsciiLetterLower(user[0])
                    && user.All(letter =>
                        char.IsAsciiLetterLower(letter) || (DigitsInUser && char.IsAsciiDigit(letter))
                    ),
            LogInRule.UserNotObvious => user.Length == 0
                ? null
                : !Obvious.Contains(
                    user.TrimEnd('0', '1', '2', '3', '4', '5', '6', '7', '8', '9'),
                    StringComparer.Ordinal
                ),
            LogInRule.PasscodeDigits => passcode.Length == 0
                ? null
                : passcode.Length >= ShortestPasscode
                    && passcode.Length <= LongestPasscode
                    && passcode.All(char.IsAsciiDigit),
            LogInRule.PasscodeNoRun => passcode.Length == 0 ? null : !Steps(passcode, 1) && !Steps(passcode, -1),
            LogInRule.PasscodeNoRepeat => passcode.Length == 0 ? null : !IsRepeat(passcode),
            _ => throw new ArgumentOutOfRangeException(nameof(rule), rule, "There is no such rule."),
        };

    /// <summary>Whether everything about a log-in is as the host wants it, nothing being left out.</summary>
    public bool Allow(string user, string passcode) =>
        Enum.GetValues<LogInRule>().All(rule => IsMet(rule, user, passcode) == true);

    // Up or down by one all along, 9 being followed by 0.
    private static bool Steps(string digits, int by) =>
        digits.Length > 1
        && digits.Zip(digits.Skip(1)).All(pair => (pair.First - '0' + by + 10) % 10 == pair.Second - '0');

    // One group of digits said again and again: 7777, 1212, 123123.
    private static bool IsRepeat(string digits) =>
        digits.Length > 1
        && Enumerable
            .Range(1, digits.Length / 2)
            .Any(group =>
                digits.Length % group == 0 && digits.Skip(group).Zip(digits).All(pair => pair.First == pair.Second)
            );
}

/// <summary>The rules, in the order they are shown.</summary>
public enum LogInRule
{
    /// <summary>The user name's length.</summary>
    UserLength,

    /// <summary>Small letters, perhaps with digits after the first.</summary>
    UserLetters,

    /// <summary>Nothing that is tried first.</summary>
    UserNotObvious,

    /// <summary>The passcode is so many digits.</summary>
    PasscodeDigits,

    /// <summary>Its digits do not go up or down by one.</summary>
    PasscodeNoRun,

    /// <summary>It does not say the same again and again.</summary>
    PasscodeNoRepeat,
}
