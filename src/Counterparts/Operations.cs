using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Counterparts;

/// <summary>What changes something is carried out once for each idempotency key; the key can be asked about, and can be made void before it was used.</summary>
internal static class Operations
{
    public const string KeyHeader = "Idempotency-Key";

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower) } };

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

    /// <summary>The answer of the operation under the request's key: the one it gave before, or the one it gives now, kept together with what it changed.</summary>
    public static async Task<IResult> OnceAsync(HttpContext http, CounterpartsDb db, Func<string, Task<Answer>> operation)
    {
        var (world, key) = (http.World(), http.Request.Headers[KeyHeader].ToString());
        if (world.Length == 0 || key.Length == 0)
        {
            return Results.BadRequest();
        }

        if (await FindAsync(db, world, key, http.RequestAborted) is { } before)
        {
            return Replay(before);
        }

        var answer = await operation(world);
        var row = new OperationRow { World = world, Key = key, Status = answer.Status, Answer = JsonSerializer.Serialize(answer.Body, Json) };
        db.Operations.Add(row);
        await db.SaveChangesAsync(CancellationToken.None);
        return Replay(row);
    }

    private static Task<OperationRow?> FindAsync(CounterpartsDb db, string world, string key, CancellationToken cancel) =>
        db.Operations.AsNoTracking().SingleOrDefaultAsync(row => row.World == world && row.Key == key, cancel);

    private static async Task<IResult> AskAsync(string key, HttpContext http, CounterpartsDb db) =>
        await FindAsync(db, http.World(), key, http.RequestAborted) is { } row ? Replay(row) : Results.NotFound();

    private static async Task<IResult> VoidAsync(string key, HttpContext http, CounterpartsDb db)
    {
        var world = http.World();
        if (await FindAsync(db, world, key, http.RequestAborted) is { } row)
        {
            return Replay(row);
        }

        var refusal = Answer.Refuse("void", "This was called off before it was done.");
        db.Operations.Add(new OperationRow { World = world, Key = key, Status = refusal.Status, Answer = JsonSerializer.Serialize(refusal.Body, Json) });
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.NotFound();
    }

    private static IResult Replay(OperationRow row) => Results.Text(row.Answer, "application/json", statusCode: row.Status);
}

/// <summary>What an operation answers: 200 with its result, or 409 with a refusal.</summary>
internal sealed record Answer(int Status, object Body)
{
    public static readonly Answer Done = new(StatusCodes.Status200OK, new { });

    public static Answer With(object body) => new(StatusCodes.Status200OK, body);

    public static Answer Refuse(string code, string message) => new(StatusCodes.Status409Conflict, new { code, message });
}
