using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using HomeStart.Data;
using HomeStart.Formats.Books;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Upkeep;
using HomeStart.Web.Session;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Accounts;

/// <summary>
/// All that a visitor has here, as one ZIP of open formats. Nothing secret is in it, as nothing secret is kept.
/// </summary>
public sealed class DataArchive(HomeStartDb db, Workspace workspace, Sites.SiteDesk sites, IMailbox mailbox)
{
    private static readonly JsonSerializerOptions Json = Options();

    public async Task<byte[]> WriteAsync(DateOnly today, CancellationToken cancel)
    {
        using var bytes = new MemoryStream();
        await using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (site, index) in (await sites.AllAsync(cancel)).Select((site, index) => (site, index)))
            {
                await AddAsync(zip, $"sites/{index + 1}.json", Encoding.UTF8.GetBytes(Documents.Write(site)), cancel);
            }

            foreach (var row in await db.Orders.AsNoTracking().ToListAsync(cancel))
            {
                await AddOrderAsync(zip, Documents.Read<Order>(row.Document), today, cancel);
            }

            foreach (var row in await db.DayBooks.AsNoTracking().ToListAsync(cancel))
            {
                await AddAsync(
                    zip,
                    $"orders/{OrderReference.From(row.OrderId)}-day-book.json",
                    JsonSerializer.SerializeToUtf8Bytes(DayBookWire.From(Documents.Read<DayBook>(row.Document)), Json),
                    cancel
                );
            }

            foreach (var file in await db.KeptFiles.AsNoTracking().ToListAsync(cancel))
            {
                await AddAsync(
                    zip,
                    $"orders/{OrderReference.From(file.OrderId)}-kept/{file.Id:N}-{file.Name}",
                    file.Content,
                    cancel
                );
            }

            foreach (var own in await db.OwnBooks.AsNoTracking().ToListAsync(cancel))
            {
                await AddAsync(
                    zip,
                    $"price-lists/{NameOf(own.BookId)}-{own.Version}.json",
                    (await db.Books.AsNoTracking().SingleAsync(book => book.Hash == own.Hash, cancel)).Content,
                    cancel
                );
            }

            foreach (var letter in await mailbox.ListAsync(workspace.World, cancel) ?? [])
            {
                if (await mailbox.ReadAsync(workspace.World, letter.Id, cancel) is { } raw)
                {
                    await AddAsync(zip, $"mail/{letter.ArrivedAt:yyyyMMdd-HHmmss}-{letter.Id[..8]}.eml", raw, cancel);
                }
            }
        }

        return bytes.ToArray();
    }

    private static async Task AddOrderAsync(ZipArchive zip, Order order, DateOnly today, CancellationToken cancel)
    {
        await AddAsync(
            zip,
            $"orders/{order.Reference}.json",
            JsonSerializer.SerializeToUtf8Bytes(OrderWire.From(order), Json),
            cancel
        );
        await AddAsync(
            zip,
            $"orders/{order.Reference}-contact.vcf",
            Encoding.UTF8.GetBytes(VCard.Write(order.Contact)),
            cancel
        );
        if (order.State == OrderState.Completed)
        {
            await AddAsync(
                zip,
                $"orders/{order.Reference}-key-sheet.pdf",
                PdfReport.Write(OrderReports.KeySheet(order), today),
                cancel
            );
        }

        foreach (var receipt in Receipt.AllOf(order))
        {
            await AddAsync(
                zip,
                $"orders/{receipt.Number}.pdf",
                PdfReport.Write(OrderReports.ForReceipt(receipt), today),
                cancel
            );
            await AddAsync(
                zip,
                $"orders/{receipt.Number}.xml",
                Encoding.UTF8.GetBytes(UblInvoice.Write(receipt).ToString()),
                cancel
            );
        }
    }

    private static async Task AddAsync(ZipArchive zip, string name, byte[] content, CancellationToken cancel)
    {
        await using var entry = await zip.CreateEntry(name).OpenAsync(cancel);
        await entry.WriteAsync(content, cancel);
    }

    // Names in an archive are made, not copied: a book from before there was a rule for ids goes by the hash of its id.
    private static string NameOf(string bookId) =>
        BookIds.IsId(bookId) ? bookId : Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(bookId)))[..16];

    private static JsonSerializerOptions Options()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web) { WriteIndented = true };
        WireJson.Configure(options);
        return options;
    }
}
