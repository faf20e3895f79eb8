using System.Collections.Immutable;
using HomeStart.Formats.Dns;

namespace HomeStart.Web.Domains;

/// <summary>What name servers say of a domain.</summary>
public sealed class NameServerDesk(INameServers nameServers)
{
    /// <summary>The resolvers that are asked whether a name is seen.</summary>
    private static readonly string[] Places = ["northport", "westmere", "sunbay", "eastgate", "farcape"];

    /// <summary>
    /// The MX records of a domain, lowest preference first; none: it has none; null: nobody answered, or not in a way
    /// that can be relied on.
    /// </summary>
    public async Task<IReadOnlyList<ResourceRecord>?> MailOfAsync(
        World world,
        DomainName domain,
        CancellationToken cancel
    )
    {
        if (await AskAsync(world, null, domain.Text, DnsType.Mx, cancel) is not { } answer)
        {
            return null;
        }

        // One record that cannot be read makes the whole answer worthless: mail may go there.
        var records = answer.Answers.Where(record => record.Type == DnsType.Mx).ToList();
        return records.TrueForAll(record => DomainName.Parse(record.Data)?.Text == record.Data)
            ?
            [
                .. records
                    .OrderBy(record => record.Preference)
                    .Select(record => new ResourceRecord("@", Pointing.TtlSeconds, RecordType.Mx, record.Data + ".")
                    {
                        Preference = record.Preference,
                    }),
            ]
            : null;
    }

    /// <summary>What whoever is in charge says of a domain; null: nobody answered.</summary>
    public async Task<ZoneFacts?> ZoneOfAsync(World world, DomainName domain, CancellationToken cancel)
    {
        var asked = await Task.WhenAll(
            AskAsync(world, null, domain.Text, DnsType.A, cancel),
            AskAsync(world, null, domain.Text, DnsType.Aaaa, cancel),
            AskAsync(world, null, domain.Text, DnsType.Ns, cancel),
            AskAsync(world, null, "www." + domain.Text, DnsType.A, cancel),
            AskAsync(world, null, domain.Text, DnsType.Mx, cancel)
        );
        return asked is [{ } own, { } longer, { } servers, { } www, { } mail]
            ? new ZoneFacts(
                own.Code == DnsCode.Answered,
                Data(servers, DnsType.Ns),
                [.. Data(own, DnsType.A), .. Data(longer, DnsType.Aaaa)],
                Data(www, DnsType.A),
                [
                    .. mail
                        .Answers.Where(record => record.Type == DnsType.Mx)
                        .OrderBy(record => record.Preference)
                        .Select(record => record.Data),
                ]
            )
            : null;
    }

    /// <summary>What the resolvers around the world say of a domain.</summary>
    public async Task<IReadOnlyList<PlaceFacts>> PlacesAsync(
        World world,
        DomainName domain,
        CancellationToken cancel
    ) =>
        await Task.WhenAll(
            Places.Select(async place => new PlaceFacts(
                place,
                await AskAsync(world, place, domain.Text, DnsType.A, cancel) is { } answer
                    ? Data(answer, DnsType.A)
                    : null
            ))
        );

    // An answer to this very question, or none.
    private async Task<DnsMessage?> AskAsync(
        World world,
        string? place,
        string name,
        DnsType type,
        CancellationToken cancel
    )
    {
        var said = await nameServers.AskAsync(world, place, DnsWriter.Write(DnsMessage.Ask(name, type)), cancel);
        return
            said is not null
            && DnsReader.Read(said) is { IsResponse: true, Code: DnsCode.Answered or DnsCode.NoSuchName } answer
            && answer.Question.Type == (int)type
            && string.Equals(answer.Question.Name, name, StringComparison.OrdinalIgnoreCase)
            ? answer
            : null;
    }

    private static ImmutableArray<string> Data(DnsMessage answer, DnsType type) =>
        [.. answer.Answers.Where(record => record.Type == type).Select(record => record.Data)];
}
