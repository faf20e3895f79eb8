using HomeStart.Counterparts;
using Microsoft.Extensions.Logging.Console;

namespace HomeStart.Web.Hosting;

/// <summary>Starts the application and, beside it on the next port, the counterparts.</summary>
public static class HomeStartApp
{
    public static async Task<int> RunAsync(string[] args)
    {
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
        Directory.CreateDirectory(options.Data);
        using var alone = DataFolder.TryLock(options.Data);
        if (alone is null)
        {
            return Refuse($"Home Start runs already with the data in {options.Data}. Stop it first, or start this one with --data and another folder.");
        }

        var demo = Demo.Load(options.Demo);
        builder.WebHost.UseKestrel(kestrel =>
        {
            kestrel.ListenLocalhost(options.Port);
            kestrel.Limits.MaxRequestBodySize = Composition.LargestBody;
            kestrel.AddServerHeader = false;
        });
        builder.Logging.ClearProviders().AddSimpleConsole(console => console.ColorBehavior = LoggerColorBehavior.Disabled).SetMinimumLevel(LogLevel.Warning);

        // A port in use is said in one sentence below; keys in the owner's own data folder are as safe as the data.
        builder.Logging.AddFilter("Microsoft.Extensions.Hosting", LogLevel.None).AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
        Composition.AddHomeStart(builder, options, demo);
        await using var counterparts = CounterpartsApp.Build(
            Path.Combine(options.Data, "counterparts.db"), demo.OfferBooks, outside => outside.WebHost.UseKestrelCore().ConfigureKestrel(kestrel => kestrel.ListenLocalhost(options.Port + 1)));
        await using var app = builder.Build();
        Composition.MapHomeStart(app);
        try
        {
            await counterparts.StartAsync();
            await Composition.PrepareAsync(app);
            await app.StartAsync();
        }
        catch (IOException)
        {
            return Refuse($"Port {options.Port} or {options.Port + 1} is in use: Home Start may run already at http://localhost:{options.Port}. Stop it, or choose another with --port.");
        }

        Console.WriteLine($"Home Start is at http://localhost:{options.Port}  (Ctrl C stops it; data in {options.Data})");
        await app.WaitForShutdownAsync();
        await counterparts.StopAsync();
        return 0;
    }

    private static int Refuse(string why)
    {
        Console.Error.WriteLine(why);
        return 1;
    }
}
