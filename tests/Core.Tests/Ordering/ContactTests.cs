namespace HomeStart.Core.Tests;

public class ContactTests
{
    private static readonly Contact Good = new("Ada Wren", "ada@example.com", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", "+44 (0) 1632 960123");

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
    public void What_is_no_mail_address_is_faulted(string mail) => Faults(Good with { Mail = mail }).ShouldBe(["contact.mail"]);

    [Theory]
    [InlineData("a@b.c")]
    [InlineData("ada.wren+clocks@mail.example.co.uk")]
    public void What_may_be_a_mail_address_is_taken(string mail) => Faults(Good with { Mail = mail }).ShouldBeEmpty();

    [Theory]
    [InlineData("a@.com")]
    [InlineData("a@b..")]
    public void A_dot_stands_between_letters(string mail) => Faults(Good with { Mail = mail }).ShouldBe(["contact.mail"]);

    [Theory]
    [InlineData("123456", true)]
    [InlineData("12345", false)]
    [InlineData("012345678901234567890123456789", true)]
    [InlineData("0123456789012345678901234567890", false)]
    [InlineData("123456x", false)]
    [InlineData("(0)1-2 345+6", true)]
    public void A_telephone_has_six_digits_and_at_most_thirty_characters(string number, bool holds) => Faults(Good with { Telephone = number }).Count.ShouldBe(holds ? 0 : 1);

    [Theory]
    [InlineData(120, true)]
    [InlineData(121, false)]
    public void A_field_has_at_most_so_many_characters(int length, bool holds) => Faults(Good with { Town = new string('t', length) }).Count.ShouldBe(holds ? 0 : 1);

    [Theory]
    [InlineData("gb")]
    [InlineData("GBR")]
    [InlineData("G1")]
    public void A_country_is_two_capital_letters(string country) => Faults(Good with { Country = country }).ShouldBe(["contact.country"]);

    [Fact]
    public void Everything_missing_is_said_at_once() =>
        Faults(new Contact("", "", " ", "", "", "", "12")).ShouldBe(["contact.name", "contact.street", "contact.town", "contact.postcode", "contact.country", "contact.mail", "contact.telephone"], ignoreOrder: true);

    [Fact]
    public void A_reference_is_read_out_easily_and_belongs_to_its_order()
    {
        OrderReference.Of(Guid.Empty).ShouldBe("HS-2222-2222");
        Enumerable.Range(0, 2000).Select(_ => OrderReference.Of(Guid.NewGuid())).Distinct().Count().ShouldBe(2000);
    }

    private static List<string> Faults(Contact contact)
    {
        var faults = new FaultList();
        contact.Check(faults);
        return [.. faults.Faults.Select(fault => fault.Where)];
    }
}
