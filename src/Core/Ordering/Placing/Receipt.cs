using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Ordering;

/// <summary>What one seller was paid for an order: lines before tax that add up to the net, which with the tax is what was paid, to the minor unit.</summary>
/// <param name="Number">The order's reference and which of its payments it is.</param>
public sealed record Receipt(string Number, Order Order, Payment Payment, Money Net, Money Tax, ImmutableArray<ReceiptLine> Lines)
{
    /// <summary>The receipt of a seller's; null while the order is not paid, where nothing was paid there, or for orders of whose payments the tax was not kept.</summary>
    public static Receipt? Of(Order order, string book)
    {
        var payments = order.Things.Payments;
        if (order.State != OrderState.Completed || payments.FirstOrDefault(payment => payment.Book == book) is not { Tax: { } tax } payment)
        {
            return null;
        }

        var items = order.Things.Items.Where(item => item.Book == book).ToList();
        var net = payment.Amount - tax;
        var shares = Sharing.InProportion(net.Units, [.. items.Select(item => item.Amount.Units)]); // Prices that hold the tax: each line without its part of it.
        return new Receipt($"{order.Reference}-{1 + payments.IndexOf(payment)}", order, payment, net, tax, [.. items.Zip(shares, (item, share) => new ReceiptLine(item, new Money(share, net.Currency)))]);
    }
}

/// <param name="Net">Before tax, after discounts.</param>
public sealed record ReceiptLine(OrderedItem Item, Money Net);
