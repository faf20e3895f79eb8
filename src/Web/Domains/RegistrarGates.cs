using System.Collections.Concurrent;

namespace HomeStart.Web.Domains;

/// <summary>
/// The ways to the registrars, one for each and each world: whoever asks about names goes through, so that all together
/// do not ask too much.
/// </summary>
public sealed class RegistrarGates(TimeProvider time) : IDisposable
{
    private const int MostKept = 2000;

    private readonly ConcurrentDictionary<(World World, string Book), RegistrarGate> _gates = new();

    public RegistrarGate For(World world, string book)
    {
        if (_gates.Count > MostKept)
        {
            foreach (var (key, gate) in _gates.Where(pair => pair.Value.IsIdle))
            {
                _gates.TryRemove(KeyValuePair.Create(key, gate));
            }
        }

        return _gates.GetOrAdd((world, book), _ => new RegistrarGate(time));
    }

    public void Dispose()
    {
        foreach (var gate in _gates.Values)
        {
            gate.Dispose();
        }
    }
}

/// <summary>
/// The way to one registrar: so many questions are under way at once, and none while it wants to be left alone.
/// </summary>
public sealed class RegistrarGate(TimeProvider time) : IDisposable
{
    /// <summary>As many as a registrar takes at once.</summary>
    public const int AtOnce = 20;

    private readonly SemaphoreSlim _places = new(AtOnce);
    private long _opensAt;

    public bool IsIdle => _places.CurrentCount == AtOnce;

    /// <summary>Asks when there is a place and the registrar wants to be asked.</summary>
    public async Task<Availability> AskAsync(Func<Task<Availability>> ask, CancellationToken cancel)
    {
        while (true)
        {
            await WaitAsync(cancel);
            await _places.WaitAsync(cancel);
            try
            {
                if (Left <= TimeSpan.Zero)
                {
                    return await ask();
                }
            }
            finally
            {
                _places.Release();
            }
        }
    }

    /// <summary>Closes it for a while; false where it is closed for as long already.</summary>
    public bool Close(TimeSpan pause)
    {
        var opens = (time.GetUtcNow() + pause).UtcTicks;
        while (Interlocked.Read(ref _opensAt) is var known && known < opens)
        {
            if (Interlocked.CompareExchange(ref _opensAt, opens, known) == known)
            {
                return known < time.GetUtcNow().UtcTicks;
            }
        }

        return false;
    }

    public void Dispose() => _places.Dispose();

    private TimeSpan Left => TimeSpan.FromTicks(Interlocked.Read(ref _opensAt) - time.GetUtcNow().UtcTicks);

    private async Task WaitAsync(CancellationToken cancel)
    {
        while (Left is var left && left > TimeSpan.Zero)
        {
            await Task.Delay(left, time, cancel);
        }
    }
}
