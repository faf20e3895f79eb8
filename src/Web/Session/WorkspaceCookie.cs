using System.Security.Cryptography;
using HomeStart.Data;
using HomeStart.Web.Hosting;
using Microsoft.AspNetCore.DataProtection;

namespace HomeStart.Web.Session;

/// <summary>
/// Binds a visitor to their workspace by a signed cookie, which every visit renews. Nothing is stored for it. Browsers share cookies among the ports of a name: each data folder
/// has a cookie of its own, and one that cannot be read is kept aside, not lost.
/// </summary>
internal sealed class WorkspaceCookie(RequestDelegate next, IDataProtectionProvider protection, InstanceName instance)
{
    /// <summary>What the first release called it, in every data folder alike.</summary>
    private const string FormerName = "home-start";

    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    private readonly IDataProtector _protector = protection.CreateProtector("workspace");

    public Task InvokeAsync(HttpContext http, WorkspaceScope scope)
    {
        var name = instance.CookieName("workspace", http.Request.IsHttps);
        var given = http.Request.Cookies[name];
        var aside = name + "-unreadable";
        var known = Read(given) ?? Read(http.Request.Cookies[FormerName]) ?? Read(http.Request.Cookies[aside]);
        (scope.Id, scope.IsKnown, scope.IsLost) = (known ?? Guid.NewGuid(), known is not null, given is not null && known is null);
        if (scope.IsLost && !http.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal))
        {
            return next(http); // The page itself changes nothing: it asks for the session, which says what happened.
        }

        if (scope.IsLost)
        {
            Keep(http, aside, given!);
        }

        Keep(http, name, _protector.Protect(scope.Id.ToString("N")));
        return next(http);
    }

    private static void Keep(HttpContext http, string name, string value) =>
        http.Response.Cookies.Append(name, value, new CookieOptions { HttpOnly = true, SameSite = SameSiteMode.Lax, Secure = http.Request.IsHttps, MaxAge = Kept, Path = "/", IsEssential = true });

    private Guid? Read(string? cookie)
    {
        try
        {
            return cookie is not null && Guid.TryParse(_protector.Unprotect(cookie), out var id) ? id : null;
        }
        catch (CryptographicException)
        {
            return null; // Signed with keys that are gone, or by another Home Start.
        }
    }
}
