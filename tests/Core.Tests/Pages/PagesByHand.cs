using System.Text.Json.Nodes;
using HomeStart.Formats.Pages;

namespace HomeStart.Core.Tests;

/// <summary>
/// Single things a page says, by hand, with the neighbour that says the opposite; and input made to do harm.
/// </summary>
public sealed class PagesByHand
{
    [Theory]
    [InlineData("Prices do not include VAT.", "on-top")]
    [InlineData("Prices are not exclusive of VAT.", "inside")]
    [InlineData("All prices incl. 19 % VAT", "inside")]
    [InlineData("plus applicable taxes", "on-top")]
    [InlineData("Taxes may apply.", null)]
    [InlineData("Sales tax is added at checkout where it applies.", null)]
    [InlineData("Sales tax is added at checkout.", "on-top")]
    [InlineData("We are not registered for VAT.", null)]
    [InlineData("Prices exclude VAT. Later on: prices include VAT.", null)]
    public void Tax_is_inside_or_on_top_or_not_said(string words, string? tax) =>
        Said(Read("Oak\n£4 a month\n3 websites\n" + words)["tax"]).ShouldBe(tax);

    [Theory]
    [InlineData("Oak (2026)", "Oak (2026)")]
    [InlineData("Oak best seller", "Oak")]
    [InlineData("Oak (most popular)", "Oak")]
    [InlineData("Oak hosting", "Oak")]
    public void A_name_is_as_printed_without_its_badge(string printed, string name) =>
        Said(Read($"{printed}\n£4 a month\n3 websites\n10 GB storage")["plans"]![0]!["name"]).ShouldBe(name);

    [Theory]
    [InlineData("+ £2/mo", "Daily backup")]
    [InlineData("once a week, or £2/mo for daily", null)]
    public void A_price_alone_in_a_plan_s_cell_is_that_of_its_row(string cell, string? extra) =>
        Said(
                PageExamples.Read(
                    "page",
                    "html",
                    "<table><tr><th></th><th>Oak</th><th>Elm</th></tr><tr><td>Websites</td><td>1</td><td>5</td></tr>"
                        + $"<tr><td>Daily backup</td><td>{cell}</td><td>yes</td></tr>"
                        + "<tr><td>Price</td><td>£4/mo</td><td>£8/mo</td></tr></table>"
                )["extras"]!
                    .AsArray()
                    .SingleOrDefault()
                    ?["name"]
            )
            .ShouldBe(extra);

    [Theory]
    [InlineData("£1,234.56", "1234.56")]
    [InlineData("1.234,56 €", "1234.56")]
    [InlineData("1 234,56 €", "1234.56")]
    [InlineData("CHF 1'234.56", "1234.56")]
    [InlineData("₹1,43,520", "143520.00")]
    [InlineData("€12.345", "12345.00")]
    [InlineData("4.– €", "4.00")]
    [InlineData("£.99", "0.99")]
    [InlineData("99p", "0.99")]
    [InlineData("JPY 1,200", "1200")]
    public void Numbers_are_read_as_they_are_printed(string printed, string price) =>
        Read($"Oak\n{printed} a month\n3 websites\n10 GB storage")["plans"]![0]!["ways"]![0]!["price"]!
            .GetValue<string>()
            .ShouldBe(price);

    [Theory]
    [InlineData("£4 a month, 12-month contract, billed monthly", 12, "4.00", "month", "monthly-bound", "same")]
    [InlineData("£4 a month, cancel any time", 1, "4.00", "month", "monthly-free", "same")]
    [InlineData("£48 a year", 12, "48.00", "year", "at-once", "same")]
    [InlineData("£4 a month, billed every 24 months", 24, "4.00", "month", "at-once", "same")]
    [InlineData("£4 a month for 36 months, £144 due today", 36, "4.00", "month", "at-once", "same")]
    [InlineData("was £9, now £4 a month for 24 months, paid up front", 24, "4.00", "month", "at-once", null)]
    [InlineData(
        "£4 a month for 24 months, paid up front. Renews at the current rate.",
        24,
        "4.00",
        "month",
        "at-once",
        null
    )]
    public void A_way_to_pay_is_its_length_how_it_is_paid_and_what_follows(
        string words,
        int months,
        string price,
        string per,
        string paid,
        string? later
    )
    {
        var way = Read($"Oak\n{words}\n3 websites\n10 GB storage")["plans"]![0]!["ways"]![0]!;
        (
            way["months"]!.GetValue<int>(),
            Said(way["price"]),
            Said(way["per"]),
            Said(way["paid"]),
            Said(way["later"])
        ).ShouldBe((months, price, per, paid, later));
    }

    [Theory]
    [InlineData("3 websites", "websites", "3")]
    [InlineData("One website", "websites", "1")]
    [InlineData("500 MB of web space", "storageGB", "0.5")]
    [InlineData("1.5 TB NVMe storage", "storageGB", "1500")]
    [InlineData("Unmetered bandwidth", "transferGB", "\"unlimited\"")]
    [InlineData("100 GB traffic a month", "transferGB", "100")]
    [InlineData("No mailboxes", "mailboxes", "0")]
    [InlineData("~10,000 visits a month", "monthlyVisits", "10000")]
    [InlineData("Wildcard SSL certificate", "certificate", "\"wildcard\"")]
    [InlineData("Free TLS certificate", "certificate", "\"shared\"")]
    [InlineData("Dedicated IP address", "ownIp", "true")]
    [InlineData("✗ Dedicated IP address", "ownIp", "false")]
    [InlineData("1 GB RAM per site", "websites", null)]
    [InlineData("4 GB RAM", "storageGB", null)]
    public void What_a_plan_has_is_a_key_and_a_value(string words, string key, string? value) =>
        Read($"Oak\n£4 a month\n{words}\n3 subdomains")["plans"]![0]!["features"]![key]?.ToJsonString().ShouldBe(value);

    [Theory]
    [InlineData("Free .com domain for the first year", "com", null, false)]
    [InlineData("Free domain (.net or .org) with annual plans and longer", "net,org", 12, false)]
    [InlineData("Free domain for as long as you stay on 24-month terms and longer", "", 24, true)]
    public void A_domain_in_the_price_has_its_endings_and_its_term(string words, string endings, int? from, bool always)
    {
        var domain = Read($"Oak\n£4 a month\n3 websites\n{words}")["plans"]![0]!["domain"]!;
        (
            string.Join(',', domain["endings"]!.AsArray().Select(Said)),
            domain["fromMonths"]?.GetValue<int>(),
            domain["everyYear"]!.GetValue<bool>()
        ).ShouldBe((endings, from, always));
    }

    [Theory]
    [InlineData("Bring your own domain")]
    [InlineData("Domain privacy included")]
    [InlineData("Domains from £9 a year")]
    public void No_domain_is_in_the_price_where_none_is_given(string words) =>
        Read($"Oak\n£4 a month\n3 websites\n{words}")["plans"]![0]!["domain"].ShouldBeNull();

    [Fact]
    public void What_a_reader_cannot_see_is_not_read()
    {
        const string Html = """
            <style>.gone{display:none} @media print{.oak{display:none}}</style><script>document.write("£1 a month")</script>
            <div class=oak><h3>Oak</h3><p>£4<sup>50</sup> a month</p><p class=gone>£2 a month</p><p hidden>£3 a month</p><p style="visibility:hidden">£5 a month</p><!-- £6 --><ul><li>3 websites<li>10 GB storage</ul></div>
            <details><summary>More</summary><p>£7 a month</p></details>
            """;
        var page = PageExamples.Read("page", "html", Html);
        page["plans"]![0]!["ways"]!.AsArray().Select(way => Said(way!["price"])).ShouldBe(["4.50"]);
        page["text"]!.GetValue<string>().ShouldNotContain("£7");
        page["notPlaced"]!.AsArray().Count.ShouldBe(0);
    }

    [Fact]
    public void Nothing_made_to_do_harm_is_read_for_ever_or_loses_its_words()
    {
        foreach (
            var html in new[]
            {
                string.Concat(Enumerable.Repeat("<div>", 200_000)) + "£3 a month",
                string.Concat(Enumerable.Repeat("<b>", 100_000)) + "£3 a month",
                "<p "
                    + string.Join(' ', Enumerable.Range(0, 50_000).Select(index => $"a{index}=\"x\""))
                    + ">£3 a month",
                string.Concat(Enumerable.Repeat("<table><tr><td>", 50_000)) + "£3 a month",
                "<style>" + string.Concat(Enumerable.Repeat("@media x{", 50_000)) + "</style>£3 a month",
                string.Concat(Enumerable.Repeat("<select><option>a", 5_000)) + "</select>£3 a month",
                $"<p>£{new string('9', 4_000)}</p><p>£3 a month</p>",
                string.Concat(Enumerable.Repeat("&amp;", 100_000)) + " £3 a month",
            }
        )
        {
            var (page, stopped) = HtmlPage.Read(html, CancellationToken.None);
            stopped.ShouldBeNull(html[..20]);
            page!.Text.ShouldContain("£3 a month", Case.Sensitive, html[..20]);
            PageReader.Read(page).Text.ShouldBe(page.Text);
        }
    }

    [Fact]
    public void A_caller_who_leaves_is_not_read_for()
    {
        using var left = new CancellationTokenSource();
        left.Cancel();
        Should.Throw<OperationCanceledException>(() => HtmlPage.Read("<p>£3 a month</p>", left.Token));
    }

    [Theory]
    [InlineData("plus 20% VAT £7.20", false)]
    [InlineData("incl. 20% VAT £6.00", true)]
    public void The_tax_of_a_cart_is_within_its_total_or_beside_it(string tax, bool isInside)
    {
        var total = isInside ? "36.00" : "43.20";
        var cart = PageExamples.Read("cart", "txt", $"Oak hosting, 12 months\n£36.00\n{tax}\nTotal £{total}");
        (cart["taxInside"]!.GetValue<bool>(), cart["addsUp"]!.GetValue<bool>()).ShouldBe((isInside, true));
    }

    [Fact]
    public void What_a_cart_offers_is_no_line()
    {
        var cart = PageExamples.Read(
            "cart",
            "txt",
            "Oak hosting, 12 months\n£36.00\nAdd daily backup for £1.99\nTotal £36.00"
        );
        cart["lines"]!.AsArray().Count.ShouldBe(1);
        cart["notPlaced"]!
            .AsArray()
            .Select(left => $"{Said(left!["words"])} {Said(left["why"])}")
            .ShouldBe(["£1.99 offered"]);
    }

    [Theory]
    [InlineData(
        "£6 a month, no contract, cancel any time. The price never goes up. VAT included. No set-up fee.",
        null,
        "6.00 month 1 monthly-free same"
    )]
    [InlineData(
        "Get the Lantern plan for USD 59 a year. Includes a free domain (.com, .net or .org) with annual "
            + "plans. Plus tax.",
        "Lantern",
        "59.00 year 12 at-once same"
    )]
    [InlineData(
        "£4.20 a month excluding VAT, paid yearly. Add daily backups for £1.50 a month. Contact privacy £6 a "
            + "year. Renews at £6.30 a month.",
        null,
        "4.20 month 12 at-once 6.30/month"
    )]
    [InlineData(
        "Our Orchard plan is just £1.99 per month (ex VAT) for your first year: that's 75% less than you would "
            + "pay elsewhere. You pay £23.88 up front. After the first year it renews at £7.99 per month, billed "
            + "yearly. Full refund within 30 days.",
        "Orchard",
        "1.99 month 12 at-once 7.99/month"
    )]
    public void An_advertisement_in_one_paragraph_is_a_plan(string words, string? name, string way)
    {
        var plan = Read(words)["plans"]!.AsArray().ShouldHaveSingleItem()!;
        Said(plan["name"]).ShouldBe(name);
        Way(plan["ways"]!.AsArray().ShouldHaveSingleItem()!).ShouldBe(way);
    }

    [Fact]
    public void Names_with_their_prices_in_one_sentence_are_so_many_plans() =>
        Read("Plans for every pocket: Pebble £2 a month, Cobble £4 a month and Flagstone £9 a month. All plus VAT.")[
            "plans"
        ]!
            .AsArray()
            .Select(plan => $"{plan!["name"]} {plan["ways"]![0]!["price"]}")
            .ShouldBe(["Pebble 2.00", "Cobble 4.00", "Flagstone 9.00"]);

    [Fact]
    public void A_domain_that_comes_free_and_costs_later_is_the_plans_and_has_its_price()
    {
        var page = Read(
            "Hosting for £3.50 a month, billed annually. A .co.uk domain is free for the first year, then "
                + "£9.99 a year. Prices include VAT."
        );
        page["plans"]![0]!["domain"]!["endings"]!.ToJsonString().ShouldBe("""["co.uk"]""");
        Way(page["plans"]![0]!["ways"]![0]!).ShouldBe("3.50 month 12 at-once same");
        Said(page["domains"]![0]!["renew"]).ShouldBe("9.99");
    }

    private const string Three =
        "Rookery Hosting\nSolo\n€2.49 a month for the first year\n10 GB storage\nDuo\n€4.49 a month for the first year\n"
        + "30 GB storage\nTrio\n€6.49 a month for the first year\n80 GB storage\n";

    [Theory]
    [InlineData("After the first year: €4.99 / €7.99 / €12.99 a month.", "4.99 7.99 12.99")]
    [InlineData("€4.99, €7.99, €12.99 a month after the first year", "4.99 7.99 12.99")]
    public void As_many_later_prices_as_plans_are_theirs_in_their_order(string words, string later) =>
        string.Join(' ', Read(Three + words)["plans"]!.AsArray().Select(plan => plan!["ways"]![0]!["later"]!["price"]))
            .ShouldBe(later);

    [Theory]
    [InlineData("Set-up €9.90, waived for Trio.", "9.90 9.90 0.00")]
    [InlineData("Set-up is €9.90 for Solo and nothing for the others.", "9.90 0.00 0.00")]
    [InlineData("Set-up is €9.90 on all plans.", "9.90 9.90 9.90")]
    [InlineData("Tax is added where it applies. No set-up fee.", "0.00 0.00 0.00")]
    public void A_fee_is_of_all_plans_but_those_it_is_waived_for(string words, string fees) =>
        string.Join(' ', Read(Three + words)["plans"]!.AsArray().Select(plan => plan!["setupFee"])).ShouldBe(fees);

    [Theory]
    [InlineData("01/12/2026 - 30/11/2027", 12)]
    [InlineData("12/01/2026 – 12/01/2028", 24)]
    [InlineData("12/15/2026 to 12/14/2027", 12)]
    [InlineData("2026-12-01 – 2027-02-28", 3)]
    [InlineData("1 Dec 2026 – 31 Dec 2026", 1)]
    [InlineData("December 1, 2026 until November 30, 2029", 36)]
    [InlineData("01/12/2026 - 15/11/2027", null)]
    [InlineData("30/02/2026 - 28/02/2027", null)]
    public void A_period_is_as_many_months_as_its_dates_make_up(string period, int? months) =>
        (
            PageExamples.Read("cart", "txt", $"Stack hosting\n{period}\n£60.00\nTotal £60.00")["lines"]!
                .AsArray()
                .ShouldHaveSingleItem()!["months"]
                ?.GetValue<int>()
        ).ShouldBe(months);

    [Fact]
    public void A_credit_in_brackets_is_taken_off() =>
        Said(
                PageExamples.Read("cart", "txt", "Stack hosting\n£60.00\nCredit\n(£10.00)\nTotal £50.00")["discounts"]![
                    0
                ]!["amount"]
            )
            .ShouldBe("10.00");

    [Theory]
    [InlineData("Managed hosting $1,299.00 a year. Support £5 a month extra.", null)]
    [InlineData("Managed hosting $1,299.00 a year. Support US$5 a month extra.", "USD")]
    public void Dollars_are_nobodys_pounds(string words, string? currency) =>
        Said(Read(words)["currency"]).ShouldBe(currency);

    [Theory]
    [InlineData("Money back within 30 days, or 60 days money back on the yearly plan.", null)]
    [InlineData("Money back within 30 days.", 30)]
    public void Two_refunds_in_a_sentence_are_none(string words, int? days) =>
        (Read("Oak\n£4 a month\n3 websites\n" + words)["refundDays"]?.GetValue<int>()).ShouldBe(days);

    [Fact]
    public void A_sentence_does_not_end_at_an_abbreviation() =>
        Said(Read("SEK 49 per month for 12 months. Incl. VAT.")["tax"]).ShouldBe("inside");

    private static string Way(JsonNode way) =>
        $"{way["price"]} {way["per"]} {way["months"]} {way["paid"]} "
        + $"{(way["later"] is JsonObject later ? $"{later["price"]}/{later["per"]}" : way["later"])}";

    private static JsonObject Read(string text) => PageExamples.Read("page", "txt", text);

    private static string? Said(JsonNode? node) => node?.GetValue<string>();
}
