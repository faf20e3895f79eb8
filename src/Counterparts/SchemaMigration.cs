using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace HomeStart.Counterparts;

/// <summary>Brings the file's tables up to date.</summary>
internal static class SchemaMigration
{
    public static void BringUpToDate(CounterpartsDb db)
    {
        db.Database.ExecuteSqlRaw("PRAGMA journal_mode = WAL");
        // A process killed at this point leaves EF's lock behind, and EF would wait for it without end.
        db.Database.ExecuteSqlRaw("DROP TABLE IF EXISTS \"__EFMigrationsLock\"");
        TakeOver(db);
        db.Database.Migrate();
    }

    // The first release made its tables without keeping a history: they are the first migration's.
    private static void TakeOver(CounterpartsDb db)
    {
        var history = db.GetService<IHistoryRepository>();
        if (
            history.Exists()
            || !db
                .Database.SqlQuery<int>($"SELECT count(*) AS Value FROM sqlite_master WHERE name = 'Accounts'")
                .AsEnumerable()
                .Any(count => count > 0)
        )
        {
            return;
        }

        db.Database.ExecuteSqlRaw(history.GetCreateScript());
        db.Database.ExecuteSqlRaw(
            history.GetInsertScript(new HistoryRow(db.Database.GetMigrations().First(), ProductInfo.GetVersion()))
        );
    }
}

/// <summary>For the migrations tool alone.</summary>
internal sealed class DesignTimeCounterpartsDb : IDesignTimeDbContextFactory<CounterpartsDb>
{
    public CounterpartsDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<CounterpartsDb>().UseSqlite("Data Source=design.db").Options);
}
