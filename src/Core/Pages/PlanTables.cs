using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads plans from tables, whether they stand across or down, and prices by length of term.</summary>
internal sealed partial class PlanTables(PageText page)
{
    [GeneratedRegex(
        @"\b(?:price|cost|fee|rate|per month|a month|monthly|per year|a year|yearly|annual|first term|pay|now)\b"
            + @"|^/?mo|/\s?(?:mo|ye?a?r)",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PriceLabel { get; }

    [GeneratedRegex(
        @"\b(?:renew(?:s|al|als)?|after (?:the |your )?first|afterwards|then|later|following|regular)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex LaterLabel { get; }

    [GeneratedRegex(
        @"\bset-?\s?up\b|\bactivation\b|\binstallation\b|\b(?:initial|joining) (?:fee|cost|charge|payment)s?\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex SetupLabel { get; }

    [GeneratedRegex(
        @"\b(?:billing|billed|payment|paid|term|contract|commitment|offer|how paid)\b|^(?:for|valid for|how long"
            + @"|length|period|duration)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PayLabel { get; }

    [GeneratedRegex(
        @"\b(?:today|now|total|in all|altogether|due|up-?\s?front|at the checkout|you pay|first bill|sum)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex TotalLabel { get; }

    [GeneratedRegex(@"\b(?:you save|savings?|saved|discount)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex SavingLabel { get; }

    [GeneratedRegex(
        @"\b(?:list price|(?:normal|usual|regular|standard|full|old) price|normally|usually|regularly|was|before"
            + @"|instead of)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex StruckLabel { get; }

    [GeneratedRegex(
        @"\b(?:a|per|each|every)\s*month\b|\bmonthly\b|/\s?mo|^month\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MonthWord { get; }

    [GeneratedRegex(
        @"\b(?:a|per|each|every)\s*year\b|\byearly\b|\bannual(?:ly)?\b|/\s?y|^year\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex YearWord { get; }

    [GeneratedRegex(
        @"\b(?:plans?|packages?|offers?|hosting|webspace|accounts?|rooms?|sizes?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OfPlans { get; }

    [GeneratedRegex(
        @"\b(?:extras?|add-?ons?|options?|items?|services?|additions?|endings?|domains?)\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex OfExtras { get; }

    [GeneratedRegex(
        $@"(?<!\p{{L}})(?:{CurrencySigns.Sign}|(?:{CurrencySigns.Code})\b)",
        Patterns.ExactCase,
        Patterns.Patience
    )]
    private static partial Regex Sign { get; }

    [GeneratedRegex($@"\bfirst {Patterns.Count}[- ](?:months?|(?<year>years?))\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex FirstMonths { get; }

    [GeneratedRegex(
        @"^(?:price )?(?:when |if )?(?:paid|billed|pay|paying|payable|charged) (?:monthly|each month|every month"
            + @"|by the month|month by month)$|^(?:monthly rolling|rolling monthly|month[- ](?:to|by)[- ]month)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MonthlyLabel { get; }

    [GeneratedRegex(@"\b(?:term|contract|commitment|minimum)\b", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex TermWord { get; }

    [GeneratedRegex(
        @"^\W*(?:prices?|costs?|fees?|charges?|amounts?|rates?)\b.{0,24}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex PriceHead { get; }

    [GeneratedRegex(
        @"^(?:plans?|packages?|tariffs?|products?|accounts?|names?|plan name|offers?)$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex NameHead { get; }

    // What may stand beside an extra's price in its cell: "+ £2 a month", not "5, more at £1 a month".
    [GeneratedRegex(@"^\W*(?:add|from|optional|extra|for|only|just)?\W*$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex OnlyPriced { get; }

    private readonly List<(Line Name, PageAmount Price)> _extras = [];
    private readonly Dictionary<string, PlanDraft> _plans = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>The plans in their order.</summary>
    public List<PlanDraft> Plans { get; } = [];

    /// <summary>
    /// What the rows of the last table sell beside plans, at one price: "Daily backup: + £2 a month".
    /// </summary>
    public List<(Line Name, PageAmount Price)> TakeExtras()
    {
        var extras = _extras
            .GroupBy(extra => extra.Name)
            .Where(group => group.Select(extra => (extra.Price.Value, extra.Price.Per)).Distinct().Count() == 1)
            .Select(group => (group.Key, group.First().Price))
            .ToList();
        _extras.Clear();
        return extras;
    }

    /// <summary>Reads a table of plans; false: it is none.</summary>
    /// <param name="around">The lines right before the table: its title.</param>
    public bool Read(PageTable table, string around)
    {
        if (Offers.IsExample(around) || Patterns.Has(around, @"\bothers\b"))
        {
            return false;
        }

        var head = Enumerable
            .Range(0, Math.Min(3, table.Rows))
            .FirstOrDefault(row =>
                !table.IsWide(row)
                && Enumerable.Range(1, table.Columns - 1).Any(column => table.Words(row, column).Length > 0)
            );
        // "Package | Infant | Junior | Senior" can be the second row, below one that says whom each is for.
        head = Enumerable
            .Range(0, Math.Min(3, table.Rows))
            .Where(row => NameHead.IsMatch(table.Words(row, 0)) && !table.IsWide(row))
            .DefaultIfEmpty(head)
            .First();
        var across = Enumerable.Range(head + 1, table.Rows - head - 1).Count(row => IsLabel(table.Words(row, 0)));
        var down = Enumerable
            .Range(1, table.Columns - 1)
            .Count(column =>
                IsLabel(table.Words(head, column)) && table.Cell(head, column).All(line => line.Amounts.IsEmpty)
            );
        if (down == 0 && Headless(table))
        {
            return true;
        }

        if (Unlabelled(table, head))
        {
            return true;
        }

        if (across == 0 && down == 0)
        {
            return false;
        }

        if (ByLength(table, head))
        {
            return true;
        }

        if (across * (table.Columns - 1) >= down * (table.Rows - 1) && across * 2 >= table.Rows - head - 1)
        {
            return Across(table, head, around);
        }

        var labels = Enumerable.Range(1, table.Columns - 1).Select(column => table.Words(head, column)).ToList();
        var isOfPlans =
            labels.Any(label => Features.KeyOf(label) is not null)
            || labels.Count(Terms.IsLabel) >= 2
            || OfPlans.IsMatch(table.Words(head, 0));
        return isOfPlans
            && !OfExtras.IsMatch(table.Words(head, 0))
            && down * 2 >= table.Columns - 1
            && Down(table, head, around);
    }

    // A heading of two rows: "Price per month" over "first year" and "from the second year".
    private static bool HasTwoHeads(PageTable table, int head) =>
        head + 2 < table.Rows
        && Enumerable
            .Range(0, table.Columns)
            .SelectMany(column => table.Cell(head, column))
            .Any(line => line.Seen.Cell!.Width > 1 && line.Seen.Cell.Width < table.Columns)
        && table.Words(head + 1, 0).Length == 0
        && Enumerable.Range(1, table.Columns - 1).Any(column => table.Words(head + 1, column).Length > 0)
        && Enumerable
            .Range(1, table.Columns - 1)
            .All(column => table.Cell(head + 1, column).All(line => line.Amounts.IsEmpty));

    private bool Across(PageTable table, int head, string around)
    {
        var names = Enumerable.Range(1, table.Columns - 1).Select(column => NameIn(table.Cell(head, column))).ToList();
        if (
            names.Count(name => name is not null) * 2 < names.Count
            || names.All(name => name is null || PriceHead.IsMatch(name.Words) || IsMoneyHead(name.Words))
        )
        {
            return false;
        }

        var isPriced = table.Lines.Any(line => line.Amounts.Length > 0);
        if (
            !isPriced
            && !names.Any(name => name is not null && _plans.ContainsKey(PlanBlocks.NameOf(name.Words)))
            && Plans.Count > 0
        )
        {
            return false;
        }

        for (var column = 1; column < table.Columns; column++)
        {
            if (names[column - 1] is not { } name)
            {
                continue;
            }

            var plan = Plan(name);
            var reader = new PlanReader(page, plan);
            for (var row = 0; row < table.Rows; row++)
            {
                if (row == head || table.IsWide(row))
                {
                    if (row == head)
                    {
                        Rest(plan, reader, [.. table.Cell(row, column).Where(line => line != name)]);
                    }

                    continue;
                }

                Cell(
                    plan,
                    reader,
                    table.Words(row, 0),
                    table.Cell(row, 0),
                    table.Cell(row, column),
                    around + " " + table.Words(head, 0)
                );
            }
        }

        Own(table);
        return true;
    }

    // "Monthly price", "Total today", "You save": columns of money, and no plans.
    private static bool IsMoneyHead(string words) =>
        SavingLabel.IsMatch(words)
        || TotalLabel.IsMatch(words)
        || Patterns.Has(words, @"\b(?:price|cost|fee|charge)s?\b");

    // One plan's ways to pay, a row each: how long, the price, what is paid today, what it renews at.
    private bool ByLength(PageTable table, int head)
    {
        var rows = Enumerable
            .Range(head + 1, table.Rows - head - 1)
            .Where(row => table.Words(row, 0).Length > 0)
            .ToList();
        var labels = Enumerable
            .Range(1, table.Columns - 1)
            .Select(column => table.Words(head, column).Replace('\n', ' '))
            .ToList();
        if (
            rows.Count < 2
            || !rows.TrueForAll(row => Terms.IsLabel(table.Words(row, 0)))
            || !labels.TrueForAll(label =>
                PriceLabel.IsMatch(label)
                || LaterLabel.IsMatch(label)
                || SetupLabel.IsMatch(label)
                || StruckLabel.IsMatch(label)
                || TotalLabel.IsMatch(label)
                || SavingLabel.IsMatch(label)
            )
        )
        {
            return false;
        }

        var price = labels.FindIndex(label =>
            !LaterLabel.IsMatch(label)
            && !SetupLabel.IsMatch(label)
            && !StruckLabel.IsMatch(label)
            && !TotalLabel.IsMatch(label)
            && !SavingLabel.IsMatch(label)
        );
        if (price < 0)
        {
            return false;
        }

        var plan = new PlanDraft(null, null);
        foreach (var row in rows)
        {
            var term = table.Cell(row, 0)[0];
            if (AmountIn(row, price) is not { } amount || Terms.In(term.Words, term.From) is not [var length, ..])
            {
                continue;
            }

            var way = new WayDraft(amount, term)
            {
                Term = length,
                Free = Terms.FreeIn(term.Words, term.From),
                Paid = Terms.PaidIn(term.Words),
            };
            foreach (var (column, label) in labels.Index().Where(one => one.Index != price))
            {
                if (AmountIn(row, column) is not { } other)
                {
                    continue;
                }

                if (LaterLabel.IsMatch(label) && !StruckLabel.IsMatch(label))
                {
                    way.Later = other;
                }
                else if (SetupLabel.IsMatch(label))
                {
                    way.Setup = other;
                }
                else if (StruckLabel.IsMatch(label))
                {
                    way.Struck = other;
                }
                else if (SavingLabel.IsMatch(label))
                {
                    way.Savings.Add(other);
                }
                else
                {
                    way.Totals.Add(other);
                }
            }

            plan.Ways.Add(way);
        }

        if (plan.Ways.Count < 2)
        {
            return false;
        }

        plan.Lines.AddRange(table.Lines);
        Plans.Add(plan);
        Own(table);
        return true;

        PageAmount? AmountIn(int row, int column)
        {
            var line = table
                .Cell(row, column + 1)
                .FirstOrDefault(line =>
                    line.Amounts.Length > 0 || PageAmount.OfCell(line.Words, line.From) is not null
                );
            return line is null
                ? null
                : Labelled(
                    line.Amounts.Length > 0 ? line.Amounts[0] : PageAmount.OfCell(line.Words, line.From)!,
                    labels[column],
                    ""
                );
        }
    }

    // Rows that say by themselves what they are: a name, a price, what the plan has.
    private bool Headless(PageTable table)
    {
        var rows = Enumerable.Range(0, table.Rows).Where(row => table.Words(row, 0).Length > 0).ToList();
        if (
            rows.Count < 2
            || !rows.TrueForAll(row =>
                NameIn(table.Cell(row, 0)) is { NameScore: > 0 }
                && Enumerable
                    .Range(1, table.Columns - 1)
                    .Any(column =>
                        table
                            .Cell(row, column)
                            .Any(line => line.Amounts.Any(amount => amount.Per is Per.Month or Per.Year))
                    )
                && Enumerable
                    .Range(1, table.Columns - 1)
                    .SelectMany(column => table.Cell(row, column))
                    .Any(line => line.Amounts.IsEmpty && Features.In(line.Words, 0).Length > 0)
            )
        )
        {
            return false;
        }

        foreach (var row in rows)
        {
            var plan = Plan(NameIn(table.Cell(row, 0))!);
            var reader = new PlanReader(page, plan);
            var cells = Enumerable.Range(1, table.Columns - 1).SelectMany(column => table.Cell(row, column)).ToList();
            reader.Read(cells);
            reader.Features(cells);
        }

        Own(table);
        return true;
    }

    // Plans side by side, and no column that says what their rows are: each cell does so by itself.
    private bool Unlabelled(PageTable table, int head)
    {
        var columns = Enumerable.Range(0, table.Columns).ToList();
        var rows = Enumerable.Range(head + 1, table.Rows - head - 1).Where(row => !table.IsWide(row)).ToList();
        var names = columns.Select(column => NameIn(table.Cell(head, column))).ToList();
        if (
            rows.Count < 2
            || NameHead.IsMatch(table.Words(head, 0))
            || !names.TrueForAll(name => name is { NameScore: > 0, Amounts.IsEmpty: true } && !IsLabel(name.Words))
            || !rows.Exists(row => columns.TrueForAll(column => IsPriced(row, column)))
            || !rows.TrueForAll(row => IsPriced(row, 0) == IsPriced(row, 1))
            || !rows.Exists(row => columns.TrueForAll(column => Says(row, column)))
        )
        {
            return false;
        }

        foreach (var column in columns)
        {
            var plan = Plan(names[column]!);
            var reader = new PlanReader(page, plan);
            var cells = rows.SelectMany(row => table.Cell(row, column)).ToList();
            reader.Read(cells);
            reader.Features(cells);
        }

        Own(table);
        return true;

        bool IsPriced(int row, int column) =>
            table.Cell(row, column).Any(line => line.Amounts.Any(amount => amount.Per is Per.Month or Per.Year));

        bool Says(int row, int column) =>
            table.Cell(row, column).Any(line => line.Amounts.IsEmpty && Features.In(line.Words, 0).Length > 0);
    }

    private bool Down(PageTable table, int head, string around)
    {
        var read = 0;
        var hasTwo = HasTwoHeads(table, head);
        var named = Enumerable
            .Range(0, table.Columns)
            .Where(column => NameHead.IsMatch(table.Words(head, column)))
            .DefaultIfEmpty(0)
            .First();
        for (var row = head + (hasTwo ? 2 : 1); row < table.Rows; row++)
        {
            if (
                table.IsWide(row)
                || NameIn(table.Cell(row, named)) is not { } name
                || Enumerable.Range(1, table.Columns - 1).All(column => table.Words(row, column).Length == 0)
            )
            {
                continue;
            }

            var plan = Plan(name);
            var reader = new PlanReader(page, plan);
            for (var column = named + 1; column < table.Columns; column++)
            {
                var label = hasTwo
                    ? $"{table.Words(head, column)} {table.Words(head + 1, column)}"
                    : table.Words(head, column);
                Cell(
                    plan,
                    reader,
                    label,
                    table.Cell(head, column),
                    table.Cell(row, column),
                    around + " " + table.Words(head, 0)
                );
            }

            read++;
        }

        if (read > 0)
        {
            Own(table);
        }

        return read > 0;
    }

    private void Own(PageTable table)
    {
        foreach (var line in table.Lines)
        {
            line.Owner ??= this;
        }
    }

    private PlanDraft Plan(Line name)
    {
        var called = PlanBlocks.NameOf(name.Words);
        if (!_plans.TryGetValue(called, out var plan))
        {
            _plans[called] = plan = new PlanDraft(called, name.Seen.At);
            Plans.Add(plan);
        }

        return plan;
    }

    // A name's cell may hold its price too: "Basic, $4 a month".
    private static void Rest(PlanDraft plan, PlanReader reader, IReadOnlyList<Line> lines)
    {
        if (lines.Any(line => line.Amounts.Length > 0))
        {
            reader.Read(lines);
        }
        else
        {
            plan.Lines.AddRange(lines);
        }
    }

    // The name in a cell: some cells hold a badge too.
    private static Line? NameIn(IReadOnlyList<Line> lines) =>
        lines
            .Where(line => line.Amounts.IsEmpty)
            .OrderByDescending(line => line.NameScore)
            .FirstOrDefault(line =>
                line.NameScore > -4
                && PlanBlocks.NameOf(line.Words).Length > 0
                && !Features.IsTick(line.Words)
                && !Features.IsCross(line.Words)
            );

    private static bool IsLabel(string words)
    {
        var label = words.Replace('\n', ' ');
        return label.Length is > 0 and < 80
            && (
                Features.KeyOf(label) is not null
                || LaterLabel.IsMatch(label)
                || SetupLabel.IsMatch(label)
                || PayLabel.IsMatch(label)
                || PriceLabel.IsMatch(label)
                || Terms.IsLabel(label)
            );
    }

    private void Cell(
        PlanDraft plan,
        PlanReader reader,
        string label,
        IReadOnlyList<Line> labels,
        IReadOnlyList<Line> cell,
        string around
    )
    {
        if (cell.Count == 0)
        {
            return;
        }

        label = label.Replace('\n', ' ').Trim();
        var words = string.Join("\n", cell.Select(line => line.Words));
        var isMoney =
            cell.Any(line => line.Amounts.Length > 0)
            || (
                (
                    PriceLabel.IsMatch(label)
                    || LaterLabel.IsMatch(label)
                    || SetupLabel.IsMatch(label)
                    || Terms.IsLabel(label)
                )
                && Features.KeyOf(label) is null
                && cell.Any(line => PageAmount.OfCell(line.Words, line.From) is not null)
            );
        if (!isMoney)
        {
            if (
                SetupLabel.IsMatch(label)
                && Patterns.Has(words, @"^\W*(?:free|none|no|–|-|included|waived|gratis|0)\W*$")
            )
            {
                plan.FreeSetup ??= cell[0].Seen.At;
            }
            else if (Features.KeyOf(label) == "domain")
            {
                reader.DomainCell(label, words, labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At);
            }
            else if (Features.OfCell(label, words, cell[0].Seen.At) is { } feature)
            {
                plan.Add(feature);
            }
            else if (PayLabel.IsMatch(label) || LaterLabel.IsMatch(label))
            {
                reader.Read(cell);
                plan.Paid ??= Terms.PaidIn($"{label} {words}");
            }

            return;
        }

        foreach (var line in cell)
        {
            var amounts = line.Amounts;
            if (amounts.IsEmpty && PageAmount.OfCell(line.Words, line.From) is { } bare)
            {
                amounts = [bare];
            }

            line.Amounts = [.. amounts.Select(amount => Labelled(amount, label, around))];
            line.Label = label;
        }

        if (
            cell.SelectMany(line => line.Amounts.Select(amount => (Line: line, Amount: amount)))
                .FirstOrDefault(one => OwnRole(one.Line, one.Amount) == Role.Setup)
                .Amount is
            { } fee
        )
        {
            plan.Setup ??= fee;
        }
        else if (LaterLabel.IsMatch(label) && !Terms.IsLabel(label))
        {
            if (cell.SelectMany(line => line.Amounts).FirstOrDefault() is { } later)
            {
                // "Renewal (12 months)"; where nothing says what it is for, it is for what the price is for.
                if (later.Per == Per.None && Terms.In(label, 0) is [var length])
                {
                    later = later with
                    {
                        Per = length.Months switch
                        {
                            1 => Per.Month,
                            12 => Per.Year,
                            _ => Per.None,
                        },
                    };
                }

                plan.Later ??=
                    later.Per == Per.None && plan.Ways is [{ Price.Per: Per.Month }]
                        ? later with
                        {
                            Per = Per.Month,
                        }
                        : later;
            }
        }
        else if (SetupLabel.IsMatch(label))
        {
            plan.Setup ??= cell.SelectMany(line => line.Amounts).FirstOrDefault();
        }
        else if (StruckLabel.IsMatch(label) && cell.SelectMany(line => line.Amounts).FirstOrDefault() is { } struck)
        {
            reader.Struck(struck);
        }
        else if (Features.KeyOf(label) is null || Terms.IsLabel(label))
        {
            var before = plan.Ways.Count;
            if (before > 0 && MonthlyLabel.IsMatch(label))
            {
                reader.Expect(new Term(1, labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At));
            }

            reader.Read(cell);
            foreach (var way in plan.Ways.Skip(before))
            {
                if (
                    way.Term is null
                    && FirstMonths.Match(label) is { Success: true } first
                    && Patterns.Number(first.Groups["count"].Value) is { } count and > 0
                )
                {
                    way.Term = new Term(
                        first.Groups["year"].Success ? count * 12 : count,
                        labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At
                    );
                    way.IsFirst = true;
                }
                else if (way.Term is null && MonthlyLabel.IsMatch(label))
                {
                    way.Term = new Term(1, labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At);
                }
                else if (way.Term is null && Terms.IsLabel(label) && Terms.In(label, 0) is [var term, ..])
                {
                    way.Term = new Term(term.Months, labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At);
                    way.Paid ??= Terms.PaidIn(label);
                }
                else if (
                    way.Term is null
                    && (way.Price.Per == Per.None || TermWord.IsMatch(label))
                    && Terms.In(label, 0) is [var only]
                )
                {
                    // "Fee per quarter".
                    way.Term = new Term(only.Months, labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At);
                }
            }
        }
        else if (
            labels.Count > 0
            && cell is [{ Amounts: [{ Per: Per.Month or Per.Year } price] } line]
            && OnlyPriced.IsMatch(line.Words.Remove(price.At.From - line.From, price.End - price.At.From))
        )
        {
            _extras.Add((labels[0], price));
        }
    }

    private static Role OwnRole(Line line, PageAmount amount) =>
        Roles.Classify(
            amount,
            line.Words[..Math.Max(0, amount.At.From - line.From)],
            line.Words[Math.Min(line.Words.Length, Math.Max(0, amount.End - line.From))..]
        );

    // What it is for stands in the label, or in the table's title.
    private static PageAmount Labelled(PageAmount amount, string label, string around)
    {
        if (amount.Per != Per.None)
        {
            return amount;
        }

        var per =
            MonthWord.IsMatch(label) && !Terms.IsLabel(label) ? Per.Month
            : YearWord.IsMatch(label) && !Terms.IsLabel(label) ? Per.Year
            : Terms.IsLabel(label) && MonthWord.IsMatch(around) ? Per.Month
            : Terms.IsLabel(label)
                ? (
                    Terms.In(label, 0)[0].Months switch
                    {
                        1 => Per.Month,
                        12 => Per.Year,
                        _ => Per.None,
                    }
                )
            : MonthWord.IsMatch(around) && !YearWord.IsMatch(around) ? Per.Month
            : YearWord.IsMatch(around) && !MonthWord.IsMatch(around) ? Per.Year
            : Per.None;
        return amount with
        {
            Per = per,
            Currency = amount.Currency
                ?? (
                    Sign.Match(label) is { Success: true } sign && amount.Sign.Length == 0
                        ? CurrencySigns.CodeOf(sign.Value)
                        : null
                ),
        };
    }
}
