using System.Collections.Immutable;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Worksheets;

/// <summary>An extra that could be taken, and how many are.</summary>
/// <param name="IsHad">The plan or the domain price holds it already.</param>
public sealed record ExtraOffer(OfferBook Book, AddOn AddOn, int Quantity, bool IsHad)
{
    /// <summary>A need asks for what it provides or adds.</summary>
    public bool IsAsked { get; init; }

    /// <summary>Extras taken or had that do the same.</summary>
    public ImmutableArray<AddOn> SameAs { get; init; } = [];

    /// <summary>The plan of the same book that holds it, and would cost least; null: none does, or this one.</summary>
    public WhatIf<Plan>? IncludedBy { get; init; }

    /// <summary>The extras of the plan's book and of the domain's seller.</summary>
    internal static ImmutableArray<ExtraOffer> ListAll(
        Candidate candidate,
        IReadOnlyList<OfferBook> books,
        Needs needs,
        ImmutableArray<WhatIf<Plan>> siblings
    )
    {
        var domain = candidate.Domains is [{ IsBought: true } first, ..] ? first : null;
        var host = books.FirstOrDefault(book => book.Id == candidate.Hosting?.Book);
        var plan = host?.Plan(candidate.Hosting?.Plan);
        var seller = books.FirstOrDefault(book => book.Id == domain?.Book);
        var ofHosting = plan is null
            ? []
            : host!
                .AddOns.Where(addOn => addOn.For == AddOnFor.Hosting)
                .Select(addOn => new ExtraOffer(
                    host,
                    addOn,
                    Taken(candidate.Hosting!.AddOns, addOn),
                    Holds(plan.Includes, addOn)
                ));
        var ofDomain = seller is null
            ? []
            : seller
                .AddOns.Where(addOn => addOn.For == AddOnFor.Domain)
                .Select(addOn => new ExtraOffer(
                    seller,
                    addOn,
                    Taken(domain!.AddOns, addOn),
                    Holds(seller.Domain(domain.Ending)?.Includes ?? [], addOn)
                        || (seller == host && plan is not null && Holds(plan.Includes, addOn))
                ));
        // A number that the plan itself allows asks for no extra.
        var met =
            host is null || plan is null ? 0 : Side.OfPlan(host, plan, Want.ListAll(needs), acceptUnknown: false).Met;
        var wants = Want.ListAll(needs)
            .Where((want, index) => want.Kind != WantKind.Number || (met & (1 << index)) == 0)
            .ToList();
        ImmutableArray<ExtraOffer> offers = [.. ofHosting, .. ofDomain];
        return
        [
            .. offers.Select(offer =>
                offer with
                {
                    IsAsked = wants.Exists(want => want.IsProvidedBy(offer.AddOn) || want.IsServedBy(offer.AddOn)),
                    SameAs =
                    [
                        .. offers
                            .Where(other =>
                                other != offer
                                && (other.Quantity > 0 || other.IsHad)
                                && other.AddOn.Provides is not null
                                && other.AddOn.Provides == offer.AddOn.Provides
                            )
                            .Select(other => other.AddOn),
                    ],
                    IncludedBy =
                        offer.IsHad ? null
                        : offer.Book != host ? null
                        : siblings
                            .Where(known =>
                                known.HorizonChange is not null && Holds(known.Choice.Includes, offer.AddOn)
                            )
                            .MinBy(known => known.HorizonChange),
                }
            ),
        ];
    }

    private static int Taken(ImmutableArray<AddOnChoice> taken, AddOn addOn) =>
        taken.FirstOrDefault(choice => choice.Id == addOn.Id)?.Quantity ?? 0;

    private static bool Holds(ImmutableArray<string> includes, AddOn addOn) =>
        includes.Contains(addOn.Id, StringComparer.Ordinal);
}
