using System.Globalization;
using HomeStart.Data;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Upkeep;

/// <summary>
/// The address a calendar subscribes to: whoever knows it sees what falls due. It is kept nowhere, only how often one
/// was made, so that the last can be withdrawn.
/// </summary>
public sealed class CalendarAddress(
    WorkspaceScope scope,
    Workspace workspace,
    HomeStartDb db,
    IDataProtectionProvider protection,
    OpenAddress open
)
{
    private readonly IDataProtector _protector = protection.CreateProtector("calendar");

    /// <summary>The present one; null: there is none.</summary>
    public async Task<string?> OfAsync(CancellationToken cancel) =>
        await db.Workspaces.AsNoTracking().SingleOrDefaultAsync(row => row.Id == scope.Id, cancel)
            is { CalendarNumber: > 0, CalendarWithdrawn: false } row
            ? AddressOf(row.CalendarNumber)
            : null;

    /// <summary>Makes a new one; the one before is good no more.</summary>
    public async Task MakeAsync(CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        await db.Workspaces.ExecuteUpdateAsync(
            set =>
                set.SetProperty(row => row.CalendarNumber, row => row.CalendarNumber + 1)
                    .SetProperty(row => row.CalendarWithdrawn, false),
            cancel
        );
    }

    public Task WithdrawAsync(CancellationToken cancel) =>
        db.Workspaces.ExecuteUpdateAsync(set => set.SetProperty(row => row.CalendarWithdrawn, true), cancel);

    /// <summary>
    /// Lets this request see the workspace that an address stands for; false where it is none, or was withdrawn.
    /// </summary>
    public async Task<bool> EnterAsync(string token, CancellationToken cancel)
    {
        try
        {
            if (
                _protector.Unprotect(token).Split(' ') is not [var id, var number]
                || !Guid.TryParseExact(id, "N", out var workspaceId)
            )
            {
                return false;
            }

            scope.Open(workspaceId);
            return await db.Workspaces.AsNoTracking().SingleOrDefaultAsync(cancel) is { CalendarWithdrawn: false } row
                && row.CalendarNumber.ToString(CultureInfo.InvariantCulture) == number;
        }
        catch (System.Security.Cryptography.CryptographicException)
        {
            return false;
        }
    }

    private string AddressOf(int number) =>
        new Uri(
            open.Now,
            "/api/calendar/"
                + $"{_protector.Protect(string.Create(CultureInfo.InvariantCulture, $"{scope.Id:N} {number}"))}.ics"
        ).ToString();
}
