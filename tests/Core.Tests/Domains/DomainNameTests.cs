using CsCheck;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>Only what a registry could hold is a domain name.</summary>
public class DomainNameTests
{
    [Theory]
    [InlineData("ostlerwren", "com", "ostlerwren.com")]
    [InlineData("OstlerWren", "CO.UK", "ostlerwren.co.uk")]
    [InlineData("o", "uk", "o.uk")]
    [InlineData("9-to-5", "org", "9-to-5.org")]
    [InlineData("xn--bcher-kva", "example", "xn--bcher-kva.example")]
    [InlineData("bücher", "example", "xn--bcher-kva.example")]
    [InlineData("bücher-2", "example", "xn--bcher-2-n2a.example")]
    public void These_are(string label, string ending, string text) =>
        DomainName.Parse(label, ending).Domain!.Text.ShouldBe(text);

    [Theory]
    [InlineData("", "com", DomainPart.Label)]
    [InlineData("-bad-", "com", DomainPart.Label)]
    [InlineData("bad-", "com", DomainPart.Label)]
    [InlineData("a.b", "com", DomainPart.Label)]
    [InlineData("a b", "com", DomainPart.Label)]
    [InlineData("a_b", "com", DomainPart.Label)]
    [InlineData("..", "com", DomainPart.Label)]
    [InlineData("%2e%2e/x", "com", DomainPart.Label)]
    [InlineData("harbour/x", "com", DomainPart.Label)]
    [InlineData("ab--cd", "com", DomainPart.Label)]
    [InlineData("xn--zzz--", "com", DomainPart.Label)]
    [InlineData("xn--", "com", DomainPart.Label)]
    [InlineData("a\u202eb", "com", DomainPart.Label)]
    [InlineData("bü\u200dcher", "com", DomainPart.Label)]
    [InlineData("bücher☃", "com", DomainPart.Label)]
    [InlineData("a", "", DomainPart.Ending)]
    [InlineData("a", ".com", DomainPart.Ending)]
    [InlineData("a", "co..uk", DomainPart.Ending)]
    [InlineData("a", "com/x", DomainPart.Ending)]
    public void These_are_not_and_the_part_is_named(string label, string ending, DomainPart part)
    {
        var (domain, fault) = DomainName.Parse(label, ending);
        domain.ShouldBeNull();
        fault!.Part.ShouldBe(part);
        NameWords.Sentence(fault).ShouldEndWith(".");
        fault.TooLong.ShouldBe(0);
    }

    [Theory]
    [InlineData(63, true)]
    [InlineData(64, false)]
    public void A_label_has_at_most_63_characters(int length, bool is63) =>
        (DomainName.Parse(new string('a', length), "com").Domain is not null).ShouldBe(is63);

    [Theory]
    [InlineData(61, true)]
    [InlineData(62, false)]
    public void A_domain_has_at_most_253_characters(int last, bool fits)
    {
        // With 61: 63 + 1 + 189.
        var ending = string.Join('.', new string('b', 63), new string('c', 63), new string('d', last));
        (DomainName.Parse(new string('a', 63), ending).Domain is not null).ShouldBe(fits);
    }

    [Theory]
    [InlineData("0.9")]
    [InlineData("192.168.1.10")]
    [InlineData("clocks.7")]
    public void What_ends_in_digits_alone_is_an_address_of_numbers(string text) =>
        DomainName.Parse(text).ShouldBeNull();

    [Fact]
    public void What_was_read_is_read_again_as_itself() =>
        Gen.String[Gen.Char["abcXYZ019-."], 1, 40]
            .Sample(text =>
            {
                if (DomainName.Parse(text) is { } domain)
                {
                    DomainName.Parse(domain.Text).ShouldBe(domain);

                    // "0.0x01" is a number to old readers of addresses, and no registry has such an ending.
                    (
                        Uri.CheckHostName(domain.Text) == UriHostNameType.Dns
                        || domain.Text.Split('.')[^1].StartsWith("0x", StringComparison.Ordinal)
                    ).ShouldBeTrue(domain.Text);
                }
            });
}
