using System.Collections.Immutable;

namespace HomeStart.Core.Tests;

/// <summary>A site in the demo's nine books on 1 December 2026, to give commands to.</summary>
internal static class Shop
{
    public static readonly DateOnly Today = new(2026, 12, 1);

    public static readonly IReadOnlyList<OfferBook> Books =
    [
        .. Directory
            .GetFiles(Path.Combine(AppContext.BaseDirectory, "demo", "books"))
            .Order(StringComparer.Ordinal)
            .Select(file => BookTests.Read(Path.GetFileName(file))),
    ];

    public static readonly CountSettings Settings = (
        SiteSettings.Default with
        {
            Rates = ImmutableDictionary<string, ExactDecimal>.Empty.Add(
                "USD",
                ExactDecimal.TryParse("0.79", out var rate) ? rate : default
            ),
        }
    ).On(Today);

    public static readonly Needs Asked = new()
    {
        Numbers = ImmutableDictionary<string, decimal>.Empty.Add("websites", 3).Add("mailboxes", 8),
        Certificate = CertificateLevel.Own,
        Extras = ["backup", "privacy"],
        Support = ["phone"],
    };

    /// <summary>ostlerwren.com registered at a book.</summary>
    public static DomainChoice Name(string book) =>
        new(DomainRoute.Register)
        {
            Book = book,
            Name = "ostlerwren",
            Ending = "com",
        };

    /// <summary>A candidate A with a plan and its domain from the same book, paid every so many months.</summary>
    public static Site Choosing(string book, string plan, int everyMonths) =>
        Do(
            Site.Empty("Shop"),
            new ChoosePlan("A", book, plan),
            new ChooseBilling("A", everyMonths, everyMonths),
            new ChooseDomain("A", Name(book))
        );

    public static Worksheet Worked(Site site, string letter = "A") =>
        Worksheet.Fill(site.Listed(letter)!, Books, Settings, Asked);

    public static Costing Costed(Site site, string letter = "A") =>
        Worksheet.CostingOf(site.Listed(letter)!.Candidate, Books, Settings).ShouldNotBeNull();

    /// <summary>The site after commands that must all be carried out.</summary>
    public static Site Do(Site site, params SiteCommand[] commands) => commands.Aggregate(site, (so, command) =>
        {
            var after = SiteChange.Apply(so, command, Books, Today);
            after.Faults.Faults.ShouldBeEmpty();
            return after.Value!;
        });
}
