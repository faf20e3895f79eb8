using HomeStart.Data;
using HomeStart.Formats.Online;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Online;

/// <summary>Uploads under way: what is to come stands in the database, what came lies in files beside it.</summary>
internal sealed class UploadDesk(HomeStartDb db, StartOptions options, Workspace workspace, TimeProvider time)
{
    /// <summary>How many uploads of an order are kept unfinished; an older one gives way.</summary>
    private const int Most = 3;

    public static string FolderOf(StartOptions options) => Path.Combine(options.Data, "uploads");

    public async Task<IReadOnlyList<UploadWire>> ListAsync(Guid orderId, CancellationToken cancel) =>
        [.. (await RowsAsync(orderId, cancel)).Select(row => Wire(row.Id, Documents.Read<UploadPlan>(row.Document)))];

    public async Task<UploadPlan?> FindAsync(Guid orderId, Guid id, CancellationToken cancel) =>
        await db.Uploads.AsNoTracking().SingleOrDefaultAsync(row => row.OrderId == orderId && row.Id == id, cancel)
            is { } row
            ? Documents.Read<UploadPlan>(row.Document)
            : null;

    public async Task<UploadWire> StartAsync(Guid orderId, UploadPlan plan, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        var row = new UploadRow
        {
            Id = Guid.NewGuid(),
            OrderId = orderId,
            WorkspaceId = workspace.Id,
            StartedAt = time.GetUtcNow(),
            Document = Documents.Write(plan),
        };

        // Its folder is there before its row is: who gives it up for a newer one finds both.
        Directory.CreateDirectory(PathOf(row.Id));
        try
        {
            var old = await db.AloneAsync(
                async () =>
                {
                    var others = (await RowsAsync(orderId, cancel)).Skip(Most - 1).Select(other => other.Id).ToList();
                    await db.Uploads.Where(other => others.Contains(other.Id)).ExecuteDeleteAsync(cancel);
                    db.Uploads.Add(row);
                    await db.SaveChangesAsync(cancel);
                    return others;
                },
                cancel
            );
            old.ForEach(Forget);
        }
        catch
        {
            Forget(row.Id);
            throw;
        }

        return Wire(row.Id, plan);
    }

    /// <summary>
    /// Adds a piece to what is there of a file; false, with how much is there, where the piece begins somewhere else or
    /// is too long.
    /// </summary>
    public async Task<(bool IsTaken, long Has)> AppendAsync(
        Guid id,
        int index,
        long from,
        long whole,
        Stream piece,
        CancellationToken cancel
    )
    {
        if (!Directory.Exists(PathOf(id)))
        {
            return (false, 0); // It was given up meanwhile: nothing of it is made anew.
        }

        await using var file = Opened(PathOf(id, index));
        if (file is null || file.Length != from)
        {
            return (false, file?.Length ?? Has(id, index));
        }

        file.Position = from;
        try
        {
            var buffer = new byte[64 * 1024];
            for (int read; (read = await piece.ReadAsync(buffer, cancel)) > 0; )
            {
                if (file.Position + read > whole)
                {
                    file.SetLength(from);
                    return (false, from);
                }

                await file.WriteAsync(buffer.AsMemory(0, read), cancel);
            }
        }
        catch (Exception exception) when (exception is IOException or OperationCanceledException)
        {
            // What came of a piece that broke off stays: the next begins behind it.
            await file.FlushAsync(CancellationToken.None);
            throw;
        }

        return (true, file.Position);
    }

    /// <summary>
    /// What came, whole and unpacked; null, with what is wrong, where something is missing or will not do.
    /// </summary>
    public ArrivedFiles? Arrived(Guid id, UploadPlan plan, long? storage, FaultList faults)
    {
        foreach (var (index, file) in plan.Files.Index().Where(file => Has(id, file.Index) != file.Item.Size))
        {
            faults.Say(
                FaultCodes.Required,
                $"files[{index}]",
                $"{file.Path} has not arrived whole: {Has(id, index)} of {file.Size} bytes are here."
            );
        }

        return faults.Any ? null
            : plan.Unpacks ? ArrivedFiles.Unpacked(PathOf(id, 0), storage, faults)
            : ArrivedFiles.Plain([.. plan.Files.Select((file, index) => (file, PathOf(id, index)))]);
    }

    public async Task DropAsync(Guid orderId, Guid id, CancellationToken cancel)
    {
        if (await db.Uploads.Where(row => row.OrderId == orderId && row.Id == id).ExecuteDeleteAsync(cancel) > 0)
        {
            Forget(id);
        }
    }

    private void Forget(Guid id)
    {
        if (Directory.Exists(PathOf(id)))
        {
            Directory.Delete(PathOf(id), recursive: true);
        }
    }

    // Null: another piece of the same file is being written, from another window say.
    private static FileStream? Opened(string path)
    {
        try
        {
            return new FileStream(path, FileMode.OpenOrCreate, FileAccess.Write, FileShare.None);
        }
        catch (IOException) when (File.Exists(path) || !Directory.Exists(Path.GetDirectoryName(path)))
        {
            return null;
        }
    }

    private async Task<List<UploadRow>> RowsAsync(Guid orderId, CancellationToken cancel) =>
        [
            .. (
                await db.Uploads.AsNoTracking().Where(row => row.OrderId == orderId).ToListAsync(cancel)
            ).OrderByDescending(row => row.StartedAt),
        ];

    private UploadWire Wire(Guid id, UploadPlan plan) =>
        new(
            id,
            plan.Folder,
            plan.Alone,
            plan.Unpacks,
            [.. plan.Files.Select((file, index) => new UploadFileWire(file.Path, file.Size, Has(id, index)))]
        );

    private long Has(Guid id, int index) => new FileInfo(PathOf(id, index)) is { Exists: true } file ? file.Length : 0;

    private string PathOf(Guid id) => Path.Combine(FolderOf(options), id.ToString("N"));

    private string PathOf(Guid id, int index) =>
        Path.Combine(PathOf(id), index.ToString(System.Globalization.CultureInfo.InvariantCulture));
}
