using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Ordering;

/// <summary>
/// What one seller was paid for an order, or is to be paid against an invoice: lines before tax that add up to the net,
/// which with the tax is the amount, to the minor unit.
/// </summary>
/// <param name="Number">The order's reference and which of its payments it is.</param>
/// <param name="DueOn">Until when an invoice is to be paid; null: it is paid.</param>
public sealed record Receipt(
    string Number,
    Order Order,
    Payment Payment,
    Money Net,
    Money Tax,
    ImmutableArray<ReceiptLine> Lines,
    DateOnly? DueOn
)
{
    /// <summary>The number of what one of an order's sellers is paid under.</summary>
    public static string NumberOf(Order order, string book) =>
        $"{order.Reference}-{1 + order.Things.Payments.TakeWhile(payment => payment.Book != book).Count()}";

    /// <summary>Of all sellers of an order; none of what was bought at their own pages, which gave their own.</summary>
    public static IEnumerable<Receipt> AllOf(Order order) =>
        order.Things.Payments.Select(payment => ForSeller(order, payment.Book)).OfType<Receipt>();

    /// <summary>
    /// The receipt or open invoice of a seller's; null where there is neither yet, where nothing is paid there, or for
    /// orders of whose payments the tax was not kept.
    /// </summary>
    public static Receipt? ForSeller(Order order, string book)
    {
        var dueOn = order
            .Steps.FirstOrDefault(step =>
                step is { Kind: StepKind.Hold, Way: PayWay.Invoice, Status: StepStatus.Pending } && step.Book == book
            )
            ?.Pending?.Until;
        if (
            order.There is not null
            || (order.State != OrderState.Completed && dueOn is null)
            || order.Things.Payments.FirstOrDefault(payment => payment.Book == book) is not { Tax: { } tax } payment
            || payment.Amount.Units == 0
        )
        {
            return null;
        }

        var items = order.Things.Items.Where(item => item.Book == book).ToList();
        var net = payment.Amount - tax;
        // Prices that hold the tax: each line without its part of it.
        var shares = Sharing.InProportion(net.Units, [.. items.Select(item => item.Amount.Units)]);
        return new Receipt(
            NumberOf(order, book),
            order,
            payment,
            net,
            tax,
            [.. items.Zip(shares, (item, share) => new ReceiptLine(item, new Money(share, net.Currency)))],
            dueOn
        );
    }
}

/// <param name="Net">Before tax, after discounts.</param>
public sealed record ReceiptLine(OrderedItem Item, Money Net);
