using static HomeStart.Core.Pages.ExtraWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads the tables of a page: of endings, of plans, of extras.</summary>
internal sealed class TableStep(PageDraft draft)
{
    private readonly PlanTables _plans = new(draft.Page);

    /// <summary>Reads them all.</summary>
    public void Read()
    {
        foreach (var table in PageTable.In(draft.Lines))
        {
            var first = table.Lines[0].Index;
            var around = string.Join(
                " ",
                draft
                    .Lines.Skip(Math.Max(0, first - 2))
                    .Take(Math.Min(2, first))
                    .Where(line =>
                        line.Seen.Cell is null && line.Words.Length < 120 && line.Words[0] is not ('“' or '"' or '„')
                    )
                    .Select(line => line.Words)
            );
            if (draft.DomainPrices.Read(table) || _plans.Read(table, around) || ExtraTable(table, around))
            {
                foreach (var (name, price) in _plans.TakeExtras())
                {
                    if (IsExtraName(name.Words) && PerOf(price, name.Words) is { } per)
                    {
                        draft.AddExtra(name.Words, name.Seen.At, price, per);
                    }
                }

                continue;
            }

            if (Offers.IsExample(around) || Patterns.Has(around, @"\bothers\b"))
            {
                foreach (var line in table.Lines)
                {
                    line.Owner = table;
                    foreach (var amount in line.Amounts)
                    {
                        draft.Why[amount] = "not-hosting";
                    }
                }
            }
        }

        draft.Plans.AddRange(_plans.Plans.Where(plan => plan.Ways.Count > 0 || plan.Features.Count > 0));
    }

    private bool ExtraTable(PageTable table, string around)
    {
        if (Offers.IsExample(around) || table.Columns > 3)
        {
            return false;
        }

        var rows = new List<(Line Name, PageAmount Price, string Per, Line At)>();
        for (var row = 0; row < table.Rows; row++)
        {
            var (price, head) = Enumerable
                .Range(1, table.Columns - 1)
                .SelectMany(column => table.Cell(row, column).Select(line => (Line: line, Head: Head(column))))
                .FirstOrDefault(one =>
                    one.Line.Amounts.Length > 0 || PageAmount.OfCell(one.Line.Words, one.Line.From) is not null
                );
            if (price is null || table.Cell(row, 0) is not [var name, ..])
            {
                continue;
            }

            if (Terms.IsLabel(name.Words))
            {
                return false; // One thing for several lengths of time.
            }

            var amount = price.Amounts.Length > 0 ? price.Amounts[0] : PageAmount.OfCell(price.Words, price.From)!;
            var per = PerOf(amount, $"{price.Words} {name.Words}") ?? PerOf(amount, head);
            if (
                per is not null
                && name.Amounts.IsEmpty
                && !NoExtra.IsMatch(name.Words)
                && !Offers.IsNoHosting(name.Words)
            )
            {
                rows.Add((name, amount, per, price));
            }
        }

        if (rows.Count == 0 || rows.Count * 2 < table.Rows - 1)
        {
            return false;
        }

        foreach (var (name, price, per, at) in rows)
        {
            draft.AddExtra(name.Words, name.Seen.At, price, per);
            name.Owner = this;
            at.Owner = this;
        }

        return true;

        // "Monthly", over a column of prices.
        string Head(int column) =>
            table.Cell(0, column).All(line => line.Amounts.IsEmpty) ? table.Words(0, column) : "";
    }
}
