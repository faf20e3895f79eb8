namespace HomeStart.Core.Tests;

/// <summary>
/// The lists that names are read with: public suffixes, scripts and words, each in a small list of its own.
/// </summary>
public class NameListsTests
{
    private static readonly PublicSuffixes Suffixes = new([
        "private.example",
        "// ===BEGIN ICANN DOMAINS===",
        "// a comment",
        "",
        "com",
        "uk",
        "co.uk",
        "*.ck",
        "!www.ck",
        "公司.cn",
        "cn ",
        "// ===END ICANN DOMAINS===",
        "pages.com",
    ]);

    [Theory]
    [InlineData("ostler.com", 1)]
    [InlineData("ostler.co.uk", 2)]
    [InlineData("ostler.org.uk", 1)]
    [InlineData("shop.example.ck", 2)]
    [InlineData("www.ck", 1)]
    [InlineData("shop.www.ck", 1)]
    [InlineData("ck", 0)]
    [InlineData("ostler.xn--55qx5d.cn", 2)]
    [InlineData("ostler.pages.com", 1)]
    [InlineData("private.example", 0)]
    [InlineData("com", 1)]
    public void The_longest_rule_counts_and_an_exception_before_all(string name, int labels) =>
        Suffixes.LengthIn([.. name.Split('.')]).ShouldBe(labels);

    [Fact]
    public void An_ending_is_known_where_any_rule_ends_in_it()
    {
        (Suffixes.Knows("ck"), Suffixes.Knows("cn"), Suffixes.Knows("example"), Suffixes.Knows("co")).ShouldBe(
            (true, true, false, false)
        );
    }

    private static readonly Scripts Known = new([
        "# a comment",
        "0041..005A    ; Latin # L& [26]",
        "0061..007A    ; Latin",
        "00B5          ; Common",
        "0430..044F    ; Cyrillic",
        "3041..3096    ; Hiragana",
        "4E00..9FFF    ; Han",
        "AC00..D7A3    ; Hangul",
        "3105..312F    ; Bopomofo",
    ]);

    [Theory]
    [InlineData("ostler", false)]
    [InlineData("ostler-24", false)]
    [InlineData("часы", false)]
    [InlineData("чaсы", true)]
    [InlineData("µm", false)]
    [InlineData("漢かa", false)]
    [InlineData("漢한a", false)]
    [InlineData("漢ㄅa", false)]
    [InlineData("か한", true)]
    [InlineData("ㄅか", true)]
    [InlineData("", false)]
    public void Scripts_that_are_written_together_are_not_mixed(string text, bool areMixed) =>
        Known.AreMixed(text).ShouldBe(areMixed);

    private static readonly WordList Words = new([
        "pen",
        "island",
        "penis",
        "land",
        "the",
        "rapist",
        "therapist",
        "is",
        "London",
        "it's",
        "lands",
    ]);

    [Theory]
    [InlineData("penisland", "penisland", "penis land")]
    [InlineData("penisland", "penis land", "pen island")]
    [InlineData("penisland", "pen island", "penis land")]
    [InlineData("therapist", "therapist", "the rapist")]
    [InlineData("therapist", "the rapist", "therapist")]
    [InlineData("theland", "the land", null)]
    [InlineData("london", "london", null)]
    [InlineData("islandis", "islandis", null)]
    [InlineData("pen-island", "pen-island", null)]
    [InlineData("", "", null)]
    public void The_cut_into_fewest_words_that_is_not_meant(string name, string meant, string? other)
    {
        var cut = Words.OtherCut(name, [.. meant.Split(' ', StringSplitOptions.RemoveEmptyEntries)]);
        (cut is { IsEmpty: false } found ? string.Join(' ', found) : null).ShouldBe(other);
    }

    [Theory]
    [InlineData("Brightwater Hosting", "brightwater-hosting")]
    [InlineData("  =1+1 ", "1-1")]
    [InlineData("Łódź", "d")]
    [InlineData("漢", "seller")]
    [InlineData("", "seller")]
    public void An_id_is_made_of_letters_and_digits(string name, string id) => Slug.Make(name, "seller").ShouldBe(id);

    [Fact]
    public void No_two_ids_are_alike()
    {
        Slug.Each(["Backup", "backup", "BACKUP!", "backup 2"], "extra")
            .ShouldBe(["backup", "backup-2", "backup-3", "backup-2-2"]);
        Slug.Make(new string('a', 90), "x").Length.ShouldBe(40);
    }
}
