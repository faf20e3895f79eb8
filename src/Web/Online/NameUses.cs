using HomeStart.Formats;
using HomeStart.Web.Domains;

namespace HomeStart.Web.Online;

/// <summary>What the names of a hosting do, with the records that go with it.</summary>
internal sealed class NameUses(OnlineDesk desk, IHostPanel panel, IHostingCompany hosts, NameServerDesk nameServers)
{
    /// <summary>The names as the host has them; a domain that was claimed afterwards is the main one where the account began without.</summary>
    public async Task<(int Version, HostedNames Names)?> FindAsync(Hosted hosted, CancellationToken cancel) =>
        await desk.ReadAsync(hosted, PanelKinds.Names, PanelDocuments.Names, cancel) is var (version, names) ? (version, names.Names.IsEmpty ? HostedNames.Of(hosted.Domain) : names) : null;

    public async Task<IResult> ChangeAsync(Hosted hosted, int seen, HostedNames names, CancellationToken cancel)
    {
        var answer = await desk.WriteAsync(hosted, PanelKinds.Names, seen, PanelDocuments.Write(names), cancel);
        if (answer.State != PanelState.Done)
        {
            return OnlineDesk.Explain(answer, hosted);
        }

        foreach (var name in names.Names)
        {
            await PointAsync(hosted, name, cancel);
        }

        return Results.Ok(await WireAsync(hosted, answer.Version, names, cancel));
    }

    public async Task<HostedNamesWire> WireAsync(Hosted hosted, int version, HostedNames names, CancellationToken cancel)
    {
        var entry = await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel);
        var stands = await Task.WhenAll(names.Names.Select(async name =>
        {
            var (status, zone) = (panel.VisitAsync(hosted.World, name.Name, cancel), nameServers.ZoneOfAsync(hosted.World, name.Name, cancel));
            return new NameStandsWire(name.Name.Text, await status, await zone is { } facts && entry is not null ? facts.Addresses.Contains(entry.IPv4) : null, desk.AddressOf(hosted, name.Name)!);
        }));
        return new HostedNamesWire(
            version, [.. names.Names.Select(HostedNameWire.Of)], [.. (await desk.OwnedAsync(cancel)).Select(domain => domain.Text)],
            PlanUseWire.Of(hosted.Use(PlanLimit.Websites, names.Websites), hosted.Book?.Currency), PlanUseWire.Of(hosted.Use(PlanLimit.Subdomains, names.Subdomains), hosted.Book?.Currency), stands);
    }

    // The records of a name that is kept at the host are set with it; what is kept elsewhere is shown to be set there. What cannot be asked now shows as not leading here.
    private async Task PointAsync(Hosted hosted, HostedName name, CancellationToken cancel)
    {
        if (name.Use == NameUse.MailOnly || await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel) is not { } entry)
        {
            return;
        }

        var domain = (await desk.OwnedAsync(cancel)).FirstOrDefault(owned => name.Name == owned || name.Name.Text.EndsWith("." + owned, StringComparison.Ordinal));
        if (domain is null || await panel.ReadAsync(hosted.World, domain.Text, PanelKinds.Zone, null, cancel) is not { } kept || PanelDocuments.Records(kept.Content.AsMemory()) is not { } records)
        {
            return;
        }

        var owner = name.Name == domain ? "@" : name.Name.Text[..^(domain.Text.Length + 1)];
        if (!records.Any(record => record.Owner == owner && record.Type is RecordType.A or RecordType.Cname))
        {
            records = [.. records, new ResourceRecord(owner, Pointing.TtlSeconds, RecordType.A, entry.IPv4), new ResourceRecord(owner, Pointing.TtlSeconds, RecordType.Aaaa, entry.IPv6)];
            await panel.WriteAsync(hosted.World, domain.Text, PanelKinds.Zone, kept.Version, PanelDocuments.Write(records), cancel);
        }
    }
}
