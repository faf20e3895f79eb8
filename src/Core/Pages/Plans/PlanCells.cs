using static HomeStart.Core.Pages.TableWords;

namespace HomeStart.Core.Pages;

/// <summary>Reads the cells of a table of plans, each by what its row or column is called.</summary>
internal sealed class PlanCells
{
    private readonly List<(Line Name, PageAmount Price)> _extras = [];

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

    /// <summary>Reads a cell into its plan.</summary>
    /// <param name="label">What its row or column is called.</param>
    /// <param name="labels">The lines of that label.</param>
    /// <param name="around">The table's title.</param>
    public void Read(
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
                && FeatureWords.KeyOf(label) is null
                && cell.Any(line => PageAmount.OfCell(line.Words, line.From) is not null)
            );
        if (!isMoney)
        {
            if (ReadSeveral(plan, label, cell))
            {
                return;
            }

            if (
                SetupLabel.IsMatch(label)
                && Patterns.Has(words, @"^\W*(?:free|none|no|–|-|included|waived|gratis|0)\W*$")
            )
            {
                plan.FreeSetup ??= cell[0].Seen.At;
            }
            else if (FeatureWords.KeyOf(label) == "domain")
            {
                reader.Features.DomainCell(label, words, labels.Count > 0 ? labels[0].Seen.At : cell[0].Seen.At);
            }
            else if (FeatureWords.OfCell(label, words, cell[0].Seen.At) is { } feature)
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
            var ofAll = cell.SelectMany(line => line.Amounts).FirstOrDefault();
            if (Patterns.Has(words, @"\bmonthly\b") && plan.Ways.Find(way => way.IsByTheMonth) is { } monthly)
            {
                monthly.Setup ??= ofAll; // "£10 (monthly only)".
            }
            else
            {
                plan.Setup ??= ofAll;
            }
        }
        else if (StruckLabel.IsMatch(label) && cell.SelectMany(line => line.Amounts).FirstOrDefault() is { } struck)
        {
            reader.Struck(struck);
        }
        else if (FeatureWords.KeyOf(label) is null || Terms.IsLabel(label))
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

    // "Space / sites / mailboxes", and in the cell "2 GB / 1 / 5".
    private static bool ReadSeveral(PlanDraft plan, string label, IReadOnlyList<Line> cell)
    {
        var labels = label.Split(" / ");
        if (labels.Length < 2 || cell is not [var line])
        {
            return false;
        }

        var values = line.Words.Split(" / ");
        if (values.Length == labels.Length)
        {
            foreach (var (its, value) in labels.Zip(values))
            {
                if (FeatureWords.OfCell(its.Trim(), value.Trim(), line.Seen.At) is { } feature)
                {
                    plan.Add(feature);
                }
            }
        }

        return true;
    }

    private static Role OwnRole(Line line, PageAmount amount) =>
        Roles.Classify(
            amount,
            line.Words[..Math.Max(0, amount.At.From - line.From)],
            line.Words[Math.Min(line.Words.Length, Math.Max(0, amount.End - line.From))..]
        );

    /// <summary>An amount with what it is for, where its label or the table's title says so.</summary>
    public static PageAmount Labelled(PageAmount amount, string label, string around)
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
