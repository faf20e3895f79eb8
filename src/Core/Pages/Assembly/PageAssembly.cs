using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>
/// Puts the reading of a page together from what was found, with its sources, what went nowhere, and its doubts.
/// </summary>
internal static class PageAssembly
{
    /// <summary>The reading of a page that is read to its end.</summary>
    public static PageReading Assemble(PageDraft draft)
    {
        var plans = draft.Plans.Where(plan => plan.Ways.Count > 0).ToList();
        var prices = plans.SelectMany(plan => plan.Ways).Select(way => way.Price).ToList();
        var all = draft.Lines.SelectMany(line => line.Amounts).ToList();
        var (currency, currencyAt) = PageCurrency.Of(draft.Lines, prices, all);
        var evidence = new Evidence(PageCurrency.DecimalsOf(currency));
        var names = plans
            .Where(plan => plan.Name is not null)
            .Select(plan => plan.Name!)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        var (provider, providerAt) = SellerName.In(draft.Page, draft.Lines, names);
        var (tax, taxAt, isTwice) = TaxStatement.In(draft.Lines);
        var (refund, refundAt) = RefundTime.In(draft.Lines);
        if (
            tax is null
            && !isTwice
            && prices.Count > 0
            && prices.All(price => Roles.IsWithoutTax(draft.Page.Between(price.At.To, price.At.To + 20)))
        )
        {
            (tax, taxAt) = ("on-top", prices[0].At);
        }

        evidence.Source("/provider", provider, providerAt);
        evidence.Source("/currency", currency, currencyAt);
        evidence.Source("/tax", tax, taxAt);
        evidence.Source("/refundDays", refund, refundAt);
        if (currency is null)
        {
            evidence.Doubt("currency-not-said", "/currency");
        }

        if (tax is null)
        {
            evidence.Doubt(isTwice ? "two-values" : "tax-not-said", "/tax");
        }

        foreach (var plan in plans)
        {
            plan.Ways.RemoveAll(way => LeftOver.IsForeign(way.Price, currency));
        }

        plans.RemoveAll(plan => plan.Ways.Count == 0);
        var read = plans
            .Select((plan, number) => new PlanAssembly(draft, evidence).Assemble(plan, $"/plans/{number}"))
            .ToImmutableArray();
        var domains = draft
            .DomainPrices.Found.Where(one => !LeftOver.IsForeign(one.Register ?? one.Renew ?? one.Transfer!, currency))
            .Select((one, number) => Domain(evidence, one, $"/domains/{number}"))
            .ToImmutableArray();
        var extras = draft
            .Extras.Where(one => !LeftOver.IsForeign(one.Price, currency))
            .OrderBy(one => one.NameAt.From)
            .Select((one, number) => Extra(evidence, one, $"/extras/{number}"))
            .ToImmutableArray();
        var codes = draft.Codes.Select((one, number) => Code(evidence, one, $"/codes/{number}")).ToImmutableArray();
        return new PageReading(
            provider,
            currency,
            tax,
            refund,
            read,
            domains,
            extras,
            codes,
            evidence.Sources,
            new LeftOver(draft, evidence).List(currency),
            evidence.Doubts,
            draft.Page.Text
        );
    }

    private static ReadDomain Domain(Evidence evidence, DomainDraft one, string at)
    {
        evidence.Source($"{at}/ending", one.Ending, one.At);
        var register = one.Register is { } first ? evidence.Amount($"{at}/register", first) : null;
        var renew =
            one.Renew is { } later ? evidence.Amount($"{at}/renew", later)
            : one.IsPlain && one.Register is { } same ? evidence.Amount($"{at}/renew", same)
            : null;
        return new ReadDomain(
            one.Ending,
            register,
            renew,
            one.Transfer is { } transfer ? evidence.Amount($"{at}/transfer", transfer) : null
        );
    }

    private static ReadExtra Extra(Evidence evidence, ExtraDraft one, string at)
    {
        evidence.Source($"{at}/name", one.Name, one.NameAt);
        return new ReadExtra(one.Name, evidence.Amount($"{at}/price", one.Price), one.Per, one.IsTicked);
    }

    private static ReadCode Code(
        Evidence evidence,
        (string Code, string? Percent, PageAmount? Amount, PageSpan At) one,
        string at
    )
    {
        evidence.Source($"{at}/code", one.Code, one.At);
        return new ReadCode(
            one.Code,
            one.Percent,
            one.Amount is { } amount ? evidence.Amount($"{at}/amount", amount) : null
        );
    }
}
