using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Sockets;

namespace HomeStart.Browser.Tests;

/// <summary>
/// The real application and its counterparts, as <c>./run</c> starts them, on free ports and with an empty data folder
/// of their own.
/// </summary>
public sealed class AppProcess : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(40);

    private readonly DirectoryInfo _data;
    private readonly string[] _more;
    private Process _process = null!;

    /// <param name="data">An empty folder for its data; null: one of its own.</param>
    /// <param name="more">Further options.</param>
    public AppProcess(DirectoryInfo? data = null, params string[] more)
    {
        _more = more;
        _data = data ?? Directory.CreateTempSubdirectory("home-start-browser-");

        // Between finding a free port and taking it somebody else may: then another is tried.
        for (var tries = 1; ; tries++)
        {
            var port = FreePort();
            _process = Start(port, _data.FullName, _more);
            var ready = WaitForAddressAsync();
            if (ready.Wait(Patience) && ready.Result)
            {
                (Address, Counterparts) = (
                    new Uri($"http://localhost:{port}"),
                    new Uri($"http://localhost:{port + 1}")
                );
                return;
            }

            var said = _process.StandardError.ReadToEnd();
            if (tries == 5 || !said.Contains("is in use", StringComparison.Ordinal))
            {
                throw new InvalidOperationException("The application did not start: " + said);
            }
        }
    }

    public Uri Address { get; }

    public Uri Counterparts { get; }

    /// <summary>What the counterparts must be told before they do anything.</summary>
    public string Secret => File.ReadAllText(Path.Combine(_data.FullName, "counterparts.secret"));

    public int Id => _process.Id;

    public string DataFolder => _data.FullName;

    /// <summary>How many megabytes it holds; null: it has ended by itself.</summary>
    public long? MegabytesHeld
    {
        get
        {
            _process.Refresh();
            return _process.HasExited ? null : _process.WorkingSet64 >> 20;
        }
    }

    /// <summary>
    /// What a process started: its counterparts. The process that starts a process is some thread of it.
    /// </summary>
    public static IReadOnlyList<Process> Children(int id) =>
        [
            .. Directory
                .GetDirectories($"/proc/{id}/task")
                .SelectMany(ChildrenOfThread)
                .Select(child => Process.GetProcessById(int.Parse(child, CultureInfo.InvariantCulture))),
        ];

    // A thread may end after it is listed and before it is asked.
    private static string[] ChildrenOfThread(string task)
    {
        try
        {
            return File.ReadAllText(Path.Combine(task, "children")).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        }
        catch (IOException)
        {
            return [];
        }
    }

    /// <summary>Kills it in the middle of whatever it does, and starts it again over the same data.</summary>
    /// <param name="patience">How long it may take to start; null: as long as at first.</param>
    public async Task KillAndStartAsync(TimeSpan? patience = null)
    {
        _process.Kill();
        await _process.WaitForExitAsync();
        _process.Dispose();
        _process = Start(Address.Port, _data.FullName, _more);
        if (!await WaitForAddressAsync().WaitAsync(patience ?? Patience))
        {
            throw new InvalidOperationException(
                "The application did not start again: " + await _process.StandardError.ReadToEndAsync()
            );
        }
    }

    /// <summary>The bare process, which may refuse to start.</summary>
    public static Process Start(int port, string data, params string[] more) =>
        Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    Path.Combine(AppContext.BaseDirectory, "HomeStart.Web.dll"),
                    "--port",
                    $"{port}",
                    "--data",
                    data,
                    "--date",
                    "2026-12-01",
                    "--demo",
                    Repository.Folder("demo"),
                    "--contentRoot",
                    Repository.Folder("src", "Web"),
                    .. more,
                ]
            )
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                // It lives for a minute beside a browser: no time for measuring itself.
                Environment = { ["DOTNET_TieredPGO"] = "0" },
            }
        )!;

    public void Dispose()
    {
        _process.Kill(entireProcessTree: true);
        _process.WaitForExit();
        _process.Dispose();
        _data.Delete(recursive: true);
    }

    private async Task<bool> WaitForAddressAsync()
    {
        while (await _process.StandardOutput.ReadLineAsync() is { } line)
        {
            if (line.StartsWith("Home Start is at", StringComparison.Ordinal))
            {
                _ = _process.StandardOutput.ReadToEndAsync();
                _ = _process.StandardError.ReadToEndAsync();
                return true;
            }
        }

        return false;
    }

    // A port with a free one behind it, for the counterparts; below those that the system hands out for connections,
    // which come and go.
    internal static int FreePort()
    {
        while (true)
        {
            var port = Random.Shared.Next(20_000, 32_000);
            try
            {
                using var first = new TcpListener(IPAddress.Loopback, port);
                using var second = new TcpListener(IPAddress.Loopback, port + 1);
                first.Start();
                second.Start();
                return port;
            }
            catch (SocketException)
            {
                // Taken: look for another pair.
            }
        }
    }
}

/// <summary>Folders of the repository, found from where the tests were built.</summary>
internal static class Repository
{
    public static string Folder(params string[] parts)
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "HomeStart.slnx")))
        {
            folder = folder.Parent ?? throw new InvalidOperationException("The tests are not inside the repository.");
        }

        return Path.Combine([folder.FullName, .. parts]);
    }
}
