using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;
using HomeStart.Core.Pages;

namespace HomeStart.Core.Advertising;

/// <summary>
/// Makes the plans of an offer book from a table of prices. Every cell that cannot be read is a fault at
/// <c>rows[2][3]</c>, counted from 0.
/// </summary>
public sealed class TableBook
{
    private static readonly (ColumnKind Kind, AdvertisedPer? Per)[] LaterKinds =
    [
        (ColumnKind.Later, null),
        (ColumnKind.LaterPerMonth, AdvertisedPer.Month),
        (ColumnKind.LaterPerYear, AdvertisedPer.Year),
    ];

    private readonly PriceTable _table;
    private readonly Currency _currency;
    private readonly int? _months;
    private readonly bool _laterIsSame;
    private readonly FaultList _faults;

    private TableBook(PriceTable table, Currency currency, bool laterIsSame, int? months, FaultList faults) =>
        (_table, _currency, _laterIsSame, _months, _faults) = (table, currency, laterIsSame, months, faults);

    /// <summary>The plans, each with the ways to pay of its rows.</summary>
    /// <param name="laterIsSame">Whether a price without a later one holds for good; else what follows is not
    /// stated.</param>
    /// <param name="months">For how many months a price is paid where neither a column nor the price itself says so;
    /// null: not said.</param>
    public static Result<IReadOnlyList<Plan>> PlansOf(
        PriceTable table,
        Currency currency,
        bool laterIsSame,
        int? months
    )
    {
        var faults = new FaultList();
        return Result.From(new TableBook(table, currency, laterIsSame, months, faults).Plans(), faults);
    }

    /// <summary>What a column that is the same in every row says; null: there is none, or its rows differ.</summary>
    public static string? Same(PriceTable table, ColumnKind kind)
    {
        var column = table.Roles.IndexOf(new ColumnRole(kind));
        var said =
            column < 0
                ? []
                : table
                    .Rows.Select(row => row[column])
                    .Where(cell => cell.Length > 0)
                    .Distinct(StringComparer.Ordinal)
                    .ToList();
        return said.Count == 1 ? said[0] : null;
    }

    private IReadOnlyList<Plan> Plans()
    {
        var plans = new List<(string Name, List<(int Row, BillingOption Option)> Ways, Plan Said)>();
        var name = "";
        foreach (var row in Enumerable.Range(0, _table.Rows.Length))
        {
            name = Text(row, ColumnKind.Plan) is { Length: > 0 } said ? said : name;
            if (name.Length == 0)
            {
                _faults.Add(FaultCodes.Required, $"rows[{row}]", new RowWithoutPlan(row + 1));
                continue;
            }

            var plan = plans.FindIndex(known => known.Name == name);
            if (plan < 0)
            {
                plans.Add(
                    (name, [], new Plan("", name) { Features = FeaturesOf(row), IncludedDomain = DomainOf(row) })
                );
                plan = plans.Count - 1;
            }

            var ways = WaysOf(row).ToList();
            foreach (
                var way in ways.Where(way =>
                    plans[plan]
                        .Ways.Exists(known =>
                            known.Option.EveryMonths == way.EveryMonths && known.Option.CommitMonths == way.CommitMonths
                        )
                )
            )
            {
                _faults.Add(FaultCodes.DuplicateId, $"rows[{row}]", new RowSaidTwice(row + 1, name, way.EveryMonths));
            }

            if (ways.Count == 0 && !_faults.Any)
            {
                _faults.Add(FaultCodes.Required, $"rows[{row}]", new RowWithoutPrice(row + 1, name));
            }

            plans[plan].Ways.AddRange(ways.Select(way => (row, way)));
        }

        return (List<Plan>)
            [
                .. Slug.Each(plans.Select(plan => plan.Name), "plan")
                    .Zip(plans, (id, plan) =>
                        plan.Said with
                        {
                            Id = id,
                            Billing = [.. plan.Ways.Select(way => way.Option)],
                        }
                    ),
            ];
    }

    private IEnumerable<BillingOption> WaysOf(int row)
    {
        var setup = Amount(row, new ColumnRole(ColumnKind.SetupFee))?.Units is { } fee && fee > 0 ? fee : (Minor?)null;
        foreach (var role in _table.Roles.Where(role => role.Kind is ColumnKind.Way or ColumnKind.WayPerMonth))
        {
            if (Amount(row, role) is { Units: { } units } said)
            {
                var every = role.Number;
                var first = PerBill(
                    units,
                    said.Per ?? (role.Kind == ColumnKind.WayPerMonth ? AdvertisedPer.Month : null),
                    every
                );
                yield return new BillingOption(every, every, setup, Steps(row, [new PriceStep(null, first)], every))
                {
                    FreeMonths = FreeOf(row),
                };
            }
        }

        if (MonthsOf(row) is { } months)
        {
            var steps = StepsOf(row, months).ToList();
            if (steps.Count > 0)
            {
                var commit = Whole(row, ColumnKind.CommitMonths, 1) ?? months;
                yield return new BillingOption(
                    months,
                    commit,
                    setup,
                    steps.Count == 1 && steps[0].Periods is null && !HasBills()
                        ? Steps(row, [.. steps], months)
                        : new PriceSteps([.. steps])
                )
                {
                    FreeMonths = commit == months ? FreeOf(row) : 0,
                };
            }
        }
    }

    // For how many months a price is paid: as a column says, else the price itself ("£48 a year"), else the owner.
    private int? MonthsOf(int row)
    {
        if (_table.Roles.Any(role => role.Kind == ColumnKind.EveryMonths))
        {
            return Whole(row, ColumnKind.EveryMonths, 1);
        }

        if (
            _table.Roles.Any(role => role.Kind is ColumnKind.Way or ColumnKind.WayPerMonth)
            || Amount(row, FirstPrice) is not { } price
        )
        {
            return null;
        }

        var said = price.Per switch
        {
            AdvertisedPer.Month => 1,
            AdvertisedPer.Year => 12,
            _ => _months,
        };
        if (said is null && !_faults.Faults.Any(fault => fault.Reason is TableMonthsMissing))
        {
            _faults.Add(FaultCodes.Required, "months", new TableMonthsMissing());
        }

        return said;
    }

    private ColumnRole FirstPrice =>
        _table.Roles.FirstOrDefault(role => role is { Kind: ColumnKind.Price or ColumnKind.PricePerMonth, Number: 1 })
        ?? new ColumnRole(ColumnKind.Price, 1);

    // Months come free only where one bill covers the whole commitment (costing rule 5).
    private int FreeOf(int row) => Math.Min(Whole(row, ColumnKind.FreeMonths, 0) ?? 0, BillingOption.MostFreeMonths);

    // A table that says for how many bills a price holds says all there is to say.
    private bool HasBills() => _table.Roles.Any(role => role.Kind == ColumnKind.Bills);

    private IEnumerable<PriceStep> StepsOf(int row, int every)
    {
        for (var number = 1; number <= ColumnRole.MostSteps; number++)
        {
            var said = Amount(row, new ColumnRole(ColumnKind.Price, number));
            var monthly = said is null ? Amount(row, new ColumnRole(ColumnKind.PricePerMonth, number)) : null;
            if ((said ?? monthly) is not { } amount)
            {
                yield break;
            }

            var bills = Whole(row, ColumnKind.Bills, 1, number);
            var per = amount.Per ?? (monthly is null ? null : AdvertisedPer.Month);
            yield return new PriceStep(bills, amount.Units is { } units ? PerBill(units, per, every) : null);
            if (bills is null)
            {
                yield break;
            }
        }
    }

    // What follows the longer terms is no monthly price's: that one is not stated where a row has both.
    private bool IsBesideLongerWays(int row, int every) =>
        every == 1
        && _table.Roles.Any(role =>
            role is { Kind: ColumnKind.Way or ColumnKind.WayPerMonth, Number: > 1 } && !IsEmpty(CellOf(row, role).Cell)
        );

    private PriceSteps Steps(int row, ImmutableArray<PriceStep> first, int every)
    {
        var (later, isSaid) = LaterOf(row, every);
        return later == first[0].Units || (!isSaid && _laterIsSame)
            ? new PriceSteps(first)
            : new PriceSteps([first[0] with { Periods = 1 }, new PriceStep(null, later)]);
    }

    // What a bill costs later, and whether the row says so at all; a price of null is said not to be stated.
    private (Minor? Price, bool IsSaid) LaterOf(int row, int every)
    {
        foreach (var (kind, per) in IsBesideLongerWays(row, every) ? [] : LaterKinds)
        {
            if (Amount(row, new ColumnRole(kind)) is { } said)
            {
                return (said.Units is { } units ? PerBill(units, said.Per ?? per, every) : null, true);
            }
        }

        return (null, false);
    }

    private static Minor PerBill(Minor units, AdvertisedPer? per, int every) =>
        per is { } unit ? new AdvertisedPrice(units, unit).ForBill(every, every) : units;

    private Offers.Features FeaturesOf(int row)
    {
        var values = ImmutableSortedDictionary.CreateBuilder<string, FeatureValue>(StringComparer.Ordinal);
        foreach (var role in _table.Roles.Where(role => role.Kind == ColumnKind.Feature))
        {
            var (cell, where) = CellOf(row, role);
            if (IsEmpty(cell))
            {
                continue;
            }

            if (cell.StartsWith("unlimited", StringComparison.OrdinalIgnoreCase) || cell is "∞")
            {
                values[role.Feature!] = new FeatureValue(Word: FeatureValue.Unlimited);
            }
            else if (NumberIn(cell) is { } number)
            {
                values[role.Feature!] = new FeatureValue(Number: number);
            }
            else
            {
                _faults.Add(FaultCodes.BadType, where, new CellNotANumber(cell));
            }
        }

        return new Offers.Features(values.ToImmutable());
    }

    // "10 GB" is ten, "1 TB" a thousand; "10 to 20" is not read.
    private static decimal? NumberIn(string cell)
    {
        var parts = cell.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var joined =
            parts.Length == 1 && parts[0].Length > 2 && parts[0][^2..].ToUpperInvariant() is "GB" or "TB"
                ? [parts[0][..^2], parts[0][^2..]]
                : parts;
        var times = joined.Length == 2 && joined[1].StartsWith("TB", StringComparison.OrdinalIgnoreCase) ? 1000 : 1;
        return joined.Length is 1 or 2 && TypedNumber.NumberOf(joined[0]) is { } number
            ? decimal.Parse(number, CultureInfo.InvariantCulture) * times
            : null;
    }

    private IncludedDomain? DomainOf(int row)
    {
        var (cell, where) = CellOf(row, new ColumnRole(ColumnKind.Endings));
        if (IsEmpty(cell) || cell.Equals("no", StringComparison.OrdinalIgnoreCase))
        {
            return null;
        }

        var endings = cell.Split(
                [',', ' ', ';', '/'],
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            )
            .Select(word => word.TrimStart('.').ToLowerInvariant())
            .ToList();
        if (
            endings.Exists(ending => DomainName.ParseEnding(ending) is null)
            || endings.Exists(ending => ending is "yes" or "free" or "included" or "and" or "or")
        )
        {
            _faults.Add(FaultCodes.BadType, where, new CellNotEndings(cell));
            return null;
        }

        return new IncludedDomain(
            Whole(row, ColumnKind.DomainFromMonths, 0) ?? 0,
            [.. endings.Distinct(StringComparer.Ordinal)],
            Transfer: false,
            EveryYear: false,
            ClaimWithinMonths: 12
        );
    }

    private string? Text(int row, ColumnKind kind) => CellOf(row, new ColumnRole(kind)).Cell;

    private int? Whole(int row, ColumnKind kind, int least, int number = 0)
    {
        var (cell, where) = CellOf(row, new ColumnRole(kind, number));
        if (IsEmpty(cell))
        {
            return null;
        }

        var parts = cell.Split([' ', '-'], 2, StringSplitOptions.RemoveEmptyEntries);
        var times = parts.Length == 2 && parts[1].StartsWith("year", StringComparison.OrdinalIgnoreCase) ? 12 : 1;
        int? count = cell.ToLowerInvariant() switch
        {
            "monthly" => 1,
            "quarterly" => 3,
            "yearly" or "annually" or "annual" => 12,
            _ => Patterns.Number(parts[0]) * times,
        };
        if (count is { } found && found >= least && found <= 120)
        {
            return found;
        }

        _faults.Add(
            count is null ? FaultCodes.BadType : FaultCodes.OutOfRange,
            where,
            new CellNotMonths(cell, least, 120)
        );
        return null;
    }

    // Nothing, "not stated" (then without units), or an amount with what its cell says it is for.
    private (Minor? Units, AdvertisedPer? Per)? Amount(int row, ColumnRole role)
    {
        var (cell, where) = CellOf(row, role);
        if (IsEmpty(cell))
        {
            return null;
        }

        if (cell.Equals("not stated", StringComparison.OrdinalIgnoreCase) || cell is "?")
        {
            return (null, null);
        }

        if (
            cell.Equals("free", StringComparison.OrdinalIgnoreCase)
            || cell.Equals("none", StringComparison.OrdinalIgnoreCase)
        )
        {
            return (0, null);
        }

        var said = ProseAmount.In(cell) is [var amount] ? amount : null;
        var number = said?.Number ?? TypedNumber.NumberOf(cell);
        if (said?.Currency is { } code && code != _currency.Code)
        {
            _faults.Add(FaultCodes.BadAmount, where, new CellOfOtherCurrency(cell, _currency));
            return null;
        }

        return Amounts.Read(number ?? cell, _currency, where, _faults) is { } units
            ? (
                units,
                said?.Per switch
                {
                    Per.Month => AdvertisedPer.Month,
                    Per.Year => AdvertisedPer.Year,
                    _ => null,
                }
            )
            : null;
    }

    private (string Cell, string Where) CellOf(int row, ColumnRole role)
    {
        var column = _table.Roles.IndexOf(role);
        return column < 0 ? ("", "") : (_table.Rows[row][column], $"rows[{row}][{column}]");
    }

    private static bool IsEmpty(string cell) =>
        cell is "" or "-" or "–" or "—" || cell.Equals("n/a", StringComparison.OrdinalIgnoreCase);
}
