using HomeStart.Formats.Dns;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// Resolvers ask whoever is in charge and keep what they heard until its time to live runs out. When a name is pointed
/// somewhere else each still holds what it heard before, one longer than the other: so the news spreads.
/// </summary>
internal sealed class Resolvers(CounterpartsDb db, Zones zones, TimeProvider time)
{
    private const int FirstSeconds = 4;
    private const int StepSeconds = 5;

    public async Task<DnsMessage> AnswerAsync(string world, string place, DnsMessage asked, CancellationToken cancel)
    {
        var (now, name, type) = (
            time.GetUtcNow().ToUnixTimeSeconds(),
            asked.Question.Name.ToLowerInvariant(),
            asked.Question.Type
        );
        if (
            await FindAsync(world, place, name, type, cancel) is { } kept
            && kept.Until > now
            && DnsReader.Read(kept.Message) is { } heard
        )
        {
            return Relayed(asked, heard, (int)(kept.Until - now));
        }

        var answer = await zones.AuthoritativeAsync(world, asked, cancel);
        var seconds = answer
            .Answers.Concat(answer.Authority)
            .Select(record => record.TtlSeconds)
            .DefaultIfEmpty(Zones.AbsentSeconds)
            .Min();
        await KeepAsync(world, place, name, type, answer, now + seconds, cancel);
        return Relayed(asked, answer, seconds);
    }

    /// <summary>
    /// Remembers at each place what was said until now, before a name is pointed somewhere else. The caller saves.
    /// </summary>
    public async Task RememberAsync(string world, string domain, CancellationToken cancel)
    {
        foreach (var (place, index) in NameServers.Places.Select((place, index) => (place, index)))
        {
            foreach (
                var (name, type) in new[]
                {
                    (domain, DnsType.A),
                    (domain, DnsType.Ns),
                    (domain, DnsType.Mx),
                    ("www." + domain, DnsType.A),
                }
            )
            {
                var before = await zones.AuthoritativeAsync(world, DnsMessage.Ask(name, type), cancel);
                await PutAsync(
                    world,
                    place,
                    name,
                    (int)type,
                    before,
                    time.GetUtcNow().ToUnixTimeSeconds() + FirstSeconds + (StepSeconds * index),
                    cancel
                );
            }
        }
    }

    // Not in charge; and what is left of the time to live goes down.
    private static DnsMessage Relayed(DnsMessage asked, DnsMessage heard, int seconds) =>
        (asked with { IsAuthoritative = false }).Answer(
            heard.Code,
            [.. heard.Answers.Select(record => record with { TtlSeconds = seconds })],
            [.. heard.Authority.Select(record => record with { TtlSeconds = seconds })]
        );

    private async Task KeepAsync(
        string world,
        string place,
        string name,
        int type,
        DnsMessage answer,
        long until,
        CancellationToken cancel
    )
    {
        await PutAsync(world, place, name, type, answer, until, cancel);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            db.ChangeTracker.Clear(); // It was asked twice at once: the other one keeps it.
        }
    }

    private async Task PutAsync(
        string world,
        string place,
        string name,
        int type,
        DnsMessage answer,
        long until,
        CancellationToken cancel
    )
    {
        var row = await FindAsync(world, place, name, type, cancel)
            ?? db.Heard.Add(
                new HeardRow
                {
                    World = world,
                    Place = place,
                    Name = name,
                    Type = type,
                    Message = [],
                }
            ).Entity;
        (row.Message, row.Until) = (DnsWriter.Write(answer), until);
    }

    private Task<HeardRow?> FindAsync(string world, string place, string name, int type, CancellationToken cancel) =>
        db.Heard.SingleOrDefaultAsync(
            row => row.World == world && row.Place == place && row.Name == name && row.Type == type,
            cancel
        );
}
