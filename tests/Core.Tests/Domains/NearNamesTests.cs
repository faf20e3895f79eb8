using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>Names that are easily taken for another.</summary>
public class NearNamesTests
{
    [Theory]
    [InlineData("ostler", "ostlers", true)]
    [InlineData("ostlers", "ostler", true)]
    [InlineData("ostler", "osttler", true)]
    [InlineData("ostler", "oster", true)]
    [InlineData("ostler", "hostler", true)]
    [InlineData("ostler", "ostlar", true)]
    [InlineData("ostler", "ostle", true)]
    [InlineData("ostlerwren", "ostler-wren", true)]
    [InlineData("ostlerwren", "ostler-wrens", true)]
    [InlineData("ostler", "ostler", false)]
    [InlineData("ostler", "ostlerss", false)]
    [InlineData("ostler", "oslter", false)]
    [InlineData("ostler", "hostlers", false)]
    [InlineData("ab", "cd", false)]
    public void One_letter_a_doubled_letter_a_hyphen_or_the_plural_make_a_near_name(
        string one,
        string other,
        bool isNear
    ) => NearNames.IsNear(one, other).ShouldBe(isNear);

    [Fact]
    public void The_likeliest_are_asked_first()
    {
        NearNames.ToAsk("clocks", []).Take(2).ShouldBe(["clock", "cclocks"]);
        NearNames.ToAsk("ostlerwren", ["ostler-wren", "wholly-other"]).Take(2).ShouldBe(["ostlerwrens", "ostler-wren"]);
        NearNames.ToAsk("barr", []).ShouldContain("bar");
    }

    [Fact]
    public void What_is_asked_is_near_can_be_had_and_is_not_too_much() =>
        Gen.String[Gen.Char["abcs-12"], 0, 20]
            .Where(text => DomainLabel.Parse(text).Label is not null)
            .Sample(
                label =>
                {
                    var asked = NearNames.ToAsk(label, []);
                    asked.Length.ShouldBeLessThanOrEqualTo(NearNames.MostAsked);
                    asked.ShouldBeUnique();
                    foreach (var near in asked)
                    {
                        NearNames.IsNear(label, near).ShouldBeTrue($"{label} {near}");
                        NearNames.IsNear(near, label).ShouldBeTrue($"{near} {label}");
                        DomainLabel.Parse(near).Label.ShouldNotBeNull();
                    }
                },
                iter: 500
            );

    [Theory]
    [InlineData("clocks", "clock", true)]
    [InlineData("clock", "clocks", true)]
    [InlineData("ostlerwren", "ostler-wren", true)]
    [InlineData("barr", "bar", true)]
    [InlineData("bar", "barr", false)] // Nobody doubles a letter by chance.
    [InlineData("clockz", "clock", false)]
    [InlineData("clock", "clack", false)]
    [InlineData("clock", "clock", false)]
    public void What_is_easily_written_for_a_name_is_worth_a_warning(string label, string near, bool isEasily) =>
        NearNames.IsEasilyTaken(label, near).ShouldBe(isEasily);

    /// <summary>Told against edits worked out one by one.</summary>
    [Fact]
    public void Nearness_is_one_edit_beside_hyphens() =>
        Gen.Select(Gen.String[Gen.Char["ab"], 0, 4], Gen.String[Gen.Char["ab"], 0, 4])
            .Sample(
                (one, other) =>
                {
                    var edits = Enumerable
                        .Range(0, one.Length)
                        .Select(at => one.Remove(at, 1))
                        .Concat(
                            Enumerable
                                .Range(0, one.Length + 1)
                                .SelectMany(at => "ab".Select(letter => one.Insert(at, letter.ToString())))
                        )
                        .Concat(
                            Enumerable
                                .Range(0, one.Length)
                                .SelectMany(at =>
                                    "ab".Select(letter => one.Remove(at, 1).Insert(at, letter.ToString()))
                                )
                        );
                    NearNames.IsNear(one, other).ShouldBe(one != other && edits.Contains(other));
                },
                iter: 1000
            );
}
