using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// Each seller's customers: whoever bought there, and whoever says they are one and can read the code that the seller
/// mails them. In this simulated world everybody who says so has a little money waiting.
/// </summary>
internal static class Customers
{
    private const int MostTries = 5;
    private const int WaitingBalance = 40;

    public static void MapCustomers(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Customers);
        group.MapPost("/sellers/{book}/customers/code", CodeAsync);
        group.MapPost("/sellers/{book}/customers/confirm", ConfirmAsync);
        group.MapGet("/sellers/{book}/customers/me", AsksAsync);
        group.MapPost("/sellers/{book}/customers/me/balance", MoveAsync);
    }

    internal sealed record CodeRequest(string Mail);

    internal sealed record ConfirmRequest(string Code);

    internal sealed record MoveRequest(string? Quote, string By);

    /// <summary>Adds to a balance, or takes from it.</summary>
    public static void Move(CustomerRow customer, Money by) =>
        customer.Balance = (Holds.Parse(customer.Balance, customer.Currency) + by).ToAmount();

    /// <summary>Who has paid is a customer from then on.</summary>
    public static async Task EnsureAsync(CounterpartsDb db, HoldRow paid, CancellationToken cancel)
    {
        var customer = await FindAsync(db, paid.World, paid.Book, cancel);
        if (customer is null && paid.Book.Length > 0)
        {
            db.Customers.Add(
                new CustomerRow
                {
                    World = paid.World,
                    Book = paid.Book,
                    Currency = paid.Currency,
                    Balance = Money.Zero(Holds.Amount(paid).Currency).ToAmount(),
                    IsConfirmed = true,
                }
            );
        }
        else if (customer is not null)
        {
            customer.IsConfirmed = true;
        }
    }

    private static async Task<CustomerRow?> FindAsync(
        CounterpartsDb db,
        string world,
        string book,
        CancellationToken cancel
    ) =>
        db.Customers.Local.FirstOrDefault(row => row.World == world && row.Book == book)
        ?? await db.Customers.SingleOrDefaultAsync(row => row.World == world && row.Book == book, cancel);

    private static Task<IResult> CodeAsync(
        string book,
        CodeRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db,
        TimeProvider time
    ) => db.AloneAsync(() => MailCodeAsync(book, request, http, lists, db, time), http.RequestAborted);

    private static async Task<IResult> MailCodeAsync(
        string book,
        CodeRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db,
        TimeProvider time
    )
    {
        if (lists.Find(book) is not { } seller)
        {
            return Results.NotFound();
        }

        var (world, code) = (http.World(), RandomNumberGenerator.GetString("0123456789", 6));
        var row = await FindAsync(db, world, book, http.RequestAborted)
            ?? db.Customers.Add(
                new CustomerRow
                {
                    World = world,
                    Book = book,
                    Currency = seller.Currency.Code,
                    Balance = new Money(
                        WaitingBalance * (int)Math.Pow(10, seller.Currency.Decimals),
                        seller.Currency
                    ).ToAmount(),
                }
            ).Entity;
        (row.CodeHash, row.CodeTries) = (Hash(code), 0);
        db.Mail.Add(
            SimulatedMail.Row(
                world,
                seller.Provider.Name,
                book,
                request.Mail,
                $"Your code for {seller.Provider.Name}: {code}",
                $"Somebody says that you are a customer of {seller.Provider.Name}. If it is you, the code is "
                    + $"{code}. If not, do nothing.\n",
                time
            )
        );
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(new { });
    }

    private static Task<IResult> ConfirmAsync(
        string book,
        ConfirmRequest request,
        HttpContext http,
        CounterpartsDb db
    ) => db.AloneAsync(() => CheckCodeAsync(book, request, http, db), http.RequestAborted);

    private static async Task<IResult> CheckCodeAsync(
        string book,
        ConfirmRequest request,
        HttpContext http,
        CounterpartsDb db
    )
    {
        if (
            await FindAsync(db, http.World(), book, http.RequestAborted) is not { CodeHash: { } expected } row
            || row.CodeTries >= MostTries
        )
        {
            return Results.Conflict(
                new { code = "no-code", message = "There is no code that could be typed: ask for a new one." }
            );
        }

        if (Hash(request.Code) != expected)
        {
            row.CodeTries++;
            await db.SaveChangesAsync(CancellationToken.None);
            return Results.Conflict(new { code = "wrong-code", message = "That is not the code that was mailed." });
        }

        (row.CodeHash, row.IsConfirmed) = (null, true);
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(Said(row));
    }

    private static async Task<IResult> AsksAsync(string book, HttpContext http, CounterpartsDb db) =>
        await FindAsync(db, http.World(), book, http.RequestAborted) is { IsConfirmed: true } row
            ? Results.Ok(Said(row))
            : Results.NotFound();

    // What a change of plan leaves over, or a renewal takes of it. Whoever has anything there is a customer.
    private static Task<IResult> MoveAsync(
        string book,
        MoveRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db
    ) => Operations.OnceAsync(http, db, async world =>
        {
            if (lists.Find(book) is not { } seller)
            {
                return Answer.Refuse("no-such-seller", "There is no such seller.");
            }

            var row = await FindAsync(db, world, book, http.RequestAborted)
                ?? db.Customers.Add(
                    new CustomerRow
                    {
                        World = world,
                        Book = book,
                        Currency = seller.Currency.Code,
                        Balance = Money.Zero(seller.Currency).ToAmount(),
                        IsConfirmed = true,
                    }
                ).Entity;
            var isLess = request.By.StartsWith('-');
            var size = Holds.Parse(isLess ? request.By[1..] : request.By, row.Currency);
            var by = isLess ? Money.Zero(size.Currency) - size : size;
            if (await Quotes.ToMoveAsync(db, http, request.Quote, QuoteKind.Balance, book, by) is null)
            {
                return Answer.Refuse("no-quote", "By the seller's records the balance changes by another sum.");
            }

            Move(row, by);
            return Answer.Done;
        });

    private static object Said(CustomerRow row) => new { balance = row.Balance, currency = row.Currency };

    private static string Hash(string code) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(code)));
}
