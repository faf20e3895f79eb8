using System.Collections.Concurrent;

namespace HomeStart.Web.Tests;

/// <summary>
/// Hosts whose tests have ended: the next test takes one, with the databases of a host that has only just started.
/// Starting two hosts, and what their first answers compile, costs more than most tests do.
/// </summary>
internal static class SpareHosts
{
    private static readonly ConcurrentBag<TestHost> Free = [];

    public static bool TryTake(out TestHost host) => Free.TryTake(out host!);

    public static void Add(TestHost host) => Free.Add(host);

    /// <summary>Ends them when all tests are done.</summary>
    public sealed class Clearing : IAsyncDisposable
    {
        public async ValueTask DisposeAsync()
        {
            while (Free.TryTake(out var host))
            {
                await host.EndAsync();
            }
        }
    }
}
