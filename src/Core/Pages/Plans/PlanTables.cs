using static HomeStart.Core.Pages.TableWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads plans from tables, whether they stand across or down, and prices by length of term.</summary>
internal sealed class PlanTables(PageText page)
{
    private readonly Dictionary<string, PlanDraft> _plans = new(StringComparer.OrdinalIgnoreCase);
    private readonly PlanCells _cells = new();

    /// <summary>The plans in their order.</summary>
    public List<PlanDraft> Plans { get; } = [];

    /// <summary>
    /// What the rows of the last table sell beside plans, at one price: "Daily backup: + £2 a month".
    /// </summary>
    public List<(Line Name, PageAmount Price)> TakeExtras() => _cells.TakeExtras();

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

        // "Add-on | Monthly | Yearly", with a price in every row.
        if (
            OfExtras.IsMatch(table.Words(head, 0))
            && Enumerable
                .Range(head + 1, table.Rows - head - 1)
                .All(row => table.Cell(row, 1).Any(line => line.Amounts.Length > 0))
        )
        {
            return false;
        }

        if (LengthTable.Read(table, head) is { } ofLengths)
        {
            Plans.Add(ofLengths);
            Own(table);
            return true;
        }

        if (across * (table.Columns - 1) >= down * (table.Rows - 1) && across * 2 >= table.Rows - head - 1)
        {
            return Across(table, head, around);
        }

        var labels = Enumerable.Range(1, table.Columns - 1).Select(column => table.Words(head, column)).ToList();
        var isOfPlans =
            labels.Any(label => FeatureWords.KeyOf(label) is not null)
            || labels.Count(Terms.IsLabel) >= 2
            || OfPlans.IsMatch(table.Words(head, 0));
        return isOfPlans
            && !OfExtras.IsMatch(table.Words(head, 0))
            && down * 2 >= table.Columns - 1
            && Down(table, head, around);
    }

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

                _cells.Read(
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

    // "Monthly price", "Total today", "You save": columns of money, and no plans.
    private static bool IsMoneyHead(string words) =>
        SavingLabel.IsMatch(words)
        || TotalLabel.IsMatch(words)
        || Patterns.Has(words, @"\b(?:price|cost|fee|charge)s?\b");

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
                    .Any(line => line.Amounts.IsEmpty && FeatureWords.In(line.Words, 0).Length > 0)
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
            reader.Features.Read(cells);
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
            reader.Features.Read(cells);
        }

        Own(table);
        return true;

        bool IsPriced(int row, int column) =>
            table.Cell(row, column).Any(line => line.Amounts.Any(amount => amount.Per is Per.Month or Per.Year));

        bool Says(int row, int column) =>
            table.Cell(row, column).Any(line => line.Amounts.IsEmpty && FeatureWords.In(line.Words, 0).Length > 0);
    }

    private bool Down(PageTable table, int head, string around)
    {
        var hasRead = false;
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
            Rest(plan, reader, [.. table.Cell(row, named).Where(line => line != name)]);
            for (var column = named + 1; column < table.Columns; column++)
            {
                var label = hasTwo
                    ? $"{table.Words(head, column)} {table.Words(head + 1, column)}"
                    : table.Words(head, column);
                _cells.Read(
                    plan,
                    reader,
                    label,
                    table.Cell(head, column),
                    table.Cell(row, column),
                    around + " " + table.Words(head, 0)
                );
            }

            hasRead = true;
        }

        if (hasRead)
        {
            Own(table);
        }

        return hasRead;
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

    private void Own(PageTable table)
    {
        foreach (var line in table.Lines)
        {
            line.Owner ??= this;
        }
    }

    // A name's cell may hold its price too, or what it has: "Basic, $4 a month", "1 site, 15 GB".
    private static void Rest(PlanDraft plan, PlanReader reader, IReadOnlyList<Line> lines)
    {
        if (lines.Any(line => line.Amounts.Length > 0))
        {
            reader.Read(lines);
        }
        else
        {
            plan.Lines.AddRange(lines);
            reader.Features.Read(lines);
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
                && !FeatureWords.IsTick(line.Words)
                && !FeatureWords.IsCross(line.Words)
            );

    private static bool IsLabel(string words)
    {
        var label = words.Replace('\n', ' ');
        return label.Length is > 0 and < 80
            && (
                FeatureWords.KeyOf(label) is not null
                || LaterLabel.IsMatch(label)
                || SetupLabel.IsMatch(label)
                || PayLabel.IsMatch(label)
                || PriceLabel.IsMatch(label)
                || Terms.IsLabel(label)
            );
    }
}
