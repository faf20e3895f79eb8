using System.Net;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>A seller's page and a cart over HTTP: what is read, what is refused, and the way onto the shelf.</summary>
public sealed class PagesTests : OneOwner
{
    private const string Page = """
        <div><b>Alderford Hosting</b></div>
        <div class="a"><div><h3>Seed</h3><p><s>£6</s> £2.99 a month</p><p>36 months, paid up front</p><p>+ 3 months free</p><p>Renews at £7.99 a month</p><ul><li>1 website</li><li>10 GB storage</li><li>Daily backups included</li></ul></div>
        <div><h3>Oak</h3><p><s>£12</s> £5.99 a month</p><p>36 months, paid up front</p><p>+ 3 months free</p><p>Renews at £14.99 a month</p><ul><li>5 websites</li><li>50 GB storage</li><li>Daily backups included</li></ul></div></div>
        <p>A free .com domain comes with every plan. Prices exclude VAT.</p><p>© 2026 Alderford Hosting</p>
        """;

    [Fact]
    public async Task Two_plans_of_a_page_go_on_the_shelf_and_cost_what_the_page_asks()
    {
        var review = await ReviewAsync(new { html = Page });
        review.GetProperty("faults").GetArrayLength().ShouldBe(0, review.ToString());
        review
            .GetProperty("page")
            .GetProperty("plans")
            .EnumerateArray()
            .Select(plan => plan.GetProperty("name").GetString())
            .ShouldBe(["Seed", "Oak"]);
        review.GetProperty("candidates").GetArrayLength().ShouldBe(2);

        // 36 × 2.99 and 20% tax over the 36 months that are counted; the free months are in no price.
        review.GetProperty("costs")[0].GetProperty("total").GetString().ShouldBe("129.17");
        var book = review.GetProperty("book").GetString()!;
        using var document = JsonDocument.Parse(book);
        var seed = document.RootElement.GetProperty("plans")[0];
        seed.GetProperty("billing")[0].GetProperty("freeMonths").GetInt32().ShouldBe(3);
        seed.GetProperty("features").GetProperty("storageGB").GetInt32().ShouldBe(10);
        seed.GetProperty("includes")[0].GetString().ShouldBe("backup");
        (await _visitor.PostAsync("/api/shelf", document.RootElement)).Status.ShouldBe(HttpStatusCode.OK);
        (await _visitor.GetAsync("/api/shelf"))
            .EnumerateArray()
            .ShouldContain(shelved => shelved.ToString().Contains("Alderford Hosting", StringComparison.Ordinal));

        // A second page of the same seller adds to its book.
        (await ReviewAsync(new { html = Page.Replace("Seed", "Acorn", StringComparison.Ordinal) }))
            .GetProperty("addsTo")
            .GetString()
            .ShouldBe("Alderford Hosting");
    }

    [Fact]
    public async Task What_the_page_does_not_say_is_asked_and_can_be_answered()
    {
        const string Silent =
            "Seed\n$9 a month on a 24-month term\n1 website\n10 GB storage\n\nOak\n$19 a month on a 24-month "
            + "term\n5 websites\n50 GB storage";
        var faults = (await ReviewAsync(new { text = Silent }))
            .GetProperty("faults")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("where").GetString())
            .ToList();
        faults.ShouldBe(["provider", "currency"]);
        var asked = await ReviewAsync(
            new
            {
                text = Silent,
                provider = "Larkmere",
                currency = "USD",
            }
        );
        asked
            .GetProperty("faults")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("where").GetString())
            .ShouldBe(["tax", "plans[0].ways[0].paid", "plans[1].ways[0].paid"]);
        var answered = await ReviewAsync(
            new
            {
                text = Silent,
                provider = "Larkmere",
                currency = "USD",
                tax = "inside",
                plans = new object[]
                {
                    new { plan = 0, take = false },
                    new { plan = 1, ways = new[] { new { way = 0, paid = "monthly-bound" } } },
                },
            }
        );
        answered.GetProperty("faults").GetArrayLength().ShouldBe(0, answered.ToString());
        answered.GetProperty("candidates").GetArrayLength().ShouldBe(1);
        answered.GetProperty("costs")[1].GetProperty("total").GetString().ShouldBe("684.00"); // 36 months at 19.00.
    }

    [Fact]
    public async Task What_an_owner_mends_counts_and_its_words_stay_with_the_book()
    {
        var review = await ReviewAsync(
            new
            {
                html = Page,
                changes = new object[]
                {
                    new { at = "/plans/0/ways/0/price", value = "£3.49" },
                    new { at = "/plans/1/name", value = "Elm" },
                    new { at = "/plans/1/features/websites", toPlan = 0 },
                },
            }
        );
        review.GetProperty("costs")[0].GetProperty("total").GetString().ShouldBe("150.77"); // 36 × 3.49, and 20% tax.
        review
            .GetProperty("page")
            .GetProperty("plans")[0]
            .GetProperty("features")
            .GetProperty("websites")
            .GetInt32()
            .ShouldBe(5);
        using var book = JsonDocument.Parse(review.GetProperty("book").GetString()!);
        var plans = book.RootElement.GetProperty("plans");
        plans[1].GetProperty("name").GetString().ShouldBe("Elm");
        var words = plans[1].GetProperty("readFrom").EnumerateArray().ToList();
        words.ShouldContain(one =>
            one.GetProperty("of").GetString() == "price"
            && one.GetProperty("words").GetString() == "£5.99 a month"
            && one.GetProperty("commitMonths").GetInt32() == 36
            && one.GetProperty("on").GetString() == "2026-12-01"
        );
        plans[0]
            .GetProperty("readFrom")
            .EnumerateArray()
            .ShouldNotContain(one => one.GetProperty("of").GetString() == "price"); // It was typed, not read.

        // On the shelf the words are told with the book.
        (await _visitor.PostAsync("/api/shelf", book.RootElement)).Status.ShouldBe(HttpStatusCode.OK);
        (await _visitor.GetAsync("/api/books"))
            .EnumerateArray()
            .Single(known => known.GetProperty("provider").GetString() == "Alderford Hosting")
            .GetProperty("plans")[1]
            .GetProperty("readFrom")
            .GetArrayLength()
            .ShouldBe(words.Count);

        // The page once more, as it is: what it changes is shown first.
        var again = await ReviewAsync(new { html = Page });
        again.GetProperty("addsTo").GetString().ShouldBe("Alderford Hosting");
        again
            .GetProperty("look")
            .GetProperty("changes")
            .EnumerateArray()
            .ShouldContain(change => change.ToString().Contains("Seed", StringComparison.Ordinal));
        Code(
                await _visitor.PostAsync(
                    $"/api/sites/{_visitor.SiteId}/page",
                    new { html = Page, changes = new[] { new { value = "3" } } }
                )
            )
            .ShouldBe("required");
        var unknown = await ReviewAsync(
            new { html = Page, changes = new[] { new { at = "/plans/0/ways/0/price", value = "much" } } }
        );
        unknown.GetProperty("faults")[0].GetProperty("where").GetString().ShouldBe("changes[0]");
    }

    [Fact]
    public async Task The_plans_of_a_page_are_for_the_domain_of_the_site()
    {
        // The example's first candidate registers ostlerwren.co.uk; Alderford sells no endings at a price, so that the
        // domain stays where it is.
        var candidate = (await ReviewAsync(new { html = Page })).GetProperty("candidates")[0];
        candidate.GetProperty("hosting").GetProperty("plan").GetString().ShouldBe("seed");
        candidate.GetProperty("domains").GetArrayLength().ShouldBe(1);
        candidate.GetProperty("domains")[0].GetProperty("name").GetString().ShouldBe("ostlerwren");
    }

    [Fact]
    public async Task A_file_is_read_by_what_is_in_it()
    {
        var bytes = Convert.ToBase64String([
            .. System.Text.Encoding.Unicode.Preamble,
            .. System.Text.Encoding.Unicode.GetBytes(Page),
        ]);
        (await ReviewAsync(new { file = bytes })).GetProperty("page").GetProperty("plans").GetArrayLength().ShouldBe(2);
        Code(await _visitor.PostAsync("/api/pages/read", new { file = "%%%" })).ShouldBe("bad-type");
        Code(await _visitor.PostAsync("/api/pages/read", new { file = Convert.ToBase64String("%PDF-1.4 broken"u8) }))
            .ShouldBe("bad-type");
        Code(
                await _visitor.PostAsync(
                    "/api/pages/read",
                    new { file = Convert.ToBase64String(new byte[(8 << 20) + 1]) }
                )
            )
            .ShouldBe("too-large");
    }

    [Theory]
    [InlineData("pages")]
    [InlineData("carts")]
    public async Task What_is_missing_or_too_large_is_said(string kind)
    {
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { })).ShouldBe("required");
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { text = new string('a', 200_001) }))
            .ShouldBe("too-large");
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { html = new string('a', (4 << 20) + 1) }))
            .ShouldBe("too-large");
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { html = 7 })).ShouldBe("bad-type");
        (await _visitor.PostAsync($"/api/{kind}/read", new { html = "<p></p>", text = "Seed £3 a month" }))
            .Body.GetProperty("text")
            .GetString()
            .ShouldBe("Seed £3 a month");
    }

    [Fact]
    public async Task A_cart_says_its_lines_and_whether_they_add_up()
    {
        var (status, cart) = await _visitor.PostAsync(
            "/api/carts/read",
            new
            {
                text = "Seed hosting, 12 months\n£36.00\nlark.com, domain, 1 year\nFree\nSubtotal £36.00\nVAT 20% "
                    + "£7.20\nTotal £43.20",
            }
        );
        status.ShouldBe(HttpStatusCode.OK);
        cart.GetProperty("lines")
            .EnumerateArray()
            .Select(line => $"{line.GetProperty("kind").GetString()} {line.GetProperty("amount").GetString()}")
            .ShouldBe(["plan 36.00", "domain 0.00"]);
        (cart.GetProperty("addsUp").GetBoolean(), cart.GetProperty("taxInside").GetBoolean()).ShouldBe((true, false));
    }

    private static string? Code((HttpStatusCode Status, JsonElement Body) answer)
    {
        answer.Status.ShouldBe(HttpStatusCode.UnprocessableEntity);
        return answer.Body.GetProperty("errors")[0].GetProperty("code").GetString();
    }

    private async Task<JsonElement> ReviewAsync(object body)
    {
        var (status, answer) = await _visitor.PostAsync($"/api/sites/{_visitor.SiteId}/page", body);
        status.ShouldBe(HttpStatusCode.OK, answer.ToString());
        return answer;
    }
}
