using HomeStart.Core;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Connectors;

/// <summary>Puts the outside behind Core's ports. A real registrar or card processor would replace one line.</summary>
public static class ConnectorsSetUp
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(6);

    /// <param name="handler">In tests: the counterparts' own handler, in place of the network.</param>
    public static IServiceCollection AddConnectors(this IServiceCollection services, Uri address, Func<HttpMessageHandler>? handler = null)
    {
        // A change is never tried again by itself: the order's flow asks for its outcome first.
        Under(services.AddHttpClient<Counterpart>(http => (http.BaseAddress, http.Timeout) = (address, Patience)));
        Under(services.AddHttpClient<LookUps>(http => http.BaseAddress = address)).AddStandardResilienceHandler(resilience =>
        {
            resilience.Retry.MaxRetryAttempts = 1;
            resilience.Retry.Delay = TimeSpan.FromMilliseconds(200);
            resilience.AttemptTimeout.Timeout = TimeSpan.FromSeconds(4);
            resilience.TotalRequestTimeout.Timeout = Patience;
            resilience.CircuitBreaker.SamplingDuration = TimeSpan.FromSeconds(10);
            resilience.CircuitBreaker.MinimumThroughput = 1000;
        });
        return services
            .AddTransient<IRegistrar, HttpRegistrar>()
            .AddTransient<ICardProcessor, HttpCardProcessor>()
            .AddTransient<IHostingCompany, HttpHostingCompany>();

        IHttpClientBuilder Under(IHttpClientBuilder client) => handler is null ? client : client.ConfigurePrimaryHttpMessageHandler(handler);
    }
}
