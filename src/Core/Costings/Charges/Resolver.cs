using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// Finds what a candidate names in the books, and says what is wrong with it (the table of errors in costing.md). A
/// null id was reported when the candidate was read, or has not been chosen yet; it adds no fault here, but nothing can
/// be costed with it.
/// </summary>
public sealed class Resolver
{
    /// <summary>How many domains one candidate may have.</summary>
    public const int MostDomains = 20;

    private const string Root = "candidate";

    private readonly IReadOnlyList<OfferBook> _books;
    private readonly CountSettings _settings;
    private readonly FaultList _faults;
    private bool _complete = true;

    private Resolver(IReadOnlyList<OfferBook> books, CountSettings settings, FaultList faults) =>
        (_books, _settings, _faults) = (books, settings, faults);

    /// <summary>
    /// The purchase a candidate stands for, or null where it is not complete or <paramref name="faults"/> holds any
    /// fault, also an earlier one.
    /// </summary>
    public static Purchase? Resolve(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList faults
    )
    {
        var resolver = new Resolver(books, settings, faults);
        var hosting = candidate.Hosting is { } choice ? resolver.Hosting(choice) : null;
        var domains = resolver.Domains(candidate);
        return resolver._complete && !faults.Any && (hosting ?? (object?)domains.FirstOrDefault()) is not null
            ? new Purchase(settings.StartDate, settings.Customer, hosting, domains, [.. books])
            : null;
    }

    /// <summary>One domain of a candidate with hosting; null with what bars it in <paramref name="faults"/>.</summary>
    internal static BoughtDomain? ResolveDomain(
        DomainChoice choice,
        IReadOnlyList<OfferBook> books,
        CountSettings settings,
        FaultList faults
    ) => new Resolver(books, settings, faults).Domain(choice, 0, hasHosting: true);

    private BoughtHosting? Hosting(HostingChoice choice)
    {
        const string where = $"{Root}.hosting";
        CheckMonths(choice.EveryMonths, $"{where}.everyMonths");
        CheckMonths(choice.CommitMonths, $"{where}.commitMonths");
        if (Book(choice.Book, $"{where}.book") is not { } book)
        {
            return null;
        }

        var plan = Found(choice.Plan, book.Plan, $"{where}.plan", id => new NoSuchPlanThere(book.Provider.Name, id));
        var centre = choice.DataCentre is null
            ? null
            : Found(choice.DataCentre, book.DataCentre, $"{where}.dataCentre", id => new NoSuchDataCentre(
                book.Provider.Name,
                id
            ));
        var addOns = AddOns(book, AddOnFor.Hosting, choice.AddOns, where);
        return plan is not null && Option(plan, choice, where) is { } option
            ? new BoughtHosting(book, plan, option, centre, addOns, choice.Codes)
            : null;
    }

    private BillingOption? Option(Plan plan, HostingChoice choice, string where)
    {
        if (choice.EveryMonths is not { } every)
        {
            _complete = false;
            return null;
        }

        var commit = choice.CommitMonths ?? every;
        var option = plan.Option(every, commit);
        if (option is null && InRange(every) && InRange(commit))
        {
            _faults.Add(FaultCodes.Unknown, $"{where}.everyMonths", new NotPaidLikeThis(plan.Name, every, commit));
        }

        return option;
    }

    private ImmutableArray<BoughtDomain> Domains(Candidate candidate)
    {
        if (candidate.Domains.Length > MostDomains)
        {
            _faults.Add(
                FaultCodes.OutOfRange,
                $"{Root}.domains",
                new TooManyDomains(candidate.Domains.Length, MostDomains)
            );
        }

        _faults.AddDuplicates(
            candidate.Domains.Select(domain =>
                domain is { Name: not null, Ending: not null } ? domain.Ref.ToLowerInvariant() : null
            ),
            index => $"{Root}.domains[{index}]",
            Listed.Domain
        );
        return
        [
            .. candidate
                .Domains.Select((choice, index) => Domain(choice, index, candidate.Hosting is not null))
                .OfType<BoughtDomain>(),
        ];
    }

    private BoughtDomain? Domain(DomainChoice choice, int index, bool hasHosting)
    {
        var where = $"{Root}.domains[{index}]";
        CheckName(choice, where);
        switch (choice.Route)
        {
            case DomainRoute.Register or DomainRoute.Later or DomainRoute.Transfer:
                return Bought(choice, index, where);
            case DomainRoute.Keep:
                RefuseAddOns(choice, where);
                return Kept(choice, index, where);
            case DomainRoute.Lent:
                RefuseAddOns(choice, where);
                if (!hasHosting)
                {
                    _faults.Add(FaultCodes.Required, $"{where}.route", new LentWithoutHost());
                }

                return new BoughtDomain(index, choice, null, null);
            default:
                _complete = false;
                return null;
        }
    }

    private BoughtDomain? Bought(DomainChoice choice, int index, string where)
    {
        if (choice.InMonths is < 0 or > CountSettings.LongestHorizon)
        {
            _faults.Add(
                FaultCodes.OutOfRange,
                $"{where}.inMonths",
                new LaterOutOfRange(CountSettings.LongestHorizon, choice.InMonths)
            );
        }

        if (choice.Route == DomainRoute.Transfer)
        {
            CheckExpires(choice, where);
        }

        if (Book(choice.Book, $"{where}.book") is not { } book)
        {
            CheckYears(choice, 10, where);
            return null;
        }

        var addOns = AddOns(book, AddOnFor.Domain, choice.AddOns, where);
        var register = Premium(choice.Premium?.Register, book, $"{where}.premium.register");
        var renew = Premium(choice.Premium?.Renew, book, $"{where}.premium.renew");
        var price = Found(choice.Ending, book.Domain, $"{where}.ending", id => new EndingNotSold(
            book.Provider.Name,
            id
        ));
        CheckYears(choice, price?.MaxYears ?? 10, where);
        if (price is null)
        {
            return null;
        }

        if (choice.Route == DomainRoute.Transfer && price.Transfer is null)
        {
            _faults.Add(FaultCodes.Unavailable, $"{where}.route", new NoTransfers(book.Provider.Name, price.Ending));
        }

        return new BoughtDomain(index, choice, book, book.Currency)
        {
            Price = price,
            Register = choice.Premium is null ? price.Register : register,
            Renew = choice.Premium is null ? price.Renew : renew,
            AddOns = addOns,
        };
    }

    private BoughtDomain? Kept(DomainChoice choice, int index, string where)
    {
        CheckExpires(choice, where);
        if (choice.Currency is null || choice.Renewal is null || choice.Expires is null)
        {
            _complete = false;
        }

        return choice is { Currency: { } currency, Renewal: { } renewal }
            ? new BoughtDomain(index, choice, null, currency)
            {
                Renew = Amounts.Read(renewal, currency, $"{where}.renewal", _faults),
            }
            : null;
    }

    // An address that the host lends is the host's own to name.
    private void CheckName(DomainChoice choice, string where)
    {
        if (
            choice is { Name: { } name, Ending: { } ending, Route: not (DomainRoute.Lent or null) }
            && DomainName.Parse(name, ending).Fault is { } fault
        )
        {
            _faults.Add(
                FaultCodes.BadType,
                $"{where}.{(fault.Part == DomainPart.Label ? "name" : "ending")}",
                new NotADomain(fault)
            );
        }
    }

    private void CheckExpires(DomainChoice choice, string where)
    {
        if (choice.Expires is not { } expires)
        {
            _complete = false;
        }
        else if (expires < _settings.StartDate)
        {
            _faults.Add(FaultCodes.Expired, $"{where}.expires", new HasExpired(expires));
        }
        else if (choice.Route == DomainRoute.Transfer && expires > _settings.StartDate.AddMonths(120))
        {
            _faults.Add(FaultCodes.TooManyYears, $"{where}.expires", new PaidTooFarAhead());
        }
    }

    private void CheckYears(DomainChoice choice, int most, string where)
    {
        if (choice.Route != DomainRoute.Transfer && (choice.Years < 1 || choice.Years > most))
        {
            _faults.Add(FaultCodes.OutOfRange, $"{where}.years", new YearsOutOfRange(most, choice.Years));
        }
    }

    private Minor? Premium(ExactDecimal? amount, OfferBook book, string where) =>
        amount is { } stated ? Amounts.Read(stated, book.Currency, where, _faults) : null;

    private void RefuseAddOns(DomainChoice choice, string where)
    {
        foreach (var (index, addOn) in choice.AddOns.Index())
        {
            if (addOn.Id is { } id)
            {
                _faults.Add(FaultCodes.Unknown, $"{where}.addOns[{index}].id", new ExtraWithoutBook(id));
            }
        }
    }

    private ImmutableArray<BoughtAddOn> AddOns(
        OfferBook book,
        AddOnFor sort,
        ImmutableArray<AddOnChoice> choices,
        string where
    )
    {
        _faults.AddDuplicates(
            choices.Select(choice => choice.Id),
            index => $"{where}.addOns[{index}].id",
            Listed.Extra
        );
        var bought = ImmutableArray.CreateBuilder<BoughtAddOn>();
        foreach (var (index, choice) in choices.Index())
        {
            if (choice.Quantity is < 1 or > AddOnChoice.Largest)
            {
                _faults.Add(
                    FaultCodes.OutOfRange,
                    $"{where}.addOns[{index}].quantity",
                    new QuantityOutOfRange(AddOnChoice.Largest, choice.Quantity)
                );
            }

            if (Found(choice.Id, id => book.AddOn(id, sort), $"{where}.addOns[{index}].id", Missing) is { } addOn)
            {
                bought.Add(new BoughtAddOn(addOn, choice.Quantity, book.AddOns.IndexOf(addOn)));
            }
        }

        return bought.ToImmutable();

        FaultReason Missing(string id) =>
            sort switch
            {
                AddOnFor.Hosting => new NoSuchHostingExtra(book.Provider.Name, id),
                AddOnFor.Domain => new NoSuchDomainExtra(book.Provider.Name, id),
            };
    }

    private OfferBook? Book(string? id, string where) =>
        Found(id, wanted => _books.FirstOrDefault(book => book.Id == wanted), where, id => new NoSuchBook(id));

    private T? Found<T>(string? id, Func<string, T?> find, string where, Func<string, FaultReason> missing)
        where T : class
    {
        var found = id is null ? null : find(id);
        if (id is null)
        {
            _complete = false;
        }
        else if (found is null)
        {
            _faults.Add(FaultCodes.Unknown, where, missing(id));
        }

        return found;
    }

    private void CheckMonths(int? months, string where)
    {
        if (months is { } given && !InRange(given))
        {
            _faults.Add(FaultCodes.OutOfRange, where, new MonthsOutOfRange(CountSettings.LongestHorizon, given));
        }
    }

    private static bool InRange(int months) => months is >= 1 and <= CountSettings.LongestHorizon;
}
