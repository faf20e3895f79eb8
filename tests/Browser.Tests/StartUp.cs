using System.Diagnostics;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace HomeStart.Browser.Tests;

/// <summary>Where it cannot start it says why, in one sentence, and ends.</summary>
public sealed class StartUp
{
    [Fact]
    public async Task A_damaged_database_is_said_in_one_sentence()
    {
        var data = Directory.CreateTempSubdirectory("home-start-damaged-").FullName;
        await File.WriteAllTextAsync(
            Path.Combine(data, "home-start.db"),
            string.Concat(Enumerable.Repeat("This is no database. ", 400)),
            TestContext.Current.CancellationToken
        );
        (await RefusalAsync(AppProcess.FreePort(), data)).ShouldContain("is damaged");
    }

    [Fact]
    public async Task A_folder_that_a_newer_release_wrote_is_refused_and_left_as_it_is()
    {
        var data = Directory.CreateTempSubdirectory("home-start-newer-").FullName;
        var database = Path.Combine(data, "home-start.db");
        using (var connection = new SqliteConnection($"Data Source={database};Pooling=false"))
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = """
                CREATE TABLE "__EFMigrationsHistory" (MigrationId TEXT, ProductVersion TEXT);
                INSERT INTO "__EFMigrationsHistory" VALUES ('29990101000000_Later', '99.0.0');
                """;
            command.ExecuteNonQuery();
        }

        var before = await File.ReadAllBytesAsync(database, TestContext.Current.CancellationToken);
        (await RefusalAsync(AppProcess.FreePort(), data)).ShouldContain("was written by a newer Home Start");
        (await File.ReadAllBytesAsync(database, TestContext.Current.CancellationToken)).ShouldBe(before);
    }

    [Fact]
    public async Task Before_data_is_brought_forward_what_it_was_is_kept()
    {
        var data = Directory.CreateTempSubdirectory("home-start-earlier-").FullName;
        foreach (var file in Directory.GetFiles(Repository.Folder("tests", "Web.Tests", "fixtures", "first-release")))
        {
            File.Copy(file, Path.Combine(data, Path.GetFileName(file)));
        }

        using var process = AppProcess.Start(AppProcess.FreePort(), data);
        (await process.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken))!.ShouldStartWith(
            "Home Start is at"
        );
        process.Kill(entireProcessTree: true);
        var kept = Directory.GetDirectories(Path.Combine(data, "before")).ShouldHaveSingleItem();
        File.Exists(Path.Combine(kept, "home-start.db")).ShouldBeTrue();
    }

    [Fact]
    public async Task Each_line_of_the_log_is_an_object_where_it_is_asked_for()
    {
        var data = Directory.CreateTempSubdirectory("home-start-log-").FullName;
        using var process = AppProcess.Start(AppProcess.FreePort(), data, "--log", "json");
        (await process.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken))!.ShouldStartWith(
            "Home Start is at"
        );
        foreach (var child in AppProcess.Children(process.Id))
        {
            child.Kill();
        }

        var line = await process.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken);
        process.Kill(entireProcessTree: true);
        using var logged = JsonDocument.Parse(line!);
        logged.RootElement.GetProperty("LogLevel").GetString().ShouldBe("Warning");
        logged.RootElement.GetProperty("Timestamp").GetString()!.ShouldEndWith("Z");
        logged.RootElement.GetProperty("Message").GetString()!.ShouldStartWith("The counterparts ended with code");
    }

    [Theory]
    [InlineData("--log", "xml", "--log takes text or json")]
    [InlineData("--behind-proxy", "yes", "--behind-proxy takes true or false")]
    [InlineData("--port", "0", "--port takes a number")]
    [InlineData("--counterparts", "no", "--counterparts takes on or off")]
    [InlineData("--counterparts", "off", "--counterparts off needs a mail server")]
    [InlineData("--mail", "localhost", "--mail takes an address such as smtp://localhost:25")]
    [InlineData("--mail", "smtp://localhost", "--mail-from takes the address that mails come from")]
    public async Task An_option_that_is_no_option_is_said_in_one_sentence(string option, string value, string said) =>
        (
            await RefusalAsync(
                AppProcess.FreePort(),
                Directory.CreateTempSubdirectory("home-start-option-").FullName,
                option,
                value
            )
        ).ShouldStartWith(said);

    [Fact]
    public async Task A_folder_that_cannot_be_written_is_said_in_one_sentence()
    {
        var data = Path.Combine(Directory.CreateTempSubdirectory("home-start-file-").FullName, "file");
        await File.WriteAllTextAsync(data, "", TestContext.Current.CancellationToken);
        (await RefusalAsync(AppProcess.FreePort(), data)).ShouldContain("cannot write in its data folder");
    }

    [Fact]
    public async Task A_port_in_use_is_said_in_one_sentence()
    {
        using var app = new AppProcess();
        var data = Directory.CreateTempSubdirectory("home-start-second-").FullName;
        (await RefusalAsync(app.Address.Port, data)).ShouldContain(
            $"Port {app.Address.Port}, {app.Address.Port + 1} or {app.Address.Port + 2} is in use"
        );
        (await RefusalAsync(AppProcess.FreePort(), app.DataFolder)).ShouldContain("runs already with the data");
    }

    private static async Task<string> RefusalAsync(int port, string data, params string[] more)
    {
        using var process = AppProcess.Start(port, data, more);
        var said = await process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        process.ExitCode.ShouldBe(1);
        said.Trim().ShouldNotContain("\n");
        said.ShouldNotContain("   at ");
        return said;
    }
}
