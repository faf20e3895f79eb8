using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Tests;

/// <summary>What is killed in the middle of its start leaves nothing behind that the next start trips over.</summary>
public sealed class KilledWhileStartingTests
{
    private static readonly TimeSpan FarTooLong = TimeSpan.FromSeconds(60);

    /// <summary>Only the process that took this lock gives it back, and that process is gone.</summary>
    [Theory]
    [InlineData("home-start.db")]
    [InlineData("counterparts.db")]
    public async Task The_lock_of_a_database_that_was_being_brought_forward_is_nobodys(string file)
    {
        await using var host = await TestHost.StartAsync();
        await using (
            var connection = new SqliteConnection($"Data Source={Path.Combine(host.DataFolder, file)};Pooling=false")
        )
        {
            await connection.OpenAsync(TestContext.Current.CancellationToken);
            await using var command = connection.CreateCommand();
            command.CommandText = """
                CREATE TABLE IF NOT EXISTS "__EFMigrationsLock"
                    ("Id" INTEGER NOT NULL PRIMARY KEY, "Timestamp" TEXT NOT NULL);
                INSERT INTO "__EFMigrationsLock" VALUES (1, '2026-12-01 10:00:00');
                """;
            await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        }

        // EF waits within the call, without giving way.
        await Task.Run(() => host.StartAgainAsync(), TestContext.Current.CancellationToken)
            .WaitAsync(FarTooLong, TestContext.Current.CancellationToken);
        (await host.Visit().OpenAsync()).GetProperty("name").GetString().ShouldBe("Ostler & Wren");
    }
}
