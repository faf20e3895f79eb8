namespace HomeStart.Formats.Costings;

/// <summary>A candidate as <c>/api/costings</c> takes it; what is not chosen is null.</summary>
public sealed record CandidateWire(HostingWire? Hosting, IReadOnlyList<DomainWire> Domains)
{
    public static CandidateWire From(Candidate candidate) =>
        new(
            candidate.Hosting is { } hosting
                ? new HostingWire(
                    hosting.Book,
                    hosting.Plan,
                    hosting.EveryMonths,
                    hosting.CommitMonths,
                    hosting.DataCentre,
                    AddOns(hosting.AddOns),
                    hosting.Codes
                )
                : null,
            [.. candidate.Domains.Select(DomainWire.From)]
        );

    internal static IReadOnlyList<AddOnChoiceWire> AddOns(IEnumerable<AddOnChoice> choices) =>
        [.. choices.Select(choice => new AddOnChoiceWire(choice.Id ?? "", choice.Quantity))];
}

public sealed record HostingWire(
    string? Book,
    string? Plan,
    int? EveryMonths,
    int? CommitMonths,
    string? DataCentre,
    IReadOnlyList<AddOnChoiceWire> AddOns,
    IReadOnlyList<string> Codes
);

public sealed record AddOnChoiceWire(string Id, int Quantity);

public sealed record PremiumWire(string? Register, string? Renew);

public sealed record DomainWire(
    DomainRoute Route,
    string? Book,
    string? Name,
    string? Ending,
    int Years,
    bool UseIncluded,
    PremiumWire? Premium,
    IReadOnlyList<AddOnChoiceWire> AddOns,
    IReadOnlyList<string> Codes,
    int InMonths,
    DateOnly? Expires,
    string? Renewal,
    string? Currency
)
{
    public static DomainWire From(DomainChoice domain) =>
        new(
            domain.Route
                ?? throw new InvalidOperationException("A domain without a route is a fault, and never shown."),
            domain.Book,
            domain.Name,
            domain.Ending,
            domain.Years,
            domain.UseIncluded,
            domain.Premium is { } premium
                ? new PremiumWire(premium.Register?.ToString(), premium.Renew?.ToString())
                : null,
            CandidateWire.AddOns(domain.AddOns),
            domain.Codes,
            domain.InMonths,
            domain.Expires,
            domain.Renewal?.ToString(),
            domain.Currency?.Code
        );
}
