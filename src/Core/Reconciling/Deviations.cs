using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Reconciling;

/// <summary>Lists what may differ, in the order of reconciling.md, rule 2.</summary>
internal static class Deviations
{
    public const string AllPlans = "plan";
    public const string OfExtra = "addOn:";
    public const string OfEnding = "domain:";

    public static IEnumerable<Deviation> Find(Situation sent, CostedBill read) =>
        [
            .. Readings(sent),
            .. Extras(sent),
            .. Codes(sent, read),
            .. Promotions(sent, read),
            .. Plans(sent),
            .. Domains(sent, read),
            .. Hosting(sent),
            new(DeviationKind.OtherCustomer),
        ];

    private static IEnumerable<Deviation> Readings(Situation sent)
    {
        yield return new(DeviationKind.WithoutTax);
        if (sent.Book.Tax is { PricesInclude: true } or { Charged: false })
        {
            yield return new(DeviationKind.TaxAdded);
        }

        if (sent.HostingThere is not null && sent.Every > 1)
        {
            yield return new(DeviationKind.AMonth);
        }
    }

    private static IEnumerable<Deviation> Extras(Situation sent)
    {
        var (hosting, domains) = (sent.HostingThere, sent.DomainsThere.ToList());
        foreach (
            var extra in hosting is null
                ? []
                : Offered(sent.Book, AddOnFor.Hosting).Where(extra => !Has(hosting.AddOns, extra.Id))
        )
        {
            yield return new(DeviationKind.ExtraAdded, extra.Id);
        }

        foreach (var (place, domain) in domains)
        {
            foreach (var extra in Offered(sent.Book, AddOnFor.Domain).Where(extra => !Has(domain.AddOns, extra.Id)))
            {
                yield return new(DeviationKind.ExtraAdded, extra.Id, place);
            }
        }

        foreach (var had in hosting?.AddOns ?? [])
        {
            yield return new(DeviationKind.Quantity, had.Id, Number: had.Quantity + 1);
            if (had.Quantity > 1)
            {
                yield return new(DeviationKind.Quantity, had.Id, Number: had.Quantity - 1);
            }
        }

        foreach (var had in hosting?.AddOns ?? [])
        {
            yield return new(DeviationKind.ExtraLeftOut, had.Id);
        }

        foreach (var (place, domain) in domains)
        {
            foreach (var had in domain.AddOns)
            {
                yield return new(DeviationKind.ExtraLeftOut, had.Id, place);
            }
        }
    }

    // What a seller ticks in advance comes first.
    private static IEnumerable<AddOn> Offered(OfferBook book, AddOnFor sort) =>
        book.AddOns.Where(extra => extra.For == sort).OrderByDescending(extra => extra.Preselected);

    private static bool Has(ImmutableArray<AddOnChoice> had, string id) => had.Any(choice => choice.Id == id);

    private static IEnumerable<Deviation> Codes(Situation sent, CostedBill read)
    {
        foreach (
            var code in read.Run.Codes.Where(code => code.Book.Id == sent.BookId && code.Verdict == Verdict.Applied)
        )
        {
            yield return new(DeviationKind.CodeLeftOut, code.Promotion!.Code);
        }

        List<string> others =
        [
            .. sent
                .Book.Promotions.Select(promotion => promotion.Code)
                .OfType<string>()
                .Where(code => !sent.HasEntered(code)),
        ];
        foreach (var code in others)
        {
            yield return new(DeviationKind.CodeAdded, code);
        }

        foreach (var code in sent.CodesThere.Any() ? others : [])
        {
            yield return new(DeviationKind.CodeInstead, code);
        }
    }

    private static IEnumerable<Deviation> Promotions(Situation sent, CostedBill read) =>
        sent
            .Book.Promotions.Where(promotion =>
                promotion.IsAutomatic
                && (read.Bill?.Lines ?? []).Any(line =>
                    line.Discounts.Any(discount => discount.Promotion?.Id == promotion.Id)
                )
            )
            .Select(promotion => new Deviation(DeviationKind.PromotionLeftOut, promotion.Id));

    private static IEnumerable<Deviation> Plans(Situation sent)
    {
        if (sent.PlanThere is not { } plan)
        {
            yield break;
        }

        foreach (
            var option in plan.Billing.Where(option =>
                (option.EveryMonths, option.CommitMonths) != (sent.Every, sent.Commit)
            )
        )
        {
            yield return new(DeviationKind.PaidOtherwise, Way: (option.EveryMonths, option.CommitMonths));
        }

        foreach (
            var other in sent.Book.Plans.Where(other =>
                other.Id != plan.Id && other.Option(sent.Every, sent.Commit) is not null
            )
        )
        {
            yield return new(DeviationKind.OtherPlan, other.Id);
        }
    }

    private static IEnumerable<Deviation> Domains(Situation sent, CostedBill read)
    {
        foreach (var (place, domain) in sent.DomainsThere.Where(there => there.Domain.Route == DomainRoute.Register))
        {
            for (var years = 1; years <= (sent.Book.Domain(domain.Ending)?.MaxYears ?? 0); years++)
            {
                if (years != domain.Years)
                {
                    yield return new(DeviationKind.Years, Domain: place, Number: years);
                }
            }
        }

        foreach (var (place, _) in sent.DomainsThere)
        {
            yield return new(DeviationKind.DomainLeftOut, Domain: place);
        }

        foreach (var (place, _) in sent.DomainsThere.Where(there => HasIncluded(sent, read, there.Place)))
        {
            yield return new(DeviationKind.IncludedNotGiven, Domain: place);
        }
    }

    /// <summary>Whether a domain has a row of the plan's domain-year in the bill.</summary>
    public static bool HasIncluded(Situation situation, CostedBill read, int place) =>
        (read.Bill?.Lines ?? []).Any(line =>
            line.Kind == LineKind.Domain && line.Domain == situation.Places.IndexOf(place) && line.IsWaived
        );

    private static IEnumerable<Deviation> Hosting(Situation sent)
    {
        if (sent.HostingThere is { } hosting)
        {
            if (hosting.DataCentre is not null)
            {
                yield return new(DeviationKind.DataCentre);
            }

            foreach (var centre in sent.Book.DataCentres.Where(centre => centre.Id != hosting.DataCentre))
            {
                yield return new(DeviationKind.DataCentre, centre.Id);
            }

            if (sent.PlanThere!.Billing.Any(option => option.SetupFee is { } fee && fee != 0))
            {
                yield return new(DeviationKind.SetUpLeftOut);
            }
        }

        List<string> later =
        [
            .. sent.HostingThere is null ? Array.Empty<string>() : [AllPlans],
            .. ExtrasHad(sent).Select(id => OfExtra + id),
            .. sent.DomainsThere.Select(there => OfEnding + there.Domain.Ending).Distinct(StringComparer.Ordinal),
        ];
        foreach (var what in later)
        {
            yield return new(DeviationKind.LaterPrice, what);
        }

        if (later.Count > 1)
        {
            yield return new(DeviationKind.LaterPrice);
        }
    }

    /// <summary>The extras that are had there, of hosting first, each once.</summary>
    public static IEnumerable<string> ExtrasHad(Situation situation) =>
        (situation.HostingThere?.AddOns ?? [])
            .Concat(situation.DomainsThere.SelectMany(there => there.Domain.AddOns))
            .Select(had => had.Id!)
            .Distinct(StringComparer.Ordinal);
}
