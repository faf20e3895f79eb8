using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>Mail addresses, names, engines and what a plan allows of them.</summary>
public class HostedTests
{
    private static readonly DomainName Main = DomainName.Parse("clocks.example")!;

    [Fact]
    public void Mail_is_delivered_to_a_box_passed_on_or_refused()
    {
        var mail = new MailSetUp(
            ["a@clocks.example"],
            [
                new("b@clocks.example", "a@clocks.example"),
                new("c@clocks.example", "b@clocks.example"),
                new("d@clocks.example", "me@example.net"),
            ],
            null
        );
        mail.Delivers("A@clocks.example").ShouldBe("a@clocks.example");
        mail.Delivers("c@clocks.example").ShouldBe("a@clocks.example");
        mail.Delivers("d@clocks.example").ShouldBe("me@example.net");
        mail.Delivers("x@clocks.example").ShouldBeNull();
        (mail with { CatchAll = "a@clocks.example" }).Delivers("x@clocks.example").ShouldBe("a@clocks.example");
        (mail with { CatchAll = "me@example.net" }).Delivers("x@clocks.example").ShouldBe("me@example.net");
        new MailSetUp(
            [],
            [new("a@clocks.example", "b@clocks.example"), new("b@clocks.example", "a@clocks.example")],
            null
        )
            .Delivers("a@clocks.example")
            .ShouldBeNull();
        MailSetUp.None.Delivers("a@clocks.example").ShouldBeNull();
    }

    [Theory]
    [InlineData("hello@clocks.example", null)]
    [InlineData("a.b-c_d+e9@clocks.example", null)]
    [InlineData("hello@other.example", MailboxFlaw.OtherDomain)]
    [InlineData("hello@xclocks.example", MailboxFlaw.OtherDomain)]
    [InlineData("hello", MailboxFlaw.Address)]
    [InlineData("@clocks.example", MailboxFlaw.Address)]
    [InlineData("a..b@clocks.example", MailboxFlaw.Address)]
    [InlineData("a b@clocks.example", MailboxFlaw.Address)]
    [InlineData("Hello@clocks.example", MailboxFlaw.Address)]
    [InlineData("a@b@clocks.example", MailboxFlaw.Address)]
    public void An_address_by_itself(string address, MailboxFlaw? flaw) =>
        MailFlaws(new MailSetUp([address], [], null)).ShouldBe(flaw is { } wrong ? [("boxes[0]", wrong)] : []);

    [Fact]
    public void Addresses_beside_one_another()
    {
        MailFlaws(new MailSetUp(["a@clocks.example"], [new("a@clocks.example", "b@example.net")], null))
            .ShouldBe([("forwards[0].from", MailboxFlaw.Twice)]);
        MailFlaws(new MailSetUp([], [new("a@clocks.example", "a@clocks.example")], null))
            .ShouldBe([("forwards[0].to", MailboxFlaw.Loop)]);
        MailFlaws(
                new MailSetUp(
                    [],
                    [new("a@clocks.example", "b@clocks.example"), new("b@clocks.example", "a@clocks.example")],
                    null
                )
            )
            .ShouldBe([("forwards[0].to", MailboxFlaw.Loop), ("forwards[1].to", MailboxFlaw.Loop)]);
        MailFlaws(new MailSetUp([], [new("a@clocks.example", "nobody")], null))
            .ShouldBe([("forwards[0].to", MailboxFlaw.Address)]);
        MailFlaws(new MailSetUp([], [], "a@clocks.example")).ShouldBe([("catchAll", MailboxFlaw.NoSuchBox)]);
        MailFlaws(new MailSetUp([], [], "nobody")).ShouldBe([("catchAll", MailboxFlaw.Address)]);
        MailFlaws(new MailSetUp(["a@clocks.example"], [], "a@clocks.example")).ShouldBeEmpty();
        MailFlaws(new MailSetUp([], [], "me@example.net")).ShouldBeEmpty();
        MailFlaws(new MailSetUp([new string('a', 64) + "@clocks.example"], [], null)).ShouldBeEmpty();
        MailFlaws(new MailSetUp([new string('a', 65) + "@clocks.example"], [], null)).Count.ShouldBe(1);
        Reasons(faults => new MailSetUp(["a@clocks.example", "b@clocks.example"], [], null).Check([Main], 2, faults))
            .ShouldBeEmpty();
        Reasons(faults => new MailSetUp(["a@clocks.example", "b@clocks.example"], [], null).Check([Main], 1, faults))
            .ShouldBe([new PlanUsedUp(PlanLimit.Mailboxes, 2, 1)]);
        Reasons(faults =>
                new MailSetUp(
                    [.. Enumerable.Range(0, MailSetUp.MostAddresses + 1).Select(at => $"a{at}@clocks.example")],
                    [],
                    null
                ).Check([Main], null, faults)
            )
            .ShouldBe([new PlanUsedUp(PlanLimit.Mailboxes, MailSetUp.MostAddresses + 1, MailSetUp.MostAddresses)]);
    }

    [Fact]
    public void Names_are_counted_by_what_they_show()
    {
        var names = Names(
            Name("clocks.example"),
            Name("shop.clocks.example", folder: "shop"),
            Name("barometers.example", folder: "barometers"),
            Name("again.example", folder: "barometers"),
            Name("same.example", NameUse.SameSite),
            Name("rest.example", NameUse.Resting)
        );
        (names.Websites, names.Subdomains).ShouldBe((2, 1));
        names.Answering("www.shop.clocks.example")!.Folder.ShouldBe("shop");
        names.Answering("www.clocks.example")!.Name.ShouldBe(Main);
        names.Answering("wwwclocks.example").ShouldBeNull();
        names.FolderOf(names.Answering("same.example")!).ShouldBe("");
        names.FolderOf(names.Answering("again.example")!).ShouldBe("barometers");
        HostedNames.ForMain(null).Names.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("clocks.example", NameUse.Resting, "", null, HostedNameFlaw.Twice)]
    [InlineData("other.example", NameUse.Resting, "", null, HostedNameFlaw.NotOwned)]
    [InlineData("xclocks.example", NameUse.Resting, "", null, HostedNameFlaw.NotOwned)]
    [InlineData("a.clocks.example", NameUse.OwnSite, "../up", null, HostedNameFlaw.Folder)]
    [InlineData("a.clocks.example", NameUse.OwnSite, "up", null, null)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", null, HostedNameFlaw.Address)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "example.net", HostedNameFlaw.Address)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "ftp://example.net/", HostedNameFlaw.Address)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "https://user@example.net/", HostedNameFlaw.Address)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "https://example.net/ x", HostedNameFlaw.Address)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "https://example.net/clocks", null)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "http://a.clocks.example/", HostedNameFlaw.Loop)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "http://www.a.clocks.example/", HostedNameFlaw.Loop)]
    [InlineData("a.clocks.example", NameUse.Forwarded, "", "http://clocks.example/", null)]
    public void A_name_beside_the_main_one(string name, NameUse use, string folder, string? to, HostedNameFlaw? flaw) =>
        NameFlaws(Name("clocks.example"), new HostedName(DomainName.Parse(name)!, use, folder, to))
            .ShouldBe(flaw is { } wrong ? [wrong] : []);

    [Fact]
    public void Names_that_forward_in_a_circle_are_refused()
    {
        NameFlaws(
                Forwarded("clocks.example", "http://a.clocks.example/"),
                Forwarded("a.clocks.example", "http://b.clocks.example/"),
                Forwarded("b.clocks.example", "http://clocks.example/")
            )
            .ShouldBe([HostedNameFlaw.Loop, HostedNameFlaw.Loop, HostedNameFlaw.Loop]);
        NameFlaws(
                Forwarded("clocks.example", "http://a.clocks.example/"),
                Forwarded("a.clocks.example", "http://elsewhere.example/")
            )
            .ShouldBeEmpty();
        NameFlaws(Name("clocks.example", NameUse.SameSite)).ShouldBe([HostedNameFlaw.MainIsSame]);
        Reasons(faults => Names(Name("clocks.example"), Name("shop.clocks.example")).Check([Main], 1, 1, faults))
            .ShouldBeEmpty();
        Reasons(faults => Names(Name("clocks.example"), Name("shop.clocks.example")).Check([Main], 0, 0, faults))
            .ShouldBe([new PlanUsedUp(PlanLimit.Websites, 1, 0), new PlanUsedUp(PlanLimit.Subdomains, 1, 0)]);
        Reasons(faults =>
                Names([.. Enumerable.Range(0, HostedNames.Most + 1).Select(at => Name($"a{at}.clocks.example"))])
                    .Check([Main], null, null, faults)
            )
            .ShouldBe([new TooManyRecords(HostedNames.Most, HostedNames.Most + 1)]);
    }

    [Theory]
    [InlineData("minutehand", null)]
    [InlineData("abc", EngineFlaw.User)]
    [InlineData("Minute", EngineFlaw.User)]
    [InlineData("admin", EngineFlaw.ObviousUser)]
    [InlineData("admin-1", EngineFlaw.ObviousUser)]
    [InlineData("administrator2026", EngineFlaw.ObviousUser)]
    [InlineData("the-clocks", EngineFlaw.ObviousUser)]
    [InlineData("clocks", EngineFlaw.ObviousUser)]
    public void An_administrator_is_not_what_is_tried_first(string user, EngineFlaw? flaw) =>
        EngineFlaws(Wish with { User = user }).ShouldBe(flaw is { } wrong ? [wrong] : []);

    [Fact]
    public void An_engine_is_one_that_is_offered_in_a_place_that_is_free()
    {
        EngineFlaws(Wish with { Engine = "other" }).ShouldBe([EngineFlaw.Unknown]);
        EngineFlaws(Wish with { Folder = "" }).ShouldBe([EngineFlaw.Occupied]);
        EngineFlaws(Wish with { Folder = "", MayReplace = true }).ShouldBeEmpty();
        EngineFlaws(Wish with { Folder = "../up" }).ShouldBe([EngineFlaw.Folder]);
        EngineFlaws(Wish with { Folder = new string('a', 61) }).ShouldBe([EngineFlaw.Folder]);
        EngineFlaws(Wish with { Title = " " }).ShouldBe([EngineFlaw.Title]);
        EngineFlaws(Wish with { Title = new string('a', 81) }).ShouldBe([EngineFlaw.Title]);
        EngineFlaws(Wish, EngineRules.LeastStrength - 1).ShouldBe([EngineFlaw.WeakPassword]);
        EngineFlaws(Wish, EngineRules.LeastStrength).ShouldBeEmpty();
        (
            new InstalledEngine("a", "A", "1", "", "t", "u", 3).IsReady,
            new InstalledEngine("a", "A", "1", "", "t", "u", 4).IsReady
        ).ShouldBe((false, true));
    }

    [Fact]
    public void A_database_is_there_for_each_engine_that_needs_one()
    {
        InstalledEngine Standing(string engine, string folder) => new(engine, engine, "1", folder, "t", "u", 4);
        EngineFlaws(Wish, databases: 1).ShouldBeEmpty();
        EngineFlaws(Wish, databases: 0).ShouldBe([EngineFlaw.NoDatabase]);
        EngineFlaws(Wish, databases: 1, installed: [Standing("thistledown", "diary")])
            .ShouldBe([EngineFlaw.NoDatabase]);
        EngineFlaws(Wish, databases: 2, installed: [Standing("thistledown", "diary")]).ShouldBeEmpty();
        EngineFlaws(Wish, databases: 1, installed: [Standing("hedgerow", "diary"), Standing("forgotten", "old")])
            .ShouldBeEmpty();
        // It gives way.
        EngineFlaws(Wish, databases: 1, installed: [Standing("thistledown", Wish.Folder)]).ShouldBeEmpty();
        EngineFlaws(Wish with { Engine = "hedgerow" }, databases: 0, installed: [Standing("thistledown", "diary")])
            .ShouldBeEmpty(); // It needs none.
        EngineFlaws(Wish, databases: null, installed: [Standing("thistledown", "diary")]).ShouldBeEmpty();
    }

    [Fact]
    public void A_plan_is_the_one_that_was_ordered_paid_as_it_was_with_its_extras()
    {
        var boxes = new AddOn(
            "boxes",
            "Boxes",
            AddOnFor.Hosting,
            ChargeEvery.Month,
            new PriceSteps([new PriceStep(null, 100)])
        )
        {
            Adds = Features.None.Values.Add("mailboxes", new FeatureValue(5)),
        };
        var plan = Plan("small", 1, 120_00) with
        {
            Billing =
            [
                new BillingOption(1, 12, null, new PriceSteps([new PriceStep(null, 15_00)])),
                new BillingOption(12, 12, null, new PriceSteps([new PriceStep(null, 120_00)])),
            ],
            Features = new Features(
                Features.None.Values.Add("mailboxes", new FeatureValue(2)).Add("storageGB", new FeatureValue(1.5m))
            ),
        };
        var book = new OfferBook("host", new Provider("Host", null), default, Currency.Get("GBP"))
        {
            Plans = [plan],
            AddOns = [boxes],
        };
        var hosting = new OrderedHosting("host", "Host", "small", "Small", Main, 12);
        var had = HostedPlan
            .Find(
                Bought(
                    hosting,
                    Item(LineKind.Plan, "small", 1, 12),
                    Item(LineKind.AddOn, "boxes", 3, 12),
                    Item(LineKind.AddOn, "boxes", 9, 12) with
                    {
                        ForDomain = "clocks.example",
                    }
                ),
                hosting,
                book
            )
            .ShouldNotBeNull();
        (had.Option, had.Storage, had.Allowed(PlanLimit.Mailboxes), had.Allowed(PlanLimit.Websites)).ShouldBe(
            (plan.Billing[1], 1_610_612_736L, 17, null)
        );
        // An order of before it was kept how it is paid.
        HostedPlan.Find(Bought(hosting), hosting, book)!.Option.ShouldBeNull();
        HostedPlan.Find(Bought(hosting), hosting, book with { Plans = [] }).ShouldBeNull();
        HostedPlan.StorageOf(new Plan("none", "None")).ShouldBeNull();
    }

    [Fact]
    public void Names_say_which_records_they_need_in_which_domain()
    {
        var parts = Names(
                Name("clocks.example"),
                Name("shop.clocks.example"),
                Name("a.b.clocks.example", NameUse.Resting),
                Name("post.clocks.example", NameUse.MailOnly),
                Name("other.example")
            )
            .OwnersIn([Main])
            .ToList();
        parts.Select(part => (part.Domain, string.Join(' ', part.Owners))).ShouldBe([(Main, "@ shop a.b")]);
    }

    [Fact]
    public void Every_flaw_has_its_sentence()
    {
        Enum.GetValues<MailboxFlaw>()
            .ShouldAllBe(flaw =>
                FaultWords.Sentence(new Fault("", "", new MailboxFlawed(flaw, "a@b.example"))).Contains("a@b.example")
            );
        Enum.GetValues<HostedNameFlaw>()
            .ShouldAllBe(flaw =>
                FaultWords.Sentence(new Fault("", "", new HostedNameFlawed(flaw, "a.example"))).Contains("a.example")
            );
        Enum.GetValues<EngineFlaw>()
            .ShouldAllBe(flaw => FaultWords.Sentence(new Fault("", "", new EngineFlawed(flaw))).Length > 10);
        Enum.GetValues<PlanLimit>()
            .ShouldAllBe(limit =>
                FaultWords.Sentence(new Fault("", "", new PlanUsedUp(limit, 2, 1))).StartsWith("That would be 2 ")
            );
    }

    [Fact]
    public void Of_larger_plans_the_one_that_costs_least_is_named()
    {
        var small = Plan("small", 1, 120_00);
        var way = small.Billing[0];
        var book = new OfferBook("host", new Provider("Host", null), default, Currency.Get("GBP"))
        {
            Plans =
            [
                small,
                Plan("large", 10, 600_00),
                Plan("medium", 5, 264_00),
                Plan("same", 1, 60_00),
                Plan("endless", null, 1_080_00),
            ],
        };
        var use = PlanUse.Measure(PlanLimit.Websites, 1, book, small, way);
        (use.Allowed, use.HasRoom, use.More).ShouldBe((1, false, new MorePlan("medium", 5, 12_00)));
        PlanUse.Measure(PlanLimit.Websites, 1, book, small, way, extra: 1).HasRoom.ShouldBeTrue();
        PlanUse.Measure(PlanLimit.Websites, 9, book, Plan("large", 10, 600_00), way).More!.Name.ShouldBe("endless");
        PlanUse
            .Measure(PlanLimit.Websites, 9, book, Plan("endless", null, 1_080_00), way)
            .ShouldBe(new PlanUse(PlanLimit.Websites, 9, null, true));
        var silent = PlanUse.Measure(PlanLimit.Mailboxes, 3, book, small, null);
        (silent.IsStated, silent.HasRoom, silent.Allowed, silent.More).ShouldBe((false, true, null, null));
    }

    private static Plan Plan(string id, int? websites, int later) =>
        new(id, id)
        {
            Billing = [new BillingOption(12, 12, null, new PriceSteps([new PriceStep(null, later)]))],
            Features = new Features(
                Features.None.Values.Add(
                    "websites",
                    websites is { } number ? new FeatureValue(number) : new FeatureValue(Word: FeatureValue.Unlimited)
                )
            ),
        };

    private static readonly EngineWish Wish = new(
        "thistledown",
        "journal",
        "The clocks",
        "minutehand",
        "a@b.example",
        false
    );

    private static readonly EngineOffer[] Offers =
    [
        new("thistledown", "Thistledown", "1", "", 1, 1),
        new("hedgerow", "Hedgerow", "1", "", 0, 1),
    ];

    private static List<EngineFlaw> EngineFlaws(
        EngineWish wish,
        int? strength = null,
        int? databases = null,
        InstalledEngine[]? installed = null
    )
    {
        var faults = new FaultList();
        EngineRules.Check(
            wish,
            Offers,
            installed ?? [],
            databases,
            new WebSpace([new SiteFile("index.html", "", 1)]),
            Main,
            strength,
            faults
        );
        return [.. faults.Faults.Select(fault => ((EngineFlawed)fault.Reason).Flaw)];
    }

    private static OrderedItem Item(LineKind kind, string reference, int quantity, int months) =>
        new(
            kind,
            reference,
            reference,
            "host",
            "Host",
            quantity,
            months,
            Money.Zero(Currency.Get("GBP")),
            null,
            null,
            false
        );

    private static Order Bought(OrderedHosting hosting, params OrderedItem[] items) =>
        new(
            Guid.Empty,
            Guid.Empty,
            "A",
            default,
            new Contact("", "", "", "", "", "", ""),
            new OrderedThings([], hosting, [], [.. items], Money.Zero(Currency.Get("GBP")))
        );

    private static HostedName Name(string name, NameUse use = NameUse.OwnSite, string folder = "") =>
        new(DomainName.Parse(name)!, use, folder);

    private static HostedName Forwarded(string name, string to) =>
        new(DomainName.Parse(name)!, NameUse.Forwarded, ForwardTo: to);

    private static HostedNames Names(params HostedName[] names) => new([.. names]);

    private static List<HostedNameFlaw> NameFlaws(params HostedName[] names)
    {
        var faults = new FaultList();
        Names(names).Check([Main], null, null, faults);
        return [.. faults.Faults.Select(fault => ((HostedNameFlawed)fault.Reason).Flaw)];
    }

    private static List<(string Where, MailboxFlaw Flaw)> MailFlaws(MailSetUp mail)
    {
        var faults = new FaultList();
        mail.Check([Main], null, faults);
        return [.. faults.Faults.Select(fault => (fault.Where, ((MailboxFlawed)fault.Reason).Flaw))];
    }

    private static List<FaultReason> Reasons(Action<FaultList> check)
    {
        var faults = new FaultList();
        check(faults);
        return [.. faults.Faults.Select(fault => fault.Reason)];
    }
}
