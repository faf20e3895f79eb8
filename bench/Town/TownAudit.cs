using System.Diagnostics;
using System.Globalization;
using HomeStart.Browser.Tests;
using Microsoft.Data.Sqlite;

namespace HomeStart.Bench;

/// <summary>Looks through the databases of a town when all is quiet: what is there that may not be.</summary>
internal static class TownAudit
{
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(3);

    // Each owner places one order: whatever stands twice for a world was done twice.
    private static readonly (string What, string Sql)[] Outside =
    [
        (
            "charged twice",
            "SELECT World || ' ' || Book FROM Holds WHERE State = 1 GROUP BY World, Book HAVING COUNT(*) > 1"
        ),
        ("money held for ever", "SELECT World || ' ' || Key FROM Holds WHERE State IN (0, 3)"),
        (
            "two accounts",
            "SELECT World || ' ' || Book FROM Accounts WHERE NOT IsRemoved GROUP BY World, Book HAVING COUNT(*) > 1"
        ),
        (
            "delivered unpaid",
            "SELECT World || ' ' || Book FROM Accounts WHERE NOT IsRemoved AND NOT EXISTS (SELECT 1 FROM Holds WHERE "
                + "Holds.World = Accounts.World AND Holds.Book = Accounts.Book AND State = 1)"
        ),
        (
            // What years later is gone or left was delivered; what an order took back itself still says that it lives.
            "paid and not delivered",
            "SELECT World || ' ' || Book FROM Holds WHERE State = 1 AND NOT EXISTS (SELECT 1 FROM Accounts WHERE "
                + "Accounts.World = Holds.World AND Accounts.Book = Holds.Book AND (NOT IsRemoved OR State IN ('gone', "
                + "'left'))) AND NOT EXISTS "
                + "(SELECT 1 FROM Registrations WHERE Registrations.World = Holds.World AND Registrar = Holds.Book)"
        ),
        (
            "one day charged twice",
            "SELECT World || ' ' || Book || ' ' || \"On\" FROM Charges GROUP BY World, Book, \"On\", Amount HAVING "
                + "COUNT(*) > 1"
        ),
    ];

    /// <summary>
    /// Everything that is wrong, once the orders have ended; or, after a few minutes, that they have not.
    /// </summary>
    public static async Task<IReadOnlyList<string>> FindFaultsAsync(AppProcess app, IReadOnlyList<TownOwner> owners)
    {
        var (home, outside) = (
            Path.Combine(app.DataFolder, "home-start.db"),
            Path.Combine(app.DataFolder, "counterparts.db")
        );
        var since = Stopwatch.GetTimestamp();
        while (Ask(home, "SELECT Id FROM Orders WHERE IsOpen").Count > 0 && Stopwatch.GetElapsedTime(since) < Patience)
        {
            await Task.Delay(TimeSpan.FromSeconds(1));
        }

        var faults = new List<string>();
        foreach (var file in new[] { home, outside })
        {
            faults.AddRange(Ask(file, "PRAGMA integrity_check").Where(said => said != "ok"));
        }

        faults.AddRange(Ask(home, "SELECT Id FROM Orders WHERE IsOpen").Select(id => $"order {id} has not ended"));
        foreach (var (what, sql) in Outside)
        {
            faults.AddRange(Ask(outside, sql).Select(where => $"{what}: {where}"));
        }

        foreach (var owner in owners.Where(owner => owner.Acknowledged > 0))
        {
            if (await owner.RevisionAsync() is not { } now || now < owner.Acknowledged)
            {
                faults.Add($"a change that was acknowledged ({owner.Acknowledged}) is lost");
            }
        }

        var (orders, sites) = (Ask(home, "SELECT Id FROM Orders").Count, Ask(home, "SELECT Id FROM Sites").Count);
        var payments = Ask(outside, "SELECT Key FROM Holds WHERE State = 1").Count;
        var later = Ask(outside, "SELECT Key FROM Charges").Count;
        Console.WriteLine($"{orders} orders, {payments} payments, {later} later charges, {sites} sites");
        return faults;
    }

    private static List<string> Ask(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Mode=ReadOnly;Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var found = new List<string>();
        while (reader.Read())
        {
            found.Add(Convert.ToString(reader.GetValue(0), CultureInfo.InvariantCulture)!);
        }

        return found;
    }
}
