using System.Collections.Immutable;

namespace HomeStart.Core.Tests;

/// <summary>How a plan meets each need: by itself, with an extra, not, or nobody says. Each case by hand.</summary>
public class PlanFitTests
{
    private static readonly AddOn Boxes = new("boxes", "Boxes", AddOnFor.Hosting, ChargeEvery.Year, Price(100))
    {
        Adds = ImmutableSortedDictionary<string, FeatureValue>.Empty.Add("mailboxes", new FeatureValue(5)),
    };
    private static readonly AddOn Copies = new("copies", "Copies", AddOnFor.Hosting, ChargeEvery.Year, Price(100))
    {
        Provides = "backup",
    };
    private static readonly AddOn Seal = new("seal", "Seal", AddOnFor.Hosting, ChargeEvery.Year, Price(100))
    {
        Provides = "certificate:own",
    };
    private static readonly AddOn Private = new("private", "Private", AddOnFor.Domain, ChargeEvery.Year, Price(100))
    {
        Provides = "privacy",
    };

    [Theory]
    [InlineData(5, 5, false, Fit.Met)]
    [InlineData(4, 5, false, Fit.NotMet)]
    [InlineData(4, 5, true, Fit.WithExtra)]
    [InlineData(null, 5, false, Fit.NotStated)]
    [InlineData(null, 5, true, Fit.NotStated)] // What adds to an unknown number cures nothing.
    public void A_number(int? has, int wants, bool sold, Fit fit)
    {
        var needs = new Needs { Numbers = ImmutableDictionary<string, decimal>.Empty.Add("mailboxes", wants) };
        var found = Fits(
                Book(sold ? [Boxes] : [], ("mailboxes", has is { } number ? new FeatureValue(number) : null)),
                needs
            )
            .ShouldHaveSingleItem();
        (found.Need, found.Fit, found.By?.Id, found.Has?.Number, found.Wants.Number).ShouldBe(
            ("mailboxes", fit, fit == Fit.WithExtra ? "boxes" : null, has, wants)
        );
    }

    [Theory]
    [InlineData(true, true, Fit.Met)]
    [InlineData(true, false, Fit.WithExtra)]
    [InlineData(false, false, Fit.NotMet)]
    public void A_tag(bool sold, bool included, Fit fit)
    {
        var found = Fits(
                Book(sold ? [Copies] : []) is var book && included ? Including(book, "copies") : book,
                new Needs { Extras = ["backup"] }
            )
            .ShouldHaveSingleItem();
        (found.Fit, found.By?.Id).ShouldBe((fit, fit == Fit.NotMet ? null : "copies"));
    }

    [Fact]
    public void An_extra_of_the_domain_that_the_plan_holds_is_had() =>
        Fits(Including(Book([Private]), "private"), new Needs { Extras = ["privacy"] })
            .ShouldHaveSingleItem()
            .Fit.ShouldBe(Fit.Met);

    [Theory]
    [InlineData("own", CertificateLevel.Own, Fit.Met)]
    [InlineData("wildcard", CertificateLevel.Own, Fit.Met)]
    [InlineData("shared", CertificateLevel.Own, Fit.WithExtra)]
    [InlineData("shared", CertificateLevel.Wildcard, Fit.NotMet)]
    [InlineData("shared", CertificateLevel.Shared, Fit.Met)]
    public void A_certificate(string has, CertificateLevel wants, Fit fit) =>
        Fits(Book([Seal], ("certificate", new FeatureValue(Word: has))), new Needs { Certificate = wants })
            .ShouldHaveSingleItem()
            .Fit.ShouldBe(fit);

    [Theory]
    [InlineData(null, Fit.NotStated)]
    [InlineData("mail", Fit.NotMet)]
    [InlineData("phone", Fit.Met)]
    [InlineData("mail phone", Fit.Met)]
    public void Help_by_telephone(string? channels, Fit fit)
    {
        var book = Book([]) with
        {
            Provider = new Provider("Host", channels is null ? null : [.. channels.Split(' ')]),
        };
        var found = Fits(book, new Needs { Support = ["phone"] }).ShouldHaveSingleItem();
        (found.Fit, found.Has is null).ShouldBe((fit, channels is null));
    }

    [Theory]
    [InlineData(null, Fit.NotMet)]
    [InlineData(29, Fit.NotMet)]
    [InlineData(30, Fit.Met)]
    public void Days_to_give_it_back(int? days, Fit fit)
    {
        var found = Fits(
                Book([]) with
                {
                    Refund = days is { } given ? new RefundRule(given, 0, [], false) : null,
                },
                new Needs { MinRefundDays = 30 }
            )
            .ShouldHaveSingleItem();
        (found.Fit == Fit.Met).ShouldBe(fit == Fit.Met);
    }

    [Fact]
    public void What_is_accepted_unsaid_is_still_said_to_be_so()
    {
        var needs = new Needs
        {
            Numbers = ImmutableDictionary<string, decimal>.Empty.Add("mailboxes", 5),
            AcceptUnknown = true,
        };
        Fits(Book([]), needs).ShouldHaveSingleItem().Fit.ShouldBe(Fit.NotStated);
    }

    private static ImmutableArray<NeedFit> Fits(OfferBook book, Needs needs) =>
        PlanFit.Check(book, book.Plans[0], null, needs, 36);

    private static OfferBook Book(ImmutableArray<AddOn> addOns, params (string Name, FeatureValue? Value)[] features) =>
        new("host", new Provider("Host", ["chat"]), Shop.Today, Currency.Get("GBP"))
        {
            AddOns = addOns,
            Plans =
            [
                new Plan("plan", "Plan")
                {
                    Features = new Features(
                        Features.None.Values.AddRange(
                            features
                                .Where(feature => feature.Value is not null)
                                .Select(feature => KeyValuePair.Create(feature.Name, feature.Value!))
                        )
                    ),
                    Billing = [new BillingOption(12, 12, null, Price(1000))],
                },
            ],
        };

    private static OfferBook Including(OfferBook book, string id) =>
        book with
        {
            Plans = [book.Plans[0] with { Includes = [id] }],
        };

    private static PriceSteps Price(int amount) => new([new PriceStep(null, amount)]);
}
