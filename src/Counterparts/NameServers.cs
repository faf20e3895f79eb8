using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;

namespace HomeStart.Counterparts;

/// <summary>The name servers that a name of somebody's is served by today.</summary>
internal static class NameServers
{
    public static void MapNameServers(this IEndpointRouteBuilder app) => app.Behaving(Service.Dns).MapGet("/dns/{domain}/mx", Mail);

    private static IResult Mail(string domain)
    {
        var dot = domain.IndexOf('.', StringComparison.Ordinal);
        var isHeld = dot > 0 && Names.Of(domain[..dot], domain[(dot + 1)..]) == NameState.Taken;
        return Results.Ok(new { records = (isHeld ? Names.MailOf(domain) : []).Select(record => new { preference = record.Preference, exchange = record.Exchange }) });
    }
}
