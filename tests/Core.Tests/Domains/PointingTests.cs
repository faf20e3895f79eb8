using System.Collections.Immutable;
using HomeStart.Formats.Domains;

namespace HomeStart.Core.Tests;

/// <summary>What to set where a domain is kept.</summary>
public class PointingTests
{
    private static readonly DomainName Domain = DomainName.Parse("ostlerwren.co.uk")!;
    private static readonly HostEntry Entry = new(
        ["ns1.host.example"],
        "198.51.100.7",
        "2001:db8::7",
        "mail.host.example",
        null,
        []
    );
    private static readonly ImmutableArray<ResourceRecord> Mail =
    [
        new("@", 3600, RecordType.Mx, "mx.post.example.") { Preference = 5 },
    ];

    [Fact]
    public void A_zone_leads_site_and_mail_to_the_host() =>
        ZoneFile
            .Write(Domain, new Pointing(Domain, Entry, [], IsMailKept: false).Records)
            .ShouldBe(
                "$ORIGIN ostlerwren.co.uk.\n"
                    + "@\t3600\tIN\tA\t198.51.100.7\n"
                    + "@\t3600\tIN\tAAAA\t2001:db8::7\n"
                    + "www\t3600\tIN\tCNAME\tostlerwren.co.uk.\n"
                    + "@\t3600\tIN\tMX\t10 mail.host.example.\n"
                    + "@\t3600\tIN\tTXT\t\"v=spf1 mx -all\"\n"
            );

    [Fact]
    public void Mail_that_is_kept_goes_where_it_went_and_nobody_is_told_who_may_send_it()
    {
        var kept = new Pointing(Domain, Entry, Mail, IsMailKept: true).Records;
        kept.Where(record => record.Type is RecordType.Mx or RecordType.Txt).ShouldBe(Mail);
        kept.Length.ShouldBe(4);
    }

    [Fact]
    public void Only_a_domain_known_to_have_no_mail_loses_none_by_other_name_servers()
    {
        new Pointing(Domain, Entry, [], true).StopsMail.ShouldBeFalse();
        new Pointing(Domain, Entry, Mail, true).StopsMail.ShouldBeTrue();
        new Pointing(Domain, Entry, null, true).StopsMail.ShouldBeTrue();
        new Pointing(Domain, Entry, null, true).Records.Length.ShouldBe(3);
    }

    [Fact]
    public void A_long_text_is_cut_into_runs_and_its_marks_are_escaped()
    {
        var zone = ZoneFile.Write(
            Domain,
            [
                new ResourceRecord("@", 60, RecordType.Txt, new string('x', 300)),
                new ResourceRecord("a", 60, RecordType.Txt, "say \"\\\""),
            ]
        );
        zone.ShouldContain($"\"{new string('x', 255)}\" \"{new string('x', 45)}\"");
        zone.ShouldContain("a\t60\tIN\tTXT\t\"say \\\"\\\\\\\"\"\n");
    }

    [Theory]
    [InlineData(" MOVE-1234 ", "MOVE-1234")]
    [InlineData("a!b#c$", "a!b#c$")]
    [InlineData("short", null)]
    [InlineData("has space", null)]
    [InlineData("käse-123", null)]
    [InlineData("", null)]
    [InlineData(null, null)]
    public void A_transfer_code_is_printable_and_of_some_length(string? typed, string? code)
    {
        TransferCode.Read(typed)?.Text.ShouldBe(code);
        (TransferCode.Read(typed) is null).ShouldBe(code is null);
        $"{TransferCode.Read(typed)}".ShouldNotContain("1234");
    }

    [Fact]
    public void A_transfer_code_has_at_most_64_characters()
    {
        TransferCode.Read(new string('x', 64)).ShouldNotBeNull();
        TransferCode.Read(new string('x', 65)).ShouldBeNull();
        TransferCode.Read(new string('x', 6)).ShouldNotBeNull();
    }

    [Fact]
    public void An_answer_is_old_after_an_hour_and_when_the_clock_was_put_back()
    {
        var at = new DateTimeOffset(2026, 12, 1, 10, 0, 0, TimeSpan.Zero);
        var answer = new NameAnswer(Domain, "book", new Availability(AvailabilityState.Free), null, at);
        answer.IsOld(at.AddMinutes(59)).ShouldBeFalse();
        answer.IsOld(at.AddMinutes(60)).ShouldBeTrue();
        answer.IsOld(at.AddSeconds(-1)).ShouldBeTrue();
    }

    [Theory]
    [InlineData(AvailabilityState.Free, true, Buyable.Nowhere)]
    [InlineData(AvailabilityState.Free, false, Buyable.Anywhere)]
    [InlineData(AvailabilityState.Premium, true, Buyable.Nowhere)]
    [InlineData(AvailabilityState.Premium, false, Buyable.WhereAsked)]
    [InlineData(AvailabilityState.Taken, true, Buyable.Nowhere)]
    public void What_registrar_and_registry_contradict_each_other_about_cannot_be_had(
        AvailabilityState state,
        bool hasRecord,
        Buyable buyable
    )
    {
        var record = hasRecord ? new RegistrationRecord("x.com", null, null, [], null) : null;
        var answer = new NameAnswer(Domain, "book", new Availability(state), record, default);
        answer.Buyable.ShouldBe(buyable);
        answer.IsContradicted.ShouldBe(hasRecord && state != AvailabilityState.Taken);
    }
}
