using HomeStart.Formats.Online;
using HomeStart.Web.Domains;

namespace HomeStart.Web.Online;

/// <summary>What the names of a hosting do, with the records that go with it.</summary>
internal sealed class NameUses(OnlineDesk desk, IHostPanel panel, IHostingCompany hosts, NameServerDesk nameServers)
{
    /// <summary>
    /// The names as the host has them; a domain that was claimed afterwards is the main one where the account began
    /// without.
    /// </summary>
    public async Task<(int Version, HostedNames Names)?> FindAsync(Hosted hosted, CancellationToken cancel) =>
        await desk.ReadAsync(hosted, PanelKinds.Names, PanelDocuments.Names, cancel) is var (version, names)
            ? (version, names.Names.IsEmpty ? HostedNames.ForMain(hosted.Domain) : names)
            : null;

    /// <summary>What the host said of the change, and the names as they are where it is done.</summary>
    public async Task<(PanelAnswer Answer, HostedNamesWire? Names)> ChangeAsync(
        Hosted hosted,
        int seen,
        HostedNames names,
        CancellationToken cancel
    )
    {
        var answer = await desk.WriteAsync(hosted, PanelKinds.Names, seen, PanelDocuments.Write(names), cancel);
        if (answer.State != PanelState.Done)
        {
            return (answer, null);
        }

        await PointAsync(hosted, names, cancel);
        return (answer, await WireAsync(hosted, answer.Version, names, cancel));
    }

    public async Task<HostedNamesWire> WireAsync(
        Hosted hosted,
        int version,
        HostedNames names,
        CancellationToken cancel
    )
    {
        var entry = await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel);
        var stands = await Task.WhenAll(
            names.Names.Select(async name =>
            {
                var (status, zone) = (
                    panel.VisitAsync(hosted.World, name.Name, cancel),
                    nameServers.ZoneOfAsync(hosted.World, name.Name, cancel)
                );
                return new NameStandsWire(
                    name.Name.Text,
                    await status,
                    await zone is { } facts ? entry?.IsLedToBy(facts.Addresses) : null,
                    desk.AddressOf(hosted, name.Name)!
                );
            })
        );
        return new HostedNamesWire(
            version,
            [.. names.Names.Select(HostedNameWire.From)],
            [.. (await desk.OwnedAsync(cancel)).Select(domain => domain.Text)],
            PlanUseWire.From(hosted.Plan?.Use(PlanLimit.Websites, names.Websites), hosted.Plan?.Book.Currency),
            PlanUseWire.From(hosted.Plan?.Use(PlanLimit.Subdomains, names.Subdomains), hosted.Plan?.Book.Currency),
            stands
        );
    }

    // The records of names that are kept at the host are set with them; what is kept elsewhere is shown to be set
    // there. What cannot be asked now shows as not leading here.
    private async Task PointAsync(Hosted hosted, HostedNames names, CancellationToken cancel)
    {
        if (await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel) is not { } entry)
        {
            return;
        }

        foreach (var (domain, owners) in names.OwnersIn(await desk.OwnedAsync(cancel)))
        {
            if (
                await panel.ReadAsync(hosted.World, domain.Text, PanelKinds.Zone, null, cancel) is { } kept
                && PanelDocuments.Records(kept.Content.AsMemory()) is { } records
                && owners.Aggregate(records, entry.Led) is var led
                && led.Length > records.Length
            )
            {
                await panel.WriteAsync(
                    hosted.World,
                    domain.Text,
                    PanelKinds.Zone,
                    kept.Version,
                    PanelDocuments.Write(led),
                    cancel
                );
            }
        }
    }
}
