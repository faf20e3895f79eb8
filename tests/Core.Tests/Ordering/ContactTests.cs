using HomeStart.Formats.Orders;

namespace HomeStart.Core.Tests;

public class ContactTests
{
    private static readonly Contact Good = new(
        "Ada Wren",
        "ada@example.com",
        "4 Mill Lane",
        "Hexworth",
        "HX4 2AB",
        "GB",
        "+44 (0) 1632 960123"
    );

    [Fact]
    public void A_whole_contact_has_no_fault() => Faults(Good).ShouldBeEmpty();

    [Fact]
    public void A_telephone_may_be_left_out() => Faults(Good with { Telephone = "" }).ShouldBeEmpty();

    [Theory]
    [InlineData("ada")]
    [InlineData("ada@")]
    [InlineData("@example.com")]
    [InlineData("ada@example")]
    [InlineData("ada wren@example.com")]
    [InlineData("ada@ex@ample.com")]
    [InlineData("ada@example.")]
    public void What_is_no_mail_address_is_faulted(string mail) =>
        Faults(Good with { Mail = mail }).ShouldBe(["contact.mail"]);

    [Theory]
    [InlineData("a@b.c")]
    [InlineData("ada.wren+clocks@mail.example.co.uk")]
    public void What_may_be_a_mail_address_is_taken(string mail) => Faults(Good with { Mail = mail }).ShouldBeEmpty();

    [Theory]
    [InlineData("a@.com")]
    [InlineData("a@b..")]
    public void A_dot_stands_between_letters(string mail) =>
        Faults(Good with { Mail = mail }).ShouldBe(["contact.mail"]);

    [Theory]
    [InlineData("123456", true)]
    [InlineData("12345", false)]
    [InlineData("012345678901234567890123456789", true)]
    [InlineData("0123456789012345678901234567890", false)]
    [InlineData("123456x", false)]
    [InlineData("(0)1-2 345+6", true)]
    public void A_telephone_has_six_digits_and_at_most_thirty_characters(string number, bool holds) =>
        Faults(Good with { Telephone = number }).Count.ShouldBe(holds ? 0 : 1);

    [Theory]
    [InlineData(120, true)]
    [InlineData(121, false)]
    public void A_field_has_at_most_so_many_characters(int length, bool holds) =>
        Faults(Good with { Town = new string('t', length) }).Count.ShouldBe(holds ? 0 : 1);

    [Theory]
    [InlineData("gb")]
    [InlineData("GBR")]
    [InlineData("G1")]
    public void A_country_is_two_capital_letters(string country) =>
        Faults(Good with { Country = country }).ShouldBe(["contact.country"]);

    [Fact]
    public void Everything_missing_is_said_at_once() =>
        Faults(new Contact("", "", " ", "", "", "", "12"))
            .ShouldBe(
                [
                    "contact.name",
                    "contact.street",
                    "contact.town",
                    "contact.postcode",
                    "contact.country",
                    "contact.mail",
                    "contact.telephone",
                ],
                ignoreOrder: true
            );

    [Theory]
    [InlineData("HK", "", null, "")]
    [InlineData("GB", "", null, "contact.postcode")]
    [InlineData("US", "", "", "contact.postcode contact.state")]
    [InlineData("US", "98101", "WA", "")]
    [InlineData("GB", "HX4 2AB", null, "")]
    [InlineData("XX", "", null, "contact.postcode")]
    public void The_country_decides_what_is_asked(string country, string postcode, string? state, string faults) =>
        string.Join(' ', Faults(Good with { Country = country, Postcode = postcode, State = state }).Order())
            .ShouldBe(faults);

    [Fact]
    public void An_organisation_may_be_named_and_is_no_longer_than_the_rest()
    {
        Faults(Good with { Organisation = "Ostler & Wren" }).ShouldBeEmpty();
        Faults(Good with { Organisation = new string('o', 121) }).ShouldBe(["contact.organisation"]);
    }

    [Fact]
    public void Every_country_has_a_code_of_its_own()
    {
        Countries.All.Select(country => country.Code).ShouldBeUnique();
        Countries.All.ShouldAllBe(country => country.Code.Length == 2 && country.Code.All(char.IsAsciiLetterUpper));
    }

    [Theory]
    [InlineData("01632 960123", "GB", "+441632960123")]
    [InlineData("+44 (0) 1632 960123", "GB", "+441632960123")]
    [InlineData("+1 206 555 0100", "GB", "+12065550100")]
    [InlineData("(206) 555-0100", "US", "+12065550100")]
    [InlineData("030 901820", "DE", "+4930901820")]
    [InlineData("12", "GB", null)]
    [InlineData("call me", "GB", null)]
    [InlineData("01632 960123", "", null)]
    public void A_telephone_is_read_as_people_there_write_it(string typed, string country, string? number) =>
        Telephones.Read(typed, country).ShouldBe(number);

    [Theory]
    [InlineData("Ada Wren", "4, Mill; Lane", null, null)]
    [InlineData("Ada \\ \"Wren\"", "4 Mill Lane", "Ostler, Wren; & Co", "WA")]
    [InlineData(
        "Zoë Łukasiewicz-Åström who has a very long name that must be folded somewhere, between characters",
        "Überlange Straße 7",
        "株式会社時計",
        null
    )]
    public void A_card_that_is_written_reads_as_the_contact_it_was(
        string name,
        string street,
        string? organisation,
        string? state
    )
    {
        var contact = Good with
        {
            Name = name,
            Street = street,
            Organisation = organisation,
            State = state,
            Telephone = "+441632960123",
        };
        var card = VCard.Write(contact);
        VCard.Read(card).ShouldBe(contact);
        card.Split("\r\n").ShouldAllBe(line => System.Text.Encoding.UTF8.GetByteCount(line) <= 75);
    }

    [Fact]
    public void A_card_of_another_program_is_read_as_far_as_it_goes()
    {
        var card =
            "BEGIN:VCARD\nVERSION:3.0\nN:Wren;Ada;;;\nitem1.ADR;TYPE=\"work:home\":;;4 Mill Lane\\nBack "
            + "door;Hexworth;;HX4 2AB;United Kingdom\nTEL;TYPE=CELL:01632\n  "
            + "960123\nEMAIL;TYPE=INTERNET:ada@example.com\nPHOTO:xyz\nEND:VCARD\nBEGIN:VCARD\nFN:Other\nEND:VCARD";
        VCard
            .Read(card)
            .ShouldBe(
                new Contact(
                    "Ada Wren",
                    "ada@example.com",
                    "4 Mill Lane, Back door",
                    "Hexworth",
                    "HX4 2AB",
                    "GB",
                    "01632 960123"
                )
            );
        VCard.Read("hello").ShouldBeNull();
        VCard.Read("BEGIN:VCARD\nEND:VCARD").ShouldBeNull();
        VCard.Read("BEGIN:VCARD\nADR:;\\\nEND:VCARD").ShouldNotBeNull();
    }

    [Fact]
    public void A_reference_is_read_out_easily_and_belongs_to_its_order()
    {
        OrderReference.From(Guid.Empty).ShouldBe("HS-2222-2222");
        Enumerable.Range(0, 2000).Select(_ => OrderReference.From(Guid.NewGuid())).Distinct().Count().ShouldBe(2000);
    }

    private static List<string> Faults(Contact contact)
    {
        var faults = new FaultList();
        contact.Check(faults, "contact");
        return [.. faults.Faults.Select(fault => fault.Where)];
    }
}
