namespace HomeStart.Core.Tests;

/// <summary>What must not be kept is found in what an owner types freely, and what may be is left alone.</summary>
public class TypedSecretTests
{
    [Theory]
    [InlineData("9999 0000 0000 0004", SecretKind.CardNumber)]
    [InlineData("paid with 9999-0000-0000-0004, thanks", SecretKind.CardNumber)]
    [InlineData("9999000000000004", SecretKind.CardNumber)]
    [InlineData("4222222222222", SecretKind.CardNumber)] // Thirteen digits, the fewest.
    [InlineData(
        "\uff19\uff19\uff19\uff19 \uff10\uff10\uff10\uff10 \uff10\uff10\uff10\uff10 \uff10\uff10\uff10\uff14",
        SecretKind.CardNumber
    )] // Full width.
    [InlineData("9999\u20130000\u20130000\u20130004", SecretKind.CardNumber)] // Between dashes.
    [InlineData("9999\u00a00000\u00a00000\u00a00004", SecretKind.CardNumber)]
    [InlineData("9999\u200b000000000004", SecretKind.CardNumber)] // With something unseen in it.
    [InlineData("\u0669\u0669\u0669\u0669000000000004", SecretKind.CardNumber)] // Arabic digits.
    [InlineData("pass\u00adword: tick-tock", SecretKind.Passcode)]
    [InlineData("9999 0000 0000 0005", null)]
    [InlineData("422222222222", null)]
    [InlineData("Order 2026118, customer 77", null)]
    [InlineData("+44 1632 960123", null)]
    [InlineData("password: tick-tock", SecretKind.Passcode)]
    [InlineData("The PIN is 1234", SecretKind.Passcode)]
    [InlineData("auth-code = X7", SecretKind.Passcode)]
    [InlineData("Transfer code: MOVE-WREN", SecretKind.Passcode)]
    [InlineData("Ask for a new password by telephone", null)]
    [InlineData("I changed my passcode on Monday", null)]
    [InlineData("pinned: nothing", null)]
    public void Card_numbers_and_what_is_called_a_secret(string text, SecretKind? found) =>
        TypedSecret.In(text).ShouldBe(found);
}
