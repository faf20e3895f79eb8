using HomeStart.Data;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Antiforgery;

namespace HomeStart.Web.Session;

/// <summary>What the page needs to know before anything else.</summary>
/// <param name="Token">Goes with every change.</param>
/// <param name="CardProcessor">Where the browser hands card numbers in.</param>
/// <param name="Sites">The visitor's sites, the first one first.</param>
/// <param name="HasCounterparts">Whether sellers can be asked and ordered from here, and the clock moved on.</param>
/// <param name="IsLost">The browser was here before, and its cookie cannot be read any more: what is shown begins
/// anew.</param>
public sealed record SessionWire(
    string Token,
    string CardProcessor,
    DateOnly BusinessDate,
    IReadOnlyList<SiteListedWire> Sites,
    bool HasCounterparts,
    bool IsLost
);

/// <param name="IsExample">Whether it is the example that comes with Home Start; renamed, it is the owner's
/// own.</param>
/// <param name="IsUsed">Whether its owner ever changed or ordered anything in it: always, but for an example that was
/// only looked at.</param>
public sealed record SiteListedWire(Guid Id, string Name, bool IsExample, bool IsUsed);

internal static class SessionEndpoints
{
    public static void MapSession(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/session", GetAsync).WithName("getSession").WithMetadata(new BeginsVisit());
        app.MapGet("/api/currencies", () => Currency.Codes).WithName("getCurrencies");
    }

    private static async Task<SessionWire> GetAsync(
        HttpContext http,
        IAntiforgery antiforgery,
        Workspace workspace,
        WorkspaceScope scope,
        Sites.SiteDesk desk,
        StartOptions options,
        VisitorCookie cookie,
        CancellationToken cancel
    )
    {
        if (scope.IsKnown)
        {
            cookie.Write(http, new VisitorId(scope.Id, scope.Session));
        }

        return new(
            antiforgery.GetAndStoreTokens(http).RequestToken!,
            options.CardProcessor.GetLeftPart(UriPartial.Authority),
            await workspace.BusinessDateAsync(cancel),
            await desk.ListAsync(cancel),
            options.HasCounterparts,
            scope.IsLost
        );
    }
}
