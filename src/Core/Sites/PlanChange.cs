using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Sites;

/// <summary>
/// Choosing another plan: the way to pay, the extras, the codes and the domain go along where the new plan's book has
/// their like.
/// </summary>
internal static class PlanChange
{
    public static Candidate To(Candidate candidate, ChoosePlan choose, IReadOnlyList<OfferBook> books, FaultList faults)
    {
        var book = books.FirstOrDefault(book => book.Id == choose.Book);
        if (book?.Plan(choose.Plan) is not { } plan)
        {
            faults.Add(FaultCodes.Unknown, "plan", new NoSuchPlan(choose.Plan, choose.Book));
            return candidate;
        }

        var before = candidate.Hosting ?? new HostingChoice(null, null, null, null);
        var oldBook = books.FirstOrDefault(known => known.Id == before.Book);
        var option = OptionLike(plan, before);
        if (choose.EveryMonths is { } every)
        {
            var commit = choose.CommitMonths ?? every;
            option = plan.Option(every, commit);
            if (option is null)
            {
                faults.Add(FaultCodes.Unknown, "everyMonths", new NotPaidLikeThis(plan.Name, every, commit));
                return candidate;
            }
        }

        return candidate with
        {
            Hosting = new HostingChoice(book.Id, plan.Id, option?.EveryMonths, option?.CommitMonths)
            {
                DataCentre = book.DataCentre(before.DataCentre)?.Id,
                AddOns = Carried(before.AddOns, AddOnFor.Hosting, oldBook, book),
                Codes = before.Codes,
            },
            Domains = [.. candidate.Domains.Select(domain => Moved(domain, oldBook, book))],
        };
    }

    /// <summary>
    /// The extras of one book as another has them: the same book's by id, another's by what they provide; the rest is
    /// left behind.
    /// </summary>
    public static ImmutableArray<AddOnChoice> Carried(
        ImmutableArray<AddOnChoice> taken,
        AddOnFor sort,
        OfferBook? from,
        OfferBook? to
    ) =>
        [
            .. taken
                .Select(choice => choice with { Id = Like(from?.AddOn(choice.Id, sort), sort, from, to)?.Id })
                .Where(choice => choice.Id is not null)
                .DistinctBy(choice => choice.Id),
        ];

    private static AddOn? Like(AddOn? addOn, AddOnFor sort, OfferBook? from, OfferBook? to) =>
        addOn is null || to is null ? null
        : from == to ? addOn
        : to.AddOns.FirstOrDefault(other =>
            other.For == sort && other.Provides is not null && other.Provides == addOn.Provides
        );

    // The way to pay stays as it was where the plan has it, also where the commitment differs; a plan with one way
    // needs no choosing.
    private static BillingOption? OptionLike(Plan plan, HostingChoice before) =>
        plan.Billing.FirstOrDefault(option =>
            option.EveryMonths == before.EveryMonths && option.CommitMonths == before.CommitMonths
        )
        ?? plan.Billing.FirstOrDefault(option => option.EveryMonths == before.EveryMonths)
        ?? (plan.Billing is [var only] ? only : null);

    // A domain bought with the old host goes to the new one where that sells its ending; one bought elsewhere stays
    // there.
    private static DomainChoice Moved(DomainChoice domain, OfferBook? oldBook, OfferBook newBook)
    {
        var price = newBook.Domain(domain.Ending);
        var follows =
            domain.IsBought
            && oldBook is not null
            && domain.Book == oldBook.Id
            && oldBook != newBook
            && price is not null
            && domain.Years <= price.MaxYears
            && (domain.Route != DomainRoute.Transfer || price.Transfer is not null);
        return follows
            ? domain with
            {
                Book = newBook.Id,
                Premium = null,
                AddOns = Carried(domain.AddOns, AddOnFor.Domain, oldBook, newBook),
            }
            : domain;
    }
}
