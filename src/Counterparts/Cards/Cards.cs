using System.Globalization;
using System.Security.Cryptography;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// The cards of the payment processor. A browser hands it a number and gets a token; the number is checked and
/// forgotten. Numbers that begin with 9999 51 are refused for want of money, with 9999 54 because they have expired;
/// with 9999 57 the bank wants its customer's yes. With 9999 52 later charges are refused, with 9999 53 only for three
/// days.
/// </summary>
internal static class Cards
{
    /// <summary>Where a browser hands a card in.</summary>
    public const string Path = "/cards";

    public static void MapCards(this IEndpointRouteBuilder app)
    {
        app.MapMethods(Path, [HttpMethods.Options], AllowBrowsers).WithMetadata(new ForAnybody());
        app.MapPost(Path, TokenAsync).WithMetadata(new ForAnybody());
    }

    internal sealed record CardRequest(string? Number, string? Expires, string? Code);

    private static IResult AllowBrowsers(HttpContext http)
    {
        Allow(http);
        http.Response.Headers.AccessControlAllowHeaders = "content-type";
        http.Response.Headers.AccessControlAllowMethods = "POST";
        return Results.NoContent();
    }

    // Any page may hand a card in: a token is worth nothing without the shop's own key to the processor.
    private static void Allow(HttpContext http) => http.Response.Headers.AccessControlAllowOrigin = "*";

    private static async Task<IResult> TokenAsync(CardRequest card, HttpContext http, CounterpartsDb db)
    {
        Allow(http);
        var digits = string.Concat((card.Number ?? "").Where(char.IsAsciiDigit));
        var faults = Faults(card, digits)
            .Select(fault => new { field = fault.Field, message = fault.Message })
            .ToList();
        if (faults.Count > 0)
        {
            return Results.Ok(new { faults }); // A form half filled in is no failure: browsers would complain of one.
        }

        var row = new CardRow
        {
            Token = "card_" + Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16)),
            Ending = digits[^4..],
            Refusal = digits[..6] switch
            {
                "999951" => "The bank says there is not enough money on the card.",
                "999954" => "The bank says the card has expired.",
                _ => null,
            },
            WantsYes = digits.StartsWith("999957", StringComparison.Ordinal),
            Later = digits[..6] switch
            {
                "999952" => LaterCharges.Refused,
                "999953" => LaterCharges.RefusedForDays,
                _ => LaterCharges.Paid,
            },
            ExpiresOn = LastDay(card.Expires!),
        };
        db.Cards.Add(row);
        await db.SaveChangesAsync(http.RequestAborted);
        return Results.Ok(new { token = row.Token, ending = row.Ending });
    }

    private static IEnumerable<(string Field, string Message)> Faults(CardRequest card, string digits)
    {
        if (digits.Length is < 13 or > 19 || !PassesCheckDigit(digits))
        {
            yield return ("number", "This is no card number: a digit is wrong or missing.");
        }

        if (!IsMonth(card.Expires))
        {
            yield return ("expires", "Type month and year as on the card, such as 09/29.");
        }

        if (card.Code is not { Length: 3 or 4 } code || !code.All(char.IsAsciiDigit))
        {
            yield return ("code", "Type the three or four digits on the back.");
        }
    }

    // A card is good to the end of its month.
    private static DateOnly LastDay(string expires) =>
        new DateOnly(
            2000 + int.Parse(expires[3..], CultureInfo.InvariantCulture),
            int.Parse(expires[..2], CultureInfo.InvariantCulture),
            1
        )
            .AddMonths(1)
            .AddDays(-1);

    // The last digit of a card number is made from the others (ISO/IEC 7812-1, annex B).
    private static bool PassesCheckDigit(string digits) =>
        digits
            .Reverse()
            .Select((digit, place) => (digit - '0') * (place % 2 == 0 ? 1 : 2))
            .Sum(product => product > 9 ? product - 9 : product) % 10
        == 0;

    private static bool IsMonth(string? text) =>
        text?.Split('/') is [{ Length: 2 } month, { Length: 2 } year]
        && int.TryParse(month, out var number)
        && number is >= 1 and <= 12
        && int.TryParse(year, out _);
}
