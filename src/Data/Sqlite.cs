using System.Data.Common;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace HomeStart.Data;

/// <summary>How the SQLite file is opened: write-ahead log, foreign keys on, and patience with a busy file.</summary>
public static class Sqlite
{
    /// <summary>
    /// How long a writer waits for another: far longer than any writes, and short enough for whoever waits for an
    /// answer.
    /// </summary>
    private const int PatienceSeconds = 3;

    public static DbContextOptionsBuilder UseFile(this DbContextOptionsBuilder options, string file) =>
        options
            .UseSqlite(
                new SqliteConnectionStringBuilder
                {
                    DataSource = file,
                    ForeignKeys = true,
                    DefaultTimeout = PatienceSeconds,
                }.ToString()
            )
            .AddInterceptors(new WriteAheadLog());

    /// <summary>Whether a save failed because a row with that key is there already: somebody else was first.</summary>
    public static bool IsDuplicate(DbUpdateException exception) =>
        exception.InnerException is SqliteException { SqliteErrorCode: SQLitePCL.raw.SQLITE_CONSTRAINT };

    private sealed class WriteAheadLog : DbConnectionInterceptor
    {
        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData) =>
            Set(connection);

        public override Task ConnectionOpenedAsync(
            DbConnection connection,
            ConnectionEndEventData eventData,
            CancellationToken cancellationToken = default
        )
        {
            Set(connection);
            return Task.CompletedTask;
        }

        private static void Set(DbConnection connection)
        {
            if (connection.ConnectionString.Contains("Mode=ReadOnly", StringComparison.OrdinalIgnoreCase))
            {
                return; // EF looks so whether the file is there.
            }

            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA journal_mode = WAL; PRAGMA synchronous = NORMAL; PRAGMA busy_timeout = 3000;";
            command.ExecuteNonQuery();
        }
    }
}

/// <summary>For the migrations tool alone.</summary>
internal sealed class DesignTimeDb : IDesignTimeDbContextFactory<HomeStartDb>
{
    public HomeStartDb CreateDbContext(string[] args) =>
        new(
            new DbContextOptionsBuilder<HomeStartDb>().UseSqlite("Data Source=design.db").Options,
            new WorkspaceScope()
        );
}
