using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// What the payment processor does later, without its customer: sellers charge a card or wallet again, and money goes
/// back to it.
/// </summary>
internal static class Charges
{
    /// <summary>For how many days some banks refuse.</summary>
    private const int RefusingDays = 3;

    public static void MapCharges(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Card);
        group.MapPost("/charges", ChargeAsync);
        group.MapPost("/refunds", RefundAsync);
        group.MapPost("/cards/look", LookAsync);
        group.MapGet("/statement", StatementAsync);
    }

    internal sealed record ChargeRequest(
        string? Quote,
        string? Token,
        bool Wallet,
        string Amount,
        string Currency,
        string Book,
        string Seller,
        DateOnly Date
    );

    internal sealed record LookRequest(string Token);

    private static Task<IResult> ChargeAsync(ChargeRequest request, HttpContext http, CounterpartsDb db) =>
        Operations.OnceAsync(http, db, async world =>
        {
            if (
                await Quotes.ToMoveAsync(
                    db,
                    http,
                    request.Quote,
                    QuoteKind.Charge,
                    request.Book,
                    Holds.Parse(request.Amount, request.Currency)
                )
                is null
            )
            {
                return Answer.Refuse("no-quote", "The seller asks for another sum, or has not named one.");
            }

            if (
                !(request.Wallet && request.Token is null)
                && await RefusalAsync(request, db, http.RequestAborted) is { } refusal
            )
            {
                return Answer.Refuse("card-refused", refusal);
            }

            db.Charges.Add(Row(http, world, request, request.Amount));
            return Answer.Done;
        });

    private static Task<IResult> RefundAsync(ChargeRequest request, HttpContext http, CounterpartsDb db) =>
        Operations.OnceAsync(http, db, async world =>
        {
            if (
                await Quotes.ToMoveAsync(
                    db,
                    http,
                    request.Quote,
                    QuoteKind.Refund,
                    request.Book,
                    Holds.Parse(request.Amount, request.Currency)
                )
                is null
            )
            {
                return Answer.Refuse("no-quote", "The seller gives back another sum, or has not named one.");
            }

            db.Charges.Add(Row(http, world, request, "-" + request.Amount));
            return Answer.Done;
        });

    private static ChargeRow Row(HttpContext http, string world, ChargeRequest request, string amount) =>
        new()
        {
            World = world,
            Key = http.Request.Headers[Operations.KeyHeader].ToString(),
            Book = request.Book,
            Seller = request.Seller,
            Amount = amount,
            Currency = request.Currency,
            On = request.Date,
        };

    private static async Task<string?> RefusalAsync(ChargeRequest request, CounterpartsDb db, CancellationToken cancel)
    {
        if (await db.Cards.SingleOrDefaultAsync(card => card.Token == request.Token, cancel) is not { } card)
        {
            return "There is no card that could be charged.";
        }

        if (card.ExpiresOn < request.Date)
        {
            return "The bank says the card has expired.";
        }

        if (card.Later != LaterCharges.Paid)
        {
            card.RefusedOn ??= request.Date;
        }

        return card.Refusal
            ?? (
                card.Later == LaterCharges.Refused
                || (
                    card.Later == LaterCharges.RefusedForDays
                    && request.Date < card.RefusedOn!.Value.AddDays(RefusingDays)
                )
                    ? "The bank refuses the charge."
                    : null
            );
    }

    private static async Task<IResult> LookAsync(LookRequest request, HttpContext http, CounterpartsDb db) =>
        await db.Cards.AsNoTracking().SingleOrDefaultAsync(card => card.Token == request.Token, http.RequestAborted)
            is { } card
            ? Results.Ok(new { ending = card.Ending, expiresOn = card.ExpiresOn })
            : Results.NotFound();

    // What the world's cards paid after the orders, line by line.
    private static async Task<IResult> StatementAsync(HttpContext http, CounterpartsDb db)
    {
        var world = http.World();
        var rows = await db.Charges.AsNoTracking().Where(row => row.World == world).ToListAsync(http.RequestAborted);
        return Results.Ok(
            rows.OrderBy(row => row.On)
                .Select(row => new
                {
                    on = row.On,
                    book = row.Book,
                    seller = row.Seller,
                    amount = row.Amount,
                    currency = row.Currency,
                })
        );
    }
}
