using CsCheck;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

public class DomainLabelTests
{
    [Theory]
    [InlineData("ostlerwren")]
    [InlineData("  OstlerWren ")]
    [InlineData("a")]
    [InlineData("ostler-wren-2")]
    public void A_name_of_letters_digits_and_inner_hyphens_will_do(string typed) =>
        DomainLabel.Parse(typed).Fault.ShouldBeNull();

    [Theory]
    [InlineData("", null)]
    [InlineData("ostler wren", "ostlerwren")]
    [InlineData("ostler_wren", "ostlerwren")]
    [InlineData("ostler&wren", "ostlerwren")]
    [InlineData("-ostler", "ostler")]
    [InlineData("ostler-", "ostler")]
    [InlineData("os--tler", "os-tler")]
    [InlineData("uhrmacherköln", "uhrmacherkoln")]
    [InlineData("a.b", "ab")]
    [InlineData("😀", null)]
    [InlineData("<script>", "script")]
    public void Anything_else_says_why_and_what_would_do(string typed, string? suggestion)
    {
        var (label, fault) = DomainLabel.Parse(typed);
        label.ShouldBeNull();
        NameWords.Sentence(fault.ShouldNotBeNull()).ShouldEndWith(".");
        fault.Suggestion.ShouldBe(suggestion);
    }

    [Theory]
    [InlineData(63, null)]
    [InlineData(64, LabelProblem.TooLong)]
    public void A_label_has_at_most_63_characters(int length, LabelProblem? problem) =>
        DomainLabel.Parse(new string('a', length)).Fault?.Problem.ShouldBe(problem.ShouldNotBeNull());

    [Fact]
    public void Sixty_three_characters_are_the_most()
    {
        DomainLabel.Parse(new string('a', 63)).Fault.ShouldBeNull();
        DomainLabel.Parse(new string('a', 64)).Fault.ShouldNotBeNull();
    }

    [Fact]
    public void Whatever_is_typed_there_is_a_label_or_a_reason_and_every_suggestion_will_do() =>
        Gen.String.Sample(typed =>
        {
            var (label, fault) = DomainLabel.Parse(typed);
            (label is null).ShouldBe(fault is not null);
            if (fault?.Suggestion is { } suggestion)
            {
                DomainLabel.Parse(suggestion).Fault.ShouldBeNull();
            }
        });

    [Theory]
    [InlineData("ostlerwren", "ostlerwren", null)]
    [InlineData("ostlerwren.co.uk", "ostlerwren", "co.uk")]
    [InlineData("https://www.OstlerWren.com/shop?x=1", "ostlerwren", "com")]
    [InlineData("ostlerwren.com.", "ostlerwren", "com")]
    [InlineData("ostlerwren.org.uk", "ostlerwren", "org.uk")]
    [InlineData(".com", "", "com")]
    [InlineData(null, "", null)]
    public void The_address_of_a_domain_one_has_is_taken_apart(string? typed, string label, string? ending) =>
        TypedDomain.Parse(typed).ShouldBe(new TypedDomain(label, ending));
}
