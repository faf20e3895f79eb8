using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Slips;

/// <summary>
/// What to do at the sellers' own pages to buy a candidate there: one part for each seller, hosts first, then in the
/// order of its domains.
/// </summary>
public sealed record Slip(ImmutableArray<SellerSlip> Sellers)
{
    /// <summary>The slip of a costing.</summary>
    public static Slip Write(Costing costing)
    {
        var purchase = costing.Run.Purchase;
        var sellers = purchase
            .Domains.Where(domain => domain.Choice.IsBought)
            .Select(domain => domain.Book)
            .OfType<OfferBook>();
        return new Slip([
            .. (purchase.Hosting is { } hosting ? sellers.Prepend(hosting.Book) : sellers)
                .Distinct()
                .Select(book => SellerSlip.Write(costing, book)),
        ]);
    }
}

/// <summary>What to do at one seller's page.</summary>
/// <param name="Steps">In the order such pages ask.</param>
/// <param name="Today">The bill that must stand there today; null: nothing is due.</param>
/// <param name="Next">The next one; null: none is known of.</param>
/// <param name="Questions">What its price list does not state, and must be asked before buying.</param>
public sealed record SellerSlip(
    OfferBook Book,
    ImmutableArray<SlipStep> Steps,
    SlipBill? Today,
    SlipBill? Next,
    ImmutableArray<SlipQuestion> Questions
)
{
    internal static SellerSlip Write(Costing costing, OfferBook book)
    {
        var bills = costing.Run.Bills.Where(bill => ReferenceEquals(bill.Book, book)).ToList();
        var start = costing.Settings.StartDate;
        return new SellerSlip(
            book,
            [.. StepsAt(costing, book)],
            Bill(bills.Find(bill => bill.Date == start)),
            Bill(
                bills.Find(bill =>
                    bill.Date > start && (bill.IsAtLeast || costing.Counting.Tax(book, bill.Sum).Total > 0)
                )
            ),
            [.. SlipQuestion.ListAll(costing.Run.Purchase, book)]
        );

        SlipBill? Bill(Bill? bill) => bill is null ? null : SlipBill.From(bill, costing.Counting);
    }

    private static IEnumerable<SlipStep> StepsAt(Costing costing, OfferBook book)
    {
        var purchase = costing.Run.Purchase;
        var hosting = ReferenceEquals(purchase.Hosting?.Book, book) ? purchase.Hosting : null;
        if (hosting is not null)
        {
            yield return new SlipStep(SlipStepKind.Plan, hosting.Plan.Id);
            yield return new SlipStep(SlipStepKind.WayToPay) { Option = hosting.Option };
            if (!book.DataCentres.IsEmpty)
            {
                yield return new SlipStep(SlipStepKind.DataCentre, hosting.DataCentre?.Id);
            }
        }

        foreach (
            var domain in purchase.Domains.Where(domain => hosting is not null || ReferenceEquals(domain.Book, book))
        )
        {
            yield return ReferenceEquals(domain.Book, book) && domain.Choice.IsBought
                ? new SlipStep(SlipStepKind.Domain, domain.Choice.Ref)
                {
                    Route = domain.Choice.Route,
                    Quantity = domain.Choice.Years,
                    IsIncluded = costing.Run.Bills.Any(bill =>
                        bill.Date == costing.Settings.StartDate
                        && bill.Lines.Any(line =>
                            line.Kind == LineKind.Domain && line.Waived > 0 && line.Domain == domain.Index
                        )
                    ),
                }
                : new SlipStep(SlipStepKind.DomainElsewhere, domain.Choice.Name is null ? null : domain.Choice.Ref)
                {
                    Route = domain.Choice.Route,
                };
        }

        foreach (var step in Extras(purchase, hosting, book))
        {
            yield return step;
        }

        foreach (
            var code in costing.Run.Codes.Where(code =>
                ReferenceEquals(code.Book, book) && code.Verdict == Verdict.Applied
            )
        )
        {
            yield return new SlipStep(SlipStepKind.Code, code.Code)
            {
                ForDomain =
                    hosting?.Codes.Contains(code.Code) == true
                        ? null
                        : purchase
                            .Domains.FirstOrDefault(domain => domain.Choice.Codes.Contains(code.Code))
                            ?.Choice.Ref,
            };
        }

        yield return new SlipStep(SlipStepKind.Renewing);
    }

    // Those to take, those that come with it, and those that the seller ticks and nobody asked for.
    private static IEnumerable<SlipStep> Extras(Purchase purchase, BoughtHosting? hosting, OfferBook book)
    {
        var domains = purchase
            .Domains.Where(domain => ReferenceEquals(domain.Book, book) && domain.Choice.IsBought)
            .ToList();
        foreach (var extra in book.AddOns)
        {
            if (extra.For == AddOnFor.Hosting && hosting is not null)
            {
                var taken = hosting.AddOns.FirstOrDefault(had => had.AddOn.Id == extra.Id);
                if (Step(extra, taken?.Quantity, hosting.Plan.Includes.Contains(extra.Id), null) is { } step)
                {
                    yield return step;
                }
            }

            foreach (var domain in extra.For == AddOnFor.Domain ? domains : [])
            {
                var includes = domain.Price!.Includes.Concat(
                    ReferenceEquals(purchase.Hosting?.Book, book) ? purchase.Hosting!.Plan.Includes : []
                );
                if (
                    Step(
                        extra,
                        domain.AddOns.FirstOrDefault(had => had.AddOn.Id == extra.Id)?.Quantity,
                        includes.Contains(extra.Id),
                        domain.Choice.Ref
                    ) is
                    { } step
                )
                {
                    yield return step;
                }
            }
        }
    }

    private static SlipStep? Step(AddOn extra, int? taken, bool isIncluded, string? domain) =>
        taken is { } quantity
            ? new SlipStep(SlipStepKind.TakeExtra, extra.Id)
            {
                Quantity = quantity,
                IsIncluded = isIncluded,
                ForDomain = domain,
            }
        : extra.Preselected && !isIncluded ? new SlipStep(SlipStepKind.UntickExtra, extra.Id) { ForDomain = domain }
        : null;
}

/// <summary>One thing to do at a seller's page.</summary>
/// <param name="Ref">The plan's, data centre's or extra's id, the domain written out, or the code; null for a data
/// centre: whichever.</param>
public sealed record SlipStep(SlipStepKind Kind, string? Ref = null)
{
    /// <summary>How the plan is paid.</summary>
    public BillingOption? Option { get; init; }

    /// <summary>Of a domain: how it is had.</summary>
    public DomainRoute? Route { get; init; }

    /// <summary>Years of a domain, units of an extra.</summary>
    public int Quantity { get; init; } = 1;

    /// <summary>Whether it comes with the plan, so that nothing may stand there for it.</summary>
    public bool IsIncluded { get; init; }

    /// <summary>The domain an extra or code is for.</summary>
    public string? ForDomain { get; init; }
}

/// <summary>What is asked, in the order sellers' pages ask it.</summary>
public enum SlipStepKind
{
    /// <summary>Which plan.</summary>
    Plan,

    /// <summary>How often it is paid.</summary>
    WayToPay,

    /// <summary>Where it lies.</summary>
    DataCentre,

    /// <summary>A domain to register, move in or choose later here.</summary>
    Domain,

    /// <summary>A domain that is had elsewhere, or none.</summary>
    DomainElsewhere,

    /// <summary>An extra to take.</summary>
    TakeExtra,

    /// <summary>An extra that is ticked there and not wanted.</summary>
    UntickExtra,

    /// <summary>A code to type.</summary>
    Code,

    /// <summary>What to answer about renewing.</summary>
    Renewing,
}

/// <summary>A bill as it must stand at the seller's. Amounts are minor units of the book's currency.</summary>
/// <param name="Lines">After discounts, before tax on top; those of nothing too.</param>
public sealed record SlipBill(
    DateOnly Date,
    Currency Currency,
    Minor Net,
    Minor Tax,
    bool IsAtLeast,
    ImmutableArray<SlipLine> Lines
)
{
    /// <summary>What has to be paid.</summary>
    public Minor Total => Net + Tax;

    internal static SlipBill From(Bill bill, Counting counting)
    {
        var taxed = counting.Tax(bill.Book, bill.Sum);
        return new SlipBill(
            bill.Date,
            bill.Currency,
            taxed.Net,
            taxed.Tax,
            bill.IsAtLeast,
            [
                .. bill.Lines.Select(line => new SlipLine(
                    line.Kind,
                    line.Ref,
                    line.AfterDiscounts,
                    line.IsUnstated,
                    line.ForDomain
                )),
            ]
        );
    }
}

/// <param name="ForDomain">The domain an extra is for.</param>
public sealed record SlipLine(LineKind Kind, string Ref, Minor Amount, bool IsUnstated, string? ForDomain);

/// <summary>Something to ask a seller before buying.</summary>
/// <param name="Ref">What it is about: a plan's or extra's id, an ending.</param>
public sealed record SlipQuestion(SlipQuestionKind Kind, string Ref)
{
    internal static IEnumerable<SlipQuestion> ListAll(Purchase purchase, OfferBook book)
    {
        var hosting = ReferenceEquals(purchase.Hosting?.Book, book) ? purchase.Hosting : null;
        if (hosting is not null)
        {
            if (hosting.Option.Prices.Steps[^1].Units is null)
            {
                yield return new SlipQuestion(SlipQuestionKind.LaterPrice, hosting.Plan.Id);
            }

            foreach (var extra in hosting.AddOns.Where(had => had.AddOn.Prices.Steps[^1].Units is null))
            {
                yield return new SlipQuestion(SlipQuestionKind.ExtraLater, extra.AddOn.Id);
            }

            if (book.Refund is null)
            {
                yield return new SlipQuestion(SlipQuestionKind.Refund, hosting.Plan.Id);
            }

            if (book.Change is not { CreditsDays: not null, FirstPrice: not null })
            {
                yield return new SlipQuestion(SlipQuestionKind.Change, hosting.Plan.Id);
            }
        }

        foreach (
            var domain in purchase.Domains.Where(domain => ReferenceEquals(domain.Book, book) && domain.Choice.IsBought)
        )
        {
            if (domain.Renew is null)
            {
                yield return new SlipQuestion(SlipQuestionKind.Renewal, domain.Choice.Ref);
            }

            if (domain.Price?.Lapse?.RedemptionFee is null)
            {
                yield return new SlipQuestion(SlipQuestionKind.Redemption, domain.Choice.Ref);
            }
        }

        yield return new SlipQuestion(SlipQuestionKind.Notice, "");
    }
}

/// <summary>What a price list may not state.</summary>
public enum SlipQuestionKind
{
    /// <summary>What the plan costs after its first price.</summary>
    LaterPrice,

    /// <summary>What an extra costs later.</summary>
    ExtraLater,

    /// <summary>What comes back when it is given back.</summary>
    Refund,

    /// <summary>What changing the plan does.</summary>
    Change,

    /// <summary>What renewing a domain costs.</summary>
    Renewal,

    /// <summary>What it costs to have a domain back from redemption.</summary>
    Redemption,

    /// <summary>How long before a renewal one must say no: no price list here states it.</summary>
    Notice,
}
