using System.Diagnostics;

namespace HomeStart.Mutants;

/// <summary>A copy of the built tests of Core, run against one changed Core after another.</summary>
internal sealed class TestBench
{
    // A change that makes a loop endless is noticed too.
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(3);
    private readonly string folder;

    public TestBench(string root, int number)
    {
        var built = Path.Combine(root, "tests", "Core.Tests", "bin", "Debug", "net10.0");
        folder = Path.Combine(root, "tests", "Mutants", "bin", "bench", $"{number}");
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

    public string Core => Path.Combine(folder, "HomeStart.Core.dll");

    /// <summary>Whether every test passes. Ends at the first that fails.</summary>
    public async Task<bool> PassesAsync()
    {
        using var process = Process.Start(
            new ProcessStartInfo(
                "dotnet",
                ["exec", Path.Combine(folder, "HomeStart.Core.Tests.dll"), "--stop-on-fail", "on", "--no-progress"]
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
