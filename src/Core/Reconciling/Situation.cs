using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Reconciling;

/// <summary>A request as it was sent or as deviations made it, and how the bill of one book and day is read.</summary>
/// <param name="Places">For each domain that is left: its place in the candidate as it was sent.</param>
internal sealed record Situation(
    HostingChoice? Hosting,
    ImmutableArray<DomainChoice> Domains,
    ImmutableArray<int> Places,
    ImmutableArray<OfferBook> Books,
    CountSettings Settings,
    string BookId,
    DateOnly Date
)
{
    public bool WithoutTax { get; init; }

    public bool TaxAdded { get; init; }

    public bool AMonth { get; init; }

    public OfferBook Book => Books.First(book => book.Id == BookId);

    /// <summary>The hosting, where it is bought there.</summary>
    public HostingChoice? HostingThere => Hosting?.Book == BookId ? Hosting : null;

    public Plan? PlanThere => HostingThere is { } hosting ? Book.Plan(hosting.Plan) : null;

    public int Every => HostingThere?.EveryMonths ?? 1;

    public int Commit => HostingThere?.CommitMonths ?? Every;

    /// <summary>The domains that are bought there, with their places in what was sent.</summary>
    public IEnumerable<(int Place, DomainChoice Domain)> DomainsThere =>
        Places.Zip(Domains).Where(domain => domain.Second.IsBought && domain.Second.Book == BookId);

    public DomainChoice? DomainAt(int place) => DomainsThere.FirstOrDefault(domain => domain.Place == place).Domain;

    public IEnumerable<string> CodesThere =>
        (HostingThere?.Codes ?? []).Concat(DomainsThere.SelectMany(domain => domain.Domain.Codes));

    public bool HasEntered(string code) => CodesThere.Any(entered => Ascii.EqualsIgnoreCase(entered, code));

    public Situation WithHosting(Func<HostingChoice, HostingChoice> change) => this with { Hosting = change(Hosting!) };

    public Situation WithDomain(int place, Func<DomainChoice, DomainChoice> change) =>
        this with
        {
            Domains = Domains.SetItem(Places.IndexOf(place), change(Domains[Places.IndexOf(place)])),
        };

    public Situation WithBook(Func<OfferBook, OfferBook> change) =>
        this with
        {
            Books = Books.Replace(Book, change(Book)),
        };

    /// <summary>Every typing of a code there taken away; null: of all.</summary>
    public Situation WithoutCode(string? code)
    {
        return this with
        {
            Hosting = HostingThere is { } hosting ? hosting with { Codes = hosting.Codes.RemoveAll(Goes) } : Hosting,
            Domains =
            [
                .. Domains.Select(domain =>
                    domain.IsBought && domain.Book == BookId
                        ? domain with
                        {
                            Codes = domain.Codes.RemoveAll(Goes),
                        }
                        : domain
                ),
            ],
        };

        bool Goes(string entered) => code is null || Ascii.EqualsIgnoreCase(entered, code);
    }

    /// <summary>
    /// Codes put last among the hosting's there, else among those of the first domain there; unchanged where neither
    /// is.
    /// </summary>
    public Situation WithCodes(IEnumerable<string> codes) =>
        HostingThere is not null ? WithHosting(hosting => hosting with { Codes = [.. hosting.Codes, .. codes] })
        : DomainsThere.Any()
            ? WithDomain(DomainsThere.First().Place, domain => domain with { Codes = [.. domain.Codes, .. codes] })
        : this;

    /// <summary>The bill of the book on the day; null where the request is refused.</summary>
    /// <param name="isWhole">Whether the verdicts of codes are asked for, which only the whole run gives.</param>
    public CostedBill? Cost(bool isWhole = false)
    {
        var faults = new FaultList();
        if (
            Resolver.Resolve(new Candidate(Hosting, Domains), Books, Settings, faults) is not { } purchase
            || !CostingWork.IsBounded(purchase, faults)
        )
        {
            return null;
        }

        // A run to the day is enough, unless a later bill settles whether one of several codes counts.
        var run = BillRun.Until(Date.AddDays(1), purchase);
        run = run.SettlesCodes || (!isWhole && !CodesThere.Skip(1).Any()) ? run : BillRun.Whole(purchase);
        return new CostedBill(
            run,
            run.Bills.FirstOrDefault(bill => bill.Date == Date && bill.Book?.Id == BookId),
            purchase
        );
    }

    /// <summary>
    /// The sum that such a page would show; null where it is not stated whole, or the request is refused.
    /// </summary>
    public Minor? Sum()
    {
        if (Cost() is not { } read || read.Bill is { IsAtLeast: true })
        {
            return null;
        }

        var (taxed, counting) = (TaxedOf(read), new Counting(Settings, Book.Currency));
        var sum = WithoutTax ? taxed.Net : taxed.Total;
        sum += TaxAdded ? Fraction.OfPercent(Settings.TaxPercent).Of(sum) : 0;
        return AMonth ? new Fraction(1, Every).Of(sum) : sum;
    }

    public Taxed TaxedOf(CostedBill read) =>
        read.Bill is { } bill ? new Counting(Settings, bill.Currency).Tax(bill.Book, bill.Sum) : default;
}

/// <param name="Bill">Null: nothing is due there on the day.</param>
internal sealed record CostedBill(BillRun Run, Bill? Bill, Purchase Purchase);
