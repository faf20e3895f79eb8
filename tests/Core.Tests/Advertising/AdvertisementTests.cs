using System.Text.Json;
using HomeStart.Formats.Advertising;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;

namespace HomeStart.Core.Tests;

/// <summary>The book an advertisement makes, and what its price hides, worked by hand.</summary>
public class AdvertisementTests
{
    private static readonly Currency Pounds = Currency.Get("GBP");
    private static readonly CountSettings Owner = new(new DateOnly(2026, 12, 1), 24)
    {
        TaxPercent = ExactDecimal.Whole(20),
    };

    [Theory]
    [InlineData(HowPaid.AtOnce, AdvertisedPer.Month, 299, 36, "36/36: 1 × 10764, then 32364")]
    [InlineData(HowPaid.AtOnce, AdvertisedPer.Year, 3600, 24, "24/24: 1 × 7200, then 21576")]
    [InlineData(HowPaid.AtOnce, AdvertisedPer.Term, 100, 1, "1/1: 1 × 100, then 899")]
    [InlineData(HowPaid.MonthlyBound, AdvertisedPer.Month, 399, 12, "1/12: 12 × 399, then 899")]
    [InlineData(HowPaid.MonthlyFree, AdvertisedPer.Month, 99, 6, "1/1: 6 × 99, then 899")]
    [InlineData(HowPaid.MonthlyBound, AdvertisedPer.Term, 1000, 3, "1/3: 3 × 333, then 899")]
    public void A_price_becomes_a_way_to_pay(HowPaid paid, AdvertisedPer per, int amount, int months, string option) =>
        Written(
                new AdvertisedWay(
                    new AdvertisedPrice(amount, per),
                    months,
                    paid,
                    new LaterPrice(false, new AdvertisedPrice(899, AdvertisedPer.Month))
                ).ToOption(null)
            )
            .ShouldBe(option);

    [Fact]
    public void A_price_that_stays_is_one_step_and_one_that_is_not_stated_is_told_apart()
    {
        Written(
                new AdvertisedWay(
                    new AdvertisedPrice(500, AdvertisedPer.Month),
                    1,
                    HowPaid.MonthlyFree,
                    LaterPrice.Same
                ).ToOption(1500)
            )
            .ShouldBe("1/1: 500");
        var silent = new AdvertisedWay(
            new AdvertisedPrice(500, AdvertisedPer.Month),
            12,
            HowPaid.AtOnce,
            LaterPrice.NotStated
        ).ToOption(0);
        Written(silent).ShouldBe("12/12: 1 × 6000, then not stated");
        silent.SetupFee.ShouldBeNull(); // Nothing is no fee.
    }

    [Fact]
    public void What_a_low_price_for_three_years_hides()
    {
        var book = Steep().ToBook("brightwater", new DateOnly(2026, 11, 20));
        var costs = HiddenCosts.Find(book, Owner)!;
        costs.PerMonth.ToAmount().ShouldBe("2.99");
        costs.DueToday.ShouldBe(new Sum(12917, false)); // 107.64 with 20% tax.
        // The domain's first year is in the price; it renews on the day the year is over.
        costs.FirstYear.ShouldBe(new Sum(12917, false));
        costs.ThreeYears.ShouldBe(new Sum(12917, true)); // Two renewals of the domain that the page does not state.
        var step = costs.AfterFirstTerm!;
        (step.Date, step.From.ToAmount(), step.To!.Value.ToAmount()).ShouldBe(
            (new DateOnly(2029, 12, 1), "2.99", "8.99")
        ); // On the very day the three years end.
        costs.TickedInAdvance!.Value.ToAmount().ShouldBe("86.40"); // 2.00 a month, 36 months, and tax.
    }

    [Fact]
    public void What_is_advertised_is_bought_without_what_is_ticked()
    {
        var book = Steep().ToBook("brightwater", new DateOnly(2026, 11, 20));
        var candidate = HiddenCosts.Bought(book, []);
        (
            candidate.Hosting!.Book,
            candidate.Hosting.Plan,
            candidate.Hosting.EveryMonths,
            candidate.Hosting.CommitMonths,
            candidate.Hosting.AddOns.Length
        ).ShouldBe(("brightwater", "lantern", 36, 36, 0));
        var domain = candidate.Domains.ShouldHaveSingleItem();
        (domain.Route, domain.Ending).ShouldBe((DomainRoute.Later, "com"));
        var short_ = Steep() with { Domain = new AdvertisedDomain(["com"], 37) };
        HiddenCosts.Bought(short_.ToBook("b", default), []).Domains.ShouldBeEmpty(); // Not committed for long enough.
        BookGap.Find(book).Select(gap => gap.Part).ShouldBe([BookPart.Registering, BookPart.Renewing]);
    }

    [Fact]
    public void Its_book_is_written_as_the_reader_reads_it()
    {
        var book = Steep().ToBook("brightwater", new DateOnly(2026, 11, 20));
        var faults = new FaultList();
        var again = BookReader.Read(BookWriter.Write(book), faults);
        faults.Faults.ShouldBeEmpty();
        BookChange.Between(book, again!).ShouldBeEmpty();
    }

    [Fact]
    public void A_typed_advertisement_says_all_that_is_wrong_at_once_and_reads_sums_as_pages_write_them()
    {
        var (none, missing) = Typed("{}");
        none.ShouldBeNull();
        missing.ShouldBe([
            "provider required",
            "plan required",
            "currency required",
            "tax required",
            "price required",
            "months required",
            "paid required",
            "later required",
        ]);

        var (wrong, faults) = Typed(
            """{ "provider": "A", "plan": "B", "currency": "GBP", "tax": "inside", "price": "cheap", "pricePer": "month", "months": "0", "paid": "at-once", "later": "stated", "laterPrice": "£1.234", "laterPer": "month", "includesDomain": true, "endings": "com, n_t", "refundDays": "many", "ticked": [{ "name": "", "price": "" }] }"""
        );
        wrong.ShouldBeNull();
        faults.ShouldBe([
            "price bad-amount",
            "months out-of-range",
            "laterPrice bad-amount",
            "endings bad-type",
            "refundDays out-of-range",
            "ticked[0].name required",
            "ticked[0].price required",
        ]);

        var (read, none2) = Typed(
            """{ "provider": " A ", "plan": "B", "currency": "EUR", "tax": "on-top", "price": "2,99 €", "pricePer": "month", "months": "12", "paid": "at-once", "later": "stated", "laterPrice": "€1,299", "laterPer": "year", "setupFee": "9.90" }"""
        );
        none2.ShouldBeEmpty();
        (read!.Provider, read.Headline.Price.Amount, read.Headline.Later.Price!.Amount, read.SetupFee).ShouldBe(
            ("A", 299, 129900, 990)
        );
    }

    [Fact]
    public void Figures_are_worked_out_before_the_names_are_there_and_two_ways_alike_are_one_too_many()
    {
        const string Way =
            """ "price": "5", "pricePer": "month", "months": "12", "paid": "at-once", "later": "same" """;
        var (unnamed, faults) = Typed($$"""{ "currency": "GBP", {{Way}} }""");
        faults.ShouldBe(["provider required", "plan required", "tax required"]);
        HiddenCosts.Find(unnamed!.ToBook("x", default), Owner)!.DueToday.Amount.ShouldBe(7200);
        Typed(
            $$"""{ "provider": "A", "plan": "B", "tax": "inside", "currency": "GBP", {{Way}}, "otherWays": [ { {{Way}} } ] }"""
        )
            .Faults.ShouldBe(["otherWays[0].months duplicate-id"]);
    }

    private static Advertisement Steep() =>
        new(
            "Brightwater Hosting",
            "Lantern",
            Pounds,
            new AdvertisedWay(
                new AdvertisedPrice(299, AdvertisedPer.Month),
                36,
                HowPaid.AtOnce,
                new LaterPrice(false, new AdvertisedPrice(899, AdvertisedPer.Month))
            )
        )
        {
            Domain = new AdvertisedDomain(["com"], 12),
            RefundDays = 30,
            Ticked = [new AdvertisedExtra("Daily backup", 200, ChargeEvery.Month)],
        };

    private static (Advertisement? Read, IEnumerable<string> Faults) Typed(string json)
    {
        var faults = new FaultList();
        var read = AdvertisementReader.Read(new Node(JsonDocument.Parse(json).RootElement, "", faults));
        return (read, faults.Faults.Select(fault => $"{fault.Where} {fault.Code}"));
    }

    private static string Written(BillingOption option) =>
        $"{option.EveryMonths}/{option.CommitMonths}: "
        + $"{string.Join(", then ", option.Prices.Steps.Select(step => (step.Periods is { } bills ? $"{bills} × " : "") + (step.Units?.ToString() ?? "not stated")))}";
}
