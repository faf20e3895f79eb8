using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Domains;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Online;

/// <summary>The records of a domain: seen, changed, tried before they are taken in, put back.</summary>
internal static class ZoneEndpoints
{
    public static void MapZones(this IEndpointRouteBuilder order)
    {
        var zone = order.MapGroup("/zone").RequireRateLimiting(DomainsEndpoints.Limit);
        zone.MapGet("", GetAsync).WithName("getZone");
        zone.MapGet("/file", FileAsync).WithName("getZoneFile").Produces(StatusCodes.Status200OK);
        zone.MapPut("", PutAsync).WithName("changeZone");
        zone.MapPost("/try", TryAsync).WithName("tryZone");
        zone.MapPost("/back", BackAsync).WithName("putZoneBack");
    }

    private static Task<Results<Ok<ZoneWire>, NotFoundProblem, SilentProblem>> GetAsync(
        Guid orderId,
        string? domain,
        ZoneDesk zones,
        CancellationToken cancel
    ) => zones.GetAsync(orderId, domain, cancel);

    private static Task<Results<FileContentHttpResult, NotFoundProblem, HostProblem>> FileAsync(
        Guid orderId,
        string? domain,
        ZoneDesk zones,
        CancellationToken cancel
    ) => zones.FileAsync(orderId, domain, cancel);

    private static async Task<Results<Ok<ZoneWire>, NotFoundProblem, UnprocessableProblem, HostProblem>> PutAsync(
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
            ? new UnprocessableProblem(faults)
            : await zones.ChangeAsync(orderId, domain, version ?? 0, records, cancel);
    }

    private static Task<Results<Ok<ZoneChangeWire>, NotFoundProblem, UnprocessableProblem, HostProblem>> TryAsync(
        Guid orderId,
        string? domain,
        JsonBody<TryZoneBody> body,
        ZoneDesk zones,
        CancellationToken cancel
    ) => zones.TryAsync(orderId, domain, body.Root, cancel);

    private static async Task<Results<Ok<ZoneWire>, NotFoundProblem, UnprocessableProblem, HostProblem>> BackAsync(
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
            ? new UnprocessableProblem(faults)
            : await zones.BackAsync(orderId, domain, version ?? 0, cancel);
    }
}
