using System.Text.Json;
using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>
/// What is read from advertisements: the table of docs/advertisements.md to the letter, and nothing from words that say
/// nothing.
/// </summary>
public class ProseReaderTests
{
    public static TheoryData<string> Titles => [.. Sections().Select(section => section.Title)];

    [Theory]
    [MemberData(nameof(Titles))]
    public void An_advertisement_is_read_as_its_table_says(string title)
    {
        var (_, text, rows) = Sections().Single(section => section.Title == title);
        ProseReader
            .Read(text)
            .Select(finding =>
                $"| {JsonNamingPolicy.KebabCaseLower.ConvertName(finding.Field.ToString())} | {finding.Value} | "
                + $"{finding.Words} |"
            )
            .ShouldBe(rows);
    }

    [Fact]
    public void There_are_twenty_of_them_in_three_currencies_with_tax_inside_and_on_top()
    {
        var sections = Sections();
        sections.Count.ShouldBeGreaterThanOrEqualTo(20);
        sections
            .SelectMany(section => section.Rows)
            .Where(row => row.StartsWith("| currency |", StringComparison.Ordinal))
            .Select(row => row.Split('|')[2].Trim())
            .Distinct()
            .Count()
            .ShouldBeGreaterThanOrEqualTo(3);
        foreach (var tax in (string[])["inside", "on-top"])
        {
            sections.ShouldContain(section =>
                section.Rows.Any(row => row.StartsWith($"| tax | {tax} |", StringComparison.Ordinal))
            );
        }
    }

    // What must stay empty: wrong is worse than nothing.
    [Theory]
    [InlineData("$5 a month", ProseField.Currency)]
    [InlineData("£5 a month, £8 a month", ProseField.Price)]
    [InlineData("£5 per mailbox a month", ProseField.Price)]
    [InlineData("£5k a month", ProseField.Price)]
    [InlineData("£2.99.50 a month", ProseField.Price)]
    [InlineData("£1.299 a month", ProseField.Price)]
    [InlineData("A .com domain for £9 a year", ProseField.Price)]
    [InlineData("£5 a month with free domain transfer", ProseField.IncludesDomain)]
    [InlineData("£5 a month, domain included for £9", ProseField.IncludesDomain)]
    [InlineData("£5 a month, mail at your domain", ProseField.IncludesDomain)]
    [InlineData("£5 a month, free domain. Domain not included with monthly plans", ProseField.IncludesDomain)]
    [InlineData("£5 a month for the first year, on a 24-month contract", ProseField.Months)]
    [InlineData("£5 a month for 12 months", ProseField.Paid)]
    [InlineData("£5 a month, billed monthly", ProseField.Paid)]
    [InlineData("£5 a month, prices are fixed for 3 years. No price rise for 3 years", ProseField.Later)]
    [InlineData("£5 a month, then £8 a month. Renews at £9 a month", ProseField.LaterPrice)]
    [InlineData("Was £9 a month", ProseField.Price)]
    [InlineData("Save £60 a year", ProseField.Price)]
    [InlineData("£5 a month including VAT (ex VAT £4.17 a month)", ProseField.Tax)]
    [InlineData("14-day trial, £5 a month", ProseField.RefundDays)]
    [InlineData("Our Plan, the Best Hosting", ProseField.Provider)]
    [InlineData("The Lantern plan and the Harbour plan", ProseField.Plan)]
    public void What_is_not_certain_stays_empty(string text, ProseField field) =>
        ProseReader.Read(text).ShouldNotContain(finding => finding.Field == field);

    [Theory]
    [InlineData("£2.99/mo", "2.99 month")]
    [InlineData("2,99 € pro Monat or €3/month", "3 month")]
    [InlineData("EUR 4 per month", "4 month")]
    [InlineData("only 12 CHF a month", "12 month")]
    [InlineData("£48/yr", "48 year")]
    [InlineData("£60 p/a", "60 year")]
    [InlineData("£36 for the first year", "36 term")]
    [InlineData("£3.00 (ex VAT) per month", "3.00 month")]
    [InlineData("₹1,299 a year", "1299 year")]
    [InlineData("CHF 1'299.50 a year", "1299.50 year")]
    public void A_headline_is_read_with_what_it_is_for(string text, string read)
    {
        var found = ProseReader.Read(text).ToDictionary(finding => finding.Field, finding => finding.Value);
        $"{found.GetValueOrDefault(ProseField.Price)} {found.GetValueOrDefault(ProseField.PricePer)}".ShouldBe(read);
    }

    [Fact]
    public void Any_text_is_read_without_complaint_and_each_field_once() =>
        Gen.Select(
                Gen.OneOf(
                    Gen.Const("£"),
                    Gen.Const("a month"),
                    Gen.Const("then"),
                    Gen.Const("free domain"),
                    Gen.Const("50% off your first year"),
                    Gen.Const("2.99"),
                    Gen.Const("VAT"),
                    Gen.Const("\u202e"),
                    Gen.Const("for 36 months"),
                    Gen.Const(". "),
                    Gen.Const("<b>"),
                    Gen.String[0, 12]
                ).Array[0, 40],
                parts => string.Join(' ', parts)
            )
            .Sample(
                text =>
                {
                    var found = ProseReader.Read(text);
                    found.Select(finding => finding.Field).ShouldBeUnique();
                    found.ShouldAllBe(finding => finding.Value.Length > 0 && finding.Words.Length > 0);
                },
                iter: 2000
            );

    [Fact]
    public void A_huge_text_is_cut_off() =>
        ProseReader
            .Read(new string('£', ProseReader.Longest) + " £5 a month")
            .ShouldNotContain(finding => finding.Field == ProseField.Price);

    private static List<(string Title, string Text, List<string> Rows)> Sections()
    {
        var parts = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "advertisements.md")).Split("\n## ");
        return
        [
            .. parts
                .Skip(1)
                .Select(part => part.Split('\n'))
                .Select(lines =>
                    (
                        lines[0],
                        string.Join(
                            '\n',
                            lines
                                .Where(line => line.StartsWith("> ", StringComparison.Ordinal))
                                .Select(line => line[2..])
                        ),
                        lines.Where(line => line.StartsWith("| ", StringComparison.Ordinal)).Skip(1).ToList()
                    )
                ),
        ];
    }
}
