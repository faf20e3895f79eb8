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
        review.GetProperty("page").GetProperty("plans").EnumerateArray().Select(plan => plan.GetProperty("name").GetString()).ShouldBe(["Seed", "Oak"]);
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
        (await _visitor.GetAsync("/api/shelf")).EnumerateArray().ShouldContain(shelved => shelved.ToString().Contains("Alderford Hosting", StringComparison.Ordinal));

        // A second page of the same seller adds to its book.
        (await ReviewAsync(new { html = Page.Replace("Seed", "Acorn", StringComparison.Ordinal) })).GetProperty("addsTo").GetString().ShouldBe("Alderford Hosting");
    }

    [Fact]
    public async Task What_the_page_does_not_say_is_asked_and_can_be_answered()
    {
        const string Silent = "Seed\n$9 a month on a 24-month term\n1 website\n10 GB storage\n\nOak\n$19 a month on a 24-month term\n5 websites\n50 GB storage";
        var faults = (await ReviewAsync(new { text = Silent })).GetProperty("faults").EnumerateArray().Select(fault => fault.GetProperty("where").GetString()).ToList();
        faults.ShouldBe(["provider", "currency"]);
        var asked = await ReviewAsync(new { text = Silent, provider = "Larkmere", currency = "USD" });
        asked.GetProperty("faults").EnumerateArray().Select(fault => fault.GetProperty("where").GetString()).ShouldBe(["tax", "plans[0].ways[0].paid", "plans[1].ways[0].paid"]);
        var answered = await ReviewAsync(new
        {
            text = Silent,
            provider = "Larkmere",
            currency = "USD",
            tax = "inside",
            plans = new object[] { new { plan = 0, take = false }, new { plan = 1, ways = new[] { new { way = 0, paid = "monthly-bound" } } } },
        });
        answered.GetProperty("faults").GetArrayLength().ShouldBe(0, answered.ToString());
        answered.GetProperty("candidates").GetArrayLength().ShouldBe(1);
        answered.GetProperty("costs")[1].GetProperty("total").GetString().ShouldBe("684.00"); // 36 months at 19.00.
    }

    [Theory]
    [InlineData("pages")]
    [InlineData("carts")]
    public async Task What_is_missing_or_too_large_is_said(string kind)
    {
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { })).ShouldBe("required");
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { text = new string('a', 200_001) })).ShouldBe("too-large");
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { html = new string('a', (4 << 20) + 1) })).ShouldBe("too-large");
        Code(await _visitor.PostAsync($"/api/{kind}/read", new { html = 7 })).ShouldBe("bad-type");
        (await _visitor.PostAsync($"/api/{kind}/read", new { html = "<p></p>", text = "Seed £3 a month" })).Body.GetProperty("text").GetString().ShouldBe("Seed £3 a month");
    }

    [Fact]
    public async Task A_cart_says_its_lines_and_whether_they_add_up()
    {
        var (status, cart) = await _visitor.PostAsync("/api/carts/read", new { text = "Seed hosting, 12 months\n£36.00\nlark.com, domain, 1 year\nFree\nSubtotal £36.00\nVAT 20% £7.20\nTotal £43.20" });
        status.ShouldBe(HttpStatusCode.OK);
        cart.GetProperty("lines").EnumerateArray().Select(line => $"{line.GetProperty("kind").GetString()} {line.GetProperty("amount").GetString()}").ShouldBe(["plan 36.00", "domain 0.00"]);
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
