using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Reconciling;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>A card statement held against what was due: by seller, date and sum.</summary>
public class StatementTests
{
    private static readonly Currency Pounds = Currency.Get("GBP");

    [Theory]
    [InlineData("TIDEMARSH HOSTING LTD GB", "Tidemarsh Hosting", true)]
    [InlineData("CARD 1234 TIDEMARSH*0771", "Tidemarsh Hosting", true)]
    [InlineData("Hosting Tidemarshes", "Tidemarsh Hosting", false)]
    [InlineData("HOSTING WORLD", "Tidemarsh Hosting", false)]
    [InlineData("A B C", "B C", true)]
    [InlineData("B", "B C", false)]
    [InlineData("C B", "B C", false)]
    [InlineData("", "Tidemarsh", false)]
    [InlineData("Tidemarsh", "…", false)]
    public void A_seller_is_known_by_its_name_or_its_first_word(string text, string seller, bool names) =>
        Statement.Names(text, seller).ShouldBe(names);

    [Fact]
    public void Three_days_either_way_count_and_a_fourth_does_not()
    {
        var had = Had("2028-01-05");
        Match(had, ("2027-12-29", 260_00), ("2028-01-04", 260_00))
            .ShouldBe(["matched 2027-12-29 260.00", "not-due 2028-01-04 -"]); // As near as the other, and before it.
        Match(had, ("2028-01-05", 260_00)).ShouldBe(["not-due 2028-01-05 -"]);
        Match(had, ("2027-12-28", 260_00)).ShouldBe(["not-due 2027-12-28 -"]);
        Match(had, ("2027-12-29", 260_00)).ShouldBe(["matched 2027-12-29 260.00"]);
    }

    [Fact]
    public void What_agrees_comes_first_and_each_bill_takes_one_row()
    {
        var had = Had("2028-01-05");
        Match(had, ("2028-01-01", 300_00), ("2028-01-03", 260_00))
            .ShouldBe(["not-due 2028-01-01 -", "matched 2028-01-03 260.00"]);
        Match(had, ("2028-01-03", 300_00), ("2028-01-02", 310_00))
            .ShouldBe(["not-due 2028-01-03 -", "open 2028-01-02 260.00"]); // The nearer one.
        Match(had, ("2028-01-01", 260_00), ("2028-01-01", 260_00))
            .ShouldBe(["matched 2028-01-01 260.00", "not-due 2028-01-01 -"]);
        Match(had, ("2028-01-01", -260_00)).ShouldBe(["not-due 2028-01-01 -"]); // Money that came back is no bill.
    }

    [Fact]
    public void Another_currency_is_known_by_what_the_statement_says_or_by_the_owners_rate()
    {
        var (tenure, book) = ChargeConfirmationsTests.There();
        book = ChargeConfirmationsTests.Play(tenure, book, new DateOnly(2028, 1, 5));
        var had = new PaidOrder(Guid.Empty, tenure, Movement.ListAll(book));
        var dollars = Currency.Get("USD");
        var abroad = Statement
            .Match(
                [
                    new StatementRow(
                        1,
                        new DateOnly(2028, 1, 1),
                        "Host",
                        new Money(330_00, dollars),
                        new Money(260_00, Pounds)
                    ),
                ],
                [had]
            )
            .ShouldHaveSingleItem();
        (abroad.Agrees, abroad.IsByRate).ShouldBe((true, false));
        var unknown = Statement
            .Match([new StatementRow(1, new DateOnly(2028, 1, 1), "Host", new Money(330_00, dollars))], [had])
            .ShouldHaveSingleItem();
        (unknown.Seen, unknown.Agrees).ShouldBe((null, false));
        ChargeWords.Verdict(unknown, isExplained: false).Words.ShouldContain("no rate");

        // One pound is 1.25 dollars by the owner's rate: 325.00, and three parts in a hundred either way.
        var rated = DayKeeperTests
            .Opened(
                UpkeepByHand.Ask(
                    UpkeepByHand
                        .Market()
                        .With("display.currency", "\"USD\"")
                        .With("display.rates", "{\"GBP\":\"1.25\"}"),
                    "2030-01-01"
                )
            )!
            .Value.Tenure;
        foreach (
            var (sum, agrees) in new[]
            {
                (325_00, true),
                (334_75, true),
                (315_25, true),
                (334_76, false),
                (315_24, false),
            }
        )
        {
            var match = Statement
                .Match(
                    [new StatementRow(1, new DateOnly(2028, 1, 1), "Host", new Money(sum, dollars))],
                    [had with { Tenure = rated }]
                )
                .ShouldHaveSingleItem();
            (match.Agrees, match.IsByRate).ShouldBe((agrees, true), $"{sum}");
        }

        Statement
            .Match(
                [new StatementRow(1, new DateOnly(2028, 1, 1), "Host", new Money(650_00, dollars))],
                [had with { Tenure = rated }]
            )[0]
            .Seen.ShouldBe(new Money(520_00, Pounds));
    }

    [Fact]
    public void A_charge_is_explained_by_the_costing_and_not_once_what_was_decided_made_another_bill_of_it()
    {
        var (tenure, book) = ChargeConfirmationsTests.There();
        book = ChargeConfirmationsTests.Play(tenure, book, new DateOnly(2028, 1, 2));
        var charge = Movement.ListAll(book)[^1];
        ChargeCheck
            .Why(tenure, charge, new Money(240_00, Pounds), TestContext.Current.CancellationToken)
            .ShouldNotBeNull()
            .Explanations[0]
            .Deviations[0]
            .Kind.ShouldBe(DeviationKind.Years); // Paid for longer, the domain is not due yet.
        ChargeCheck
            .Why(tenure, charge, new Money(240_00, Currency.Get("USD")), TestContext.Current.CancellationToken)
            .ShouldBeNull();
        ChargeCheck.Why(tenure, charge, new Money(-1, Pounds), TestContext.Current.CancellationToken).ShouldBeNull();
        var changed = ChargeConfirmationsTests.Play(
            tenure,
            ChargeConfirmationsTests
                .There()
                .Book.With(new DropExtra(new DateOnly(2027, 3, 1), "backup"))
                .With(new SetRenewing(new DateOnly(2027, 4, 1), "domain:0", Value: false)),
            new DateOnly(2028, 1, 2)
        );
        ChargeCheck
            .Why(
                tenure,
                Movement.ListAll(changed)[^1],
                new Money(200_00, Pounds),
                TestContext.Current.CancellationToken
            )
            .ShouldBeNull();
    }

    [Fact]
    public void What_was_taken_too_much_adds_up_seller_by_seller_and_too_little_takes_nothing_off()
    {
        var movements = Enumerable
            .Range(0, 4)
            .Select(line => new Movement(
                line,
                line < 3 ? "host" : "names",
                new DateOnly(2027, 1, 1),
                new DateOnly(2027, 1, 1),
                new Money(100, Pounds)
            ));
        Minor[] seen = [150, 90, 120, 100];
        var over = ChargeCheck.OverchargedOf(
            movements.Select(movement =>
                movement with
                {
                    Seen = new SeenMovement(movement.Line, new Money(seen[movement.Line], Pounds)),
                }
            )
        );
        over.ShouldHaveSingleItem().ShouldBe(KeyValuePair.Create("host", new Money(70, Pounds)));
    }

    [Theory]
    [InlineData("Date,Description,Amount\n2027-12-01,Tidemarsh,189.07\n", "2 2027-12-01 Tidemarsh 189.07 GBP")]
    [InlineData(
        "Date;Details;Amount\n01.12.2027;Tidemarsh;-189,07\n02.12.2027;Grocer;-4,20\n",
        "2 2027-12-01 Tidemarsh 189.07 GBP|3 2027-12-02 Grocer 4.20 GBP"
    )]
    [InlineData(
        "Account 1234\nTransaction Date\tMerchant\tBilling Amount\tCurrency\n1 Dec 2027\tTidemarsh\t1,189.07\tUSD\n",
        "3 2027-12-01 Tidemarsh 1189.07 USD"
    )]
    [InlineData(
        "date,narrative,paid out,paid in\n01/12/2027,Tidemarsh,£189.07,\n05/12/2027,Tidemarsh,,£60.95\n",
        "2 2027-12-01 Tidemarsh 189.07 GBP|3 2027-12-05 Tidemarsh -60.95 GBP"
    )]
    [InlineData(
        "Date,Description,Amount\n12/31/2027,Tidemarsh,(189.07)\n12/02/2027,Grocer,(1.00)\n",
        "2 2027-12-31 Tidemarsh 189.07 GBP|3 2027-12-02 Grocer 1.00 GBP"
    )]
    [InlineData(
        "Date,Description,Amount\n31/12/2027,\"Tidemarsh, Ltd\",12.00 CR\n30/12/2027,A,1.00\n29/12/2027,B,2.00\n",
        "2 2027-12-31 Tidemarsh, Ltd -12.00 GBP|3 2027-12-30 A 1.00 GBP|4 2027-12-29 B 2.00 GBP"
    )]
    public void Statements_of_many_banks_are_read(string text, string told)
    {
        var faults = new FaultList();
        var rows = StatementReader.Read(
            new Node(JsonSerializer.SerializeToElement(text), "text", faults),
            Pounds,
            TestContext.Current.CancellationToken
        );
        faults.Faults.ShouldBeEmpty();
        string.Join(
                '|',
                rows.Select(row =>
                    $"{row.Number} {row.On:yyyy-MM-dd} {row.Text} {row.Amount.ToAmount()} {row.Amount.Currency.Code}"
                )
            )
            .ShouldBe(told);
    }

    [Fact]
    public void A_sum_abroad_goes_along()
    {
        var rows = StatementReader.Read(
            new Node(
                JsonSerializer.SerializeToElement(
                    "Date,Description,Amount,Currency,Original amount,Original "
                        + "currency\n2027-12-01,Saltglass,-80.10,GBP,100.00,USD\n2027-12-02,A,-1.00,GBP,,\n"
                ),
                "text",
                new FaultList()
            ),
            Pounds,
            TestContext.Current.CancellationToken
        );
        (rows[0].Abroad, rows[1].Abroad).ShouldBe((new Money(100_00, Currency.Get("USD")), null));
    }

    [Theory]
    [InlineData("", FaultCodes.Required)]
    [InlineData("hello", FaultCodes.BadType)]
    [InlineData("a,b,c\n1,2,3", FaultCodes.BadType)]
    [InlineData("date,description\n2027-12-01,Tidemarsh", FaultCodes.BadType)]
    [InlineData("date,description,amount\n2027-13-01,Tidemarsh,1.00", FaultCodes.BadDate)]
    [InlineData("date,description,amount\n2027-12-01,Tidemarsh,1.2.3", FaultCodes.BadAmount)]
    public void What_is_no_statement_says_why(string text, string code)
    {
        var faults = new FaultList();
        StatementReader
            .Read(
                new Node(JsonSerializer.SerializeToElement(text), "text", faults),
                Pounds,
                TestContext.Current.CancellationToken
            )
            .ShouldBeEmpty();
        faults.Faults.ShouldHaveSingleItem().Code.ShouldBe(code);
    }

    private static PaidOrder Had(string today)
    {
        var (tenure, book) = ChargeConfirmationsTests.There();
        return new PaidOrder(
            Guid.Empty,
            tenure,
            Movement.ListAll(
                ChargeConfirmationsTests.Play(
                    tenure,
                    book,
                    DateOnly.Parse(today, System.Globalization.CultureInfo.InvariantCulture)
                )
            )
        );
    }

    private static List<string> Match(PaidOrder had, params (string On, int Units)[] rows) =>
        [
            .. Statement
                .Match(
                    [
                        .. rows.Index()
                            .Select(row => new StatementRow(
                                row.Index,
                                DateOnly.Parse(row.Item.On, System.Globalization.CultureInfo.InvariantCulture),
                                "THE HOST 0771",
                                new Money(row.Item.Units, Pounds)
                            )),
                    ],
                    [had]
                )
                .Select(match =>
                    $"{ChargeWords.Verdict(match, isExplained: false).Verdict} {match.Row.On:yyyy-MM-dd} "
                    + $"{match.Movement?.Sum.ToAmount() ?? "-"}"
                ),
        ];
}
