namespace HomeStart.Core.Costings;

/// <summary>What leaving inside the refund days gives back, or why nothing (costing rule 29).</summary>
/// <param name="LastDay">The last day to leave; null where there is no refund.</param>
public sealed record Refundable(Minor Amount, DateOnly? LastDay, NoRefund? Reason, int? MinCommitMonths)
{
    internal static Refundable WorkOut(Costing costing)
    {
        if (costing.Run.Purchase.Hosting is not { } hosting)
        {
            return new Refundable(0, null, NoRefund.NoHosting, null);
        }

        if (hosting.Book.Refund is not { Days: > 0 } rule)
        {
            return new Refundable(0, null, NoRefund.NotOffered, null);
        }

        if (hosting.Option.CommitMonths < rule.MinCommitMonths)
        {
            return new Refundable(0, null, NoRefund.CommitTooShort, rule.MinCommitMonths);
        }

        Minor left = 0;
        Minor waived = 0;
        foreach (var bill in costing.Run.Bills)
        {
            if (bill.Date > costing.Settings.StartDate)
            {
                break;
            }

            foreach (var line in ReferenceEquals(bill.Book, hosting.Book) ? bill.Lines : [])
            {
                left += rule.Excludes.Any(line.Is) ? 0 : line.AfterDiscounts;
                waived += line.Waived;
            }
        }

        left = Minor.Max(0, left - (rule.DeductsIncludedDomain ? waived : 0));
        var amount = costing.Counting.Convert(costing.Counting.Counts(hosting.Book, left), hosting.Book.Currency);
        var lastDay = costing.Settings.StartDate.AddDays(rule.Days);
        return new Refundable(amount, lastDay, amount == 0 ? NoRefund.NothingLeft : null, rule.MinCommitMonths);
    }
}

/// <summary>Why nothing comes back.</summary>
public enum NoRefund
{
    /// <summary>Only hosting is given back.</summary>
    NoHosting,

    /// <summary>The book states no refund.</summary>
    NotOffered,

    /// <summary>It is offered from a longer commitment on.</summary>
    CommitTooShort,

    /// <summary>Everything paid is excluded from it.</summary>
    NothingLeft,
}
