using HomeStart.Data;
using HomeStart.Formats;
using HomeStart.Web.Domains;
using HomeStart.Web.Orders;

namespace HomeStart.Web.Online;

/// <summary>From ordered to seen: whether what was ordered is joined, checked link by link.</summary>
internal static class OnlineEndpoints
{
    public static void MapOnline(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/orders/{orderId:guid}/online", ChainAsync).WithName("getNameChain").Produces<NameChainWire>().Produces(StatusCodes.Status204NoContent).ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable).RequireRateLimiting(DomainsEndpoints.Limit);

    private static async Task<IResult> ChainAsync(Guid orderId, OrderDesk desk, IHostingCompany hosts, IRegistrar registrar, NameServerDesk nameServers, TimeProvider time, CancellationToken cancel)
    {
        if (await desk.FindAsync(orderId, cancel) is not { } row)
        {
            return Results.Problem("There is no such order here.", statusCode: StatusCodes.Status404NotFound);
        }

        var order = Documents.Read<Order>(row.Document);
        var hosting = order.Things.Hosting ?? await HostingOfClaimAsync(order, desk, cancel);
        if (order.State != OrderState.Completed || hosting is null || (order.Things.Domains.FirstOrDefault()?.Name ?? hosting.Address) is not { } domain)
        {
            return Results.NoContent();
        }

        var world = new World(row.WorldId);
        var (entry, record, zone, places) = (hosts.EntryAsync(world, hosting.Book, cancel), registrar.LookUpAsync(world, domain, cancel), nameServers.ZoneOfAsync(world, domain, cancel), nameServers.PlacesAsync(world, domain, cancel));
        await Task.WhenAll(entry, record, zone, places);
        if (await entry is not { } known)
        {
            return Results.Problem($"{hosting.Provider} does not answer where it takes names in. Try again in a while.", statusCode: StatusCodes.Status503ServiceUnavailable);
        }

        var facts = new NameFacts(known, (await record)?.NameServers is { } servers ? [.. servers] : null, await zone, [.. await places]);
        return Results.Ok(NameChainWire.Of(domain, hosting.Provider, NameChain.Of(facts), facts, time.GetUtcNow()));
    }

    // A domain that was claimed afterwards joins the hosting of the order it came with.
    private static async Task<OrderedHosting?> HostingOfClaimAsync(Order order, OrderDesk desk, CancellationToken cancel) =>
        order.ClaimOf is { } of && await desk.FindAsync(of, cancel) is { } row ? Documents.Read<Order>(row.Document).Things.Hosting : null;
}
