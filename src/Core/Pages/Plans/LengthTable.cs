using static HomeStart.Core.Pages.TableWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads a table of one plan with a row for each length of time.</summary>
internal static class LengthTable
{
    /// <summary>
    /// One plan's ways to pay, a row each: how long, the price, what is paid today, what it renews at; null: it is no
    /// such table.
    /// </summary>
    public static PlanDraft? Read(PageTable table, int head)
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
            return null;
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
            return null;
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
            return null;
        }

        plan.Lines.AddRange(table.Lines);
        return plan;

        PageAmount? AmountIn(int row, int column)
        {
            var line = table
                .Cell(row, column + 1)
                .FirstOrDefault(line =>
                    line.Amounts.Length > 0 || PageAmount.OfCell(line.Words, line.From) is not null
                );
            return line is null
                ? null
                : PlanCells.Labelled(
                    line.Amounts.Length > 0 ? line.Amounts[0] : PageAmount.OfCell(line.Words, line.From)!,
                    labels[column],
                    ""
                );
        }
    }
}
