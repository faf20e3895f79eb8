using System.Net;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Http.Resilience;

namespace HomeStart.Connectors;

/// <summary>
/// Puts the outside behind Core's ports. A real registrar or payment processor would replace one line.
/// </summary>
public static class ConnectorsSetUp
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(6);

    /// <summary>For one file.</summary>
    private static readonly TimeSpan Carrying = TimeSpan.FromMinutes(10);

    /// <summary>No counterpart has more to say than this many bytes: a list of ten thousand files.</summary>
    private const long LongestAnswer = 4 * 1024 * 1024;

    /// <param name="mail">Where mail is handed over.</param>
    /// <param name="secret">What the counterparts know us by.</param>
    /// <param name="handler">In tests: the counterparts' own handler, in place of the network.</param>
    public static IServiceCollection AddConnectors(
        this IServiceCollection services,
        Uri address,
        MailServer mail,
        string secret,
        Func<HttpMessageHandler>? handler = null
    )
    {
        // A change is never tried again by itself: the order's flow asks for its outcome first.
        Under(
            services.AddHttpClient<Counterpart>(http =>
            {
                SetUp(http);
                http.Timeout = Patience;
            })
        );
        Under(services.AddHttpClient<LookUps>(SetUp))
            .AddStandardResilienceHandler(resilience =>
            {
                resilience.Retry.MaxRetryAttempts = 1;
                resilience.Retry.ShouldHandle = failed =>
                    ValueTask.FromResult(
                        HttpClientResiliencePredicates.IsTransient(failed.Outcome)
                            && failed.Outcome.Result?.StatusCode != HttpStatusCode.TooManyRequests
                    ); // Whoever asks for a pause gets it.
                resilience.Retry.Delay = TimeSpan.FromMilliseconds(200);
                resilience.AttemptTimeout.Timeout = TimeSpan.FromSeconds(4);
                resilience.TotalRequestTimeout.Timeout = Patience;
                resilience.CircuitBreaker.SamplingDuration = TimeSpan.FromSeconds(10);
                resilience.CircuitBreaker.MinimumThroughput = 1000;
            });
        Under(
            services.AddHttpClient<FileCarrier>(http =>
            {
                SetUp(http);
                http.Timeout = Carrying;
            })
        );
        return services
            .AddTransient<IHostPanel, HttpHostPanel>()
            .AddTransient<IRegistrar, HttpRegistrar>()
            .AddTransient<IPaymentProcessor, HttpPaymentProcessor>()
            .AddTransient<IHostingCompany, HttpHostingCompany>()
            .AddTransient<ISellers, HttpSellers>()
            .AddTransient<ILaterSums, HttpSellers>()
            .AddTransient<IOutsideHealth, HttpOutsideHealth>()
            .AddTransient<INameServers, HttpNameServers>()
            .AddSingleton(mail)
            .AddTransient<IPostOffice, SmtpPostOffice>()
            .AddTransient<IMailbox, HttpMailbox>();

        void SetUp(HttpClient http)
        {
            http.BaseAddress = address;
            http.MaxResponseContentBufferSize = LongestAnswer;
            http.DefaultRequestHeaders.Authorization = new("Bearer", secret);
        }

        IHttpClientBuilder Under(IHttpClientBuilder client) =>
            handler is null ? client : client.ConfigurePrimaryHttpMessageHandler(handler);
    }
}
