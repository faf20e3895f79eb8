using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Backups;

/// <summary>A database file, read beside the program that uses it.</summary>
internal static class DatabaseFile
{
    private const string Migrations = "SELECT MigrationId FROM __EFMigrationsHistory";

    /// <summary>A whole copy as of one moment, by SQLite's online backup; gone when disposed.</summary>
    public static TemporaryFile Copy(string database)
    {
        var copy = new TemporaryFile();
        using var source = Open(database, SqliteOpenMode.ReadWrite);
        using var target = Open(copy.Path, SqliteOpenMode.ReadWriteCreate);
        source.BackupDatabase(target);
        using var alone = target.CreateCommand();
        alone.CommandText = "PRAGMA journal_mode = DELETE"; // So that the file has none beside it.
        alone.ExecuteNonQuery();
        return copy;
    }

    /// <summary>What is wrong with a database, in sentences; nothing where it is whole.</summary>
    /// <param name="known">The migrations this program knows; null: the file is another program's.</param>
    public static IReadOnlyList<string> Faults(string database, IReadOnlyCollection<string>? known)
    {
        var name = Path.GetFileName(database);
        try
        {
            using var connection = Open(database, SqliteOpenMode.ReadWrite);
            var damage = Ask(connection, "PRAGMA integrity_check").Where(line => line != "ok").Take(3).ToList();
            if (damage.Count > 0)
            {
                return [.. damage.Select(line => $"{name} is damaged: {line}.")];
            }

            var lost = Ask(connection, "SELECT DISTINCT \"table\" FROM pragma_foreign_key_check").ToList();
            var isNewer = known is not null && Ask(connection, Migrations).Except(known).Any();
            return
            [
                .. lost.Select(table => $"{name} has rows in {table} that belong to nothing."),
                .. isNewer ? new[] { $"{name} was written by a newer Home Start than this one." } : [],
            ];
        }
        catch (SqliteException exception)
        {
            return [$"{name} cannot be read: {exception.Message.Split('\n')[0].TrimEnd('.')}."];
        }
    }

    /// <summary>Whether a newer release wrote it.</summary>
    /// <param name="known">The migrations this program knows.</param>
    public static bool IsNewer(string database, IReadOnlyCollection<string> known) =>
        Applied(database).Except(known).Any();

    /// <summary>The migrations it has been through; none where it cannot be read, which shows elsewhere.</summary>
    public static IReadOnlyList<string> Applied(string database)
    {
        try
        {
            using var connection = Open(database, SqliteOpenMode.ReadWrite);
            return [.. Ask(connection, Migrations)];
        }
        catch (SqliteException)
        {
            return [];
        }
    }

    private static IEnumerable<string> Ask(SqliteConnection connection, string question)
    {
        using var command = connection.CreateCommand();
        command.CommandText = question;
        using var rows = command.ExecuteReader();
        while (rows.Read())
        {
            yield return rows.GetString(0);
        }
    }

    private static SqliteConnection Open(string file, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = file,
                Mode = mode,
                Pooling = false,
                DefaultTimeout = 30,
            }.ToString()
        );
        connection.Open();
        return connection;
    }
}

/// <summary>A file that is there for a while.</summary>
internal sealed class TemporaryFile : IDisposable
{
    public string Path { get; } =
        System.IO.Path.Combine(System.IO.Path.GetTempPath(), $"home-start-{System.IO.Path.GetRandomFileName()}");

    public void Dispose() => File.Delete(Path);
}
