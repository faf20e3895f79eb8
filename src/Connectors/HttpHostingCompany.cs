using System.Net;
using System.Net.Http.Json;
using HomeStart.Core;

namespace HomeStart.Connectors;

/// <summary>The hosting companies over HTTP.</summary>
public sealed class HttpHostingCompany(Counterpart changes) : IHostingCompany
{
    public Task<Outcome> PrepareAsync(World world, string key, string book, string plan, string? domain, string mail, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/hosts/{book}/accounts", new { plan, domain, mail }, cancel);

    public Task<Outcome> RemoveAsync(World world, string key, string account, CancellationToken cancel) =>
        changes.ChangeAsync(world, key, $"/accounts/{account}/remove", new { }, cancel);

    public Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel) => changes.AskAsync(world, "host", key, orVoid, cancel);

    public async Task<string?> FirstPasswordAsync(World world, string account, CancellationToken cancel)
    {
        using var response = await changes.SendAsync(world, HttpMethod.Post, $"/accounts/{account}/first-password", cancel);
        return response.StatusCode == HttpStatusCode.Gone
            ? null
            : (await response.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<FirstPassword>(cancel))?.Password;
    }

    private sealed record FirstPassword(string Password);
}
