using System.Collections.Immutable;
using HomeStart.Core.Offers;
using HomeStart.Core.Ordering;

namespace HomeStart.Core.Online;

/// <summary>The plan of a hosting that is had, with the way it is paid for and what was bought with it.</summary>
/// <param name="Option">Null: the book does not sell it that way any more.</param>
public sealed record HostedPlan(OfferBook Book, Plan Plan, BillingOption? Option, ImmutableArray<OrderedItem> Items)
{
    private const long Gigabyte = 1L << 30;

    /// <summary>The plan of an order in its book; null: the book does not sell it any more.</summary>
    public static HostedPlan? Find(Order order, OrderedHosting hosting, OfferBook book)
    {
        ImmutableArray<OrderedItem> items = [.. order.Things.Items.Where(item => item.Book == book.Id)];
        return book.Plan(hosting.Plan) is { } plan
            ? new HostedPlan(
                book,
                plan,
                items.FirstOrDefault(item => item.Kind == LineKind.Plan) is { } paid
                    ? plan.Option(paid.Months, hosting.CommitMonths)
                    : null,
                items
            )
            : null;
    }

    /// <summary>Its storage in bytes; null: without a limit, or not stated.</summary>
    public long? Storage => StorageOf(Plan);

    /// <summary>The storage of a plan in bytes; null: without a limit, or not stated.</summary>
    public static long? StorageOf(Plan plan) =>
        plan.Features["storageGB"]?.Number is { } gigabytes
            ? (long)Math.Min(gigabytes * Gigabyte, long.MaxValue / 2)
            : null;

    /// <summary>How much of something is used up, extras that were bought with it counted in.</summary>
    public PlanUse Use(PlanLimit limit, int used) => PlanUse.Measure(limit, used, Book, Plan, Option, Added(limit));

    /// <summary>How much of something is allowed; null: without a limit, or not stated.</summary>
    public int? Allowed(PlanLimit limit) => Use(limit, 0).Allowed;

    private int Added(PlanLimit limit) =>
        Items
            .Where(item => item is { Kind: LineKind.AddOn, ForDomain: null })
            .Sum(item =>
                Book.AddOn(item.Ref, AddOnFor.Hosting)?.Adds.GetValueOrDefault(PlanUse.FeatureOf(limit))?.Number
                    is { } number
                    ? (int)(number * item.Quantity)
                    : 0
            );
}
