using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>
/// Makes the accounts of purchases: the same bills as a costing has, without what only a page needs. Holds the
/// currencies found without a rate, so one is for one thread.
/// </summary>
/// <param name="cancel">Looked at with each account: the caller may have left.</param>
internal sealed class Accounts(ScanRequest request, CancellationToken cancel)
{
    private readonly CountSettings _settings = request.Settings;
    private readonly ExpectedCost? _expected =
        request.Objective == Objective.Expected ? new ExpectedCost(request.Settings) : null;

    private readonly Counting _counting = new(request.Settings, request.Settings.DisplayCurrency!);
    private readonly HashSet<Currency> _unconvertible = [];

    /// <summary>
    /// What accounts were wanted in and have no rate: with any of these there is no scan, and what was worked out of
    /// them is worth nothing.
    /// </summary>
    public IReadOnlySet<Currency> Unconvertible => _unconvertible;

    /// <summary>The account of what is bought at one book.</summary>
    /// <param name="withVerdicts">Needed with several codes: which of them count is settled by the whole run.</param>
    public Account WorkOut(Purchase purchase, bool withVerdicts, bool chargesHosting = true)
    {
        cancel.ThrowIfCancellationRequested();
        var run = BillRun.Until(
            withVerdicts ? _settings.StartDate.AddMonths(Months.Run) : _settings.End,
            purchase,
            chargesHosting
        );
        var entries = ImmutableArray.CreateBuilder<AccountEntry>(run.Bills.Length);
        PartTotals sums = default;
        foreach (var bill in run.Bills)
        {
            if (bill.Date >= _settings.End)
            {
                break;
            }

            var entry = Entry(bill.Date, bill.Book, bill.Currency, bill.Sum, bill.IsAtLeast);
            entries.Add(entry);
            sums += entry.Adds;
        }

        var applied = withVerdicts
            ? run.Codes.Where(code => code.Verdict == Verdict.Applied).Select(code => code.Code).ToImmutableArray()
            : [];
        return new Account(entries.DrainToImmutable(), sums, applied);
    }

    /// <summary>
    /// Two accounts at one book as one: bills of one date are one bill, whose tax and conversion are rounded once.
    /// </summary>
    public PartTotals Together(Account hosting, Account names, OfferBook book)
    {
        var sums = hosting.PartTotals;
        var at = 0;
        foreach (var name in names.Entries)
        {
            while (at < hosting.Entries.Length && hosting.Entries[at].Date < name.Date)
            {
                at++;
            }

            if (at < hosting.Entries.Length && hosting.Entries[at].Date == name.Date)
            {
                var both = Entry(
                    name.Date,
                    book,
                    book.Currency,
                    hosting.Entries[at].Sum + name.Sum,
                    hosting.Entries[at].IsAtLeast || name.IsAtLeast
                ).Adds;
                var alone = hosting.Entries[at].Adds;
                sums += both with
                {
                    Today = both.Today - alone.Today,
                    Horizon = both.Horizon - alone.Horizon,
                    Expected = both.Expected - alone.Expected,
                };
            }
            else
            {
                sums += name.Adds;
            }
        }

        return sums;
    }

    private Minor Value(Minor counts, Currency currency)
    {
        if (_counting.CanConvert(currency))
        {
            return _counting.Convert(counts, currency);
        }

        _unconvertible.Add(currency);
        return counts;
    }

    private AccountEntry Entry(DateOnly date, OfferBook? book, Currency currency, Minor sum, bool isAtLeast)
    {
        var value = Value(_counting.Counts(book, sum), currency);
        var isToday = date == _settings.StartDate;
        return new AccountEntry(
            date,
            sum,
            isAtLeast,
            new PartTotals(
                isToday ? value : 0,
                value,
                isToday && isAtLeast,
                isAtLeast,
                _expected?.WorkOut(value, date) ?? 0
            )
        );
    }
}
