using System.Globalization;
using HomeStart.Formats.Dns;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// Certificates from the host: asked for once the name leads there, made when everybody has heard of it, renewed by the
/// host a month before they end.
/// </summary>
internal static class Certificates
{
    /// <summary>Who makes them, as a CAA record names it.</summary>
    public const string Maker = "ca.example.net";

    private const int Days = 90;
    private const int RenewedBefore = 30;

    public static void Map(IEndpointRouteBuilder group)
    {
        group.MapGet(
            "/{account}/certificates/{name}",
            (
                string account,
                string name,
                DateOnly date,
                HttpContext http,
                CounterpartsDb db,
                Zones zones,
                Resolvers resolvers
            ) => StandAsync(false, account, name, date, http, db, zones, resolvers)
        );
        group.MapPost(
            "/{account}/certificates/{name}",
            (
                string account,
                string name,
                DateOnly date,
                HttpContext http,
                CounterpartsDb db,
                Zones zones,
                Resolvers resolvers
            ) => StandAsync(true, account, name, date, http, db, zones, resolvers)
        );
    }

    private static async Task<IResult> StandAsync(
        bool ask,
        string account,
        string name,
        DateOnly date,
        HttpContext http,
        CounterpartsDb db,
        Zones zones,
        Resolvers resolvers
    )
    {
        var (world, cancel) = (http.World(), http.RequestAborted);
        if (
            await db
                .Accounts.AsNoTracking()
                .SingleOrDefaultAsync(row => row.World == world && row.Id == account && !row.IsRemoved, cancel)
            is not { } host
        )
        {
            return Results.NotFound();
        }

        var row = await db.Certificates.SingleOrDefaultAsync(row => row.World == world && row.Name == name, cancel);
        if (ask && row is not { Until: not null })
        {
            row ??= db.Certificates.Add(new CertificateRow { World = world, Name = name }).Entity;
            row.Refusal = await RefusalAsync(world, name, host.Book, zones, cancel);
            row.IsWaiting = row.Refusal is null;
        }

        if (row is { IsWaiting: true } && await IsSeenEverywhereAsync(world, name, host.Book, resolvers, zones, cancel))
        {
            (row.IsWaiting, row.Until) = (false, date.AddDays(Days));
        }

        if (
            row is { Until: { } until }
            && until.AddDays(-RenewedBefore) <= date
            && (row.Refusal = await RefusalAsync(world, name, host.Book, zones, cancel)) is null
        )
        {
            row.Until = date.AddDays(Days);
        }

        await db.SaveChangesAsync(CancellationToken.None);
        return Results.Ok(
            row switch
            {
                null => new
                {
                    state = "none",
                    until = default(string),
                    refusal = default(string),
                },
                { Until: { } end } when end >= date => new
                {
                    state = "there",
                    until = (string?)end.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                    refusal = default(string),
                },
                { IsWaiting: true } => new
                {
                    state = "waiting",
                    until = default(string),
                    refusal = default(string),
                },
                _ => new
                {
                    state = "refused",
                    until = default(string),
                    refusal = row.Refusal,
                },
            }
        );
    }

    private static async Task<string?> RefusalAsync(
        string world,
        string name,
        string book,
        Zones zones,
        CancellationToken cancel
    )
    {
        var address = (await zones.AuthoritativeAsync(world, DnsMessage.Ask(name, DnsType.A), cancel))
            .Answers.LastOrDefault(record => record.Type == DnsType.A)
            ?.Data;
        if (zones.HostAt(address) != book)
        {
            return $"{name} does not lead to this host: a certificate is only made for who is found there.";
        }

        var makers = (await zones.AuthoritativeAsync(world, DnsMessage.Ask(name, DnsType.Caa), cancel))
            .Answers.Where(record => record.Data.Contains(" issue ", StringComparison.Ordinal))
            .ToList();
        return
            makers.Count == 0 || makers.Exists(record => record.Data.Contains($"\"{Maker}\"", StringComparison.Ordinal))
            ? null
            : $"A CAA record of {name} lets others make its certificates. Add: 0 issue \"{Maker}\"";
    }

    private static async Task<bool> IsSeenEverywhereAsync(
        string world,
        string name,
        string book,
        Resolvers resolvers,
        Zones zones,
        CancellationToken cancel
    )
    {
        foreach (var place in NameServers.Places)
        {
            if (
                zones.HostAt(
                    (await resolvers.AnswerAsync(world, place, DnsMessage.Ask(name, DnsType.A), cancel))
                        .Answers.LastOrDefault(record => record.Type == DnsType.A)
                        ?.Data
                ) != book
            )
            {
                return false;
            }
        }

        return true;
    }
}
