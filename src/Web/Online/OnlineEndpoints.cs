using HomeStart.Formats.Domains;
using HomeStart.Web.Domains;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Online;

/// <summary>
/// From ordered to seen: whether what was ordered is joined, checked link by link, and its certificate.
/// </summary>
internal static class OnlineEndpoints
{
    public static void MapOnline(this IEndpointRouteBuilder app)
    {
        var order = app.MapGroup("/api/orders/{orderId:guid}");
        order.MapGet("/online", ChainAsync).WithName("getNameChain").RequireRateLimiting(DomainsEndpoints.Limit);
        order
            .MapPost("/certificate", CertificateAsync)
            .WithName("askForCertificate")
            .RequireRateLimiting(DomainsEndpoints.Limit);
        order.MapZones();
        order.MapFiles();
        order.MapUploads();
        order.MapFirstPage();
        order.MapHosted();
        order.MapEngines();
    }

    private static Task<Results<Ok<NameChainWire>, NoContent, NotFoundProblem, SilentProblem>> ChainAsync(
        Guid orderId,
        ChainDesk chains,
        CancellationToken cancel
    ) => chains.AnswerAsync(orderId, ask: false, cancel);

    private static Task<Results<Ok<NameChainWire>, NoContent, NotFoundProblem, SilentProblem>> CertificateAsync(
        Guid orderId,
        ChainDesk chains,
        CancellationToken cancel
    ) => chains.AnswerAsync(orderId, ask: true, cancel);
}
