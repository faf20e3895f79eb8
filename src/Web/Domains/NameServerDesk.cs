using HomeStart.Formats;

namespace HomeStart.Web.Domains;

/// <summary>What name servers say of a domain.</summary>
public sealed class NameServerDesk(INameServers nameServers)
{
    /// <summary>The MX records of a domain, lowest preference first; none: it has none; null: nobody answered, or not in a way that can be relied on.</summary>
    public async Task<IReadOnlyList<ResourceRecord>?> MailOfAsync(World world, DomainName domain, CancellationToken cancel)
    {
        var said = await nameServers.AskAsync(world, null, DnsWriter.Write(DnsMessage.Ask(domain.Text, DnsType.Mx)), cancel);
        if (said is null || DnsReader.Read(said) is not { IsResponse: true, Code: DnsCode.Answered or DnsCode.NoSuchName, Question.Type: (int)DnsType.Mx } answer || !string.Equals(answer.Question.Name, domain.Text, StringComparison.OrdinalIgnoreCase))
        {
            return null;
        }

        // One record that cannot be read makes the whole answer worthless: mail may go there.
        var records = answer.Answers.Where(record => record.Type == DnsType.Mx).ToList();
        return records.TrueForAll(record => DomainName.Parse(record.Data)?.Text == record.Data)
            ? [.. records.OrderBy(record => record.Preference).Select(record => new ResourceRecord("@", Pointing.TtlSeconds, RecordType.Mx, record.Data + ".") { Preference = record.Preference })]
            : null;
    }
}
