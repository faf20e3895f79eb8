using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Formats.Advertising;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Reconciling;

/// <summary>Reads a card statement that a bank gave as CSV: its headings say which column is which.</summary>
public static class StatementReader
{
    /// <summary>The longest file that is read, in characters.</summary>
    public const int Longest = 500_000;

    private const int MostRows = 3000;

    private const int LongestText = 200;

    private static readonly string[] Days =
    [
        "yyyy-MM-dd",
        "yyyy/MM/dd",
        "yyyyMMdd",
        "dd/MM/yyyy",
        "d/M/yyyy",
        "dd/MM/yy",
        "dd-MM-yyyy",
        "dd.MM.yyyy",
        "d.M.yyyy",
        "dd MMM yyyy",
        "d MMM yyyy",
        "dd-MMM-yyyy",
        "dd MMM yy",
        "d MMMM yyyy",
    ];

    private static readonly string[] MonthFirst = ["MM/dd/yyyy", "M/d/yyyy"];

    /// <summary>The rows; none, with what is wrong, where it cannot be read.</summary>
    /// <param name="otherwise">The currency of the card where no column and no sum says it.</param>
    public static ImmutableArray<StatementRow> Read(Node node, Currency otherwise, CancellationToken cancel = default)
    {
        var text = node.Element is { ValueKind: System.Text.Json.JsonValueKind.String } element
            ? element.GetString()!
            : "";
        if (text.Length is 0 or > Longest)
        {
            node.Fault(
                text.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange,
                text.Length == 0
                    ? "Choose the file of the statement, or paste what is in it."
                    : $"This has {text.Length} characters; at most {Longest} are read. Choose fewer months."
            );
            return [];
        }

        var table = TableCells.Split(text.TrimStart('\uFEFF'), MostRows + 20, cancel);
        if (
            table.Index().Select(row => Columns.Find(row.Index, row.Item)).FirstOrDefault(found => found is not null)
            is not { } columns
        )
        {
            node.Fault(
                FaultCodes.BadType,
                "This needs a line of headings with a date, a description and an amount. Ask your bank for the "
                    + "statement as CSV."
            );
            return [];
        }

        ImmutableArray<(int Number, ImmutableArray<string> Cells)> lines =
        [
            .. table
                .Index()
                .Skip(columns.Line + 1)
                .Where(row => row.Item.Length > columns.Last && row.Item[columns.Date].Length > 0),
        ];
        if (lines.Length > MostRows)
        {
            node.Fault(FaultCodes.OutOfRange, $"This has more than {MostRows} rows. Choose fewer months.");
            return [];
        }

        return Rows(node, lines, columns, otherwise);
    }

    private static ImmutableArray<StatementRow> Rows(
        Node node,
        ImmutableArray<(int Number, ImmutableArray<string> Cells)> lines,
        Columns columns,
        Currency otherwise
    )
    {
        var formats = lines.All(line => Day(line.Cells[columns.Date], Days) is not null) ? Days : MonthFirst;
        var rows = ImmutableArray.CreateBuilder<StatementRow>();
        foreach (var (number, cells) in lines)
        {
            var day = Day(cells[columns.Date], formats);
            if (day is null || columns.Amount(cells, otherwise) is not { } amount)
            {
                node.Fault(
                    day is null ? FaultCodes.BadDate : FaultCodes.BadAmount,
                    $"Line {number + 1}: “{(day is null ? cells[columns.Date] : columns.SumText(cells))}” is no "
                        + $"{(day is null ? "date" : "sum")} that can be read here. Mend the line, or take it out."
                );
                continue;
            }

            rows.Add(
                new StatementRow(
                    number + 1,
                    day.Value,
                    cells[columns.Text] is { Length: > LongestText } text ? text[..LongestText] : cells[columns.Text],
                    amount,
                    columns.Abroad(cells)
                )
            );
        }

        // Of a card most rows are charges, and of an account too: whichever sign they bear.
        var charges =
            rows.Count(row => row.Amount.Units > 0) * 2 >= rows.Count(row => row.Amount.Units != 0)
            || columns.In is not null
                ? 1
                : -1;
        return
        [
            .. charges == 1
                ? rows
                : rows.Select(row =>
                    row with
                    {
                        Amount = new Money(-row.Amount.Units, row.Amount.Currency),
                        Abroad = row.Abroad is { } abroad
                            ? new Money(
                                row.Amount.Units > 0 ? -Minor.Abs(abroad.Units) : Minor.Abs(abroad.Units),
                                abroad.Currency
                            )
                            : null,
                    }
                ),
        ];
    }

    private static DateOnly? Day(string text, string[] formats) =>
        DateOnly.TryParseExact(
            text.Split('T')[0].Trim(),
            formats,
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var day
        )
            ? day
            : null;

    // Which column is which, by its heading.
    private sealed record Columns(
        int Line,
        int Date,
        int Text,
        int? Sum,
        int? Out,
        int? In,
        int? Currency,
        int? AbroadSum,
        int? AbroadCurrency
    )
    {
        public int Last => new[] { Date, Text, Sum ?? 0, Out ?? 0, Currency ?? 0 }.Max();

        public static Columns? Find(int line, ImmutableArray<string> headings)
        {
            var names = headings.Select(heading => heading.Trim().ToLowerInvariant()).ToList();
            var (abroadSum, abroadCurrency) = (
                Find(["original amount", "foreign amount", "amount abroad", "transaction amount"]),
                Find(["original currency", "foreign currency", "currency abroad", "transaction currency"])
            );
            var date = Find([
                "transaction date",
                "date of transaction",
                "date",
                "booking date",
                "posting date",
                "value date",
                "day",
            ]) ?? Holding("date");
            var text = Find([
                "description",
                "merchant",
                "merchant name",
                "payee",
                "details",
                "narrative",
                "transaction description",
                "text",
                "name",
                "counterparty",
                "reference",
                "memo",
            ]) ?? Holding("description");
            var (paidOut, paidIn) = (
                Find(["paid out", "money out", "debit", "debit amount", "withdrawal", "out"]),
                Find(["paid in", "money in", "credit", "credit amount", "deposit", "in"])
            );
            var sum = paidOut is null
                ? Find(["amount", "billing amount", "value", "sum", "total"]) ?? Holding("amount")
                : null;
            return date is { } day && text is { } said && (sum ?? paidOut) is not null && said != day
                ? new Columns(
                    line,
                    day,
                    said,
                    sum,
                    paidOut,
                    paidOut is null ? null : paidIn,
                    Find(["currency", "billing currency", "ccy"]),
                    abroadSum,
                    abroadCurrency
                )
                : null;

            int? Find(string[] known) =>
                known
                    .Select(name => names.IndexOf(name))
                    .Where(place => place >= 0)
                    .Select(place => (int?)place)
                    .FirstOrDefault();
            int? Holding(string word) =>
                names.FindIndex(name =>
                    name.Contains(word, StringComparison.Ordinal)
                    && !name.Contains("original", StringComparison.Ordinal)
                    && !name.Contains("foreign", StringComparison.Ordinal)
                )
                    is var place
                        and >= 0
                    ? place
                    : null;
        }

        public string SumText(ImmutableArray<string> cells) =>
            Sum is { } sum ? cells[sum]
            : cells[Out!.Value].Length > 0 || In is not { } paidIn || paidIn >= cells.Length ? cells[Out!.Value]
            : cells[paidIn];

        public Money? Amount(ImmutableArray<string> cells, Currency otherwise)
        {
            var text = SumText(cells);
            var currency =
                Currency is { } place && Basic(cells[place]) is { } said ? said
                : TypedNumber.CurrenciesIn(text).FirstOrDefault() is { } sign && Basic(sign) is { } signed ? signed
                : otherwise;
            var isBack = Sum is null && cells[Out!.Value].Length == 0;
            return MoneyOf(text, currency) is { } money
                ? isBack
                    ? new Money(-money.Units, money.Currency)
                    : money
                : null;
        }

        public Money? Abroad(ImmutableArray<string> cells) =>
            AbroadSum is { } sum
            && AbroadCurrency is { } place
            && sum < cells.Length
            && place < cells.Length
            && Basic(cells[place]) is { } currency
                ? MoneyOf(cells[sum], currency)
                : null;

        private static Currency? Basic(string code) =>
            Core.Basics.Currency.TryGet(code.Trim().ToUpperInvariant(), out var currency) ? currency : null;
    }

    // "-12.00", "(12.00)", "£1,204.00", "12,00" and "12.00 CR" too.
    private static Money? MoneyOf(string text, Currency currency)
    {
        var plain = text.Trim().Replace('\u2212', '-');
        var isCredit = plain.EndsWith("CR", StringComparison.OrdinalIgnoreCase);
        var isBelow =
            plain.StartsWith('-')
            || plain.EndsWith('-')
            || (plain.StartsWith('(') && plain.EndsWith(')'))
            || plain.Contains("-£", StringComparison.Ordinal)
            || isCredit;
        var number = TypedNumber.Clean((isCredit ? plain[..^2] : plain).Trim('-', '+', '(', ')', ' '));
        return
            ExactDecimal.TryParse(number, out var value)
            && Money.TryOf(value, currency, out var money) == AmountFault.None
            ? isBelow
                ? new Money(-money.Units, currency)
                : money
            : null;
    }
}
