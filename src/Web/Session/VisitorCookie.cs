using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;

namespace HomeStart.Web.Session;

/// <summary>
/// Who a browser is: its workspace and, where it is signed in, its session. Signed, and kept for as long as a visitor
/// is expected back.
/// </summary>
/// <param name="Session">Null: the workspace is the browser's own.</param>
public readonly record struct VisitorId(Guid Workspace, Guid? Session)
{
    public override string ToString() => Session is { } session ? $"{Workspace:N} {session:N}" : $"{Workspace:N}";

    public static VisitorId? Parse(string text)
    {
        var parts = text.Split(' ');
        return Guid.TryParse(parts[0], out var workspace)
            ? new VisitorId(workspace, parts.Length > 1 && Guid.TryParse(parts[1], out var session) ? session : null)
            : null;
    }
}

/// <summary>
/// Writes and reads what tells a browser. Each data folder has cookies of its own, as browsers share them among the
/// ports of a name.
/// </summary>
public sealed class VisitorCookie(IDataProtectionProvider protection, InstanceName instance)
{
    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);
    private readonly IDataProtector _protector = protection.CreateProtector("workspace");

    public string Name(HttpContext http) => instance.CookieName("workspace", http.Request.IsHttps);

    /// <summary>
    /// The last session of this browser, also after it signed out: the mail it could read it can still read.
    /// </summary>
    public string MailboxName(HttpContext http) => instance.CookieName("mailbox", http.Request.IsHttps);

    public void Write(HttpContext http, VisitorId visitor) =>
        Keep(http, Name(http), _protector.Protect(visitor.ToString()));

    public void WriteMailbox(HttpContext http, Guid session) =>
        Keep(http, MailboxName(http), _protector.Protect($"{session:N}"));

    public static void Keep(HttpContext http, string name, string value) =>
        http.Response.Cookies.Append(
            name,
            value,
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                Secure = http.Request.IsHttps,
                MaxAge = Kept,
                Path = "/",
                IsEssential = true,
            }
        );

    /// <summary>Null: there is none, or it cannot be read.</summary>
    public VisitorId? Read(string? cookie)
    {
        try
        {
            return cookie is null ? null : VisitorId.Parse(_protector.Unprotect(cookie));
        }
        catch (CryptographicException)
        {
            return null; // Signed with keys that are gone, or by another Home Start.
        }
    }
}
