namespace HomeStart.Formats.Costings;

/// <summary>Writes a costing as the wire has it.</summary>
public static class CostingWriter
{
    public static CostingWire Write(Costing costing)
    {
        var currency = costing.Currency;
        var totals = costing.Totals;
        return new CostingWire(
            WriteTotals(costing),
            WriteUnstated(totals),
            PriceStepWire.Write(totals.PriceStep),
            WriteCodes(costing),
            [.. costing.Counted.Select(bill => WriteBill(costing, bill))],
            WriteLedger(costing.Ledger, currency),
            new DatesWire(costing.End, costing.FirstTermEnd),
            new RefundWire(totals.Refundable.LastDay, totals.Refundable.Reason, totals.Refundable.MinCommitMonths),
            [
                .. costing.Run.Inclusions.Select(verdict => new InclusionWire(
                    verdict.Domain,
                    verdict.Result,
                    verdict.MinCommitMonths
                )),
            ],
            totals.Next is { } next ? [.. next.Bills.Select(bill => WriteBill(costing, bill))] : []
        );
    }

    internal static IReadOnlyList<UnstatedWire> WriteUnstated(Totals totals) =>
        [
            .. totals.Unstated.Select(unstated => new UnstatedWire(
                unstated.Bill.Date,
                unstated.Bill.Book?.Id,
                unstated.Line.Kind,
                unstated.Line.Ref
            )),
        ];

    internal static IReadOnlyList<CodeWire> WriteCodes(Costing costing) =>
        [.. costing.Run.Codes.Select(code => WriteCode(costing, code))];

    internal static TotalsWire WriteTotals(Costing costing)
    {
        var totals = costing.Totals;
        var currency = costing.Currency;
        return new TotalsWire(
            currency.Code,
            Amount(totals.DueToday),
            Amount(totals.FirstTerm),
            Amount(totals.Horizon),
            Amount(totals.PerMonth),
            totals.Peak is { } peak ? new DueOnWire(peak.Date, Amount(peak.Total)) : null,
            NextWire.From(costing),
            Amount(totals.OwedAfterHorizon),
            Amount(totals.UnusedAtEnd),
            Amount(totals.Refundable.Amount),
            totals.AdvertisedPerMonth is { } advertised
                ? new AdvertisedWire(advertised.ToAmount(), advertised.Currency.Code)
                : null,
            totals.Expected is { } expected ? Amount(expected) : null,
            AtLeast(totals.AtLeast)
        );

        string Amount(Minor units) => new Money(units, currency).ToAmount();
    }

    private static List<string> AtLeast(AtLeast marks)
    {
        var words = new List<string>();
        AddIf(marks.DueToday, "dueToday");
        AddIf(marks.FirstTerm, "firstTerm");
        AddIf(marks.Horizon, "horizon");
        return words;

        void AddIf(bool marked, string word)
        {
            if (marked)
            {
                words.Add(word);
            }
        }
    }

    private static CodeWire WriteCode(Costing costing, CodeVerdict code)
    {
        var applied = code.Verdict == Verdict.Applied;
        var saves = applied ? new Money(Coster.Saves(costing, code), costing.Currency).ToAmount() : null;
        return new CodeWire(code.Book.Id, code.Code, code.Verdict, saves, Condition(code));
    }

    private static CodeConditionWire? Condition(CodeVerdict code) =>
        code.Verdict switch
        {
            Verdict.NotYet => new CodeConditionWire(code.Promotion!.From, null, null, null, null),
            Verdict.Expired => new CodeConditionWire(null, code.Promotion!.Until, null, null, null),
            Verdict.OtherPlansOnly => new CodeConditionWire(null, null, code.Promotion!.Plans, null, null),
            Verdict.CycleTooShort => new CodeConditionWire(null, null, null, code.Promotion!.MinEveryMonths, null),
            Verdict.CannotCombine => new CodeConditionWire(null, null, null, null, code.CombinesNotWith),
            _ => null,
        };

    private static BillWire WriteBill(Costing costing, Bill bill)
    {
        var taxed = costing.Counting.Tax(bill.Book, bill.Sum);
        return new BillWire(
            bill.Date,
            bill.Book?.Id,
            bill.Currency.Code,
            Amount(taxed.Net),
            Amount(taxed.Tax),
            Amount(taxed.Total),
            [.. bill.Lines.Select(line => WriteLine(line, bill.Currency))],
            new Money(costing.ValueOf(bill), costing.Currency).ToAmount(),
            bill.IsAtLeast,
            Ledger.Column(costing.Settings.StartDate, bill.Date)
        );

        string Amount(Minor units) => new Money(units, bill.Currency).ToAmount();
    }

    private static LineWire WriteLine(BillLine line, Currency currency)
    {
        return new LineWire(
            line.Kind,
            line.Ref,
            line.Quantity,
            Amount(line.Amount),
            Amount(line.AfterDiscounts),
            Amount(line.Amount - line.Waived),
            [.. line.Discounts.Select(discount => new DiscountWire(discount.Source, Amount(discount.Amount)))],
            line.IsIncluded ? true : null,
            line.Worth is { } worth ? Amount(worth) : null,
            line.IsUnstated,
            line.Cover?.From,
            line.Cover?.Until,
            line.ForDomain
        );

        string Amount(Minor units) => new Money(units, currency).ToAmount();
    }

    private static LedgerWire WriteLedger(Ledger ledger, Currency currency)
    {
        return new LedgerWire(
            [.. Enumerable.Range(0, ledger.Totals.Length).Select(column => column == 0 ? "today" : $"year{column}")],
            [.. ledger.Totals.Select(Amount)],
            ledger.AtLeast,
            [.. ledger.Rows.Select(Row)],
            Folded(ledger.FoldedSum),
            ledger.FirstTermEndsAfter
        );

        LedgerRowWire Row(LedgerRow row) =>
            new(
                row.Key.Kind,
                row.Key.Book?.Id,
                row.Key.Ref,
                [.. row.Cells.Select(Amount)],
                Amount(row.Total),
                row.AtLeast,
                row.Sum.IsAtLeast,
                Folded(row.FoldedSum)
            );

        SumWire? Folded(Sum? later) => later is { } sum ? SumWire.From(sum, currency) : null;

        string Amount(Minor units) => new Money(units, currency).ToAmount();
    }
}
