using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Counterparts;

internal enum Service
{
    Registrar,
    Registry,
    Card,
    Host,
    Dns,
    Mail,
    Customers,
}

internal enum Mode
{
    Ok,

    /// <summary>Answers after a while.</summary>
    Slow,

    /// <summary>Says that too much was asked of it.</summary>
    Limiting,

    /// <summary>Does nothing and says so.</summary>
    Down,

    /// <summary>Does what it is asked, and its answer is lost.</summary>
    AnswersLost,

    /// <summary>Answers what nobody can read.</summary>
    Nonsense,

    /// <summary>Of the registry: says the opposite of what the registrars do.</summary>
    Contradicting,

    /// <summary>Of a host: its disks are full.</summary>
    Full,
}

/// <summary>Each service of a world can be told how to behave, so that every failure can be seen and tested.</summary>
internal static class Behaviours
{
    public const string WorldHeader = "X-World";

    /// <summary>What is told to this world holds for all.</summary>
    public const string AnyWorld = "any";

    private static readonly TimeSpan Slowness = TimeSpan.FromSeconds(2);

    public static void MapBehaviours(this IEndpointRouteBuilder app)
    {
        app.MapPut("/worlds/{world}/behaviours/{service}/{mode}", SetAsync);
        app.MapPut("/worlds/{world}/registrations/{domain}", TakeAsync);
    }

    public static string World(this HttpContext http) => http.Request.Headers[WorldHeader].ToString();

    /// <summary>A group of routes that behaves as its world was told.</summary>
    public static RouteGroupBuilder Behaving(this IEndpointRouteBuilder app, Service service)
    {
        var group = app.MapGroup("");
        group.AddEndpointFilter(
            async (call, next) =>
            {
                var http = call.HttpContext;
                var db = http.RequestServices.GetRequiredService<CounterpartsDb>();
                var world = http.World();
                switch (await ModeOfAsync(db, world, service, http.RequestAborted))
                {
                    case Mode.Slow:
                        await Task.Delay(Slowness, http.RequestAborted);
                        return await next(call);
                    case Mode.Limiting:
                        return Limit(http);
                    case Mode.Nonsense:
                        return Results.Text("{ \"state\": [\"perhaps\"", "application/json");
                    case Mode.Down:
                        return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
                    case Mode.AnswersLost when !HttpMethods.IsGet(http.Request.Method):
                        await next(call);
                        return Results.StatusCode(StatusCodes.Status502BadGateway);
                    default:
                        return await next(call);
                }
            }
        );
        return group;
    }

    /// <summary>How a service was told to behave in a world.</summary>
    public static async Task<Mode> ModeOfAsync(
        CounterpartsDb db,
        string world,
        Service service,
        CancellationToken cancel
    ) =>
        (
            await db
                .Behaviours.AsNoTracking()
                .Where(row =>
                    (row.World == world || row.World == AnyWorld) && row.Service == service && row.Mode != Mode.Ok
                )
                .ToListAsync(cancel)
        )
            .FirstOrDefault()
            ?.Mode
        ?? Mode.Ok;

    /// <summary>Says that too much was asked, and when to come back.</summary>
    public static IResult Limit(HttpContext http)
    {
        http.Response.Headers.RetryAfter = "1";
        return Results.StatusCode(StatusCodes.Status429TooManyRequests);
    }

    private static async Task<IResult> SetAsync(
        string world,
        string service,
        string mode,
        CounterpartsDb db,
        CancellationToken cancel
    )
    {
        if (!TryParse<Service>(service, out var which) || !TryParse<Mode>(mode, out var how))
        {
            return Results.BadRequest();
        }

        var row = await db.Behaviours.SingleOrDefaultAsync(row => row.World == world && row.Service == which, cancel);
        row ??= db.Behaviours.Add(new BehaviourRow { World = world, Service = which }).Entity;
        row.Mode = how;
        await db.SaveChangesAsync(cancel);
        return Results.NoContent();
    }

    // Somebody else takes a name, a minute before the owner would.
    private static async Task<IResult> TakeAsync(
        string world,
        string domain,
        CounterpartsDb db,
        CancellationToken cancel
    )
    {
        db.Registrations.Add(
            new RegistrationRow
            {
                World = world,
                Domain = domain,
                Registrar = "elsewhere",
                Holder = "Somebody else",
                Registered = new DateOnly(2026, 11, 30),
                Expires = new DateOnly(2027, 11, 30),
            }
        );
        await db.SaveChangesAsync(cancel);
        return Results.NoContent();
    }

    private static bool TryParse<T>(string word, out T value)
        where T : struct, Enum =>
        Enum.TryParse(word.Replace("-", "", StringComparison.Ordinal), ignoreCase: true, out value);
}
