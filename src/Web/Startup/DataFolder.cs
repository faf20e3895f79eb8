using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Startup;

/// <summary>A data folder belongs to one running program at a time, and what is in it to its owner alone.</summary>
internal static class DataFolder
{
    public const UnixFileMode PrivateFolder = Private | UnixFileMode.UserExecute;

    private const UnixFileMode Private = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    /// <summary>Holds the folder until disposed; null with the one sentence that says why it cannot be used.</summary>
    public static (FileStream? Held, string? Fault) TryTake(string folder)
    {
        try
        {
            if (!Directory.Exists(folder))
            {
                Directory.CreateDirectory(folder, PrivateFolder);
            }

            // SQLite gives its side files the rights of the database.
            foreach (
                var database in new[] { "home-start.db", "counterparts.db" }.Select(name => Path.Combine(folder, name))
            )
            {
                if (!File.Exists(database))
                {
                    WritePrivately(database, "");
                }

                File.SetUnixFileMode(database, Private);
            }
        }
        catch (Exception exception) when (exception is IOException or UnauthorizedAccessException)
        {
            return (
                null,
                $"Home Start cannot write in its data folder {folder}: {FirstLine(exception)} Make it writable, "
                    + "or choose another with --data."
            );
        }

        try
        {
            return (
                new FileStream(
                    Path.Combine(folder, "in-use"),
                    FileMode.OpenOrCreate,
                    FileAccess.ReadWrite,
                    FileShare.None,
                    1,
                    FileOptions.DeleteOnClose
                ),
                null
            );
        }
        catch (UnauthorizedAccessException exception)
        {
            return (
                null,
                $"Home Start cannot write in its data folder {folder}: {FirstLine(exception)} Make it writable, "
                    + "or choose another with --data."
            );
        }
        catch (IOException)
        {
            return (
                null,
                $"Home Start runs already with the data in {folder}. Stop it first, or start this one with "
                    + "--data and another folder."
            );
        }
    }

    /// <summary>What to say where the database cannot be used.</summary>
    public static string Say(SqliteException exception, string folder) =>
        exception.SqliteErrorCode is SQLitePCL.raw.SQLITE_CORRUPT or SQLitePCL.raw.SQLITE_NOTADB
            ? $"The database in {folder} is damaged: {FirstLine(exception)} Put a copy of the folder back, or "
                + "start with an empty one by --data."
            : $"The database in {folder} cannot be used: {FirstLine(exception)} See that the disk is not full and "
                + "the files are yours, or choose another folder with --data.";

    public static void WritePrivately(string file, string text)
    {
        using var stream = new FileStream(
            file,
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.Write,
                UnixCreateMode = Private,
            }
        );
        using var writer = new StreamWriter(stream);
        writer.Write(text);
    }

    private static string FirstLine(Exception exception) => exception.Message.Split('\n')[0].TrimEnd('.') + ".";
}
