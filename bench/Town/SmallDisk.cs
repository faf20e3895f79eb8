using System.Diagnostics;

namespace HomeStart.Bench;

/// <summary>A file system of its own in memory, small enough to be filled to the last byte.</summary>
internal sealed class SmallDisk : IDisposable
{
    private readonly DirectoryInfo _mounted = Directory.CreateTempSubdirectory("home-start-disk-");

    private SmallDisk() { }

    /// <summary>The folder for the data on it.</summary>
    public DirectoryInfo Folder => new(Path.Combine(_mounted.FullName, "data"));

    /// <summary>Null where this user may not mount one.</summary>
    public static SmallDisk? TryMount(int megabytes)
    {
        var disk = new SmallDisk();
        if (!Run("mount", "-t", "tmpfs", "-o", $"size={megabytes}m", "tmpfs", disk._mounted.FullName))
        {
            disk._mounted.Delete();
            return null;
        }

        disk.Folder.Create();
        return disk;
    }

    /// <summary>How much of it is taken, in megabytes.</summary>
    public long Taken =>
        new DriveInfo(_mounted.FullName) is var drive ? (drive.TotalSize - drive.AvailableFreeSpace) >> 20 : 0;

    /// <summary>Takes all that is free for a while.</summary>
    public async Task FillAsync(TimeSpan time)
    {
        var path = Path.Combine(_mounted.FullName, "filling");
        try
        {
            await using var file = File.Create(path);
            var block = new byte[64 * 1024];
            while (true)
            {
                await file.WriteAsync(block);
                await file.FlushAsync();
            }
        }
        catch (IOException)
        {
            // It is full.
        }

        await Task.Delay(time);
        File.Delete(path);
    }

    public void Dispose()
    {
        // At once, whatever a process that is ending still has open on it.
        Run("umount", "-l", _mounted.FullName);
        _mounted.Delete(recursive: true);
    }

    private static bool Run(string program, params string[] arguments)
    {
        using var process = Process.Start(
            new ProcessStartInfo(program, arguments) { UseShellExecute = false, RedirectStandardError = true }
        )!;
        process.WaitForExit();
        return process.ExitCode == 0;
    }
}
