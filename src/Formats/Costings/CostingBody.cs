using System.Text.Json;

namespace HomeStart.Formats.Costings;

/// <summary>
/// The body of <c>POST /api/costings</c>, for those who call; <see cref="CostingRequestReader"/> reads it with every
/// fault at its place.
/// </summary>
/// <param name="Books">Offer books, as docs/offer-book.schema.json has them; absent: those of the demo.</param>
public sealed record CostingBody(
    DateOnly StartDate,
    int HorizonMonths,
    CandidateBody Candidate,
    OwnerBody? Owner = null,
    DisplayBody? Display = null,
    IReadOnlyList<JsonElement>? Books = null
);

/// <param name="TaxPercent">Such as "20"; absent: 0.</param>
/// <param name="CustomerOf">The books whose sellers the owner is a customer of already.</param>
/// <param name="KeepChancePercent">How likely the site still runs a year on.</param>
public sealed record OwnerBody(
    string? TaxPercent = null,
    bool CountTax = true,
    bool NewCustomer = true,
    IReadOnlyList<string>? CustomerOf = null,
    string? KeepChancePercent = null
);

/// <param name="Rates">By currency code: what one unit of it is worth in <paramref name="Currency"/>.</param>
public sealed record DisplayBody(string? Currency = null, IReadOnlyDictionary<string, string>? Rates = null);

/// <summary>A candidate as it is sent; what is left out is not chosen.</summary>
public sealed record CandidateBody(HostingBody? Hosting = null, IReadOnlyList<DomainBody>? Domains = null);

public sealed record HostingBody(
    string? Book,
    string? Plan,
    int? EveryMonths,
    int? CommitMonths = null,
    string? DataCentre = null,
    IReadOnlyList<AddOnChoiceBody>? AddOns = null,
    IReadOnlyList<string>? Codes = null
);

public sealed record AddOnChoiceBody(string Id, int Quantity = 1);

/// <param name="Expires">For transfer and keep: until when it is paid.</param>
/// <param name="Renewal">For keep: what the outside registrar takes for a year, in <paramref name="Currency"/>.</param>
public sealed record DomainBody(
    DomainRoute Route,
    string? Book = null,
    string? Name = null,
    string? Ending = null,
    int Years = 1,
    bool UseIncluded = true,
    PremiumWire? Premium = null,
    IReadOnlyList<AddOnChoiceBody>? AddOns = null,
    IReadOnlyList<string>? Codes = null,
    int InMonths = 0,
    DateOnly? Expires = null,
    string? Renewal = null,
    string? Currency = null
);
