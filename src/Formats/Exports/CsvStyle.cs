using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace HomeStart.Formats.Exports;

/// <summary>
/// How a CSV file writes days and sums: plainly, for programs (2026-12-01, 1083.20), or as a British spreadsheet reads
/// them (01/12/2026, "1,083.20").
/// </summary>
public sealed record CsvStyle(string Name, string DayFormat, bool GroupsThousands)
{
    public static readonly CsvStyle Plain = new("plain", "yyyy-MM-dd", GroupsThousands: false);

    public static readonly CsvStyle British = new("en-GB", "dd/MM/yyyy", GroupsThousands: true);

    private static readonly CsvConfiguration Rfc4180 = new(CultureInfo.InvariantCulture) { NewLine = "\r\n" };

    public static CsvStyle? Named(string? name) =>
        name switch
        {
            null or "plain" => Plain,
            "en-GB" => British,
            _ => null,
        };

    internal string Day(DateOnly? day) => day?.ToString(DayFormat, CultureInfo.InvariantCulture) ?? "";

    internal string Sum(Int128 units, Currency currency)
    {
        var amount = new Money(units, currency).ToAmount();
        return GroupsThousands
            ? decimal.Parse(amount, CultureInfo.InvariantCulture)
                .ToString("N" + currency.Decimals, CultureInfo.InvariantCulture)
            : amount;
    }

    /// <summary>A spreadsheet would take a text that begins like a formula for one: it is quoted.</summary>
    public static string Text(string? text) =>
        text is ['=' or '+' or '-' or '@' or '\t' or '\r', ..] ? "'" + text : text ?? "";

    internal static string File(IEnumerable<IEnumerable<string>> rows)
    {
        using var writer = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(writer, Rfc4180))
        {
            foreach (var row in rows)
            {
                foreach (var cell in row)
                {
                    csv.WriteField(cell);
                }

                csv.NextRecord();
            }
        }

        return writer.ToString();
    }
}
