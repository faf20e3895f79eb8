using HomeStart.Web.Startup;

namespace HomeStart.Web.Backups;

/// <summary>Keeps, brings back and checks a data folder. Each gives null, or the sentence that says why not.</summary>
public static class Backup
{
    /// <summary>Writes a backup of a folder, which may be in use, and reads it again before it counts as one.</summary>
    /// <param name="passphrase">What opens it; null: it is not sealed.</param>
    public static string? Write(string folder, string file, string? passphrase, DateTimeOffset now)
    {
        if (File.Exists(file))
        {
            return $"There is a file {file} already. Choose another name: a backup never replaces one.";
        }

        if (!File.Exists(Path.Combine(folder, BackupContents.Databases[0])))
        {
            return $"There is no data of Home Start in {folder}.";
        }

        var written = $"{file}.part";
        File.Delete(written);
        try
        {
            using var packed = new TemporaryFile();
            BackupContents.Pack(folder, packed.Path, now);
            if (passphrase is null)
            {
                File.Copy(packed.Path, written);
            }
            else
            {
                SealedFile.Seal(packed.Path, written, passphrase);
            }

            File.SetUnixFileMode(written, UnixFileMode.UserRead | UnixFileMode.UserWrite);
            if (Tried(written, passphrase) is { } fault)
            {
                return $"The backup could not be read again, and is not kept. {fault}";
            }

            File.Move(written, file);
            return null;
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException)
        {
            return $"The backup could not be written: {exception.Message}";
        }
        finally
        {
            File.Delete(written);
        }
    }

    /// <summary>Brings a backup back into a folder that is empty, or not there yet.</summary>
    public static string? Restore(string file, string folder, string? passphrase)
    {
        if (!File.Exists(file))
        {
            return $"There is no file {file}.";
        }

        if (Directory.Exists(folder) && Directory.EnumerateFileSystemEntries(folder).Any())
        {
            return $"There is something in {folder} already, and nothing there was touched. Choose an empty folder.";
        }

        var beside = $"{Path.TrimEndingDirectorySeparator(folder)}.restoring";
        Clear(beside);
        try
        {
            if (Unpack(file, beside, passphrase) is { } fault)
            {
                return fault;
            }

            if (Directory.Exists(folder))
            {
                Directory.Delete(folder);
            }

            Directory.Move(beside, folder);
            return null;
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException)
        {
            return $"The backup could not be brought back: {exception.Message}";
        }
        finally
        {
            Clear(beside);
        }
    }

    /// <summary>What is wrong with a data folder, sentence by sentence; nothing where it is whole.</summary>
    public static IReadOnlyList<string> Check(string folder)
    {
        if (!Directory.Exists(folder))
        {
            return [$"There is no folder {folder}."];
        }

        var missing = BackupContents
            .Databases.Concat(["counterparts.secret", "keys"])
            .Where(name => !Path.Exists(Path.Combine(folder, name)))
            .ToList();
        return
        [
            .. missing.Select(name => $"{name} is missing."),
            .. BackupContents
                .Databases.Except(missing)
                .SelectMany(name =>
                    DatabaseFile.Faults(
                        Path.Combine(folder, name),
                        name == BackupContents.Databases[0] ? KnownMigrations.All : null
                    )
                ),
        ];
    }

    // As it would be brought back: unpacked, and its databases whole.
    private static string? Tried(string file, string? passphrase)
    {
        var folder = Directory.CreateTempSubdirectory("home-start-tried-").FullName;
        try
        {
            return Unpack(file, folder, passphrase);
        }
        finally
        {
            Clear(folder);
        }
    }

    private static string? Unpack(string file, string folder, string? passphrase)
    {
        using var opened = new TemporaryFile();
        if (SealedFile.IsSealed(file))
        {
            if (passphrase is null)
            {
                return "This backup is sealed: say its passphrase.";
            }

            if (!SealedFile.TryOpen(file, opened.Path, passphrase))
            {
                return "The passphrase is another one, or the backup is damaged.";
            }
        }

        Directory.CreateDirectory(folder, DataFolder.PrivateFolder);
        return BackupContents.Unpack(File.Exists(opened.Path) ? opened.Path : file, Path.GetFullPath(folder))
            ?? (Check(folder) is [var fault, ..] ? fault : null);
    }

    private static void Clear(string folder)
    {
        if (Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }
    }
}
