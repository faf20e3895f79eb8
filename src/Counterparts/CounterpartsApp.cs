using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace HomeStart.Counterparts;

/// <summary>
/// The simulated outside: registry and registrars, card processor, hosting companies, mail. A host of its own, with its
/// own file.
/// </summary>
public static class CounterpartsApp
{
    /// <summary>Builds the host; the caller starts it.</summary>
    /// <param name="file">The SQLite file it keeps its worlds in.</param>
    /// <param name="books">The price lists its companies sell from.</param>
    /// <param name="mailPort">Where it takes mail in.</param>
    /// <param name="secret">What a caller must know, but for a browser that hands in a card or answers on a
    /// page.</param>
    /// <param name="notices">Where the application takes notices of payments; null: nobody does.</param>
    public static WebApplication Build(
        string file,
        IReadOnlyList<OfferBook> books,
        string secret,
        int mailPort,
        Action<WebApplicationBuilder> configure,
        Uri? notices = null
    )
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.SetMinimumLevel(LogLevel.Warning).AddFilter("Microsoft.Extensions.Hosting", LogLevel.None);
        builder.Services.AddDbContext<CounterpartsDb>(options =>
            options.UseSqlite(new SqliteConnectionStringBuilder { DataSource = file, DefaultTimeout = 10 }.ToString())
        );
        builder.Services.AddSingleton(new PriceLists(books));
        builder.Services.AddSingleton(TimeProvider.System);
        builder
            .Services.AddScoped<Zones>()
            .AddScoped<Resolvers>()
            .AddScoped<PanelDesk>()
            .AddScoped<WebServers>()
            .AddScoped<Mailboxes>();
        builder.Services.AddSingleton(services => new FileStore(
            Path.Combine(Path.GetDirectoryName(Path.GetFullPath(file))!, "web-space"),
            services.GetRequiredService<TimeProvider>()
        ));
        builder.Services.AddSingleton(new Notices(notices, secret));
        builder.Services.AddHostedService(services => new MailServer(
            services.GetRequiredService<IServiceScopeFactory>(),
            mailPort,
            secret,
            services.GetRequiredService<TimeProvider>()
        ));
        builder.Services.ConfigureHttpJsonOptions(json =>
            json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower))
        );
        configure(builder);
        var app = builder.Build();
        using (var services = app.Services.CreateScope())
        {
            SchemaMigration.BringUpToDate(services.ServiceProvider.GetRequiredService<CounterpartsDb>());
        }

        app.Use(WithoutItsFile);
        app.Use(
            (http, next) =>
                WebServers.Read(http.Request.Host) is var (name, world)
                    ? http.RequestServices.GetRequiredService<WebServers>().AnswerAsync(http, name, world)
                    : next(http)
        );
        app.UseRouting();
        app.UseMiddleware<KnownCaller>(secret);
        app.MapGet("/health", IsWholeAsync);
        app.MapBehaviours();
        app.MapOperations();
        app.MapRegistrars();
        app.MapHolders();
        app.MapRdap();
        app.MapNameServers();
        app.MapCards();
        app.MapHolds();
        app.MapCharges();
        app.MapPages();
        app.MapCustomers();
        app.MapQuotes();
        app.MapHosts();
        app.MapStandings();
        app.MapPanel();
        MailServer.MapMail(app);
        return app;
    }

    // A file that cannot be read, or is damaged, says so here and not only to the next order.
    private static async Task<IResult> IsWholeAsync(CounterpartsDb db, CancellationToken cancel)
    {
        try
        {
            await db.Database.OpenConnectionAsync(cancel);
            await using var command = db.Database.GetDbConnection().CreateCommand();
            command.CommandText = "PRAGMA quick_check(1)";
            return await command.ExecuteScalarAsync(cancel) is "ok" && await db.Operations.CountAsync(cancel) >= 0
                ? Results.Ok()
                : Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }
        catch (SqliteException)
        {
            return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }
    }

    /// <summary>SQLITE_BUSY.</summary>
    private const int Busy = 5;

    // A connection that a caller left in the middle of may not be open again at once: whoever asks then is told to ask
    // again.
    private static async Task WithoutItsFile(HttpContext http, RequestDelegate next)
    {
        try
        {
            await next(http);
        }
        catch (Exception exception)
            when (exception.GetBaseException() is SqliteException { SqliteErrorCode: Busy } && !http.Response.HasStarted
            )
        {
            http.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
        }
    }
}
