using System.Globalization;
using HomeStart.Web.Backups;
using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Startup;

/// <summary>Starts the application and, beside it on the next port, the counterparts.</summary>
public static class HomeStartApp
{
    public static async Task<int> RunAsync(string[] args)
    {
        // Whatever the machine speaks, figures and orders are the same.
        CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
        if (BackupCommands.Run(args) is { } code)
        {
            return code;
        }

        var builder = WebApplication.CreateBuilder(args);
        var (options, fault) = StartOptions.Read(builder.Configuration);
        if (options is null)
        {
            return Refuse(fault!);
        }

        // The OpenAPI document is made by starting the host without its data.
        if (System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider")
        {
            Composition.AddHomeStart(builder, options with { Data = "" }, new Demo([], [], null));
            var described = builder.Build();
            Composition.MapHomeStart(described);
            await described.RunAsync();
            return 0;
        }

        return await ServeAsync(builder, options);
    }

    private static async Task<int> ServeAsync(WebApplicationBuilder builder, StartOptions options)
    {
        var (held, fault) = DataFolder.TryTake(options.Data);
        using var alone = held;
        if (alone is null)
        {
            return Refuse(fault!);
        }

        var database = Path.Combine(options.Data, BackupContents.Databases[0]);
        if (DatabaseFile.IsNewer(database, KnownMigrations.All))
        {
            return Refuse(
                $"The data in {options.Data} was written by a newer Home Start than this one. Nothing was "
                    + "touched: start "
                    + "that one, or choose another folder with --data."
            );
        }

        if (BeforeUpgrade.Keep(options.Data, KnownMigrations.All) is { } unkept)
        {
            return Refuse($"The databases are not brought forward without a copy of what they were. {unkept}");
        }

        _ = CounterpartsSecret.Read(options.Data);

        // A scan keeps as many threads busy as there are cores: others must be there for whoever else asks, and to see
        // that its caller has left.
        ThreadPool.SetMinThreads(8 * Environment.ProcessorCount, 8 * Environment.ProcessorCount);
        builder.WebHost.UseKestrel(kestrel =>
        {
            kestrel.ListenLocalhost(options.Port);
            kestrel.Limits.MaxRequestBodySize = Composition.LargestBody;
            kestrel.AddServerHeader = false;
        });
        builder.Logging.ClearProviders().SetMinimumLevel(LogLevel.Warning);
        if (options.LogsJson)
        {
            builder
                .Logging.AddJsonConsole(json => json.TimestampFormat = "yyyy-MM-dd'T'HH:mm:ss.fff'Z'")
                .Services.Configure<Microsoft.Extensions.Logging.Console.JsonConsoleFormatterOptions>(json =>
                    json.UseUtcTimestamp = true
                );
        }
        else
        {
            builder.Logging.AddPlainConsole();
        }

        // A port in use is said in one sentence below; keys in the owner's own data folder are as safe as the data.
        builder
            .Logging.AddFilter("Microsoft.EntityFrameworkCore.Migrations", LogLevel.Error)
            .AddFilter("Microsoft.Extensions.Hosting", LogLevel.None)
            .AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
        Composition.AddHomeStart(builder, options, Demo.Load(options.Demo));
        if (options.HasCounterparts)
        {
            builder.Services.AddSingleton<CounterpartsProcess>();
            builder.Services.AddHostedService(services => services.GetRequiredService<CounterpartsProcess>());
        }

        await using var app = builder.Build();
        Composition.MapHomeStart(app);
        return await StartAsync(app, options) is { } why ? Refuse(why) : await RunAsync(app, options);
    }

    // Null: all is up; else the one sentence that says what is wrong.
    private static async Task<string?> StartAsync(WebApplication app, StartOptions options)
    {
        try
        {
            await Composition.PrepareAsync(app);
            if (
                app.Services.GetService<CounterpartsProcess>() is { } counterparts
                && await counterparts.TryStartAsync(CancellationToken.None) is { IsUp: false, Said: var said }
            )
            {
                return InUse(options)
                    + (
                        said.Contains("in use", StringComparison.Ordinal) ? "" : $" The counterparts say: {said.Trim()}"
                    );
            }

            await app.StartAsync();
            return null;
        }
        catch (IOException)
        {
            return InUse(options);
        }
        catch (SqliteException exception)
        {
            return DataFolder.Say(exception, options.Data);
        }
    }

    private static async Task<int> RunAsync(WebApplication app, StartOptions options)
    {
        Console.WriteLine(
            $"Home Start is at http://localhost:{options.Port}  (Ctrl C stops it; data in {options.Data})"
        );
        await app.WaitForShutdownAsync();
        return 0;
    }

    private static string InUse(StartOptions options) =>
        $"Port {options.Port}, {options.Port + 1} or {options.MailPort} is in use: Home Start may run already "
        + $"at http://localhost:{options.Port}. Stop it, or choose another with --port.";

    private static int Refuse(string why)
    {
        Console.Error.WriteLine(why);
        return 1;
    }
}
