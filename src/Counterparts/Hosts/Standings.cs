using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// How what was sold stands after the order: hosts and registrars keep to it. What is gone, or was given back, is there
/// for others again.
/// </summary>
internal static class Standings
{
    private static readonly string[] Over = ["gone", "left"];

    public static void MapStandings(this IEndpointRouteBuilder app)
    {
        app.Behaving(Service.Host).MapPost("/accounts/{account}/standing", HostingAsync);
        var registrar = app.Behaving(Service.Registrar);
        registrar.MapPost("/registrars/{book}/registrations/{domain}/standing", DomainAsync);
        registrar.MapPost("/registrars/{book}/registrations/{domain}/release", ReleaseAsync);
    }

    /// <summary>Whether a name still leads anywhere: while it can be had back at the ordinary price, it does.</summary>
    public static bool Leads(RegistrationRow row) => row.State is "live" or "grace";

    internal sealed record HostingStanding(string State, string Plan, DateOnly? Until);

    internal sealed record DomainStanding(string State, DateOnly? Until);

    private static Task<IResult> HostingAsync(
        string account,
        HostingStanding standing,
        HttpContext http,
        CounterpartsDb db
    ) => Operations.OnceAsync(http, db, async world =>
        {
            if (
                await db.Accounts.SingleOrDefaultAsync(
                    row => row.World == world && row.Id == account,
                    http.RequestAborted
                )
                is not { } row
            )
            {
                return Answer.Refuse("no-such-account", "There is no such account.");
            }

            (row.State, row.Plan, row.PaidUntil, row.IsRemoved) = (
                standing.State,
                standing.Plan,
                standing.Until,
                Over.Contains(standing.State)
            );
            return Answer.Done;
        });

    private static Task<IResult> DomainAsync(
        string book,
        string domain,
        DomainStanding standing,
        HttpContext http,
        CounterpartsDb db
    ) => Operations.OnceAsync(http, db, async world =>
        {
            var row = await db.Registrations.SingleOrDefaultAsync(
                row => row.World == world && row.Domain == domain && row.Registrar == book,
                http.RequestAborted
            );
            if (row is not null && Over.Contains(standing.State))
            {
                db.Registrations.Remove(row);
            }
            else if (row is not null)
            {
                (row.State, row.Expires) = (
                    standing.State,
                    standing.Until > row.Expires ? standing.Until.Value : row.Expires
                );
            }

            return Answer.Done;
        });

    // Whoever wants to move away is let go: unlocked, with the code that the next seller asks for. A name is not moved
    // within 60 days of its coming.
    private static async Task<IResult> ReleaseAsync(
        string book,
        string domain,
        DateOnly date,
        HttpContext http,
        CounterpartsDb db
    )
    {
        var world = http.World();
        if (
            await db.Registrations.SingleOrDefaultAsync(
                row => row.World == world && row.Domain == domain && row.Registrar == book,
                http.RequestAborted
            )
            is not { } row
        )
        {
            return Results.NotFound();
        }

        if (row.Registered.AddDays(Registrars.RestDays) is var rests && rests > date)
        {
            return Results.Ok(new { until = rests });
        }

        row.IsUnlocked = true;
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(new { code = Names.TransferCode(domain) });
    }
}
