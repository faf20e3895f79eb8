using System.Collections.Immutable;
using static HomeStart.Core.Pages.CartWords;

namespace HomeStart.Core.Pages;

/// <summary>Puts the reading of a cart together, with its sources, what went nowhere, and whether it adds up.</summary>
internal sealed class CartAssembly(PageText page, IReadOnlyList<Line> lines, CartDraft cart)
{
    /// <summary>The reading of a cart that is read to its end.</summary>
    public CartReading Assemble()
    {
        var all = lines.SelectMany(line => line.Amounts).ToList();
        var (currency, currencyAt) = PageCurrency.Of(lines, [], all);
        var evidence = new Evidence(PageCurrency.DecimalsOf(currency));
        KnownPlan();
        Fit();
        var names = cart.Items.SelectMany(item => new[] { item.Name, PlanBlocks.NameOf(item.Name) });
        var (provider, providerAt) = SellerName.In(page, lines, names.ToHashSet(StringComparer.OrdinalIgnoreCase));
        evidence.Source("/provider", provider, providerAt);
        evidence.Source("/currency", currency, currencyAt);
        if (currency is null)
        {
            evidence.Doubt("currency-not-said", "/currency");
        }

        var bought = cart.Items.Select((item, number) => Bought(evidence, item, $"/lines/{number}")).ToImmutableArray();
        var discounts = cart
            .Discounts.Select((discount, number) => TakenOff(evidence, discount, $"/discounts/{number}"))
            .ToImmutableArray();
        var (subtotal, tax, total) = (
            Sum(evidence, cart.Subtotal, "/subtotal"),
            Sum(evidence, cart.Tax, "/tax"),
            Sum(evidence, cart.Total, "/total")
        );
        var (inside, addsUp) = Adding();
        return new CartReading(
            provider,
            currency,
            bought,
            discounts,
            subtotal,
            tax,
            total,
            inside,
            addsUp,
            evidence.Sources,
            [
                .. all.Where(amount => !evidence.IsPlaced(amount))
                    .Select(amount => new NotPlaced(amount.At, cart.Why.GetValueOrDefault(amount) ?? "unknown")),
            ],
            evidence.Doubts,
            page.Text
        );
    }

    private static CartLine Bought(Evidence evidence, CartItemDraft item, string at)
    {
        evidence.Source($"{at}/name", item.Name, item.NameAt);
        evidence.Source($"{at}/amount", "0", item.ZeroAt);
        return new CartLine(
            item.Name,
            item.Kind,
            item.Domain,
            item.Months,
            item.Quantity,
            Sum(evidence, item.Amount, $"{at}/amount") ?? evidence.Text(0),
            Sum(evidence, item.Struck, $"{at}/struck")
        );
    }

    private static CartDiscount TakenOff(
        Evidence evidence,
        (string Name, PageSpan NameAt, PageAmount Amount) discount,
        string at
    )
    {
        evidence.Source($"{at}/name", discount.Name, discount.NameAt);
        return new CartDiscount(
            discount.Name,
            evidence.Amount($"{at}/amount", discount.Amount, words: discount.Amount.At)
        );
    }

    private static string? Sum(Evidence evidence, PageAmount? amount, string at) =>
        amount is null ? null : evidence.Amount(at, amount, words: amount.At);

    // Where the sum does not fit: the smaller of two amounts side by side, or another column of the table (net, before
    // tax and gross), is what is paid where the printed subtotal says so.
    private void Fit()
    {
        if (cart.Subtotal is not { Value: var sum } || cart.Items.Sum(item => item.Amount?.Value ?? 0) == sum)
        {
            return;
        }

        if (cart.Items.Sum(item => (item.Cheaper ?? item.Amount)?.Value ?? 0) == sum)
        {
            foreach (var item in cart.Items.Where(item => item.Cheaper is not null))
            {
                (item.Amount, item.Struck) = (item.Cheaper, item.Amount);
            }

            return;
        }

        var columns = cart.Items.Count == 0 ? 0 : cart.Items.Min(item => item.Earlier.Count);
        for (var column = columns - 1; column >= 0; column--)
        {
            if (cart.Items.Sum(item => item.Earlier[column].Value) == sum)
            {
                foreach (var item in cart.Items)
                {
                    if (item.Amount is { } other)
                    {
                        cart.Why[other] = "total";
                    }

                    item.Amount = item.Earlier[column];
                }

                return;
            }
        }
    }

    // A cart is for a plan: where none is called one, it is the first line with a length that is no domain and no
    // thing, domains aside.
    private void KnownPlan()
    {
        if (
            !cart.Items.Exists(item => item.Kind == "plan")
            && cart.Items.Find(item =>
                item is { Kind: "addOn", Domain: null, Months: not null }
                && !ThingWord.IsMatch(item.Name)
                && !Times.IsMatch(item.Name)
            )
                is { } plan
            && cart.Items.TakeWhile(item => item != plan).All(item => item.Kind == "domain")
        )
        {
            plan.Kind = "plan";
        }
    }

    private (bool? TaxInside, bool? AddsUp) Adding()
    {
        var items = cart.Items.Sum(item => item.Amount?.Value ?? 0);
        var off = cart.Discounts.Sum(discount => discount.Amount.Value);
        var net = items - off;
        bool? inside =
            cart.Tax is null or { Value: 0 } ? null
            : Within.IsMatch(cart.TaxWords) ? true
            : Beyond.IsMatch(cart.TaxWords) ? false
            : cart.Total is null ? null
            : net == cart.Total.Value ? true
            : net + cart.Tax.Value == cart.Total.Value ? false
            : null;
        if (cart.Total is null || cart.Items.Count == 0)
        {
            return (inside, null);
        }

        var fitsSub = cart.Subtotal is null || cart.Subtotal.Value == items || cart.Subtotal.Value == net;
        var whole = net + (inside == true ? 0 : cart.Tax?.Value ?? 0);
        return (inside, fitsSub && whole == cart.Total.Value);
    }
}
