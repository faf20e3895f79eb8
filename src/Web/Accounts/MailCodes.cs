using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using HomeStart.Data;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace HomeStart.Web.Accounts;

/// <summary>
/// Six digits that are mailed, count for fifteen minutes, and count once: a token provider of Identity's, which keeps
/// them protected among its tokens.
/// </summary>
public sealed class MailCodes(IDataProtectionProvider protection, TimeProvider time)
    : IUserTwoFactorTokenProvider<Account>
{
    public const string Provider = "mail-code";
    public const string SignIn = "sign-in";
    public const int Minutes = 15;
    private const int Digits = 6;

    private readonly IDataProtector _protector = protection.CreateProtector("mail-codes");

    public async Task<string> GenerateAsync(string purpose, UserManager<Account> manager, Account user)
    {
        var code = RandomNumberGenerator.GetString("0123456789", Digits);
        var until = time.GetUtcNow().AddMinutes(Minutes).ToUnixTimeSeconds();
        await manager.SetAuthenticationTokenAsync(
            user,
            Provider,
            purpose,
            _protector.Protect(string.Create(CultureInfo.InvariantCulture, $"{until} {code}"))
        );
        return code;
    }

    public async Task<bool> ValidateAsync(string purpose, string token, UserManager<Account> manager, Account user)
    {
        if (
            await manager.GetAuthenticationTokenAsync(user, Provider, purpose) is not { } kept
            || Opened(kept)?.Split(' ') is not [var until, var code]
            || long.Parse(until, CultureInfo.InvariantCulture) <= time.GetUtcNow().ToUnixTimeSeconds()
            || !CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(code), Encoding.UTF8.GetBytes(token))
        )
        {
            return false;
        }

        // Two windows at once: the store lets one of them take it away.
        return (await manager.RemoveAuthenticationTokenAsync(user, Provider, purpose)).Succeeded;
    }

    private string? Opened(string kept)
    {
        try
        {
            return _protector.Unprotect(kept);
        }
        catch (CryptographicException)
        {
            return null; // Protected with keys that are gone: a new code is asked for.
        }
    }

    public Task<bool> CanGenerateTwoFactorTokenAsync(UserManager<Account> manager, Account user) =>
        Task.FromResult(true);
}
