using System.Globalization;
using System.Text.Json;
using HomeStart.Formats;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Hosting;

namespace HomeStart.Counterparts;

/// <summary>
/// Runs the counterparts as a process of their own, so that no card number is ever in the application's memory. They end when whoever started them does: then their
/// standard input ends.
/// </summary>
internal static class Program
{
    /// <summary>The line that says they listen.</summary>
    private const string Ready = "ready";

    private static async Task<int> Main(string[] args)
    {
        CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
        var options = new ConfigurationBuilder().AddCommandLine(args).Build();
        if (options["port"] is not { } port || options["file"] is not { } file || options["books"] is not { } books || options["secret"] is not { } secret)
        {
            await Console.Error.WriteLineAsync("The counterparts are started by Home Start itself, with --port, --file, --books and --secret (a file).");
            return 2;
        }

        await using var app = CounterpartsApp.Build(
            file, [.. Directory.GetFiles(books, "*.json").Order(StringComparer.Ordinal).Select(Read)], (await File.ReadAllTextAsync(secret)).Trim(),
            builder => builder.WebHost.UseKestrelCore().ConfigureKestrel(kestrel => kestrel.ListenLocalhost(int.Parse(port, CultureInfo.InvariantCulture))));
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

    private static OfferBook Read(string file)
    {
        var faults = new FaultList();
        using var json = JsonDocument.Parse(File.ReadAllBytes(file));
        return BookReader.Read(json.RootElement, faults) ?? throw new InvalidDataException($"{file} has faults: {faults.Faults[0].Where}: {FaultWords.Of(faults.Faults[0])}");
    }
}
