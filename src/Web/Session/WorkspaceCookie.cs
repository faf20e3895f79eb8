using HomeStart.Data;
using Microsoft.AspNetCore.DataProtection;

namespace HomeStart.Web.Session;

/// <summary>Binds a visitor to their workspace by a signed cookie, which every visit renews. Nothing is stored for it.</summary>
internal sealed class WorkspaceCookie(RequestDelegate next, IDataProtectionProvider protection)
{
    public const string Name = "home-start";

    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    private readonly IDataProtector _protector = protection.CreateProtector("workspace");

    public Task InvokeAsync(HttpContext http, WorkspaceScope scope)
    {
        scope.Id = Read(http.Request.Cookies[Name]) ?? Guid.NewGuid();
        http.Response.Cookies.Append(Name, _protector.Protect(scope.Id.ToString("N")), new CookieOptions
        {
            HttpOnly = true, SameSite = SameSiteMode.Lax, Secure = http.Request.IsHttps, MaxAge = Kept, Path = "/", IsEssential = true,
        });
        return next(http);
    }

    private Guid? Read(string? cookie)
    {
        try
        {
            return cookie is not null && Guid.TryParse(_protector.Unprotect(cookie), out var id) ? id : null;
        }
        catch (System.Security.Cryptography.CryptographicException)
        {
            return null; // Signed with keys that are gone: a new workspace.
        }
    }
}
