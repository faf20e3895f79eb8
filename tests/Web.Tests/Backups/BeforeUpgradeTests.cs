using HomeStart.Web.Backups;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Tests;

/// <summary>Before a new release brings data forward it keeps what was, and that can be gone back to.</summary>
public sealed class BeforeUpgradeTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("home-start-before-").FullName;

    [Fact]
    public async Task What_an_earlier_release_left_is_kept_and_can_be_gone_back_to()
    {
        var old = Path.Combine(TestHost.Root("tests"), "Web.Tests", "fixtures", "first-release");
        var data = At("data");
        Directory.CreateDirectory(data);
        foreach (var file in Directory.GetFiles(old))
        {
            File.Copy(file, Path.Combine(data, Path.GetFileName(file)));
        }

        var before = DatabaseFile.Applied(Path.Combine(old, "home-start.db"));
        before.Count.ShouldBeInRange(1, KnownMigrations.All.Length - 1);
        BeforeUpgrade.Keep(data, KnownMigrations.All).ShouldBeNull();
        var kept = Directory.GetDirectories(Path.Combine(data, BeforeUpgrade.Folder)).ShouldHaveSingleItem();
        Path.GetFileName(kept).ShouldBe(before.Max(StringComparer.Ordinal));
        Directory
            .GetFiles(kept)
            .Select(Path.GetFileName)
            .ShouldBe(["home-start.db", "counterparts.db"], ignoreOrder: true);

        // Broken off and begun again, what was first stays.
        var whole = Path.Combine(kept, "home-start.db");
        var bytes = await File.ReadAllBytesAsync(whole, TestContext.Current.CancellationToken);
        DatabaseFile.Faults(whole, KnownMigrations.All).ShouldBeEmpty();
        await using (await TestHost.StartOverAsync(data)) { }

        BeforeUpgrade.Keep(data, KnownMigrations.All).ShouldBeNull();
        (await File.ReadAllBytesAsync(whole, TestContext.Current.CancellationToken)).ShouldBe(bytes);
        DatabaseFile.Applied(whole).ShouldBe(before);
    }

    [Fact]
    public async Task Data_of_this_release_or_none_is_not_kept()
    {
        BeforeUpgrade.Keep(At("nothing"), KnownMigrations.All).ShouldBeNull();
        await using var host = await TestHost.StartAsync();
        BeforeUpgrade.Keep(host.DataFolder, KnownMigrations.All).ShouldBeNull();
        Directory.Exists(Path.Combine(host.DataFolder, BeforeUpgrade.Folder)).ShouldBeFalse();
        Directory.Exists(At("nothing")).ShouldBeFalse();
    }

    [Fact]
    public async Task What_cannot_be_kept_is_said()
    {
        await using var host = await TestHost.StartAsync();
        await File.WriteAllTextAsync(
            Path.Combine(host.DataFolder, BeforeUpgrade.Folder),
            "",
            TestContext.Current.CancellationToken
        );
        BeforeUpgrade
            .Keep(host.DataFolder, [.. KnownMigrations.All, "29990101000000_Later"])!
            .ShouldStartWith("They could not be copied to");
    }

    [Fact]
    public async Task It_goes_after_two_weeks_and_no_backup_holds_it()
    {
        await using var host = await TestHost.StartAsync();
        BeforeUpgrade.Keep(host.DataFolder, [.. KnownMigrations.All, "29990101000000_Later"]).ShouldBeNull();
        var kept = Directory.GetDirectories(Path.Combine(host.DataFolder, BeforeUpgrade.Folder)).ShouldHaveSingleItem();
        var since = new DateTimeOffset(Directory.GetLastWriteTimeUtc(kept), TimeSpan.Zero);
        Backup.Write(host.DataFolder, At("home.backup"), null, since).ShouldBeNull();
        using (var zip = System.IO.Compression.ZipFile.OpenRead(At("home.backup")))
        {
            zip.Entries.ShouldAllBe(entry => !entry.FullName.StartsWith(BeforeUpgrade.Folder));
        }

        BeforeUpgrade.Tidy(host.DataFolder, since + BeforeUpgrade.Kept);
        Directory.Exists(kept).ShouldBeTrue();
        BeforeUpgrade.Tidy(host.DataFolder, since + BeforeUpgrade.Kept + TimeSpan.FromSeconds(1));
        Directory.Exists(kept).ShouldBeFalse();
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private string At(string name) => Path.Combine(_folder, name);
}
