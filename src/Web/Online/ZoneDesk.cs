using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Online;

/// <summary>The zones of an owner's domains, wherever they are kept.</summary>
internal sealed class ZoneDesk(OnlineDesk desk, IHostPanel panel, IHostingCompany hosts, IRegistrar registrar)
{
    /// <summary>The zone as the page shows it; without a version where it is kept elsewhere.</summary>
    public async Task<Results<Ok<ZoneWire>, NotFoundProblem, SilentProblem>> GetAsync(
        Guid orderId,
        string? typed,
        CancellationToken cancel
    )
    {
        if (await WhichAsync(orderId, typed, cancel) is not var (hosted, domain))
        {
            return OnlineDesk.Missing();
        }

        return await FindAsync(hosted, domain, null, cancel) is var (kept, records)
                ? TypedResults.Ok(await WireAsync(hosted, domain, kept.Version, records, cancel))
            : await IsSilentAsync(hosted, cancel) ? OnlineDesk.Silent(hosted)
            : TypedResults.Ok(
                new ZoneWire(domain.Text, 0, "somebody else", false, [], await DomainsAsync(hosted, cancel))
            );
    }

    /// <summary>The zone as a file.</summary>
    public async Task<Results<FileContentHttpResult, NotFoundProblem, HostProblem>> FileAsync(
        Guid orderId,
        string? typed,
        CancellationToken cancel
    )
    {
        if (await WhichAsync(orderId, typed, cancel) is not var (hosted, domain))
        {
            return OnlineDesk.Missing();
        }

        return await FindAsync(hosted, domain, null, cancel) is var (_, records)
            ? TypedResults.File(
                Encoding.UTF8.GetBytes(ZoneFile.Write(domain, records)),
                "text/dns; charset=utf-8",
                $"{domain}.zone"
            )
            : await NotHereAsync(hosted, domain, cancel);
    }

    /// <summary>Puts records in place of those that were seen.</summary>
    public async Task<Results<Ok<ZoneWire>, NotFoundProblem, UnprocessableProblem, HostProblem>> ChangeAsync(
        Guid orderId,
        string? typed,
        int seen,
        ImmutableArray<ResourceRecord> records,
        CancellationToken cancel
    )
    {
        if (await WhichAsync(orderId, typed, cancel) is not var (hosted, domain))
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        ZoneRules.Check(domain, records, faults);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        var answer = await panel.WriteAsync(
            hosted.World,
            domain.Text,
            PanelKinds.Zone,
            seen,
            PanelDocuments.Write(records),
            cancel
        );
        return answer.State == PanelState.Done
            ? TypedResults.Ok(await WireAsync(hosted, domain, answer.Version, records, cancel))
            : OnlineDesk.Explain(answer, hosted);
    }

    /// <summary>Says what a zone file or a ready set would change, and changes nothing.</summary>
    public async Task<Results<Ok<ZoneChangeWire>, NotFoundProblem, UnprocessableProblem, HostProblem>> TryAsync(
        Guid orderId,
        string? typed,
        JsonElement body,
        CancellationToken cancel
    )
    {
        if (await WhichAsync(orderId, typed, cancel) is not var (hosted, domain))
        {
            return OnlineDesk.Missing();
        }

        if (await FindAsync(hosted, domain, null, cancel) is not var (_, now))
        {
            return await NotHereAsync(hosted, domain, cancel);
        }

        if (await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel) is not { } entry)
        {
            return Silent(hosted);
        }

        var faults = new FaultList();
        var after = Wanted(new Node(body, "", faults), domain, now, entry, cancel);
        if (after is { } records && !faults.Any)
        {
            ZoneRules.Check(domain, records, faults);
        }

        return faults.Any
            ? new UnprocessableProblem(faults)
            : TypedResults.Ok(ZoneChangeWire.From(ZoneChange.Between(now, after!.Value), after.Value));
    }

    /// <summary>Puts the version before in place of the one that is seen.</summary>
    public async Task<Results<Ok<ZoneWire>, NotFoundProblem, UnprocessableProblem, HostProblem>> BackAsync(
        Guid orderId,
        string? typed,
        int seen,
        CancellationToken cancel
    )
    {
        if (await WhichAsync(orderId, typed, cancel) is not var (hosted, domain))
        {
            return OnlineDesk.Missing();
        }

        return seen > 0 && await FindAsync(hosted, domain, seen - 1, cancel) is var (_, before)
            ? await ChangeAsync(orderId, typed, seen, before, cancel)
            : OnlineDesk.NoneBefore();
    }

    private static ImmutableArray<ResourceRecord>? Wanted(
        Node node,
        DomainName domain,
        ImmutableArray<ResourceRecord> now,
        HostEntry entry,
        CancellationToken cancel
    )
    {
        if (node["zoneFile"].Element is { ValueKind: JsonValueKind.String } file)
        {
            return ZoneFileReader.Read(file.GetString()!, domain, node.Faults, cancel);
        }

        if (node["set"].IsAbsent)
        {
            node["set"].Required("A zone file or a ready set");
        }

        return node["set"].Word(RecordReader.Sets) is { } set
            ? ReadySets.Put(set, now, new Pointing(domain, entry, null, false), node["argument"].Text(), node.Faults)
            : null;
    }

    private async Task<(Hosted Hosted, DomainName Domain)?> WhichAsync(
        Guid orderId,
        string? typed,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return null;
        }

        var domain = typed is null ? hosted.Domain : DomainName.Parse(typed.Trim().ToLowerInvariant());
        return domain is not null && (domain == hosted.Domain || (await desk.OwnedAsync(cancel)).Contains(domain))
            ? (hosted, domain)
            : null;
    }

    private async Task<(KeptDocument Kept, ImmutableArray<ResourceRecord> Records)?> FindAsync(
        Hosted hosted,
        DomainName domain,
        int? version,
        CancellationToken cancel
    ) =>
        await panel.ReadAsync(hosted.World, domain.Text, PanelKinds.Zone, version, cancel) is { } kept
        && PanelDocuments.Records(kept.Content.AsMemory()) is { } records
            ? (kept, records)
            : null;

    private async Task<ZoneWire> WireAsync(
        Hosted hosted,
        DomainName domain,
        int version,
        IEnumerable<ResourceRecord> records,
        CancellationToken cancel
    ) =>
        ZoneWire.From(
            domain,
            version,
            await ServedByAsync(hosted, domain, cancel),
            records,
            await DomainsAsync(hosted, cancel)
        );

    private async Task<IReadOnlyList<string>> DomainsAsync(Hosted hosted, CancellationToken cancel) =>
        [.. (await desk.OwnedAsync(cancel)).Append(hosted.Domain!).Distinct().Select(domain => domain.Text)];

    private async Task<string> ServedByAsync(Hosted hosted, DomainName domain, CancellationToken cancel) =>
        (await registrar.LookUpAsync(hosted.World, domain, cancel))?.NameServers is { Count: > 0 } servers
            ? string.Join(", ", servers)
            : "the registrar it was bought from";

    private async Task<bool> IsSilentAsync(Hosted hosted, CancellationToken cancel) =>
        await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel) is null;

    private static HostProblem Silent(Hosted hosted) =>
        new(StatusCodes.Status503ServiceUnavailable, OnlineDesk.Silent(hosted).Detail);

    private async Task<HostProblem> NotHereAsync(Hosted hosted, DomainName domain, CancellationToken cancel) =>
        await IsSilentAsync(hosted, cancel)
            ? Silent(hosted)
            : new HostProblem(
                StatusCodes.Status409Conflict,
                $"The records of {domain} are kept elsewhere: see and change them there."
            );
}
