using System.Text.RegularExpressions;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Http;
using MimeKit;
using static HomeStart.Web.Tests.UpkeepSteps;

namespace HomeStart.Web.Tests;

/// <summary>
/// Links in mails lead to the address under which the application was open, since the browser's cookie counts there
/// alone. In these tests that is http://localhost, without the port that the server itself has.
/// </summary>
public sealed partial class LinksInMailsTests
{
    [Fact]
    public async Task Of_an_order_its_upkeep_and_a_later_claim()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order, claimed) = await ClaimedAsync(host);
        await MoveToAsync(visitor, "2028-01-25");
        await visitor.MailAsync("In 7 days");
        IReadOnlyList<Uri> links = [];
        foreach (var end in (string[])[$"/orders/{order}", $"/orders/{claimed}", "/upkeep"])
        {
            // Mail is on its way for a while.
            await visitor.WaitForAsync(async () =>
                (links = await LinksAsync(visitor)).Any(link =>
                    link.AbsolutePath.EndsWith(end, StringComparison.Ordinal)
                )
            );
        }

        links.ShouldAllBe(link => link.GetLeftPart(UriPartial.Authority) == "http://localhost");
    }

    [Fact]
    public async Task Of_a_purchase_noted_from_a_sellers_own_page()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await BoughtTests.BoughtAsync(host);
        await MoveToAsync(visitor, "2027-12-02");
        await visitor.MailAsync("Was it taken?");
        var links = await LinksAsync(visitor);
        links.ShouldContain(link => link.AbsolutePath.EndsWith("/upkeep", StringComparison.Ordinal));
        links.ShouldAllBe(link => link.GetLeftPart(UriPartial.Authority) == "http://localhost");
    }

    [Theory]
    [InlineData("localhost:5390", null, "http://localhost:5390/")]
    [InlineData("127.0.0.1", null, "http://127.0.0.1/")]
    [InlineData("localhost:99999", null, "http://localhost:5080/")]
    [InlineData("a b", null, "http://localhost:5080/")]
    [InlineData("", null, "http://localhost:5080/")]
    [InlineData("127.0.0.1:5080", "traders.example.org", "http://traders.example.org:5080/")]
    public void An_address_that_is_none_is_not_taken_over(string asked, string? host, string open)
    {
        var context = new DefaultHttpContext { Request = { Scheme = "http", Host = new HostString(asked) } };
        new OpenAddress(
            new HttpContextAccessor { HttpContext = context },
            new StartOptions(StartOptions.DefaultPort, "data", null, "demo") { Hosts = host is null ? [] : [host] }
        )
            .Now.ToString()
            .ShouldBe(open);
    }

    // Those to ourselves: what a seller's help is, leads elsewhere.
    private static async Task<IReadOnlyList<Uri>> LinksAsync(Visitor visitor)
    {
        var links = new List<Uri>();
        foreach (var letter in (await visitor.GetAsync("/api/mail")).GetProperty("arrived").EnumerateArray())
        {
            using var file = await visitor.RawAsync($"/api/mail/{letter.GetProperty("id").GetString()}.eml");
            using var message = await MimeMessage.LoadAsync(
                await file.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken),
                TestContext.Current.CancellationToken
            );
            links.AddRange(
                Link()
                    .Matches(message.HtmlBody ?? "")
                    .Select(link => new Uri(link.Groups["to"].Value))
                    .Where(link => link.IsLoopback)
            );
        }

        return links;
    }

    [GeneratedRegex("href=\"(?<to>http[^\"]+)\"", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Link();
}
