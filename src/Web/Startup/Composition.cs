using System.IO.Compression;
using HomeStart.Connectors;
using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Web.Accounts;
using HomeStart.Web.Advertising;
using HomeStart.Web.Books;
using HomeStart.Web.Comparisons;
using HomeStart.Web.Costings;
using HomeStart.Web.Domains;
using HomeStart.Web.Exports;
using HomeStart.Web.Mail;
using HomeStart.Web.Online;
using HomeStart.Web.Orders;
using HomeStart.Web.Requests;
using HomeStart.Web.Scans;
using HomeStart.Web.Session;
using HomeStart.Web.Sharing;
using HomeStart.Web.Sites;
using HomeStart.Web.Slips;
using HomeStart.Web.Upkeep;
using HomeStart.Web.Work;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Startup;

/// <summary>Puts the parts together.</summary>
public static class Composition
{
    /// <summary>The largest request body, in bytes.</summary>
    public const long LargestBody = 1 << 20;

    /// <param name="counterparts">In tests: the counterparts' own handler, in place of the network.</param>
    public static void AddHomeStart(
        WebApplicationBuilder builder,
        StartOptions options,
        Demo demo,
        Func<HttpMessageHandler>? counterparts = null
    )
    {
        var services = builder.Services;
        var hasData = options.Data.Length > 0;
        services.AddSingleton(options);
        services.AddSingleton(demo);
        services.AddSingleton(TimeProvider.System);
        services.AddScoped<WorkspaceScope>();
        services.AddDbContext<HomeStartDb>(db => db.UseFile(Path.Combine(options.Data, "home-start.db")));
        services.AddScoped<SiteHistory>();
        services.AddScoped<Housekeeping>();
        if (hasData)
        {
            services.AddHostedService<DailyTidying>();
        }

        services.AddShelf();
        services.AddScoped<Joining>();
        services.AddScoped<Workspace>();
        services.AddScoped<SiteDesk>();
        var secret = CounterpartsSecret.Read(options.Data);
        services.AddConnectors(
            options.CounterpartsAddress,
            options.Mail ?? MailServer.ForCounterpart(options.CounterpartsAddress.Host, options.MailPort, secret),
            secret,
            options.HasCounterparts ? counterparts : () => new NobodyOutside()
        );
        services.AddAccounts();
        services.AddHttpContextAccessor();
        services.AddSingleton<OpenAddress>();
        services.AddWork(carriesOut: hasData);
        services.AddOrders(carriesOut: hasData);
        services.AddUpkeep(carriesOut: hasData);
        services.AddScoped<Slips.BoughtDesk>();
        services.AddScoped<ShareDesk>();
        services.AddMail(sends: hasData);
        AddProtection(services, options);
        services.AddWatching(options);
        services.AddProblemDetails();
        services.AddExceptionHandler<UnreadableRequests>();
        services.AddExceptionHandler<StorageFaults>();
        services.AddLookUpLimits();
        services.AddSeeking();
        services.AddScoped<NameServerDesk>();
        services.AddOnline();
        services.AddSingleton<WorkSlots>();
        services.AddSingleton<InstanceName>();
        services.AddSingleton<VisitorCookie>();
        services.AddSingleton<IAntiforgeryAdditionalDataProvider, BoundToWorkspace>();
        AddNetwork(services, options);
        services.AddResponseCompression();
        services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Optimal);
        services.ConfigureHttpJsonOptions(json => WireJson.Configure(json.SerializerOptions));
        services.AddOpenApi(api =>
            api.AddSchemaTransformer<OpenApiSchemaFixes>().AddOperationTransformer<OpenApiSchemaFixes>()
        );
        services.AddSingleton<ClientPage>();
    }

    public static void MapHomeStart(WebApplication app)
    {
        app.UseForwardedHeaders();
        app.UseMiddleware<SecurityHeaders>();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseResponseCompression();
        app.UseClientAssets();
        app.MapWatching(app.Services.GetRequiredService<StartOptions>());
        app.UseRouting();
        app.UseMiddleware<VisitorCheck>();
        app.UseRateLimiter();
        var all = app.MapGroup("").AddEndpointFilter<ReadableBody>();
        all.MapCostings();
        all.MapPages();
        all.MapScans();
        all.MapNames();
        all.MapNotices();
        all.MapPreview();
        var own = all.MapGroup("").AddEndpointFilter<AntiforgeryFilter>();
        own.MapSession();
        own.MapBooks();
        own.MapAdvertising();
        own.MapSites();
        own.MapComparisons();
        own.MapExports();
        own.MapSlips();
        own.MapBought();
        own.MapDomains();
        own.MapSeeking();
        own.MapOwned();
        own.MapOrders();
        own.MapHolders();
        own.MapOnline();
        own.MapSellers();
        own.MapUpkeep();
        own.MapCharges();
        own.MapClock();
        own.MapMail();
        own.MapAccounts();
        own.MapShares();
        all.MapSharedPages();
        app.MapClientPage();
    }

    /// <summary>Brings the database up to date and stores what the demo is made of.</summary>
    public static async Task PrepareAsync(WebApplication app)
    {
        await using var services = app.Services.CreateAsyncScope();
        var db = services.ServiceProvider.GetRequiredService<HomeStartDb>();
        await db.BringForwardAsync();
        var known = await db.Books.Select(book => book.Hash).ToListAsync();
        db.Books.AddRange(app.Services.GetRequiredService<Demo>().Files.Where(file => !known.Contains(file.Hash)));
        await db.SaveChangesAsync();
    }

    // Browsers follow names that a stranger made to point here: only our own are answered (DNS rebinding).
    private static void AddNetwork(IServiceCollection services, StartOptions options)
    {
        services.AddHostFiltering(filter =>
            filter.AllowedHosts = ["localhost", "127.0.0.1", "[::1]", .. options.Hosts]
        );
        services.Configure<ForwardedHeadersOptions>(forwarded =>
            forwarded.ForwardedHeaders = options.BehindProxy
                ? ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto
                : ForwardedHeaders.None
        );
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
            protection.PersistKeysToFileSystem(
                Directory.CreateDirectory(Path.Combine(options.Data, "keys"), DataFolder.PrivateFolder)
            );
        }

        services.AddAntiforgery(antiforgery =>
        {
            antiforgery.HeaderName = AntiforgeryFilter.Header;
            antiforgery.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            antiforgery.SuppressXFrameOptionsHeader = true;
        });
        services
            .AddOptions<AntiforgeryOptions>()
            .Configure<InstanceName>(
                (antiforgery, instance) =>
                    antiforgery.Cookie.Name = instance.CookieName("antiforgery", options.BehindProxy)
            );
    }
}
