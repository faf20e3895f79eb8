using System.Collections.Immutable;
using System.Text.Json.Nodes;
using HomeStart.Data;
using HomeStart.Formats.Books;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Json;
using HomeStart.Formats.Slips;
using HomeStart.Formats.Words;
using HomeStart.Web.Advertising;
using HomeStart.Web.Books;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Slips;

/// <summary>Buying at the seller's own page: what to do there, and why its sum is not ours.</summary>
internal static class SlipEndpoints
{
    /// <summary>How many steps a slip can have ticked off.</summary>
    private const int MostSteps = 200;

    public static void MapSlips(this IEndpointRouteBuilder app)
    {
        var candidate = app.MapGroup("/api/sites/{siteId:guid}/candidates/{letter}");
        candidate.MapGet("/slip", SlipAsync).WithName("getSlip");
        candidate.MapPut("/slip", TickAsync).WithName("tickSlip");
        candidate.MapGet("/slip.pdf", PdfAsync).WithName("slipPdf").Produces(StatusCodes.Status200OK);
        candidate.MapPost("/slip/answers", AnswerAsync).WithName("answerQuestion");
        candidate
            .MapPost("/cart", CartAsync)
            .WithName("checkCart")
            .WithMetadata(new RequestSizeLimitAttribute(PagesEndpoints.LargestBody));
        candidate.MapPost("/their-sum", TheirSumAsync).WithName("explainTheirSum");
    }

    private static async Task<Results<Ok<BuyingSlipWire>, NotFoundProblem>> SlipAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        HomeStartDb db,
        CancellationToken cancel
    ) =>
        await desk.CostedAsync(siteId, letter, cancel) is var (_, costing)
            ? TypedResults.Ok(
                BuyingSlipWire.From(
                    letter,
                    Slip.Write(costing),
                    costing,
                    await RowAsync(db, siteId, letter, cancel) is { } row
                        ? Documents.Read<SlipTicks>(row.Document).Done
                        : []
                )
            )
            : SiteDesk.Missing();

    private static Task<SlipRow?> RowAsync(HomeStartDb db, Guid siteId, string letter, CancellationToken cancel) =>
        db.Slips.SingleOrDefaultAsync(row => row.SiteId == siteId && row.Letter == letter, cancel);

    // Kept with the site, so that what was ticked off on the telephone is so at the desk.
    private static async Task<Results<NoContent, NotFoundProblem, UnprocessableProblem>> TickAsync(
        Guid siteId,
        string letter,
        JsonBody<TickBody> body,
        SiteDesk desk,
        Workspace workspace,
        HomeStartDb db,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(siteId, cancel) is not { } site || site.Site.Listed(letter) is null)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var done = new Node(body.Root, "", faults)["done"].Texts(MostSteps);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        await desk.ThereAsync(site, cancel);
        var row = await RowAsync(db, siteId, letter, cancel)
            ?? db.Slips.Add(
                new SlipRow
                {
                    WorkspaceId = workspace.Id,
                    SiteId = siteId,
                    Letter = letter,
                    Document = "",
                }
            ).Entity;
        row.Document = Documents.Write(new SlipTicks(done));
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            // Two first ticks at once: the other one is kept, and the next tick brings both.
        }

        return TypedResults.NoContent();
    }

    // What they said goes into the visitor's own version of the price list, with the day; the slip, and every sum, is
    // made from that one then.
    private static async Task<Results<NoContent, NotFoundProblem, UnprocessableProblem>> AnswerAsync(
        Guid siteId,
        string letter,
        JsonBody<AnswerBody> body,
        SiteDesk desk,
        Shelf books,
        ShelfDesk shelf,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        if (await desk.CostedAsync(siteId, letter, cancel) is not var (_, costing))
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (id, words) = (node["book"].RequiredText("The seller"), node["question"].RequiredText("The question"));
        var asked = Slip.Write(costing).Sellers.FirstOrDefault(known => known.Book.Id == id) is { } seller
            ? seller.Questions.FirstOrDefault(question => SlipWords.Question(question, seller.Book) == words)
            : null;
        if (
            asked is null
            || books.Find(id!) is not { } shelved
            || await books.BytesAsync(id!, null, cancel) is not { } bytes
        )
        {
            node["question"].Fault(FaultCodes.Unknown, "This is not asked any more: it stands in the price list now.");
            return new UnprocessableProblem(faults);
        }

        if (BookAnswers.Read(node, asked, shelved.Book) is not { } answer)
        {
            return new UnprocessableProblem(faults);
        }

        await shelf.TakeEditedAsync(
            BookAnswers.Into(
                JsonNode.Parse(bytes)!,
                asked,
                answer,
                costing.Run.Purchase.Hosting?.Option,
                words!,
                await workspace.BusinessDateAsync(cancel)
            ),
            faults,
            cancel
        );
        return faults.Any ? new UnprocessableProblem(faults) : TypedResults.NoContent();
    }

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> PdfAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CostedAsync(siteId, letter, cancel) is var (site, costing)
            ? TypedResults.File(
                PdfReport.Write(
                    SlipReport.Make(site.Name, letter, Slip.Write(costing), costing),
                    await workspace.BusinessDateAsync(cancel)
                ),
                "application/pdf",
                $"slip-{letter}.pdf"
            )
            : SiteDesk.Missing();

    private static async Task<
        Results<Ok<CartCheckWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > CartAsync(
        Guid siteId,
        string letter,
        JsonBody<CartCheckBody> body,
        SiteDesk desk,
        Workspace workspace,
        WorkSlots turns,
        CancellationToken cancel
    )
    {
        if (await desk.CostedAsync(siteId, letter, cancel) is not var (site, costing))
        {
            return SiteDesk.Missing();
        }

        using var turn = await turns.CostingAsync(cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var faults = new FaultList();
        var book = BookOf(new Node(body.Root, "", faults), costing, faults);
        var cart = PagesEndpoints.Read(body.Root, faults, CartReader.Read, cancel);
        if (cart is not null && book is not null)
        {
            CheckCurrency(cart, book, faults);
        }

        if (faults.Any || cart is null || book is null)
        {
            return new UnprocessableProblem(faults);
        }

        var (check, candidate, books) = (
            CartCheck.Compare(costing, book, cart),
            site.Listed(letter)!.Candidate,
            workspace.Books.ToImmutableArray()
        );
        var sum =
            check.Total is { } total
            && Reconciler
                .Run(
                    candidate,
                    books,
                    costing.Settings,
                    new SeenSum(book.Id, total, costing.Settings.StartDate),
                    new FaultList(),
                    cancel
                )
                .Value
                is { } found
                ? TheirSumWriter.Write(
                    found,
                    candidate,
                    books,
                    costing.Settings,
                    new SeenSum(book.Id, total, costing.Settings.StartDate)
                )
                : null;
        return TypedResults.Ok(CartCheckWriter.Write(check, cart, candidate, books, costing.Settings, sum));
    }

    // A cart without a word on its currency is taken for one in the book's.
    private static void CheckCurrency(CartReading cart, OfferBook book, FaultList faults)
    {
        if (cart.Lines.IsEmpty)
        {
            faults.Say(
                FaultCodes.Required,
                "html",
                "No line with a price was found in these words. Copy the part of the page that lists what is "
                    + "in the cart."
            );
        }
        else if (cart.Currency is { } currency && currency != book.Currency.Code)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "html",
                $"This cart is in {currency}, the price list of {book.Provider.Name} in {book.Currency.Code}. "
                    + $"Switch their page to {book.Currency.Code} and copy it again."
            );
        }
    }

    private static OfferBook? BookOf(Node node, Costing costing, FaultList faults)
    {
        var id = node["book"].RequiredText("The seller");
        var book = costing.Run.Purchase.Books.FirstOrDefault(known =>
            known.Id == id && costing.Run.Purchase.BuysAt(known)
        );
        if (book is null && !faults.Any)
        {
            node["book"].Fault(FaultCodes.Unknown, "Nothing of this candidate is bought there.");
        }

        return book;
    }

    private static async Task<
        Results<Ok<TheirSumWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > TheirSumAsync(
        Guid siteId,
        string letter,
        JsonBody<TheirSumBody> body,
        SiteDesk desk,
        Workspace workspace,
        WorkSlots turns,
        CancellationToken cancel
    )
    {
        if (await desk.CostedAsync(siteId, letter, cancel) is not var (site, costing))
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var book = BookOf(node, costing, faults);
        if (node["total"].IsAbsent)
        {
            node["total"].Required("The sum");
        }

        var total = node["total"].Amount(book?.Currency);
        if (faults.Any || book is null || total is not { } units)
        {
            return new UnprocessableProblem(faults);
        }

        using var turn = await turns.CostingAsync(cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var (candidate, seen) = (
            site.Listed(letter)!.Candidate,
            new SeenSum(book.Id, units, costing.Settings.StartDate)
        );
        return Reconciler
            .Run(candidate, [.. workspace.Books], costing.Settings, seen, faults, cancel)
            .Has(out var found)
            ? TypedResults.Ok(TheirSumWriter.Write(found, candidate, [.. workspace.Books], costing.Settings, seen))
            : new UnprocessableProblem(faults);
    }
}
