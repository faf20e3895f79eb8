using System.Text;
using System.Text.Json;
using System.Xml.Linq;
using HomeStart.Formats.Books;
using HomeStart.Formats.Foreign;
using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Reconciling;
using HomeStart.Formats.Words;

namespace HomeStart.Core.Tests;

/// <summary>
/// What strangers wrote is read within limits of depth, parts and time, no longer than its caller waits, and holds
/// nothing that no document can hold.
/// </summary>
public class ForeignTextTests
{
    [Fact]
    public void XML_that_nests_without_end_is_refused_at_once_with_a_sentence()
    {
        var nested = Encoding.UTF8.GetBytes(string.Concat(Enumerable.Repeat("<a>", 500_000)));
        var faults = new FaultList();
        KeptFile.Read("x.xml", nested, faults, TestContext.Current.CancellationToken).ShouldBeNull();
        faults.Faults.ShouldHaveSingleItem().Code.ShouldBe(FaultCodes.OutOfRange);
        FaultWords.Sentence(faults.Faults[0]).ShouldContain("deeper than 32 levels");
    }

    [Theory]
    [InlineData(31, true)]
    [InlineData(33, true)] // The 33rd level is depth 32.
    [InlineData(34, false)]
    public void Depth_is_counted_to_the_level(int levels, bool isRead)
    {
        var text = string.Concat(Enumerable.Repeat("<a>", levels)) + string.Concat(Enumerable.Repeat("</a>", levels));
        Guard
            .Read(
                GuardLimits.Xml,
                guard => UblInvoice.Read(Encoding.UTF8.GetBytes(text), guard),
                TestContext.Current.CancellationToken
            )
            .Stopped.ShouldBe(isRead ? null : "This nests deeper than 32 levels, which nothing of the kind does.");
    }

    [Fact]
    public void Parts_time_and_a_caller_that_leaves_end_a_reading()
    {
        var guard = new Guard(new GuardLimits(3, 0, TimeSpan.FromMinutes(1)), CancellationToken.None);
        guard.Part();
        guard.Part();
        guard.Part();
        Should.Throw<GuardException>(() => guard.Part());
        Should.Throw<GuardException>(() =>
            new Guard(new GuardLimits(10, 0, TimeSpan.Zero), CancellationToken.None).Part()
        );
        Should.Throw<OperationCanceledException>(() =>
            new Guard(new GuardLimits(10, 0, TimeSpan.FromMinutes(1)), new CancellationToken(canceled: true)).Part()
        );
        Should.Throw<OperationCanceledException>(() =>
            KeptFile.Read(
                "x.xml",
                Encoding.UTF8.GetBytes("<a/>"),
                new FaultList(),
                new CancellationToken(canceled: true)
            )
        );
        Should.Throw<OperationCanceledException>(() =>
            ZoneFileReader.Read(
                "@ A 192.0.2.1",
                DomainName.Parse("wren.com")!,
                new FaultList(),
                new CancellationToken(canceled: true)
            )
        );
        Should.Throw<OperationCanceledException>(() =>
            StatementReader.Read(
                new Node(
                    JsonSerializer.SerializeToElement("Date,Description,Amount\n2027-12-01,A,1.00\n"),
                    "text",
                    new FaultList()
                ),
                Currency.Get("GBP"),
                new CancellationToken(canceled: true)
            )
        );
    }

    [Fact]
    public void A_zone_file_or_contact_of_very_many_lines_is_refused()
    {
        var faults = new FaultList();
        ZoneFileReader
            .Read(
                string.Concat(Enumerable.Repeat("a A 1\n", 40_000)),
                DomainName.Parse("wren.com")!,
                faults,
                TestContext.Current.CancellationToken
            )
            .ShouldBeEmpty();
        faults.Faults.ShouldContain(fault =>
            fault.Where == "zoneFile" && FaultWords.Sentence(fault).Contains("20000 parts", StringComparison.Ordinal)
        );
        var card = "BEGIN:VCARD\n" + string.Concat(Enumerable.Repeat("A:b\n", 30_000)) + "END:VCARD\n";
        Guard
            .Read(GuardLimits.VCard, guard => VCard.Read(card, guard), TestContext.Current.CancellationToken)
            .Stopped.ShouldNotBeNull();
    }

    [Theory]
    [InlineData("Ada Wren", true)]
    [InlineData("Ad\u00e4 Wr\u00e9n \ud83d\udd70", true)]
    [InlineData("two\nlines\tand a tab\r\n", true)]
    [InlineData("a\u0000b", false)]
    [InlineData("a\u0007b", false)]
    [InlineData("a\u001bb", false)]
    [InlineData("a\u007fb", false)]
    [InlineData("a\u0085b", false)]
    [InlineData("a\ufffeb", false)]
    [InlineData("a\uffffb", false)]
    public void Texts_hold_what_people_write_and_no_control_characters(string text, bool isPlain)
    {
        var faults = new FaultList();
        new Node(JsonSerializer.SerializeToElement(text), "name", faults).Text().ShouldBe(isPlain ? text : null);
        faults.Any.ShouldBe(!isPlain);
        (PlainText.Escaped(text) == text).ShouldBe(isPlain);
        Should.NotThrow(() => new XElement("a", PlainText.Escaped(text)).ToString());
    }

    [Fact]
    public void What_was_kept_before_is_written_out_escaped()
    {
        PlainText.Escaped("a\u0007b\ud800c").ShouldBe("a\\u0007b\\uD800c");
        var contact = new Contact(
            "Ada\u0007 Wren",
            "ada@example.com",
            "4 Mill Lane",
            "Hexworth",
            "HX4 2AB",
            "GB",
            "+44 1632\r\nX-Evil: 1"
        );
        VCard.Write(contact).ShouldContain("FN:Ada");
        VCard
            .Write(contact)
            .Split("\r\n")
            .ShouldNotContain(line => line.StartsWith("X-Evil", StringComparison.Ordinal));
        var placed = Placing.Prepare(Shop.Costed(Shop.Choosing("tidemarsh", "slipway", 12))).Value!;
        var order = new Order(Guid.NewGuid(), Guid.NewGuid(), "A", Shop.Today, contact, placed)
        {
            State = OrderState.Completed,
        };
        // It was an exception, and 500 for all the archive.
        var ubl = UblInvoice.Write(Receipt.ForSeller(order, "tidemarsh")!).ToString();
        ubl.ShouldContain("Ada\\u0007 Wren");
    }

    [Theory]
    [InlineData("contact.name", "Ada\nWren")]
    [InlineData("contact.street", "4 Mill\tLane")]
    [InlineData("contact.mail", "ada\u200b@example.com")]
    [InlineData("contact.mail", "ada@exam\u0000ple.com")]
    [InlineData("contact.mail", "ada\ufeff@example.com")]
    [InlineData("contact.telephone", "+44 1632\r\n960123")]
    public void Contacts_are_of_single_lines_and_addresses_of_letters_that_are_seen(string where, string text)
    {
        var contact = new Contact("Ada Wren", "ada@example.com", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null);
        contact = where switch
        {
            "contact.name" => contact with { Name = text },
            "contact.street" => contact with { Street = text },
            "contact.mail" => contact with { Mail = text },
            _ => contact with { Telephone = text },
        };
        var faults = new FaultList();
        contact.Check(faults, "contact");
        faults.Faults.ShouldHaveSingleItem().Where.ShouldBe(where);
    }

    [Theory]
    [InlineData("tidemarsh", true)]
    [InlineData("T.I-de_9", true)]
    [InlineData("", false)]
    [InlineData(".", false)]
    [InlineData("..", false)]
    [InlineData("../../x", false)]
    [InlineData("a b", false)]
    [InlineData("caf\u00e9", false)]
    [InlineData("a/b", false)]
    public void Ids_are_letters_digits_hyphens_underscores_and_dots(string id, bool isId) =>
        BookIds.IsId(id).ShouldBe(isId);

    [Fact]
    public void Ids_are_as_long_as_sixty()
    {
        BookIds.IsId(new string('a', 60)).ShouldBeTrue();
        BookIds.IsId(new string('a', 61)).ShouldBeFalse();
        var book = Shop.Books.First(known => known.Id == "tidemarsh");
        var faults = new FaultList();
        BookIds.Check(book, faults);
        faults.Any.ShouldBeFalse();
        BookIds.Check(
            book with
            {
                Id = "..",
                Plans = [book.Plans[0], book.Plans[1] with { Id = "a/b" }],
                AddOns = [book.AddOns[0] with { Id = "a b" }],
                Promotions = [book.Promotions[0] with { Id = "" }],
                DataCentres = [new DataCentre("x y", "X", null, 0)],
            },
            faults
        );
        faults
            .Faults.Select(fault => fault.Where)
            .ShouldBe(["id", "plans[1].id", "dataCentres[0].id", "addOns[0].id", "promotions[0].id"]);
    }
}
