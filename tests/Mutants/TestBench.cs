using System.Diagnostics;

namespace HomeStart.Mutants;

/// <summary>A copy of built tests, run against one change of their subject after another.</summary>
internal sealed class TestBench
{
    private readonly Subject subject;
    private readonly string folder;

    public TestBench(Subject subject, int number)
    {
        this.subject = subject;
        var built = subject.Built;
        folder = Path.Combine(subject.Root, "tests", "Mutants", "bin", "bench", $"{number}");
        if (Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }

        foreach (
            var file in Directory
                .GetFiles(built, "*", SearchOption.AllDirectories)
                .Where(file => !file.Contains("TestResults", StringComparison.Ordinal))
        )
        {
            var copy = Path.Combine(folder, Path.GetRelativePath(built, file));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(file, copy);
        }
    }

    /// <summary>
    /// How long the tests are waited for. A change that makes a loop endless is noticed by it, so it must be longer
    /// than any run of tests that pass.
    /// </summary>
    public TimeSpan Longest { get; set; } = TimeSpan.FromMinutes(15);

    /// <summary>Where the changed assembly goes.</summary>
    public string Assembly => Path.Combine(folder, subject.Assembly + ".dll");

    /// <summary>Whether every test passes. Ends at the first that fails.</summary>
    public async Task<bool> PassesAsync(IEnumerable<string> filter)
    {
        using var process = Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    "exec",
                    Path.Combine(folder, $"HomeStart.{subject.Tests}.Tests.dll"),
                    "--stop-on-fail",
                    "on",
                    "--no-progress",
                    .. filter,
                ]
            )
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        using var end = new CancellationTokenSource(Longest);
        var output = process.StandardOutput.ReadToEndAsync(end.Token);
        var errors = process.StandardError.ReadToEndAsync(end.Token);
        try
        {
            await Task.WhenAll(output, errors, process.WaitForExitAsync(end.Token));
            return process.ExitCode == 0;
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            return false;
        }
    }
}
