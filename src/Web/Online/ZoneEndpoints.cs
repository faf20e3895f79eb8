using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Domains;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Online;

/// <summary>The records of a domain: seen, changed, tried before they are taken in, put back.</summary>
internal static class ZoneEndpoints
{
    public static void MapZones(this IEndpointRouteBuilder order)
    {
        var zone = order.MapGroup("/zone");
        Asked(zone.MapGet("", GetAsync).WithName("getZone").Produces<ZoneWire>());
        Asked(zone.MapGet("/file", FileAsync).WithName("getZoneFile").Produces(StatusCodes.Status200OK));
        Asked(
            zone.MapPut("", PutAsync)
                .WithName("changeZone")
                .Produces<ZoneWire>()
                .ProducesProblem(StatusCodes.Status409Conflict)
                .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
        );
        Asked(
            zone.MapPost("/try", TryAsync)
                .WithName("tryZone")
                .Produces<ZoneChangeWire>()
                .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
        );
        Asked(
            zone.MapPost("/back", BackAsync)
                .WithName("putZoneBack")
                .Produces<ZoneWire>()
                .ProducesProblem(StatusCodes.Status409Conflict)
        );
    }

    private static void Asked(RouteHandlerBuilder route) =>
        route
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
            .RequireRateLimiting(DomainsEndpoints.Limit);

    private static Task<IResult> GetAsync(Guid orderId, string? domain, ZoneDesk zones, CancellationToken cancel) =>
        zones.GetAsync(orderId, domain, cancel);

    private static Task<IResult> FileAsync(Guid orderId, string? domain, ZoneDesk zones, CancellationToken cancel) =>
        zones.FileAsync(orderId, domain, cancel);

    private static Task<IResult> PutAsync(
        Guid orderId,
        string? domain,
        JsonBody<ChangeZoneBody> body,
        ZoneDesk zones,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        node.IsObject();
        var (version, records) = (node["version"].Whole(), RecordReader.Read(node["records"]));
        return faults.Any
            ? Task.FromResult(FaultResults.Unprocessable(faults))
            : zones.ChangeAsync(orderId, domain, version ?? 0, records, cancel);
    }

    private static Task<IResult> TryAsync(
        Guid orderId,
        string? domain,
        JsonBody<TryZoneBody> body,
        ZoneDesk zones,
        CancellationToken cancel
    ) => zones.TryAsync(orderId, domain, body.Root, cancel);

    private static Task<IResult> BackAsync(
        Guid orderId,
        string? domain,
        JsonBody<SeenBody> body,
        ZoneDesk zones,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var version = new Node(body.Root, "", faults)["version"].Whole();
        return faults.Any
            ? Task.FromResult(FaultResults.Unprocessable(faults))
            : zones.BackAsync(orderId, domain, version ?? 0, cancel);
    }
}
