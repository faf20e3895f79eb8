using System.Net;

namespace HomeStart.Web.Tests;

/// <summary>
/// The records of a domain that was delivered, at its host and back, and the certificate that hangs on them.
/// </summary>
public sealed class RecordsTests : Delivered
{
    [Fact]
    public async Task Records_are_changed_explained_and_put_back()
    {
        await DeliverAsync();
        var zone = await _visitor.GetAsync($"{Api}/zone");
        zone.GetProperty("canChange").GetBoolean().ShouldBeTrue();
        Records(zone)
            .Select(record => $"{record.GetProperty("owner").GetString()} {record.GetProperty("type").GetString()}")
            .ShouldBe(["@ A", "@ AAAA", "www CNAME", "@ MX", "@ TXT"]);

        var more = Records(zone)
            .Append(Record("shop", "A", "192.0.2.7"))
            .Append(Record("_sip._tcp", "SRV", "10 5 5060 sip.example.net."))
            .Append(Record("@", "CAA", "0 issue \"ca.example.net\""));
        var changed = (await PutAsync("zone", new { version = 0, records = more })).ShouldBeOk();
        changed.GetProperty("version").GetInt32().ShouldBe(1);
        (await AskAsync("shop.ostlerwren.com")).ShouldBe("192.0.2.7");

        var (status, stale) = await PutAsync("zone", new { version = 0, records = Records(zone) });
        (
            status,
            stale.GetProperty("detail").GetString()!.Contains("another window", StringComparison.Ordinal)
        ).ShouldBe((HttpStatusCode.Conflict, true));
        var wrong = Records(zone)
            .Append(Record("@", "CNAME", "wren.com."))
            .Append(Record("www", "A", "1.2.3"))
            .Append(Record("@", "TXT", "v=spf1 -all"));
        var (refused, faults) = await PutAsync("zone", new { version = 1, records = wrong });
        refused.ShouldBe(HttpStatusCode.UnprocessableEntity);
        faults
            .GetProperty("errors")
            .EnumerateArray()
            .Select(fault => fault.GetProperty("where").GetString())
            .ShouldBe(
                ["records[2].owner", "records[5].owner", "records[6].data", "records[7].data"],
                ignoreOrder: true
            );

        (await PostAsync("zone/back", new { version = 1 })).ShouldBeOk().GetProperty("version").GetInt32().ShouldBe(2);
        (await AskAsync("shop.ostlerwren.com")).ShouldBeNull();
    }

    [Fact]
    public async Task A_zone_file_goes_out_and_comes_in_with_what_differs_said_first()
    {
        await DeliverAsync();
        var file = await (await _visitor.RawAsync($"{Api}/zone/file")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken
        );
        (await PostAsync("zone/try", new { zoneFile = file }))
            .ShouldBeOk()
            .GetProperty("in")
            .GetArrayLength()
            .ShouldBe(0);
        var change = (
            await PostAsync("zone/try", new { zoneFile = file + "blog\t600\tIN\tA\t192.0.2.9\n" })
        ).ShouldBeOk();
        (
            change.GetProperty("in").GetArrayLength(),
            change.GetProperty("out").GetArrayLength(),
            change.GetProperty("records").GetArrayLength()
        ).ShouldBe((1, 0, 6));
        (await AskAsync("blog.ostlerwren.com")).ShouldBeNull(); // It was only tried.
        (await PostAsync("zone/try", new { zoneFile = "what is this\n" })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
        var elsewhere = (
            await PostAsync("zone/try", new { set = "mail-elsewhere", argument = "mx1.post.example.net" })
        ).ShouldBeOk();
        elsewhere
            .GetProperty("records")
            .EnumerateArray()
            .Count(record => record.GetProperty("type").GetString() == "MX")
            .ShouldBe(1);
        (await PostAsync("zone/try", new { set = "prove-by-text" })).Status.ShouldBe(
            HttpStatusCode.UnprocessableEntity
        );
    }

    [Fact]
    public async Task Where_nothing_leads_nothing_is_found()
    {
        await DeliverAsync();
        var zone = await _visitor.GetAsync($"{Api}/zone");
        (
            await PutAsync(
                "zone",
                new
                {
                    version = 0,
                    records = Records(zone).Where(record => record.GetProperty("type").GetString() is "MX" or "TXT"),
                }
            )
        ).ShouldBeOk();
        (await VisitAsync("ostlerwren.com")).Body.ShouldContain("Server not found");
        (await _visitor.GetAsync($"{Api}/online"))
            .GetProperty("links")
            .EnumerateArray()
            .Single(link => link.GetProperty("kind").GetString() == "address")
            .GetProperty("state")
            .GetString()
            .ShouldBe("waiting");
        (await VisitAsync("nobody.example")).Body.ShouldContain("Server not found");
    }

    [Fact]
    public async Task A_certificate_comes_when_everybody_sees_the_name_and_not_while_a_record_forbids_it()
    {
        await DeliverAsync();
        var zone = await _visitor.GetAsync($"{Api}/zone");
        (
            await PutAsync(
                "zone",
                new { version = 0, records = Records(zone).Append(Record("@", "CAA", "0 issue \"ca.other.example\"")) }
            )
        ).ShouldBeOk();
        var refused = (await PostAsync("certificate", new { })).ShouldBeOk();
        refused.GetProperty("certificate").GetProperty("refusal").GetString()!.ShouldContain("CAA");
        (await PostAsync("zone/back", new { version = 1 })).ShouldBeOk();
        (await PostAsync("certificate", new { }))
            .ShouldBeOk()
            .GetProperty("certificate")
            .GetProperty("state")
            .GetString()
            .ShouldBe("waiting");
        _host.ClockOutside.Ahead += TimeSpan.FromMinutes(10); // Everybody has heard of the name.
        await _visitor.WaitForAsync(async () =>
            (await _visitor.GetAsync($"{Api}/online")).GetProperty("certificate").GetProperty("state").GetString()
            == "there"
        );
        var chain = await _visitor.GetAsync($"{Api}/online");
        (
            chain.GetProperty("certificate").GetProperty("until").GetString(),
            chain.GetProperty("isJoined").GetBoolean()
        ).ShouldBe(("2027-03-01", true));
    }
}
