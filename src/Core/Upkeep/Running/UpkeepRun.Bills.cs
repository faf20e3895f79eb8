using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Upkeep;

/// <content>Bills: renewing (rule 7), paying (rules 3, 4 and 6), trying again.</content>
internal sealed partial class UpkeepRun
{
    private void Renew(Till till, DateOnly day)
    {
        if (LinesOn(day, till) is not { Count: > 0 } coming)
        {
            return;
        }

        var due = new List<UpkeepLine>();
        foreach (var lines in coming.GroupBy(line => line.Holding))
        {
            var held = lines.Key;
            if (held.State == HoldingState.Live && (held.Renews || (held.IsHosting && day < _hosting!.CommittedEnd)))
            {
                due.AddRange(lines);
                continue;
            }

            Miss(lines);
            if (held.State == HoldingState.Live && lines.Any(line => line.IsOwn))
            {
                held.MissedOn = day;
                held.Next = held.IsHosting ? HoldingState.Ended : null;
            }
        }

        if (due.Count > 0)
        {
            SpendYears(due, till.Book, day);
            var bill = new OpenBill(day, due);
            till.Open.Add(bill);
            Attempt(till, bill, day);
        }
    }

    // A renewal of a claimed domain takes a domain-year that is free on the day it falls due (rule 15); of several, the
    // one claimed first.
    private void SpendYears(List<UpkeepLine> due, OfferBook book, DateOnly day)
    {
        var paysHosting = due.Exists(line => line is { IsOwn: true, Holding.IsHosting: true });
        foreach (
            var line in due.Where(line => line is { IsOwn: true, Holding.IsClaimed: true, Waiver: null })
                .OrderBy(line => line.Holding.Index)
        )
        {
            if (IsWaived(line, paysHosting) && GrantFor(line.Ending, book, day) is { } grant)
            {
                _grantsTaken.Add(grant, line.Ref);
                line.WaiveYear();
            }
        }
    }

    private void Retry(Till till, DateOnly day)
    {
        // Most days have no open bill at all.
        if (till.Open.Count > 0)
        {
            foreach (var bill in till.Open.Where(bill => bill.Next == day).OrderBy(bill => bill.Due).ToList())
            {
                Attempt(till, bill, day);
            }
        }
    }

    private void Attempt(Till till, OpenBill bill, DateOnly day)
    {
        bill.Attempts++;
        if (Pay(till, day, bill.Due, bill.Lines))
        {
            till.Open.Remove(bill);
            return;
        }

        Say(
            new Failed(
                day,
                till.Book.Id,
                till.Book.Currency,
                bill.Due,
                Worth(bill.Lines).Taxed(_tenure.Counting, till).Total,
                bill.Attempts
            )
        );
        foreach (var line in bill.Lines)
        {
            line.Fate = LineFate.Open;
            if (line.IsOwn)
            {
                line.Holding.MissedOn = bill.Due;
            }
        }

        if (bill.Next is null)
        {
            till.Open.Remove(bill);
            foreach (var line in bill.Lines)
            {
                line.Fate = LineFate.GivenUp;
                if (line is { IsOwn: true, Holding.IsHosting: true })
                {
                    line.Holding.Next = HoldingState.Suspended;
                }
            }
        }
    }

    /// <summary>
    /// Pays lines, from the balance first; false where the card has to pay and does not work. What comes to nothing is
    /// paid unsaid, unless a line is not stated.
    /// </summary>
    private bool Pay(
        Till till,
        DateOnly day,
        DateOnly due,
        List<UpkeepLine> lines,
        bool isOrder = false,
        bool isAssumed = false
    )
    {
        var sum = Worth(lines, isOrder);
        var taxed = sum.Taxed(_tenure.Counting, till);
        var fromBalance = Minor.Min(till.Balance, Minor.Max(0, taxed.Total));
        var rest = taxed.Total - fromBalance;
        if (rest > 0 && !_cardWorks)
        {
            return false;
        }

        if (taxed.Total < 0)
        {
            till.Balance -= taxed.Total;
            Say(new Credited(day, till.Book.Id, till.Book.Currency, -taxed.Total, isAssumed));
        }
        else if (lines.Count > 0 && (taxed.Total != 0 || sum.IsAtLeast))
        {
            till.Balance -= fromBalance;
            till.ByCard += rest;
            till.HasCharge = true;
            Say(
                new Charged(
                    day,
                    till.Book.Id,
                    till.Book.Currency,
                    due,
                    taxed.Total,
                    taxed.Net,
                    taxed.Tax,
                    fromBalance,
                    sum.IsAtLeast,
                    isAssumed,
                    [
                        .. sum.Lines.Select(line => new ChargedLine(
                            line.Line.Kind,
                            line.Line.Ref,
                            line.Line.Holding.Key,
                            line.Price.Units
                        )),
                    ]
                )
            );
        }
        else if (lines.Count > 0)
        {
            _isQuietlyPaid = true;
        }

        foreach (var (line, price) in sum.Lines)
        {
            line.Pay(price.Units);
        }

        foreach (var held in lines.Where(line => line.IsOwn).Select(line => line.Holding).Distinct())
        {
            held.MissedOn = null;
            held.Next = null;
            if (held.State != HoldingState.Live)
            {
                Become(held, HoldingState.Live, day);
            }
        }

        return true;
    }

    // What lines come to at this moment: a waiver stands only while hosting lasts beyond the line, or is paid in the
    // same bill (rule 4).
    private Worthy Worth(List<UpkeepLine> lines, bool isOrder = false)
    {
        var paysHosting = lines.Exists(line => line is { IsOwn: true, Holding.IsHosting: true });
        return new Worthy([
            .. (lines.Count == 1 ? lines : UpkeepLine.InOrder(lines)).Select(line =>
                (line, line.Amount(line.Waiver is not null && (isOrder || IsWaived(line, paysHosting))))
            ),
        ]);
    }

    private bool IsWaived(UpkeepLine line, bool paysHosting) =>
        _hosting is { } hosting
        && hosting.Gives(line.Ending)
        && (paysHosting || (hosting.Held.State == HoldingState.Live && hosting.Held.PaidUntil > line.Date));

    private static void Miss(IEnumerable<UpkeepLine> lines)
    {
        foreach (var line in lines)
        {
            line.Fate = LineFate.Missed;
        }
    }

    // Takes a holding's lines out of every open bill.
    private void TakeOut(Held held)
    {
        foreach (var till in _tills.Values)
        {
            foreach (var bill in till.Open)
            {
                Miss(bill.Lines.Where(line => line.Holding == held));
                bill.Lines.RemoveAll(line => line.Holding == held);
            }

            till.Open.RemoveAll(bill => bill.Lines.Count == 0);
        }
    }

    private bool IsOnOpenBill(Held held, bool ownAlone) =>
        _tills.Values.Any(till =>
            till.Open.Exists(bill => bill.Lines.Exists(line => line.Holding == held && (line.IsOwn || !ownAlone)))
        );

    private sealed record Worthy(ImmutableArray<(UpkeepLine Line, Price Price)> Lines)
    {
        public bool IsAtLeast => Lines.Any(line => !line.Price.IsStated);

        public Taxed Taxed(Counting counting, Till till) =>
            counting.Tax(till.Book, Lines.Aggregate((Minor)0, (sum, line) => sum + line.Price.Units));
    }
}
