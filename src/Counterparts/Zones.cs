using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using HomeStart.Formats;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>What is said of names by whoever is in charge of them: the host they are pointed at, the registrar they were only registered with, or, of names that the rest of the world holds, somebody else.</summary>
internal sealed class Zones(CounterpartsDb db, PriceLists lists)
{
    /// <summary>Short, so that spreading can be watched.</summary>
    public const int TtlSeconds = 30;

    /// <summary>For how long it is remembered that something is not there.</summary>
    public const int AbsentSeconds = 20;

    public async Task<DnsMessage> AuthoritativeAsync(string world, DnsMessage asked, CancellationToken cancel)
    {
        var name = asked.Question.Name.ToLowerInvariant();
        var answer = asked with { IsAuthoritative = true };
        if (await ZoneOfAsync(world, name, cancel) is not { } zone)
        {
            return answer.Answer(DnsCode.NoSuchName, [], [Soa("", "ns.registry.example.net")]);
        }

        var owned = zone.Records.Where(record => record.Name == name).ToList();
        var alias = owned.FirstOrDefault(record => record.Type == DnsType.Cname);
        ImmutableArray<DnsRecord> found = alias is not null && asked.Question.Type != (int)DnsType.Cname
            ? [alias, .. zone.Records.Where(record => record.Name == alias.Data && (int)record.Type == asked.Question.Type)]
            : [.. owned.Where(record => (int)record.Type == asked.Question.Type)];
        return found.IsEmpty ? answer.Answer(owned.Count > 0 ? DnsCode.Answered : DnsCode.NoSuchName, [], [zone.Records[0]]) : answer.Answer(DnsCode.Answered, found, []);
    }

    private sealed record Zone(ImmutableArray<DnsRecord> Records);

    // The registered domain that a name belongs to: itself, or what stands behind one of its dots.
    private async Task<Zone?> ZoneOfAsync(string world, string name, CancellationToken cancel)
    {
        for (var domain = name; domain.Contains('.', StringComparison.Ordinal); domain = domain[(domain.IndexOf('.', StringComparison.Ordinal) + 1)..])
        {
            if (await db.Registrations.AsNoTracking().SingleOrDefaultAsync(row => row.World == world && row.Domain == domain, cancel) is { } row)
            {
                return Registered(row);
            }

            var dot = domain.IndexOf('.', StringComparison.Ordinal);
            if (lists.SellsEnding(domain[(dot + 1)..]) && Names.Of(domain[..dot], domain[(dot + 1)..]) == NameState.Taken)
            {
                return Elsewhere(domain);
            }
        }

        return null;
    }

    private Zone Registered(RegistrationRow row)
    {
        string[] servers = [.. row.NameServers.Split(' ', StringSplitOptions.RemoveEmptyEntries)];
        if (servers.Length == 0 || Hosts.BookOf(servers[0]) is not { } book || lists.Find(book) is null)
        {
            string[] parking = [$"ns1.parking.{row.Registrar}.example.net", $"ns2.parking.{row.Registrar}.example.net"];
            return new Zone([Soa(row.Domain, parking[0]), .. Servers(row.Domain, parking)]);
        }

        var (v4, v6) = Hosts.Addresses(book);
        return new Zone(
        [
            Soa(row.Domain, servers[0]), .. Servers(row.Domain, servers),
            new DnsRecord(row.Domain, DnsType.A, TtlSeconds, v4), new DnsRecord(row.Domain, DnsType.Aaaa, TtlSeconds, v6),
            new DnsRecord("www." + row.Domain, DnsType.Cname, TtlSeconds, row.Domain),
            new DnsRecord(row.Domain, DnsType.Mx, TtlSeconds, $"mail.{book}.example.net") { Preference = 10 }, new DnsRecord(row.Domain, DnsType.Txt, TtlSeconds, "v=spf1 mx -all"),
        ]);
    }

    private static Zone Elsewhere(string domain)
    {
        var number = SHA256.HashData(Encoding.UTF8.GetBytes("elsewhere " + domain));
        return new Zone(
        [
            Soa(domain, "ns1.example.net"), .. Servers(domain, ["ns1.example.net", "ns2.example.net"]),
            new DnsRecord(domain, DnsType.A, TtlSeconds, $"192.0.2.{1 + (number[0] % 254)}"), new DnsRecord("www." + domain, DnsType.Cname, TtlSeconds, domain),
            .. Names.MailOf(domain).Select(record => new DnsRecord(domain, DnsType.Mx, TtlSeconds, record.Exchange) { Preference = record.Preference }),
        ]);
    }

    private static IEnumerable<DnsRecord> Servers(string domain, string[] servers) => servers.Select(server => new DnsRecord(domain, DnsType.Ns, TtlSeconds, server));

    private static DnsRecord Soa(string zone, string primary) => new(zone, DnsType.Soa, AbsentSeconds, $"{primary} hostmaster.example.net 2026120101 7200 3600 1209600 {AbsentSeconds}");
}
