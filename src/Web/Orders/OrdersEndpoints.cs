using System.Text;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Foreign;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Sites;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using HomeStart.Web.Startup;
using HomeStart.Web.Upkeep;
using HomeStart.Web.Work;

namespace HomeStart.Web.Orders;

/// <param name="Password">Null where it has been shown already.</param>
public sealed record FirstPasswordWire(string? Password);

/// <summary>
/// What is wrong with what the owner typed of themselves; empty: nothing. A form half filled in is no failure, so this
/// is no 422.
/// </summary>
public sealed record OrderCheckWire(IReadOnlyList<FaultWire> Errors);

internal static class OrdersEndpoints
{
    /// <param name="carriesOut">False where the host is only described: then there are no orders, nor a place for
    /// them.</param>
    public static void AddOrders(this IServiceCollection services, bool carriesOut)
    {
        services.AddSingleton<OrderPace>();
        services.AddSingleton<OrderMetrics>();
        if (carriesOut)
        {
            services.AddSingleton<IDurableWork, OrderWork>();
        }

        services.AddScoped<OrderActions>();
        services.AddScoped<QuoteDesk>();
        services.AddScoped<AgreedOrder>();
        services.AddScoped<HandingIn>();
        services.AddScoped<ClaimDesk>();
        services.AddScoped<OrderDesk>();
    }

    public static void MapOrders(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/sites/{siteId:guid}/orders", PlaceAsync)
            .WithName("placeOrder")
            .Produces<OrderWire>()
            .Produces<SitePageWire>(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/sites/{siteId:guid}/orders/quotes", QuotesAsync)
            .WithName("askQuotes")
            .Produces<OrderQuotesWire>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
        app.MapPost("/api/orders/check", CheckAsync).WithName("checkOrder").Produces<OrderCheckWire>();
        app.MapGet("/api/countries", () => Countries.All.Select(CountryWire.From)).WithName("getCountries");
        app.MapPost("/api/contacts/read", ReadCard)
            .WithName("readContact")
            .Produces<ContactBody>()
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapGet("/api/contacts/last", LastContactAsync)
            .WithName("getLastContact")
            .Produces<ContactBody>()
            .Produces(StatusCodes.Status204NoContent);
        app.MapPost("/api/contacts/vcard", WriteCard).WithName("writeContact").Produces(StatusCodes.Status200OK);
        var orders = app.MapGroup("/api/orders");
        orders
            .MapGet("", async (OrderDesk desk, CancellationToken cancel) =>
                (await desk.ListAsync(cancel)).Select(OrderWire.From).ToList()
            )
            .WithName("getOrders");
        orders
            .MapGet("/{orderId:guid}", GetAsync)
            .WithName("getOrder")
            .Produces<OrderWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        File(orders.MapGet("/{orderId:guid}/key-sheet.pdf", KeySheetAsync)).WithName("keySheetPdf");
        File(
                orders.MapGet(
                    "/{orderId:guid}/receipts/{book}.pdf",
                    (Guid orderId, string book, OrderDesk desk, CancellationToken cancel) =>
                        ReceiptAsync(
                            orderId,
                            book,
                            receipt =>
                                Results.File(
                                    PdfReport.Write(OrderReports.ForReceipt(receipt), receipt.Order.PlacedOn),
                                    "application/pdf",
                                    $"{FileName(receipt)}.pdf"
                                ),
                            desk,
                            cancel
                        )
                )
            )
            .WithName("receiptPdf");
        File(
                orders.MapGet(
                    "/{orderId:guid}/receipts/{book}.xml",
                    (Guid orderId, string book, OrderDesk desk, CancellationToken cancel) =>
                        ReceiptAsync(
                            orderId,
                            book,
                            receipt =>
                                Results.File(
                                    Encoding.UTF8.GetBytes(UblInvoice.Write(receipt).ToString()),
                                    "application/xml",
                                    $"{FileName(receipt)}.xml"
                                ),
                            desk,
                            cancel
                        )
                )
            )
            .WithName("receiptUbl");
        orders
            .MapPost("/{orderId:guid}/resume", ResumeAsync)
            .WithName("resumeOrder")
            .Produces<OrderWire>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        orders
            .MapPost("/{orderId:guid}/look", LookAsync)
            .WithName("lookAtOrder")
            .Produces<OrderWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        orders
            .MapGet("/{orderId:guid}/claim", ClaimAsync)
            .WithName("getClaim")
            .Produces<ClaimWire>()
            .Produces(StatusCodes.Status204NoContent)
            .ProducesProblem(StatusCodes.Status404NotFound);
        orders
            .MapPost("/{orderId:guid}/claim", PlaceClaimAsync)
            .WithName("placeClaim")
            .Produces<OrderWire>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        orders
            .MapPost("/{orderId:guid}/cancel", CancelAsync)
            .WithName("cancelOrder")
            .Produces<OrderWire>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        orders
            .MapPost("/{orderId:guid}/first-password", FirstPasswordAsync)
            .WithName("showFirstPassword")
            .Produces<FirstPasswordWire>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable);
        orders
            .MapPost("/{orderId:guid}/first-password/seen", FirstPasswordSeenAsync)
            .WithName("confirmFirstPassword")
            .Produces(StatusCodes.Status204NoContent)
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable);
    }

    // Each seller names its own sum for what is bought today: that, and nothing of ours, is what is agreed to and paid.
    private static async Task<IResult> QuotesAsync(
        Guid siteId,
        JsonBody<AskQuotesBody> body,
        SiteDesk sites,
        Workspace workspace,
        QuoteDesk quoting,
        OrderDesk desk,
        NamesHad names,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (letter, country) = (
            node["letter"].RequiredText("The letter"),
            node["country"].RequiredText("The country")
        );
        if (faults.Any)
        {
            return FaultResults.Unprocessable(faults);
        }

        if (await sites.CostedAsync(siteId, letter!, cancel) is not var (site, costing))
        {
            return SiteDesk.Missing();
        }

        var placed = Placing.Prepare(costing, workspace.IsConnected);
        faults.Add(placed.Faults);
        var like = placed.Value is { } things ? await desk.LikeAsync(siteId, things, null, cancel) : null;
        var quotes = faults.Any
            ? []
            : await quoting.AskAsync(costing, site.Listed(letter)!.Candidate, country!, null, faults, cancel);
        await SayHadAsync(site.Listed(letter)!.Candidate, names, faults, cancel);
        return Results.Ok(
            new OrderQuotesWire(
                [
                    .. quotes.Select(quote =>
                        SellerQuoteWire.From(quote, workspace.Books.First(book => book.Id == quote.Book).Provider.Name)
                    ),
                ],
                FaultResults.Wires(faults),
                like is null ? null : new LikeOrderWire(like.Id, like.Reference, like.PlacedOn)
            )
        );
    }

    // Nobody can register again what is theirs: better said before a form is filled in.
    private static async Task SayHadAsync(
        Candidate candidate,
        NamesHad names,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var had = (await names.ListAsync(cancel))
            .DistinctBy(had => had.Name.Domain)
            .ToDictionary(had => had.Name.Domain.Text, had => had.Kept.Order.Reference, StringComparer.Ordinal);
        foreach (
            var domain in candidate.Domains.Where(domain =>
                domain.Route is DomainRoute.Register or DomainRoute.Transfer && domain.Domain is not null
            )
        )
        {
            if (had.TryGetValue(domain.Domain!.Text, out var reference))
            {
                faults.Add(FaultCodes.Repeated, "candidate.domains", new NameIsYours(domain.Domain.Text, reference));
            }
        }
    }

    // Before the card goes to its processor, so that the owner sees all that is wrong at once. Nothing is kept.
    private static async Task<IResult> CheckAsync(
        JsonBody<CheckOrderBody> body,
        OrderDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var contact = PlaceOrderReader.ReadAgreed(new Node(body.Root, "", faults));
        await desk.CheckConfirmedAsync(contact.Mail, "contact.mail", faults, cancel);
        return Results.Ok(new OrderCheckWire([.. faults.Faults.Select(fault => FaultWire.From(fault))]));
    }

    private static IResult ReadCard(JsonBody<VCardBody> body, CancellationToken cancel)
    {
        var faults = new FaultList();
        var node = new Node(body.Root, "", faults)["text"];
        var text = node.Element is { ValueKind: JsonValueKind.String } element ? element.GetString()! : "";
        var (contact, stopped) =
            text.Length > VCard.Longest
                ? (null, "This file is larger than any contact.")
                : Guard.Read(GuardLimits.VCard, guard => VCard.Read(text, guard), cancel);
        if (contact is null)
        {
            node.Fault(
                FaultCodes.BadType,
                stopped ?? "This is no contact: choose a vCard file, whose name ends with .vcf."
            );
            return FaultResults.Unprocessable(faults);
        }

        return Results.Ok(Body(contact));
    }

    private static async Task<IResult> LastContactAsync(OrderDesk desk, CancellationToken cancel) =>
        (await desk.ListAsync(cancel)).FirstOrDefault(order => order.There is null) is { } last
            ? Results.Ok(Body(last.Contact))
            : Results.NoContent();

    private static ContactBody Body(Contact contact) =>
        new(
            contact.Name,
            contact.Mail,
            contact.Street,
            contact.Town,
            contact.Postcode,
            contact.Country,
            contact.Telephone,
            contact.Organisation,
            contact.State
        );

    private static IResult WriteCard(JsonBody<ContactBody> body) =>
        Results.File(
            Encoding.UTF8.GetBytes(VCard.Write(PlaceOrderReader.ReadContact(new Node(body.Root, "", new FaultList())))),
            "text/vcard; charset=utf-8",
            "contact.vcf"
        );

    private static async Task<IResult> PlaceAsync(
        Guid siteId,
        JsonBody<PlaceOrderBody> body,
        SiteDesk sites,
        OrderDesk desk,
        NamesHad names,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return Results.Problem("There is no such site here.", statusCode: StatusCodes.Status404NotFound);
        }

        if (PlaceOrderReader.Read(body.Root, faults) is not { } wanted)
        {
            return FaultResults.Unprocessable(faults);
        }

        if (wanted.Revision != site.Row.Revision && await desk.FindAsync(wanted.Id, cancel) is null)
        {
            return Results.Json(
                await sites.PageAsync(site, wanted.Letter, cancel),
                statusCode: StatusCodes.Status409Conflict
            );
        }

        var order = await desk.PlaceAsync(
            site,
            wanted with
            {
                Had = await names.PointableAsync(cancel),
            },
            faults,
            cancel
        );
        return order is null ? FaultResults.Unprocessable(faults) : Results.Ok(OrderWire.From(order));
    }

    private static async Task<IResult> GetAsync(Guid orderId, OrderDesk desk, CancellationToken cancel) =>
        await desk.FindAsync(orderId, cancel) is { } row
            ? Results.Ok(OrderWire.From(Documents.Read<Order>(row.Document)))
            : Missing();

    private static RouteHandlerBuilder File(RouteHandlerBuilder route) =>
        route.Produces(StatusCodes.Status200OK).ProducesProblem(StatusCodes.Status404NotFound);

    private static string FileName(Receipt receipt) =>
        $"{(receipt.DueOn is null ? "receipt" : "invoice")}-{receipt.Number}";

    private static async Task<IResult> KeySheetAsync(Guid orderId, OrderDesk desk, CancellationToken cancel) =>
        await desk.FindAsync(orderId, cancel) is { } row
        && Documents.Read<Order>(row.Document) is { State: OrderState.Completed } order
            ? Results.File(
                PdfReport.Write(OrderReports.KeySheet(order), order.PlacedOn),
                "application/pdf",
                $"key-sheet-{order.Reference}.pdf"
            )
            : Missing();

    private static async Task<IResult> ReceiptAsync(
        Guid orderId,
        string book,
        Func<Receipt, IResult> write,
        OrderDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is { } row
        && Receipt.ForSeller(Documents.Read<Order>(row.Document), book) is { } receipt
            ? write(receipt)
            : Missing();

    private static async Task<IResult> ResumeAsync(
        Guid orderId,
        JsonBody<ResumeOrderBody> body,
        OrderDesk desk,
        HandingIn handing,
        QuoteDesk quoting,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } row)
        {
            return Missing();
        }

        var faults = new FaultList();
        var card = new Node(body.Root, "", faults)["card"];
        var way = PlaceOrderReader.ReadWay(new Node(body.Root, "", faults)["way"]) ?? PayWay.Card;
        var token = card.IsAbsent ? null : PlaceOrderReader.ReadCard(card);
        var known = token is null || faults.Any ? null : await handing.CardAsync(token, "card", faults, cancel);
        var other = way == PayWay.Card && token is null ? null : new OtherPayment(way, token, known?.Ending);
        var before = Documents.Read<Order>(row.Document);
        if (
            !faults.Any
            && before.State == OrderState.NeedsPayment
            && await quoting.RenewedAsync(row, before, faults, cancel) is { } renewed
        )
        {
            return Results.Ok(
                OrderWire.From(
                    await desk.DecideAsync(
                        row,
                        order => OrderFlow.Resumed(order with { Quotes = renewed.Quotes }, other),
                        cancel
                    )
                )
            );
        }

        return faults.Any
            ? FaultResults.Unprocessable(faults)
            : Results.Ok(OrderWire.From(await desk.DecideAsync(row, order => OrderFlow.Resumed(order, other), cancel)));
    }

    private static async Task<IResult> LookAsync(Guid orderId, OrderDesk desk, CancellationToken cancel)
    {
        if (await desk.FindAsync(orderId, cancel) is not { } row)
        {
            return Missing();
        }

        desk.Look(row);
        return Results.Ok(OrderWire.From(Documents.Read<Order>(row.Document)));
    }

    private static async Task<IResult> ClaimAsync(
        Guid orderId,
        OrderDesk desk,
        ClaimDesk claims,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not null && await claims.FindAsync(orderId, cancel) is var claim
            ? claim is null
                ? Results.NoContent()
                : Results.Ok(ClaimWire.From(claim))
            : Missing();

    private static async Task<IResult> PlaceClaimAsync(
        Guid orderId,
        JsonBody<ClaimBody> body,
        OrderDesk desk,
        ClaimDesk claims,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } row)
        {
            return Missing();
        }

        var faults = new FaultList();
        var placed = PlaceOrderReader.ReadClaim(new Node(body.Root, "", faults)) is { } read
            ? await claims.PlaceAsync(
                Documents.Read<Order>(row.Document),
                read.Id,
                read.Name,
                read.Ending,
                read.Contact,
                faults,
                cancel
            )
            : null;
        return placed is null ? FaultResults.Unprocessable(faults) : Results.Ok(OrderWire.From(placed));
    }

    private static async Task<IResult> CancelAsync(Guid orderId, OrderDesk desk, CancellationToken cancel) =>
        await desk.FindAsync(orderId, cancel) is { } row
            ? Results.Ok(OrderWire.From(await desk.DecideAsync(row, OrderFlow.CalledOff, cancel)))
            : Missing();

    private static Task<IResult> FirstPasswordAsync(
        Guid orderId,
        OrderDesk desk,
        IHostingCompany hosts,
        CancellationToken cancel
    ) =>
        OfAccountAsync(
            orderId,
            desk,
            async (world, account) =>
                Results.Ok(new FirstPasswordWire(await hosts.FirstPasswordAsync(world, account.Id, cancel))),
            cancel
        );

    private static Task<IResult> FirstPasswordSeenAsync(
        Guid orderId,
        OrderDesk desk,
        IHostingCompany hosts,
        CancellationToken cancel
    ) =>
        OfAccountAsync(
            orderId,
            desk,
            async (world, account) =>
            {
                await hosts.FirstPasswordSeenAsync(world, account.Id, cancel);
                return Results.NoContent();
            },
            cancel
        );

    private static async Task<IResult> OfAccountAsync(
        Guid orderId,
        OrderDesk desk,
        Func<World, HostAccount, Task<IResult>> ask,
        CancellationToken cancel
    )
    {
        if (
            await desk.FindAsync(orderId, cancel) is not { } row
            || Documents.Read<Order>(row.Document) is not { State: OrderState.Completed, Account: { } account }
        )
        {
            return Missing();
        }

        try
        {
            return await ask(new World(row.WorldId), account);
        }
        catch (NoAnswerException)
        {
            return Results.Problem(
                "The host is not answering just now. Nothing is lost: try again in a while.",
                statusCode: StatusCodes.Status503ServiceUnavailable
            );
        }
    }

    private static IResult Missing() =>
        Results.Problem("There is no such order here.", statusCode: StatusCodes.Status404NotFound);
}
