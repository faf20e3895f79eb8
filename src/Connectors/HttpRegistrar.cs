using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>
/// The registrars over HTTP: their own check for availability and price, RDAP for the public record (RFC 9083).
/// </summary>
/// <param name="lookUps">May be tried again by itself: asking changes nothing.</param>
public sealed class HttpRegistrar(Counterpart changes, LookUps lookUps) : IRegistrar
{
    private static readonly Dictionary<string, AvailabilityState> States = new(StringComparer.Ordinal)
    {
        ["free"] = AvailabilityState.Free,
        ["taken"] = AvailabilityState.Taken,
        ["premium"] = AvailabilityState.Premium,
        ["reserved"] = AvailabilityState.Reserved,
    };

    private static readonly Dictionary<string, TransferState> TransferStates = new(StringComparer.Ordinal)
    {
        ["ready"] = TransferState.Ready,
        ["locked"] = TransferState.Locked,
        ["wrong-code"] = TransferState.WrongCode,
        ["too-new"] = TransferState.TooNew,
        ["not-registered"] = TransferState.NotRegistered,
        ["here-already"] = TransferState.HereAlready,
    };

    public async Task<Availability> CheckAsync(World world, string book, DomainName domain, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/registrars/{book}/check?domain={domain}", cancel);
            return response.StatusCode == HttpStatusCode.TooManyRequests
                    ? Unchecked("The registrar is receiving too many requests at the moment.") with
                    {
                        Pause = Pause(response),
                    }
                : response.StatusCode == HttpStatusCode.NotFound ? new Availability(AvailabilityState.NotAsked)
                : !response.IsSuccessStatusCode ? Unchecked("The registrar is not working at the moment.")
                : Read(await response.Content.ReadFromJsonAsync<JsonElement>(cancel));
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return Unchecked("The registrar did not answer.");
        }
    }

    public async Task<RegistrationRecord?> LookUpAsync(World world, DomainName domain, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/rdap/domain/{domain}", cancel);
            return response.IsSuccessStatusCode
                ? Rdap.Read(await response.Content.ReadFromJsonAsync<JsonElement>(cancel))
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public async Task<TransferAnswer> CheckTransferAsync(
        World world,
        string book,
        DomainName domain,
        TransferCode code,
        DateOnly on,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = await lookUps.PostAsync(
                world,
                $"/registrars/{book}/transfers/check",
                new
                {
                    domain = domain.Text,
                    code = code.Text,
                    date = on,
                },
                cancel
            );
            return response.StatusCode == HttpStatusCode.NotFound
                    ? new TransferAnswer(
                        TransferState.Unchecked,
                        Why: "This seller cannot be asked from here: look on its own pages."
                    )
                : !response.IsSuccessStatusCode
                    ? new TransferAnswer(TransferState.Unchecked, Why: "The registrar is not working at the moment.")
                : Transfer(await response.Content.ReadFromJsonAsync<JsonElement>(cancel));
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return new TransferAnswer(TransferState.Unchecked, Why: "The registrar did not answer.");
        }
    }

    public Task<Outcome> RegisterAsync(World world, string key, Registration registration, CancellationToken cancel) =>
        changes.ChangeAsync(
            world,
            key,
            $"/registrars/{registration.Book}/registrations",
            Body(registration, null),
            cancel
        );

    public Task<Outcome> TransferAsync(
        World world,
        string key,
        string token,
        Registration registration,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(
            world,
            key,
            $"/registrars/{registration.Book}/transfers",
            Body(registration, token),
            cancel
        );

    public Task<Outcome> PointAsync(
        World world,
        string key,
        string book,
        DomainName domain,
        IReadOnlyList<string> nameServers,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(
            world,
            key,
            $"/registrars/{book}/registrations/{domain}/name-servers",
            new { nameServers },
            cancel
        );

    public Task<Outcome> StandAsync(
        World world,
        string key,
        string book,
        DomainName domain,
        string state,
        DateOnly? until,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(
            world,
            key,
            $"/registrars/{book}/registrations/{domain}/standing",
            new { state, until },
            cancel
        );

    public async Task<Release?> ReleaseAsync(
        World world,
        string book,
        DomainName domain,
        DateOnly on,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = await changes.SendAsync(
                world,
                HttpMethod.Post,
                $"/registrars/{book}/registrations/{domain}/release?date={on:yyyy-MM-dd}",
                cancel
            );
            var answer = response.IsSuccessStatusCode
                ? await response.Content.ReadFromJsonAsync<JsonElement>(cancel)
                : default;
            var code = response.IsSuccessStatusCode ? Answers.Text(answer, "code") : null;
            return code is not null ? new Release(code, null)
                : response.IsSuccessStatusCode
                && DateOnly.TryParseExact(Answers.Text(answer, "until"), "yyyy-MM-dd", out var until)
                    ? new Release(null, until)
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public async Task<HolderCheck?> HolderAsync(World world, string book, DomainName domain, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(
                world,
                $"/registrars/{book}/registrations/{domain}/holder",
                cancel
            );
            var answer = response.IsSuccessStatusCode
                ? await response.Content.ReadFromJsonAsync<JsonElement>(cancel)
                : default;
            return DateOnly.TryParseExact(Answers.Text(Answers.Field(answer, "until")), "yyyy-MM-dd", out var until)
                ? new HolderCheck(Answers.Field(answer, "isConfirmed") is { ValueKind: JsonValueKind.True }, until)
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public async Task<bool> WriteToHolderAsync(World world, string book, DomainName domain, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(
                world,
                HttpMethod.Post,
                $"/registrars/{book}/registrations/{domain}/holder/write",
                cancel
            );
            return response.IsSuccessStatusCode;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return false;
        }
    }

    public Task<Outcome> AskAsync(
        World world,
        string key,
        bool voidIfUnsettled,
        DateOnly today,
        CancellationToken cancel
    ) => changes.AskAsync(world, "registrar", key, voidIfUnsettled, cancel, today: today);

    private static object Body(Registration registration, string? token) =>
        new
        {
            domain = registration.Domain.Text,
            registration.Quote,
            registration.Years,
            registration.Holder,
            registration.Mail,
            registration.Country,
            registration.Private,
            mostPremium = registration.MostPremium?.ToAmount(),
            date = registration.On,
            token,
        };

    private static TransferAnswer Transfer(JsonElement answer) =>
        Answers.Text(answer, "state") is { } word && TransferStates.TryGetValue(word, out var state)
            ? new TransferAnswer(
                state,
                DateOnly.TryParseExact(Answers.Text(answer, "until"), "yyyy-MM-dd", out var until) ? until : null
            )
            {
                Token = Answers.Text(answer, "token"),
            }
            : new TransferAnswer(TransferState.Unchecked, Why: "The registrar's answer could not be read.");

    // Retry-After in seconds or as a date (RFC 9110, 10.2.3); what is not said is a little while, and nobody is waited
    // for longer than a minute.
    private static TimeSpan Pause(HttpResponseMessage response)
    {
        var said = response.Headers.RetryAfter is { } after ? after.Delta ?? after.Date - response.Headers.Date : null;
        return said is { } pause
            ? TimeSpan.FromSeconds(Math.Clamp(pause.TotalSeconds, 0.1, 60))
            : TimeSpan.FromSeconds(2);
    }

    private static Availability Read(JsonElement answer)
    {
        if (Answers.Text(answer, "state") is not { } word || !States.TryGetValue(word, out var state))
        {
            return Unchecked("The registrar's answer could not be read.");
        }

        return state != AvailabilityState.Premium ? new Availability(state)
            : Amount(answer, "register") is { } register && Amount(answer, "renew") is { } renew
                ? new Availability(state, register, renew)
            : Unchecked("The registrar's prices for this premium name could not be read.");
    }

    private static Money? Amount(JsonElement answer, string name) =>
        Currency.TryGet(Answers.Text(answer, "currency"), out var currency)
        && Money.TryParse(Answers.Text(answer, name), currency, out var money) == AmountFault.None
            ? money
            : null;

    private static Availability Unchecked(string why) => new(AvailabilityState.Unchecked, Why: why);
}
