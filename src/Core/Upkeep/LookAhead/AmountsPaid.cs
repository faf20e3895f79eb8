using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Upkeep;

/// <summary>
/// What is paid by card, less what comes back to it, in each currency: after the order nothing is converted.
/// </summary>
/// <param name="Amounts">By currency code; only those of which anything was paid or came back.</param>
/// <param name="IsAtLeast">Whether a part of it is not stated.</param>
public sealed record AmountsPaid(ImmutableSortedDictionary<string, Money> Amounts, bool IsAtLeast)
{
    /// <summary>Nothing.</summary>
    public static readonly AmountsPaid Nothing = new(
        ImmutableSortedDictionary.Create<string, Money>(StringComparer.Ordinal),
        IsAtLeast: false
    );

    /// <summary>What happenings came to.</summary>
    public static AmountsPaid Sum(IEnumerable<Happening> happened)
    {
        var (amounts, isAtLeast) = (new List<Money>(1), false);
        foreach (var happening in happened)
        {
            if (happening is Charged charged)
            {
                Add(amounts, new Money(charged.Total - charged.FromBalance, charged.Currency));
                isAtLeast |= charged.IsAtLeast;
            }
            else if (happening is Refunded refunded)
            {
                Add(amounts, new Money(-refunded.Total, refunded.Currency));
            }
        }

        return amounts.Count == 0
            ? Nothing with
            {
                IsAtLeast = isAtLeast,
            }
            : new AmountsPaid(
                Nothing.Amounts.AddRange(amounts.Select(money => KeyValuePair.Create(money.Currency.Code, money))),
                isAtLeast
            );
    }

    // Nearly always there is one currency.
    private static void Add(List<Money> amounts, Money money)
    {
        var at = amounts.FindIndex(sum => sum.Currency == money.Currency);
        if (at < 0)
        {
            amounts.Add(money);
        }
        else
        {
            amounts[at] += money;
        }
    }

    /// <summary>What of one is not in the other, currency by currency; below zero where it is less.</summary>
    public static AmountsPaid operator -(AmountsPaid left, AmountsPaid right) =>
        right.Amounts.Values.Aggregate(left, (sum, money) =>
            sum.With(new Money(-money.Units, money.Currency), isAtLeast: false)
        ) with
        {
            IsAtLeast = left.IsAtLeast || right.IsAtLeast,
        };

    private AmountsPaid With(Money money, bool isAtLeast) =>
        new(
            Amounts.SetItem(
                money.Currency.Code,
                Amounts.GetValueOrDefault(money.Currency.Code, Money.Zero(money.Currency)) + money
            ),
            IsAtLeast || isAtLeast
        );
}
