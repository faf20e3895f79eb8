using HomeStart.Data;
using HomeStart.Formats.Domains;
using HomeStart.Web.Domains;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;

namespace HomeStart.Web.Online;

/// <summary>Asks everybody between a domain and its host at once.</summary>
internal sealed class ChainDesk(
    OnlineDesk desk,
    Orders.OrderDesk orders,
    Workspace workspace,
    IHostingCompany hosts,
    IHostPanel panel,
    IRegistrar registrar,
    NameServerDesk nameServers,
    TimeProvider time
)
{
    /// <param name="ask">Whether the certificate is asked for first.</param>
    public async Task<Results<Ok<NameChainWire>, NoContent, NotFoundProblem, SilentProblem>> AnswerAsync(
        Guid orderId,
        bool ask,
        CancellationToken cancel
    )
    {
        if (await orders.FindAsync(orderId, cancel) is not { } row)
        {
            return new NotFoundProblem("There is no such order here.");
        }

        if (Documents.Read<Order>(row.Document) is { There: not null } bought)
        {
            return await ThereAsync(bought, new World(row.WorldId), cancel) is { } chain
                ? TypedResults.Ok(chain)
                : TypedResults.NoContent();
        }

        if (await desk.FindAsync(orderId, cancel) is not { Domain: { } domain } hosted)
        {
            return TypedResults.NoContent();
        }

        var (world, today) = (hosted.World, await workspace.BusinessDateAsync(cancel));
        var entry = hosts.EntryAsync(world, hosted.Hosting.Book, cancel);
        var (record, zone, places) = (
            registrar.LookUpAsync(world, domain, cancel),
            nameServers.ZoneOfAsync(world, domain, cancel),
            nameServers.PlacesAsync(world, domain, cancel)
        );
        var (server, certificate) = (
            panel.VisitAsync(world, domain, cancel),
            panel.CertificateAsync(world, hosted.Account.Id, domain, ask, today, cancel)
        );
        await Task.WhenAll(entry, record, zone, places, server, certificate);
        if (await entry is not { } known)
        {
            return new SilentProblem(
                $"{hosted.Hosting.Provider} does not answer where it takes names in. Try again in a while."
            );
        }

        // A borrowed address is the host's own: no registry has it by itself.
        var facts = new NameFacts(
            known,
            known.Lends(domain) ? known.NameServers
                : (await record)?.NameServers is { } servers ? [.. servers]
                : null,
            await zone,
            [.. await places]
        )
        {
            ServerStatus = await server,
            Certificate = await certificate,
        };
        return TypedResults.Ok(
            NameChainWire.From(domain, hosted.Hosting.Provider, NameChain.From(facts), facts, time.GetUtcNow()) with
            {
                Site = desk.AddressOf(hosted, domain)!,
            }
        );
    }

    // What was bought at a seller's own page is held against its key sheet: everybody is asked but the host, who knows
    // nothing of us.
    private async Task<NameChainWire?> ThereAsync(Order order, World world, CancellationToken cancel)
    {
        if (
            order is not { Things.Hosting: { } hosting }
            || order.There!.Keys.AsEntry() is not { } entry
            || (order.Things.Domains.FirstOrDefault()?.Name ?? hosting.Address) is not { } domain
        )
        {
            return null;
        }

        var (record, zone, places, server) = (
            registrar.LookUpAsync(world, domain, cancel),
            nameServers.ZoneOfAsync(world, domain, cancel),
            nameServers.PlacesAsync(world, domain, cancel),
            panel.VisitAsync(world, domain, cancel)
        );
        await Task.WhenAll(record, zone, places, server);
        var facts = new NameFacts(
            entry,
            (await record)?.NameServers is { } servers ? [.. servers] : null,
            await zone,
            [.. await places]
        )
        {
            ServerStatus = await server,
        };
        return NameChainWire.From(domain, hosting.Provider, NameChain.From(facts), facts, time.GetUtcNow());
    }
}
