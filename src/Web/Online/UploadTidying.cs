using HomeStart.Data;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Online;

/// <summary>Clears uploads away that nobody finished within a week, and files whose upload is gone.</summary>
internal sealed class UploadTidying(HomeStartDb db, StartOptions options, TimeProvider time)
{
    private static readonly TimeSpan KeptFor = TimeSpan.FromDays(7);

    public async Task TidyAsync(CancellationToken cancel)
    {
        var rows = await db
            .Uploads.IgnoreQueryFilters()
            .Select(row => new { row.Id, row.StartedAt })
            .ToListAsync(cancel);
        var old = rows.Where(row => row.StartedAt < time.GetUtcNow() - KeptFor).Select(row => row.Id).ToList();
        await db.Uploads.IgnoreQueryFilters().Where(row => old.Contains(row.Id)).ExecuteDeleteAsync(cancel);
        var kept = rows.Select(row => row.Id)
            .Except(old)
            .Select(id => id.ToString("N"))
            .ToHashSet(StringComparer.Ordinal);
        if (new DirectoryInfo(UploadDesk.FolderOf(options)) is { Exists: true } folder)
        {
            foreach (var left in folder.GetDirectories().Where(upload => !kept.Contains(upload.Name)))
            {
                left.Delete(recursive: true);
            }
        }
    }
}
