using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using HomeStart.Core;

namespace HomeStart.Connectors;

/// <summary>The registrars over HTTP: their own check for availability and price, RDAP for the public record (RFC 9083).</summary>
/// <param name="lookUps">May be tried again by itself: asking changes nothing.</param>
public sealed class HttpRegistrar(Counterpart changes, LookUps lookUps) : IRegistrar
{
    public async Task<Availability> CheckAsync(World world, string book, string domain, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/registrars/{book}/check?domain={Uri.EscapeDataString(domain)}", cancel);
            if (response.StatusCode == HttpStatusCode.TooManyRequests)
            {
                return Unchecked("The registrar is asked too much at the moment.");
            }

            if (!response.IsSuccessStatusCode)
            {
                return Unchecked("The registrar does not work at the moment.");
            }

            var answer = await response.Content.ReadFromJsonAsync<CheckAnswer>(cancel);
            return Enum.TryParse<AvailabilityState>(answer?.State, ignoreCase: true, out var state) && state != AvailabilityState.Unchecked
                ? new Availability(state, answer!.Register, answer.Renew, answer.Currency)
                : Unchecked("The registrar's answer could not be read.");
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return Unchecked("The registrar did not answer.");
        }
    }

    public async Task<RegistrationRecord?> LookUpAsync(World world, string domain, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/rdap/domain/{Uri.EscapeDataString(domain)}", cancel);
            return response.IsSuccessStatusCode ? Rdap.Read(await response.Content.ReadFromJsonAsync<JsonElement>(cancel)) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<Outcome> RegisterAsync(World world, string key, Registration registration, CancellationToken cancel)
    {
        var body = new
        {
            registration.Domain,
            registration.Years,
            registration.Holder,
            registration.Mail,
            registration.Country,
            registration.Private,
            date = registration.On,
        };
        return changes.ChangeAsync(world, key, $"/registrars/{registration.Book}/registrations", body, cancel);
    }

    public Task<Outcome> PointAsync(World world, string key, string book, string domain, IReadOnlyList<string> nameServers, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/registrars/{book}/registrations/{domain}/name-servers", new { nameServers }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel) => changes.AskAsync(world, "registrar", key, orVoid, cancel);

    private static Availability Unchecked(string why) => new(AvailabilityState.Unchecked, Why: why);

    private sealed record CheckAnswer(string State, string? Register, string? Renew, string? Currency);
}
