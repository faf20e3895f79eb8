using System.Security.Cryptography;
using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStart.Counterparts;

/// <summary>
/// The sums that sellers name: for a purchase, and later for each charge, refund, change of a balance and claimed name.
/// Each is worked out from the seller's own price list and records, never from a figure of the caller's. Money moves,
/// and goods are delivered, only against such a sum.
/// </summary>
internal static class Quotes
{
    private static readonly TimeSpan Valid = TimeSpan.FromMinutes(30);

    public static void MapQuotes(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Customers);
        group.MapPost("/sellers/{book}/quotes", QuoteAsync);
        group.MapPost("/sellers/{book}/later-quotes", LaterAsync);
    }

    private static async Task<IResult> QuoteAsync(
        string book,
        JsonElement body,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db,
        TimeProvider time
    )
    {
        var faults = new FaultList();
        var root = new Node(body, "", faults);
        if (lists.Find(book) is not { } list || SellerPurchaseWire.Read(book, root["purchase"]) is not { } asked)
        {
            return faults.Any ? Refuse(FaultWords.Sentence(faults.Faults[0])) : Results.NotFound();
        }

        return root["id"].Text() is { } id
            ? await AgainAsync(id, book, Written(asked), http.World(), db, time, http.RequestAborted)
            : await NewAsync(list, asked, http.World(), db, time, http.RequestAborted);
    }

    // The quote that was given before, while it holds and is for the same.
    private static async Task<IResult> AgainAsync(
        string id,
        string book,
        string asked,
        string world,
        CounterpartsDb db,
        TimeProvider time,
        CancellationToken cancel
    ) =>
        await db
            .Quotes.AsNoTracking()
            .SingleOrDefaultAsync(
                row => row.World == world && row.Id == id && row.Book == book && row.Kind == QuoteKind.Order,
                cancel
            )
            is { } row
        && row.Asked == asked
        && Holds(row, time)
            ? Results.Text(row.Answer, "application/json")
            : Refuse("Our quote was for something else, or has run out. Look at the new sum, then order again.");

    private static async Task<IResult> NewAsync(
        OfferBook list,
        SellerPurchase asked,
        string world,
        CounterpartsDb db,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        var purchase = await AsSoldAsync(list, asked, world, db, cancel);
        var faults = new FaultList();
        if (Coster.Cost(purchase.Candidate, [list], SettingsOf(purchase), faults).Value is not { } costing)
        {
            return Refuse(faults.Any ? FaultWords.Sentence(faults.Faults[0]) : "Something is not chosen yet.");
        }

        if (
            costing.Run.Bills.FirstOrDefault(bill => bill.Date == purchase.StartDate && bill.Book == list)
            is not { } bill
        )
        {
            return Refuse("Nothing of it is bought today.");
        }

        var taxed = costing.Counting.Tax(list, bill.Sum);
        var quote = new Quote(
            NewId(),
            list.Id,
            new Money(taxed.Total, list.Currency),
            new Money(taxed.Tax, list.Currency),
            list.Tax.Charged ? costing.Settings.TaxPercent : null,
            time.GetUtcNow() + Valid
        )
        {
            Lines =
            [
                .. bill.Lines.Select(line => new QuotedLine(
                    line.Kind,
                    line.Ref,
                    line.ForDomain,
                    line.Quantity,
                    new Money(line.Amount, list.Currency),
                    new Money(line.AfterDiscounts, list.Currency)
                )),
            ],
            Codes =
            [
                .. costing
                    .Run.Codes.Where(code => code.Book == list)
                    .Select(code => new QuotedCode(code.Code, code.Verdict)),
            ],
        };
        var answer = JsonSerializer.Serialize(QuoteWire.From(quote), WireJson.Options);
        db.Quotes.Add(
            new QuoteRow
            {
                World = world,
                Id = quote.Id,
                Book = list.Id,
                Kind = QuoteKind.Order,
                Amount = quote.Total.ToAmount(),
                Currency = list.Currency.Code,
                ValidUntil = quote.ValidUntil.ToUnixTimeSeconds(),
                Asked = Written(asked),
                Sold = Written(purchase),
                PriceList = await PriceLists.KeepAsync(list, db, cancel),
                Answer = answer,
            }
        );
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Text(answer, "application/json");
    }

    private static async Task<IResult> LaterAsync(
        string book,
        JsonElement body,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db,
        TimeProvider time
    )
    {
        var (faults, world) = (new FaultList(), http.World());
        var root = new Node(body, "", faults);
        var agreement = root["agreement"].Text();
        var sold = agreement is null
            ? null
            : await db
                .Quotes.AsNoTracking()
                .SingleOrDefaultAsync(
                    row => row.World == world && row.Id == agreement && row.Book == book && row.Kind == QuoteKind.Order,
                    http.RequestAborted
                );
        if (
            lists.Find(book) is not { } list
            || (agreement is not null && sold is null)
            || (sold is null ? SellerPurchaseWire.Read(book, root["purchase"]) : Read(book, sold.Sold))
                is not { } purchase
        )
        {
            return Refuse(
                faults.Any ? FaultWords.Sentence(faults.Faults[0]) : "Nothing was bought here under that number."
            );
        }

        var missed = root["missed"].Texts();
        purchase = purchase with
        {
            Candidate = purchase.Candidate with
            {
                Domains = [.. purchase.Candidate.Domains.Where(domain => !missed.Contains(domain.Ref))],
            },
        };
        list = sold is null ? list : await PriceLists.KeptAsync(sold.PriceList, db, http.RequestAborted);
        if (
            LaterBody.Read(root, purchase.StartDate, [list]) is not var (moment, movement)
            || Tenure.Begin(purchase.Candidate, [list], SettingsOf(purchase), faults).Value is not { } tenure
        )
        {
            return Refuse(faults.Any ? FaultWords.Sentence(faults.Faults[0]) : "What is asked cannot be read.");
        }

        if (LaterSums.WorkOut(tenure, book, moment, movement) is not { } sum)
        {
            return Refuse("By our records nothing of the kind is due on that day.");
        }

        var row = new QuoteRow
        {
            World = world,
            Id = NewId(),
            Book = book,
            Kind = KindOf(movement.Kind),
            Amount = sum.Amount.ToAmount(),
            Currency = sum.Amount.Currency.Code,
            ValidUntil = (time.GetUtcNow() + Valid).ToUnixTimeSeconds(),
            Asked = "",
            Sold = Written(purchase),
            PriceList = sold?.PriceList ?? await PriceLists.KeepAsync(list, db, http.RequestAborted),
            Answer = "",
            Agreement = agreement
                ?? purchase.StartDate.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
            Domain = sum.Domain,
            Allowance = sum.Allowance,
        };
        db.Quotes.Add(row);
        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Json(LaterQuoteWire.From(new LaterQuote(row.Id, sum.Amount)), WireJson.Options);
    }

    /// <summary>
    /// The sum that money is moved against; null: there is none of that kind, for that seller and that amount, that
    /// still holds and was not used under another key.
    /// </summary>
    public static async Task<QuoteRow?> ToMoveAsync(
        CounterpartsDb db,
        HttpContext http,
        string? id,
        QuoteKind kind,
        string book,
        Money amount
    )
    {
        var (world, key) = (http.World(), http.Request.Headers[Operations.KeyHeader].ToString());
        var row = await db.Quotes.SingleOrDefaultAsync(
            row => row.World == world && row.Id == id && row.Book == book && row.Kind == kind,
            http.RequestAborted
        );
        if (
            row is null
            || row.Currency != amount.Currency.Code
            || row.Amount != amount.ToAmount()
            || (row.UsedBy ?? key) != key
            || !Holds(row, http.RequestServices.GetRequiredService<TimeProvider>())
        )
        {
            return null;
        }

        row.UsedBy = key;
        return row;
    }

    /// <summary>Whether a quote still holds.</summary>
    public static bool Holds(QuoteRow row, TimeProvider time) => row.ValidUntil >= time.GetUtcNow().ToUnixTimeSeconds();

    /// <summary>The purchase a quote is for.</summary>
    public static SellerPurchase PurchaseOf(QuoteRow row) => Read(row.Book, row.Sold)!;

    /// <summary>
    /// Whether somebody goes on with an order from before sellers named their sums: it has no quote, and its hold has
    /// none either.
    /// </summary>
    public static Task<bool> IsFormerAsync(
        CounterpartsDb db,
        string world,
        string? id,
        string book,
        CancellationToken cancel
    ) =>
        id is null
            ? db.Holds.AnyAsync(hold => hold.World == world && hold.Book == book && hold.Quote == null, cancel)
            : Task.FromResult(false);

    /// <summary>
    /// The quote of an order whose whole sum is held or taken: then what was bought is delivered. Null: there is none.
    /// </summary>
    public static async Task<QuoteRow?> PaidAsync(
        CounterpartsDb db,
        string world,
        string? id,
        string book,
        CancellationToken cancel
    )
    {
        var row = await db
            .Quotes.AsNoTracking()
            .SingleOrDefaultAsync(
                row => row.World == world && row.Id == id && row.Book == book && row.Kind == QuoteKind.Order,
                cancel
            );
        return
            row is not null
            && (await HeldAsync(db, row, [HoldState.Held, HoldState.Captured], cancel)).Units
                >= Counterparts.Holds.Parse(row.Amount, row.Currency).Units
            ? row
            : null;
    }

    /// <summary>How much is held for a quote, in the states given.</summary>
    public static async Task<Money> HeldAsync(
        CounterpartsDb db,
        QuoteRow quote,
        HoldState[] states,
        CancellationToken cancel
    )
    {
        var holds = await db
            .Holds.AsNoTracking()
            .Where(hold => hold.World == quote.World && hold.Quote == quote.Id && states.Contains(hold.State))
            .ToListAsync(cancel);
        return holds.Aggregate(
            Money.Zero(Counterparts.Holds.Parse(quote.Amount, quote.Currency).Currency),
            (sum, hold) => sum + Counterparts.Holds.Amount(hold)
        );
    }

    private static QuoteKind KindOf(LaterMovementKind kind) =>
        kind switch
        {
            LaterMovementKind.Charge => QuoteKind.Charge,
            LaterMovementKind.Refund => QuoteKind.Refund,
            LaterMovementKind.Balance => QuoteKind.Balance,
            LaterMovementKind.Claim => QuoteKind.Claim,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    // What the seller knows better than the caller: whether they are its customer, and what a premium name costs.
    private static async Task<SellerPurchase> AsSoldAsync(
        OfferBook list,
        SellerPurchase asked,
        string world,
        CounterpartsDb db,
        CancellationToken cancel
    )
    {
        var isCustomer =
            asked.IsCustomer
            || await db.Customers.AnyAsync(row => row.World == world && row.Book == list.Id && row.IsConfirmed, cancel);
        return asked with
        {
            IsCustomer = isCustomer,
            Candidate = asked.Candidate with
            {
                Domains =
                [
                    .. asked.Candidate.Domains.Select(domain => domain with { Premium = PremiumOf(domain, list) }),
                ],
            },
        };
    }

    private static PremiumPrices? PremiumOf(DomainChoice domain, OfferBook list)
    {
        if (
            domain is not { Domain: { } name, Ending: { } ending, Name: { } label }
            || Names.StateOf(label, ending) != NameState.Premium
        )
        {
            return null;
        }

        var (register, renew) = Names.PremiumPrice(name.Text);
        return new PremiumPrices(Exact(register), Exact(renew));

        static ExactDecimal Exact(int whole) => ExactDecimal.Whole(whole);
    }

    private static CountSettings SettingsOf(SellerPurchase purchase) =>
        new(purchase.StartDate, 12)
        {
            TaxPercent = purchase.AgreedTaxPercent ?? SalesTax.PercentIn(purchase.Country),
            Customer = new CustomerStatus(!purchase.IsCustomer, []),
        };

    private static string Written(SellerPurchase purchase) =>
        JsonSerializer.Serialize(SellerPurchaseWire.From(purchase), WireJson.Options);

    private static SellerPurchase? Read(string book, string written)
    {
        using var json = JsonDocument.Parse(written);
        return SellerPurchaseWire.Read(book, new Node(json.RootElement, "", new FaultList()));
    }

    private static string NewId() => "quote_" + Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));

    private static IResult Refuse(string message) => Results.Conflict(new { code = "no-quote", message });
}
