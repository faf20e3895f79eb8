using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Pages;

/// <summary>
/// Puts the reading of a page together from what was found, with its sources, what went nowhere, and its doubts.
/// </summary>
internal sealed partial class PageAssembly
{
    /// <summary>Of so many amounts that went nowhere it is looked why; no page has more of its own.</summary>
    private const int MostLooked = 2_000;

    private readonly PageText _page;
    private readonly PageWork _work;
    private readonly ImmutableArray<ReadSource>.Builder _sources = ImmutableArray.CreateBuilder<ReadSource>();
    private readonly ImmutableArray<ReadDoubt>.Builder _doubts = ImmutableArray.CreateBuilder<ReadDoubt>();
    private readonly HashSet<PageSpan> _placed = [];
    private readonly Dictionary<PageSpan, string> _why = [];
    private int _decimals = 2;

    private PageAssembly(PageText page, PageWork work) => (_page, _work) = (page, work);

    public static PageReading Assemble(PageText page, PageWork work) => new PageAssembly(page, work).Whole();

    private PageReading Whole()
    {
        var plans = _work.Plans.Where(plan => plan.Ways.Count > 0).ToList();
        var prices = plans.SelectMany(plan => plan.Ways).Select(way => way.Price).ToList();
        var all = _work.Lines.SelectMany(line => line.Amounts).ToList();
        var (currency, currencyAt) = PageWide.CurrencyOf(_work.Lines, prices, all);
        _decimals = currency is not null && Currency.TryGet(currency, out var known) ? known.Decimals : 2;
        var names = plans
            .Where(plan => plan.Name is not null)
            .Select(plan => plan.Name!)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        var (provider, providerAt) = PageWide.ProviderOf(_page, _work.Lines, names);
        var (tax, taxAt, isTwice) = PageWide.TaxOf(_work.Lines);
        var (refund, refundAt) = PageWide.RefundOf(_work.Lines);
        if (
            tax is null
            && !isTwice
            && prices.Count > 0
            && prices.All(price =>
                Roles.IsWithoutTax(_page.Text[price.At.To..Math.Min(_page.Text.Length, price.At.To + 20)])
            )
        )
        {
            (tax, taxAt) = ("on-top", prices[0].At);
        }

        Source("/provider", provider, providerAt);
        Source("/currency", currency, currencyAt);
        Source("/tax", tax, taxAt);
        Source("/refundDays", refund, refundAt);
        if (currency is null)
        {
            Doubt("currency-not-said", "/currency");
        }

        if (tax is null)
        {
            Doubt(isTwice ? "two-values" : "tax-not-said", "/tax");
        }

        foreach (var plan in plans)
        {
            plan.Ways.RemoveAll(way => IsForeign(way.Price, currency));
        }

        plans.RemoveAll(plan => plan.Ways.Count == 0);
        var read = plans.Select((plan, number) => Plan(plan, $"/plans/{number}")).ToImmutableArray();
        var domains = _work
            .DomainPrices.Found.Where(one => !IsForeign(one.Register ?? one.Renew ?? one.Transfer!, currency))
            .Select((one, number) => Domain(one, $"/domains/{number}"))
            .ToImmutableArray();
        var extras = _work
            .ExtraDrafts.Where(one => !IsForeign(one.Price, currency))
            .OrderBy(one => one.NameAt.From)
            .Select((one, number) => Extra(one, $"/extras/{number}"))
            .ToImmutableArray();
        var codes = _work.Codes.Select((one, number) => Code(one, $"/codes/{number}")).ToImmutableArray();
        return new PageReading(
            provider,
            currency,
            tax,
            refund,
            read,
            domains,
            extras,
            codes,
            _sources.ToImmutable(),
            NotPlaced(currency),
            _doubts.ToImmutable(),
            _page.Text
        );
    }

    private static bool IsForeign(PageAmount amount, string? currency) =>
        currency is not null && amount.Currency is { } own && own != currency;

    private ReadPlan Plan(PlanDraft plan, string at)
    {
        Source($"{at}/name", plan.Name, plan.NameAt);
        Distinct(plan);
        DropCounted(plan);
        var setup = Setup(plan, at);
        var ways = plan.Ways.Select((way, number) => Way(plan, way, $"{at}/ways/{number}")).ToImmutableArray();
        var features = ImmutableSortedDictionary.CreateBuilder<string, object>(StringComparer.Ordinal);
        foreach (var (key, feature) in plan.Features)
        {
            features[key] = feature.Value;
            Source($"{at}/features/{key}", feature.Value, feature.At);
            if (feature.IsForATime)
            {
                Doubt("limited-time", $"{at}/features/{key}");
            }
        }

        foreach (var (number, kind) in plan.Includes.Index())
        {
            Source($"{at}/includes/{number}", kind.Key, kind.At);
        }

        var domain =
            plan.Domain is { } offer && !plan.HasNoDomain
                ? new ReadPlanDomain(offer.Endings, offer.FromMonths, offer.EveryYear)
                : null;
        if (domain is not null)
        {
            Source($"{at}/domain", domain, plan.Domain!.At);
        }

        return new ReadPlan(
            plan.Name,
            ways,
            setup,
            features.ToImmutable(),
            domain,
            [.. plan.Includes.Select(kind => kind.Key)]
        );
    }

    // No two ways of a plan share months, per and paid: the later one is another thing.
    private static void Distinct(PlanDraft plan)
    {
        if (
            plan.Ways is [{ Term: null, Price: { Per: Per.None } bare }, var second, ..]
            && second.Price.Value == bare.Value
        )
        {
            plan.Ways.RemoveAt(0);
        }

        for (var at = plan.Ways.Count - 1; at > 0; at--)
        {
            var way = plan.Ways[at];
            if (way is { Term: null, Price.Per: Per.None })
            {
                plan.Ways.RemoveAt(at); // "Site move £49", below the price: no length, and for nothing that is said.
                continue;
            }

            if (
                plan
                    .Ways.Take(at)
                    .FirstOrDefault(other =>
                        other.Price.Value == way.Price.Value
                        && other.Price.Per == way.Price.Per
                        && (other.Term is null || way.Term is null || other.Term.Months == way.Term.Months)
                    ) is
                { } same
            )
            {
                same.Term ??= way.Term; // Printed twice: on its card, and in the choice of lengths.
                plan.Ways.RemoveAt(at);
            }
            else if (
                (
                    way.Term is null
                    && way.Paid != Paid.MonthlyFree
                    && way.Price.Per is Per.Month
                    && plan.Ways.Exists(other => other.Term is not null && other.Price.Per == way.Price.Per)
                )
                || plan.Ways.Take(at)
                    .Any(other =>
                        other.Term?.Months == way.Term?.Months
                        && other.Price.Per == way.Price.Per
                        && other.Paid == way.Paid
                    )
            )
            {
                plan.Ways.RemoveAt(at);
            }
        }
    }

    // "£8 a month or £80 a year, 2 months free": the year's price has them in it already.
    private static void DropCounted(PlanDraft plan)
    {
        foreach (var way in plan.Ways.Where(way => way.Free is not null))
        {
            var months = way.Term?.Months ?? 12;
            var whole = way.Price.Per == Per.Month ? way.Price.Value * months : way.Price.Value;
            if (
                plan.Ways.Exists(other =>
                    other != way
                    && other.Price.Per == Per.Month
                    && Math.Abs((other.Price.Value * (months - way.Free!.Months)) - whole) <= months * 0.05m
                )
            )
            {
                way.Free = null;
            }
        }
    }

    private string? Setup(PlanDraft plan, string at)
    {
        var amount = plan.Setup ?? (plan.FreeSetup is null ? _work.SetupForAll : null);
        if (amount is not null)
        {
            return Amount($"{at}/setupFee", amount);
        }

        if (
            (plan.FreeSetup ?? _work.FreeSetupForAll) is { } free
            && plan.Ways.TrueForAll(way => way.Setup is null && way.FreeSetup is null)
        )
        {
            Source($"{at}/setupFee", "0", free);
            return Text(0);
        }

        return null;
    }

    private ReadWay Way(PlanDraft plan, WayDraft way, string at)
    {
        var price = Amount($"{at}/price", way.Price);
        var isFirst = IsFirst(plan, way);
        var perUnit = way.Price.Per;
        // A price a year is for no month.
        var ofPlan = perUnit == Per.Year && plan.Term is { Months: < 12 } ? null : plan.Term;
        var months = way.Term?.Months ?? ofPlan?.Months;
        var monthsAt = way.Term?.At ?? ofPlan?.At;
        var paid = way.Paid;
        if (way is { Term: null, Price.Per: Per.Month } && (way.Paid == Paid.MonthlyFree || IsBesideAYear(plan, way)))
        {
            // "or £8 a month, cancel whenever you like", "£8 monthly or £80 yearly".
            (months, monthsAt, paid) = (1, way.Price.At, Paid.MonthlyFree);
        }
        else if (months is null && perUnit == Per.Year)
        {
            (months, monthsAt) = (12, way.Price.At);
        }
        else if (months is null && perUnit is Per.Month && (!isFirst || (paid ?? plan.Paid) == Paid.MonthlyFree))
        {
            (months, monthsAt) = (1, way.Price.At);
        }

        foreach (var total in way.Totals)
        {
            _work.Why.TryAdd(total, "total");
            Total(way, total, ref months, ref paid);
        }

        paid ??=
            (way.Term is null || plan.Term is null || plan.Term.Months == way.Term.Months)
            && !(perUnit == Per.Year && plan.Paid is Paid.MonthlyFree or Paid.MonthlyBound && months == 12)
                ? plan.Paid
                : null;
        var per = perUnit switch
        {
            Per.Month => "month",
            Per.Year => "year",
            _ when months == 1 => "month",
            _ when months == 12 => "year",
            _ => "term",
        };
        if (paid is null && (per == "term" || (per == "year" && months == 12)))
        {
            paid = Paid.AtOnce;
        }

        if (months == 1 && per == "month")
        {
            paid = Paid.MonthlyFree;
        }

        if (months is { } length)
        {
            Source($"{at}/months", length, monthsAt ?? way.Price.At);
        }
        else
        {
            Doubt("term-not-said", $"{at}/months");
        }

        if (paid is null)
        {
            Doubt("paid-not-said", $"{at}/paid");
        }
        else
        {
            Source($"{at}/paid", paid, way.PaidAt ?? way.Line.Seen.At);
        }

        if (way.Free is { Months: > 0 } free)
        {
            Source($"{at}/freeMonths", free.Months, free.At);
            Doubt("free-months", $"{at}/freeMonths");
        }

        if (way.IsFrom)
        {
            Doubt("from-price", $"{at}/price");
        }

        var struck = way.Struck is { } dear ? Amount($"{at}/struck", dear) : null;
        var setup =
            way.Setup is { } fee ? Amount($"{at}/setupFee", fee)
            : way.FreeSetup is not null ? Text(0)
            : null;
        return new ReadWay(
            months,
            price,
            per,
            PaidWord(paid),
            way.Free?.Months ?? 0,
            struck,
            Later(plan, way, per, isFirst, at),
            setup
        );
    }

    private static bool IsBesideAYear(PlanDraft plan, WayDraft way) =>
        way.Totals.Count == 0
        && plan.Ways.Exists(other =>
            other is { Term: null or { Months: 12 }, Price.Per: Per.Year } && other.Line == way.Line
        );

    private static void Total(WayDraft way, PageAmount total, ref int? months, ref Paid? paid)
    {
        if (way.Price.Per != Per.Month || way.Price.Value == 0)
        {
            return;
        }

        if (months is { } length && Math.Abs((way.Price.Value * length) - total.Value) <= length * 0.01m)
        {
            paid ??= length > 1 ? Paid.AtOnce : null;
        }
        else if (months is null or 1 && way.Term is null)
        {
            foreach (var guess in new[] { 12, 24, 36, 48, 60, 3, 6, 18, 120 })
            {
                if (Math.Abs((way.Price.Value * guess) - total.Value) <= guess * 0.01m)
                {
                    (months, paid) = (guess, paid ?? Paid.AtOnce);
                    break;
                }
            }
        }
    }

    // A saving against another way of the same plan makes no price a first one.
    private bool IsFirst(PlanDraft plan, WayDraft way)
    {
        if (way.Struck is not null || way.IsFirst || plan.IsFirst || _work.IsFirstForAll)
        {
            return true;
        }

        return (way.HasPercent || way.Savings.Count > 0) && plan.Ways.Count == 1;
    }

    private ReadLater? Later(PlanDraft plan, WayDraft way, string per, bool isFirst, string at)
    {
        var isMonthly = (way.Term?.Months ?? 0) == 1 && plan.Ways.Count > 1;
        // What a year renews at is no monthly price's.
        var later = way.Later ?? (isMonthly && plan.Later?.Per == Per.Year ? null : plan.Later);
        if (later is not null)
        {
            var laterPer = later.Per switch
            {
                Per.Month => "month",
                Per.Year => "year",
                _ => PerLength(later)
                    ?? (
                        per == "month" && IsForWholeTerm(way, later)
                            ? (way.Term?.Months ?? plan.Term?.Months) is null or 12
                                ? "year"
                                : "term"
                            : per
                    ),
            };
            if (later.Value == way.Price.Value && laterPer == per)
            {
                Place(later);
                Source($"{at}/later", "same", later.At);
                return ReadLater.Same;
            }

            Source($"{at}/later/price", later.Number, Wide(later));
            Source($"{at}/later/per", laterPer, Wide(later));
            Place(later);
            return new ReadLater(Text(later), laterPer);
        }

        if (way.IsSame || plan.IsSame || _work.IsSameForAll)
        {
            return ReadLater.Same;
        }

        if (way.Struck is { } dear && (way.IsRegular || plan.IsRegular || _work.IsRegularForAll))
        {
            var dearPer = dear.Per switch
            {
                Per.Month => "month",
                Per.Year => "year",
                _ => per,
            };
            Source($"{at}/later/price", dear.Number, Wide(dear));
            return new ReadLater(Text(dear), dearPer);
        }

        if (isFirst || way.IsUnstated || plan.IsUnstated || _work.IsUnstatedForAll)
        {
            Doubt("later-not-said", $"{at}/later");
            return null;
        }

        return ReadLater.Same;
    }

    [GeneratedRegex(
        @"^\s*(?:every|for|per|each|for each)\s+(?:(?:another|the same|the|further"
            + $@"|more)\s+)*(?:{Patterns.Count}[- ](?:months?|(?<year>years?))|(?<term>term))\b",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Every { get; }

    // No price a month rises to what all the months together cost.
    private static bool IsForWholeTerm(WayDraft way, PageAmount later) =>
        later.Value >= way.Price.Value * Math.Max(6, (way.Term?.Months ?? 12) * 0.6m);

    [GeneratedRegex(
        @"\b(?:(?<year>yearly|annually|each year|every year|once a year)|monthly|each month)\b[^.0-9]{0,12}$",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex Often { get; }

    // "then £144 every 24 months".
    private string? PerLength(PageAmount amount)
    {
        var match = Every.Match(_page.Text, amount.At.To, Math.Min(40, _page.Text.Length - amount.At.To));
        var often = Often.Match(_page.Text[Math.Max(0, amount.At.From - 30)..amount.At.From]);
        return !match.Success
                ? (
                    often.Success
                        ? often.Groups["year"].Success
                            ? "year"
                            : "month"
                        : null
                )
            : match.Groups["term"].Success ? "term"
            : (Patterns.Number(match.Groups["count"].Value) * (match.Groups["year"].Success ? 12 : 1)) switch
            {
                1 => "month",
                12 => "year",
                _ => "term",
            };
    }

    private static string? PaidWord(Paid? paid) =>
        paid switch
        {
            Paid.AtOnce => "at-once",
            Paid.MonthlyBound => "monthly-bound",
            Paid.MonthlyFree => "monthly-free",
            _ => null,
        };

    private ReadDomain Domain(DomainDraft one, string at)
    {
        Source($"{at}/ending", one.Ending, one.At);
        var register = one.Register is { } first ? Amount($"{at}/register", first) : null;
        var renew =
            one.Renew is { } later ? Amount($"{at}/renew", later)
            : one.IsPlain && one.Register is { } same ? Amount($"{at}/renew", same)
            : null;
        return new ReadDomain(
            one.Ending,
            register,
            renew,
            one.Transfer is { } transfer ? Amount($"{at}/transfer", transfer) : null
        );
    }

    private ReadExtra Extra(ExtraDraft one, string at)
    {
        Source($"{at}/name", one.Name, one.NameAt);
        return new ReadExtra(one.Name, Amount($"{at}/price", one.Price), one.Per, one.IsTicked);
    }

    private ReadCode Code((string Code, string? Percent, PageAmount? Amount, PageSpan At) one, string at)
    {
        Source($"{at}/code", one.Code, one.At);
        return new ReadCode(one.Code, one.Percent, one.Amount is { } amount ? Amount($"{at}/amount", amount) : null);
    }

    private ImmutableArray<NotPlaced> NotPlaced(string? currency)
    {
        var left = ImmutableArray.CreateBuilder<NotPlaced>();
        var looked = 0;
        foreach (var line in _work.Lines)
        {
            var from = line.From;
            foreach (var (number, amount) in line.Amounts.Index())
            {
                if (!_placed.Contains(amount.At))
                {
                    if (++looked > MostLooked)
                    {
                        left.Add(new NotPlaced(amount.At, IsForeign(amount, currency) ? "other-currency" : "unknown"));
                        continue;
                    }

                    var before = _page.Text[from..Math.Max(from, amount.At.From)];
                    var to = number + 1 < line.Amounts.Length ? line.Amounts[number + 1].At.From : line.Seen.At.To;
                    left.Add(
                        new NotPlaced(
                            amount.At,
                            Why(
                                amount,
                                line,
                                before,
                                _page.Text[Math.Min(amount.End, Math.Max(to, amount.End))..Math.Max(to, amount.End)],
                                currency
                            )
                        )
                    );
                }

                from = Math.Max(from, amount.End);
            }
        }

        return left.ToImmutable();
    }

    private string Why(PageAmount amount, Line line, string before, string behind, string? currency)
    {
        if (_work.Why.TryGetValue(amount, out var known))
        {
            return known;
        }

        if (IsForeign(amount, currency))
        {
            return "other-currency";
        }

        if (_work.DomainPrices.OtherTerms.Contains(amount))
        {
            return "other-term";
        }

        if (_work.IsExample(amount))
        {
            return "example";
        }

        if (Offers.IsNoHosting(line.Words))
        {
            return "not-hosting";
        }

        var stop = behind.IndexOf(". ", StringComparison.Ordinal);
        return Roles.Classify(amount, before, stop < 0 ? behind : behind[..stop]) switch
        {
            Role.Worth => "worth",
            Role.Saving => "saving",
            Role.Total or Role.WithTax => "total",
            Role.Example => "example",
            Role.NotHosting => "not-hosting",
            _ when Roles.IsWithoutTax(before) => "total",
            _ => "unknown",
        };
    }

    private string Amount(string at, PageAmount amount)
    {
        Place(amount);
        Source(at, amount.Number, Wide(amount));
        return Text(amount);
    }

    // The amount with what it is for, within its line.
    private static PageSpan Wide(PageAmount amount) =>
        new(amount.At.From, Math.Max(amount.At.To, Math.Min(amount.End, amount.At.To + 40)));

    private void Place(PageAmount amount) => _placed.Add(amount.At);

    private string Text(PageAmount amount)
    {
        var dot = amount.Number.IndexOf('.', StringComparison.Ordinal);
        var printed = dot < 0 ? 0 : amount.Number.Length - dot - 1;
        return amount.Value.ToString(
            "F" + Math.Max(_decimals, printed).ToString(CultureInfo.InvariantCulture),
            CultureInfo.InvariantCulture
        );
    }

    private string Text(decimal value) =>
        value.ToString("F" + _decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);

    private void Source(string at, object? value, PageSpan? words)
    {
        if (value is not null && words is { } span && span.To > span.From)
        {
            _sources.Add(new ReadSource(at, span));
        }
    }

    private void Doubt(string code, string at) => _doubts.Add(new ReadDoubt(code, at));
}
