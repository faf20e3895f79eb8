using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;
using Json.Schema;

namespace HomeStart.Core.Tests;

/// <summary>Writing books, changing them as JSON, joining them, and what they cost over their versions.</summary>
public class BookEditTests
{
    [Fact]
    public void A_book_that_is_written_reads_as_the_book_it_was() =>
        RandomMarket.Request.Sample(
            request =>
            {
                foreach (var json in request["books"]!.AsArray())
                {
                    var book = BookReader.Read(json!.AsObject(), new FaultList())!;
                    var written = BookWriter.Write(book);
                    var faults = new FaultList();
                    var again = BookReader.Read(written, faults)!;
                    faults.Faults.ShouldBeEmpty();
                    BookWriter.Text(BookWriter.Write(again)).ShouldBe(BookWriter.Text(written));
                    BookChange.Between(book, again).ShouldBeEmpty();
                }
            },
            iter: 200
        );

    [Fact]
    public void A_costing_is_the_same_with_the_written_books() =>
        RandomMarket.Request.Sample(
            request =>
            {
                var rewritten = request.DeepClone().AsObject();
                rewritten["books"] = new JsonArray([
                    .. request["books"]!
                        .AsArray()
                        .Select(json => BookWriter.Write(BookReader.Read(json!.AsObject(), new FaultList())!)),
                ]);
                Wire.ShouldHold(Wire.Cost(rewritten), Wire.Cost(request), "response");
            },
            iter: 300
        );

    [Theory]
    [InlineData(null, false, "name mail")]
    [InlineData(null, true, "")]
    [InlineData(RecordPrivacy.Sold, true, "")]
    [InlineData(RecordPrivacy.ByDefault, false, "name mail")]
    [InlineData(RecordPrivacy.Forbidden, true, "name mail")]
    public void Contact_privacy_hides_a_holder_where_the_registry_lets_it(
        RecordPrivacy? privacy,
        bool hasPrivacy,
        string shown
    ) => string.Join(' ', new PublicRecordRule(["name", "mail"], privacy).ShownWith(hasPrivacy)).ShouldBe(shown);

    [Fact]
    public void The_example_that_teaches_has_no_fault_and_says_all_that_can_be_said()
    {
        var example = JsonDocument.Parse(BookSchema.OpenExample()).RootElement;
        var faults = new FaultList();
        var book = BookReader.Read(example, faults)!;
        faults.Faults.ShouldBeEmpty();
        using var schema = new StreamReader(BookSchema.Open());
        JsonSchema.FromText(schema.ReadToEnd()).Evaluate(example).IsValid.ShouldBeTrue();
        (book.Change, book.Domains[0].Lapse).ShouldBe((new ChangeRule(true, false), new LapseRule(30, 30, 9000, 5)));
        book.Domains[0].PublicRecord!.Privacy.ShouldBe(RecordPrivacy.Sold);
        book.Domains[0]
            .PublicRecord!.Shows.ShouldBe(["name", "street", "town", "postcode", "country", "mail", "telephone"]);
        JsonNode
            .DeepEquals(
                JsonNode.Parse(BookWriter.Text(BookWriter.Write(book)))!["domains"],
                JsonNode.Parse(example.GetProperty("domains").GetRawText()) is JsonArray list ? Filled(list) : null
            )
            .ShouldBeTrue();

        // Every ending can be held for ten years unless the book says otherwise.
        static JsonArray Filled(JsonArray domains)
        {
            domains[1]!["maxYears"] = 10;
            return domains;
        }
    }

    private const string Own =
        """{ "zeta": 1, "id": "a", "list": [ { "id": "x", "own": true }, { "id": "y" } ], "a/b": { "~": 1 } }""";

    [Theory]
    [InlineData(
        """[{ "op": "replace", "path": "/id", "value": "b" }]""",
        """{"zeta":1,"id":"b","list":[{"id":"x","own":true},{"id":"y"}],"a/b":{"~":1}}"""
    )]
    [InlineData(
        """[{ "op": "add", "path": "/list/0/name", "value": "X" }, { "op": "remove", "path": "/zeta" }]""",
        """{"id":"a","list":[{"id":"x","own":true,"name":"X"},{"id":"y"}],"a/b":{"~":1}}"""
    )]
    [InlineData(
        """[{ "op": "copy", "from": "/list/0", "path": "/list/-" }, { "op": "replace", "path": "/list/2/id", "value": "z" }]""",
        """{"zeta":1,"id":"a","list":[{"id":"x","own":true},{"id":"y"},{"id":"z","own":true}],"a/b":{"~":1}}"""
    )]
    [InlineData(
        """[{ "op": "move", "from": "/list/1", "path": "/list/0" }]""",
        """{"zeta":1,"id":"a","list":[{"id":"y"},{"id":"x","own":true}],"a/b":{"~":1}}"""
    )]
    [InlineData(
        """[{ "op": "replace", "path": "/a~1b/~0", "value": null }]""",
        """{"zeta":1,"id":"a","list":[{"id":"x","own":true},{"id":"y"}],"a/b":{"~":null}}"""
    )]
    [InlineData(
        """[{ "op": "remove", "path": "/list/1" }, { "op": "add", "path": "/list/0", "value": 7 }]""",
        """{"zeta":1,"id":"a","list":[7,{"id":"x","own":true}],"a/b":{"~":1}}"""
    )]
    public void Changes_leave_all_else_as_it_is_written(string operations, string after)
    {
        var (edited, faults) = Edit(operations);
        faults.ShouldBeEmpty();
        edited!.ToJsonString().ShouldBe(after);
    }

    [Theory]
    [InlineData("""[{ "op": "replace", "path": "/list/2/id", "value": "z" }]""")]
    [InlineData("""[{ "op": "replace", "path": "/absent", "value": "z" }]""")]
    [InlineData("""[{ "op": "replace", "path": "/list/-", "value": "z" }]""")]
    [InlineData("""[{ "op": "copy", "from": "/absent", "path": "/list/-" }]""")]
    [InlineData("""[{ "op": "remove", "path": "/nothing" }]""")]
    [InlineData("""[{ "op": "remove", "path": "/list/-" }]""")]
    [InlineData("""[{ "op": "add", "path": "/list/3", "value": 1 }]""")]
    [InlineData("""[{ "op": "copy", "from": "/list/9", "path": "/list/-" }]""")]
    [InlineData("""[{ "op": "copy", "path": "/list/-" }]""")]
    [InlineData("""[{ "op": "move", "from": "", "path": "/x" }]""")]
    [InlineData("""[{ "op": "add", "path": "", "value": 1 }]""")]
    [InlineData("""[{ "op": "add", "path": "id", "value": 1 }]""")]
    [InlineData("""[{ "op": "replace", "path": "/format", "value": "other" }]""")]
    [InlineData("""[{ "op": "invent", "path": "/id" }]""")]
    [InlineData("""[{ "op": "replace", "path": "/id/deeper", "value": 1 }]""")]
    [InlineData("""[null]""")]
    [InlineData("""[7]""")]
    public void A_change_that_does_not_fit_is_told_with_its_place(string operations)
    {
        var (edited, faults) = Edit(operations);
        edited.ShouldBeNull();
        faults.ShouldContain(fault => fault.Where.StartsWith("operations[0]", StringComparison.Ordinal));
    }

    // A few hundred bytes must not become a full memory.
    [Theory]
    [InlineData("""{ "op": "copy", "from": "", "path": "/list/-" }""")]
    [InlineData("""{ "op": "copy", "from": "/list", "path": "/list/0/more" }""")]
    [InlineData(
        """{ "op": "add", "path": "/list/-", "value": [[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]] }"""
    )]
    public void A_book_does_not_grow_without_end(string operation)
    {
        var (edited, faults) = Edit($"[{string.Join(',', Enumerable.Repeat(operation, JsonEdits.Most))}]");
        edited.ShouldBeNull();
        faults.ShouldHaveSingleItem().Code.ShouldBe(FaultCodes.Unknown);
    }

    [Fact]
    public void What_is_typed_in_joins_a_book_and_leaves_its_own_words()
    {
        var book = JsonNode
            .Parse(
                """{ "note": "mine", "asOf": "2026-01-01", "plans": [ { "id": "a", "name": "Old" }, { "id": "b", "name": "B", "note": 1 } ], "domains": [ { "ending": "com", "register": "9.00" } ], "refund": { "days": 14 } }"""
            )!
            .AsObject();
        var added = JsonNode
            .Parse(
                """{ "asOf": "2026-12-01", "plans": [ { "id": "a", "name": "New" }, { "id": "c", "name": "C" } ], "addOns": [ { "id": "x", "for": "hosting" } ], "domains": [ { "ending": "com", "register": null }, { "ending": "uk" } ], "refund": { "days": 30 } }"""
            )!
            .AsObject();
        BookJoin
            .With(book, added)
            .ToJsonString()
            .ShouldBe(
                """{"note":"mine","asOf":"2026-12-01","plans":[{"id":"a","name":"New"},{"id":"b","name":"B","note":1},{"id":"c","name":"C"}],"domains":[{"ending":"com","register":"9.00"},{"ending":"uk"}],"refund":{"days":14},"addOns":[{"id":"x","for":"hosting"}]}"""
            );
        BookJoin.With(new JsonObject(), added)["refund"]!["days"]!.GetValue<int>().ShouldBe(30);
    }

    [Fact]
    public void The_history_of_a_plan_is_its_lowest_price_in_each_version()
    {
        OfferBook Version(int day, string currency, params (int Every, int First, int? Later)[] ways) =>
            new("b", new Provider("B", null), new DateOnly(2026, 11, day), Currency.Get(currency))
            {
                Plans =
                [
                    new Plan("a", "A")
                    {
                        Billing =
                        [
                            .. ways.Select(way => new BillingOption(
                                way.Every,
                                way.Every,
                                null,
                                new PriceSteps([new PriceStep(1, way.First), new PriceStep(null, way.Later)])
                            )),
                        ],
                    },
                ],
            };

        var history = PriceHistory
            .ListAll([
                Version(1, "GBP", (1, 900, 900), (12, 6000, 9600)),
                Version(2, "USD", (1, 100, 100)),
                new OfferBook("b", new Provider("B", null), default, Currency.Get("GBP")),
                Version(20, "GBP", (12, 7200, null)),
            ])
            .ShouldHaveSingleItem();
        history
            .Prices.Select(price =>
                $"{price.Version} {price.On.Day} {price.First.ToAmount()} {price.Later?.ToAmount()}"
            )
            .ShouldBe(["1 1 5.00 8.00", "4 20 6.00 "]);
        PriceHistory
            .ListAll([
                new OfferBook("b", new Provider("B", null), default, Currency.Get("GBP"))
                {
                    Plans = [new Plan("a", "A")],
                },
            ])
            .ShouldBeEmpty();
    }

    private static (JsonNode? Edited, IReadOnlyList<Fault> Faults) Edit(string operations)
    {
        var faults = new FaultList();
        return (
            JsonEdits.Apply(
                JsonNode.Parse(Own)!,
                new Node(JsonDocument.Parse(operations).RootElement, "operations", faults)
            ),
            faults.Faults
        );
    }
}
