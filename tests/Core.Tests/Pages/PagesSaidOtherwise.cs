using System.Text.Json.Nodes;
using static HomeStart.Core.Tests.Readings;

namespace HomeStart.Core.Tests;

/// <summary>Pages that say usual things in their own way, each beside a neighbour that means another thing.</summary>
public sealed class PagesSaidOtherwise
{
    private const string Lengths =
        "<h1>Wetherfold</h1><table><tr><th>Term</th><th>Lamb</th><th>Ewe</th></tr><tr><td>1 month</td><td>£6.00</td>"
        + "<td>£11.00</td></tr><tr><td>12 months</td><td>£5.00</td><td>£9.50</td></tr></table>";

    [Theory]
    [InlineData("Prices are per month, paid for the whole term at once.", "month")]
    [InlineData("All prices are monthly prices when you pay for the full term up front.", "month")]
    [InlineData("Figures shown are per calendar month.", "month")]
    [InlineData("Are prices per month?", "year")]
    [InlineData("Backup is £1 per month.", "year")]
    public void What_prices_are_for_is_said_below_their_table(string words, string per) =>
        Html($"{Lengths}<p>{words}</p>")["plans"]!
            .AsArray()
            .Select(plan => Said(plan!["ways"]![1]!["per"]))
            .ShouldBe([per, per]);

    // £50 is more than a month costs: a year's sum, whatever is said.
    [Fact]
    public void A_year_that_is_dearer_than_a_month_is_no_price_a_month() =>
        Said(
                Html($"{Lengths.Replace("£5.00", "£50.00", StringComparison.Ordinal)}<p>Prices are per month.</p>")[
                    "plans"
                ]![0]!["ways"]![1]!["per"]
            )
            .ShouldBe("year");

    [Theory]
    [InlineData("Renews at $9.99/mo ($359.64 for 3 years)", 1)]
    [InlineData("Renews at $9.99/mo ($300.00 for 3 years)", 2)] // 36 months at another price.
    public void A_later_price_and_its_sum_are_one(string words, int ways) =>
        Read($"Sprig\n$3.49/mo ($125.64 for 3 years)\n{words}\n1 site\n5 GB storage")["plans"]![0]!["ways"]!
            .AsArray()
            .Count.ShouldBe(ways);

    [Theory]
    [InlineData("Lark — £4.20 a month", "Kite — £8.40 a month")]
    [InlineData("Lark: £4.20 a month", "Kite: £8.40 a month")]
    public void Headings_hold_a_name_and_its_price(string first, string second)
    {
        var plans = Html(
            $"<h2>{first}</h2><p>From year two £6.80 a month.</p><p>1 site, 5 GB storage</p>"
                + $"<h2>{second}</h2><p>From year two £11.90 a month.</p><p>3 sites, 15 GB storage</p>"
        )["plans"]!.AsArray();
        plans.Select(plan => Said(plan!["name"])).ShouldBe(["Lark", "Kite"]);
        plans.Select(plan => Said(plan!["ways"]![0]!["later"]!["price"])).ShouldBe(["6.80", "11.90"]);
        plans.Select(plan => (int)plan!["features"]!["websites"]!).ShouldBe([1, 3]);
    }

    [Theory]
    [InlineData("Try it 14 days for nothing, then $8.00 a month or $84.00 a year.", "8.00/month 1, 84.00/year 12")]
    [InlineData("Free trial, then $8.00 a month or $84.00 a year.", "8.00/month 1, 84.00/year 12")]
    [InlineData("$8.00 a month for a year, then $12.00 a month.", "8.00/month 12")]
    public void What_follows_a_trial_is_the_price(string words, string ways) =>
        string.Join(
                ", ",
                Html($"<h2>Hut</h2><p>{words}</p><p>1 site</p><h2>Hall</h2><p>{words}</p><p>3 sites</p>")["plans"]![0]![
                    "ways"
                ]!
                    .AsArray()
                    .Select(way => $"{way!["price"]}/{way["per"]} {way["months"]}")
            )
            .ShouldBe(ways);

    [Fact]
    public void Each_price_has_the_note_of_its_mark()
    {
        var plans = Html(
            "<table><tr><th></th><th>Small</th><th>Large</th></tr><tr><td>Monthly price</td><td>£3*</td><td>£12**</td>"
                + "</tr><tr><td>Mailboxes</td><td>5</td><td>50</td></tr></table><p>* on a 24-month contract paid "
                + "monthly; renews at twice the price. ** on a 12-month contract paid monthly; price held on renewal.</p>"
        )["plans"]!.AsArray();
        plans.Select(plan => (int)plan!["ways"]![0]!["months"]!).ShouldBe([24, 12]);
        plans.Select(plan => plan!["ways"]![0]!["later"]?.ToString()).ShouldBe([null, "same"]);
    }

    [Theory]
    [InlineData("Rs. 99/- per month", "99.00 month")]
    [InlineData("kr 49,- per month", "49.00 month")]
    [InlineData("39:- per month", "")] // Of no currency that anybody knows.
    [InlineData("CHF 9.-- per month", "9.00 month")]
    public void A_dash_stands_for_no_cents(string words, string price) =>
        (
            Read($"Seed\n{words}\n1 website\n10 GB storage\n\nTree\n{words}\n5 websites\n20 GB storage")["plans"]!
                .AsArray()
                .FirstOrDefault()
                is { } plan
                ? $"{plan["ways"]![0]!["price"]} {plan["ways"]![0]!["per"]}"
                : ""
        ).ShouldBe(price);

    [Theory]
    [InlineData("Use AUTUMN25 for 25% off your first bill, or enter TENOFF for $10 off.", "AUTUMN25 25, TENOFF 10.00")]
    [InlineData("25% off with code AUTUMN25, $10 off with code TENOFF.", "AUTUMN25 25, TENOFF 10.00")]
    [InlineData("Use AUTUMN25 for 25% off your first bill.", "AUTUMN25 25")]
    public void Codes_in_one_sentence_take_off_what_is_theirs(string words, string codes)
    {
        var page = Html(
            $"<h3>Acorn</h3><p>$6.00/mo billed annually</p><p>1 site</p><h3>Oak</h3><p>$12.00/mo billed annually</p>"
                + $"<p>5 sites</p><p>{words}</p>"
        );
        string.Join(
                ", ",
                page["codes"]!.AsArray().Select(code => $"{code!["code"]} {code["percent"] ?? code["amount"]}")
            )
            .ShouldBe(codes);
        page["plans"]!.AsArray().Select(plan => Said(plan!["ways"]![0]!["later"])).ShouldBe(["same", "same"]);
    }

    [Theory]
    [InlineData("Change your mind within a fortnight and we pay you back in full.", 14)]
    [InlineData("Within two weeks you get all of it back.", 14)]
    [InlineData("Refunded within a week.", null)] // How soon, not until when.
    [InlineData("We answer within two weeks.", null)]
    public void Weeks_to_have_ones_money_back_are_days(string words, int? days) =>
        ((int?)Read($"Oak\n£4 a month\n3 websites\n\n{words}")["refundDays"]).ShouldBe(days);

    [Theory]
    [InlineData("Add VAT at 20%.", "on-top")]
    [InlineData("Prices with VAT.", "inside")]
    [InlineData("Prices shown are with VAT.", "inside")]
    [InlineData("You can add VAT numbers later.", null)]
    public void Tax_is_said_in_few_words(string words, string? tax) =>
        Said(Read($"Oak\n£4 a month\n3 websites\n\n{words}")["tax"]).ShouldBe(tax);

    [Theory]
    [InlineData("Includes one .uk name free for the first year.", false)]
    [InlineData("Includes one .uk name free for as long as you stay.", true)]
    public void A_name_that_is_free_is_a_domain(string words, bool everyYear)
    {
        var domain = Html(
            $"<h3>Oak</h3><p>£4 a month</p><p>3 websites</p><p>{words}</p><h3>Elm</h3><p>£9 a month</p><p>9 websites</p>"
        )["plans"]![0]!["domain"]!;
        domain["endings"]!.ToJsonString().ShouldBe("""["uk"]""");
        ((bool)domain["everyYear"]!).ShouldBe(everyYear);
    }

    [Theory]
    [InlineData("<th>Monthly</th><th>Yearly</th>", "Daily backup 2.00 month, Malware scan 3.00 month")]
    [InlineData("<th>Per year</th><th>Three years</th>", "Daily backup 2.00 year, Malware scan 3.00 year")]
    [InlineData("<th>One-off</th><th>Notes</th>", "Daily backup 2.00 once, Malware scan 3.00 once")]
    [InlineData("<th>Price</th><th>Notes</th>", "")]
    public void A_column_says_what_prices_of_extras_are_for(string heads, string extras) =>
        string.Join(
                ", ",
                Html(
                    $"<h2>Extras</h2><table><tr><th>Add-on</th>{heads}</tr><tr><td>Daily backup</td><td>£2.00</td><td>"
                        + "£20.00</td></tr><tr><td>Malware scan</td><td>£3.00</td><td>£30.00</td></tr></table>"
                )["extras"]!
                    .AsArray()
                    .Select(extra => $"{extra!["name"]} {extra["price"]} {extra["per"]}")
            )
            .ShouldBe(extras);

    [Theory]
    [InlineData(".net and .org: £13.50 a year; transfers free.", "13.50 13.50 0.00, 13.50 13.50 0.00")]
    [InlineData(".net and .org: £13.50 a year, free transfers.", "13.50 13.50 0.00, 13.50 13.50 0.00")]
    [InlineData(".net and .org: £13.50 a year; transfers £9.00.", "13.50 13.50 9.00, 13.50 13.50 9.00")]
    [InlineData(".net and .org: £13.50 a year.", "13.50 13.50 -, 13.50 13.50 -")]
    public void A_transfer_that_is_free_has_no_price(string words, string prices) =>
        string.Join(
                ", ",
                Html($"<h1>Domain names</h1><p>.uk: £7 a year, every year. {words} Prices plus VAT.</p>")["domains"]!
                    .AsArray()
                    .Where(row => Said(row!["ending"]) is "net" or "org")
                    .Select(row => $"{row!["register"] ?? "-"} {row["renew"] ?? "-"} {row["transfer"] ?? "-"}")
            )
            .ShouldBe(prices);

    [Theory]
    [InlineData("One website costs £6.00. Cancel any time.", "6.00/month 1 monthly-free")]
    public void What_can_be_left_at_any_time_is_paid_by_the_month(string words, string ways) =>
        Ways(Html($"<h2>Oak</h2><p>{words}</p><p>3 websites</p><h2>Elm</h2><p>{words}</p><p>5 websites</p>"))
            .ShouldBe(ways);

    private static JsonObject Html(string page) => PageExamples.Read("page", "html", page);
}
