using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>What may become part of a site, and what a web space makes of it.</summary>
public class FileRulesTests
{
    [Theory]
    [InlineData("index.html", null)]
    [InlineData("pictures/My shop (1).JPG", null)]
    [InlineData(".well-known/proof.txt", null)]
    [InlineData("", FileFlaw.Empty)]
    [InlineData("/index.html", FileFlaw.Outside)]
    [InlineData("C:/index.html", FileFlaw.Outside)]
    [InlineData("a\\b.html", FileFlaw.Outside)]
    [InlineData("../index.html", FileFlaw.Climbs)]
    [InlineData("a/./b.html", FileFlaw.Climbs)]
    [InlineData(".htaccess", FileFlaw.Hidden)]
    [InlineData("a/.git/config.txt", FileFlaw.Hidden)]
    [InlineData("a//b.html", FileFlaw.Character)]
    [InlineData("a/b.html ", FileFlaw.Character)]
    [InlineData(" a.html", FileFlaw.Character)]
    [InlineData("a./b.html", FileFlaw.Character)]
    [InlineData("a\u202eb.html", FileFlaw.Character)]
    [InlineData("a\0b.html", FileFlaw.Character)]
    [InlineData("what?.html", FileFlaw.Character)]
    [InlineData("run.php", FileFlaw.Kind)]
    [InlineData("noending", FileFlaw.Kind)]
    [InlineData("folder.html/file", FileFlaw.Kind)]
    public void A_file_by_itself(string path, FileFlaw? flaw) =>
        FileRules.FlawOf(new OfferedFile(path, 1)).ShouldBe(flaw);

    [Fact]
    public void Links_sizes_and_long_paths_have_their_limits()
    {
        FileRules.FlawOf(new OfferedFile("a.html", 1, IsLink: true)).ShouldBe(FileFlaw.Link);
        FileRules.FlawOf(new OfferedFile("a.html", -1)).ShouldBe(FileFlaw.Size);
        FileRules.FlawOf(new OfferedFile("a.html", 0)).ShouldBeNull();
        FileRules.FlawOf(new OfferedFile("a.html", FileRules.LargestFile)).ShouldBeNull();
        FileRules.FlawOf(new OfferedFile("a.html", FileRules.LargestFile + 1)).ShouldBe(FileFlaw.Size);
        FileRules.PathFlaw(new string('a', FileRules.LongestPath)).ShouldBeNull();
        FileRules.PathFlaw(new string('a', FileRules.LongestPath + 1)).ShouldBe(FileFlaw.TooLong);
        FileRules.IsBomb(5_000, 1_000_000).ShouldBeFalse();
        FileRules.IsBomb(100, 1 << 20).ShouldBeFalse(); // Small enough to do no harm.
        FileRules.IsBomb(100, (1 << 20) + 1).ShouldBeTrue();
        FileRules.IsBomb(1 << 20, 200L << 20).ShouldBeFalse();
        FileRules.IsBomb(1 << 20, 202L << 20).ShouldBeTrue();
    }

    [Fact]
    public void Files_that_meet_are_said_at_the_later_one()
    {
        var faults = new FaultList();
        FileRules.Check([new("a.html", 1), new("A.html", 1), new("b.txt", 1), new("b.txt/c.html", 1)], faults);
        faults
            .Faults.Select(fault => (fault.Where, ((FileFlawed)fault.Reason).Flaw))
            .ShouldBe([("files[1]", FileFlaw.Twice), ("files[2]", FileFlaw.FolderToo)]);
        var many = new FaultList();
        FileRules.Check(
            [.. Enumerable.Range(0, FileRules.MostFiles + 1).Select(at => new OfferedFile($"{at}.html", 1))],
            many
        );
        many.Faults.Single().Reason.ShouldBe(new TooManyFiles(FileRules.MostFiles, FileRules.MostFiles + 1));
        var most = new FaultList();
        FileRules.Check(
            [.. Enumerable.Range(0, FileRules.MostFiles).Select(at => new OfferedFile($"{at}.html", 1))],
            most
        );
        most.Any.ShouldBeFalse();
    }

    [Fact]
    public void Putting_files_in_takes_the_place_of_what_has_their_path_or_of_all()
    {
        var space = Space("index.html", "news/a.html", "news/b.html", "newspaper.html");
        Paths(space.With([File("a.html"), File("c.html")], "news", alone: false))
            .ShouldBe(["index.html", "news/a.html", "news/b.html", "news/c.html", "newspaper.html"]);
        Paths(space.With([File("c.html")], "news", alone: true))
            .ShouldBe(["index.html", "news/c.html", "newspaper.html"]);
        Paths(space.With([File("x.html")], "", alone: true)).ShouldBe(["x.html"]);
        Paths(space.With([File("INDEX.html")], "", alone: false)).ShouldContain("INDEX.html");
        Paths(space.With([File("INDEX.html")], "", alone: false)).ShouldNotContain("index.html");
        space.With([File("a.html") with { Size = 9 }], "news", alone: false).At("news/a.html")!.Size.ShouldBe(9);
        (
            space.Size,
            space.IsOccupied("news"),
            space.IsOccupied("new"),
            space.IsOccupied(""),
            WebSpace.Empty.IsOccupied("")
        ).ShouldBe((4, true, false, true, false));
    }

    [Fact]
    public void A_file_or_a_folder_is_renamed_or_removed_and_nothing_is_overwritten()
    {
        var space = Space("index.html", "news/a.html", "newspaper.html");
        Paths(space.Renamed("news", "stories", new FaultList())!)
            .ShouldBe(["index.html", "newspaper.html", "stories/a.html"]);
        Paths(space.Renamed("index.html", "front.html", new FaultList())!)
            .ShouldBe(["front.html", "news/a.html", "newspaper.html"]);
        Paths(space.Without([File("index.html"), File("news/a.html") with { Size = 9 }]))
            .ShouldBe(["news/a.html", "newspaper.html"]); // What was changed since is not what it was.
        Paths(space.Without("news", new FaultList())!).ShouldBe(["index.html", "newspaper.html"]);
        Refused(faults => space.Renamed("index.html", "newspaper.html", faults)).ShouldBeOfType<FileFlawed>();
        Refused(faults => space.Renamed("index.html", "../out.html", faults)).ShouldBeOfType<FileFlawed>();
        Refused(faults => space.Renamed("nothing.html", "a.html", faults)).ShouldBeOfType<NoSuchFile>();
        Refused(faults => space.Renamed("", "a", faults)).ShouldBeOfType<NoSuchFile>();
        Refused(faults => space.Without("nothing.html", faults)).ShouldBeOfType<NoSuchFile>();
        Refused(faults => space.Without("", faults)).ShouldBeOfType<NoSuchFile>();

        static FaultReason Refused(Func<FaultList, WebSpace?> change)
        {
            var faults = new FaultList();
            change(faults).ShouldBeNull();
            FaultWords.Sentence(faults.Faults[0]).ShouldNotBeEmpty();
            return faults.Faults[0].Reason;
        }
    }

    [Fact]
    public void A_space_holds_what_the_plan_holds()
    {
        Fits(3).ShouldBeTrue();
        Fits(2).ShouldBeFalse();
        Fits(null).ShouldBeTrue();

        static bool Fits(long? storage)
        {
            var faults = new FaultList();
            Space("a.html", "b.html", "c.html").Check(storage, faults);
            return !faults.Any;
        }
    }

    [Fact]
    public void Every_flaw_has_its_sentence()
    {
        foreach (var flaw in Enum.GetValues<FileFlaw>())
        {
            FaultWords
                .Sentence(new Fault(FaultCodes.BadType, "", new FileFlawed(new string('a', 300), flaw)))
                .Length.ShouldBeInRange(60, 300);
        }

        FaultWords
            .Sentence(new Fault(FaultCodes.OutOfRange, "", new SpaceFull(3L << 30, 1536L << 20)))
            .ShouldStartWith("That would be 3 GB; at most 1.5 GB go in.");
    }

    private static SiteFile File(string path) => new(path, new string('a', 64), 1);

    private static WebSpace Space(params string[] paths) => new([.. paths.Select(File)]);

    private static IEnumerable<string> Paths(WebSpace space) => space.Files.Select(file => file.Path);
}
