using System.Net.Mime;
using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Orders;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Slips;

/// <summary>Noting what was bought at the sellers' own pages, and keeping its receipts.</summary>
internal static class BoughtEndpoints
{
    /// <summary>How many files can be kept with one order.</summary>
    private const int MostFiles = 20;

    /// <summary>How many bytes all that a visitor keeps may take together.</summary>
    private const long MostBytes = 50 << 20;

    public static void MapBought(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/sites/{siteId:guid}/bought", NoteAsync).WithName("noteBought");
        var order = app.MapGroup("/api/orders/{orderId:guid}");
        order.MapPut("/bought", ChangeAsync).WithName("changeBought");
        order.MapDelete("/bought", ForgetAsync).WithName("forgetBought");
        order.MapGet("/kept", ListAsync).WithName("getKeptFiles");
        order
            .MapPost("/kept", KeepAsync)
            .WithName("keepFile")
            .WithMetadata(new RequestSizeLimitAttribute(KeptFile.Largest + 1));
        order.MapGet("/kept/{fileId:guid}", GetAsync).WithName("getKeptFile").Produces(StatusCodes.Status200OK);
        order.MapDelete("/kept/{fileId:guid}", DropAsync).WithName("dropKeptFile");
    }

    private static NotFoundProblem Missing() =>
        new NotFoundProblem("There is nothing here that was bought at a seller’s own page.");

    private static NotFoundProblem NoFile() => new NotFoundProblem("There is no such file here.");

    private static async Task<OrderRow?> FindAsync(OrderDesk orders, Guid orderId, CancellationToken cancel) =>
        await orders.FindAsync(orderId, cancel) is { } row && Documents.Read<Order>(row.Document).There is not null
            ? row
            : null;

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem, UnprocessableProblem>> NoteAsync(
        Guid siteId,
        JsonBody<NoteBoughtBody> body,
        SiteDesk sites,
        BoughtDesk desk,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } found)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        return
            await desk.NoteAsync(await sites.ThereAsync(found, cancel), new Node(body.Root, "", faults), faults, cancel)
                is { } order
            ? TypedResults.Ok(OrderWire.From(order))
            : new UnprocessableProblem(faults);
    }

    private static async Task<Results<Ok<OrderWire>, NotFoundProblem, UnprocessableProblem>> ChangeAsync(
        Guid orderId,
        JsonBody<ChangeBoughtBody> body,
        OrderDesk orders,
        BoughtDesk desk,
        CancellationToken cancel
    )
    {
        if (await FindAsync(orders, orderId, cancel) is not { } row)
        {
            return Missing();
        }

        var faults = new FaultList();
        return await desk.ChangeAsync(row, new Node(body.Root, "", faults), faults, cancel) is { } order
            ? TypedResults.Ok(OrderWire.From(order))
            : new UnprocessableProblem(faults);
    }

    private static async Task<Results<NoContent, NotFoundProblem>> ForgetAsync(
        Guid orderId,
        OrderDesk orders,
        BoughtDesk desk,
        CancellationToken cancel
    )
    {
        if (await FindAsync(orders, orderId, cancel) is not { } row)
        {
            return Missing();
        }

        await desk.ForgetAsync(Documents.Read<Order>(row.Document), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<List<KeptFileWire>>, NotFoundProblem>> ListAsync(
        Guid orderId,
        OrderDesk orders,
        HomeStartDb db,
        CancellationToken cancel
    ) =>
        await FindAsync(orders, orderId, cancel) is null
            ? Missing()
            : TypedResults.Ok(
                await db
                    .KeptFiles.AsNoTracking()
                    .Where(file => file.OrderId == orderId)
                    .OrderBy(file => file.KeptOn)
                    .ThenBy(file => file.Name)
                    .Select(file => new KeptFileWire(file.Id, file.Name, file.Content.Length, file.KeptOn))
                    .ToListAsync(cancel)
            );

    // The bytes as they are, told by what is in them. What an invoice in UBL says fills in what was not typed.
    private static async Task<Results<Ok<OrderWire>, NotFoundProblem, UnprocessableProblem>> KeepAsync(
        Guid orderId,
        string? name,
        RawBody body,
        OrderDesk orders,
        Workspace workspace,
        HomeStartDb db,
        CancellationToken cancel
    )
    {
        if (await FindAsync(orders, orderId, cancel) is not { } row)
        {
            return Missing();
        }

        var (faults, bytes) = (new FaultList(), body.Bytes);
        var file = KeptFile.Read(name ?? "", bytes, faults, cancel);
        var today = await workspace.BusinessDateAsync(cancel);

        // Counted and kept in one step, so that files that come at once are counted like those that come one by one.
        var isKept =
            file is not null
            && await db.AloneAsync(
                async () =>
                {
                    if (await db.KeptFiles.CountAsync(kept => kept.OrderId == orderId, cancel) >= MostFiles)
                    {
                        faults.Say(
                            FaultCodes.OutOfRange,
                            "file",
                            $"{MostFiles} files are kept with this already, and no more can be. Take one away first."
                        );
                    }
                    else if (
                        await db.KeptFiles.SumAsync(kept => (long)kept.Content.Length, cancel) + bytes.Length
                        > MostBytes
                    )
                    {
                        faults.Say(
                            FaultCodes.OutOfRange,
                            "file",
                            $"Your receipts would take more than {MostBytes >> 20} MB with this, and no more "
                                + "are kept. Take some away first."
                        );
                    }
                    else
                    {
                        db.KeptFiles.Add(
                            new KeptFileRow
                            {
                                WorkspaceId = workspace.Id,
                                Id = Guid.NewGuid(),
                                OrderId = orderId,
                                Name = file.Name,
                                MediaType = file.MediaType,
                                Content = bytes,
                                KeptOn = today,
                            }
                        );
                        await db.SaveChangesAsync(cancel);
                    }

                    return !faults.Any;
                },
                cancel
            );
        if (!isKept)
        {
            return new UnprocessableProblem(faults);
        }

        var order = file!.Invoice is { } invoice
            ? await orders.DecideAsync(row, now => FilledIn(now, invoice), cancel)
            : Documents.Read<Order>(row.Document);
        return TypedResults.Ok(OrderWire.From(order));
    }

    private static Order FilledIn(Order order, InvoiceRead invoice)
    {
        var receipts = order.There!.Receipts;
        var of = receipts.FirstOrDefault(receipt =>
            order.Things.Items.FirstOrDefault(item => item.Book == receipt.Book)?.Seller is { } seller
            && invoice.Seller is { } named
            && Statement.Names(named, seller)
        ) ?? (receipts is [var only] ? only : null);
        if (of is null)
        {
            return order;
        }

        var lines =
            of.Lines.IsEmpty && invoice.Lines.All(line => line.Amount.Currency == of.Paid.Currency)
                ? invoice.Lines
                : of.Lines;
        return order with
        {
            There = order.There with
            {
                Receipts = receipts.Replace(of, of with { Reference = of.Reference ?? invoice.Number, Lines = lines }),
            },
        };
    }

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> GetAsync(
        Guid orderId,
        Guid fileId,
        HomeStartDb db,
        CancellationToken cancel
    ) =>
        await db
            .KeptFiles.AsNoTracking()
            .SingleOrDefaultAsync(file => file.OrderId == orderId && file.Id == fileId, cancel)
            is { } file
            ? TypedResults.File(
                file.Content,
                file.MediaType == MediaTypeNames.Application.Pdf ? file.MediaType : MediaTypeNames.Application.Octet,
                file.Name
            )
            : NoFile();

    private static async Task<Results<NoContent, NotFoundProblem>> DropAsync(
        Guid orderId,
        Guid fileId,
        HomeStartDb db,
        CancellationToken cancel
    ) =>
        await db.KeptFiles.Where(file => file.OrderId == orderId && file.Id == fileId).ExecuteDeleteAsync(cancel) > 0
            ? TypedResults.NoContent()
            : NoFile();
}
