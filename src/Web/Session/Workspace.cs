using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Data;
using HomeStart.Web.Books;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Session;

/// <summary>The visitor's workspace: its world, its business date, its offer books.</summary>
public sealed class Workspace(
    WorkspaceScope scope,
    HomeStartDb db,
    StartOptions options,
    Demo demo,
    Shelf shelf,
    TimeProvider time
)
{
    // It does not change within a request.
    private DateOnly? _today;
    private ImmutableHashSet<string>? _customerOf;

    public Guid Id => scope.Id;

    public World World => new(scope.Id);

    /// <summary>Every book on the shelf, those put away too: what was chosen from them still has its price.</summary>
    public IReadOnlyList<OfferBook> Books => [.. shelf.All.Select(shelved => shelved.Book)];

    /// <summary>The books that something new may be chosen from.</summary>
    public IReadOnlyList<OfferBook> Offered =>
        [.. shelf.All.Where(shelved => !shelved.IsPutAway).Select(shelved => shelved.Book)];

    /// <summary>Those, and the ones that a candidate buys from already.</summary>
    public IReadOnlyList<OfferBook> OfferedTo(Candidate candidate) =>
        [
            .. shelf
                .All.Where(shelved =>
                    !shelved.IsPutAway
                    || candidate.Hosting?.Book == shelved.Book.Id
                    || candidate.Domains.Any(domain => domain.Book == shelved.Book.Id)
                )
                .Select(shelved => shelved.Book),
        ];

    /// <summary>The hashes of all books on the shelf, for an order to say what it was placed from.</summary>
    public IEnumerable<string> BookHashes => shelf.All.Select(shelved => shelved.Hash);

    /// <summary>The very books that an order was placed from.</summary>
    public ImmutableArray<OfferBook> PlacedFrom(OrderRow row) => shelf.PlacedFrom(row.BookHashes);

    /// <summary>
    /// Whether a seller can be ordered from here: it ships with the demo, and what stands on the shelf is its own price
    /// list. A list of the visitor's own never is, and nobody is where there are no counterparts.
    /// </summary>
    public bool IsConnected(OfferBook book) =>
        options.HasCounterparts
        && demo.OfferBooks.Any(known => known.Id == book.Id)
        && shelf.Find(book.Id) is { Versions: 0 };

    /// <summary>The only date Core sees: the fixed or present day, moved on by look-ahead.</summary>
    public async Task<DateOnly> BusinessDateAsync(CancellationToken cancel) => _today ??= await TodayAsync(cancel);

    /// <summary>The day it is without look-ahead.</summary>
    public DateOnly RealDay => DayOf(options, time, 0);

    /// <summary>How many days before something falls due the owner is written to.</summary>
    public async Task<IReadOnlyList<int>> RemindDaysAsync(CancellationToken cancel) =>
        await db.Workspaces.Where(row => row.Id == scope.Id).Select(row => row.RemindDays).SingleOrDefaultAsync(cancel)
            is { } days
            ?
            [
                .. days.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                    .Select(day => int.Parse(day, CultureInfo.InvariantCulture)),
            ]
            : Foreseen.UsualDays;

    /// <summary>How a site is counted today, by an owner who is a customer where they are.</summary>
    public async Task<CountSettings> CountAsync(SiteSettings settings, CancellationToken cancel) =>
        settings.On(
            await BusinessDateAsync(cancel),
            _customerOf ??= [.. await db.Customers.AsNoTracking().Select(row => row.BookId).ToListAsync(cancel)]
        );

    /// <summary>Remembers that the owner is a seller's customer. The caller saves.</summary>
    public async Task BeCustomerAsync(string bookId, CancellationToken cancel)
    {
        await EnsureStoredAsync(cancel);
        if (!await db.Customers.AnyAsync(row => row.BookId == bookId, cancel))
        {
            db.Customers.Add(
                new CustomerRow
                {
                    WorkspaceId = scope.Id,
                    BookId = bookId,
                    Since = await BusinessDateAsync(cancel),
                }
            );
        }

        _customerOf = null;
    }

    /// <summary>Stores the workspace itself, at its first change.</summary>
    public async Task EnsureStoredAsync(CancellationToken cancel)
    {
        if (await db.Workspaces.AnyAsync(row => row.Id == scope.Id, cancel))
        {
            return;
        }

        var row = db.Workspaces.Add(new WorkspaceRow { Id = scope.Id, CreatedAt = time.GetUtcNow() });
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            row.State = EntityState.Detached; // Two first changes at once: the other one stored it.
        }
    }

    /// <summary>The business date of a workspace that look-ahead has moved on.</summary>
    public static DateOnly DayOf(StartOptions options, TimeProvider time, int daysAhead) =>
        (options.Date ?? DateOnly.FromDateTime(time.GetLocalNow().DateTime)).AddDays(daysAhead);

    private async Task<DateOnly> TodayAsync(CancellationToken cancel)
    {
        var ahead = await db
            .Workspaces.Where(row => row.Id == scope.Id)
            .Select(row => row.DaysAhead)
            .SingleOrDefaultAsync(cancel);
        return DayOf(options, time, ahead);
    }
}
