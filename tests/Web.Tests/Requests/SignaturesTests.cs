using System.Reflection;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Web.Tests;

/// <summary>
/// What a route may answer stands in the signature of its handler, and from there in the OpenAPI document: a handler
/// that answers otherwise does not compile.
/// </summary>
public sealed class SignaturesTests(OneHost one) : IClassFixture<OneHost>
{
    private static readonly Type[] Untyped = [typeof(IResult), typeof(Task<IResult>), typeof(ProblemHttpResult)];

    [Fact]
    public void Every_described_route_names_its_answers_in_its_signature()
    {
        var routes = one
            .Host.Services.GetServices<EndpointDataSource>()
            .SelectMany(source => source.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(route =>
                route.Metadata.GetMetadata<IExcludeFromDescriptionMetadata>() is not { ExcludeFromDescription: true }
            )
            .Select(route => (Route: route, Handler: route.Metadata.GetMetadata<MethodInfo>()))
            .Where(found =>
                found.Handler is not null
                && found.Route.RoutePattern.RawText!.StartsWith("/api/", StringComparison.Ordinal)
            )
            .ToList();
        routes.Count.ShouldBeGreaterThan(120);
        routes
            .Where(found => Untyped.Contains(found.Handler!.ReturnType))
            .Select(found => found.Route.RoutePattern.RawText)
            .ShouldBeEmpty();
    }
}
