using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace HomeStart.Connectors;

/// <summary>The hosting companies over HTTP.</summary>
public sealed class HttpHostingCompany(Counterpart changes, LookUps lookUps) : IHostingCompany
{
    public Task<Outcome> PrepareAsync(World world, string key, string book, string plan, DomainName? domain, string mail, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/hosts/{book}/accounts", new { plan, domain = domain?.Text, mail }, cancel, Prepared);

    public async Task<HostEntry?> EntryAsync(World world, string book, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/hosts/{book}/entry", cancel);
            return response.IsSuccessStatusCode ? Answers.Entry(await response.Content.ReadFromJsonAsync<JsonElement>(cancel)) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public Task<Outcome> RemoveAsync(World world, string key, string account, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/accounts/{account}/remove", new { }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel) => changes.AskAsync(world, "host", key, orVoid, cancel, Prepared);

    public Task<string?> FirstPasswordAsync(World world, string account, CancellationToken cancel) =>
        AnsweredAsync(world, $"/accounts/{account}/first-password", async response => response.StatusCode == HttpStatusCode.Gone
            ? null
            : Answers.Text(await response.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonElement>(cancel), "password") ?? throw new JsonException("There is no password in the answer."), cancel);

    public Task FirstPasswordSeenAsync(World world, string account, CancellationToken cancel) =>
        AnsweredAsync(world, $"/accounts/{account}/first-password/seen", response => Task.FromResult(response.EnsureSuccessStatusCode().StatusCode), cancel);

    private async Task<T> AnsweredAsync<T>(World world, FormattableString path, Func<HttpResponseMessage, Task<T>> read, CancellationToken cancel)
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

    private static Outcome? Prepared(JsonElement answer) => Answers.Account(answer) is { } account ? Outcome.Done with { Account = account } : null;
}
