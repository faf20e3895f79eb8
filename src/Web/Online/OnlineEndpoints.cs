using HomeStart.Formats.Domains;
using HomeStart.Web.Domains;

namespace HomeStart.Web.Online;

/// <summary>
/// From ordered to seen: whether what was ordered is joined, checked link by link, and its certificate.
/// </summary>
internal static class OnlineEndpoints
{
    public static void MapOnline(this IEndpointRouteBuilder app)
    {
        var order = app.MapGroup("/api/orders/{orderId:guid}");
        Asked(order.MapGet("/online", ChainAsync).WithName("getNameChain"));
        Asked(order.MapPost("/certificate", CertificateAsync).WithName("askForCertificate"));
        order.MapZones();
        order.MapFiles();
        order.MapUploads();
        order.MapFirstPage();
        order.MapHosted();
        order.MapEngines();
    }

    private static void Asked(RouteHandlerBuilder route) =>
        route
            .Produces<NameChainWire>()
            .Produces(StatusCodes.Status204NoContent)
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
            .RequireRateLimiting(DomainsEndpoints.Limit);

    private static Task<IResult> ChainAsync(Guid orderId, ChainDesk chains, CancellationToken cancel) =>
        chains.AnswerAsync(orderId, ask: false, cancel);

    private static Task<IResult> CertificateAsync(Guid orderId, ChainDesk chains, CancellationToken cancel) =>
        chains.AnswerAsync(orderId, ask: true, cancel);
}
