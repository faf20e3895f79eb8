using System.Globalization;
using HomeStart.Connectors;

namespace HomeStart.Web.Startup;

/// <summary>What <c>./run</c> can be told.</summary>
/// <param name="Port">Where the application listens; the counterparts listen on the next one, their mail server on the
/// one after.</param>
/// <param name="Data">The folder of the databases and keys.</param>
/// <param name="Date">The business date; null: the day it is.</param>
/// <param name="Demo">The folder of the demo's offer books and site.</param>
public sealed record StartOptions(int Port, string Data, DateOnly? Date, string Demo)
{
    /// <summary>
    /// The names it answers to besides those of this machine: whatever else a browser was led to believe is our name is
    /// refused.
    /// </summary>
    public IReadOnlyList<string> Hosts { get; init; } = [];

    /// <summary>Whether a proxy on this machine stands before it, whose word on scheme and address is taken.</summary>
    public bool BehindProxy { get; init; }

    /// <summary>
    /// Whether the simulated counterparts run beside it. Without them nothing is ordered from here, no seller is asked,
    /// and the clock is the real one.
    /// </summary>
    public bool HasCounterparts { get; init; } = true;

    /// <summary>The mail server of a place without counterparts; null: theirs.</summary>
    public MailServer? Mail { get; init; }

    /// <summary>Whether each line of the log is a JSON object, for programs that collect logs; else text.</summary>
    public bool LogsJson { get; init; }

    public const int DefaultPort = 5080;

    /// <summary>
    /// Where the mail counterpart takes mail in: behind the other counterparts, unless a test says otherwise.
    /// </summary>
    public int MailPort
    {
        get => field == 0 ? Port + 2 : field;
        init;
    }

    /// <summary>Where links in mails lead: the first name it is known by, else this machine.</summary>
    public Uri PublicAddress =>
        Hosts is [var host, ..]
            ? new($"{(BehindProxy ? "https" : "http")}://{host}{(BehindProxy ? "" : $":{Port}")}")
            : new($"http://localhost:{Port}");

    /// <summary>
    /// Where browsers hand card numbers in: the counterparts, which a proxy passes <c>/cards</c> on to.
    /// </summary>
    public Uri CardProcessor => BehindProxy ? PublicAddress : CounterpartsAddress;

    public Uri CounterpartsAddress => new($"http://localhost:{Port + 1}");

    /// <summary>Reads the options; a message says what is wrong with one that cannot be read.</summary>
    public static (StartOptions? Options, string? Fault) Read(IConfiguration configuration)
    {
        var port = configuration["port"] ?? DefaultPort.ToString(CultureInfo.InvariantCulture);
        if (!int.TryParse(port, out var number) || number is < 1 or > 65533)
        {
            return (null, $"--port takes a number from 1 to 65533, not “{port}”.");
        }

        if (configuration["log"] is { } log && log is not ("text" or "json"))
        {
            return (null, $"--log takes text or json, not “{log}”.");
        }

        if (configuration["behind-proxy"] is { } proxy && proxy is not ("true" or "false"))
        {
            return (null, $"--behind-proxy takes true or false, not “{proxy}”.");
        }

        if (configuration["counterparts"] is { } counterparts && counterparts is not ("on" or "off"))
        {
            return (null, $"--counterparts takes on or off, not “{counterparts}”.");
        }

        var isAlone = configuration["counterparts"] == "off";
        var (mail, unread) = MailServerOption.Read(configuration);
        if (unread is not null || isAlone != mail is not null)
        {
            return (
                null,
                unread
                    ?? (
                        isAlone
                            ? "--counterparts off needs a mail server: codes to sign in, and reminders, are sent by it. "
                                + "Name it with --mail smtp://HOST:PORT and --mail-from ADDRESS."
                            : "--mail is for --counterparts off: with them, mail goes to their own mailbox."
                    )
            );
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

        return (
            new StartOptions(
                number,
                Path.GetFullPath(configuration["data"] ?? "data"),
                date,
                Path.GetFullPath(configuration["demo"] ?? "demo")
            )
            {
                Hosts = configuration["host"]
                    ?.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries) ?? [],
                BehindProxy = configuration["behind-proxy"] == "true",
                LogsJson = configuration["log"] == "json",
                HasCounterparts = !isAlone,
                Mail = mail,
            },
            null
        );
    }
}
