using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Reconciling;

/// <summary>Makes of a request what a deviation changes in it (reconciling.md, rules 3 and 5).</summary>
internal static class Applying
{
    /// <summary>The request with a deviation; null where it cannot be applied as listed any more.</summary>
    public static Situation? With(this Situation now, Deviation deviation)
    {
        switch (deviation.Kind)
        {
            case DeviationKind.WithoutTax:
                return now with { WithoutTax = true };
            case DeviationKind.TaxAdded:
                return now with { TaxAdded = true };
            case DeviationKind.AMonth:
                return now with { AMonth = true };
            case DeviationKind.ExtraAdded or DeviationKind.Quantity or DeviationKind.ExtraLeftOut:
                return Extra(now, deviation);
            case DeviationKind.CodeLeftOut:
                return now.HasEntered(deviation.Ref!) ? now.WithoutCode(deviation.Ref) : null;
            case DeviationKind.CodeAdded:
                return now.HasEntered(deviation.Ref!) ? null : now.WithCodes([deviation.Ref!]);
            case DeviationKind.CodeInstead:
                return now.HasEntered(deviation.Ref!) ? null : now.WithoutCode(null).WithCodes([deviation.Ref!]);
            case DeviationKind.PromotionLeftOut:
                return now.WithBook(book =>
                    book with
                    {
                        Promotions = book.Promotions.RemoveAll(promotion => promotion.Id == deviation.Ref),
                    }
                );
            case DeviationKind.PaidOtherwise:
                return
                    now.PlanThere?.Option(deviation.Way!.Value.Every, deviation.Way.Value.Commit) is null
                    || (now.Every, now.Commit) == deviation.Way
                    ? null
                    : now.WithHosting(hosting =>
                        hosting with
                        {
                            EveryMonths = deviation.Way.Value.Every,
                            CommitMonths = deviation.Way.Value.Commit,
                        }
                    );
            case DeviationKind.OtherPlan:
                return
                    now.HostingThere?.Plan == deviation.Ref
                    || now.Book.Plan(deviation.Ref)?.Option(now.Every, now.Commit) is null
                    ? null
                    : now.WithHosting(hosting => hosting with { Plan = deviation.Ref });
            case DeviationKind.DataCentre:
                return now.HostingThere is not { } hosted || hosted.DataCentre == deviation.Ref
                    ? null
                    : now.WithHosting(hosting => hosting with { DataCentre = deviation.Ref });
            case DeviationKind.SetUpLeftOut:
                return now.WithBook(book =>
                    book with
                    {
                        Plans =
                        [
                            .. book.Plans.Select(plan =>
                                plan.Id == now.HostingThere?.Plan
                                    ? plan with
                                    {
                                        Billing = [.. plan.Billing.Select(option => option with { SetupFee = null })],
                                    }
                                    : plan
                            ),
                        ],
                    }
                );
            case DeviationKind.LaterPrice:
                return Later(now, deviation.Ref);
            case DeviationKind.OtherCustomer:
                return now with
                {
                    Settings = now.Settings with
                    {
                        Customer = now.Settings.Customer with { IsNew = !now.Settings.Customer.IsNew },
                    },
                };
            default:
                return Domain(now, deviation);
        }
    }

    private static Situation? Extra(Situation now, Deviation deviation)
    {
        var had = deviation.Domain is { } place ? now.DomainAt(place)?.AddOns : now.HostingThere?.AddOns;
        if (had is not { } extras)
        {
            return null;
        }

        var at = extras
            .Index()
            .Where(choice => choice.Item.Id == deviation.Ref)
            .Select(choice => choice.Index)
            .DefaultIfEmpty(-1)
            .First();
        ImmutableArray<AddOnChoice>? changed = deviation.Kind switch
        {
            DeviationKind.ExtraAdded => at < 0 ? extras.Add(new AddOnChoice(deviation.Ref) { Quantity = 1 }) : null,
            DeviationKind.ExtraLeftOut => at >= 0 ? extras.RemoveAt(at) : null,
            _ => at >= 0 && extras[at].Quantity != deviation.Number
                ? extras.SetItem(at, extras[at] with { Quantity = deviation.Number!.Value })
                : null,
        };
        return changed is not { } left ? null
            : deviation.Domain is { } domain ? now.WithDomain(domain, choice => choice with { AddOns = left })
            : now.WithHosting(hosting => hosting with { AddOns = left });
    }

    private static Situation? Domain(Situation now, Deviation deviation)
    {
        if (deviation.Domain is not { } place || now.DomainAt(place) is not { } domain)
        {
            return null;
        }

        switch (deviation.Kind)
        {
            case DeviationKind.Years:
                return domain.Years == deviation.Number
                    ? null
                    : now.WithDomain(place, choice => choice with { Years = deviation.Number!.Value });
            case DeviationKind.DomainLeftOut:
                var index = now.Places.IndexOf(place);
                return (
                    now with
                    {
                        Domains = now.Domains.RemoveAt(index),
                        Places = now.Places.RemoveAt(index),
                    }
                ).WithCodes(domain.Codes);
            case DeviationKind.IncludedNotGiven:
                return now.Cost() is { } read && Deviations.HasIncluded(now, read, place)
                    ? now.WithDomain(place, choice => choice with { UseIncluded = false })
                    : null;
            default:
                throw new InvalidOperationException($"There is no deviation {deviation.Kind}.");
        }
    }

    private static Situation? Later(Situation now, string? what)
    {
        if (what is null)
        {
            return now.WithBook(book =>
                book with
                {
                    Plans = [.. book.Plans.Select(LastAlone)],
                    AddOns = [.. book.AddOns.Select(LastAlone)],
                    Domains = [.. book.Domains.Select(AtRenewal)],
                }
            );
        }

        if (what == Deviations.AllPlans)
        {
            return now.HostingThere is null
                ? null
                : now.WithBook(book => book with { Plans = [.. book.Plans.Select(LastAlone)] });
        }

        if (what.StartsWith(Deviations.OfExtra, StringComparison.Ordinal))
        {
            var id = what[Deviations.OfExtra.Length..];
            return Deviations.ExtrasHad(now).Contains(id, StringComparer.Ordinal)
                ? now.WithBook(book =>
                    book with
                    {
                        AddOns = [.. book.AddOns.Select(extra => extra.Id == id ? LastAlone(extra) : extra)],
                    }
                )
                : null;
        }

        var ending = what[Deviations.OfEnding.Length..];
        return now.DomainsThere.Any(there => there.Domain.Ending == ending)
            ? now.WithBook(book =>
                book with
                {
                    Domains = [.. book.Domains.Select(price => price.Ending == ending ? AtRenewal(price) : price)],
                }
            )
            : null;
    }

    private static Plan LastAlone(Plan plan) =>
        plan with
        {
            Billing = [.. plan.Billing.Select(option => option with { Prices = LastAlone(option.Prices) })],
        };

    private static AddOn LastAlone(AddOn extra) => extra with { Prices = LastAlone(extra.Prices) };

    private static PriceSteps LastAlone(PriceSteps prices) => new([prices.Steps[^1]]);

    private static DomainPrice AtRenewal(DomainPrice price) => price with { Register = price.Renew };
}
