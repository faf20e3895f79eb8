using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>Tells of amounts that went nowhere, and why.</summary>
internal sealed class LeftOver(PageDraft draft, Evidence evidence)
{
    /// <summary>Of so many amounts that went nowhere it is looked why; no page has more of its own.</summary>
    private const int MostLooked = 2_000;

    /// <summary>The amounts that went nowhere, in their order.</summary>
    public ImmutableArray<NotPlaced> List(string? currency)
    {
        var left = ImmutableArray.CreateBuilder<NotPlaced>();
        var looked = 0;
        foreach (var line in draft.Lines)
        {
            var from = line.From;
            foreach (var (number, amount) in line.Amounts.Index())
            {
                if (!evidence.IsPlaced(amount))
                {
                    if (++looked > MostLooked)
                    {
                        left.Add(new NotPlaced(amount.At, IsForeign(amount, currency) ? "other-currency" : "unknown"));
                        continue;
                    }

                    var before = draft.Page.Between(from, amount.At.From);
                    var to = number + 1 < line.Amounts.Length ? line.Amounts[number + 1].At.From : line.Seen.At.To;
                    left.Add(
                        new NotPlaced(
                            amount.At,
                            Why(amount, line, before, draft.Page.Between(amount.End, to), currency)
                        )
                    );
                }

                from = Math.Max(from, amount.End);
            }
        }

        return left.ToImmutable();
    }

    private string Why(PageAmount amount, Line line, string before, string behind, string? currency)
    {
        if (draft.Why.TryGetValue(amount, out var known))
        {
            return known;
        }

        if (IsForeign(amount, currency))
        {
            return "other-currency";
        }

        if (draft.DomainPrices.OtherTerms.Contains(amount))
        {
            return "other-term";
        }

        if (draft.IsExample(amount))
        {
            return "example";
        }

        if (Offers.IsNoHosting(line.Words))
        {
            return "not-hosting";
        }

        var stop = behind.IndexOf(". ", StringComparison.Ordinal);
        return Roles.Classify(amount, before, stop < 0 ? behind : behind[..stop]) switch
        {
            Role.Worth => "worth",
            Role.Saving => "saving",
            Role.Total or Role.WithTax => "total",
            Role.Example => "example",
            Role.NotHosting => "not-hosting",
            _ when Roles.IsWithoutTax(before) => "total",
            _ => "unknown",
        };
    }

    /// <summary>Whether an amount is in another currency than the page's.</summary>
    public static bool IsForeign(PageAmount amount, string? currency) =>
        currency is not null && amount.Currency is { } own && own != currency;
}
