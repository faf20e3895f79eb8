using System.Net;

namespace HomeStart.Web.Tests;

/// <summary>Further names of a hosting, and an address that the host lends.</summary>
public sealed class HostedNamesTests : Delivered
{
    [Fact]
    public async Task Further_names_show_rest_forward_and_count_against_the_plan()
    {
        await DeliverAsync();
        await UploadAsync(new() { ["index.html"] = "front", ["workshop/index.html"] = "workshop" });
        object main = new
        {
            name = "ostlerwren.com",
            use = "own-site",
            folder = "",
            keepsPath = false,
        };
        var names = (
            await PutAsync(
                "names",
                new
                {
                    version = 0,
                    names = new[]
                    {
                        main,
                        new
                        {
                            name = "workshop.ostlerwren.com",
                            use = "own-site",
                            folder = "workshop",
                        },
                        new
                        {
                            name = "old.ostlerwren.com",
                            use = "forwarded",
                            forwardTo = "https://wren.com/clocks",
                            keepsPath = true,
                        },
                        new { name = "soon.ostlerwren.com", use = "resting" },
                    },
                }
            )
        ).ShouldBeOk();
        (
            names.GetProperty("websites").GetProperty("used").GetInt32(),
            names.GetProperty("subdomains").GetProperty("used").GetInt32()
        ).ShouldBe((1, 3));
        names.GetProperty("websites").GetProperty("more").GetProperty("name").GetString().ShouldBe("Jetty");
        names.GetProperty("sites").EnumerateArray().ShouldAllBe(site => site.GetProperty("leadsHere").GetBoolean());
        (await VisitAsync("workshop.ostlerwren.com")).Body.ShouldBe("workshop");
        (await VisitAsync("soon.ostlerwren.com")).Body.ShouldContain("to come");
        var (status, _, headers) = await VisitAsync("old.ostlerwren.com", "/repairs?a=1");
        (status, headers.GetValues("Location").Single()).ShouldBe(
            (HttpStatusCode.Redirect, "https://wren.com/clocks/repairs?a=1")
        );
        var (refused, faults) = await PutAsync(
            "names",
            new
            {
                version = 1,
                names = new[]
                {
                    main,
                    new { name = "wren.com", use = "resting" },
                    new
                    {
                        name = "loop.ostlerwren.com",
                        use = "forwarded",
                        forwardTo = "http://loop.ostlerwren.com/",
                    },
                },
            }
        );
        (refused, faults.GetProperty("errors").GetArrayLength()).ShouldBe((HttpStatusCode.UnprocessableEntity, 2));
    }

    [Fact]
    public async Task A_borrowed_address_is_seen_at_once_and_stays_when_a_domain_of_ones_own_comes()
    {
        await _visitor.DoAsync(
            new
            {
                kind = "choose-domain",
                letter = "A",
                domain = new { route = "lent", book = "tidemarsh" },
            }
        );
        await DeliverAsync();
        var chain = await _visitor.GetAsync($"{Api}/online");
        var lent = chain.GetProperty("domain").GetString()!;
        lent.ShouldEndWith(".tidemarsh.example.net");
        chain
            .GetProperty("links")
            .EnumerateArray()
            .Take(4)
            .ShouldAllBe(link => link.GetProperty("state").GetString() == "right");
        await UploadAsync(new() { ["index.html"] = "lent" });
        (await VisitAsync(lent)).Body.ShouldBe("lent");
        // The host keeps it.
        (await _visitor.GetAsync($"{Api}/zone")).GetProperty("canChange").GetBoolean().ShouldBeFalse();
        (
            await PutAsync(
                "names",
                new
                {
                    version = 0,
                    names = new[]
                    {
                        new { name = lent, use = "own-site" },
                        new { name = $"more.{lent}", use = "same-site" },
                    },
                }
            )
        ).ShouldBeOk();
    }
}
