using System.Diagnostics.Metrics;
using System.Net;
using System.Net.Sockets;
using HomeStart.Counterparts;
using HomeStart.Data;
using HomeStart.Web.Orders;
using HomeStart.Web.Startup;
using HomeStart.Web.Upkeep;
using HomeStart.Web.Work;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace HomeStart.Web.Tests;

/// <summary>
/// The real host in memory with a real SQLite file, and the counterparts as a second one whose handler the connectors
/// are given. Can be stopped and started again over the same files, as a server would be.
/// </summary>
public sealed class TestHost : IAsyncDisposable
{
    public static readonly DateOnly Today = new(2026, 12, 1);

    private readonly DirectoryInfo _data = Directory.CreateTempSubdirectory("home-start-web-");
    private static readonly Lazy<Demo> LoadedDemo = new(() => Demo.Load(Root("demo")));

    /// <summary>
    /// The databases of a host that has only just started, so that each further one need not migrate its own.
    /// </summary>
    private static readonly Lazy<Task<IReadOnlyList<StartedFile>>> Started = new(StartedAsync);

    /// <summary>What is in the folder of a host that has done nothing unusual.</summary>
    private static readonly HashSet<string> Usual =
    [
        "counterparts.db",
        "counterparts.db-shm",
        "counterparts.db-wal",
        "counterparts.secret",
        "home-start.db",
        "home-start.db-shm",
        "home-start.db-wal",
        "instance",
        "keys",
    ];
    private readonly List<string> _log = [];
    private bool _isRecording;
    private IReadOnlyList<string> _files = [];
    private readonly int _mailPort = FreePort();
    private WebApplication? _app;
    private WebApplication? _counterparts;
    private Func<DelegatingHandler>? _between;
    private IInterceptor? _interceptor;
    private Func<StartOptions, StartOptions> _options = same => same;
    private DayPace? _days;
    private WorkPace? _work;
    private Func<IReadOnlyList<OfferBook>, IReadOnlyList<OfferBook>> _sellers = same => same;
    private MeterListener? _meters;
    private long _requestsUnderWay;
    private bool _isReusable;

    private TestHost() { }

    /// <summary>The real time of the application, which tests may put forward.</summary>
    public ShiftedTime Clock { get; } = new();

    /// <summary>That of the counterparts.</summary>
    public ShiftedTime ClockOutside { get; } = new();

    public string DataFolder => _data.FullName;

    /// <summary>Everything both hosts logged, at every level, of a host that was started to record it.</summary>
    public IReadOnlyList<string> Log
    {
        get
        {
            _isRecording.ShouldBeTrue();
            lock (_log)
            {
                return [.. _log];
            }
        }
    }

    public IServiceProvider Services => _app!.Services;

    /// <summary>Over a copy of the files of a folder.</summary>
    public static async Task<TestHost> StartOverAsync(string files)
    {
        var host = new TestHost();
        foreach (var file in Directory.GetFiles(files, "*", SearchOption.AllDirectories))
        {
            var copy = Path.Combine(host.DataFolder, Path.GetRelativePath(files, file));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(file, copy);
        }

        await host.StartAgainAsync();
        return host;
    }

    public static Task<TestHost> StartAsync(Func<StartOptions, StartOptions> options) =>
        StartAsync(null, null, null, options);

    /// <param name="between">Stands between the connectors and the counterparts, and may answer for them.</param>
    /// <param name="sellers">The price lists that the sellers sell from, where they are not the demo's.</param>
    /// <param name="isRecording">Whether all that is logged is kept; it costs time.</param>
    public static async Task<TestHost> StartAsync(
        OrderPace? pace = null,
        Func<DelegatingHandler>? between = null,
        IInterceptor? interceptor = null,
        Func<StartOptions, StartOptions>? options = null,
        DayPace? days = null,
        WorkPace? work = null,
        Func<IReadOnlyList<OfferBook>, IReadOnlyList<OfferBook>>? sellers = null,
        bool isRecording = false
    )
    {
        var isReusable =
            !isRecording
            && (pace, between, interceptor, options, days, work, sellers) == (null, null, null, null, null, null, null);
        if (isReusable && SpareHosts.TryTake(out var spare))
        {
            return spare;
        }

        var host = new TestHost
        {
            _sellers = sellers ?? (same => same),
            _between = between,
            _interceptor = interceptor,
            _options = options ?? (same => same),
            _days = days,
            _work = work,
            _isRecording = isRecording,
        };
        foreach (var file in await Started.Value)
        {
            await File.WriteAllBytesAsync(Path.Combine(host.DataFolder, file.Name), file.Bytes);
        }

        await host.StartAgainAsync(pace);
        host._isReusable = isReusable;
        return host;
    }

    public async Task StartAgainAsync(OrderPace? pace = null)
    {
        await StopAsync();
        _isReusable = false;
        _counterparts = CounterpartsApp.Build(
            Path.Combine(DataFolder, "counterparts.db"),
            _sellers(LoadedDemo.Value.OfferBooks),
            CounterpartsSecret.Read(DataFolder),
            _mailPort,
            builder =>
            {
                builder.WebHost.UseTestServer();
                builder.Services.AddSingleton<TimeProvider>(ClockOutside);
                Record(builder.Logging.ClearProviders());
            }
        );
        await _counterparts.StartAsync();
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions { ContentRootPath = DataFolder, EnvironmentName = "Test" }
        );
        builder.WebHost.UseTestServer();
        Record(builder.Logging.ClearProviders());
        Composition.AddHomeStart(
            builder,
            _options(new StartOptions(5080, DataFolder, Today, Root("demo")) { MailPort = _mailPort }),
            LoadedDemo.Value,
            Handler
        );
        // Tidying runs at some moment after the start: it could remove a row before the test that wrote it looks.
        builder.Services.Remove(
            builder.Services.Single(service => typeof(DailyTidying).Equals(service.ImplementationType))
        );
        builder.Services.AddSingleton(pace ?? new NoWaiting());
        builder.Services.AddSingleton<TimeProvider>(Clock);
        if (_days is not null)
        {
            builder.Services.AddSingleton(_days);
        }

        if (_work is not null)
        {
            builder.Services.AddSingleton(_work);
        }

        if (_interceptor is not null)
        {
            builder.Services.ConfigureDbContext<HomeStartDb>(db => db.AddInterceptors(_interceptor));
        }

        _app = builder.Build();
        CountRequests();
        Composition.MapHomeStart(_app);
        await Composition.PrepareAsync(_app);
        await _app.StartAsync();
        _files = [FileOf<CounterpartsDb>(_counterparts), FileOf<HomeStartDb>(_app)];
    }

    /// <summary>Waits until orders, days and mail have come as far as they do now.</summary>
    public async Task IdleAsync()
    {
        var worker = Services.GetServices<IHostedService>().OfType<Worker>().Single();
        for (var tries = 0; !worker.IsIdle; tries++)
        {
            tries.ShouldBeLessThan(4000, "the worker did not come to rest");
            await Task.Delay(5);
        }
    }

    /// <summary>
    /// Waits until no request is under way: a caller who left was noticed, and their question has ended.
    /// </summary>
    public async Task QuietAsync()
    {
        for (var tries = 0; Volatile.Read(ref _requestsUnderWay) > 0; tries++)
        {
            tries.ShouldBeLessThan(4000, "a request did not end");
            await Task.Delay(5);
        }
    }

    // The server's own count of the requests it is answering.
    private void CountRequests()
    {
        _meters?.Dispose();
        _requestsUnderWay = 0;
        var scope = Services.GetRequiredService<IMeterFactory>();
        _meters = new MeterListener
        {
            InstrumentPublished = (instrument, listener) =>
            {
                if (instrument.Name == "http.server.active_requests" && instrument.Meter.Scope == scope)
                {
                    listener.EnableMeasurementEvents(instrument);
                }
            },
        };
        _meters.SetMeasurementEventCallback<long>((_, change, _, _) => Interlocked.Add(ref _requestsUnderWay, change));
        _meters.Start();
    }

    /// <summary>A new visitor.</summary>
    public Visitor Visit(Visitor? again = null) =>
        new(
            _app!.GetTestServer(),
            _counterparts!.GetTestServer(),
            Services.GetRequiredService<IDataProtectionProvider>().CreateProtector("workspace").Unprotect,
            CounterpartsSecret.Read(DataFolder),
            again
        );

    /// <summary>Somebody without cookies.</summary>
    public HttpClient App() => _app!.GetTestServer().CreateClient();

    /// <summary>Somebody who can reach the counterparts, and knows nothing.</summary>
    public HttpClient Outside() => _counterparts!.GetTestServer().CreateClient();

    /// <summary>Somebody who knows the counterparts' secret.</summary>
    public HttpClient Counterparts()
    {
        var client = Outside();
        client.DefaultRequestHeaders.Authorization = new("Bearer", CounterpartsSecret.Read(DataFolder));
        return client;
    }

    internal async Task<T> InCounterpartsAsync<T>(Func<CounterpartsDb, Task<T>> look)
    {
        await using var scope = _counterparts!.Services.CreateAsyncScope();
        return await look(scope.ServiceProvider.GetRequiredService<CounterpartsDb>());
    }

    public async Task<T> InDatabaseAsync<T>(Func<HomeStartDb, Task<T>> look)
    {
        await using var scope = Services.CreateAsyncScope();
        return await look(scope.ServiceProvider.GetRequiredService<HomeStartDb>());
    }

    /// <summary>Moves a visitor's clock on, as look-ahead does.</summary>
    public Task MoveOnAsync(Visitor visitor, int days) =>
        InDatabaseAsync(db =>
            db.Workspaces.IgnoreQueryFilters()
                .Where(row => row.Id == visitor.Workspace)
                .ExecuteUpdateAsync(set => set.SetProperty(row => row.DaysAhead, row => row.DaysAhead + days))
        );

    /// <summary>Another test has it, where it is as it started; else it ends.</summary>
    public async ValueTask DisposeAsync()
    {
        if (_isReusable && await IsPutBackAsync())
        {
            SpareHosts.Add(this);
        }
        else
        {
            await EndAsync();
        }
    }

    internal async ValueTask EndAsync()
    {
        await StopAsync();
        CloseFiles();
        _data.Delete(recursive: true);
    }

    // What a test changed beside the databases (clocks, work that still waits, other files) is not put back.
    private async Task<bool> IsPutBackAsync()
    {
        var worker = Services.GetServices<IHostedService>().OfType<Worker>().Single();
        for (var tries = 0; tries < 100 && !(worker.IsIdle && Volatile.Read(ref _requestsUnderWay) == 0); tries++)
        {
            await Task.Delay(5);
        }

        var isAtRest = worker.IsIdle && Volatile.Read(ref _requestsUnderWay) == 0;
        if (!isAtRest || (Clock.Ahead, ClockOutside.Ahead) != (TimeSpan.Zero, TimeSpan.Zero))
        {
            return false;
        }

        var started = await Started.Value;
        return _data.GetFileSystemInfos().All(file => Usual.Contains(file.Name))
            && _files.Zip(started).All(pair => pair.Second.Content.IsPutBackIn(pair.First));
    }

    private static async Task<IReadOnlyList<StartedFile>> StartedAsync()
    {
        await using var host = new TestHost();
        await host.StartAgainAsync();
        await host.StopAsync();
        var contents = host._files.Select(DatabaseContent.Of).ToList();
        host.CloseFiles();
        return
        [
            .. host
                ._files.Select(file => new SqliteConnectionStringBuilder(file).DataSource)
                .Zip(contents)
                .Select(pair => new StartedFile(
                    Path.GetFileName(pair.First),
                    File.ReadAllBytes(pair.First),
                    pair.Second
                )),
        ];
    }

    // Pooled connections hold the files; those of the hosts beside this one stay open.
    private void CloseFiles()
    {
        foreach (var file in _files)
        {
            using var connection = new SqliteConnection(file);
            SqliteConnection.ClearPool(connection);
        }
    }

    private static string FileOf<TContext>(WebApplication app)
        where TContext : DbContext
    {
        using var scope = app.Services.CreateScope();
        return scope.ServiceProvider.GetRequiredService<TContext>().Database.GetConnectionString()!;
    }

    private async Task StopAsync()
    {
        foreach (var app in new[] { _app, _counterparts }.OfType<WebApplication>())
        {
            await app.StopAsync();
            await app.DisposeAsync();
        }
    }

    // Mail goes through a real socket: SMTP has no handler to be handed.
    internal static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private HttpMessageHandler Handler()
    {
        var outside = _counterparts!.GetTestServer().CreateHandler();
        if (_between is null)
        {
            return outside;
        }

        var between = _between();
        between.InnerHandler = outside;
        return between;
    }

    private void Record(ILoggingBuilder logging)
    {
        if (_isRecording)
        {
            logging.SetMinimumLevel(LogLevel.Trace);
            logging.AddProvider(new Recorder(_log));
        }
        else
        {
            logging.SetMinimumLevel(LogLevel.None);
        }
    }

    internal static string Root(string folder)
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "HomeStart.slnx")))
        {
            at = at.Parent!;
        }

        return Path.Combine(at.FullName, folder);
    }

    private sealed class NoWaiting : OrderPace
    {
        public override Task WaitAsync(int unanswered, CancellationToken cancel) => Task.CompletedTask;
    }

    private sealed class Recorder(List<string> log) : ILoggerProvider, ILogger
    {
        public ILogger CreateLogger(string categoryName) => this;

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(
            LogLevel logLevel,
            EventId eventId,
            TState state,
            Exception? exception,
            Func<TState, Exception?, string> formatter
        )
        {
            lock (log)
            {
                log.Add($"{logLevel}: {formatter(state, exception)} {exception}");
            }
        }

        public void Dispose() { }
    }

    private sealed record StartedFile(string Name, byte[] Bytes, DatabaseContent Content);

    public sealed class ShiftedTime : TimeProvider
    {
        public TimeSpan Ahead { get; set; }

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + Ahead;
    }
}
