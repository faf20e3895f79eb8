using System.Text.Json.Serialization;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Sites;

/// <summary>Everything the page shows of one candidate.</summary>
/// <param name="Faults">Why it cannot be costed, where that is not merely that something is not chosen yet.</param>
public sealed record WorksheetWire(
    string Letter,
    CandidateWire Candidate,
    CostingWire? Costing,
    SummaryWire? Summary,
    TimelineWire? Timeline,
    IReadOnlyList<FaultWire> Faults,
    IReadOnlyList<DataCentreOptionWire> DataCentres,
    IReadOnlyList<WayToPayWire> WaysToPay,
    IReadOnlyList<ExtraWire> Extras,
    IReadOnlyList<DomainSellerWire> DomainSellers,
    IReadOnlyList<EndingWire> Endings,
    IReadOnlyList<DomainWayWire> DomainWays,
    IReadOnlyList<CodeCureWire> CodeCures,
    BestCodesWire? BestCodes,
    IReadOnlyList<KnownCodeWire> KnownCodes,
    DifferentDaysWire? DifferentDays,
    PublicRecordWire? PublicRecord,
    IncludedYearWire? IncludedYear,
    LaterClaimWire? Claim,
    TermsWire? Terms
);

/// <summary>When domain and hosting first renew, where that is not one day.</summary>
public sealed record DifferentDaysWire(DateOnly Domain, DateOnly Hosting);

/// <summary>An ending that a domain of the candidate may have, and who sells it.</summary>
/// <param name="Asked">The book whose registrar says whether a name is free.</param>
public sealed record EndingWire(string Ending, string Asked, IReadOnlyList<EndingSellerWire> Sellers)
{
    internal static EndingWire From(EndingOffer offer) =>
        new(offer.Ending, offer.Sellers[0].Book.Id, [.. offer.Sellers.Select(EndingSellerWire.From)]);
}

/// <param name="Register">The first year's price; null: not stated. So for the others.</param>
/// <param name="IncludedFromMonths">From which commitment on the candidate's plan gives a year of it; null: it gives
/// none.</param>
public sealed record EndingSellerWire(
    string Book,
    string Provider,
    string? Register,
    string? Renew,
    bool TakesTransfers,
    string Currency,
    int? IncludedFromMonths
)
{
    internal static EndingSellerWire From(EndingSeller seller)
    {
        return new EndingSellerWire(
            seller.Book.Id,
            seller.Book.Provider.Name,
            Amount(seller.Price.Register),
            Amount(seller.Price.Renew),
            seller.Price.Transfer is not null,
            seller.Book.Currency.Code,
            seller.Included?.MinCommitMonths
        );

        string? Amount(Int128? units) =>
            units is { } stated ? new Money(stated, seller.Book.Currency).ToAmount() : null;
    }
}

/// <summary>What the public record of a domain shows of its holder once ordering registers it.</summary>
/// <param name="IsPrivate">Contact privacy is taken or comes with it.</param>
/// <param name="Privacy">How the registry lets a holder be hidden; null: not stated.</param>
/// <param name="Shown">The fields that anybody can read as it would be ordered; null: not stated.</param>
/// <param name="ShownWithout">Those without contact privacy, and <paramref name="ShownWith"/> those with it.</param>
public sealed record PublicRecordWire(
    string Domain,
    string Seller,
    bool IsPrivate,
    RecordPrivacy? Privacy,
    IReadOnlyList<string>? Shown,
    IReadOnlyList<string>? ShownWithout,
    IReadOnlyList<string>? ShownWith
)
{
    internal static PublicRecordWire From(OrderedDomain domain, PublicRecordRule? rule) =>
        new(
            domain.Name!.Text,
            domain.Seller,
            domain.Private,
            rule?.Privacy,
            rule?.ShownWith(domain.Private),
            rule?.ShownWith(hasPrivacy: false),
            rule?.ShownWith(hasPrivacy: true)
        );
}

/// <summary>What buying agrees to.</summary>
/// <param name="Stamp">Sent along with the order: that these are the sentences that were read.</param>
public sealed record TermsWire(string Stamp, IReadOnlyList<AgreedTermWire> Sentences)
{
    internal static TermsWire From(Costing costing)
    {
        var terms = TermWords.Agreed(costing);
        return new TermsWire(
            TermWords.Stamp(terms),
            [.. terms.Select(term => new AgreedTermWire(term.Seller, term.Sentence))]
        );
    }
}

/// <summary>One sentence of what is agreed to, and whose it is.</summary>
public sealed record AgreedTermWire(string Seller, string Sentence);

/// <summary>Which of several domains has the plan's domain-year.</summary>
/// <param name="Saves">Over the horizon, in the display currency, against spending it on the next best.</param>
public sealed record IncludedYearWire(string Domain, string Saves);

/// <summary>Until when the plan's domain-year must be claimed.</summary>
/// <param name="Before">The first day on which it is too late.</param>
/// <param name="Missed">The first year's price then, in <paramref name="Currency"/>, before tax where the book adds it;
/// null: not stated.</param>
public sealed record LaterClaimWire(
    string Provider,
    string Ending,
    DateOnly Before,
    bool EveryYear,
    string? Missed,
    string Currency
)
{
    internal static LaterClaimWire From(LaterClaim claim) =>
        new(
            claim.Book.Provider.Name,
            claim.Ending,
            claim.Before,
            claim.EveryYear,
            claim.Missed is { } units ? new Money(units, claim.Book.Currency).ToAmount() : null,
            claim.Book.Currency.Code
        );
}

/// <summary>What people misread about a way to pay.</summary>
public sealed record WayNoteWire(WayNoteKind Kind, bool IsDayAfter);

/// <summary>Something that is wrong.</summary>
/// <param name="Where">Of what was sent: a path such as <c>candidate.hosting.plan</c>.</param>
/// <param name="Cure">Left out where nothing on another page mends it.</param>
public sealed record FaultWire(
    string Code,
    string Where,
    string Message,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] FaultCure? Cure = null
)
{
    public static FaultWire From(Fault fault) =>
        new(fault.Code, fault.Where, FaultWords.Sentence(fault), FaultCures.For(fault.Reason));
}

/// <param name="EachLaterYear">What each year after the first comes to, where they are all alike.</param>
/// <param name="StepTimes">How many times its first price the plan costs later: "2.8".</param>
public sealed record SummaryWire(
    string Currency,
    SumWire Today,
    SumWire RestOfFirstYear,
    SumWire? EachLaterYear,
    SumWire Horizon,
    string? StepTimes
);

/// <summary>Bills through time in the display currency; parts add up to their bar.</summary>
public sealed record TimelineWire(bool IsByYear, IReadOnlyList<BarWire> Bars);

public sealed record BarWire(
    DateOnly Date,
    string Total,
    bool AtLeast,
    string Plan,
    string Domain,
    string Extras,
    string Setup,
    string Tax,
    IReadOnlyList<BarWire> Within
);

/// <summary>A way to pay, with the columns the ledger would have.</summary>
/// <param name="FreeMonths">How many come on top of the first bill.</param>
/// <param name="First">Its first price a month, in <paramref name="Currency"/>, the book's.</param>
/// <param name="Later">Its last price a month; null where it is not stated.</param>
/// <param name="Saving">Against the way that binds least; null: it is that way, or either cannot be told.</param>
/// <param name="Cells">As the ledger's totals; null where it cannot be costed.</param>
/// <param name="SetupFee">In the book's currency; null: none.</param>
public sealed record WayToPayWire(
    int EveryMonths,
    int CommitMonths,
    int FreeMonths,
    bool IsChosen,
    string First,
    string? Later,
    string Currency,
    string? SetupFee,
    SavingWire? Saving,
    IReadOnlyList<SumWire>? Cells,
    SumWire? Folded,
    SumWire? Total,
    NextWire? NextDue,
    string? HorizonChange,
    string? TodayChange,
    bool DomainIncluded,
    WayNoteWire? Note
);

/// <summary>
/// What a way to pay comes to over the horizon against the way that binds least, in the display currency.
/// </summary>
/// <param name="Change">Below zero is less.</param>
public sealed record SavingWire(int AgainstEveryMonths, int AgainstCommitMonths, string Change)
{
    internal static SavingWire From(Saving saving, Currency currency) =>
        new(saving.Against.EveryMonths, saving.Against.CommitMonths, new Money(saving.Change, currency).ToAmount());
}
