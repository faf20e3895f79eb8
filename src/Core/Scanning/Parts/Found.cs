using HomeStart.Core.Costings;

namespace HomeStart.Core.Scanning;

/// <summary>A feasible candidate: a way to buy hosting, a way to have the domain, and what both come to.</summary>
internal sealed record Found(HostWay Host, DomainWay Domain, Part Hosting, Part Names)
{
    public PartTotals PartTotals { get; } = Hosting.PartTotals + Names.PartTotals;

    public Candidate ToCandidate()
    {
        var whole = Merged();
        return new Candidate(
            new HostingChoice(Host.Book.Id, Host.Plan.Id, Host.Option.EveryMonths, Host.Option.CommitMonths)
            {
                DataCentre = Host.DataCentre?.Id,
                AddOns = whole.HostingExtras,
                Codes = whole.HostingCodes,
            },
            Domain.Choice is { } choice ? [choice with { AddOns = whole.DomainExtras, Codes = whole.DomainCodes }] : []
        );
    }

    /// <summary>Both parts as one; a part bought at one book together holds everything already.</summary>
    public Part Merged() =>
        ReferenceEquals(Names, Part.Nothing)
            ? Hosting
            : new Part
            {
                PartTotals = PartTotals,
                Bought = Hosting.Bought + Names.Bought,
                HostingExtras = Hosting.HostingExtras,
                DomainExtras = Names.DomainExtras,
                HostingCodes = Hosting.HostingCodes,
                DomainCodes = Names.DomainCodes,
            };
}
