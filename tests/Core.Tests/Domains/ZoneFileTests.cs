using CsCheck;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Online;

namespace HomeStart.Core.Tests;

/// <summary>Zone files are read as others write them, and what is written here is read again.</summary>
public class ZoneFileTests
{
    private static readonly DomainName Domain = DomainName.Parse("clocks.example")!;

    [Fact]
    public void A_file_with_all_that_the_form_allows_is_read()
    {
        var (records, faults) = Read(
            """
            ; made by hand
            $ORIGIN clocks.example.
            $TTL 1h30m
            @       IN SOA ns1.host.example. hostmaster.host.example. ( 2026120101 7200
                        3600 1209600 20 ) ; over two lines
                    IN NS  ns1.host.example.
            @       IN A   198.51.100.7
                    300 IN AAAA 2001:DB8::7
            www     CNAME  @
            mail    IN 2d A 198.51.100.8
            @       MX 10  mail
                    TXT "v=spf1 " "mx -all"
            odd     TXT "a \"quoted\" \092 thing; not a comment"
            _sip._tcp SRV 10 5 5060 sip.example.net.
            @       CAA 0 issue "ca.example.net"
            $ORIGIN shop.clocks.example.
            a       A 198.51.100.9
            """
        );
        faults.ShouldBeEmpty();
        records
            .Select(record =>
                $"{record.Owner} {record.TtlSeconds} {record.Type} "
                + $"{(record.Preference is { } preference ? preference + " " : "")}{record.Data}"
            )
            .ShouldBe([
                "@ 5400 A 198.51.100.7",
                "@ 300 Aaaa 2001:db8::7",
                "www 5400 Cname clocks.example.",
                "mail 172800 A 198.51.100.8",
                "@ 5400 Mx 10 mail.clocks.example.",
                "@ 5400 Txt v=spf1 mx -all",
                "odd 5400 Txt a \"quoted\" \\ thing; not a comment",
                "_sip._tcp 5400 Srv 10 5 5060 sip.example.net.",
                "@ 5400 Caa 0 issue \"ca.example.net\"",
                "a.shop 5400 A 198.51.100.9",
            ]);
    }

    [Theory]
    [InlineData("@ A", "zoneFile:1")]
    [InlineData("www", "zoneFile:1")]
    [InlineData("\n@ HINFO a b", "zoneFile:2")]
    [InlineData("other.example. A 198.51.100.7", "zoneFile:1")]
    [InlineData("@ TXT \"open", "zoneFile:1")]
    [InlineData("@ A ( 198.51.100.7", "zoneFile:1")]
    [InlineData("@ A 198.51.100.7 )", "zoneFile:1")]
    [InlineData("$INCLUDE other.zone", "zoneFile:1")]
    [InlineData("  A 198.51.100.7", "zoneFile:1")]
    public void What_cannot_be_read_is_said_at_its_line(string text, string where) =>
        Read(text).Faults.Select(fault => fault.Where).ShouldContain(where);

    [Fact]
    public void A_file_that_is_too_long_is_not_read() =>
        Read(new string(';', ZoneFileReader.Longest + 1)).Faults.Single().Code.ShouldBe(FaultCodes.OutOfRange);

    [Fact]
    public void What_is_written_is_read_again() =>
        Gen.Select(Gen.Char[' ', '~'].Array[1, 600], Gen.Int[30, 600_000], Gen.Int[0, 6])
            .Sample(
                (text, ttl, which) =>
                {
                    var record = which switch
                    {
                        0 => new ResourceRecord("@", ttl, RecordType.A, "198.51.100.7"),
                        1 => new ResourceRecord("www", ttl, RecordType.Cname, "clocks.example."),
                        2 => new ResourceRecord("@", ttl, RecordType.Mx, "mail.example.net.")
                        {
                            Preference = ttl % 65_536,
                        },
                        3 => new ResourceRecord("_a._b", ttl, RecordType.Srv, "1 2 3 a.example."),
                        4 => new ResourceRecord("@", ttl, RecordType.Caa, "0 issue \"ca.example.net\""),
                        _ => new ResourceRecord("txt", ttl, RecordType.Txt, new string(text)),
                    };
                    var (records, faults) = Read(ZoneFile.Write(Domain, [record]));
                    faults.ShouldBeEmpty();
                    records.ShouldBe([record]);
                },
                iter: 2000
            );

    [Fact]
    public void Whatever_comes_is_read_or_said_to_be_wrong() =>
        Gen.Char["@ \t\n;()\"\\$ORIGINTTLAMX0129.abc"].Array[0, 80].Sample(text => Read(new string(text)), iter: 5000);

    [Fact]
    public void Records_as_typed_are_tidied_where_that_changes_nothing()
    {
        RecordReader.Tidied(RecordType.Cname, " Shop.Example ").ShouldBe("shop.example.");
        RecordReader.Tidied(RecordType.Mx, "mail").ShouldBe("mail");
        RecordReader.Tidied(RecordType.Srv, "1  2 3 A.example").ShouldBe("1 2 3 a.example.");
        RecordReader.Tidied(RecordType.Txt, " V=spf1 ").ShouldBe("V=spf1");
        RecordReader.Tidied(RecordType.Aaaa, "2001:DB8::7").ShouldBe("2001:db8::7");
    }

    private static (IReadOnlyList<ResourceRecord> Records, IReadOnlyList<Fault> Faults) Read(string text)
    {
        var faults = new FaultList();
        return ([.. ZoneFileReader.Read(text, Domain, faults)], faults.Faults);
    }
}
