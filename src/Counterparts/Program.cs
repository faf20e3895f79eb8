using System.Globalization;
using System.Net;
using System.Net.Sockets;
using System.Text.Json;
using HomeStart.Formats.Books;
using HomeStart.Formats.Words;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Hosting;

namespace HomeStart.Counterparts;

/// <summary>
/// Runs the counterparts as a process of their own, so that no card number is ever in the application's memory. They
/// end with the program that started them: then their standard input ends.
/// </summary>
internal static class Program
{
    /// <summary>The line that says they listen.</summary>
    private const string Ready = "ready";

    private static async Task<int> Main(string[] args)
    {
        CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
        var options = new ConfigurationBuilder().AddCommandLine(args).Build();
        if (
            !int.TryParse(options["port"], CultureInfo.InvariantCulture, out var port)
            || options["file"] is not { } file
            || options["books"] is not { } books
            || options["secret"] is not { } secret
        )
        {
            await Console.Error.WriteLineAsync(
                "The counterparts are started by Home Start itself, with --port, --file, --books and --secret (a file)."
            );
            return 2;
        }

        await using var app = CounterpartsApp.Build(
            file,
            [.. Directory.GetFiles(books, "*.json").Order(StringComparer.Ordinal).Select(Read)],
            (await File.ReadAllTextAsync(secret)).Trim(),
            port + 1,
            builder => builder.WebHost.UseKestrelCore().ConfigureKestrel(kestrel => kestrel.ListenLocalhost(port)),
            options["notices"] is { } notices ? new Uri(notices) : null
        );
        if (!IsFree(port + 1))
        {
            await Console.Error.WriteLineAsync($"Port {port + 1} is in use.");
            return 1;
        }

        try
        {
            await app.StartAsync();
        }
        catch (IOException)
        {
            await Console.Error.WriteLineAsync($"Port {port} is in use.");
            return 1;
        }

        Console.WriteLine(Ready);
        await Task.WhenAny(app.WaitForShutdownAsync(), Console.In.ReadToEndAsync());
        await app.StopAsync();
        return 0;
    }

    // The mail server says nothing of a port that it cannot have.
    private static bool IsFree(int port)
    {
        try
        {
            using var listener = new TcpListener(IPAddress.Loopback, port);
            listener.Start();
            return true;
        }
        catch (SocketException)
        {
            return false;
        }
    }

    private static OfferBook Read(string file)
    {
        var faults = new FaultList();
        using var json = JsonDocument.Parse(File.ReadAllBytes(file));
        return BookReader.Read(json.RootElement, faults)
            ?? throw new InvalidDataException(
                $"{file} has faults: {faults.Faults[0].Where}: {FaultWords.Sentence(faults.Faults[0])}"
            );
    }
}
