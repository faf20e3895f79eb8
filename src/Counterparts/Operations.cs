using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// What changes something is carried out once for each idempotency key; the key can be asked about, and can be made
/// void before it was used.
/// </summary>
internal static class Operations
{
    public const string KeyHeader = "Idempotency-Key";

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower) },
    };

    public static void MapOperations(this IEndpointRouteBuilder app)
    {
        foreach (var service in Enum.GetValues<Service>())
        {
            var group = app.Behaving(service);
            var path = $"/{service.ToString().ToLowerInvariant()}/operations/{{key}}";
            group.MapGet(path, AskAsync);
            group.MapPut(path + "/void", VoidAsync);
        }
    }

    /// <summary>
    /// The answer of the operation under the request's key: the one it gave before, or the one it gives now, kept
    /// together with what it changed.
    /// </summary>
    public static async Task<IResult> OnceAsync(
        HttpContext http,
        CounterpartsDb db,
        Func<string, Task<Answer>> operation
    )
    {
        var (world, key) = (http.World(), http.Request.Headers[KeyHeader].ToString());
        if (world.Length == 0 || key.Length == 0)
        {
            return Results.BadRequest();
        }

        return await db.AloneAsync(
            () => OnceAsync(db, world, key, operation, http.RequestAborted),
            http.RequestAborted
        );
    }

    private static async Task<IResult> OnceAsync(
        CounterpartsDb db,
        string world,
        string key,
        Func<string, Task<Answer>> operation,
        CancellationToken cancel
    )
    {
        if (await FindAsync(db, world, key, null, cancel) is { } before)
        {
            return Replay(before);
        }

        var answer = await operation(world);
        var row = new OperationRow
        {
            World = world,
            Key = key,
            Answer = "",
            SettlesOn = answer.SettlesOn,
        };
        Put(row, answer);
        if (answer.Then is { } then)
        {
            (row.SettledStatus, row.SettledAnswer) = (then.Status, JsonSerializer.Serialize(then.Body, Json));
        }

        db.Operations.Add(row);
        await db.SaveChangesAsync(CancellationToken.None);
        return Replay(row);
    }

    /// <summary>Gives an operation that waited for somebody the answer it has from now on. The caller saves.</summary>
    public static async Task SettleAsync(
        CounterpartsDb db,
        string world,
        string key,
        Answer answer,
        CancellationToken cancel
    )
    {
        if (
            await db.Operations.SingleOrDefaultAsync(row => row.World == world && row.Key == key, cancel) is
            { Status: StatusCodes.Status202Accepted } row
        )
        {
            Put(row, answer);
        }
    }

    private static void Put(OperationRow row, Answer answer) =>
        (row.Status, row.Answer) = (answer.Status, JsonSerializer.Serialize(answer.Body, Json));

    // What waits ends by itself on its day.
    private static async Task<OperationRow?> FindAsync(
        CounterpartsDb db,
        string world,
        string key,
        DateOnly? today,
        CancellationToken cancel
    )
    {
        var row = await db.Operations.SingleOrDefaultAsync(row => row.World == world && row.Key == key, cancel);
        if (row is { Status: StatusCodes.Status202Accepted } && row.SettlesOn <= today)
        {
            (row.Status, row.Answer) = (row.SettledStatus, row.SettledAnswer);
            await CloseAsync(db, row, cancel);
            await db.SaveChangesAsync(CancellationToken.None);
        }

        return row;
    }

    // What was not done leaves nothing behind.
    private static async Task CloseAsync(CounterpartsDb db, OperationRow row, CancellationToken cancel)
    {
        if (row.Status == StatusCodes.Status409Conflict)
        {
            foreach (
                var hold in await db
                    .Holds.Where(hold => hold.World == row.World && hold.Key == row.Key)
                    .ToListAsync(cancel)
            )
            {
                hold.State = HoldState.Closed;
            }

            db.Registrations.RemoveRange(
                await db
                    .Registrations.Where(moved => moved.World == row.World && moved.CameBy == row.Key)
                    .ToListAsync(cancel)
            );
        }
    }

    private static async Task<IResult> AskAsync(string key, DateOnly? date, HttpContext http, CounterpartsDb db) =>
        await db.AloneAsync(() => FindAsync(db, http.World(), key, date, http.RequestAborted), http.RequestAborted)
            is { } row
            ? Replay(row)
            : Results.NotFound();

    private static Task<IResult> VoidAsync(string key, DateOnly? date, HttpContext http, CounterpartsDb db) =>
        db.AloneAsync(() => MadeVoidAsync(db, http.World(), key, date, http.RequestAborted), http.RequestAborted);

    private static async Task<IResult> MadeVoidAsync(
        CounterpartsDb db,
        string world,
        string key,
        DateOnly? date,
        CancellationToken cancel
    )
    {
        var row = await FindAsync(db, world, key, date, cancel);
        if (row is not null and not { Status: StatusCodes.Status202Accepted })
        {
            return Replay(row);
        }

        row ??= db
            .Operations.Add(
                new OperationRow
                {
                    World = world,
                    Key = key,
                    Answer = "",
                }
            )
            .Entity;
        Put(row, Answer.Refuse("void", "This was called off before it was done."));
        await CloseAsync(db, row, cancel);
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.NotFound();
    }

    private static IResult Replay(OperationRow row) =>
        Results.Text(row.Answer, "application/json", statusCode: row.Status);
}

/// <summary>
/// What an operation answers: 200 with its result, 409 with a refusal, or 202 while it waits for somebody.
/// </summary>
internal sealed record Answer(int Status, object Body)
{
    /// <summary>While it waits: the day on which it ends by itself, and how.</summary>
    public DateOnly? SettlesOn { get; init; }

    public Answer? Then { get; init; }

    public static Answer Wait(object body, DateOnly? settlesOn = null, Answer? then = null) =>
        new(StatusCodes.Status202Accepted, body) { SettlesOn = settlesOn, Then = then };

    public static readonly Answer Done = new(StatusCodes.Status200OK, new { });

    public static Answer With(object body) => new(StatusCodes.Status200OK, body);

    public static Answer Refuse(string code, string message) =>
        new(StatusCodes.Status409Conflict, new { code, message });
}
