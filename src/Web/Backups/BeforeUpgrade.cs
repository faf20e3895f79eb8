using HomeStart.Web.Startup;
using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Backups;

/// <summary>
/// The databases as the release before this one left them: copied within the data folder before they are brought
/// forward, and kept until this release has run for a while. Put back, they are what the release before goes on from.
/// </summary>
internal static class BeforeUpgrade
{
    /// <summary>Where in a data folder.</summary>
    public const string Folder = "before";

    /// <summary>How long they are kept after this release began.</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromDays(14);

    /// <summary>
    /// Copies them where an earlier release wrote them and no copy is there yet; null, or the sentence that says why
    /// they could not be copied.
    /// </summary>
    /// <param name="known">The migrations this program knows.</param>
    public static string? Keep(string folder, IReadOnlyCollection<string> known)
    {
        var applied = DatabaseFile.Applied(Path.Combine(folder, BackupContents.Databases[0]));
        if (applied.Count == 0 || !known.Except(applied).Any())
        {
            return null;
        }

        var kept = Path.Combine(folder, Folder, applied.Max(StringComparer.Ordinal)!);
        if (Directory.Exists(kept))
        {
            return null; // Bringing them forward was broken off: this is what was before it began.
        }

        try
        {
            CopyTo($"{kept}.part", folder);
            Directory.Move($"{kept}.part", kept);
            return null;
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException or SqliteException)
        {
            return $"They could not be copied to {kept}: {exception.Message}";
        }
    }

    /// <summary>Removes what was kept long enough.</summary>
    public static void Tidy(string folder, DateTimeOffset now)
    {
        var before = Path.Combine(folder, Folder);
        foreach (var kept in Directory.Exists(before) ? Directory.GetDirectories(before) : [])
        {
            if (now.UtcDateTime - Directory.GetLastWriteTimeUtc(kept) > Kept)
            {
                Directory.Delete(kept, recursive: true);
            }
        }
    }

    private static void CopyTo(string part, string folder)
    {
        if (Directory.Exists(part))
        {
            Directory.Delete(part, recursive: true);
        }

        Directory.CreateDirectory(part, DataFolder.PrivateFolder);
        foreach (var name in BackupContents.Databases.Where(name => File.Exists(Path.Combine(folder, name))))
        {
            using var copy = DatabaseFile.Copy(Path.Combine(folder, name));
            File.Copy(copy.Path, Path.Combine(part, name));
            File.SetUnixFileMode(Path.Combine(part, name), UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
    }
}
