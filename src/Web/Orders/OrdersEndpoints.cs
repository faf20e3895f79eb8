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
        app.MapPost("/api/sites/{siteId:guid}/orders", PlaceAsync).WithName("placeOrder");
        app.MapPost("/api/sites/{siteId:guid}/orders/quotes", QuotesAsync)
            .WithName("askQuotes")
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
        app.MapPost("/api/orders/check", CheckAsync).WithName("checkOrder");
        app.MapGet("/api/countries", () => Countries.All.Select(CountryWire.From)).WithName("getCountries");
        app.MapPost("/api/contacts/read", ReadCard).WithName("readContact");
        app.MapGet("/api/contacts/last", LastContactAsync).WithName("getLastContact");
        app.MapPost("/api/contacts/vcard", WriteCard).WithName("writeContact").Produces(StatusCodes.Status200OK);
        var orders = app.MapGroup("/api/orders");
        orders
            .MapGet("", async (OrderDesk desk, CancellationToken cancel) =>
                (await desk.ListAsync(cancel)).Select(OrderWire.From).ToList()
            )
            .WithName("getOrders");
        orders.MapGet("/{orderId:guid}", GetAsync).WithName("getOrder");
        File(orders.MapGet("/{orderId:guid}/key-sheet.pdf", KeySheetAsync)).WithName("keySheetPdf");
        File(
                orders.MapGet(
                    "/{orderId:guid}/receipts/{book}.pdf",
                    (Guid orderId, string book, OrderDesk desk, CancellationToken cancel) =>
                        ReceiptAsync(
                            orderId,
                            book,
                            receipt =>
                                TypedResults.File(
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
                                TypedResults.File(
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
        orders.MapPost("/{orderId:guid}/resume", ResumeAsync).WithName("resumeOrder");
        orders.MapPost("/{orderId:guid}/look", LookAsync).WithName("lookAtOrder");
        orders.MapGet("/{orderId:guid}/claim", ClaimAsync).WithName("getClaim");
        orders.MapPost("/{orderId:guid}/claim", PlaceClaimAsync).WithName("placeClaim");
        orders.MapPost("/{orderId:guid}/cancel", CancelAsync).WithName("cancelOrder");
        orders.MapPost("/{orderId:guid}/first-password", FirstPasswordAsync).WithName("showFirstPassword");
        orders.MapPost("/{orderId:guid}/first-password/seen", FirstPasswordSeenAsync).WithName("confirmFirstPassword");
    }

    // Each seller names its own sum for what is bought today: that, and nothing of ours, is what is agreed to and paid.
    private static async Task<Results<Ok<OrderQuotesWire>, NotFoundProblem, UnprocessableProblem>> QuotesAsync(
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
            return new UnprocessableProblem(faults);
        }

        if (await sites.CostedAsync(siteId, letter!, cancel) is not var (site, costing))
        {
            return SiteDesk.Missing();
        }

        await sites.KeepAsync(siteId, cancel); // An owner who orders signs in on the way.
        var placed = Placing.Prepare(costing, workspace.IsConnected);
        faults.Add(placed.Faults);
        var like = placed.Value is { } things ? await desk.LikeAsync(siteId, things, null, cancel) : null;
        var quotes = faults.Any
            ? []
            : await quoting.AskAsync(costing, site.Listed(letter)!.Candidate, country!, null, faults, cancel);
        await SayHadAsync(site.Listed(letter)!.Candidate, names, faults, cancel);
        return TypedResults.Ok(
            new OrderQuotesWire(
                [
                    .. quotes.Select(quote =>
                        SellerQuoteWire.From(quote, workspace.Books.First(book => book.Id == quote.Book).Provider.Name)
                    ),
                ],
                UnprocessableProblem.Wires(faults),
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
    private static async Task<Ok<OrderCheckWire>> CheckAsync(
        JsonBody<CheckOrderBody> body,
        OrderDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var contact = PlaceOrderReader.ReadAgreed(new Node(body.Root, "", faults));
        await desk.CheckConfirmedAsync(contact.Mail, "contact.mail", faults, cancel);
        return TypedResults.Ok(new OrderCheckWire([.. faults.Faults.Select(fault => FaultWire.From(fault))]));
    }

    private static Results<Ok<ContactBody>, UnprocessableProblem> ReadCard(
        JsonBody<VCardBody> body,
        CancellationToken cancel
    )
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
            return new UnprocessableProblem(faults);
        }

        return TypedResults.Ok(Body(contact));
    }

    private static async Task<Results<Ok<ContactBody>, NoContent>> LastContactAsync(
        OrderDesk desk,
        CancellationToken cancel
    ) =>
        (await desk.ListAsync(cancel)).FirstOrDefault(order => order.There is null) is { } last
            ? TypedResults.Ok(Body(last.Contact))
            : TypedResults.NoContent();

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

    private static FileContentHttpResult WriteCard(JsonBody<ContactBody> body) =>
        TypedResults.File(
            Encoding.UTF8.GetBytes(VCard.Write(PlaceOrderReader.ReadContact(new Node(body.Root, "", new FaultList())))),
            "text/vcard; charset=utf-8",
            "contact.vcf"
        );

    private static async Task<
        Results<Ok<OrderWire>, Conflict<SitePageWire>, NotFoundProblem, UnprocessableProblem>
    > PlaceAsync(
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
            return new NotFoundProblem("There is no such site here.");
        }

        if (PlaceOrderReader.Read(body.Root, faults) is not { } wanted)
        {
            return new UnprocessableProblem(faults);
        }

        if (wanted.Revision != site.Row.Revision && await desk.FindAsync(wanted.Id, cancel) is null)
        {
            return TypedResults.Conflict(await sites.PageAsync(site, wanted.Letter, cancel));
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
        return order is null ? new UnprocessableProblem(faults) : TypedResults.Ok(OrderWire.From(order));
    }

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem>> GetAsync(
        Guid orderId,
        OrderDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is { } row
            ? TypedResults.Ok(OrderWire.From(Documents.Read<Order>(row.Document)))
            : Missing();

    private static RouteHandlerBuilder File(RouteHandlerBuilder route) => route.Produces(StatusCodes.Status200OK);

    private static string FileName(Receipt receipt) =>
        $"{(receipt.DueOn is null ? "receipt" : "invoice")}-{receipt.Number}";

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> KeySheetAsync(
        Guid orderId,
        OrderDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is { } row
        && Documents.Read<Order>(row.Document) is { State: OrderState.Completed } order
            ? TypedResults.File(
                PdfReport.Write(OrderReports.KeySheet(order), order.PlacedOn),
                "application/pdf",
                $"key-sheet-{order.Reference}.pdf"
            )
            : Missing();

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> ReceiptAsync(
        Guid orderId,
        string book,
        Func<Receipt, FileContentHttpResult> write,
        OrderDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is { } row
        && Receipt.ForSeller(Documents.Read<Order>(row.Document), book) is { } receipt
            ? write(receipt)
            : Missing();

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem, UnprocessableProblem>> ResumeAsync(
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
            return TypedResults.Ok(
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
            ? new UnprocessableProblem(faults)
            : TypedResults.Ok(
                OrderWire.From(await desk.DecideAsync(row, order => OrderFlow.Resumed(order, other), cancel))
            );
    }

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem>> LookAsync(
        Guid orderId,
        OrderDesk desk,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } row)
        {
            return Missing();
        }

        desk.Look(row);
        return TypedResults.Ok(OrderWire.From(Documents.Read<Order>(row.Document)));
    }

    private static async Task<Results<Ok<ClaimWire>, NoContent, NotFoundProblem>> ClaimAsync(
        Guid orderId,
        OrderDesk desk,
        ClaimDesk claims,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not null && await claims.FindAsync(orderId, cancel) is var claim
            ? claim is null
                ? TypedResults.NoContent()
                : TypedResults.Ok(ClaimWire.From(claim))
            : Missing();

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem, UnprocessableProblem>> PlaceClaimAsync(
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
        return placed is null ? new UnprocessableProblem(faults) : TypedResults.Ok(OrderWire.From(placed));
    }

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem>> CancelAsync(
        Guid orderId,
        OrderDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is { } row
            ? TypedResults.Ok(OrderWire.From(await desk.DecideAsync(row, OrderFlow.CalledOff, cancel)))
            : Missing();

    private static Task<Results<Ok<FirstPasswordWire>, NotFoundProblem, SilentProblem>> FirstPasswordAsync(
        Guid orderId,
        OrderDesk desk,
        IHostingCompany hosts,
        CancellationToken cancel
    ) =>
        OfAccountAsync(
            orderId,
            desk,
            async (world, account) =>
                TypedResults.Ok(new FirstPasswordWire(await hosts.FirstPasswordAsync(world, account.Id, cancel))),
            cancel
        );

    private static Task<Results<NoContent, NotFoundProblem, SilentProblem>> FirstPasswordSeenAsync(
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
                return TypedResults.NoContent();
            },
            cancel
        );

    private static async Task<Results<TAnswer, NotFoundProblem, SilentProblem>> OfAccountAsync<TAnswer>(
        Guid orderId,
        OrderDesk desk,
        Func<World, HostAccount, Task<TAnswer>> ask,
        CancellationToken cancel
    )
        where TAnswer : IResult
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
            return new SilentProblem("The host is not answering just now. Nothing is lost: try again in a while.");
        }
    }

    private static NotFoundProblem Missing() => new NotFoundProblem("There is no such order here.");
}
