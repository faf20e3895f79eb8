using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using HomeStart.Core;

namespace HomeStart.Connectors;

/// <summary>The hosting companies over HTTP.</summary>
public sealed class HttpHostingCompany(Counterpart changes) : IHostingCompany
{
    public Task<Outcome> PrepareAsync(World world, string key, string book, string plan, string? domain, string mail, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/hosts/{book}/accounts", new { plan, domain, mail }, cancel, Prepared);

    public Task<Outcome> RemoveAsync(World world, string key, string account, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/accounts/{account}/remove", new { }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel) => changes.AskAsync(world, "host", key, orVoid, cancel, Prepared);

    public async Task<string?> FirstPasswordAsync(World world, string account, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(world, HttpMethod.Post, $"/accounts/{account}/first-password", cancel);
            return response.StatusCode == HttpStatusCode.Gone
                ? null
                : Answers.Text(await response.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonElement>(cancel), "password") ?? throw new HttpRequestException("There is no password in the answer.");
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel) && exception is not HttpRequestException)
        {
            throw new HttpRequestException("The host did not answer.", exception);
        }
    }

    public async Task FirstPasswordSeenAsync(World world, string account, CancellationToken cancel)
    {
        try
        {
            using var response = await changes.SendAsync(world, HttpMethod.Post, $"/accounts/{account}/first-password/seen", cancel);
            response.EnsureSuccessStatusCode();
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel) && exception is not HttpRequestException)
        {
            throw new HttpRequestException("The host did not answer.", exception);
        }
    }

    private static Outcome? Prepared(JsonElement answer) => Answers.Account(answer) is { } account ? Outcome.Done with { Account = account } : null;
}
