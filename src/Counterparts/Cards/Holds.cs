using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Counterparts;

/// <summary>
/// The payment processor: sets money aside by card, wallet, invoice or balance, takes it or a part of it, or lets it
/// go. A wallet, and some banks, want a yes on a page of theirs first; an invoice wants to be paid, and is closed after
/// its last day.
/// </summary>
internal static class Holds
{
    private const int InvoiceDays = 14;

    public static void MapHolds(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Card);
        group.MapPost("/holds", HoldAsync);
        group.MapPost("/holds/{hold}/capture", CaptureAsync);
        group.MapPost("/holds/{hold}/release", ReleaseAsync);
    }

    internal sealed record HoldRequest(
        string? Quote,
        string Way,
        string? Token,
        string Amount,
        string Currency,
        string Book,
        string Seller,
        string? Number,
        string? ReturnTo,
        DateOnly Date
    );

    internal sealed record CaptureRequest(string? Quote, string Amount);

    /// <summary>The amount of a hold.</summary>
    public static Money Amount(HoldRow row) => Parse(row.Amount, row.Currency);

    public static Money Parse(string amount, string currency) =>
        Currency.TryGet(currency, out var known) && Money.TryParse(amount, known, out var money) == AmountFault.None
            ? money
            : throw new BadHttpRequestException("This is no amount.");

    private static Task<IResult> HoldAsync(HoldRequest request, HttpContext http, CounterpartsDb db) =>
        Operations.OnceAsync(http, db, async world =>
        {
            var row = new HoldRow
            {
                World = world,
                Key = http.Request.Headers[Operations.KeyHeader].ToString(),
                Quote = request.Quote,
                Way = request.Way,
                Amount = request.Amount,
                Currency = request.Currency,
                Book = request.Book,
                Seller = request.Seller,
                Number = request.Number ?? "",
                ReturnTo = request.ReturnTo ?? "",
            };
            var amount = Amount(row);
            if (!await IsAskedAsync(row, amount, http, db))
            {
                return Answer.Refuse("no-quote", $"{row.Seller} asks for another sum, or its quote has run out.");
            }

            var answer = request.Way switch
            {
                "card" => await ByCardAsync(row, request.Token, db, http.RequestAborted),
                "wallet" => Waiting(row, null, "The wallet waits for you to say yes."),
                "invoice" => Waiting(row, request.Date.AddDays(InvoiceDays), $"Nothing of {amount} has arrived yet."),
                "balance" => await FromBalanceAsync(row, amount, db, http.RequestAborted),
                _ => Answer.Refuse("no-such-way", "Nobody can be paid that way here."),
            };
            if (answer.Status != StatusCodes.Status409Conflict)
            {
                db.Holds.Add(row);
            }

            return answer;
        });

    // Of an order's sum each way holds a part, and all of them no more than the whole; of a later charge one hold is
    // the whole of it.
    private static async Task<bool> IsAskedAsync(HoldRow row, Money amount, HttpContext http, CounterpartsDb db)
    {
        if (row.Quote is null)
        {
            return true; // An order that was placed before sellers named their sums goes on as it was agreed.
        }

        var quote = await db
            .Quotes.AsNoTracking()
            .SingleOrDefaultAsync(
                quote => quote.World == row.World && quote.Id == row.Quote && quote.Book == row.Book,
                http.RequestAborted
            );
        if (quote is not { Kind: QuoteKind.Order })
        {
            return await Quotes.ToMoveAsync(db, http, row.Quote, QuoteKind.Charge, row.Book, amount) is not null;
        }

        var held = await Quotes.HeldAsync(
            db,
            quote,
            [HoldState.Held, HoldState.Captured, HoldState.Pending],
            http.RequestAborted
        );
        return quote.Currency == row.Currency
            && Quotes.Holds(quote, http.RequestServices.GetRequiredService<TimeProvider>())
            && (held + amount).Units <= Parse(quote.Amount, quote.Currency).Units;
    }

    private static async Task<Answer> ByCardAsync(
        HoldRow row,
        string? token,
        CounterpartsDb db,
        CancellationToken cancel
    )
    {
        var card = await db.Cards.SingleOrDefaultAsync(card => card.Token == token, cancel);
        return card is null || card.Refusal is not null
                ? Answer.Refuse("card-refused", card?.Refusal ?? "The card is not known any more: give it again.")
            : card.WantsYes ? Waiting(row, null, "The bank waits for you to say yes.")
            : Answer.Done;
    }

    private static async Task<Answer> FromBalanceAsync(
        HoldRow row,
        Money amount,
        CounterpartsDb db,
        CancellationToken cancel
    )
    {
        var customer = await db.Customers.SingleOrDefaultAsync(
            customer => customer.World == row.World && customer.Book == row.Book && customer.IsConfirmed,
            cancel
        );
        if (
            customer is null
            || customer.Currency != row.Currency
            || Parse(customer.Balance, customer.Currency).Units < amount.Units
        )
        {
            return Answer.Refuse("balance-too-small", $"The balance with {row.Seller} does not cover {amount}.");
        }

        Customers.Move(customer, new Money(-amount.Units, amount.Currency));
        return Answer.Done;
    }

    private static Answer Waiting(HoldRow row, DateOnly? until, string said)
    {
        (row.State, row.Page, row.DueOn) = (HoldState.Pending, Pages.NewName(), until);
        return Answer.Wait(
            new
            {
                page = Pages.PathOf(row.Page),
                until,
                said,
            },
            until?.AddDays(1),
            Answer.Refuse("invoice-not-paid", "The invoice was not paid in time.")
        );
    }

    private static Task<IResult> CaptureAsync(
        string hold,
        CaptureRequest request,
        HttpContext http,
        CounterpartsDb db
    ) => MoveAsync(hold, HoldState.Captured, http, db, async row =>
        {
            var (held, taken) = (Amount(row), Parse(request.Amount, row.Currency));
            if (taken.Units > held.Units)
            {
                return Answer.Refuse("too-much", "That is more than is held.");
            }

            if (!await IsDueAsync(row, request.Quote, taken, http, db))
            {
                return Answer.Refuse("no-quote", $"{row.Seller} asks for another sum.");
            }

            row.Captured = taken.ToAmount();
            await GiveBackAsync(row, held - taken, db, http.RequestAborted);
            await Customers.EnsureAsync(db, row, http.RequestAborted);
            return Answer.Done;
        });

    // What is taken is what was agreed to, or less where a domain could not be had; after the order, the sum that the
    // seller names on the day.
    private static async Task<bool> IsDueAsync(
        HoldRow row,
        string? later,
        Money taken,
        HttpContext http,
        CounterpartsDb db
    )
    {
        if (later is not null)
        {
            return await Quotes.ToMoveAsync(db, http, later, QuoteKind.Charge, row.Book, taken) is not null;
        }

        if (row.Quote is null || taken == Amount(row))
        {
            return true;
        }

        if (
            await db
                .Quotes.AsNoTracking()
                .SingleOrDefaultAsync(quote => quote.World == row.World && quote.Id == row.Quote, http.RequestAborted)
            is not { Kind: QuoteKind.Order } quote
        )
        {
            return false;
        }

        foreach (
            var domain in Quotes
                .PurchaseOf(quote)
                .Candidate.Domains.Where(domain => domain.Route is DomainRoute.Register or DomainRoute.Transfer)
        )
        {
            if (
                !await db.Registrations.AnyAsync(
                    known => known.World == row.World && known.Domain == domain.Ref && known.Registrar == row.Book,
                    http.RequestAborted
                )
            )
            {
                return true;
            }
        }

        return false;
    }

    private static Task<IResult> ReleaseAsync(string hold, HttpContext http, CounterpartsDb db) =>
        MoveAsync(hold, HoldState.Released, http, db, async row =>
        {
            await GiveBackAsync(row, Amount(row), db, http.RequestAborted);
            return Answer.Done;
        });

    private static async Task GiveBackAsync(HoldRow row, Money amount, CounterpartsDb db, CancellationToken cancel)
    {
        if (
            row.Way == "balance"
            && await db.Customers.SingleOrDefaultAsync(
                customer => customer.World == row.World && customer.Book == row.Book,
                cancel
            )
                is { } customer
        )
        {
            Customers.Move(customer, amount);
        }
    }

    private static Task<IResult> MoveAsync(
        string hold,
        HoldState state,
        HttpContext http,
        CounterpartsDb db,
        Func<HoldRow, Task<Answer>> move
    ) => Operations.OnceAsync(http, db, async world =>
        {
            var row = await db.Holds.SingleOrDefaultAsync(
                row => row.World == world && row.Key == hold,
                http.RequestAborted
            );
            if (row is null || (row.State != HoldState.Held && row.State != state))
            {
                return Answer.Refuse("no-hold", "No money is held under that key.");
            }

            var answer = row.State == state ? Answer.Done : await move(row);
            row.State = answer.Status == StatusCodes.Status200OK ? state : row.State;
            return answer;
        });
}
