using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Logging.Console;

namespace HomeStart.Web.Startup;

/// <summary>
/// One line an event, in plain text. What comes from outside may hold line ends and terminal commands: every control
/// character is written as its code, so that nobody can make up a line of the log.
/// </summary>
internal sealed class PlainConsole() : ConsoleFormatter(FormatterName)
{
    public const string FormatterName = "plain";

    public override void Write<TState>(
        in LogEntry<TState> logEntry,
        IExternalScopeProvider? scopeProvider,
        TextWriter textWriter
    )
    {
        var message = logEntry.Formatter(logEntry.State, logEntry.Exception);
        textWriter.WriteLine(
            Escape(
                $"{logEntry.LogLevel} {logEntry.Category}: "
                    + $"{message}{(logEntry.Exception is { } exception ? $" {exception}" : "")}"
            )
        );
    }

    /// <summary>The text with control characters, and marks that turn the reading direction, as <c>\u….</c></summary>
    public static string Escape(string text) =>
        text.Any(IsUnsafe)
            ? string.Concat(text.Select(letter => IsUnsafe(letter) ? $"\\u{(int)letter:x4}" : letter.ToString()))
            : text;

    private static bool IsUnsafe(char letter) =>
        char.IsControl(letter)
        || char.IsSurrogate(letter)
        || letter is '\u2028' or '\u2029' or (>= '\u202a' and <= '\u202e') or (>= '\u2066' and <= '\u2069');
}

internal static class PlainConsoleSetUp
{
    public static ILoggingBuilder AddPlainConsole(this ILoggingBuilder logging)
    {
        logging.AddConsole(console => console.FormatterName = PlainConsole.FormatterName);
        return logging.AddConsoleFormatter<PlainConsole, ConsoleFormatterOptions>();
    }
}
