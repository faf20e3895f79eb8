using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Advertising;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;

namespace HomeStart.Core.Tests;

/// <summary>
/// Tables pasted from pages and spreadsheets: what their columns are taken for, and the plans they make.
/// </summary>
public class PriceTableTests
{
    [Theory]
    [InlineData("Plan", "plan")]
    [InlineData("Monthly", "way-1")]
    [InlineData("Price per month", "way-1")]
    [InlineData("Yearly price", "way-12")]
    [InlineData("Yearly (per month)", "way-12-per-month")]
    [InlineData("24 months", "way-24")]
    [InlineData("3 years", "way-36")]
    [InlineData("36 months, a month", "way-36-per-month")]
    [InlineData("Renewal", "later")]
    [InlineData("Renews at /month", "later-per-month")]
    [InlineData("Renewal per year", "later-per-year")]
    [InlineData("Set-up fee", "set-up-fee")]
    [InlineData("Free months", "free-months")]
    [InlineData("Months free", "free-months")]
    [InlineData("Disk space", "feature-storageGB")]
    [InlineData("E-mail accounts", "feature-mailboxes")]
    [InlineData("Websites", "feature-websites")]
    [InlineData("Free domain", "endings")]
    [InlineData("Our opinion", "ignored")]
    [InlineData("price-2", "price-2")]
    [InlineData("Every months", "every-months")]
    public void A_heading_says_what_its_column_holds(string heading, string role) =>
        ColumnRole.OfHeading(heading).ToString().ShouldBe(role);

    [Theory]
    [InlineData("price-0")]
    [InlineData("price-7")]
    [InlineData("way-121")]
    [InlineData("way-0-per-month")]
    [InlineData("bills-1-per-month")]
    [InlineData("feature-magic")]
    [InlineData("")]
    [InlineData(null)]
    public void What_is_no_role_is_refused(string? word) => ColumnRole.TryParse(word, out _).ShouldBeFalse();

    private const string Down =
        "Plan\tMonthly\tYearly\tRenewal per year\tDisk space\tSet-up fee\tFree "
        + "domain\nPebble\t£5\t£48\t£72\t10 GB\t-\tcom, .co.uk\nCobble\t£9/mo\t£7 a "
        + "month\t£120\tunlimited\t£10\tno\n";

    [Fact]
    public void Plans_that_go_down()
    {
        var (wire, book) = Read(Down, provider: "Quarry", tax: "on-top");
        wire.Faults.ShouldBeEmpty();
        wire.Currency.ShouldBe("GBP"); // As every amount says.
        book!.Plans.Select(plan => plan.Id).ShouldBe(["pebble", "cobble"]);
        Ways(book.Plans[0]).ShouldBe(["1/1: 1 × 500, then ?", "12/12: 1 × 4800, then 7200"]);
        // "£7 a month" says what it is for.
        Ways(book.Plans[1]).ShouldBe(["1/1 (1000): 1 × 900, then ?", "12/12 (1000): 1 × 8400, then 12000"]);
        book.Plans[0].IncludedDomain!.Endings.ShouldBe(["com", "co.uk"]);
        book.Plans[1].IncludedDomain.ShouldBeNull();
        book.Plans[1].Features["storageGB"]!.Word.ShouldBe("unlimited");
        book.Domains.Select(price => price.Ending).ShouldBe(["com", "co.uk"]);
    }

    [Fact]
    public void Plans_that_stand_across_are_turned()
    {
        var (wire, book) = Read(
            "| | Pebble | Cobble |\n|---|---|---|\n| Price per year | €48,00 | €84,00 |\n| Web space | 10 GB | "
                + "1 TB |\n| Mailboxes | 5 | 50 |",
            provider: "Quarry",
            tax: "inside",
            laterIsSame: true
        );
        (wire.WasTurned, wire.Faults.Count).ShouldBe((true, 0));
        book!
            .Plans.Select(plan => $"{plan.Name} {string.Join(";", Ways(plan))} {plan.Features["storageGB"]!.Number}")
            .ShouldBe(["Pebble 12/12: 4800 10", "Cobble 12/12: 8400 1000"]);
    }

    [Fact]
    public void A_column_taken_for_something_else_is_read_as_that()
    {
        var first = Read("Tariff;Twelve;Then\nPebble;48;72", provider: "Quarry", currency: "GBP", tax: "inside");
        first.Wire.Roles.ShouldBe(["plan", "ignored", "later"]);
        first.Wire.Faults.ShouldHaveSingleItem().Message.ShouldContain("has no price that was read");
        var (_, book) = Read(
            "Tariff;Twelve;Then\nPebble;48;72",
            provider: "Quarry",
            currency: "GBP",
            tax: "inside",
            roles: ["plan", "way-12", "later"]
        );
        Ways(book!.Plans[0]).ShouldBe(["12/12: 1 × 4800, then 7200"]);
        Read("a;b\n1;2", roles: ["plan", "gold"]).Wire.Faults.ShouldContain(fault => fault.Where == "roles[1]");
    }

    [Fact]
    public void Every_cell_that_cannot_be_read_is_told_with_its_place()
    {
        var (wire, book) = Read(
            "Plan\tMonthly\tContract\tMailboxes\tEndings\tSet-up fee\nPebble\tcall "
                + "us\tlong\tsome\tyes\t€5\n\tfree\t-\t-\t-\t-",
            provider: "Quarry",
            currency: "GBP",
            tax: "inside"
        );
        book.ShouldBeNull();
        wire.Faults.Select(fault => $"{fault.Where} {fault.Code}")
            .ShouldBe(
                ["rows[0][3] bad-type", "rows[0][4] bad-type", "rows[0][5] bad-amount", "rows[0][1] bad-amount"],
                ignoreOrder: true
            );
    }

    [Fact]
    public void What_is_missing_beside_the_table_is_asked_for()
    {
        var (wire, _) = Read("Plan\tMonthly\nPebble\t5");
        wire.Faults.Select(fault => $"{fault.Where} {fault.Code}")
            .ShouldBe(["provider required", "tax required", "currency required"], ignoreOrder: true);
        Read("").Wire.Faults.ShouldHaveSingleItem().Where.ShouldBe("text");
        Read("one line").Wire.Faults.ShouldContain(fault => fault.Where == "text");
        Read(new string('x', PriceTableReader.Longest + 1))
            .Wire.Faults.ShouldContain(fault => fault.Code == "out-of-range");
    }

    [Fact]
    public void A_row_that_says_a_price_again_or_names_no_plan_is_told()
    {
        var (wire, _) = Read(
            "plan,every-months,price-1\n,12,5\nPebble,12,5\nPebble,12,6\nPebble,130,6",
            provider: "Quarry",
            currency: "GBP",
            tax: "inside"
        );
        wire.Faults.Select(fault => $"{fault.Where} {fault.Code}")
            .ShouldBe(["rows[0] required", "rows[2] duplicate-id", "rows[3][1] out-of-range"]);
    }

    [Fact]
    public void Plans_written_for_a_spreadsheet_come_back_as_they_were()
    {
        foreach (var file in Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "demo", "books"), "*.json"))
        {
            var book = BookReader.Read(JsonDocument.Parse(File.ReadAllText(file)).RootElement, new FaultList())!;
            if (book.Plans.IsEmpty)
            {
                continue;
            }

            var (wire, again) = Read(PlansCsv.Write(book));
            wire.Faults.ShouldBeEmpty(file);
            (again!.Provider.Name, again.Currency, again.Tax.PricesInclude).ShouldBe(
                (book.Provider.Name, book.Currency, book.Tax.PricesInclude)
            );
            again
                .Plans.SelectMany(plan => Ways(plan).Select(way => $"{plan.Name} {way}"))
                .ShouldBe(book.Plans.SelectMany(plan => Ways(plan).Select(way => $"{plan.Name} {way}")), file);
            again
                .Plans.Select(plan => plan.IncludedDomain?.MinCommitMonths)
                .ShouldBe(book.Plans.Select(plan => plan.IncludedDomain?.MinCommitMonths));
        }
    }

    [Fact]
    public void A_name_that_looks_like_a_formula_is_guarded_and_comes_back()
    {
        var csv = PlansCsv.Write(
            new OfferBook("x", new Provider("=1+1", null), default, Currency.Get("GBP"))
            {
                Plans =
                [
                    new Plan("a", "@home")
                    {
                        Billing = [new BillingOption(1, 1, null, new PriceSteps([new PriceStep(null, 500)]))],
                    },
                ],
            }
        );
        csv.ShouldContain("'=1+1");
        Read(csv).Book!.Plans[0].Name.ShouldBe("@home");
    }

    private static (PriceTableWire Wire, OfferBook? Book) Read(
        string text,
        string? provider = null,
        string? currency = null,
        string? tax = null,
        bool laterIsSame = false,
        string[]? roles = null
    )
    {
        var body = new JsonObject
        {
            ["text"] = text,
            ["provider"] = provider,
            ["currency"] = currency,
            ["tax"] = tax,
            ["laterIsSame"] = laterIsSame,
        };
        if (roles is not null)
        {
            body["roles"] = new JsonArray([.. roles.Select(role => (JsonNode)role)]);
        }

        var (_, wire, book) = PriceTableReader.Read(
            new Node(body.Deserialize<JsonElement>(), "", new FaultList()),
            new DateOnly(2026, 12, 1)
        );
        return (wire, book);
    }

    private static IEnumerable<string> Ways(Plan plan) =>
        plan.Billing.Select(option =>
            $"{option.EveryMonths}/{option.CommitMonths}"
            + $"{(option.SetupFee is { } fee && fee > 0 ? $" ({fee})" : "")}: "
            + $"{string.Join(", then ", option.Prices.Steps.Select(step => (step.Periods is { } bills ? $"{bills} × " : "") + (step.Units?.ToString() ?? "?")))}"
        );
}
