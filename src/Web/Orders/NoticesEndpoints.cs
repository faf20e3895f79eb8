using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Orders;

/// <summary>
/// Notices of the payment processor that something changed, signed with the secret it knows us by. What a notice says
/// is not believed: the orders of its world that wait are looked at again, each asking by its own key. So one that
/// comes twice, late or in the wrong order does no harm.
/// </summary>
internal static class NoticesEndpoints
{
    public const string Path = "/api/notices/payments";
    private const string SignatureHeader = "X-Signature";
    private const int LongestNotice = 4096;

    public static void MapNotices(this IEndpointRouteBuilder app) =>
        app.MapPost(Path, TakeAsync).WithMetadata(new ForEverybody()).ExcludeFromDescription();

    private static async Task<IResult> TakeAsync(
        HttpContext http,
        StartOptions options,
        HomeStartDb db,
        WorkBell bell,
        CancellationToken cancel
    )
    {
        if (!CounterpartsSecret.IsKnownTo(http.Request, options.Data))
        {
            return TypedResults.Problem(
                "This notice is not from the payment processor.",
                statusCode: StatusCodes.Status401Unauthorized
            );
        }

        var (body, problem) = await RawBody.ReadAsync(http, LongestNotice);
        if (problem is not null)
        {
            return problem;
        }

        if (!IsSigned(body, http.Request.Headers[SignatureHeader].ToString(), CounterpartsSecret.Read(options.Data)))
        {
            return TypedResults.Problem(
                "This notice is not signed by the payment processor.",
                statusCode: StatusCodes.Status401Unauthorized
            );
        }

        if (WorldOf(body) is not { } world)
        {
            return new BadRequestProblem("This is no notice.");
        }

        foreach (
            var order in await db
                .Orders.IgnoreQueryFilters()
                .Where(row => (row.World ?? row.WorkspaceId) == world && row.IsOpen)
                .Select(row => new WorkKey(row.WorkspaceId, row.Id))
                .ToListAsync(cancel)
        )
        {
            bell.Ring<OrderWork>(order);
        }

        return TypedResults.NoContent();
    }

    private static bool IsSigned(byte[] body, string signature, string secret) =>
        CryptographicOperations.FixedTimeEquals(
            Encoding.UTF8.GetBytes(Convert.ToHexStringLower(HMACSHA256.HashData(Encoding.UTF8.GetBytes(secret), body))),
            Encoding.UTF8.GetBytes(signature)
        );

    private static Guid? WorldOf(byte[] body)
    {
        try
        {
            using var json = JsonDocument.Parse(body, new JsonDocumentOptions { MaxDepth = 4 });
            return
                json.RootElement.ValueKind == JsonValueKind.Object
                && json.RootElement.TryGetProperty("world", out var world)
                && world.ValueKind == JsonValueKind.String
                && Guid.TryParse(world.GetString(), out var id)
                ? id
                : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
