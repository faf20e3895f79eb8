using System.Diagnostics;
using System.Text.RegularExpressions;

namespace HomeStart.Browser.Tests;

/// <summary>
/// What every main view says and offers with the demo, and what journeys come by, kept line by line in <c>views</c>, so
/// that a figure, a word, a state or a link that comes out otherwise is noticed wherever it stands. After a change that
/// is meant: <c>HOME_START_VIEWS=write</c> writes them anew, and the difference is read before it is committed.
/// </summary>
internal static partial class KeptViews
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);

    /// <summary>At this moment of a journey the page, or the sheet over it, says and offers what is kept.</summary>
    public static void Keeps(this Browser browser, string moment) =>
        Differences(browser, "journeys", moment, onlyFront: true).ShouldBeEmpty(moment);

    /// <summary>The lines that are otherwise than kept; none: it is as it was.</summary>
    /// <param name="folder">Of <c>views</c>: how wide the page is, or "journeys".</param>
    public static IReadOnlyList<string> Differences(Browser browser, string folder, string view, bool onlyFront = false)
    {
        var file = Repository.Folder(
            "tests",
            "Browser.Tests",
            "views",
            folder,
            $"{NoName().Replace(view, "-").Trim('-')}.txt"
        );
        if (Environment.GetEnvironmentVariable("HOME_START_VIEWS") == "write")
        {
            Directory.CreateDirectory(Path.GetDirectoryName(file)!);
            File.WriteAllText(file, Rested(browser, onlyFront) + "\n");
            return [];
        }

        // What comes a moment later is waited for.
        var (kept, watch) = (File.ReadAllText(file).TrimEnd('\n'), Stopwatch.StartNew());
        var seen = Seen(browser, onlyFront);
        while (seen != kept && watch.Elapsed < Patience)
        {
            Thread.Sleep(200);
            seen = Seen(browser, onlyFront);
        }

        if (seen == kept)
        {
            return [];
        }

        var (keptLines, seenLines) = (kept.Split('\n'), seen.Split('\n'));
        return
        [
            $"{seenLines.Length} lines for {keptLines.Length}; the first that is otherwise: {FirstOtherwise()}",
            .. keptLines.Except(seenLines).Select(line => $"no more: {line}"),
            .. seenLines.Except(keptLines).Select(line => $"new: {line}"),
        ];

        string FirstOtherwise()
        {
            var at = keptLines.Zip(seenLines).TakeWhile(pair => pair.First == pair.Second).Count();
            return $"{at + 1}, \"{seenLines.ElementAtOrDefault(at)}\" for \"{keptLines.ElementAtOrDefault(at)}\"";
        }
    }

    // What it says once nothing is on its way, and still says half a second later.
    private static string Rested(Browser browser, bool onlyFront)
    {
        while (true)
        {
            browser.Settled();
            var seen = Seen(browser, onlyFront);
            Thread.Sleep(500);
            if (Seen(browser, onlyFront) == seen)
            {
                return seen;
            }
        }
    }

    // What is another each time: addresses of this run, ids, references, secrets, codes, names of users and machines,
    // the time of day, a day of the real calendar; and what the switch of colours offers.
    private static string Seen(Browser browser, bool onlyFront)
    {
        var seen = browser.Outline(onlyFront);
        return Passing()
            .Replace(browser.Mail.Length > 0 ? seen.Replace(browser.Mail, "…", StringComparison.Ordinal) : seen, "…");
    }

    [GeneratedRegex("[^a-z0-9]+", RegexOptions.IgnoreCase, 1_000)]
    private static partial Regex NoName();

    [GeneratedRegex(
        @"https?://localhost:[0-9]+|(?<=/shared/)[\w-]{20,}|[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}"
            + @"|[0-9a-f]{32}|HS-[0-9A-Z]{4}-[0-9A-Z]{4}|(?<=code: )[0-9]{6}|\bac[0-9a-f]{8}|(?<=\bweb)[0-9]+"
            + @"|\b[0-9]{1,2}:[0-9]{2}(?::[0-9]{2})?\b|just now|[0-9]+ minutes? ago|\b(?:Day|Night)(?= colours|$)"
            + @"|(?<=\bread until )[0-9]{1,2} \p{L}+ [0-9]{4}"
            + @"|[0-9](?= of 5 places)|^[○●]|^(?:does not see it yet|sees it)$",
        RegexOptions.Multiline | RegexOptions.ExplicitCapture,
        1_000
    )]
    private static partial Regex Passing();
}
