using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using static HomeStart.Web.Tests.UpkeepSteps;

namespace HomeStart.Web.Tests;

/// <summary>
/// What was bought at the sellers' own pages: noted, looked after without any counterpart, and held against what is
/// charged.
/// </summary>
public class BoughtTests
{
    [Fact]
    public async Task It_is_looked_after_like_an_order_and_no_counterpart_hears_of_it()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await BoughtAsync(host);
        var page = await PageAsync(visitor);
        Tenure(page).GetProperty("payer").GetProperty("atTheSellers").GetBoolean().ShouldBeTrue();
        await MoveToAsync(visitor, "2027-12-02");
        var asked = Asked(await PageAsync(visitor)).ShouldHaveSingleItem();
        (
            asked.GetProperty("due").GetString(),
            asked.GetProperty("on").GetString(),
            asked.GetProperty("mayHaveFailed").GetBoolean()
        ).ShouldBe(("189.07", "2027-12-01", true));
        (await visitor.MailAsync("Was it taken? Tidemarsh Hosting, 1 December 2027")).ShouldContain("Was it taken?");
        await visitor.MailAsync("In 7 days: £189.07 due to Tidemarsh");
        (await host.InCounterpartsAsync(db => db.Charges.CountAsync())).ShouldBe(0);
        (await host.InCounterpartsAsync(db => db.Accounts.CountAsync())).ShouldBe(0);

        await TellAsync(visitor, order, asked, new { taken = true });
        Asked(await PageAsync(visitor)).ShouldBeEmpty();
        (await HeldAsync(visitor)).GetProperty("paidUntil").GetString().ShouldBe("2028-12-01");
    }

    [Fact]
    public async Task A_charge_that_was_not_taken_is_missed_from_its_day_on_and_paying_it_there_mends_it()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await BoughtAsync(host);
        await MoveToAsync(visitor, "2027-12-20");
        await TellAsync(visitor, order, Asked(await PageAsync(visitor)).ShouldHaveSingleItem(), new { taken = false });
        await CalmAsync(visitor);
        var page = await PageAsync(visitor);
        (await HeldAsync(visitor)).GetProperty("state").GetString().ShouldBe("suspended");
        Tenure(page).GetProperty("payer").GetProperty("works").GetBoolean().ShouldBeFalse();
        Asked(page).ShouldBeEmpty();
        (await HeldAsync(visitor)).GetProperty("owed").GetProperty("amount").GetString().ShouldNotBeNull();
        var (status, body) = await visitor.PostAsync(
            $"/api/orders/{order}/upkeep/pay",
            new { holding = "hosting", way = "card" }
        );
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        (await HeldAsync(visitor)).GetProperty("state").GetString().ShouldBe("live");
        (await host.InCounterpartsAsync(db => db.Charges.CountAsync())).ShouldBe(0);
    }

    [Fact]
    public async Task What_passed_before_it_was_noted_is_asked_about_and_not_written_about()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await BoughtAsync(host, "2024-11-15");
        var page = await PageAsync(visitor);
        Asked(page).Select(movement => movement.GetProperty("on").GetString()).ShouldBe(["2026-11-15", "2025-11-15"]);
        (await HeldAsync(visitor)).GetProperty("paidUntil").GetString().ShouldBe("2027-11-15");
        var mails = await visitor.GetAsync("/api/mail");
        mails.ToString().ShouldNotContain("Was it taken");
        mails.ToString().ShouldNotContain("In 60 days");
    }

    [Fact]
    public async Task What_was_told_is_kept_once_can_be_mended_and_taken_away()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await BoughtAsync(host);
        var (status, again) = await visitor.PostAsync($"/api/sites/{visitor.SiteId}/bought", Body(order, visitor.Mail));
        (status, again.GetProperty("id").GetGuid()).ShouldBe((HttpStatusCode.OK, order));
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(1);
        (status, var twice) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/bought",
            Body(Guid.NewGuid(), visitor.Mail)
        ); // In another window, say.
        (status, twice.GetProperty("errors")[0].GetProperty("code").GetString()).ShouldBe(
            (HttpStatusCode.UnprocessableEntity, "repeated")
        );
        (_, var changed) = await visitor.SendAsync(
            HttpMethod.Put,
            $"/api/orders/{order}/bought",
            new
            {
                receipts = new[]
                {
                    new
                    {
                        book = "tidemarsh",
                        paid = "93.95",
                        reference = "TM-77",
                    },
                },
                keys = new { user = "ostler", iPv4 = "192.0.2.10" },
                cardExpires = "2027-06-30",
            }
        );
        changed.GetProperty("keySheet").GetProperty("user").GetString().ShouldBe("ostler");
        var tenure = Tenure(await PageAsync(visitor));
        tenure.GetProperty("payer").GetProperty("expires").GetString().ShouldBe("2027-06-30");
        tenure
            .GetProperty("notices")
            .EnumerateArray()
            .ShouldContain(notice => notice.GetProperty("kind").GetString() == "card-expires");
        tenure.GetProperty("movements")[0].GetProperty("seen").GetString().ShouldBe("93.95");
        (
            tenure.GetProperty("overcharged")[0].GetProperty("amount").GetString(),
            tenure.GetProperty("overcharged").GetArrayLength()
        ).ShouldBe(("28.80", 1));
        var why = await visitor.GetAsync($"/api/orders/{order}/upkeep/charges/0/why");
        why.GetProperty("explanations")[0]
            .GetProperty("words")[0]
            .GetString()!
            .ShouldStartWith("Their sum includes Search listing help");
        var letter = (await visitor.GetAsync($"/api/orders/{order}/upkeep/letter/tidemarsh"))
            .GetProperty("text")
            .GetString()!;
        letter.ShouldContain("under your reference TM-77");
        letter.ShouldContain("On 1 December 2026 £65.15 was due");
        letter.ShouldContain("£28.80 too much. By my reckoning your sum includes Search listing help.");
        letter.ShouldEndWith("Ada Wren");
        using var sheet = await visitor.RawAsync($"/api/orders/{order}/key-sheet.pdf");
        sheet.Content.Headers.ContentType!.MediaType.ShouldBe("application/pdf");

        (await host.InDatabaseAsync(db => db.Customers.IgnoreQueryFilters().CountAsync())).ShouldBe(1);
        (await visitor.SendAsync(HttpMethod.Delete, $"/api/orders/{order}/bought", null)).Status.ShouldBe(
            HttpStatusCode.NoContent
        );
        // They are a new customer again.
        (await host.InDatabaseAsync(db => db.Customers.IgnoreQueryFilters().CountAsync())).ShouldBe(0);
        (await visitor.GetAsync("/api/orders")).GetArrayLength().ShouldBe(0);
        (await PageAsync(visitor)).GetProperty("tenures").GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task Receipts_are_kept_and_an_invoice_in_UBL_fills_in_what_was_not_typed()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, order) = await BoughtAsync(host);
        (await KeepAsync("../bill <1>.pdf", "%PDF-1.7 …"u8.ToArray())).ShouldBe(HttpStatusCode.OK);
        (
            await KeepAsync(
                "mail.eml",
                Encoding.UTF8.GetBytes(
                    "From: sales@tidemarsh.example\r\nDate: Tue, 1 Dec 2026 10:00:00 +0000\r\nSubject: Thank "
                        + "you\r\n\r\nYou paid 65.15."
                )
            )
        ).ShouldBe(HttpStatusCode.OK);
        (await KeepAsync("invoice.xml", Encoding.UTF8.GetBytes(Invoice))).ShouldBe(HttpStatusCode.OK);
        foreach (
            var bytes in new[]
            {
                [],
                "hello"u8.ToArray(),
                "<html/>"u8.ToArray(),
                new byte[(4 << 20) + 1],
                Encoding.UTF8.GetBytes("From: a@b.example\nSubject: Hello\n\nYour password: tick-tock"),
                Encoding.UTF8.GetBytes("<!DOCTYPE x [<!ENTITY a \"b\">]>" + Invoice),
            }
        )
        {
            (await KeepAsync("x.pdf", bytes)).ShouldBe(HttpStatusCode.UnprocessableEntity);
        }

        var receipt = (await visitor.GetAsync($"/api/orders/{order}")).GetProperty("there").GetProperty("receipts")[0];
        receipt.GetProperty("reference").GetString().ShouldBe("TM-2026-118");
        receipt.GetProperty("lines")[0].ToString().ShouldContain("Slipway, 1 year");
        var kept = (await visitor.GetAsync($"/api/orders/{order}/kept")).EnumerateArray().ToList();
        kept.Select(file => file.GetProperty("name").GetString()).ShouldBe(["bill -1-.pdf", "invoice.xml", "mail.eml"]);
        using (var file = await visitor.RawAsync($"/api/orders/{order}/kept/{kept[1].GetProperty("id").GetString()}"))
        {
            (await file.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldBe(Invoice);
            (
                file.Content.Headers.ContentType!.MediaType,
                file.Content.Headers.ContentDisposition!.DispositionType
            ).ShouldBe(("application/octet-stream", "attachment"));
        }

        (
            await visitor.SendAsync(
                HttpMethod.Delete,
                $"/api/orders/{order}/kept/{kept[0].GetProperty("id").GetString()}",
                null
            )
        ).Status.ShouldBe(HttpStatusCode.NoContent);
        (await visitor.GetAsync($"/api/orders/{order}/kept")).GetArrayLength().ShouldBe(2);

        async Task<HttpStatusCode> KeepAsync(string name, byte[] bytes) =>
            (
                await visitor.SendBytesAsync(
                    HttpMethod.Post,
                    $"/api/orders/{order}/kept?name={Uri.EscapeDataString(name)}",
                    bytes,
                    "application/octet-stream"
                )
            ).Status;
    }

    [Fact]
    public async Task A_statement_is_shown_first_then_kept_and_answers_what_is_asked()
    {
        await using var host = await TestHost.StartAsync();
        var (visitor, _) = await BoughtAsync(host);
        await MoveToAsync(visitor, "2028-12-10");
        const string Text =
            "Date,Description,Amount\n02/12/2027,TIDEMARSH HOSTING LTD 9999 0000 0000 "
            + "0004,189.07\n03/12/2028,Tidemarsh,259.87\n05/05/2028,TIDEMARSH "
            + "HOSTING,9.00\n06/06/2028,GROCER,12.40\n";
        var (status, found) = await visitor.PostAsync(
            $"/api/sites/{visitor.SiteId}/upkeep/statement",
            new { text = Text }
        );
        status.ShouldBe(HttpStatusCode.OK, found.ToString());
        found
            .GetProperty("rows")
            .EnumerateArray()
            .Select(row => row.GetProperty("verdict").GetString())
            .ShouldBe(["matched", "explained", "not-due"], found.ToString());
        found.GetProperty("others").GetInt32().ShouldBe(1);
        Asked(await PageAsync(visitor)).Count.ShouldBe(2);
        (
            await visitor.PostAsync($"/api/sites/{visitor.SiteId}/upkeep/statement", new { text = Text, keep = true })
        ).Status.ShouldBe(HttpStatusCode.OK);
        var page = await PageAsync(visitor);
        Asked(page).ShouldBeEmpty();
        Tenure(page).GetProperty("overcharged")[0].GetProperty("amount").GetString().ShouldBe("70.80");
        Tenure(page)
            .GetProperty("movements")
            .EnumerateArray()
            .Select(movement => movement.GetProperty("statement").GetString())
            .ShouldBe(["Tidemarsh", "a row that names the card", null]);
        foreach (
            var bad in new[]
            {
                "",
                "hello",
                "a,b,c\n1,2,3",
                "date,description,amount\nsoon,Tidemarsh,1.00",
                "date,description,amount\n2027-12-01,Tidemarsh,much",
            }
        )
        {
            (
                await visitor.PostAsync($"/api/sites/{visitor.SiteId}/upkeep/statement", new { text = bad })
            ).Status.ShouldBe(HttpStatusCode.UnprocessableEntity, bad);
        }
    }

    [Fact]
    public async Task What_was_ordered_here_can_be_held_against_the_statement_too()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var order = (await visitor.OrderAsync()).GetProperty("id").GetGuid();
        await visitor.UntilAsync(order, "completed");
        await OpenedAsync(visitor);
        var movement = Tenure(await PageAsync(visitor)).GetProperty("movements")[0];
        (
            movement.GetProperty("asks").GetBoolean(),
            movement.GetProperty("mayHaveFailed").GetBoolean(),
            movement.GetProperty("due").GetString()
        ).ShouldBe((false, false, "65.15"));
        await TellAsync(visitor, order, movement, new { taken = true, total = "£65.15" });
        Tenure(await PageAsync(visitor))
            .GetProperty("movements")[0]
            .GetProperty("over")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/charges/0", new { version = 0, taken = true })
        ).Status.ShouldBe(HttpStatusCode.Conflict);
        (
            await visitor.PostAsync($"/api/orders/{order}/upkeep/charges/77", new { version = 0, taken = true })
        ).Status.ShouldBe(HttpStatusCode.NotFound);
        (await visitor.SendAsync(HttpMethod.Delete, $"/api/orders/{order}/bought", null)).Status.ShouldBe(
            HttpStatusCode.NotFound
        );
    }

    [Fact]
    public async Task A_claim_there_is_noted_and_no_registry_hears_of_it()
    {
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        await visitor.DoAsync(
            new
            {
                kind = "drop-domain",
                letter = "A",
                domain = "ostlerwren.com",
            }
        );
        var (_, order) = await BoughtAsync(host, visitor: visitor);
        await MoveToAsync(visitor, "2027-02-01");
        var version = Tenure(await PageAsync(visitor)).GetProperty("version").GetInt32();
        var (status, body) = await visitor.PostAsync(
            $"/api/orders/{order}/upkeep/decisions",
            new
            {
                version,
                decision = new Dictionary<string, object>
                {
                    ["on"] = "2027-02-01",
                    ["do"] = "claim",
                    ["domain"] = new
                    {
                        route = "register",
                        book = "tidemarsh",
                        name = "ostlerwren",
                        ending = "com",
                        years = 1,
                    },
                },
            }
        );
        status.ShouldBe(HttpStatusCode.NoContent, body.ToString());
        var tenure = Tenure(await PageAsync(visitor));
        tenure.GetProperty("allowances")[0].GetProperty("takenBy").GetString().ShouldBe("ostlerwren.com");
        (await host.InCounterpartsAsync(db => db.Registrations.CountAsync())).ShouldBe(0);
    }

    [Fact]
    public async Task The_way_to_the_site_is_held_against_the_key_sheet_as_it_was_filled_in()
    {
        // What was ordered here stands in the world as what was bought there would: the name is registered, and leads
        // to the host.
        await using var host = await TestHost.StartAsync();
        var visitor = host.Visit();
        await visitor.OpenAsync();
        var sheet = (
            await visitor.UntilAsync((await visitor.OrderAsync()).GetProperty("id").GetGuid(), "completed")
        ).GetProperty("keySheet");
        var (_, order) = await BoughtAsync(host, "2026-11-30", visitor, isConfirmed: true);
        using (var nothing = await visitor.RawAsync($"/api/orders/{order}/online"))
        {
            nothing.StatusCode.ShouldBe(HttpStatusCode.NoContent); // The key sheet says no address yet.
        }

        string?[] servers = [.. sheet.GetProperty("nameServers").EnumerateArray().Select(server => server.GetString())];
        await FillInAsync(servers);
        (await StateAsync("name-servers")).ShouldBe("right");
        await FillInAsync("ns1.elsewhere.example", "ns2.elsewhere.example");
        (await StateAsync("name-servers")).ShouldBe("wrong");

        async Task FillInAsync(params string?[] nameServers) =>
            (
                await visitor.SendAsync(
                    HttpMethod.Put,
                    $"/api/orders/{order}/bought",
                    new
                    {
                        receipts = new[] { new { book = "tidemarsh", paid = "65.15" } },
                        keys = new { iPv4 = "192.0.2.77", nameServers },
                    }
                )
            ).Status.ShouldBe(HttpStatusCode.OK);

        async Task<string?> StateAsync(string kind) =>
            (await visitor.GetAsync($"/api/orders/{order}/online"))
                .GetProperty("links")
                .EnumerateArray()
                .Single(link => link.GetProperty("kind").GetString() == kind)
                .GetProperty("state")
                .GetString();
    }

    private const string Invoice = """
        <Invoice xmlns="urn:oasis:names:specification:ubl:schema:xsd:Invoice-2" xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2" xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">
          <cbc:ID>TM-2026-118</cbc:ID>
          <cac:AccountingSupplierParty><cac:Party><cac:PartyLegalEntity><cbc:RegistrationName>Tidemarsh Hosting Ltd</cbc:RegistrationName></cac:PartyLegalEntity></cac:Party></cac:AccountingSupplierParty>
          <cac:InvoiceLine><cbc:ID>1</cbc:ID><cbc:LineExtensionAmount currencyID="GBP">54.29</cbc:LineExtensionAmount><cac:Item><cbc:Name>Slipway, 1 year</cbc:Name></cac:Item></cac:InvoiceLine>
        </Invoice>
        """;

    internal static async Task<(Visitor Visitor, Guid Order)> BoughtAsync(
        TestHost host,
        string on = "2026-12-01",
        Visitor? visitor = null,
        bool isConfirmed = false
    )
    {
        if (visitor is null)
        {
            visitor = host.Visit();
            await visitor.OpenAsync();
        }

        if (!isConfirmed)
        {
            await visitor.ConfirmAsync();
        }

        var id = Guid.NewGuid();
        var (status, body) = await visitor.PostAsync($"/api/sites/{visitor.SiteId}/bought", Body(id, visitor.Mail, on));
        status.ShouldBe(HttpStatusCode.OK, body.ToString());
        body.GetProperty("state").GetString().ShouldBe("completed");
        await visitor.WaitForAsync(async () =>
            (await PageAsync(visitor)) is var page
            && page.GetProperty("tenures").GetArrayLength() > 0
            && !page.GetProperty("isMoving").GetBoolean()
        );
        return (visitor, id);
    }

    internal static Dictionary<string, object?> Body(
        Guid id,
        string mail,
        string on = "2026-12-01",
        (string Field, string? Value)? change = null
    )
    {
        var receipt = new Dictionary<string, object?> { ["book"] = "tidemarsh", ["paid"] = "£65.15" };
        var keys = new Dictionary<string, object?> { ["notes"] = "Ask for Hal." };
        var body = new Dictionary<string, object?>
        {
            ["id"] = id,
            ["letter"] = "A",
            ["boughtOn"] = on,
            ["name"] = "Ada Wren",
            ["mail"] = mail,
            ["receipts"] = new[] { receipt },
            ["keys"] = keys,
        };
        if (change is var (field, value))
        {
            (
                field is "book" or "paid" or "reference" ? receipt
                : body.ContainsKey(field) ? body
                : keys
            )[field] = field == "nameServers" ? new[] { value } : value;
        }

        return body;
    }

    private static async Task TellAsync(Visitor visitor, Guid order, JsonElement movement, object told)
    {
        var version = Tenure(await PageAsync(visitor)).GetProperty("version").GetInt32();
        var body = JsonSerializer.SerializeToNode(told)!.AsObject();
        body["version"] = version;
        var (status, answer) = await visitor.PostAsync(
            string.Create(
                CultureInfo.InvariantCulture,
                $"/api/orders/{order}/upkeep/charges/{movement.GetProperty("line").GetInt32()}"
            ),
            body
        );
        status.ShouldBe(HttpStatusCode.NoContent, answer.ToString());
    }

    private static async Task<JsonElement> HeldAsync(Visitor visitor) =>
        Tenure(await PageAsync(visitor)).GetProperty("holdings")[0];

    private static List<JsonElement> Asked(JsonElement page) =>
        [
            .. Tenure(page)
                .GetProperty("movements")
                .EnumerateArray()
                .Where(movement => movement.GetProperty("asks").GetBoolean()),
        ];
}
