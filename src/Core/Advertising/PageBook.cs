using System.Collections.Immutable;
using System.Globalization;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;
using HomeStart.Core.Pages;

namespace HomeStart.Core.Advertising;

/// <summary>What an owner answers where a page does not say it, and which of its plans they take.</summary>
/// <param name="TaxInside">Whether the prices hold the tax; null: as the page says.</param>
public sealed record PageAnswers(
    string? Provider,
    Currency? Currency,
    bool? TaxInside,
    ImmutableArray<PlanAnswer> Plans
);

/// <summary>What an owner answers about one plan, by its place on the page.</summary>
public sealed record PlanAnswer(int Plan, bool IsTaken, string? Name, ImmutableArray<WayAnswer> Ways);

/// <summary>What an owner answers about one way to pay, by its place in its plan.</summary>
public sealed record WayAnswer(int Way, int? Months, HowPaid? Paid);

/// <summary>
/// Makes the offer book of a page: each plan that is taken with its ways to pay, limits and domain, and the page's
/// extras, endings and codes.
/// </summary>
public sealed class PageBook
{
    private static readonly ImmutableDictionary<string, string> KindNames = ImmutableDictionary.CreateRange(
        StringComparer.Ordinal,
        [
            KeyValuePair.Create("backup", "Backup"),
            KeyValuePair.Create("privacy", "Contact privacy"),
            KeyValuePair.Create("malware-watch", "Malware watch"),
            KeyValuePair.Create("search-help", "Search listing help"),
            KeyValuePair.Create("design-help", "Design help"),
        ]
    );

    private readonly PageReading _page;
    private readonly PageAnswers _answers;
    private readonly FaultList _faults;
    private readonly Currency _currency;
    private readonly DateOnly _readOn;

    private PageBook(PageReading page, PageAnswers answers, FaultList faults, Currency currency, DateOnly readOn) =>
        (_page, _answers, _faults, _currency, _readOn) = (page, answers, faults, currency, readOn);

    /// <summary>The book; null, with what is still to be answered as faults, where it cannot be made.</summary>
    /// <param name="id">The book's id.</param>
    /// <param name="readOn">The day the page was read.</param>
    public static OfferBook? Make(PageReading page, PageAnswers answers, string id, DateOnly readOn, FaultList faults)
    {
        var provider = (answers.Provider ?? page.Provider)?.Trim();
        if (string.IsNullOrEmpty(provider))
        {
            faults.Add(FaultCodes.Required, "provider", new PageSellerMissing());
        }

        var currency = answers.Currency ?? (Currency.TryGet(page.Currency, out var printed) ? printed : null);
        if (currency is null)
        {
            faults.Add(FaultCodes.Required, "currency", new PageCurrencyMissing());
            return null;
        }

        var inside = answers.TaxInside
            ?? page.Tax switch
            {
                "inside" => true,
                "on-top" => false,
                _ => null,
            };
        if (inside is null)
        {
            faults.Add(FaultCodes.Required, "tax", new PageTaxMissing());
        }

        return new PageBook(page, answers, faults, currency, readOn).Whole(id, provider ?? "", inside ?? false, readOn);
    }

    private OfferBook? Whole(string id, string provider, bool inside, DateOnly readOn)
    {
        var taken = _page.Plans.Index().Where(pair => AnswerOf(pair.Index)?.IsTaken != false).ToList();
        if (taken.Count == 0)
        {
            _faults.Add(
                FaultCodes.Required,
                "plans",
                _page.Plans.IsEmpty ? new PageWithoutPlans() : new PagePlansLeft()
            );
        }

        var kinds = taken.SelectMany(pair => pair.Item.Includes).Distinct(StringComparer.Ordinal).ToList();
        var extras = Extras(kinds).ToList();
        var plans = new List<Plan>();
        foreach (var (index, plan) in taken)
        {
            plans.Add(Plan(index, plan, plans));
        }

        return _faults.Any
            ? null
            : new OfferBook(id, new Provider(provider, null), readOn, _currency)
            {
                Tax = new BookTax(inside, Charged: true),
                Plans = [.. plans],
                AddOns = [.. kinds.Select(Included), .. extras],
                Domains = Domains(),
                Promotions =
                [
                    .. _page
                        .Codes.DistinctBy(code => code.Code, StringComparer.OrdinalIgnoreCase)
                        .Select(Promotion)
                        .OfType<Promotion>(),
                ],
                Refund = _page.RefundDays is { } days
                    ? new RefundRule(days, 0, [], DeductsIncludedDomain: false)
                    : null,
            };
    }

    // What comes with some plans at no price: what it costs with another is not stated.
    private static AddOn Included(string kind) =>
        new(
            kind,
            KindNames[kind],
            AddOnFor.Hosting,
            ChargeEvery.Month,
            new PriceSteps([new PriceStep(1, 0), new PriceStep(null, null)])
        )
        {
            Provides = kind,
        };

    private PlanAnswer? AnswerOf(int plan) => _answers.Plans.FirstOrDefault(answer => answer.Plan == plan);

    private Plan Plan(int index, ReadPlan read, List<Plan> before)
    {
        var answer = AnswerOf(index);
        var name = (answer?.Name ?? read.Name)?.Trim();
        if (string.IsNullOrEmpty(name))
        {
            _faults.Add(FaultCodes.Required, $"plans[{index}].name", new PagePlanNameless());
        }

        var options = read.Ways.Index().Select(pair => Way(index, pair.Index, pair.Item, read, answer)).ToList();
        var ways = options.OfType<BillingOption>().ToList();
        foreach (var way in ways.GroupBy(way => (way.EveryMonths, way.CommitMonths)).Where(group => group.Count() > 1))
        {
            _faults.Add(FaultCodes.DuplicateId, $"plans[{index}].ways", new PageWaysAlike(way.Key.EveryMonths));
        }

        return new Plan(
            Slug.Free(Slug.Make(name ?? "", "plan"), id => before.Exists(known => known.Id == id)),
            name ?? ""
        )
        {
            Billing = [.. ways],
            Features = new Offers.Features(
                read.Features.Select(feature => KeyValuePair.Create(feature.Key, Value(feature.Value)))
                    .ToImmutableSortedDictionary(StringComparer.Ordinal)
            ),
            Includes = read.Includes,
            ReadFrom = WordsOf(index, options),
            IncludedDomain = read.Domain is { } domain
                ? new IncludedDomain(
                    domain.FromMonths ?? 0,
                    [.. domain.Endings.Where(ending => DomainName.ParseEnding(ending) is not null)],
                    Transfer: false,
                    domain.EveryYear,
                    ClaimWithinMonths: 12
                )
                : null,
        };
    }

    // The words behind each price, and behind what the plan has; a sentence that says several things stands once for
    // each.
    private ImmutableArray<PrintedWords> WordsOf(int plan, List<BillingOption?> options)
    {
        var words = new List<PrintedWords>();
        foreach (
            var source in _page.Sources.Where(source =>
                source.At.StartsWith($"/plans/{plan}/", StringComparison.Ordinal)
            )
        )
        {
            var parts = source.At.Split('/');
            var (way, field) =
                parts[3] == "ways"
                    ? (int.Parse(parts[4], CultureInfo.InvariantCulture), parts[5])
                    : ((int?)null, parts[3]);
            var of = field switch
            {
                "price" => "price",
                "later" => "later",
                "months" or "paid" or "freeMonths" => "months",
                "setupFee" => "setup",
                "features" or "includes" => "limits",
                "domain" => "domain",
                _ => null,
            };
            if (of is not null)
            {
                words.Add(
                    new PrintedWords(
                        of,
                        way is { } number ? options[number]?.CommitMonths : null,
                        Printed(source),
                        _readOn
                    )
                );
            }
        }

        return [.. words.Distinct().Take(PrintedWords.Most)];
    }

    private string Printed(ReadSource source) =>
        _page
            .Text[source.Words.From..Math.Min(source.Words.To, source.Words.From + PrintedWords.Longest)]
            .Replace('\u200A', '.')
            .Trim();

    private ImmutableArray<PrintedWords> WordsAt(string at, string of) =>
        [
            .. _page
                .Sources.Where(source => source.At == at)
                .Select(source => new PrintedWords(of, null, Printed(source), _readOn)),
        ];

    private BillingOption? Way(int plan, int number, ReadWay read, ReadPlan of, PlanAnswer? answers)
    {
        var (where, answer) = (
            $"plans[{plan}].ways[{number}]",
            answers?.Ways.FirstOrDefault(known => known.Way == number)
        );
        var months = answer?.Months ?? read.Months;
        var paid = answer?.Paid
            ?? read.Paid switch
            {
                "at-once" => HowPaid.AtOnce,
                "monthly-bound" => HowPaid.MonthlyBound,
                "monthly-free" => HowPaid.MonthlyFree,
                _ => (HowPaid?)null,
            };
        if (months is null && paid == HowPaid.MonthlyFree)
        {
            months = 1;
        }

        if (months is null or < 1 or > CountSettings.LongestHorizon)
        {
            _faults.Add(FaultCodes.Required, $"{where}.months", new PageMonthsMissing(read.Price));
        }

        if (paid is null)
        {
            _faults.Add(FaultCodes.Required, $"{where}.paid", new PagePaidMissing(read.Price));
        }

        var price = Amounts.Read(read.Price, _currency, $"{where}.price", _faults);
        var setup = (read.SetupFee ?? of.SetupFee) is { } fee
            ? Amounts.Read(fee, _currency, $"{where}.setupFee", _faults)
            : null;
        var later = read.Later switch
        {
            null => LaterPrice.NotStated,
            { Price: { } then } => Amounts.Read(then, _currency, $"{where}.later", _faults) is { } units
                ? new LaterPrice(false, new AdvertisedPrice(units, PerOf(read.Later.Per!)))
                : LaterPrice.NotStated,
            _ => LaterPrice.Same,
        };
        if (price is null || months is not (>= 1 and <= CountSettings.LongestHorizon) || paid is null)
        {
            return null;
        }

        var option = new AdvertisedWay(
            new AdvertisedPrice(price.Value, PerOf(read.Per)),
            months.Value,
            paid.Value,
            later
        ).ToOption(setup);
        return option with
        {
            FreeMonths =
                option.EveryMonths == option.CommitMonths ? Math.Min(read.FreeMonths, BillingOption.MostFreeMonths) : 0,
        };
    }

    private static AdvertisedPer PerOf(string per) =>
        per switch
        {
            "month" => AdvertisedPer.Month,
            "year" => AdvertisedPer.Year,
            _ => AdvertisedPer.Term,
        };

    private static FeatureValue Value(object value) =>
        value switch
        {
            decimal number => new FeatureValue(Number: number),
            bool flag => new FeatureValue(Flag: flag),
            ImmutableArray<string> words => new FeatureValue(Words: words),
            _ => new FeatureValue(Word: Convert.ToString(value, CultureInfo.InvariantCulture)),
        };

    private IEnumerable<AddOn> Extras(List<string> kinds)
    {
        var taken = new HashSet<string>(kinds, StringComparer.Ordinal);
        foreach (var (number, extra) in _page.Extras.Index())
        {
            var every = extra.Per switch
            {
                "month" => ChargeEvery.Month,
                "year" => ChargeEvery.Year,
                "once" => ChargeEvery.Once,
                _ => ChargeEvery.Cycle,
            };
            if (Amounts.Read(extra.Price, _currency, $"extras[{number}].price", _faults) is { } price)
            {
                yield return new AddOn(
                    Slug.Free(Slug.Make(extra.Name, "extra"), id => !taken.Add(id)),
                    extra.Name,
                    AddOnFor.Hosting,
                    every,
                    new PriceSteps([new PriceStep(null, price)])
                )
                {
                    Preselected = extra.Ticked,
                    ReadFrom = WordsAt($"/extras/{number}/price", "price"),
                };
            }
        }
    }

    // The endings of the page, and those that plans bring without a price.
    private ImmutableArray<DomainPrice> Domains()
    {
        var priced = _page
            .Domains.Where(domain => DomainName.ParseEnding(domain.Ending) is not null)
            .Select(
                (domain, number) =>
                    new DomainPrice(
                        domain.Ending,
                        Read(domain.Register, number),
                        Read(domain.Renew, number),
                        domain.Transfer is null ? null : new TransferPrice(Read(domain.Transfer, number)),
                        10,
                        [],
                        null
                    )
                    {
                        ReadFrom =
                        [
                            .. WordsAt($"/domains/{number}/register", "register"),
                            .. WordsAt($"/domains/{number}/renew", "renew"),
                        ],
                    }
            )
            .ToList();
        var brought = _page
            .Plans.SelectMany(plan => plan.Domain?.Endings ?? [])
            .Distinct(StringComparer.Ordinal)
            .Where(ending =>
                DomainName.ParseEnding(ending) is not null && !priced.Exists(known => known.Ending == ending)
            );
        return [.. priced, .. brought.Select(ending => new DomainPrice(ending, null, null, null, 10, [], null))];

        Minor? Read(string? amount, int number) =>
            amount is null ? null : Amounts.Read(amount, _currency, $"domains[{number}]", _faults);
    }

    private Promotion? Promotion(ReadCode code) =>
        code.Percent is { } share && ExactDecimal.TryParse(share, out var percent)
            ? new Promotion(Slug.Make(code.Code, "code"), code.Code)
            {
                Percent = percent,
                AppliesTo = [new LineMatch(LineKind.Plan, null)],
            }
        : code.Amount is { } off && Amounts.Read(off, _currency, "codes", _faults) is { } amount
            ? new Promotion(Slug.Make(code.Code, "code"), code.Code)
            {
                Amount = amount,
                AppliesTo = [new LineMatch(LineKind.Plan, null)],
            }
        : null;
}
