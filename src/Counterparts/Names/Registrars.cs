using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>A registrar for each book that sells domains: checks, registers and points names.</summary>
internal static class Registrars
{
    public static void MapRegistrars(this IEndpointRouteBuilder app)
    {
        var group = app.Behaving(Service.Registrar);
        group.MapGet("/registrars/{book}/check", CheckAsync).AddEndpointFilter<AtOnce>();
        group.MapPost("/registrars/{book}/transfers/check", CheckTransferAsync);
        group.MapPost("/registrars/{book}/transfers", TransferAsync);
        group.MapPost("/registrars/{book}/registrations", RegisterAsync);
        group.MapPost("/registrars/{book}/registrations/{domain}/name-servers", PointAsync);
    }

    /// <summary>For how many days a name stays with a registrar once it came there.</summary>
    public const int RestDays = 60;

    /// <summary>For how many days the present seller of a name may refuse to let it go.</summary>
    private const int TransferDays = 5;

    internal sealed record RegisterRequest(
        string Domain,
        string? Quote,
        int Years,
        string Holder,
        string Mail,
        string Country,
        bool Private,
        string? MostPremium,
        DateOnly Date,
        string? Token
    );

    internal sealed record PointRequest(IReadOnlyList<string> NameServers);

    internal sealed record TransferRequest(string Domain, string Code, DateOnly Date);

    private static async Task<IResult> CheckTransferAsync(
        string book,
        TransferRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db
    )
    {
        if (Split(request.Domain, lists.Find(book)) is not { } name)
        {
            return Results.NotFound();
        }

        var world = http.World();
        var row = await db
            .Registrations.AsNoTracking()
            .SingleOrDefaultAsync(row => row.World == world && row.Domain == request.Domain, http.RequestAborted);
        if (row?.Registrar == book || (row is null && Names.StateOf(name.Label, name.Ending) != NameState.Taken))
        {
            return Results.Ok(new { state = row is null ? "not-registered" : "here-already" });
        }

        var rests = row?.Registered.AddDays(RestDays);
        return rests > request.Date ? Results.Ok(new { state = "too-new", until = rests })
            : row is null && Names.IsLocked(request.Domain) ? Results.Ok(new { state = "locked" })
            : request.Code == Names.TransferCode(request.Domain)
                ? Results.Ok(new { state = "ready", token = TokenOf(world, book, request.Domain) })
            : Results.Ok(new { state = "wrong-code" });
    }

    // What stands for a code that was right.
    private static string TokenOf(string world, string book, string domain) =>
        "move_" + Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{world} {book} {domain}")))[..32];

    private static Task<IResult> TransferAsync(
        string book,
        RegisterRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db
    ) => Operations.OnceAsync(http, db, async world =>
        {
            var before = await db.Registrations.SingleOrDefaultAsync(
                row => row.World == world && row.Domain == request.Domain,
                http.RequestAborted
            );
            if (
                Split(request.Domain, lists.Find(book)) is null
                || request.Token != TokenOf(world, book, request.Domain)
                || before is not null
            )
            {
                return Answer.Refuse(
                    "transfer-refused",
                    $"{request.Domain} cannot be moved: its code does not count any more."
                );
            }

            if (!await IsSoldAsync(book, request, DomainRoute.Transfer, world, http, db))
            {
                return NotSold(request);
            }

            var arrives = request.Date.AddDays(TransferDays);
            var (_, expires) = Names.HeldSince(request.Domain);
            db.Registrations.Add(
                new RegistrationRow
                {
                    IsHolderConfirmed = true, // It was asked by the present seller, years ago.
                    World = world,
                    Domain = request.Domain,
                    Registrar = book,
                    Holder = request.Private ? "Kept private" : request.Holder,
                    Registered = arrives,
                    Expires = expires.AddYears(1),
                    CameBy = http.Request.Headers[Operations.KeyHeader].ToString(),
                }
            );
            return Answer.Wait(
                new { until = arrives, said = $"The present seller of {request.Domain} has until then to refuse." },
                arrives,
                Names.IsKept(request.Domain)
                    ? Answer.Refuse("transfer-refused", $"The present seller of {request.Domain} refused to let it go.")
                    : Answer.Done
            );
        });

    private static async Task<IResult> CheckAsync(
        string book,
        string domain,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db
    )
    {
        if (Split(domain, lists.Find(book)) is not { } name)
        {
            return Results.NotFound();
        }

        var state = await StateAsync(http.World(), domain, name, db, http.RequestAborted);
        if (state != NameState.Premium)
        {
            return Results.Ok(new { state });
        }

        var (register, renew) = Names.PremiumPrice(domain);
        var currency = lists.Find(book)!.Currency;
        return Results.Ok(
            new
            {
                state,
                register = Whole(register, currency),
                renew = Whole(renew, currency),
                currency = currency.Code,
            }
        );
    }

    private static Task<IResult> RegisterAsync(
        string book,
        RegisterRequest request,
        HttpContext http,
        PriceLists lists,
        CounterpartsDb db
    ) => Operations.OnceAsync(http, db, async world =>
        {
            if (Split(request.Domain, lists.Find(book)) is not { } name)
            {
                return Answer.Refuse("ending-not-sold", "This registrar does not sell that ending.");
            }

            if (!await IsSoldAsync(book, request, DomainRoute.Register, world, http, db))
            {
                return NotSold(request);
            }

            var state = await StateAsync(world, request.Domain, name, db, http.RequestAborted);
            if (state is NameState.Taken or NameState.Reserved)
            {
                return Answer.Refuse("name-taken", $"{request.Domain} was registered by somebody else.");
            }

            var currency = lists.Find(book)!.Currency;
            var price = new Money(Units(Names.PremiumPrice(request.Domain).Register, currency), currency);
            if (
                state == NameState.Premium
                && !(
                    Money.TryParse(request.MostPremium, currency, out var most) == AmountFault.None
                    && most.Units >= price.Units
                )
            )
            {
                return Answer.Refuse(
                    "premium",
                    $"{request.Domain} is a premium name and costs {currency.Code} {price.ToAmount()} for the "
                        + "first year, more than was agreed."
                );
            }

            var row = new RegistrationRow
            {
                World = world,
                Domain = request.Domain,
                Registrar = book,
                Holder = request.Private ? "Kept private" : request.Holder,
                Registered = request.Date,
                Expires = request.Date.AddYears(request.Years),
                HolderMail = request.Mail,
            };
            db.Registrations.Add(row);
            Holders.Write(row, http, db);
            return Answer.Done;
        });

    private static Answer NotSold(RegisterRequest request) =>
        Answer.Refuse("no-quote", $"{request.Domain} was not paid for, or its domain-year was used already.");

    // Either it stands on an order whose whole sum is held, or it is claimed with a domain-year that nobody claimed
    // before.
    private static async Task<bool> IsSoldAsync(
        string book,
        RegisterRequest request,
        DomainRoute route,
        string world,
        HttpContext http,
        CounterpartsDb db
    )
    {
        if (await Quotes.IsFormerAsync(db, world, request.Quote, book, http.RequestAborted))
        {
            return true;
        }

        if (await Quotes.PaidAsync(db, world, request.Quote, book, http.RequestAborted) is { } paid)
        {
            return Quotes
                .PurchaseOf(paid)
                .Candidate.Domains.Any(domain =>
                    domain.Route == route && domain.Domain?.Text == request.Domain && domain.Years == request.Years
                );
        }

        var claim = await db.Quotes.SingleOrDefaultAsync(
            row => row.World == world && row.Id == request.Quote && row.Book == book && row.Kind == QuoteKind.Claim,
            http.RequestAborted
        );
        if (
            route != DomainRoute.Register
            || claim is not { Allowance: { } number, Agreement: { } agreement }
            || claim.Domain != request.Domain
            || request.Years != 1
            || await db.Allowances.AnyAsync(
                row => row.World == world && row.Agreement == agreement && row.Number == number,
                http.RequestAborted
            )
        )
        {
            return false;
        }

        db.Allowances.Add(
            new AllowanceRow
            {
                World = world,
                Agreement = agreement,
                Number = number,
                Domain = request.Domain,
            }
        );
        return true;
    }

    private static Task<IResult> PointAsync(
        string book,
        string domain,
        PointRequest request,
        HttpContext http,
        CounterpartsDb db,
        Resolvers resolvers
    ) => Operations.OnceAsync(http, db, async world =>
        {
            var row = await db.Registrations.SingleOrDefaultAsync(
                row => row.World == world && row.Domain == domain && row.Registrar == book,
                http.RequestAborted
            );
            if (row is null)
            {
                return Answer.Refuse("not-registered-here", $"{domain} is not registered with this registrar.");
            }

            await resolvers.RememberAsync(world, domain, http.RequestAborted);
            row.NameServers = string.Join(' ', request.NameServers);
            return Answer.Done;
        });

    private static async Task<NameState> StateAsync(
        string world,
        string domain,
        (string Label, string Ending) name,
        CounterpartsDb db,
        CancellationToken cancel
    ) =>
        await db.Registrations.AnyAsync(
            row => (row.World == world || row.World == Behaviours.AnyWorld) && row.Domain == domain,
            cancel
        )
            ? NameState.Taken
            : Names.StateOf(name.Label, name.Ending);

    private static (string Label, string Ending)? Split(string domain, OfferBook? book)
    {
        var dot = domain.IndexOf('.', StringComparison.Ordinal);
        return dot > 0 && book?.Domain(domain[(dot + 1)..]) is { } price ? (domain[..dot], price.Ending) : null;
    }

    private static string Whole(int units, Currency currency) => new Money(Units(units, currency), currency).ToAmount();

    private static int Units(int whole, Currency currency) => whole * (int)Math.Pow(10, currency.Decimals);

    /// <summary>A registrar answers so many questions at once, and asks for a pause of a second beyond that.</summary>
    internal sealed class AtOnce : IEndpointFilter
    {
        private const int Most = 20;
        private static readonly ConcurrentDictionary<string, StrongBox<int>> UnderWay = new(StringComparer.Ordinal);

        public async ValueTask<object?> InvokeAsync(
            EndpointFilterInvocationContext context,
            EndpointFilterDelegate next
        )
        {
            var count = UnderWay.GetOrAdd(
                $"{context.HttpContext.World()} {context.HttpContext.GetRouteValue("book")}",
                _ => new StrongBox<int>()
            );
            try
            {
                return Interlocked.Increment(ref count.Value) > Most
                    ? Behaviours.Limit(context.HttpContext)
                    : await next(context);
            }
            finally
            {
                Interlocked.Decrement(ref count.Value);
            }
        }
    }
}
