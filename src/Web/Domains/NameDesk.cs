using HomeStart.Data;
using HomeStart.Web.Session;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Domains;

/// <summary>What a visitor is looking for, and what was said of names when they last asked.</summary>
public sealed class NameDesk(Workspace workspace, HomeStartDb db)
{
    /// <summary>How many answers a workspace keeps; the oldest go first.</summary>
    private const int MostAnswers = 6000;

    public async Task<SoughtNames> SoughtAsync(Guid siteId, CancellationToken cancel) =>
        await db.Sought.AsNoTracking().SingleOrDefaultAsync(row => row.SiteId == siteId, cancel) is { } row
            ? Documents.Read<SoughtNames>(row.Document)
            : SoughtNames.None;

    public async Task SeekAsync(Guid siteId, SoughtNames sought, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        var row = await db.Sought.SingleOrDefaultAsync(row => row.SiteId == siteId, cancel)
            ?? db.Sought.Add(
                new SoughtRow
                {
                    WorkspaceId = workspace.Id,
                    SiteId = siteId,
                    Document = "",
                }
            ).Entity;
        row.Document = Documents.Write(sought);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException exception) when (Sqlite.IsDuplicate(exception))
        {
            db.ChangeTracker.Clear(); // Two windows began at once: the later one holds.
            await db
                .Sought.Where(known => known.SiteId == siteId)
                .ExecuteUpdateAsync(set => set.SetProperty(known => known.Document, row.Document), cancel);
        }
    }

    /// <summary>What was last said of domains, by their text.</summary>
    public async Task<Dictionary<string, NameAnswer>> AnswersAsync(
        IReadOnlyCollection<string> domains,
        CancellationToken cancel
    )
    {
        var rows = await db.Answers.AsNoTracking().Where(row => domains.Contains(row.Domain)).ToListAsync(cancel);
        return rows.ToDictionary(
            row => row.Domain,
            row => Documents.Read<NameAnswer>(row.Document),
            StringComparer.Ordinal
        );
    }

    /// <summary>Everything that was said within the hour.</summary>
    public async Task<IReadOnlyList<NameAnswer>> RecentAsync(DateTimeOffset now, CancellationToken cancel)
    {
        var since = (now - NameAnswer.KeepsFor).ToUnixTimeSeconds();
        return
        [
            .. (await db.Answers.AsNoTracking().Where(row => row.AskedAt >= since).ToListAsync(cancel)).Select(row =>
                Documents.Read<NameAnswer>(row.Document)
            ),
        ];
    }

    public async Task KeepAsync(IReadOnlyList<NameAnswer> answers, CancellationToken cancel)
    {
        await workspace.EnsureStoredAsync(cancel);
        var newest = answers
            .GroupBy(answer => answer.Domain.Text)
            .ToDictionary(group => group.Key, group => group.Last(), StringComparer.Ordinal);
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Answers.Where(row => newest.Keys.Contains(row.Domain)).ExecuteDeleteAsync(cancel);
        db.Answers.AddRange(
            newest.Values.Select(answer => new AnswerRow
            {
                WorkspaceId = workspace.Id,
                Domain = answer.Domain.Text,
                AskedAt = answer.AskedAt.ToUnixTimeSeconds(),
                Document = Documents.Write(answer),
            })
        );
        await db.SaveChangesAsync(cancel);
        var oldest = await db
            .Answers.OrderByDescending(row => row.AskedAt)
            .Skip(MostAnswers)
            .Select(row => (long?)row.AskedAt)
            .FirstOrDefaultAsync(cancel);
        if (oldest is { } last)
        {
            await db.Answers.Where(row => row.AskedAt <= last).ExecuteDeleteAsync(cancel);
        }

        await transaction.CommitAsync(cancel);
        db.ChangeTracker.Clear();
    }
}
