using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// The whole way from the start to the key sheet by keyboard and ear: names, roles, values and announcements alone, as
/// wide as a desk and as narrow as a page at 400%.
/// </summary>
public sealed class ByEar(Browser browser) : IClassFixture<Browser>
{
    [Theory]
    [InlineData(1280)]
    [InlineData(320)]
    public void From_the_start_to_the_key_sheet(int width)
    {
        browser.BeforeEachPage(Ear.Listening);
        browser.StartAfresh(opensExample: false);
        browser.Size(width, 800);
        var ear = new Ear(browser);

        // A change of page is heard by its heading.
        ear.To("link", "Open the example");
        ear.Keys(Keys.Enter);
        ear.IsLedTo("heading", "Worksheet");

        // A choice is heard as what it comes to.
        ear.To("radio", "yearly").States.ShouldContain("checked");
        ear.Keys(Keys.ArrowDown);
        ear.IsLedTo("radio", "every 3 years");
        ear.Hears("You pay £167.60 today");
        ear.Keys(Keys.ArrowUp);
        ear.Hears("You pay £65.15 today, £189.07 a year from then on: £443.29 over 3 years.");

        // A figure says what it is of, and its origin is a table; closed, it gives the focus back.
        ear.To("button", "251.64, ").Name.ShouldContain("why?");
        ear.Keys(Keys.Enter);
        ear.IsLedTo("button", "Close");
        ear.Keys(Keys.Escape);
        ear.IsLedTo("button", "251.64, ");

        // The order: each field says that it must be filled, and a fault belongs to its field.
        ear.Keys(Keys.Home);
        ear.To("link", "Order A for £65.15");
        ear.Keys(Keys.Enter);
        ear.IsLedTo("heading", "Order A for £65.15");
        ear.Fill("textbox", "Name", "Ada Wren").States.ShouldContain("required");
        ear.Fill("textbox", "Mail address", browser.Mail);
        ear.To("textbox", "Organisation").States.ShouldNotContain("required");
        ear.Fill("textbox", "Street and number", "4 Mill Lane");
        ear.To("textbox", "Town");
        ear.Fill("textbox", "Postcode", "HX4 2AB");
        ear.To("textbox", "Card number").States.ShouldContain("required");
        ear.Keys("9999000000000004");
        ear.Fill("textbox", "Expires", "09/29");
        ear.Fill("textbox", "Code", "123");
        ear.To("checkbox", "I have read what I buy");
        ear.Keys(Keys.Space);
        ear.Focused.States.ShouldContain("checked");
        ear.To("button", "Order A and pay £65.15");
        ear.Keys(Keys.Enter);
        ear.IsLedTo("textbox", "Town");
        ear.Focused.States.ShouldContain("invalid");
        ear.Focused.Description.ShouldNotBeEmpty();
        ear.Keys("Hexworth");
        ear.To("button", "Order A and pay £65.15");
        ear.Keys(Keys.Enter);

        // What is asked on the way takes the focus, and what came of it is heard.
        ear.IsLedTo("textbox", "The six digits that were mailed to");
        ear.Keys(browser.Code());
        ear.Keys(Keys.Enter);
        ear.IsLedTo("heading", "Key sheet for ostlerwren.com");
        ear.To("button", "Copy it without showing it");
        ear.To("button", "Show it once");
        ear.Keys(Keys.Enter);
        browser.Until(
            () => ear.Focused.Role is not "button" and not "RootWebArea" ? "" : null,
            "the password does not take the focus"
        );
        ear.To("button", "I have noted it");
        ear.Keys(Keys.Enter);
        browser.Complaints().ShouldBeEmpty();
    }
}
