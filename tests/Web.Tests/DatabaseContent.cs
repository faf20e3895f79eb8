using Microsoft.Data.Sqlite;

namespace HomeStart.Web.Tests;

/// <summary>All that a database holds, to put it back to.</summary>
internal sealed class DatabaseContent
{
    private const string Schema = "SELECT name, sql FROM sqlite_master ORDER BY name";

    private readonly IReadOnlyList<object[]> _schema;
    private readonly IReadOnlyList<(string Table, IReadOnlyList<object[]> Rows)> _tables;

    private DatabaseContent(SqliteConnection connection)
    {
        _schema = Read(connection, Schema);
        _tables =
        [
            .. Read(connection, "SELECT name FROM sqlite_master WHERE type = 'table'")
                .Select(row => (string)row[0])
                .Select(table => (table, Read(connection, $"SELECT * FROM \"{table}\""))),
        ];
    }

    public static DatabaseContent Of(string connectionString)
    {
        using var connection = new SqliteConnection(connectionString);
        connection.Open();
        return new DatabaseContent(connection);
    }

    /// <summary>
    /// Puts another database back to it, row by row; false where that is not built like this one, or is damaged.
    /// </summary>
    public bool IsPutBackIn(string connectionString)
    {
        try
        {
            using var connection = new SqliteConnection(connectionString);
            connection.Open();
            if (!Read(connection, Schema).SelectMany(row => row).SequenceEqual(_schema.SelectMany(row => row)))
            {
                return false;
            }

            Run(connection, "PRAGMA foreign_keys = OFF", []);
            using (var transaction = connection.BeginTransaction())
            {
                foreach (var (table, rows) in _tables)
                {
                    Run(connection, $"DELETE FROM \"{table}\"", []);
                    foreach (var row in rows)
                    {
                        var values = string.Join(", ", row.Select((_, column) => $"${column}"));
                        Run(connection, $"INSERT INTO \"{table}\" VALUES ({values})", row);
                    }
                }

                transaction.Commit();
            }

            Run(connection, "PRAGMA foreign_keys = ON", []);
            return true;
        }
        catch (SqliteException)
        {
            return false;
        }
    }

    private static void Run(SqliteConnection connection, string sql, object[] values)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        foreach (var (column, value) in values.Index())
        {
            command.Parameters.AddWithValue($"${column}", value);
        }

        command.ExecuteNonQuery();
    }

    private static List<object[]> Read(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var rows = new List<object[]>();
        while (reader.Read())
        {
            var row = new object[reader.FieldCount];
            reader.GetValues(row);
            rows.Add(row);
        }

        return rows;
    }
}
