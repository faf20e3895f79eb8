using HomeStart.Formats.Letters;

namespace HomeStart.Core.Tests;

/// <summary>Which change of an order is news, and what the mails about it hold.</summary>
public class OrderLetterTests
{
    [Theory]
    [InlineData(null, OrderState.Working, OrderNews.Placed)]
    [InlineData(OrderState.Working, OrderState.NeedsPayment, OrderNews.PaymentRefused)]
    [InlineData(OrderState.Working, OrderState.NeedsPatience, OrderNews.Waiting)]
    [InlineData(OrderState.Undoing, OrderState.NeedsPatience, OrderNews.Waiting)]
    [InlineData(OrderState.NeedsPayment, OrderState.Working, null)]
    [InlineData(OrderState.NeedsPayment, OrderState.Undoing, null)]
    [InlineData(OrderState.Undoing, OrderState.Cancelled, OrderNews.Cancelled)]
    [InlineData(OrderState.Working, OrderState.Completed, OrderNews.Completed)]
    [InlineData(OrderState.Working, OrderState.Working, null)]
    [InlineData(OrderState.Completed, OrderState.Completed, null)]
    public void Only_what_the_owner_would_want_to_know_is_news(OrderState? before, OrderState now, OrderNews? news) =>
        OrderNewsOf.Change(before, now).ShouldBe(news);

    [Fact]
    public void Text_and_html_say_the_same_and_what_owners_type_is_no_markup()
    {
        var order = Order("<b>Ada</b> & Co");
        foreach (var news in Enum.GetValues<OrderNews>())
        {
            var letter = OrderLetters.Write(
                news,
                order,
                Guid.Empty,
                new Uri("http://localhost:5080/sites/one/orders/two")
            );
            letter.Subject.ShouldEndWith($"({order.Reference})");
            letter.To.ShouldBe("ada@ostlerwren.example");
            letter.Text.ShouldContain("Dear <b>Ada</b> & Co,");
            letter.Html.ShouldContain("Dear &lt;b&gt;Ada&lt;/b&gt; &amp; Co,");
            letter.Html.ShouldNotContain("<b>");
            foreach (var line in new[] { order.Reference, "£12.00", "http://localhost:5080/sites/one/orders/two" })
            {
                letter.Text.ShouldContain(line);
                System.Net.WebUtility.HtmlDecode(letter.Html).ShouldContain(line);
            }

            letter.Text.Split('\n').ShouldAllBe(line => line.Length < 80);
            letter.Text.ShouldNotContain("secret-token");
        }
    }

    [Fact]
    public void Every_piece_of_news_has_a_subject_of_its_own() =>
        Enum.GetValues<OrderNews>()
            .Select(news => OrderLetters.Write(news, Order("Ada"), Guid.Empty, new Uri("http://localhost/")).Subject)
            .ShouldBeUnique();

    [Fact]
    public void Only_addresses_of_our_own_become_links()
    {
        var home = new Uri("http://localhost:5080");
        var letter = new ArrivedLetter(
            "1",
            "",
            "",
            "",
            default,
            "Look:\nhttp://localhost:5080/sites/a\r\nor http://elsewhere.example/x and http://localhost:50801/y end"
        );
        var parts = LetterWire.Write(letter, [home], new Uri("http://bank.example/pages/")).Parts;
        parts.Where(part => part.Path is not null).Select(part => part.Path).ShouldBe(["/sites/a"]);
        string.Concat(parts.Select(part => part.Text)).ShouldBe(letter.Text.ReplaceLineEndings("\n"));
    }

    private static Order Order(string name)
    {
        var twelve = new Money(1200, Currency.Get("GBP"));
        var things = new OrderedThings(
            [new Payment("nameyarrow", "Nameyarrow", twelve)],
            null,
            [new OrderedDomain("nameyarrow", "Nameyarrow", DomainName.Parse("ostlerwren.com"), 1, Private: false)],
            [
                new OrderedItem(
                    LineKind.Domain,
                    "ostlerwren.com",
                    "ostlerwren.com",
                    "nameyarrow",
                    "Nameyarrow",
                    1,
                    12,
                    twelve,
                    new DateOnly(2026, 12, 1),
                    new DateOnly(2027, 12, 1),
                    Included: false
                ),
            ],
            twelve
        );
        return new Order(
            Guid.NewGuid(),
            Guid.NewGuid(),
            "A",
            new DateOnly(2026, 12, 1),
            new Contact(name, "ada@ostlerwren.example", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null),
            things
        )
        {
            CardToken = "secret-token",
            CardEnding = "0004",
        };
    }
}
