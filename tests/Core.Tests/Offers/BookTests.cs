using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Books;
using Json.Schema;

namespace HomeStart.Core.Tests;

/// <summary>The demo's books, the JSON Schema and the validator say the same.</summary>
public class BookTests
{
    private static readonly JsonSchema Schema = JsonSchema.FromText(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "offer-book.schema.json"))
    );

    public static TheoryData<string> Demo =>
        [
            .. Directory
                .GetFiles(Path.Combine(AppContext.BaseDirectory, "demo", "books"), "*.json")
                .Select(file => Path.GetFileName(file))
                .Order(),
        ];

    [Theory]
    [MemberData(nameof(Demo))]
    public void A_demo_book_has_no_fault_and_fits_the_schema(string file)
    {
        using var json = JsonDocument.Parse(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "books", file))
        );
        var faults = new FaultList();
        BookReader.Read(json.RootElement, faults).ShouldNotBeNull();
        faults.Faults.ShouldBeEmpty();
        Schema.Evaluate(json.RootElement).IsValid.ShouldBeTrue();
    }

    [Fact]
    public void The_demo_shows_what_the_worksheet_must_be_able_to_say()
    {
        var books = Demo.Select(row => Read(row.Data)).ToList();
        books.ShouldContain(
            book => book.Plans.Any(plan => plan.Billing.Any(option => option.Prices.Steps.Length > 1)),
            "a price step"
        );
        books.ShouldContain(
            book =>
                book.Plans.Length > 0
                && book.Plans.All(plan => plan.Billing.All(option => option.Prices.Steps.Length == 1)),
            "a price held for good"
        );
        books.ShouldContain(
            book => book.Plans.Any(plan => plan.IncludedDomain != null && !plan.IncludedDomain.EveryYear),
            "an included domain-year"
        );
        books.ShouldContain(
            book => book.Plans.Any(plan => plan.IncludedDomain != null && plan.IncludedDomain.EveryYear),
            "a yearly allowance"
        );
        books.ShouldContain(book => book.AddOns.Any(addOn => addOn.Preselected), "an extra ticked in advance");
        books.ShouldContain(book => book.Promotions.Any(promotion => promotion.Code != null), "a code");
        books.ShouldContain(book => book.Plans.Length == 0 && book.Domains.Length > 0, "a registrar");
    }

    // What only looking at several parts together can tell (ids that stand twice, steps out of order) is the
    // validator's alone.
    [Theory]
    [InlineData("format", "\"other\"")]
    [InlineData("id", "(absent)")]
    [InlineData("id", "\"\"")]
    [InlineData("asOf", "\"soon\"")]
    [InlineData("provider", "{}")]
    [InlineData("tax", "{ \"charged\": 1 }")]
    [InlineData("plans[0].billing[0].everyMonths", "0")]
    [InlineData("plans[0].billing[0].prices", "[]")]
    [InlineData("plans[0].billing[0].prices[0].amount", "12")]
    [InlineData("plans[0].features", "{ \"websites\": {} }")]
    [InlineData("plans[0].features", "{ \"websites\": -1 }")]
    [InlineData("addOns[0].for", "\"cat\"")]
    [InlineData("addOns[0].charge", "(absent)")]
    [InlineData("domains[0].maxYears", "11")]
    [InlineData("promotions[0].appliesTo", "[\"all\"]")]
    [InlineData("refund", "{ \"days\": -1 }")]
    public void The_schema_and_the_validator_refuse_the_same(string path, string json)
    {
        var book = Request.Worked().With($"books[0].{path}", json).Book().Deserialize<JsonElement>();
        var faults = new FaultList();
        BookReader.Read(book, faults).ShouldBeNull();
        faults.Faults.ShouldNotBeEmpty();
        Schema.Evaluate(book).IsValid.ShouldBeFalse();
    }

    [Theory]
    [InlineData("plans", "id")]
    [InlineData("dataCentres", "id")]
    [InlineData("addOns", "id")]
    [InlineData("domains", "ending")]
    [InlineData("promotions", "id")]
    public void What_stands_twice_is_said_at_its_second_place(string list, string field)
    {
        var book = Request.Worked().Book();
        var items = book[list] as JsonArray ?? [];
        if (items.Count == 0)
        {
            book[list] = items = [JsonNode.Parse("""{ "id": "one", "name": "One", "perMonth": "1.00" }""")];
        }

        items.Add(items[0]!.DeepClone());
        var faults = new FaultList();
        BookReader.Read(book.Deserialize<JsonElement>(), faults).ShouldBeNull();
        faults
            .Faults.Select(fault => (fault.Code, fault.Where))
            .ShouldContain((FaultCodes.DuplicateId, $"{list}[{items.Count - 1}].{field}"));
    }

    [Fact]
    public void An_unknown_field_is_no_fault()
    {
        var book = Request.Worked().With("books[0].colour", "\"green\"").Book().Deserialize<JsonElement>();
        BookReader.Read(book, new FaultList()).ShouldNotBeNull();
        Schema.Evaluate(book).IsValid.ShouldBeTrue();
    }

    internal static OfferBook Read(string file)
    {
        using var json = JsonDocument.Parse(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "books", file))
        );
        return BookReader.Read(json.RootElement, new FaultList()).ShouldNotBeNull();
    }
}
