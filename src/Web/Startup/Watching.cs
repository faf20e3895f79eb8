using HomeStart.Data;
using HomeStart.Web.Orders;
using HomeStart.Web.Session;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using OpenTelemetry.Metrics;

namespace HomeStart.Web.Startup;

/// <summary>
/// For whoever runs it: <c>/health</c> says whether it can work, <c>/metrics</c> how it works (requests, runtime,
/// orders) in Prometheus' text format, to who knows the secret of the data folder.
/// </summary>
internal static class Watching
{
    private const string Metrics = "/metrics";

    public static void AddWatching(this IServiceCollection services, StartOptions options)
    {
        var health = services.AddHealthChecks().AddCheck<DatabaseHealth>("database");
        if (options.HasCounterparts)
        {
            health.AddCheck<OutsideHealth>("counterparts");
        }

        services
            .AddOpenTelemetry()
            .WithMetrics(metrics =>
                metrics
                    .AddMeter(
                        "Microsoft.AspNetCore.Hosting",
                        "Microsoft.AspNetCore.Server.Kestrel",
                        "System.Runtime",
                        OrderMetrics.MeterName
                    )
                    .AddPrometheusExporter()
            );
    }

    public static void MapWatching(this WebApplication app, StartOptions options)
    {
        app.MapHealthChecks("/health").WithMetadata(new ForEverybody());
        app.MapPrometheusScrapingEndpoint(Metrics)
            .WithMetadata(new ForEverybody())
            .Add(endpoint =>
            {
                var scrape = endpoint.RequestDelegate!;
                endpoint.RequestDelegate = http =>
                    CounterpartsSecret.IsKnownTo(http.Request, options.Data) ? scrape(http) : Refuse(http);
            });
    }

    private static Task Refuse(HttpContext http)
    {
        http.Response.StatusCode = StatusCodes.Status401Unauthorized;
        return Task.CompletedTask;
    }

    private sealed class DatabaseHealth(HomeStartDb db) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(
            HealthCheckContext context,
            CancellationToken cancellationToken = default
        )
        {
            try
            {
                await db.Workspaces.IgnoreQueryFilters().AnyAsync(cancellationToken);
                return HealthCheckResult.Healthy();
            }
            catch (Exception exception)
                when (exception is Microsoft.Data.Sqlite.SqliteException or InvalidOperationException)
            {
                return HealthCheckResult.Unhealthy("The database cannot be read.", exception);
            }
        }
    }

    private sealed class OutsideHealth(IOutsideHealth outside) : IHealthCheck
    {
        public async Task<HealthCheckResult> CheckHealthAsync(
            HealthCheckContext context,
            CancellationToken cancellationToken = default
        ) =>
            await outside.IsWellAsync(cancellationToken)
                ? HealthCheckResult.Healthy()
                : HealthCheckResult.Unhealthy("The counterparts do not answer, or their file is damaged.");
    }
}
