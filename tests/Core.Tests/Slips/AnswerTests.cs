using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;

namespace HomeStart.Core.Tests;

/// <summary>
/// What a seller answers stands in its price list then, where the costing looks for it, and with the day as a fact.
/// </summary>
public class AnswerTests
{
    private static readonly DateOnly Day = new(2026, 12, 1);

    [Fact]
    public void Every_question_that_has_a_place_is_not_asked_again_and_the_costing_knows_the_answer()
    {
        var bare = Bare();
        var costing = Cost(bare);
        var asked = Slip.Write(costing).Sellers.ShouldHaveSingleItem().Questions;
        asked
            .Select(question => question.Kind)
            .ShouldBe([
                SlipQuestionKind.LaterPrice,
                SlipQuestionKind.ExtraLater,
                SlipQuestionKind.Refund,
                SlipQuestionKind.Change,
                SlipQuestionKind.Renewal,
                SlipQuestionKind.Redemption,
                SlipQuestionKind.Notice,
            ]);
        costing.Totals.AtLeast.Horizon.ShouldBeTrue();
        foreach (var question in asked)
        {
            bare = BookAnswers.Into(
                bare,
                question,
                Answer(question.Kind),
                costing.Run.Purchase.Hosting!.Option,
                "What then?",
                Day
            );
        }

        var after = Cost(bare);
        after.Totals.AtLeast.Horizon.ShouldBeFalse();
        // No price list has a place for that.
        Slip.Write(after).Sellers[0].Questions.Select(question => question.Kind).ShouldBe([SlipQuestionKind.Notice]);
        var book = after.Run.Purchase.Hosting!.Book;
        (
            book.Refund!.Days,
            book.Change!.CreditsDays,
            book.Change.FirstPrice,
            book.Domain("com")!.Lapse!.RedemptionFee
        ).ShouldBe((14, true, false, (Minor)9000));
        after.Run.Purchase.Hosting.Option.Prices.Steps[^1].Units.ShouldBe(9000);
        book.Provider.Facts.Length.ShouldBe(7);
        book.Provider.Facts.ShouldContain("Asked on 1 December 2026: What then? £90.00. “Yes.”");
        book.Provider.Facts.ShouldContain("Asked on 1 December 2026: What then? Within 14 days. “Yes.”");
        book.Provider.Facts.ShouldContain(
            "Asked on 1 December 2026: What then? Unused days are credited, and it starts at the later price. “Yes.”"
        );
        book.Provider.Facts.ShouldContain("Asked on 1 December 2026: What then? “Yes.”");
    }

    [Theory]
    [InlineData(SlipQuestionKind.LaterPrice, "{}", "amount")]
    [InlineData(SlipQuestionKind.Renewal, """{"amount":"much"}""", "amount")]
    [InlineData(SlipQuestionKind.Refund, "{}", "days")]
    [InlineData(SlipQuestionKind.Refund, """{"days":3651}""", "days")]
    [InlineData(SlipQuestionKind.Refund, """{"days":-1}""", "days")]
    [InlineData(SlipQuestionKind.Change, """{"firstPrice":true}""", "credit")]
    [InlineData(SlipQuestionKind.Change, """{"credit":true}""", "firstPrice")]
    [InlineData(SlipQuestionKind.Notice, """{"amount":"1.00"}""", "said")]
    [InlineData(SlipQuestionKind.Notice, """{"said":"The PIN is 1234"}""", "said")]
    public void An_answer_that_is_none_says_where(SlipQuestionKind kind, string body, string where)
    {
        var faults = new FaultList();
        BookAnswers
            .Read(
                new Node(JsonSerializer.Deserialize<JsonElement>(body), "", faults),
                new SlipQuestion(kind, "x"),
                Cost(Bare()).Run.Purchase.Hosting!.Book
            )
            .ShouldBeNull();
        faults.Faults.ShouldHaveSingleItem().Where.ShouldBe(where);
    }

    private static SlipAnswer Answer(SlipQuestionKind kind) =>
        BookAnswers.Asks(kind) switch
        {
            "amount" => new SlipAnswer(new Money(9000, Currency.Get("GBP")), null, null, null, "Yes."),
            "days" => new SlipAnswer(null, 14, null, null, "Yes."),
            "change" => new SlipAnswer(null, null, true, false, "Yes."),
            _ => new SlipAnswer(null, null, null, null, "Yes."),
        };

    // A price list that states no more than today's prices.
    private static JsonNode Bare() =>
        JsonNode.Parse(
            """
            {
              "format": "home-start/offer-book@1", "id": "bare", "provider": { "name": "Bare" }, "asOf": "2026-11-16", "currency": "GBP", "tax": { "pricesInclude": false, "charged": false },
              "plans": [{ "id": "one", "name": "One", "features": {}, "billing": [{ "everyMonths": 1, "prices": [{ "amount": "9.00" }] }, { "everyMonths": 12, "prices": [{ "periods": 1, "amount": "30.00" }, { "amount": null }] }], "includes": [] }],
              "addOns": [{ "id": "backup", "name": "Backup", "for": "hosting", "charge": { "every": "year", "prices": [{ "periods": 1, "amount": "5.00" }, { "amount": null }] } }],
              "domains": [{ "ending": "com", "register": "8.00", "renew": null }]
            }
            """
        )!;

    private static Costing Cost(JsonNode book)
    {
        var faults = new FaultList();
        var read = BookReader.Read(book.Deserialize<JsonElement>(), faults);
        faults.Faults.ShouldBeEmpty();
        var name = new DomainChoice(DomainRoute.Register)
        {
            Book = "bare",
            Name = "wren",
            Ending = "com",
            Years = 1,
        };
        var candidate = new Candidate(
            new HostingChoice("bare", "one", 12, 12) { AddOns = [new AddOnChoice("backup")] },
            [name]
        );
        return Worksheet.CostingOf(candidate, [read!], Shop.Settings).ShouldNotBeNull();
    }
}
