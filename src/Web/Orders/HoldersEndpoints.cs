using HomeStart.Data;
using HomeStart.Formats.Orders;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;

namespace HomeStart.Web.Orders;

/// <summary>What registries still want of the holder of what was ordered.</summary>
internal static class HoldersEndpoints
{
    public static void MapHolders(this IEndpointRouteBuilder app)
    {
        var holders = app.MapGroup("/api/orders/{orderId:guid}/holders");
        holders.MapGet("", ListAsync).WithName("getHolderChecks");
        holders
            .MapPost("/{domain}/write", WriteAsync)
            .WithName("writeToHolder")
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
    }

    private static async Task<Results<Ok<List<HolderCheckWire>>, NotFoundProblem>> ListAsync(
        Guid orderId,
        OrderDesk desk,
        Workspace workspace,
        IRegistrar registrar,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } row)
        {
            return Missing();
        }

        var (order, today, checks) = (
            Documents.Read<Order>(row.Document),
            await workspace.BusinessDateAsync(cancel),
            new List<HolderCheckWire>()
        );
        foreach (
            var domain in order.State == OrderState.Completed
                ? order.Things.Domains.Where(domain => domain is { Route: DomainRoute.Register, Name: not null })
                : []
        )
        {
            if (await registrar.HolderAsync(new World(row.WorldId), domain.Book, domain.Name!, cancel) is { } check)
            {
                checks.Add(HolderCheckWire.From(domain.Name!, order.RegisteredTo.Mail, check, today));
            }
        }

        return TypedResults.Ok(checks);
    }

    private static async Task<Results<NoContent, NotFoundProblem, SilentProblem>> WriteAsync(
        Guid orderId,
        string domain,
        OrderDesk desk,
        IRegistrar registrar,
        CancellationToken cancel
    )
    {
        if (
            await desk.FindAsync(orderId, cancel) is not { } row
            || Documents.Read<Order>(row.Document).Things.Domains.FirstOrDefault(known => known.Name?.Text == domain)
                is not { Name: { } name } had
        )
        {
            return Missing();
        }

        return await registrar.WriteToHolderAsync(new World(row.WorldId), had.Book, name, cancel)
            ? TypedResults.NoContent()
            : new SilentProblem($"{had.Seller} did not answer. Try again in a while.");
    }

    private static NotFoundProblem Missing() => new NotFoundProblem("There is no such order here.");
}
