using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>The registry's public record, as RDAP has it (RFC 9083).</summary>
internal static class Rdap
{
    private const string ContentType = "application/rdap+json";

    public static void MapRdap(this IEndpointRouteBuilder app) =>
        app.Behaving(Service.Registry).MapGet("/rdap/domain/{domain}", LookUpAsync);

    private static async Task<IResult> LookUpAsync(string domain, HttpContext http, CounterpartsDb db)
    {
        var world = http.World();
        var row = await db
            .Registrations.AsNoTracking()
            .SingleOrDefaultAsync(row => row.World == world && row.Domain == domain, http.RequestAborted);
        var dot = domain.IndexOf('.', StringComparison.Ordinal);
        var isHeld =
            row is not null || (dot > 0 && Names.StateOf(domain[..dot], domain[(dot + 1)..]) == NameState.Taken);
        var contradicts = await db.Behaviours.AnyAsync(
            told =>
                (told.World == world || told.World == Behaviours.AnyWorld)
                && told.Service == Service.Registry
                && told.Mode == Mode.Contradicting,
            http.RequestAborted
        );
        if (isHeld == contradicts)
        {
            return Results.Json(
                new
                {
                    errorCode = 404,
                    title = "Not found",
                    description = new[] { "No such domain is registered." },
                },
                contentType: ContentType,
                statusCode: 404
            );
        }

        if (row is not null)
        {
            return Record(
                domain,
                row.Registered,
                row.Expires,
                row.Registrar,
                row.NameServers.Split(' ', StringSplitOptions.RemoveEmptyEntries),
                isLocked: !row.IsUnlocked,
                row.State
            );
        }

        var (registered, expires) = Names.HeldSince(domain);
        return Record(
            domain,
            registered,
            expires,
            "Another registrar",
            ["ns1.example.net", "ns2.example.net"],
            Names.IsLocked(domain)
        );
    }

    // As RFC 8056 words them.
    private static string[] StatusOf(string state) =>
        state switch
        {
            "grace" => ["auto renew period"],
            "redemption" => ["redemption period"],
            "pending" => ["pending delete"],
            _ => ["active"],
        };

    private static IResult Record(
        string domain,
        DateOnly registered,
        DateOnly expires,
        string registrar,
        string[] nameServers,
        bool isLocked,
        string state = "live"
    ) =>
        Results.Json(
            new
            {
                rdapConformance = new[] { "rdap_level_0" },
                objectClassName = "domain",
                ldhName = domain,
                status = StatusOf(state).Concat(isLocked ? ["client transfer prohibited"] : []),
                events = new[]
                {
                    new { eventAction = "registration", eventDate = $"{registered:yyyy-MM-dd}T00:00:00Z" },
                    new { eventAction = "expiration", eventDate = $"{expires:yyyy-MM-dd}T00:00:00Z" },
                },
                entities = new[]
                {
                    new
                    {
                        objectClassName = "entity",
                        roles = new[] { "registrar" },
                        vcardArray = new object[]
                        {
                            "vcard",
                            new object[]
                            {
                                new object[] { "version", new { }, "text", "4.0" },
                                new object[] { "fn", new { }, "text", registrar },
                            },
                        },
                    },
                },
                nameservers = nameServers.Select(server => new { objectClassName = "nameserver", ldhName = server }),
            },
            contentType: ContentType
        );
}
