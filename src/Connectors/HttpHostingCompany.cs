using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>The hosting companies over HTTP.</summary>
public sealed class HttpHostingCompany(Counterpart changes, LookUps lookUps) : IHostingCompany
{
    public Task<Outcome> PrepareAsync(
        World world,
        string key,
        string book,
        string plan,
        string? quote,
        DomainName? domain,
        string mail,
        string? logIn,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(
            world,
            key,
            $"/hosts/{book}/accounts",
            new
            {
                plan,
                quote,
                domain = domain?.Text,
                mail,
                logIn,
            },
            cancel,
            Prepared
        );

    public Task<LogInRules?> LogInRulesAsync(World world, string book, CancellationToken cancel) =>
        LookedUpAsync(world, $"/hosts/{book}/log-in-rules", Answers.LogInRules, cancel);

    public async Task<bool?> IsUserTakenAsync(World world, string book, string user, CancellationToken cancel) =>
        await LookedUpAsync(
            world,
            $"/hosts/{book}/users/{user}",
            answer => Answers.Text(answer, "state"),
            cancel
        ) switch
        {
            "taken" => true,
            "free" => false,
            _ => null,
        };

    public async Task<Deposit?> DepositLogInAsync(
        World world,
        string book,
        string user,
        string passcode,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = await changes.SendAsync(
                world,
                HttpMethod.Post,
                $"/hosts/{book}/log-ins",
                cancel,
                new { user, passcode }
            );
            var answer = response.StatusCode is HttpStatusCode.OK or HttpStatusCode.Conflict
                ? await response.Content.ReadFromJsonAsync<JsonElement>(cancel)
                : default;
            return response.StatusCode == HttpStatusCode.Conflict
                    ? new Deposit(null, Answers.Text(answer, "message") ?? "It was refused, without a reason.")
                : Answers.Text(answer, "token") is { } token ? new Deposit(token)
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<HostEntry?> EntryAsync(World world, string book, CancellationToken cancel) =>
        LookedUpAsync(world, $"/hosts/{book}/entry", Answers.Entry, cancel);

    public Task<Outcome> StandAsync(
        World world,
        string key,
        string account,
        string state,
        string plan,
        DateOnly? until,
        CancellationToken cancel
    ) =>
        changes.ChangeAsync(
            world,
            key,
            $"/accounts/{account}/standing",
            new
            {
                state,
                plan,
                until,
            },
            cancel
        );

    public Task<Outcome> RemoveAsync(World world, string key, string account, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/accounts/{account}/remove", new { }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool voidIfUnsettled, CancellationToken cancel) =>
        changes.AskAsync(world, "host", key, voidIfUnsettled, cancel, Prepared);

    public Task<string?> FirstPasswordAsync(World world, string account, CancellationToken cancel) =>
        AnsweredAsync(
            world,
            $"/accounts/{account}/first-password",
            async response =>
                response.StatusCode == HttpStatusCode.Gone
                    ? null
                    : Answers.Text(
                        await response.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonElement>(cancel),
                        "password"
                    ) ?? throw new JsonException("There is no password in the answer."),
            cancel
        );

    public Task FirstPasswordSeenAsync(World world, string account, CancellationToken cancel) =>
        AnsweredAsync(
            world,
            $"/accounts/{account}/first-password/seen",
            response => Task.FromResult(response.EnsureSuccessStatusCode().StatusCode),
            cancel
        );

    private async Task<T?> LookedUpAsync<T>(
        World world,
        FormattableString path,
        Func<JsonElement, T?> read,
        CancellationToken cancel
    )
        where T : class
    {
        try
        {
            using var response = await lookUps.GetAsync(world, path, cancel);
            return response.IsSuccessStatusCode
                ? read(await response.Content.ReadFromJsonAsync<JsonElement>(cancel))
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    private async Task<T> AnsweredAsync<T>(
        World world,
        FormattableString path,
        Func<HttpResponseMessage, Task<T>> read,
        CancellationToken cancel
    )
    {
        try
        {
            using var response = await changes.SendAsync(world, HttpMethod.Post, path, cancel);
            return await read(response);
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            throw new NoAnswerException("The host gave no answer that can be read.", exception);
        }
    }

    private static Outcome? Prepared(JsonElement answer) =>
        Answers.Account(answer) is { } account ? Outcome.Done with { Account = account } : null;
}
