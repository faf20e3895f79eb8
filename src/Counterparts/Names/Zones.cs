using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using HomeStart.Formats.Dns;
using HomeStart.Formats.Online;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// What is said of names by whoever is in charge of them: the host they are pointed at, the registrar they were only
/// registered with, or, of names that the rest of the world holds, somebody else.
/// </summary>
internal sealed class Zones(CounterpartsDb db, PriceLists lists)
{
    /// <summary>Short, so that spreading can be watched.</summary>
    public const int TtlSeconds = 30;

    /// <summary>For how long it is remembered that something is not there.</summary>
    public const int AbsentSeconds = 20;

    /// <summary>How many other names are followed for one question.</summary>
    private const int MostAliases = 8;

    public async Task<DnsMessage> AuthoritativeAsync(string world, DnsMessage asked, CancellationToken cancel)
    {
        var (name, type) = (asked.Question.Name.ToLowerInvariant(), asked.Question.Type);
        var answer = asked with { IsAuthoritative = true };
        if (await ZoneOfAsync(world, name, cancel) is not { } zone)
        {
            return answer.Answer(DnsCode.NoSuchName, [], [Soa("", "ns.registry.example.net")]);
        }

        var found = ImmutableArray.CreateBuilder<DnsRecord>();
        var (at, owned) = (zone, zone.Owned(name));
        for (
            var step = 0;
            step < MostAliases
                && type != (int)DnsType.Cname
                && owned.FirstOrDefault(record => record.Type == DnsType.Cname) is { } alias;
            step++
        )
        {
            found.Add(alias);
            at = await ZoneOfAsync(world, alias.Data, cancel);
            owned = at?.Owned(alias.Data) ?? [];
        }

        found.AddRange(owned.Where(record => (int)record.Type == type));
        return found.Count == 0
            ? answer.Answer(zone.Owned(name).Count > 0 ? DnsCode.Answered : DnsCode.NoSuchName, [], [zone.Records[0]])
            : answer.Answer(DnsCode.Answered, found.ToImmutable(), []);
    }

    /// <summary>The book of the host at an address; null: there is none.</summary>
    public string? HostAt(string? address) =>
        address is null ? null : lists.Hosts.FirstOrDefault(book => Hosts.Addresses(book).V4 == address);

    /// <summary>
    /// Under which kind the zone of a domain is kept by whoever is in charge of it now: a registry's change of name
    /// servers begins another zone. Null: it is kept elsewhere.
    /// </summary>
    public async Task<string?> KindAsync(string world, string domain, CancellationToken cancel) =>
        await db
            .Registrations.AsNoTracking()
            .SingleOrDefaultAsync(row => row.World == world && row.Domain == domain, cancel)
            is { } row
            ? KindOf(row)
            : null;

    /// <summary>The records that a zone began with.</summary>
    public async Task<IEnumerable<ResourceRecord>> BegunAsync(string world, string domain, CancellationToken cancel) =>
        Begun(
            await db.Registrations.AsNoTracking().SingleAsync(row => row.World == world && row.Domain == domain, cancel)
        );

    private sealed record Zone(ImmutableArray<DnsRecord> Records)
    {
        // What is not there is answered for by a star, where one stands.
        public List<DnsRecord> Owned(string name)
        {
            var own = Records.Where(record => record.Name == name).ToList();
            var dot = name.IndexOf('.', StringComparison.Ordinal);
            return own.Count > 0 || dot < 0
                ? own
                :
                [
                    .. Records
                        .Where(record => record.Name == "*" + name[dot..])
                        .Select(record => record with { Name = name }),
                ];
        }
    }

    // The registered domain that a name belongs to: itself, or what stands behind one of its dots.
    private async Task<Zone?> ZoneOfAsync(string world, string name, CancellationToken cancel)
    {
        if (await LentAsync(world, name, cancel) is { } lent)
        {
            return lent;
        }

        for (
            var domain = name;
            domain.Contains('.', StringComparison.Ordinal);
            domain = domain[(domain.IndexOf('.', StringComparison.Ordinal) + 1)..]
        )
        {
            if (
                await db
                    .Registrations.AsNoTracking()
                    .SingleOrDefaultAsync(row => row.World == world && row.Domain == domain, cancel) is
                { } row
            )
            {
                return Standings.Leads(row) ? await RegisteredAsync(row, cancel) : null;
            }

            var dot = domain.IndexOf('.', StringComparison.Ordinal);
            if (
                lists.SellsEnding(domain[(dot + 1)..])
                && Names.StateOf(domain[..dot], domain[(dot + 1)..]) == NameState.Taken
            )
            {
                return Elsewhere(domain);
            }
        }

        return null;
    }

    // An address that a host lends leads to it, for as long as the account stands.
    private async Task<Zone?> LentAsync(string world, string name, CancellationToken cancel)
    {
        var plain = name.StartsWith("www.", StringComparison.Ordinal) ? name[4..] : name;
        if (
            plain.Split('.') is not [_, var book, "example", "net"]
            || lists.Find(book) is not { Plans.IsEmpty: false }
            || !await db.Accounts.AnyAsync(
                row => row.World == world && row.Book == book && row.Domain == plain && !row.IsRemoved,
                cancel
            )
        )
        {
            return null;
        }

        var (v4, v6) = Hosts.Addresses(book);
        string[] servers = [$"ns1.{book}.example.net", $"ns2.{book}.example.net"];
        return new Zone([
            Soa(plain, servers[0]),
            .. Servers(plain, servers),
            new DnsRecord(plain, DnsType.A, TtlSeconds, v4),
            new DnsRecord(plain, DnsType.Aaaa, TtlSeconds, v6),
            new DnsRecord("www." + plain, DnsType.Cname, TtlSeconds, plain),
        ]);
    }

    private async Task<Zone> RegisteredAsync(RegistrationRow row, CancellationToken cancel)
    {
        var (kind, servers) = (KindOf(row), ServersOf(row));
        var kept = await db
            .Kept.AsNoTracking()
            .Where(kept => kept.World == row.World && kept.Scope == row.Domain && kept.Kind == kind)
            .OrderByDescending(kept => kept.Version)
            .FirstOrDefaultAsync(cancel);
        var records = kept is null ? Begun(row) : PanelDocuments.Records(kept.Content) ?? [];
        return new Zone([
            Soa(row.Domain, servers[0]),
            .. Servers(row.Domain, servers),
            .. records.Select(record => Sent(row.Domain, record)),
        ]);
    }

    private IEnumerable<ResourceRecord> Begun(RegistrationRow row) =>
        HostOf(row) is { } book && Hosts.Addresses(book) is var (v4, v6)
            ? new Pointing(
                DomainName.Parse(row.Domain)!,
                new HostEntry([], v4, v6, $"mail.{book}.example.net", null, []),
                null,
                false
            ).Records
            : [];

    private static string KindOf(RegistrationRow row) => $"{PanelKinds.Zone} {ServersOf(row)[0]}";

    private string? HostOf(RegistrationRow row) =>
        Hosts.BookOf(ServersOf(row)[0]) is { } book && lists.Find(book) is not null ? book : null;

    // Without name servers of its own a domain rests with the registrar.
    private static string[] ServersOf(RegistrationRow row) =>
        row.NameServers.Split(' ', StringSplitOptions.RemoveEmptyEntries) is { Length: > 0 } servers
            ? servers
            : [$"ns1.parking.{row.Registrar}.example.net", $"ns2.parking.{row.Registrar}.example.net"];

    // Time runs faster here: what is remembered for an hour outside is remembered for half a minute.
    private static DnsRecord Sent(string domain, ResourceRecord record)
    {
        var type = record.Type switch
        {
            RecordType.A => DnsType.A,
            RecordType.Aaaa => DnsType.Aaaa,
            RecordType.Cname => DnsType.Cname,
            RecordType.Mx => DnsType.Mx,
            RecordType.Txt => DnsType.Txt,
            RecordType.Caa => DnsType.Caa,
            _ => DnsType.Srv,
        };
        var isName = record.Type is RecordType.Cname or RecordType.Mx or RecordType.Srv;
        return new DnsRecord(
            ZoneRules.FullName(DomainName.Parse(domain)!, record.Owner),
            type,
            Math.Min(record.TtlSeconds, TtlSeconds),
            isName ? record.Data.TrimEnd('.') : record.Data
        )
        {
            Preference = record.Preference ?? 0,
        };
    }

    private static Zone Elsewhere(string domain)
    {
        var number = SHA256.HashData(Encoding.UTF8.GetBytes("elsewhere " + domain));
        return new Zone([
            Soa(domain, "ns1.example.net"),
            .. Servers(domain, ["ns1.example.net", "ns2.example.net"]),
            new DnsRecord(domain, DnsType.A, TtlSeconds, $"192.0.2.{1 + (number[0] % 254)}"),
            new DnsRecord("www." + domain, DnsType.Cname, TtlSeconds, domain),
            .. Names
                .MailOf(domain)
                .Select(record => new DnsRecord(domain, DnsType.Mx, TtlSeconds, record.Exchange)
                {
                    Preference = record.Preference,
                }),
        ]);
    }

    private static IEnumerable<DnsRecord> Servers(string domain, string[] servers) =>
        servers.Select(server => new DnsRecord(domain, DnsType.Ns, TtlSeconds, server));

    private static DnsRecord Soa(string zone, string primary) =>
        new(
            zone,
            DnsType.Soa,
            AbsentSeconds,
            $"{primary} hostmaster.example.net 2026120101 7200 3600 1209600 {AbsentSeconds}"
        );
}
