using HomeStart.Formats.Words;
using static HomeStart.Core.Tests.Shop;

namespace HomeStart.Core.Tests;

/// <summary>What buying agrees to, against the bills and the books.</summary>
public class TermsTests
{
    [Fact]
    public void A_plan_and_a_domain_of_one_seller()
    {
        var terms = TermWords.Agreed(Costed(Choosing("tidemarsh", "slipway", 12)));
        terms.ShouldAllBe(term => term.Seller == "Tidemarsh Hosting");
        terms
            .Select(term => term.Sentence)
            .ShouldBe([
                "Slipway renews by itself on 1 December 2027 for £107.88 and tax, each year from then on, "
                    + "until you cancel it.",
                "ostlerwren.com renews by itself on 1 December 2027 for £16.90 and tax, each year from then "
                    + "on, until you cancel it.",
                "ostlerwren.com cannot be given back once it is registered.",
                "Until 31 December 2026 the hosting can be given back and £43.06 comes back, without the "
                    + "domain, the set-up fee and the extra “Contact privacy”.",
                "How long before a renewal you must cancel is not stated: do it in good time.",
            ]);
    }

    [Fact]
    public void Two_sellers_stand_apart_and_a_book_with_tax_inside_adds_none()
    {
        var apart = TermWords.Agreed(
            Costed(
                Do(Choosing("plainstone", "lintel", 12), new ChooseDomain("A", Name("nameyarrow") with { Years = 3 }))
            )
        );
        apart.Select(term => term.Seller).Distinct().Count().ShouldBe(2);
        apart
            .Single(term => term.Sentence.StartsWith("ostlerwren.com renews", StringComparison.Ordinal))
            .ShouldBe(
                new AgreedTerm(
                    "Nameyarrow",
                    "ostlerwren.com renews by itself on 1 December 2029 for £14.60 and tax, each year from "
                        + "then on, until you cancel it."
                )
            );
        TermWords.Agreed(Costed(Choosing("loomgate", "warp", 12)))[0].Sentence.ShouldNotContain("and tax");
    }

    [Fact]
    public void A_commitment_paid_monthly_and_a_renewal_without_a_price_are_said()
    {
        var salt = TermWords.Agreed(Costed(Do(Site.Empty("Shop"), new ChoosePlan("A", "saltglass", "shard"))));
        salt.ShouldContain(term =>
            term.Sentence.Contains("You commit to", StringComparison.Ordinal)
            && term.Sentence.Contains("for 1 year", StringComparison.Ordinal)
        );
        var book = Books.Single(known => known.Id == "nameyarrow");
        OfferBook[] unstated = [book with { Domains = [.. book.Domains.Select(price => price with { Renew = null })] }];
        var costing = Coster.Cost(new Candidate(null, [Name("nameyarrow")]), unstated, Settings).Value!;
        TermWords
            .Agreed(costing)[0]
            .Sentence.ShouldBe(
                "ostlerwren.com renews by itself on 1 December 2027, each year from then on, until you cancel "
                    + "it; what it costs then is not stated."
            );
    }

    [Fact]
    public void Giving_back_is_as_the_totals_have_it()
    {
        foreach (
            var (book, plan, every) in new[]
            {
                ("tidemarsh", "slipway", 12),
                ("plainstone", "lintel", 1),
                ("ninebridge", "footbridge", 1),
                ("quillhaven", "inkwell", 12),
                ("fernhollow", "clearing", 12),
                ("loomgate", "warp", 12),
            }
        )
        {
            var costing = Costed(Choosing(book, plan, every));
            var refund = costing.Totals.Refundable;
            var term = Terms
                .Agreed(costing)
                .Single(term =>
                    term.Kind is TermKind.GivenBack or TermKind.GivenBackFrom or TermKind.GivingBackNotStated
                );
            term.Kind.ShouldBe(
                refund.Reason switch
                {
                    null or NoRefund.NothingLeft => TermKind.GivenBack,
                    NoRefund.CommitTooShort => TermKind.GivenBackFrom,
                    _ => TermKind.GivingBackNotStated,
                },
                book
            );
            if (term.Kind == TermKind.GivenBack)
            {
                (term.Date, term.Amount!.Value.Units).ShouldBe((refund.LastDay, refund.Amount));
            }
        }
    }

    [Fact]
    public void Every_renewal_is_the_first_bill_after_today_that_has_it()
    {
        foreach (
            var (book, plan, every) in new[]
            {
                ("tidemarsh", "slipway", 36),
                ("quillhaven", "inkwell", 24),
                ("plainstone", "lintel", 1),
            }
        )
        {
            var costing = Costed(Choosing(book, plan, every));
            foreach (var term in Terms.Agreed(costing).Where(term => term.Kind == TermKind.Renews))
            {
                var (bill, line) = costing
                    .Run.Bills.Where(bill => bill.Date > Today)
                    .SelectMany(bill => bill.Lines.Select(line => (bill, line)))
                    .First(pair =>
                        pair.line.Kind is LineKind.Plan or LineKind.Domain
                        && (
                            pair.line.Ref == term.Of || (pair.line.Kind == LineKind.Plan && term.Of != "ostlerwren.com")
                        )
                    );
                (term.Date, term.Amount!.Value.Units).ShouldBe((bill.Date, line.AfterDiscounts));
            }
        }
    }

    [Fact]
    public void Another_sentence_is_another_stamp_and_every_kind_has_words()
    {
        var terms = TermWords.Agreed(Costed(Choosing("tidemarsh", "slipway", 12)));
        TermWords.Stamp(terms).ShouldBe(TermWords.Stamp([.. terms]));
        TermWords.Stamp(terms.Skip(1)).ShouldNotBe(TermWords.Stamp(terms));
        TermWords.Stamp([terms[0] with { Seller = "Other" }, .. terms.Skip(1)]).ShouldNotBe(TermWords.Stamp(terms));
        var book = Books[0];
        Enum.GetValues<TermKind>()
            .Select(kind => TermWords.Sentence(new Term(book, kind, "it", Today, Money.Zero(book.Currency), 12)))
            .ShouldBeUnique();
    }
}
