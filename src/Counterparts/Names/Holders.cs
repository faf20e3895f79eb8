using System.Net;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Counterparts;

/// <summary>
/// The holder of a new name is written to and confirms the address on a page of the registrar's, within 15 days; else
/// the registry stops the name.
/// </summary>
internal static class Holders
{
    private const string Prefix = "/pages/holders/";

    public static void MapHolders(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Registrar);
        group.MapGet("/registrars/{book}/registrations/{domain}/holder", StateAsync);
        group.MapPost("/registrars/{book}/registrations/{domain}/holder/write", WriteAgainAsync);
        app.MapGet(Prefix + "{name}", async (string name, CounterpartsDb db, CancellationToken cancel) =>
                await FindAsync(name, db, cancel) is { } row ? Page(row) : Results.NotFound()
            )
            .WithMetadata(new ForAnybody());
        app.MapPost(Prefix + "{name}", ConfirmAsync).DisableAntiforgery().WithMetadata(new ForAnybody());
    }

    /// <summary>Writes to the holder of a name that was registered just now. The caller saves.</summary>
    public static void Write(RegistrationRow row, HttpContext http, CounterpartsDb db)
    {
        row.HolderPage ??= Pages.NewName();
        var services = http.RequestServices;
        var company = services.GetRequiredService<PriceLists>().Find(row.Registrar)?.Provider.Name ?? row.Registrar;
        db.Mail.Add(
            SimulatedMail.Row(
                row.World,
                company,
                row.Registrar,
                row.HolderMail,
                $"Confirm that you hold {row.Domain}",
                $"You are the holder of {row.Domain}. Confirm this address until "
                    + $"{row.Registered.AddDays(HolderCheck.Days):d MMMM yyyy}, or the registry stops the "
                    + $"name:\n\n{http.Request.Scheme}://{http.Request.Host}{Prefix}{row.HolderPage}\n",
                services.GetRequiredService<TimeProvider>()
            )
        );
    }

    private static async Task<IResult> StateAsync(string book, string domain, HttpContext http, CounterpartsDb db) =>
        await OwnAsync(book, domain, http, db) is { HolderMail: not null } row
            ? Results.Ok(new { isConfirmed = row.IsHolderConfirmed, until = row.Registered.AddDays(HolderCheck.Days) })
            : Results.NotFound();

    private static async Task<IResult> WriteAgainAsync(string book, string domain, HttpContext http, CounterpartsDb db)
    {
        if (await OwnAsync(book, domain, http, db) is not { HolderMail: not null, IsHolderConfirmed: false } row)
        {
            return Results.NotFound();
        }

        Write(row, http, db);
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(new { });
    }

    private static async Task<IResult> ConfirmAsync(string name, CounterpartsDb db, CancellationToken cancel)
    {
        if (await FindAsync(name, db, cancel) is not { } row)
        {
            return Results.NotFound();
        }

        row.IsHolderConfirmed = true;
        await db.SaveChangesAsync(CancellationToken.None);
        return Page(row);
    }

    private static Task<RegistrationRow?> FindAsync(string name, CounterpartsDb db, CancellationToken cancel) =>
        db.Registrations.SingleOrDefaultAsync(row => row.HolderPage == name, cancel);

    private static Task<RegistrationRow?> OwnAsync(string book, string domain, HttpContext http, CounterpartsDb db)
    {
        var world = http.World();
        return db.Registrations.SingleOrDefaultAsync(
            row => row.World == world && row.Domain == domain && row.Registrar == book,
            http.RequestAborted
        );
    }

    private static IResult Page(RegistrationRow row) =>
        Pages.Html(
            "Registrar: confirm the holder",
            row.IsHolderConfirmed
                ? $"<p>The address is confirmed: {WebUtility.HtmlEncode(row.Domain)} stays as it is. You can "
                    + "close this page.</p>"
                : $"<p>You are the holder of {WebUtility.HtmlEncode(row.Domain)}.</p><form "
                    + "method=\"post\"><p><button>Yes, this is my address</button></p></form>"
        );
}
