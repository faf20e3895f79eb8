using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;
using HomeStart.Core.Outside;

namespace HomeStart.Core.Ordering;

/// <summary>What an order agrees to: taken from the costing the owner saw.</summary>
public static class Placing
{
    /// <summary>What is bought today by a costing, or why it cannot be ordered.</summary>
    /// <param name="isConnected">Whether a book's seller can be ordered from here; without it all can.</param>
    public static Result<OrderedThings> Prepare(Costing costing, Func<OfferBook, bool>? isConnected = null)
    {
        var faults = new FaultList();
        if (
            costing.Run.Purchase.Books.FirstOrDefault(book =>
                costing.Run.Purchase.BuysAt(book) && isConnected?.Invoke(book) == false
            ) is
            { } stranger
        )
        {
            faults.Add(FaultCodes.Unavailable, "candidate", new NotConnected(stranger.Provider.Name));
        }

        var today = Today(costing);
        if (today.Exists(bill => bill.IsAtLeast))
        {
            faults.Add(FaultCodes.Unavailable, "candidate", new UnstatedToday());
        }

        return Result.From(faults.Any ? null : Things(costing, today), faults);
    }

    /// <summary>The things with every seller paid what its quote says.</summary>
    public static OrderedThings Quoted(OrderedThings things, IReadOnlyCollection<Quote> quotes) =>
        things with
        {
            Payments =
            [
                .. things.Payments.Select(payment =>
                    quotes.First(quote => quote.Book == payment.Book) is var quote
                        ? payment with
                        {
                            Amount = quote.Total,
                            Tax = quote.Tax,
                            TaxPercent = quote.TaxPercent,
                        }
                        : payment
                ),
            ],
        };

    /// <summary>What each seller is asked to name its sum for: its part of what is bought today.</summary>
    /// <param name="country">The holder's (ISO 3166).</param>
    public static ImmutableArray<SellerPurchase> Asked(Costing costing, Candidate candidate, string country) =>
        [
            .. Today(costing)
                .Select(bill => bill.Book!)
                .Distinct()
                .Select(book => new SellerPurchase(
                    book.Id,
                    costing.Settings.StartDate,
                    candidate.At(book.Id),
                    !costing.Settings.Customer.IsNewAt(book),
                    country
                )),
        ];

    /// <summary>
    /// What was bought at the sellers' own pages by a costing: whoever sells it, and whatever its price list does not
    /// state.
    /// </summary>
    public static OrderedThings There(Costing costing) => Things(costing, Today(costing));

    private static List<Bill> Today(Costing costing) =>
        costing.Run.Bills.Where(bill => bill.Date == costing.Settings.StartDate && bill.Book is not null).ToList();

    private static OrderedThings Things(Costing costing, List<Bill> today)
    {
        var purchase = costing.Run.Purchase;
        return new OrderedThings(
            [.. today.Select(bill => Payment(costing, bill)).Where(payment => payment is not null)!],
            purchase.Hosting is { } hosting ? Hosting(hosting, purchase.Domains.FirstOrDefault()) : null,
            [
                .. from domain in purchase.Domains
                where domain is { Choice.Route: DomainRoute.Register or DomainRoute.Transfer, Book: not null }
                select Domain(
                    domain,
                    domain.Book!,
                    ReferenceEquals(purchase.Hosting?.Book, domain.Book) ? purchase.Hosting!.Plan : null
                ),
            ],
            [.. today.SelectMany(bill => bill.Lines.Select(line => Item(bill, line)))],
            new Money(costing.Totals.DueToday, costing.Currency)
        );
    }

    private static Payment? Payment(Costing costing, Bill bill)
    {
        var taxed = costing.Counting.Tax(bill.Book, bill.Sum);
        return taxed.Total == 0
            ? null
            : new Payment(
                bill.Book!.Id,
                bill.Book.Provider.Name,
                new Money(taxed.Total, bill.Currency),
                new Money(taxed.Tax, bill.Currency),
                bill.Book.Tax.Charged ? costing.Settings.TaxPercent : null
            );
    }

    private static OrderedHosting Hosting(BoughtHosting hosting, BoughtDomain? domain) =>
        new(
            hosting.Book.Id,
            hosting.Book.Provider.Name,
            hosting.Plan.Id,
            hosting.Plan.Name,
            domain?.Choice is { Route: DomainRoute.Register or DomainRoute.Transfer or DomainRoute.Keep } choice
                ? choice.Domain
                : null,
            hosting.Option.CommitMonths
        );

    /// <param name="plan">Of the same seller: what it holds counts for the domain too, whether it was asked for or
    /// not.</param>
    private static OrderedDomain Domain(BoughtDomain domain, OfferBook seller, Plan? plan)
    {
        var isPrivate = domain
            .AddOns.Select(bought => bought.AddOn.Id)
            .Concat(domain.Price!.Includes)
            .Concat(plan?.Includes ?? [])
            .Any(id => seller.AddOn(id, AddOnFor.Domain)?.Provides == "privacy");
        return new OrderedDomain(
            seller.Id,
            seller.Provider.Name,
            domain.Choice.Domain,
            domain.Choice.Years,
            isPrivate,
            domain.Choice.Premium is null ? null : new Money(domain.Register!.Value, seller.Currency)
        )
        {
            Route = domain.Choice.Route!.Value,
        };
    }

    private static OrderedItem Item(Bill bill, BillLine line)
    {
        var book = bill.Book!;
        var name = line.Kind switch
        {
            LineKind.Plan or LineKind.Setup => book.Plan(line.Ref)!.Name,
            LineKind.DataCentre => book.DataCentre(line.Ref)!.Name,
            LineKind.Domain => line.Ref,
            LineKind.AddOn => book.AddOns.First(addOn => addOn.Id == line.Ref).Name,
            _ => throw new InvalidOperationException($"An order has no lines of kind {line.Kind}."),
        };
        return new OrderedItem(
            line.Kind,
            line.Ref,
            name,
            book.Id,
            book.Provider.Name,
            line.Quantity,
            line.Cover is { } cover ? Months.WholeBetween(cover.From, cover.Until) : 0,
            new Money(line.AfterDiscounts, bill.Currency),
            line.Cover?.From,
            line.Cover?.Until,
            line.IsIncluded || line.Waived > 0
        )
        {
            ForDomain = line.ForDomain,
        };
    }
}
