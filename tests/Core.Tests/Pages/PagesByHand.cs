using System.Text.Json.Nodes;
using HomeStart.Formats.Pages;
using static HomeStart.Core.Tests.Readings;

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
    [InlineData("Free domain, on 2+ years", "", 24, false)]
    [InlineData("Free domain (yearly)", "", 12, false)]
    [InlineData("A domain (.com or .net) for as long as you’re with us", "com,net", null, true)]
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

    [Theory]
    [InlineData(
        "$10\nper month, billed yearly ($120.00)\nor $12.00 paid monthly",
        "10.00/month 12 at-once, 12.00/month 1 monthly-free"
    )]
    [InlineData("$10\nper month, billed yearly ($120.00)", "10.00/month 12 at-once")]
    [InlineData(
        "$5 a month\nPay a year in advance, or by the month for $6.",
        "5.00/month 12 at-once, 6.00/month 1 monthly-free"
    )]
    [InlineData(
        "$6 a month\nPay by the month, or a year in advance for $60.",
        "6.00/month 1 monthly-free, 60.00/year 12 at-once"
    )]
    [InlineData("$2 $5\nper month for 36 months, paid up front", "2.00/month 36 at-once")]
    [InlineData(
        "$8.00 ex VAT / $9.60 inc VAT\nper month, 12 month contract, billed monthly",
        "8.00/month 12 monthly-bound"
    )]
    [InlineData("$8.00\nper year, billed yearly", "8.00/year 12 at-once")]
    [InlineData("$7.00 a month\nFirst 12 months $5.00 a month\nPaid annually", "5.00/month 12 at-once")]
    [InlineData("$5.00 a month\n12 months $7.00 a month", "5.00/month 1 monthly-free, 7.00/month 12 ?")]
    public void Words_around_a_price_say_what_it_is_for_and_which_of_two_is_meant(string words, string ways) =>
        Ways(Read($"Oak\n{words}\n3 websites\n10 GB storage")).ShouldBe(ways);

    [Theory]
    [InlineData("There is a set-up charge of €15 on the monthly option.", "- 15.00")]
    [InlineData("There is a set-up charge of €15.", "15.00 -")]
    public void A_fee_on_paying_monthly_is_of_that_way_alone(string words, string fees)
    {
        var plan = Read(
            "Oak\n€5 a month\nPay a year in advance, or by the month for €6.\n3 websites\n\nElm\n"
                + "€9 a month\nPay a year in advance, or by the month for €11.\n5 websites\n\n"
                + words
        )["plans"]![0]!;
        $"{plan["setupFee"] ?? "-"} {plan["ways"]![1]!["setupFee"] ?? "-"}".ShouldBe(fees);
    }

    [Theory]
    [InlineData(
        "Every plan: 30-day money back · Pay once for the whole term · Help by phone",
        "at-once at-once at-once"
    )]
    [InlineData("Every plan: 30-day money back · Help by phone", "  ")]
    public void How_all_plans_are_paid_stands_between_other_promises(string words, string paid) =>
        string.Join(' ', Read(Three + words)["plans"]!.AsArray().Select(plan => plan!["ways"]![0]!["paid"]))
            .ShouldBe(paid);

    [Theory]
    [InlineData("Fast hosting\nNest\n", "Nest")]
    [InlineData("Nest hosting\n", "Nest")]
    public void A_heading_of_the_page_is_no_plan(string heading, string name) =>
        Said(Read($"Thistle Web\n{heading}£4 a month\n3 websites\nLedge\n£8 a month\n5 websites")["plans"]![0]!["name"])
            .ShouldBe(name);

    [Theory]
    [InlineData("Transfers in are free.", "0.00")]
    [InlineData("Transfers in cost money.", null)]
    [InlineData("Transfers of sites are free.", null)]
    public void Transfers_that_are_free_are_so_for_every_ending(string words, string? transfer) =>
        Read(".uk £8.00 a year\n.com £14.00 a year\n" + words)["domains"]!
            .AsArray()
            .ShouldAllBe(domain => Said(domain!["transfer"]) == transfer);

    [Theory]
    [InlineData("Ending\nFirst year\nAfterwards\n.com\n£9\n£14\n.org\n£8\n£12", "com 9.00 14.00, org 8.00 12.00")]
    [InlineData("Ending\nFirst year\nMoving here\n.com\n£9\n£14\n.org\n£8\nfree", "com 9.00 - 14.00, org 8.00 - 0.00")]
    [InlineData("Our endings\n.com\n£9\n.org\n£8", "com 9.00 9.00, org 8.00 8.00")]
    [InlineData("Ending\nFirst year\n.com\n£9\n£14", "")]
    public void Endings_laid_out_side_by_side_are_a_table(string words, string domains) =>
        string.Join(
                ", ",
                Read(words)["domains"]!
                    .AsArray()
                    .Select(domain =>
                        string.Join(
                            ' ',
                            new[]
                            {
                                domain!["ending"],
                                domain["register"],
                                domain["renew"] ?? "-",
                                domain["transfer"],
                            }.Where(value => value is not null)
                        )
                    )
            )
            .ShouldBe(domains);

    [Fact]
    public void What_stands_below_a_name_in_its_cell_is_what_the_plan_has() =>
        PageExamples.Read(
            "page",
            "html",
            "<table><tr><th>Plan</th><th>1 year</th><th>2 years</th></tr><tr><td>Oak<br>3 sites, 10 GB</td><td>£4/mo</td>"
                + "<td>£3/mo</td></tr><tr><td>Elm<br>5 sites, 20 GB</td><td>£8/mo</td><td>£6/mo</td></tr></table>"
        )["plans"]![1]!["features"]!
            .ToJsonString()
            .ShouldBe("""{"storageGB":20,"websites":5}""");

    [Theory]
    [InlineData(
        "£2.99/mo when paid for 1 year\n£4.99/mo when paid monthly",
        "2.99/month 12 at-once, 4.99/month 1 monthly-free"
    )]
    [InlineData("£2.99/mo on a 12-month contract\nbilled monthly", "2.99/month 12 monthly-bound")]
    [InlineData("Monthly: £8\nYearly: £80\nNo contract on monthly", "8.00/month 1 monthly-free, 80.00/year 12 at-once")]
    [InlineData("£96 a year, paid in 12 monthly payments", "96.00/year 12 monthly-bound")]
    public void How_one_price_is_paid_is_not_how_another_is(string words, string ways) =>
        Ways(Read($"Oak\n{words}\n3 websites\n10 GB storage")).ShouldBe(ways);

    [Theory]
    [InlineData("12 month minimum term, paid by monthly Direct Debit.", "12 12")]
    [InlineData("Paid by monthly Direct Debit.", "1 1")]
    public void A_term_said_below_the_last_plan_is_of_all(string words, string months) =>
        string.Join(
                ' ',
                Read("Web 1\n£2.50 per month\n1 site | 5 GB\n\nWeb 2\n£5 per month\n5 sites | 25 GB\n\n" + words)[
                    "plans"
                ]!
                    .AsArray()
                    .Select(plan => plan!["ways"]![0]!["months"])
            )
            .ShouldBe(months);

    [Theory]
    [InlineData("<h2>Domains (two years)</h2>", 0)]
    [InlineData("<h2>Domains</h2>", 2)]
    public void Prices_under_a_heading_of_two_years_are_none_of_a_year(string heading, int endings)
    {
        var page = PageExamples.Read("page", "html", heading + "<p>.co.uk £14.00 +VAT<br>.com £30.00 +VAT</p>");
        page["domains"]!.AsArray().Count.ShouldBe(endings);
        page["notPlaced"]!.AsArray().Count(left => Said(left!["why"]) == "other-term").ShouldBe(2 - endings);
    }

    private const string Accounts =
        "<table><tr><td>Account</td><td>Space / sites / mailboxes</td><td>Per month</td><td>Set-up</td></tr>"
        + "<tr><td>D1</td><td>2 GB / 1 / 5</td><td>£9</td><td>£10</td></tr>"
        + "<tr><td>D2</td><td>10 GB / 3</td><td>£18</td><td>£10 (monthly only)</td></tr></table>";

    [Fact]
    public void Several_values_in_a_cell_are_those_of_their_labels()
    {
        var plans = PageExamples.Read("page", "html", Accounts)["plans"]!;
        plans[0]!["features"]!.ToJsonString().ShouldBe("""{"mailboxes":5,"storageGB":2,"websites":1}""");
        plans[1]!["features"]!.ToJsonString().ShouldBe("{}"); // Two of three: nobody knows which.
    }

    [Fact]
    public void A_fee_in_a_cell_is_of_all_ways_or_of_the_monthly_one()
    {
        var plans = PageExamples.Read("page", "html", Accounts)["plans"]!;
        plans
            .AsArray()
            .Select(plan => $"{plan!["setupFee"] ?? "-"} {plan["ways"]![0]!["setupFee"] ?? "-"}")
            .ShouldBe(["10.00 -", "- 10.00"]);
    }

    [Theory]
    [InlineData("Add a backup service for £3 a month.", "backup service")]
    [InlineData("Nightly backups can be added to either for £3 a month.", "Nightly backups")]
    [InlineData("Additional 10 GB: £3 per month", "Additional 10 GB")]
    public void An_extra_is_called_what_it_is(string words, string name) =>
        Said(Read("Oak\n£4 a month\n3 websites\n\n" + words)["extras"]!.AsArray().SingleOrDefault()?["name"])
            .ShouldBe(name);
}
