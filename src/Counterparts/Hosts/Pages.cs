using System.Net;
using System.Security.Cryptography;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// The pages of the simulated bank and wallet, at their own address: say yes or no, or pay an invoice. Whoever knows a
/// page's name is taken for its owner, as the name cannot be guessed. What was said is told to the application by a
/// notice, and the owner is sent back.
/// </summary>
internal static class Pages
{
    private const string Prefix = "/pages/";

    public static void MapPages(this IEndpointRouteBuilder app)
    {
        app.MapGet(Prefix + "{name}", ShowAsync).WithMetadata(new ForAnybody());
        app.MapPost(Prefix + "{name}", AnswerAsync).DisableAntiforgery().WithMetadata(new ForAnybody());
    }

    public static string NewName() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));

    public static string PathOf(string name) => Prefix + name;

    private static async Task<IResult> ShowAsync(string name, CounterpartsDb db, CancellationToken cancel) =>
        await db.Holds.AsNoTracking().SingleOrDefaultAsync(row => row.Page == name, cancel) is { } row
            ? Html(row, null)
            : Results.NotFound();

    private static async Task<IResult> AnswerAsync(string name, HttpContext http, CounterpartsDb db, Notices notices)
    {
        var form = await http.Request.ReadFormAsync(http.RequestAborted);
        return await db.AloneAsync(() => AnsweredAsync(name, form, http, db, notices), http.RequestAborted);
    }

    private static async Task<IResult> AnsweredAsync(
        string name,
        IFormCollection form,
        HttpContext http,
        CounterpartsDb db,
        Notices notices
    )
    {
        if (await db.Holds.SingleOrDefaultAsync(row => row.Page == name, http.RequestAborted) is not { } row)
        {
            return Results.NotFound();
        }

        if (row.State != HoldState.Pending)
        {
            return Html(row, null);
        }

        if (row.Way == "invoice" && !TryPay(row, form["amount"].ToString(), out var why))
        {
            return Html(row, why);
        }

        var answer =
            row.Way == "invoice"
                ? Paid(row)
                : form["say"].ToString() switch
                {
                    "yes" => Answer.Done,
                    "poor" => Answer.Refuse("card-refused", "The bank says there is not enough money."),
                    _ => Answer.Refuse(
                        row.Way == "wallet" ? "wallet-cancelled" : "card-refused",
                        row.Way == "wallet"
                            ? "You cancelled it in your wallet."
                            : "You did not confirm it at your bank."
                    ),
                };
        row.State = answer.Status switch
        {
            StatusCodes.Status200OK => HoldState.Held,
            StatusCodes.Status409Conflict => HoldState.Closed,
            _ => HoldState.Pending,
        };
        await Operations.SettleAsync(db, row.World, row.Key, answer, http.RequestAborted);
        await db.SaveChangesAsync(CancellationToken.None);
        notices.Send(row.World, row.Key);
        return Uri.TryCreate(row.ReturnTo, UriKind.Absolute, out var back)
            ? Results.Redirect(back.ToString())
            : Html(row, null);
    }

    private static bool TryPay(HoldRow row, string typed, out string why)
    {
        var isAmount =
            Money.TryParse(typed.Trim(), Holds.Amount(row).Currency, out var paid) == AmountFault.None
            && paid.Units > 0;
        why = $"Type an amount such as {row.Amount}.";
        row.Paid = isAmount ? (Holds.Parse(row.Paid, row.Currency) + paid).ToAmount() : row.Paid;
        return isAmount;
    }

    // Paid short, it waits for the rest.
    private static Answer Paid(HoldRow row)
    {
        var (owed, paid) = (Holds.Amount(row), Holds.Parse(row.Paid, row.Currency));
        return paid.Units >= owed.Units
            ? Answer.Done
            : Answer.Wait(
                new
                {
                    page = PathOf(row.Page!),
                    until = row.DueOn,
                    said = $"{paid} of {owed} has arrived: {owed - paid} is missing.",
                }
            );
    }

    private static IResult Html(HoldRow row, string? fault)
    {
        var (title, sum) = (
            row.Way switch
            {
                "wallet" => "Wallet",
                "invoice" => "Bank: pay an invoice",
                _ => "Bank: confirm a payment",
            },
            Text(Holds.Amount(row).ToString())
        );
        var body =
            row.State != HoldState.Pending
                ? "<p>This is settled: nothing can be said here any more. Money that comes for a closed invoice "
                    + $"is sent back.</p>{Back(row)}"
            : row.Way == "invoice"
                ? $"""
                    <p>Invoice {Text(row.Number)} of {Text(
                        row.Seller
                    )}: {sum}, due until {row.DueOn:d MMMM yyyy}. So far {Text(row.Paid)} has arrived.</p>
                    <form method="post"><p><label>Amount in {Text(
                        row.Currency
                    )} <input name="amount" inputmode="decimal" value="{Text(
                        (Holds.Amount(row) - Holds.Parse(row.Paid, row.Currency)).ToAmount()
                    )}"></label></p>
                    {(
                        fault is null ? "" : $"<p role=\"alert\">{Text(fault)}</p>"
                    )}<p><button>Pay by bank transfer</button></p></form>{Back(row)}
                    """
            : $"""
                <p>{Text(
                    row.Seller
                )} asks for {sum}. The money is held, and taken only when everything is delivered.</p>
                <form method="post"><p><button name="say" value="yes">Yes, pay {sum}</button> <button name="say" value="no">No</button>{(
                    row.Way == "wallet"
                        ? ""
                        : " <button name=\"say\" value=\"poor\">Yes, but there is not enough money</button>"
                )}</p></form>{Back(row)}
                """;
        return Html(title, body);
    }

    /// <summary>
    /// A page of a simulated company's. Nobody may show it inside a page of theirs: what is pressed on it is a yes to
    /// paying.
    /// </summary>
    public static IResult Html(string title, string body) =>
        new FramedByNobody(
            Results.Content(
                $$"""
                <!doctype html>
                <html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>{{title}} (simulated)</title>
                <link rel="icon" href="data:,"><style>body{font:17px/1.5 sans-serif;max-width:34rem;margin:10vh auto;padding:0 1rem;color:#1b1b1b;background:#fff}button,input{font:inherit;padding:.5rem 1rem}</style></head>
                <body><main><p>Simulated: no money moves.</p><h1>{{title}}</h1>{{body}}</main></body></html>
                """,
                "text/html; charset=utf-8"
            )
        );

    private sealed class FramedByNobody(IResult page) : IResult
    {
        public Task ExecuteAsync(HttpContext httpContext)
        {
            var headers = httpContext.Response.Headers;
            headers.ContentSecurityPolicy =
                "default-src 'none'; style-src 'unsafe-inline'; img-src data:; base-uri 'none'; frame-ancestors 'none'";
            headers.XFrameOptions = "DENY";
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "no-referrer";
            headers.CacheControl = "no-store";
            return page.ExecuteAsync(httpContext);
        }
    }

    private static string Back(HoldRow row) =>
        Uri.TryCreate(row.ReturnTo, UriKind.Absolute, out var back) && back.Scheme is ("http" or "https")
            ? $"<p><a href=\"{Text(back.ToString())}\">Back to your order without deciding</a></p>"
            : "";

    private static string Text(string text) => WebUtility.HtmlEncode(text);
}
