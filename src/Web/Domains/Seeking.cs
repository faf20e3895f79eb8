using HomeStart.Data;
using HomeStart.Formats.Domains;
using HomeStart.Web.Session;

namespace HomeStart.Web.Domains;

/// <summary>
/// What a site's candidate makes of the names looked for: who is asked about them, and what they cost with it.
/// </summary>
public sealed class Seeking(Workspace workspace, NameDesk desk, TimeProvider time)
{
    /// <summary>The endings that are sold with a candidate.</summary>
    public IReadOnlyCollection<string> Sold(VersionedSite site, string? view) =>
        [.. Offers(site, view).Select(offer => offer.Ending)];

    public string ProviderOf(string book) =>
        workspace.Books.FirstOrDefault(known => known.Id == book)?.Provider.Name ?? book;

    /// <summary>
    /// Each name under each ending, and who is asked: the first seller of the ending who can be asked from here. Names
    /// that are too long with an ending are left out.
    /// </summary>
    public IReadOnlyList<NameQuestion> Questions(VersionedSite site, string? view, SoughtNames sought)
    {
        var asked = Offers(site, view)
            .ToDictionary(
                offer => offer.Ending,
                offer =>
                    (offer.Sellers.FirstOrDefault(seller => workspace.IsConnected(seller.Book)) ?? offer.Sellers[0])
                        .Book
                        .Id,
                StringComparer.Ordinal
            );
        return
        [
            .. from name in sought.Names
            from ending in sought.Endings
            let domain = asked.ContainsKey(ending) ? DomainName.Parse(name.Label, ending).Domain : null
            where domain is not null
            select new NameQuestion(asked[ending], domain),
        ];
    }

    /// <summary>What new names cost with a candidate, by ending and seller.</summary>
    public async Task<IReadOnlyList<NameCostWire>> CostsAsync(
        VersionedSite site,
        string? view,
        CancellationToken cancel
    )
    {
        var (candidate, settings) = (
            Listed(site, view).Candidate,
            await workspace.CountAsync(site.Site.Settings, cancel)
        );
        return
        [
            .. NameCost
                .ListAll(candidate, workspace.OfferedTo(candidate), settings)
                .Select(cost => NameCostWire.From(cost, settings.DisplayCurrency!)),
        ];
    }

    /// <summary>An answer, with what a premium name costs as a part of the candidate.</summary>
    public async Task<NameAnswerWire> WireAsync(
        NameAnswer answer,
        VersionedSite site,
        string? view,
        CancellationToken cancel
    )
    {
        if (answer.Availability is not { State: AvailabilityState.Premium, Register: { } register, Renew: { } renew })
        {
            return NameAnswerWire.From(answer, time.GetUtcNow());
        }

        var (candidate, settings) = (
            Listed(site, view).Candidate,
            await workspace.CountAsync(site.Site.Settings, cancel)
        );
        var ending = answer.Domain.Text[(answer.Domain.Text.IndexOf('.', StringComparison.Ordinal) + 1)..];
        var cost = NameCost.OfPremium(
            ending,
            answer.Book,
            new PremiumPrices(Exact(register), Exact(renew)),
            candidate,
            workspace.OfferedTo(candidate),
            settings
        );
        return NameAnswerWire.From(
            answer,
            time.GetUtcNow(),
            cost is null ? null : NameCostWire.From(cost, settings.DisplayCurrency!)
        );
    }

    /// <summary>What is looked for with what is known of it.</summary>
    public async Task<SoughtNamesWire> PageAsync(
        VersionedSite site,
        string? view,
        SoughtNames sought,
        IReadOnlyList<RefusedLineWire> refused,
        CancellationToken cancel
    )
    {
        var questions = Questions(site, view, sought);
        var held = site.Site.Held.Select(held => held.Domain?.Text).OfType<string>();
        var known = await desk.AnswersAsync(
            [.. questions.Select(question => question.Domain.Text).Concat(held).Distinct(StringComparer.Ordinal)],
            cancel
        );
        var answers = new List<NameAnswerWire>(known.Count);
        foreach (var answer in known.Values)
        {
            answers.Add(await WireAsync(answer, site, view, cancel));
        }

        return new SoughtNamesWire(
            [.. sought.Names.Select(name => ReadNameWire.From(NameData.Reader.Read(name.Typed, null, null)))],
            sought.Endings,
            answers,
            questions.Count(question =>
                !known.TryGetValue(question.Domain.Text, out var answer)
                || answer.Availability.State == AvailabilityState.Unchecked
                || answer.IsOld(time.GetUtcNow())
            ),
            refused
        );
    }

    private IReadOnlyList<EndingOffer> Offers(VersionedSite site, string? view)
    {
        var candidate = Listed(site, view).Candidate;
        return EndingOffer.ListAll(candidate, workspace.OfferedTo(candidate));
    }

    private static ListedCandidate Listed(VersionedSite site, string? view) =>
        site.Site.Listed(view) ?? site.Site.Shortlist[0];

    private static ExactDecimal Exact(Money money) =>
        ExactDecimal.TryParse(money.ToAmount(), out var exact)
            ? exact
            : throw new InvalidOperationException("An amount is a decimal number.");
}
