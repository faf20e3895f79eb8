using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Pages;
using HomeStart.Core.Reconciling;

namespace HomeStart.Core.Slips;

/// <summary>How a line of a seller's cart stands to a candidate (pages.md 21).</summary>
public enum CartFit
{
    /// <summary>It is there as the candidate has it.</summary>
    AsExpected,

    /// <summary>The same thing for another amount.</summary>
    OtherAmount,

    /// <summary>The same thing for another length of time.</summary>
    OtherLength,

    /// <summary>The cart has it, the candidate has not.</summary>
    NotAskedFor,

    /// <summary>The candidate has it, the cart has not.</summary>
    Missing,
}

/// <summary>
/// A line of the candidate's bill and the line of the cart that is for the same thing; one of the two may be missing.
/// </summary>
/// <param name="Amount">What the cart asks for it, in minor units; null: the cart has no such line.</param>
/// <param name="Code">A code instead of a line.</param>
/// <param name="Why">What makes the difference; null: nothing differs, or nothing that is known explains it.</param>
public sealed record CartPair(
    CartFit Fit,
    SlipLine? Ours,
    CartLine? Theirs,
    Minor? Amount,
    string? Code,
    Deviation? Why
);

/// <summary>
/// A seller's cart held against a candidate, line by line, before the sum as a whole. Amounts are minor units of the
/// book's currency.
/// </summary>
/// <param name="Total">What is to be paid there; null: the cart does not say.</param>
public sealed record CartCheck(OfferBook Book, ImmutableArray<CartPair> Pairs, Minor? Total)
{
    /// <summary>
    /// What differs, as far as it is known why: domains that are missing last, so that what was for them can be taken
    /// away before.
    /// </summary>
    public IEnumerable<Deviation> Deviations =>
        Pairs.Select(pair => pair.Why).OfType<Deviation>().OrderBy(why => why.Kind == DeviationKind.DomainLeftOut);

    /// <summary>Holds a cart against the bill that a candidate has at a book on the day it starts.</summary>
    public static CartCheck Compare(Costing costing, OfferBook book, CartReading cart) =>
        new Matching(costing, book, cart).Whole();

    private sealed class Matching(Costing costing, OfferBook book, CartReading cart)
    {
        private readonly Bill? _bill = costing.Run.Bills.FirstOrDefault(bill =>
            ReferenceEquals(bill.Book, book) && bill.Date == costing.Settings.StartDate
        );
        private readonly BoughtHosting? _hosting = ReferenceEquals(costing.Run.Purchase.Hosting?.Book, book)
            ? costing.Run.Purchase.Hosting
            : null;

        public CartCheck Whole()
        {
            var ours = (_bill?.Lines ?? []).ToList();
            var theirs = cart.Lines.ToList();
            var matched = (
                from our in ours
                from their in theirs
                let score = Score(our, their)
                where score > 0
                orderby score descending, ours.IndexOf(our), theirs.IndexOf(their)
                select (Our: our, Their: their)
            ).ToList();
            var pairs = new Dictionary<BillLine, CartLine>();
            foreach (var (our, their) in matched)
            {
                if (!pairs.ContainsKey(our) && !pairs.ContainsValue(their))
                {
                    pairs.Add(our, their);
                }
            }

            var all = ours.Select(our => pairs.TryGetValue(our, out var their) ? Both(our, their) : Missing(our))
                .OfType<CartPair>()
                .Concat(theirs.Where(their => !pairs.ContainsValue(their)).Select(Unasked))
                .Concat(Codes());
            return new CartCheck(book, [.. all], cart.Total is { } total ? Minor(total) : null);
        }

        private Minor Minor(string amount) => Amounts.Read(amount, book.Currency, "", new FaultList()) ?? 0;

        // How surely a line of theirs is for the same thing; 0: it is not.
        private int Score(BillLine our, CartLine their) =>
            our.Kind switch
            {
                LineKind.Plan => IsCalled(their.Name, book.Plan(our.Ref)?.Name)
                    ? their.Kind switch
                    {
                        "plan" => 100,
                        "addOn" or "other" => 90,
                        _ => 0,
                    }
                : their.Kind == "plan" ? 60
                : 0,
                LineKind.Setup => their.Kind == "setup" ? 100 : 0,
                LineKind.DataCentre => their.Kind == "dataCentre" ? 100 : 0,
                LineKind.Domain => their.Kind == "domain"
                && string.Equals(their.Domain, our.Ref, StringComparison.OrdinalIgnoreCase)
                    ? 100
                    : 0,
                _ => their.Kind is not ("addOn" or "other")
                || (
                    our.ForDomain is { } domain
                    && their.Domain is { } other
                    && !domain.Equals(other, StringComparison.OrdinalIgnoreCase)
                )
                    ? 0
                    : Alike(their.Name, book.AddOns.FirstOrDefault(extra => extra.Id == our.Ref)),
            };

        private static bool IsCalled(string printed, string? name) =>
            name is not null && printed.Contains(name, StringComparison.OrdinalIgnoreCase);

        // How much of the words of two names is the same, in hundredths; the kind of an extra counts as a word.
        private static int Alike(string printed, AddOn? extra)
        {
            if (extra is null)
            {
                return 0;
            }

            var (said, known) = (Words(printed), Words(extra.Name));
            var shared = said.Intersect(known, StringComparer.OrdinalIgnoreCase).Count();
            var alike = said.Count == 0 || known.Count == 0 ? 0 : 200 * shared / (said.Count + known.Count);
            var isKind =
                extra.Provides is { } kind && said.Contains(kind.Split(':', '-')[0], StringComparer.OrdinalIgnoreCase);
            return alike >= 50 ? alike
                : isKind ? 45
                : 0;
        }

        private static HashSet<string> Words(string name) =>
            [
                .. new string([
                    .. name.ToLowerInvariant().Select(letter => char.IsLetterOrDigit(letter) ? letter : ' '),
                ])
                    .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                    .Select(word => word.Length > 3 ? word.TrimEnd('s') : word)
                    .Where(word => word is not ("for" or "and" or "the" or "a" or "of" or "your")),
            ];

        private CartPair Both(BillLine our, CartLine their)
        {
            var amount = Minor(their.Amount);
            var (fit, why) = Differs(our, their, amount);
            return new CartPair(fit, Line(our), their, amount, null, why);
        }

        private (CartFit Fit, Deviation? Why) Differs(BillLine our, CartLine their, Minor amount)
        {
            if (our.Kind == LineKind.Plan && _hosting is { } hosting)
            {
                if (
                    !IsCalled(their.Name, hosting.Plan.Name)
                    && book.Plans.FirstOrDefault(plan => plan.Id != hosting.Plan.Id && IsCalled(their.Name, plan.Name))
                        is { } other
                )
                {
                    return (CartFit.OtherAmount, new Deviation(DeviationKind.OtherPlan, other.Id));
                }

                if (their.Months is { } months && months != hosting.Option.EveryMonths)
                {
                    var option = hosting
                        .Plan.Billing.Where(known => known.EveryMonths == months)
                        .OrderByDescending(known => known.Prices.At(0).Units == amount)
                        .FirstOrDefault();
                    return (
                        CartFit.OtherLength,
                        option is null
                            ? null
                            : new Deviation(DeviationKind.PaidOtherwise, Way: (option.EveryMonths, option.CommitMonths))
                    );
                }
            }

            if (
                our.Kind == LineKind.Domain
                && their.Months is { } length
                && length % 12 == 0
                && length / 12 != our.Quantity
            )
            {
                return (
                    CartFit.OtherLength,
                    length / 12 is >= 1 and <= 10 and var years
                        ? new Deviation(DeviationKind.Years, Domain: our.Domain, Number: years)
                        : null
                );
            }

            if (our.Kind == LineKind.AddOn && their.Quantity != our.Quantity)
            {
                return (
                    CartFit.OtherAmount,
                    their.Quantity > 0
                        ? new Deviation(DeviationKind.Quantity, our.Ref, our.Domain, their.Quantity)
                        : null
                );
            }

            return IsSame(our, amount) ? (CartFit.AsExpected, null) : (CartFit.OtherAmount, Reason(our, amount));
        }

        // As it stands before or after what is taken off, with or without the tax that comes on top.
        private bool IsSame(BillLine our, Minor amount) =>
            our.IsUnstated
            || new[] { our.Amount, our.AfterDiscounts }.Any(expected =>
                expected == amount || costing.Counting.Tax(book, expected).Total == amount
            );

        private Deviation? Reason(BillLine our, Minor amount) =>
            our.Kind switch
            {
                LineKind.Domain when our.Waived > 0 && amount >= our.Amount => new Deviation(
                    DeviationKind.IncludedNotGiven,
                    Domain: our.Domain
                ),
                LineKind.Setup when amount == 0 => new Deviation(DeviationKind.SetUpLeftOut),
                LineKind.Plan
                    when _hosting?.Option.Prices.Steps[^1].Units is { } later
                        && (later == amount || costing.Counting.Tax(book, later).Total == amount) => new Deviation(
                    DeviationKind.LaterPrice,
                    "plan"
                ),
                LineKind.Plan when our.Amount == amount * (_hosting?.Option.EveryMonths ?? 1) && amount > 0 =>
                    new Deviation(DeviationKind.AMonth),
                _ => null,
            };

        private static SlipLine Line(BillLine our) =>
            new(our.Kind, our.Ref, our.AfterDiscounts, our.IsUnstated, our.ForDomain);

        // What costs nothing need not stand in a cart, save a domain.
        private static CartPair? Missing(BillLine our) =>
            our is { AfterDiscounts: var amount, IsUnstated: false } && amount == 0 && our.Kind != LineKind.Domain
                ? null
                : new CartPair(
                    CartFit.Missing,
                    Line(our),
                    null,
                    null,
                    null,
                    our.Kind switch
                    {
                        LineKind.AddOn => new Deviation(DeviationKind.ExtraLeftOut, our.Ref, our.Domain),
                        LineKind.Setup => new Deviation(DeviationKind.SetUpLeftOut),
                        LineKind.Domain => new Deviation(DeviationKind.DomainLeftOut, Domain: our.Domain),
                        _ => null,
                    }
                );

        private CartPair Unasked(CartLine their)
        {
            var amount = Minor(their.Amount);
            if (amount == 0 && their.Kind is not ("domain" or "plan"))
            {
                return new CartPair(CartFit.AsExpected, null, their, amount, null, null);
            }

            var domains = costing
                .Run.Purchase.Domains.Where(domain => ReferenceEquals(domain.Book, book) && domain.Choice.IsBought)
                .ToList();
            var extra = their.Kind is "addOn" or "other"
                ? book
                    .AddOns.Where(known => !Has(known))
                    .Select(known => (Extra: known, Score: Alike(their.Name, known)))
                    .Where(known => known.Score > 0)
                    .OrderByDescending(known => known.Score)
                    .FirstOrDefault()
                    .Extra
                : null;
            var forDomain =
                extra?.For == AddOnFor.Domain
                    ? domains
                        .FirstOrDefault(domain =>
                            their.Domain is null
                            || domain.Choice.Ref.Equals(their.Domain, StringComparison.OrdinalIgnoreCase)
                        )
                        ?.Index
                    : null;
            var why =
                extra is not null && IsPlaceFor(extra.For, forDomain)
                    ? new Deviation(DeviationKind.ExtraAdded, extra.Id, forDomain)
                    : null;
            return new CartPair(CartFit.NotAskedFor, null, their, amount, null, why);
        }

        private bool IsPlaceFor(AddOnFor kind, int? domain) =>
            kind switch
            {
                AddOnFor.Hosting => _hosting is not null,
                AddOnFor.Domain => domain is not null,
            };

        private bool Has(AddOn extra) =>
            extra.For switch
            {
                AddOnFor.Hosting => _hosting?.AddOns.Any(had => had.AddOn.Id == extra.Id) == true,
                AddOnFor.Domain => costing.Run.Purchase.Domains.All(domain =>
                    domain.AddOns.Any(had => had.AddOn.Id == extra.Id)
                ),
            };

        // Codes that count with us and not there, and the other way round.
        private IEnumerable<CartPair> Codes()
        {
            var entered = costing
                .Run.Codes.Where(code => ReferenceEquals(code.Book, book) && code.Verdict == Verdict.Applied)
                .Select(code => code.Code)
                .ToList();
            foreach (
                var code in entered.Where(code =>
                    !cart.Discounts.Any(discount => Ascii.EqualsIgnoreCase(discount.Name, code))
                    && cart.Discounts.IsEmpty
                )
            )
            {
                yield return new CartPair(
                    CartFit.Missing,
                    null,
                    null,
                    null,
                    code,
                    new Deviation(DeviationKind.CodeLeftOut, code)
                );
            }

            foreach (
                var discount in cart.Discounts.Where(discount =>
                    !entered.Exists(code => Ascii.EqualsIgnoreCase(code, discount.Name))
                )
            )
            {
                var known = book.PromotionOf(discount.Name);
                yield return new CartPair(
                    CartFit.NotAskedFor,
                    null,
                    null,
                    -Minor(discount.Amount),
                    discount.Name,
                    known is null ? null : new Deviation(DeviationKind.CodeAdded, discount.Name)
                );
            }
        }
    }
}
