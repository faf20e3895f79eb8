using System.IO.Compression;
using HomeStart.Connectors;
using HomeStart.Data;
using HomeStart.Formats;
using HomeStart.Web.Books;
using HomeStart.Web.Comparisons;
using HomeStart.Web.Costings;
using HomeStart.Web.Domains;
using HomeStart.Web.Exports;
using HomeStart.Web.Orders;
using HomeStart.Web.Scans;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Hosting;

/// <summary>Puts the parts together.</summary>
public static class Composition
{
    /// <summary>The largest request body, in bytes.</summary>
    public const long LargestBody = 1 << 20;

    /// <param name="counterparts">In tests: the counterparts' own handler, in place of the network.</param>
    public static void AddHomeStart(WebApplicationBuilder builder, StartOptions options, Demo demo, Func<HttpMessageHandler>? counterparts = null)
    {
        var services = builder.Services;
        services.AddSingleton(options);
        services.AddSingleton(demo);
        services.AddSingleton(TimeProvider.System);
        services.AddScoped<WorkspaceScope>();
        services.AddDbContext<HomeStartDb>(db => db.UseFile(Path.Combine(options.Data, "home-start.db")));
        services.AddScoped<SiteHistory>();
        services.AddScoped<Workspace>();
        services.AddScoped<SiteDesk>();
        services.AddConnectors(options.CounterpartsAddress, CounterpartsSecret.Of(options.Data), counterparts);
        services.AddOrders();
        AddProtection(services, options);
        services.AddProblemDetails();
        services.AddLookUpLimits();
        services.AddScanLimits();
        services.AddResponseCompression();
        services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Optimal);
        services.ConfigureHttpJsonOptions(json => WireJson.Configure(json.SerializerOptions));
        services.AddOpenApi();
        services.AddSingleton<ClientPage>();
    }

    public static void MapHomeStart(WebApplication app)
    {
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseResponseCompression();
        app.UseMiddleware<SecurityHeaders>();
        app.UseClientAssets();
        app.UseRouting();
        app.UseRateLimiter();
        app.UseMiddleware<WorkspaceCookie>();
        app.MapCostings();
        app.MapScans();
        var own = app.MapGroup("").AddEndpointFilter<AntiforgeryFilter>();
        own.MapSession();
        own.MapBooks();
        own.MapSites();
        own.MapComparisons();
        own.MapExports();
        own.MapDomains();
        own.MapOrders();
        app.MapClientPage();
    }

    /// <summary>Brings the database up to date and stores what the demo is made of.</summary>
    public static async Task PrepareAsync(WebApplication app)
    {
        await using var services = app.Services.CreateAsyncScope();
        var db = services.ServiceProvider.GetRequiredService<HomeStartDb>();
        await db.Database.MigrateAsync();
        var known = await db.Books.Select(book => book.Hash).ToListAsync();
        db.Books.AddRange(app.Services.GetRequiredService<Demo>().Files.Where(file => !known.Contains(file.Hash)));
        await db.SaveChangesAsync();
    }

    private static void AddProtection(IServiceCollection services, StartOptions options)
    {
        var protection = services.AddDataProtection().SetApplicationName("home-start");
        if (options.Data.Length == 0)
        {
            protection.UseEphemeralDataProtectionProvider();
        }
        else
        {
            protection.PersistKeysToFileSystem(Directory.CreateDirectory(Path.Combine(options.Data, "keys")));
        }

        services.AddAntiforgery(antiforgery =>
        {
            antiforgery.HeaderName = AntiforgeryFilter.Header;
            antiforgery.Cookie.Name = "home-start-antiforgery";
            antiforgery.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            antiforgery.SuppressXFrameOptionsHeader = true;
        });
    }
}
