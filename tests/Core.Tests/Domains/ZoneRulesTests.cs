using System.Collections.Immutable;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>
/// Records that do harm by themselves or beside one another are refused, each at its place and with its reason.
/// </summary>
public class ZoneRulesTests
{
    private static readonly DomainName Domain = DomainName.Parse("clocks.example")!;

    [Theory]
    [InlineData("@", RecordType.A, "198.51.100.7", null)]
    [InlineData("*", RecordType.A, "0.0.0.0", null)]
    [InlineData("a.b_c", RecordType.A, "255.255.255.255", null)]
    [InlineData("@", RecordType.A, "198.51.100.256", RecordFlaw.Address)]
    [InlineData("@", RecordType.A, "198.51.100.07", RecordFlaw.Address)]
    [InlineData("@", RecordType.A, "198.51.100", RecordFlaw.Address)]
    [InlineData("@", RecordType.A, "2001:db8::7", RecordFlaw.Address)]
    [InlineData("@", RecordType.Aaaa, "2001:db8::7", null)]
    [InlineData("@", RecordType.Aaaa, "::", null)]
    [InlineData("@", RecordType.Aaaa, "1:2:3:4:5:6:7:8", null)]
    [InlineData("@", RecordType.Aaaa, "1:2:3:4:5:6:7", RecordFlaw.LongAddress)]
    [InlineData("@", RecordType.Aaaa, "1::3::5", RecordFlaw.LongAddress)]
    [InlineData("@", RecordType.Aaaa, "1:2:3:4:5:6:7:8::", RecordFlaw.LongAddress)]
    [InlineData("@", RecordType.Aaaa, "12345::", RecordFlaw.LongAddress)]
    [InlineData("@", RecordType.Aaaa, "g::", RecordFlaw.LongAddress)]
    [InlineData("www", RecordType.Cname, "clocks.example.", null)]
    [InlineData("www", RecordType.Cname, "clocks.example", RecordFlaw.Target)]
    [InlineData("www", RecordType.Cname, ".", RecordFlaw.Target)]
    [InlineData("www", RecordType.Cname, "www.clocks.example.", RecordFlaw.AliasLoop)]
    [InlineData("@", RecordType.Cname, "other.example.", RecordFlaw.AliasAtApex)]
    [InlineData("@", RecordType.Txt, "anything at all", null)]
    [InlineData("@", RecordType.Txt, "", RecordFlaw.Text)]
    [InlineData("@", RecordType.Txt, "a\nb", RecordFlaw.Text)]
    [InlineData("@", RecordType.Txt, "a\tb", RecordFlaw.Text)]
    [InlineData("@", RecordType.Caa, "0 issue \"ca.example.net\"", null)]
    [InlineData("@", RecordType.Caa, "128 iodef \"mailto:a@example.net\"", null)]
    [InlineData("@", RecordType.Caa, "1 issue \"ca.example.net\"", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issues \"ca.example.net\"", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issue ca.example.net", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issue \"a\"b\"", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issuewild \"\"", null)]
    [InlineData("@", RecordType.Caa, "0 issue \"", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issue \"a", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issue a\"", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issue \"é\"", RecordFlaw.Authority)]
    [InlineData("@", RecordType.Caa, "0 issue \"~ }\"", null)]
    [InlineData("@", RecordType.Caa, "0 issue", RecordFlaw.Authority)]
    [InlineData("_sip._tcp", RecordType.Srv, "10 5 5060 sip.example.net.", null)]
    [InlineData("_sip._tcp", RecordType.Srv, "10 5 5060 .", null)]
    [InlineData("_sip._tcp", RecordType.Srv, "10 5 70000 sip.example.net.", RecordFlaw.Service)]
    [InlineData("_sip._tcp", RecordType.Srv, "10 5 sip.example.net.", RecordFlaw.Service)]
    [InlineData("_sip._tcp", RecordType.Srv, "65535 65535 65535 sip.example.net.", null)]
    [InlineData("_sip._tcp", RecordType.Srv, "65536 5 5060 sip.example.net.", RecordFlaw.Service)]
    [InlineData("_sip._tcp", RecordType.Srv, "10 -5 5060 sip.example.net.", RecordFlaw.Service)]
    [InlineData("_sip._tcp", RecordType.Srv, "10 5 5060 sip.example.net", RecordFlaw.Service)]
    [InlineData("_sip._tcp.a.b", RecordType.Srv, "10 5 5060 sip.example.net.", null)]
    [InlineData("_._tcp", RecordType.Srv, "10 5 5060 sip.example.net.", RecordFlaw.ServiceOwner)]
    [InlineData("_sip._", RecordType.Srv, "10 5 5060 sip.example.net.", RecordFlaw.ServiceOwner)]
    [InlineData("_sip.tcp", RecordType.Srv, "10 5 5060 sip.example.net.", RecordFlaw.ServiceOwner)]
    [InlineData("_sip", RecordType.Srv, "10 5 5060 sip.example.net.", RecordFlaw.ServiceOwner)]
    [InlineData("sip", RecordType.Srv, "10 5 5060 sip.example.net.", RecordFlaw.ServiceOwner)]
    [InlineData("-a", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("a..b", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("a.*", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("a b", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("a-", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("A", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("a*", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("*.a", RecordType.A, "198.51.100.7", null)]
    [InlineData("9-a", RecordType.A, "198.51.100.7", null)]
    [InlineData("é", RecordType.A, "198.51.100.7", RecordFlaw.Owner)]
    [InlineData("www", RecordType.Cname, "Host.Example.", null)]
    [InlineData("www", RecordType.Cname, "host..example.", RecordFlaw.Target)]
    [InlineData("www", RecordType.Cname, "-host.example.", RecordFlaw.Target)]
    [InlineData("www", RecordType.Cname, "WWW.Clocks.Example.", RecordFlaw.AliasLoop)]
    public void A_record_by_itself(string owner, RecordType type, string data, RecordFlaw? flaw) =>
        Flaws(Record(owner, type, data)).ShouldBe(flaw is { } wrong ? [wrong] : []);

    [Fact]
    public void Limits_are_where_they_are_said_to_be()
    {
        Flaws(Record("@", RecordType.A, "198.51.100.7") with { TtlSeconds = ZoneRules.LeastTtl }).ShouldBeEmpty();
        Flaws(Record("@", RecordType.A, "198.51.100.7") with { TtlSeconds = ZoneRules.LeastTtl - 1 })
            .ShouldBe([RecordFlaw.Ttl]);
        Flaws(Record("@", RecordType.A, "198.51.100.7") with { TtlSeconds = ZoneRules.MostTtl }).ShouldBeEmpty();
        Flaws(Record("@", RecordType.A, "198.51.100.7") with { TtlSeconds = ZoneRules.MostTtl + 1 })
            .ShouldBe([RecordFlaw.Ttl]);
        Flaws(Record("@", RecordType.Txt, new string('é', ZoneRules.LongestText / 2))).ShouldBeEmpty();
        Flaws(Record("@", RecordType.Txt, new string('é', (ZoneRules.LongestText / 2) + 1)))
            .ShouldBe([RecordFlaw.Text]);
        Flaws(Record(new string('a', DomainLabel.Longest), RecordType.A, "198.51.100.7")).ShouldBeEmpty();
        Flaws(Record(new string('a', DomainLabel.Longest + 1), RecordType.A, "198.51.100.7"))
            .ShouldBe([RecordFlaw.Owner]);
        Flaws(Record("www", RecordType.Cname, Long(DomainName.Longest) + ".")).ShouldBeEmpty();
        Flaws(Record("www", RecordType.Cname, Long(DomainName.Longest + 1) + ".")).ShouldBe([RecordFlaw.Target]);
        Flaws(Record("@", RecordType.Caa, $"0 issue \"{new string('a', 248)}\"")).ShouldBeEmpty();
        Flaws(Record("@", RecordType.Caa, $"0 issue \"{new string('a', 249)}\"")).ShouldBe([RecordFlaw.Authority]);
        var room = DomainName.Longest - Domain.Text.Length - 1;
        Flaws(Record(Long(room), RecordType.A, "198.51.100.7")).ShouldBeEmpty();
        Flaws(Record(Long(room + 1), RecordType.A, "198.51.100.7")).ShouldBe([RecordFlaw.OwnerTooLong]);
        Flaws([
                .. Enumerable
                    .Range(0, ZoneRules.MostRecords)
                    .Select(at => Record($"a{at}", RecordType.A, "198.51.100.7")),
            ])
            .ShouldBeEmpty();
        var faults = new FaultList();
        ZoneRules.Check(
            Domain,
            [
                .. Enumerable
                    .Range(0, ZoneRules.MostRecords + 1)
                    .Select(at => Record($"a{at}", RecordType.A, "198.51.100.7")),
            ],
            faults
        );
        faults.Faults.Single().Reason.ShouldBe(new TooManyRecords(ZoneRules.MostRecords, ZoneRules.MostRecords + 1));
    }

    [Theory]
    [InlineData(0, null)]
    [InlineData(65_535, null)]
    [InlineData(65_536, RecordFlaw.Preference)]
    [InlineData(-1, RecordFlaw.Preference)]
    [InlineData(null, RecordFlaw.Preference)]
    public void Mail_has_a_preference_and_nothing_else_has(int? preference, RecordFlaw? flaw)
    {
        Flaws(Record("@", RecordType.Mx, "mail.example.net.") with { Preference = preference })
            .ShouldBe(flaw is { } wrong ? [wrong] : []);
        Flaws(Record("@", RecordType.A, "198.51.100.7") with { Preference = 10 }).ShouldBe([RecordFlaw.Preference]);
    }

    [Fact]
    public void Another_name_stands_alone()
    {
        Flaws(Record("www", RecordType.Cname, "clocks.example."), Record("www", RecordType.Txt, "a"))
            .ShouldBe([RecordFlaw.AliasBesideOthers]);
        Flaws(Record("www", RecordType.Cname, "clocks.example."), Record("shop", RecordType.Txt, "a")).ShouldBeEmpty();
        Flaws(
                Record("a", RecordType.Cname, "b.clocks.example."),
                Record("b", RecordType.Cname, "c.clocks.example."),
                Record("c", RecordType.Cname, "a.clocks.example.")
            )
            .ShouldBe([RecordFlaw.AliasLoop, RecordFlaw.AliasLoop, RecordFlaw.AliasLoop]);
        Flaws(Record("a", RecordType.Cname, "b.clocks.example."), Record("b", RecordType.Cname, "c.clocks.example."))
            .ShouldBeEmpty();
    }

    [Fact]
    public void Mail_is_not_led_to_another_name()
    {
        var mail = Record("@", RecordType.Mx, "mail.clocks.example.") with { Preference = 10 };
        Flaws(mail, Record("mail", RecordType.Cname, "mail.example.net.")).ShouldBe([RecordFlaw.MailToAlias]);
        Flaws(mail, Record("mail", RecordType.A, "198.51.100.7")).ShouldBeEmpty();
        Flaws(Record("shop", RecordType.Mx, "mail.example.net") with { Preference = 10 }).ShouldBe([RecordFlaw.Target]);
    }

    [Fact]
    public void What_is_there_already_or_contradicts_it_is_said_at_the_later_one()
    {
        Places(Record("@", RecordType.A, "198.51.100.7"), Record("@", RecordType.A, "198.51.100.7"))
            .ShouldBe([("records[1].data", RecordFlaw.Twice)]);
        Places(Record("@", RecordType.Txt, "v=spf1 mx -all"), Record("@", RecordType.Txt, "V=SPF1 -all"))
            .ShouldBe([("records[1].data", RecordFlaw.TwoSenders)]);
        Places(Record("@", RecordType.Txt, "v=spf1"), Record("www", RecordType.Txt, "v=spf1 -all")).ShouldBeEmpty();
        Places(Record("@", RecordType.Txt, "v=spf1 mx"), Record("@", RecordType.Txt, "v=spf10 is none"))
            .ShouldBeEmpty();
        Places(
                Record("a", RecordType.Mx, "Mail.example.") with
                {
                    Preference = 5,
                },
                Record("b", RecordType.A, "198.51.100.7"),
                Record("A", RecordType.Mx, "mail.example.") with
                {
                    Preference = 9,
                }
            )
            .ShouldContain(("records[2].data", RecordFlaw.Twice));
        Places(Record("@", RecordType.A, "198.51.100.7"), Record("shop", RecordType.A, "198.51.100.7")).ShouldBeEmpty();
        // Capitals count in a text.
        Places(Record("@", RecordType.Txt, "Proof"), Record("@", RecordType.Txt, "proof")).ShouldBeEmpty();
    }

    [Fact]
    public void Ready_sets_take_the_place_of_what_they_contradict_and_leave_the_rest()
    {
        var pointing = new Pointing(
            Domain,
            new HostEntry([], "198.51.100.7", "2001:db8::7", "mail.host.example", null, []),
            null,
            false
        );
        ImmutableArray<ResourceRecord> now =
        [
            Record("@", RecordType.A, "192.0.2.1"),
            Record("www", RecordType.Cname, "old.example."),
            Record("shop", RecordType.A, "192.0.2.2"),
            Record("@", RecordType.Mx, "mx.example.") with
            {
                Preference = 5,
            },
            Record("@", RecordType.Txt, "v=spf1 -all"),
            Record("@", RecordType.Txt, "proof"),
        ];
        Shown(ReadySet.SiteHere)
            .ShouldBe([
                "@ A 198.51.100.7",
                "@ Aaaa 2001:db8::7",
                "www Cname clocks.example.",
                "shop A 192.0.2.2",
                "@ Mx mx.example.",
                "@ Txt v=spf1 -all",
                "@ Txt proof",
            ]);
        Shown(ReadySet.MailHere)
            .ShouldBe([
                "@ A 192.0.2.1",
                "www Cname old.example.",
                "shop A 192.0.2.2",
                "@ Txt proof",
                "@ Mx mail.host.example.",
                "@ Txt v=spf1 mx -all",
            ]);
        Shown(ReadySet.MailElsewhere, " MX1.post.example, mx2.post.example. ")
            .ShouldBe([
                "@ A 192.0.2.1",
                "www Cname old.example.",
                "shop A 192.0.2.2",
                "@ Txt proof",
                "@ Mx mx1.post.example.",
                "@ Mx mx2.post.example.",
                "@ Txt v=spf1 mx -all",
            ]);
        Shown(ReadySet.NothingButMail)
            .ShouldBe(["shop A 192.0.2.2", "@ Mx mx.example.", "@ Txt v=spf1 -all", "@ Txt proof"]);
        Shown(ReadySet.ProveByText, " mine ").Last().ShouldBe("@ Txt mine");
        ReadySets
            .Put(ReadySet.MailElsewhere, now, pointing, "a.example b.example", new FaultList())!
            .Value.Where(record => record.Type == RecordType.Mx)
            .Select(record => record.Preference)
            .ShouldBe([10, 20]);
        foreach (var set in new[] { ReadySet.MailElsewhere, ReadySet.ProveByText })
        {
            var faults = new FaultList();
            (ReadySets.Put(set, now, pointing, " ", faults), faults.Faults.Single().Where).ShouldBe((null, "argument"));
            FaultWords.Sentence(faults.Faults[0]).ShouldNotBeEmpty();
        }

        List<string> Shown(ReadySet set, string? argument = null) =>
            [
                .. ReadySets
                    .Put(set, now, pointing, argument, new FaultList())!
                    .Value.Select(record => $"{record.Owner} {record.Type} {record.Data}"),
            ];
    }

    [Fact]
    public void Out_of_range_and_wrong_kind_are_told_apart()
    {
        Codes(Record("@", RecordType.A, "198.51.100.7") with { TtlSeconds = 1 })
            .ShouldBe([("records[0].ttlSeconds", FaultCodes.OutOfRange)]);
        Codes(Record(Long(DomainName.Longest), RecordType.A, "198.51.100.7"))
            .ShouldBe([("records[0].owner", FaultCodes.OutOfRange)]);
        Codes(Record("@", RecordType.A, "x")).ShouldBe([("records[0].data", FaultCodes.BadType)]);
        Codes(Record("sip", RecordType.Srv, "10 5 5060 .")).ShouldBe([("records[0].owner", FaultCodes.BadType)]);
        Codes(Record("@", RecordType.Mx, "mail.example.")).ShouldBe([("records[0].preference", FaultCodes.BadType)]);

        static List<(string, string)> Codes(ResourceRecord record)
        {
            var faults = new FaultList();
            ZoneRules.Check(Domain, [record], faults);
            return [.. faults.Faults.Select(fault => (fault.Where, fault.Code))];
        }
    }

    [Fact]
    public void What_differs_between_two_zones_is_what_goes_and_what_comes_whatever_their_order()
    {
        ImmutableArray<ResourceRecord> before =
        [
            Record("@", RecordType.A, "192.0.2.1"),
            Record("@", RecordType.Txt, "a"),
            Record("www", RecordType.A, "192.0.2.1"),
        ];
        var change = ZoneChange.Between(before, [before[1], before[0] with { TtlSeconds = 60 }, before[2]]);
        (change.Out.Single(), change.In.Single(), change.IsNone).ShouldBe(
            (before[0], before[0] with { TtlSeconds = 60 }, false)
        );
        (
            ZoneChange.Between(before, [before[2], before[0], before[1]]).IsNone,
            ZoneChange.Between(before, before[..2]).IsNone,
            ZoneChange.Between(before[..2], before).IsNone
        ).ShouldBe((true, false, false));
    }

    [Fact]
    public void Every_flaw_has_its_sentence()
    {
        foreach (var flaw in Enum.GetValues<RecordFlaw>())
        {
            FaultWords
                .Sentence(new Fault(FaultCodes.BadType, "", new RecordFlawed(flaw)))
                .ShouldEndWith(
                    flaw is RecordFlaw.Authority ? "\"ca.example.net\"." : ".",
                    Case.Sensitive,
                    flaw.ToString()
                );
        }
    }

    private static ResourceRecord Record(string owner, RecordType type, string data) => new(owner, 3600, type, data);

    private static string Long(int length) =>
        string.Join('.', Enumerable.Repeat(new string('a', 49), 6))[..length].TrimEnd('.') is var name
        && name.Length == length
            ? name
            : name + "a";

    private static List<RecordFlaw> Flaws(params ResourceRecord[] records) =>
        [.. Places(records).Select(place => place.Flaw)];

    private static List<(string Where, RecordFlaw Flaw)> Places(params ResourceRecord[] records)
    {
        var faults = new FaultList();
        ZoneRules.Check(Domain, [.. records], faults);
        return [.. faults.Faults.Select(fault => (fault.Where, ((RecordFlawed)fault.Reason).Flaw))];
    }
}
