using System.Globalization;

namespace HomeStart.Web.Hosting;

/// <summary>What <c>./run</c> can be told.</summary>
/// <param name="Port">Where the application listens; the counterparts listen on the next one.</param>
/// <param name="Data">The folder of the databases and keys.</param>
/// <param name="Date">The business date; null: the day it is.</param>
/// <param name="Demo">The folder of the demo's offer books and site.</param>
public sealed record StartOptions(int Port, string Data, DateOnly? Date, string Demo)
{
    public const int DefaultPort = 5080;

    public Uri CounterpartsAddress => new($"http://localhost:{Port + 1}");

    /// <summary>Reads the options; a message says what is wrong with one that cannot be read.</summary>
    public static (StartOptions? Options, string? Fault) Read(IConfiguration configuration)
    {
        var port = configuration["port"] ?? DefaultPort.ToString(CultureInfo.InvariantCulture);
        if (!int.TryParse(port, out var number) || number is < 1 or > 65534)
        {
            return (null, $"--port takes a number from 1 to 65534, not “{port}”.");
        }

        DateOnly? date = null;
        if (configuration["date"] is { } text)
        {
            if (!DateOnly.TryParseExact(text, "yyyy-MM-dd", out var day) || day.Year is < 1970 or > 2200)
            {
                return (null, $"--date takes a day such as 2026-12-01, not “{text}”.");
            }

            date = day;
        }

        return (new StartOptions(number, Path.GetFullPath(configuration["data"] ?? "data"), date, Path.GetFullPath(configuration["demo"] ?? "demo")), null);
    }
}
