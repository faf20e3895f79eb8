using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Sites;

/// <summary>
/// The website being started: one document, changed only by <see cref="SiteCommand"/>s, each change a new revision.
/// </summary>
public sealed record Site(string Name, SiteSettings Settings)
{
    /// <summary>The most characters a site's name has.</summary>
    public const int LongestName = 80;

    /// <summary>How long the owner's word for a candidate may be.</summary>
    public const int LongestCandidateName = 40;

    /// <summary>How many candidates a shortlist holds.</summary>
    public const int MostCandidates = 8;

    /// <summary>How many names can be held.</summary>
    public const int MostHeld = 100;

    /// <summary>How many domains a candidate has at most.</summary>
    public const int MostDomains = 5;

    /// <summary>What it must do.</summary>
    public Needs Needs { get; init; } = new();

    /// <summary>In the order the owner arranged it; never empty.</summary>
    public ImmutableArray<ListedCandidate> Shortlist { get; init; } = [];

    /// <summary>Names the owner keeps in mind, in the order they were held.</summary>
    public ImmutableArray<HeldName> Held { get; init; } = [];

    /// <summary>How many letters have been given; a letter is never given again.</summary>
    public int LettersGiven { get; init; }

    /// <summary>A site with nothing chosen: one empty candidate, A.</summary>
    public static Site Empty(string name) => new Site(name, SiteSettings.Default).WithAnother(new Candidate(null, []));

    /// <summary>The candidate of a letter; null where there is none.</summary>
    public ListedCandidate? Listed(string? letter) => Shortlist.FirstOrDefault(listed => listed.Letter == letter);

    /// <summary>The site with one more candidate, under the next letter.</summary>
    public Site WithAnother(Candidate candidate) =>
        this with
        {
            Shortlist = Shortlist.Add(new ListedCandidate(LetterAt(LettersGiven), candidate)),
            LettersGiven = LettersGiven + 1,
        };

    /// <summary>The site with a candidate in the place of the one with its letter.</summary>
    public Site With(ListedCandidate changed) =>
        this with
        {
            Shortlist = [.. Shortlist.Select(listed => listed.Letter == changed.Letter ? changed : listed)],
        };

    // A … Z, then AA, AB …
    private static string LetterAt(int index) =>
        index < 26 ? $"{(char)('A' + index)}" : $"{LetterAt((index / 26) - 1)}{(char)('A' + (index % 26))}";
}

/// <summary>A candidate on the shortlist, under its letter.</summary>
/// <param name="Name">The owner's own word for it; null: none.</param>
public sealed record ListedCandidate(string Letter, Candidate Candidate, string? Name = null);

/// <summary>How the owner counts, for all candidates of a site.</summary>
/// <param name="StartDate">Null: the business date of the day it is looked at.</param>
public sealed record SiteSettings(
    int HorizonMonths,
    DateOnly? StartDate,
    ExactDecimal TaxPercent,
    bool CountTax,
    bool NewCustomer
)
{
    /// <summary>Three years from today, in pounds, with 20% tax.</summary>
    public static readonly SiteSettings Default = new(
        36,
        null,
        ExactDecimal.Whole(20),
        CountTax: true,
        NewCustomer: true
    );

    /// <summary>The code of the currency that sums are shown in.</summary>
    public string DisplayCurrency { get; init; } = "GBP";

    /// <summary>
    /// By currency code: what one unit of it is worth in the display currency, as the owner typed it.
    /// </summary>
    public ImmutableDictionary<string, ExactDecimal> Rates { get; init; } =
        ImmutableDictionary<string, ExactDecimal>.Empty;

    /// <summary>By currency code: the business date on which the owner typed its rate.</summary>
    public ImmutableDictionary<string, DateOnly> RateDates { get; init; } = ImmutableDictionary<string, DateOnly>.Empty;

    /// <summary>How likely the site still runs a year on, in percent; null: not said.</summary>
    public ExactDecimal? KeepChancePercent { get; init; }

    /// <summary>What <see cref="Coster"/> takes, on a business date.</summary>
    /// <param name="customerOf">The ids of the books whose sellers know the owner as a customer; none without
    /// it.</param>
    public CountSettings On(DateOnly businessDate, ImmutableHashSet<string>? customerOf = null) =>
        new(StartDate ?? businessDate, HorizonMonths)
        {
            TaxPercent = TaxPercent,
            CountTax = CountTax,
            Customer = new CustomerStatus(NewCustomer, customerOf ?? []),
            KeepChancePercent = KeepChancePercent,
            DisplayCurrency = Currency.Get(DisplayCurrency),
            Rates = Rates,
        };
}
