using System.IO.Compression;
using HomeStart.Web.Backups;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Tests;

/// <summary>What is brought back is a state that was, whole, and nobody else's to read.</summary>
public sealed class BackupTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 12, 1, 12, 0, 0, TimeSpan.Zero);
    private readonly string _folder = Directory.CreateTempSubdirectory("home-start-backups-").FullName;

    [Fact]
    public async Task A_backup_made_while_orders_go_on_is_whole_and_goes_on_where_it_was()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var done = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(done, "completed");
        var months = new List<int>();
        using var over = new CancellationTokenSource();
        var changing = Task.Run(
            async () =>
            {
                while (!over.IsCancellationRequested)
                {
                    months.Add(1 + (months.Count % 100));
                    await visitor.DoAsync(new { kind = "set-horizon", months = months[^1] });
                }
            },
            TestContext.Current.CancellationToken
        );
        for (var times = 0; times < 3; times++)
        {
            Backup.Write(host.DataFolder, At($"{times}.backup"), null, Now).ShouldBeNull();
        }

        await over.CancelAsync();
        await changing;
        for (var times = 0; times < 3; times++)
        {
            var back = At($"back-{times}");
            Backup.Restore(At($"{times}.backup"), back, null).ShouldBeNull();
            Backup.Check(back).ShouldBeEmpty();
            await using var again = await TestHost.StartOverAsync(back);
            var owner = again.Visit(visitor);
            var page = await owner.OpenAsync();
            months.Append(36).ShouldContain(page.GetProperty("settings").GetProperty("horizonMonths").GetInt32());
            (await owner.GetAsync($"/api/orders/{done}")).GetProperty("state").GetString().ShouldBe("completed");
        }
    }

    [Fact]
    public async Task What_was_asked_for_before_a_backup_is_not_asked_for_again_after_it()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        Backup.Write(host.DataFolder, At("midway.backup"), null, Now).ShouldBeNull();
        Backup.Restore(At("midway.backup"), At("back"), null).ShouldBeNull();
        await using var again = await TestHost.StartOverAsync(At("back"));
        await again.Visit(visitor).UntilAsync(order, "completed");
        (await again.InCounterpartsAsync(db => db.Holds.CountAsync())).ShouldBe(1);
    }

    [Fact]
    public void A_sealed_backup_opens_by_its_passphrase_alone_and_shows_nothing_without()
    {
        var data = Data();
        Backup.Write(data, At("sealed"), "mill lane 4", Now).ShouldBeNull();
        Convert.ToHexString(File.ReadAllBytes(At("sealed"))).ShouldNotContain(Convert.ToHexString("keys"u8.ToArray()));
        Backup.Restore(At("sealed"), At("back"), null).ShouldBe("This backup is sealed: say its passphrase.");
        Backup
            .Restore(At("sealed"), At("back"), "mill lane 5")
            .ShouldNotBeNull()
            .ShouldContain("another one, or the backup is damaged");
        Directory.Exists(At("back")).ShouldBeFalse();
        Backup.Restore(At("sealed"), At("back"), "mill lane 4").ShouldBeNull();
        File.ReadAllText(Path.Combine(At("back"), "keys", "key.xml")).ShouldBe("<key/>");
        File.GetUnixFileMode(At("sealed")).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_changed_or_cut_off_backup_is_refused_and_leaves_nothing(bool isSealed)
    {
        var passphrase = isSealed ? "mill lane 4" : null;
        Backup.Write(Data(), At("whole"), passphrase, Now).ShouldBeNull();
        var bytes = File.ReadAllBytes(At("whole"));
        var places = isSealed ? 4 : 12; // Making the key of a sealed one takes a second, as it should.
        for (var place = 30; place < bytes.Length; place += bytes.Length / places)
        {
            var changed = bytes.ToArray();
            changed[place] ^= 0x40;
            File.WriteAllBytes(At("changed"), changed);
            var said = Backup.Restore(At("changed"), At("back"), passphrase);
            (said is null && !isSealed ? Backup.Check(At("back")) : []).ShouldBeEmpty();
            if (said is null)
            {
                isSealed.ShouldBeFalse(); // A date in the zip, say: the files are as they were.
                Directory.Delete(At("back"), recursive: true);
            }

            Directory.EnumerateFileSystemEntries(_folder, "back*").ShouldBeEmpty();
        }

        File.WriteAllBytes(At("cut"), bytes[..(bytes.Length - 20)]);
        Backup.Restore(At("cut"), At("back"), passphrase).ShouldNotBeNull();
        Directory.EnumerateFileSystemEntries(_folder, "back*").ShouldBeEmpty();
    }

    [Fact]
    public void Commands_are_carried_out_with_the_folder_they_are_given()
    {
        var data = Data();
        BackupCommands.Run(["backup", At("by-command"), "--data", data]).ShouldBe(0);
        BackupCommands.Run(["restore", At("by-command"), "--data", At("back")]).ShouldBe(0);
        BackupCommands.Run(["check", "--data", At("back")]).ShouldBe(0);
        BackupCommands.Run(["check", "--data", At("nowhere")]).ShouldBe(1);
        BackupCommands.Run(["backup"]).ShouldBe(1);
        BackupCommands.Run(["backup", "--data", data]).ShouldBe(1);
        BackupCommands.Run(["--port", "5080"]).ShouldBeNull();
        BackupCommands.Run([]).ShouldBeNull();
    }

    [Fact]
    public void Nothing_is_written_over()
    {
        var data = Data();
        Backup.Write(data, At("one"), null, Now).ShouldBeNull();
        Backup.Write(data, At("one"), null, Now).ShouldNotBeNull().ShouldContain("never replaces one");
        var before = Directory.GetFiles(data, "*", SearchOption.AllDirectories).Order().ToList();
        Backup.Restore(At("one"), data, null).ShouldNotBeNull().ShouldContain("nothing there was touched");
        Directory.GetFiles(data, "*", SearchOption.AllDirectories).Order().ShouldBe(before);
        Directory.CreateDirectory(At("empty"));
        Backup.Restore(At("one"), At("empty"), null).ShouldBeNull();
        Backup.Restore(At("none"), At("other"), null).ShouldNotBeNull().ShouldContain("There is no file");
        Backup
            .Write(At("nowhere"), At("two"), null, Now)
            .ShouldNotBeNull()
            .ShouldContain("There is no data of Home Start");
    }

    [Theory]
    [InlineData("../outside.txt")]
    [InlineData("/etc/outside.txt")]
    public void A_file_that_would_lie_outside_is_refused(string name)
    {
        using (var zip = ZipFile.Open(At("evil"), ZipArchiveMode.Create))
        {
            zip.CreateEntry(name);
            using var list = new StreamWriter(zip.CreateEntry("backup.json").Open());
            list.Write(
                $$"""
                {
                  "Format": "home-start/backup@1", "WrittenAt": "2026-12-01T12:00:00Z",
                  "Files": [{ "Name": "{{name}}", "Sha256": "" }]
                }
                """
            );
        }

        Backup.Restore(At("evil"), At("back"), null).ShouldNotBeNull().ShouldContain("outside its folder");
        File.Exists(At("outside.txt")).ShouldBeFalse();
    }

    [Fact]
    public void No_other_file_is_taken_for_a_backup()
    {
        File.WriteAllText(At("letter"), "Dear Ada");
        Backup.Restore(At("letter"), At("back"), null).ShouldNotBeNull().ShouldContain("no backup of Home Start");
        using (var zip = ZipFile.Open(At("photos"), ZipArchiveMode.Create))
        {
            zip.CreateEntry("cat.png");
        }

        Backup.Restore(At("photos"), At("back"), "x").ShouldBe("This is no backup of Home Start.");
    }

    [Fact]
    public void A_folder_says_what_is_not_whole_in_it()
    {
        var data = Data();
        Backup.Check(data).ShouldBeEmpty();
        Run(data, "INSERT INTO \"__EFMigrationsHistory\" VALUES ('29990101000000_Later', '99.0.0')");
        Backup.Check(data).ShouldBe(["home-start.db was written by a newer Home Start than this one."]);
        File.Delete(Path.Combine(data, "counterparts.secret"));
        File.WriteAllText(Path.Combine(data, "counterparts.db"), new string('x', 5000));
        var said = Backup.Check(data);
        said[0].ShouldBe("counterparts.secret is missing.");
        said.ShouldContain(sentence => sentence.StartsWith("counterparts.db cannot be read", StringComparison.Ordinal));
        Backup.Check(At("nowhere")).ShouldHaveSingleItem().ShouldContain("There is no folder");
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string At(string name) => Path.Combine(_folder, name);

    // As small as a data folder can be.
    private string Data()
    {
        var data = At("data");
        Directory.CreateDirectory(Path.Combine(data, "keys"));
        File.WriteAllText(Path.Combine(data, "keys", "key.xml"), "<key/>");
        File.WriteAllText(Path.Combine(data, "counterparts.secret"), "secret");
        foreach (var database in new[] { "home-start.db", "counterparts.db" })
        {
            Run(data, "CREATE TABLE \"__EFMigrationsHistory\" (MigrationId TEXT, ProductVersion TEXT)", database);
        }

        return data;
    }

    private static void Run(string folder, string statement, string database = "home-start.db")
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(folder, database)};Pooling=false");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = statement;
        command.ExecuteNonQuery();
    }
}
