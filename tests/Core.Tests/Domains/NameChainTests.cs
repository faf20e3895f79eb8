using System.Collections.Immutable;

namespace HomeStart.Core.Tests;

/// <summary>Each link says what is right, what is to be set and what only needs waiting.</summary>
public class NameChainTests
{
    private static readonly HostEntry Entry = new(
        ["ns1.host.example", "ns2.host.example"],
        "198.51.100.7",
        "2001:db8::7",
        "mail.host.example",
        null,
        []
    );

    [Fact]
    public void All_is_right_where_the_registry_points_at_the_host_and_everybody_sees_it()
    {
        var chain = NameChain.From(
            Facts(["NS2.host.example.", "ns1.host.example"], Zone("198.51.100.7"), "198.51.100.7", "198.51.100.7")
        );
        States(chain).ShouldBe([LinkState.Right, LinkState.Right, LinkState.Right, LinkState.Right, LinkState.Right]);
        (chain.IsJoined, chain.Places.Count(place => place.IsSeen == true)).ShouldBe((true, 2));
    }

    [Fact]
    public void While_old_answers_run_out_it_only_needs_waiting()
    {
        var chain = NameChain.From(Facts(Entry.NameServers, Zone("198.51.100.7"), "198.51.100.7", ""));
        States(chain).ShouldBe([LinkState.Right, LinkState.Right, LinkState.Right, LinkState.Right, LinkState.Waiting]);
        chain.IsJoined.ShouldBeFalse();
        States(NameChain.From(Facts(Entry.NameServers, new ZoneFacts(false, [], [], [], []), "", "")))
            .ShouldBe([LinkState.Right, LinkState.Waiting, LinkState.Waiting, LinkState.Waiting, LinkState.Waiting]);
    }

    [Fact]
    public void Pointed_elsewhere_it_is_to_be_set_and_to_what()
    {
        var chain = NameChain.From(Facts(["ns1.elsewhere.example"], Zone("192.0.2.9"), "192.0.2.9"));
        States(chain).ShouldBe([LinkState.Wrong, LinkState.Right, LinkState.Wrong, LinkState.Wrong, LinkState.Waiting]);
        chain.Links[0].Wanted.ShouldBe(Entry.NameServers);
        (chain.Links[2].Found.Single(), chain.Links[2].Wanted[0]).ShouldBe(("192.0.2.9", "198.51.100.7"));
        States(NameChain.From(Facts(["ns1.elsewhere.example"], new ZoneFacts(false, [], [], [], []), "")))
            .ShouldBe([LinkState.Wrong, LinkState.Wrong, LinkState.Wrong, LinkState.Wrong, LinkState.Waiting]);
    }

    [Fact]
    public void Records_that_lead_there_do_whoever_keeps_them_and_half_of_them_do_not()
    {
        NameChain.From(Facts(["ns1.elsewhere.example"], Zone("198.51.100.7"), "198.51.100.7")).IsJoined.ShouldBeTrue();
        var half = NameChain.From(
            Facts(
                ["ns1.elsewhere.example"],
                new ZoneFacts(true, [], ["198.51.100.7", "192.0.2.9"], ["198.51.100.7"], []),
                "198.51.100.7"
            )
        );
        States(half).ShouldBe([LinkState.Wrong, LinkState.Right, LinkState.Wrong, LinkState.Right, LinkState.Right]);
        // The registry knows of no name servers.
        States(NameChain.From(Facts([], Zone("192.0.2.9"), "198.51.100.7")))[0].ShouldBe(LinkState.Wrong);
        States(NameChain.From(Facts(["ns1.host.example"], Zone("192.0.2.9"), "198.51.100.7")))[0]
            .ShouldBe(LinkState.Wrong); // Half of them.
    }

    [Fact]
    public void Whoever_does_not_answer_is_not_held_against_it()
    {
        var chain = NameChain.From(new NameFacts(Entry, null, null, [new PlaceFacts("sunbay", null)]));
        States(chain).ShouldBe(Enumerable.Repeat(LinkState.Unknown, 5));
        chain.Places.Single().IsSeen.ShouldBeNull();
        States(
            NameChain.From(
                new NameFacts(
                    Entry,
                    Entry.NameServers,
                    Zone("198.51.100.7"),
                    [new PlaceFacts("sunbay", null), new PlaceFacts("farcape", ["198.51.100.7"])]
                )
            )
        )[4]
            .ShouldBe(LinkState.Waiting);
    }

    [Fact]
    public void A_longer_address_that_leads_elsewhere_misleads_half_of_the_visitors() =>
        States(
            NameChain.From(
                Facts(
                    Entry.NameServers,
                    new ZoneFacts(true, [], ["198.51.100.7", "2001:db8::9"], ["198.51.100.7"], []),
                    "198.51.100.7"
                )
            )
        )[2]
            .ShouldBe(LinkState.Wrong);

    [Fact]
    public void A_zone_that_names_others_than_the_registry_contradicts_it()
    {
        var zone = NameChain
            .From(
                Facts(
                    Entry.NameServers,
                    Zone("198.51.100.7") with
                    {
                        Servers = ["ns1.elsewhere.example"],
                    },
                    "198.51.100.7"
                )
            )
            .Links[1];
        (zone.State, zone.Found.Single(), zone.Wanted.Length).ShouldBe((LinkState.Wrong, "ns1.elsewhere.example", 2));
        NameChain
            .From(
                Facts(
                    Entry.NameServers,
                    Zone("198.51.100.7") with
                    {
                        Servers = ["NS1.host.example.", "ns2.host.example"],
                    },
                    "198.51.100.7"
                )
            )
            .Links[1]
            .State.ShouldBe(LinkState.Right);
    }

    [Fact]
    public void Half_of_the_hosts_name_servers_are_to_be_set_though_records_lead_there() =>
        States(
            NameChain.From(Facts(["ns1.host.example", "ns1.elsewhere.example"], Zone("198.51.100.7"), "198.51.100.7"))
        )[0]
            .ShouldBe(LinkState.Wrong);

    [Theory]
    [InlineData(200, "198.51.100.7", LinkState.Right)]
    [InlineData(404, "198.51.100.7", LinkState.Right)]
    [InlineData(421, "198.51.100.7", LinkState.Wrong)]
    [InlineData(421, "192.0.2.9", LinkState.Waiting)]
    [InlineData(null, "198.51.100.7", LinkState.Unknown)]
    [InlineData(null, "192.0.2.9", LinkState.Waiting)]
    public void The_server_answers_for_the_name_or_does_not_know_it(int? status, string address, LinkState state)
    {
        var chain = NameChain.From(Facts(Entry.NameServers, Zone(address), address) with { ServerStatus = status });
        (chain.Links[5].Kind, chain.Links[5].State).ShouldBe((ChainLinkKind.Server, state));
        chain.IsJoined.ShouldBe(state == LinkState.Right);
    }

    [Theory]
    [InlineData(null, "198.51.100.7", LinkState.Unknown)]
    [InlineData(CertificateState.None, "198.51.100.7", LinkState.Wrong)]
    [InlineData(CertificateState.None, "192.0.2.9", LinkState.Waiting)]
    [InlineData(CertificateState.Waiting, "198.51.100.7", LinkState.Waiting)]
    [InlineData(CertificateState.There, "198.51.100.7", LinkState.Right)]
    [InlineData(CertificateState.Refused, "198.51.100.7", LinkState.Wrong)]
    public void A_certificate_is_asked_for_once_the_name_leads_there(
        CertificateState? certificate,
        string address,
        LinkState state
    ) =>
        NameChain
            .From(
                Facts(Entry.NameServers, Zone(address), address) with
                {
                    Certificate = certificate is { } known ? new CertificateFacts(known) : null,
                }
            )
            .Links[6]
            .State.ShouldBe(state);

    [Fact]
    public void A_host_is_led_to_where_nothing_leads_away_and_a_name_is_led_once()
    {
        (
            Entry.IsLedToBy([]),
            Entry.IsLedToBy(["198.51.100.7"]),
            Entry.IsLedToBy(["2001:db8::7", "198.51.100.7"]),
            Entry.IsLedToBy(["198.51.100.7", "192.0.2.9"])
        ).ShouldBe((false, true, true, false));
        Entry
            .Led([], "shop")
            .Select(record => $"{record.Owner} {record.Type} {record.Data}")
            .ShouldBe(["shop A 198.51.100.7", "shop Aaaa 2001:db8::7"]);
        foreach (var type in new[] { RecordType.A, RecordType.Aaaa, RecordType.Cname })
        {
            Entry.Led([new("shop", 60, type, "x")], "shop").Length.ShouldBe(1); // It leads somewhere already.
        }

        Entry.Led([new("shop", 60, RecordType.Txt, "x"), new("www", 60, RecordType.A, "x")], "shop").Length.ShouldBe(4);
        Entry.TakesMailOf([new("@", 60, RecordType.Mx, "mail.host.example.")]).ShouldBeTrue();
        Entry.TakesMailOf([new("@", 60, RecordType.Mx, "mail.other.example.")]).ShouldBeFalse();
        (
            Entry.Lends(DomainName.Parse("a.lent.example")!),
            (Entry with { LentUnder = "lent.example" }).Lends(DomainName.Parse("a.lent.example")!),
            (Entry with { LentUnder = "lent.example" }).Lends(DomainName.Parse("notlent.example")!)
        ).ShouldBe((false, true, false));
    }

    private static ZoneFacts Zone(string address) => new(true, [], [address], [address], ["mail.host.example"]);

    private static NameFacts Facts(ImmutableArray<string> servers, ZoneFacts zone, params string[] seen) =>
        new(
            Entry,
            servers,
            zone,
            [.. seen.Select((address, index) => new PlaceFacts($"place {index}", address.Length == 0 ? [] : [address]))]
        )
        {
            ServerStatus = 200,
        };

    private static List<LinkState> States(NameChain chain) => [.. chain.Links.Take(5).Select(link => link.State)];
}
