using System.Text.Json;
using HomeStart.Formats.Domains;

namespace HomeStart.Core.Tests;

/// <summary>Ideas for a name: made of what is said, none barred, none twice, the plainest first.</summary>
public class NameIdeasTests
{
    [Fact]
    public void The_demos_business_gets_its_orders_joins_short_forms_trade_and_town()
    {
        var ideas = NameIdeas
            .Suggest("Ostler & Wren", "clock and barometer repairs", "Ludlow", NameData.Reader, "GB")
            .Select(idea => idea.Name)
            .ToList();
        string[] expected =
        [
            "ostlerwren",
            "wrenostler",
            "ostler-wren",
            "ostlerandwren",
            "ostler",
            "wren",
            "owclocks",
            "ostlerclock",
            "wrenclocks",
            "ludlowclocks",
            "clocksinludlow",
            "clockrepairs",
            "ostlerludlow",
            "clockandbarometer",
            "theostlerwren",
        ];
        expected.Except(ideas.Select(idea => idea.Label)).ShouldBeEmpty();
        ideas.Select(idea => idea.Label).ShouldBeUnique();
        ideas.ShouldAllBe(idea => idea.Problems.IsEmpty && idea.Ascii == idea.Label);
        ideas
            .Select(idea => (idea.Advice.Length, idea.Label.Length))
            .ShouldBe(ideas.Select(idea => (idea.Advice.Length, idea.Label.Length)).Order());
        // Its own words are no other reading.
        ideas.ShouldContain(idea => idea.Label == "wrenclock" && idea.Advice.IsEmpty);
    }

    [Theory]
    [InlineData("Ostler", "", "", "theostler")]
    [InlineData("", "bakery", "", "thebakery")]
    [InlineData("The Old Bakery Ltd", "", "Much Wenlock", "muchwenlockoldbakery")]
    [InlineData("Łódź & Söhne", "", "", "")]
    public void One_word_is_enough(string business, string trade, string town, string among)
    {
        var labels = NameIdeas
            .Suggest(business, trade, town, NameData.Reader, null)
            .Select(idea => idea.Name.Label)
            .ToList();
        if (among.Length > 0)
        {
            labels.ShouldContain(among);
        }

        labels.ShouldAllBe(label => label.All(letter => char.IsAsciiLetterOrDigit(letter) || letter == '-'));
    }

    [Fact]
    public void There_are_never_more_than_can_be_looked_through()
    {
        var many = string.Join(' ', "alder birch cedar damson elder fir gorse hazel".Split(' '));
        NameIdeas.Suggest(many, many, many, NameData.Reader, null).Length.ShouldBeInRange(50, NameIdeas.Most);
        NameIdeas.Suggest("", "", "Ludlow", NameData.Reader, null).ShouldBeEmpty();
        NameIdeas.Suggest("!!! ---", "\u202e", "", NameData.Reader, null).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("{}", "business")]
    [InlineData("""{ "business": 7, "trade": "x" }""", "business")]
    [InlineData("""{ "business": "x", "customersIn": "Britain" }""", "customersIn")]
    [InlineData("[]", "")]
    public void What_no_ideas_can_be_made_of_is_told(string json, string where)
    {
        var faults = new FaultList();
        ReadNameReader.ReadIdeas(JsonDocument.Parse(json).RootElement, faults).ShouldBeNull();
        faults.Faults.ShouldContain(fault => fault.Where == where);
        faults = new FaultList();
        ReadNameReader
            .ReadIdeas(JsonSerializer.SerializeToElement(new { business = new string('x', 101) }), faults)
            .ShouldBeNull();
        faults.Faults.ShouldHaveSingleItem().Code.ShouldBe("out-of-range");
    }
}
