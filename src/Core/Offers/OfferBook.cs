using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Offers;

/// <summary>
/// One provider's price list. All prices are minor units of <see cref="Currency"/>. Ids are unique within their list
/// and compare ordinally. A book from outside is made only by the reader in Formats, which checks it whole with
/// <see cref="BookRules"/>.
/// </summary>
public sealed record OfferBook(string Id, Provider Provider, DateOnly AsOf, Currency Currency)
{
    private const int OldAfterDays = 60;

    /// <summary>Whether it charges tax, and whether its prices hold it.</summary>
    public BookTax Tax { get; init; } = new(PricesInclude: false, Charged: true);

    /// <summary>The hosting it sells; none: it sells domains alone.</summary>
    public ImmutableArray<Plan> Plans { get; init; } = [];

    /// <summary>Where a site can lie; none: it says nothing of it.</summary>
    public ImmutableArray<DataCentre> DataCentres { get; init; } = [];

    /// <summary>The extras it sells.</summary>
    public ImmutableArray<AddOn> AddOns { get; init; } = [];

    /// <summary>The endings it sells.</summary>
    public ImmutableArray<DomainPrice> Domains { get; init; } = [];

    /// <summary>Its codes and automatic discounts.</summary>
    public ImmutableArray<Promotion> Promotions { get; init; } = [];

    /// <summary>What leaving early gives back; null: not stated.</summary>
    public RefundRule? Refund { get; init; }

    /// <summary>What changing plan or way to pay does; null: not stated.</summary>
    public ChangeRule? Change { get; init; }

    /// <summary>
    /// Read so long before a day that its prices may have changed since: that is said before ordering.
    /// </summary>
    public bool IsOldOn(DateOnly day) => AsOf.AddDays(OldAfterDays) < day;

    /// <summary>The plan of an id; null where there is none.</summary>
    public Plan? Plan(string? id) => Plans.FirstOrDefault(plan => plan.Id == id);

    /// <summary>The data centre of an id; null where there is none.</summary>
    public DataCentre? DataCentre(string? id) => DataCentres.FirstOrDefault(centre => centre.Id == id);

    /// <summary>The extra of an id, of one of the two sorts; null where there is none.</summary>
    public AddOn? AddOn(string? id, AddOnFor sort) =>
        AddOns.FirstOrDefault(addOn => addOn.Id == id && addOn.For == sort);

    /// <summary>What it asks for an ending; null where it does not sell it.</summary>
    public DomainPrice? Domain(string? ending) => Domains.FirstOrDefault(price => price.Ending == ending);

    /// <summary>The promotion a typed code belongs to; ASCII case does not matter (costing rule 18).</summary>
    public Promotion? PromotionOf(string code) =>
        Promotions.FirstOrDefault(promotion =>
            promotion.Code is not null && Ascii.EqualsIgnoreCase(promotion.Code, code)
        );
}

/// <summary>Who sells, and through which channels they help.</summary>
public sealed record Provider(string Name, ImmutableArray<string>? Support)
{
    /// <summary>Plain facts an owner may want: what the provider says of itself, one sentence each.</summary>
    public ImmutableArray<string> Facts { get; init; } = [];
}

/// <summary>Whether a book charges tax at all, and whether its prices hold it already (costing rule 22).</summary>
public sealed record BookTax(bool PricesInclude, bool Charged);

/// <summary>A data centre and what it adds to each month of a plan; null or zero: nothing (costing rule 6).</summary>
public sealed record DataCentre(string Id, string Name, string? Region, Minor? PerMonth);

/// <summary>
/// What an ending costs at this book. A null price is not stated; <see cref="Transfer"/> says whether a transfer is
/// offered at all.
/// </summary>
public sealed record DomainPrice(
    string Ending,
    Minor? Register,
    Minor? Renew,
    TransferPrice? Transfer,
    int MaxYears,
    ImmutableArray<string> Includes,
    string? Requires
)
{
    /// <summary>The words of the seller's page that it was read from; empty: it was not read from one.</summary>
    public ImmutableArray<PrintedWords> ReadFrom { get; init; } = [];

    /// <summary>What follows when it is not renewed; null: not stated.</summary>
    public LapseRule? Lapse { get; init; }

    /// <summary>What the registry's public record shows of the holder; null: not stated.</summary>
    public PublicRecordRule? PublicRecord { get; init; }
}

/// <summary>The price of moving a domain in; a null price is not stated.</summary>
public sealed record TransferPrice(Minor? Price);

/// <summary>What leaving within <see cref="Days"/> gives back (costing rule 29).</summary>
public sealed record RefundRule(
    int Days,
    int MinCommitMonths,
    ImmutableArray<LineMatch> Excludes,
    bool DeductsIncludedDomain
);

/// <summary>What changing plan or way to pay does (upkeep rule 14); a null part is not stated.</summary>
/// <param name="CreditsDays">Whether the days that are left of what was paid are credited.</param>
/// <param name="FirstPrice">Whether the first price counts for the new plan.</param>
public sealed record ChangeRule(bool? CreditsDays, bool? FirstPrice);

/// <summary>
/// What follows when a domain is not renewed (upkeep rule 11): days in each state, and the fee in minor units to redeem
/// it; a null part is not stated.
/// </summary>
public sealed record LapseRule(int? GraceDays, int? RedemptionDays, Minor? RedemptionFee, int? PendingDays);
