using System.Diagnostics;

namespace HomeStart.Formats.Foreign;

/// <summary>
/// Watches over the reading of what strangers wrote: so many parts, so deep, so long, and no longer than its caller
/// waits. Every reader of foreign text tells it of each part it comes to, so that a text made to take for ever takes no
/// longer than any other.
/// </summary>
public sealed class Guard(GuardLimits limits, CancellationToken cancel)
{
    private const int BetweenLooks = 256;

    private readonly long _start = Stopwatch.GetTimestamp();
    private readonly TimeSpan _workedBefore = Environment.CpuUsage.TotalTime;
    private int _parts;

    /// <summary>Counts one part: a node, a line, a row, a record.</summary>
    /// <param name="depth">How deep it stands.</param>
    /// <exception cref="GuardException">There are too many, too deep, or it has taken too long.</exception>
    /// <exception cref="OperationCanceledException">The caller left.</exception>
    public void Part(int depth = 0)
    {
        if (depth > limits.Depth)
        {
            throw new GuardException($"This nests deeper than {limits.Depth} levels, which nothing of the kind does.");
        }

        if (++_parts > limits.Parts)
        {
            throw new GuardException($"This has more than {limits.Parts} parts; no more are read.");
        }

        if (_parts % BetweenLooks == 1)
        {
            cancel.ThrowIfCancellationRequested();
            if (TookTooLong())
            {
                throw new GuardException("This takes too long to read.");
            }
        }
    }

    // Time in which other programs had the processors is nobody's fault.
    private bool TookTooLong() =>
        Stopwatch.GetElapsedTime(_start) >= limits.Time
        && Environment.CpuUsage.TotalTime - _workedBefore >= limits.Time;

    /// <summary>Reads within the limits: what comes of it, or null with the reason where it was stopped.</summary>
    public static (T? Value, string? Stopped) Read<T>(
        GuardLimits limits,
        Func<Guard, T?> read,
        CancellationToken cancel
    )
        where T : class
    {
        try
        {
            return (read(new Guard(limits, cancel)), null);
        }
        catch (GuardException exception)
        {
            return (null, exception.Message);
        }
    }
}

/// <summary>How much of a foreign text is read.</summary>
/// <param name="Parts">How many nodes, lines, rows or records.</param>
/// <param name="Depth">How deep they nest.</param>
public sealed record GuardLimits(int Parts, int Depth, TimeSpan Time)
{
    private static readonly TimeSpan Usual = TimeSpan.FromSeconds(2);

    /// <summary>An invoice as XML.</summary>
    public static readonly GuardLimits Xml = new(200_000, 32, Usual);

    /// <summary>A contact: its lines.</summary>
    public static readonly GuardLimits VCard = new(20_000, 0, Usual);

    /// <summary>A zone file: its entries.</summary>
    public static readonly GuardLimits ZoneFile = new(20_000, 0, Usual);

    /// <summary>A seller's page: its nodes.</summary>
    public static readonly GuardLimits Page = new(4_000_000, 0, TimeSpan.FromSeconds(5));

    /// <summary>A table or card statement: its rows.</summary>
    public static readonly GuardLimits Table = new(50_000, 0, Usual);
}

/// <summary>A foreign text was not read to its end; the message is for whoever sent it.</summary>
public sealed class GuardException(string message) : Exception(message);
