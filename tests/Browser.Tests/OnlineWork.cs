using System.IO.Compression;
using OpenQA.Selenium;

namespace HomeStart.Browser.Tests;

/// <summary>
/// From the key sheet to a site that is seen: a page in a minute, files, an engine, mail, names, records and the
/// certificate.
/// </summary>
public sealed class OnlineWork(Browser browser) : IClassFixture<Browser>
{
    [Fact]
    public void An_owner_makes_a_page_and_sees_it_where_visitors_do()
    {
        Deliver();
        browser.Press("First page");
        browser.Type("What you do", "We mend clocks.\n\nCome in.");
        browser.Type("Telephone", "call us");
        browser.Press("Put it up");
        browser.Reads("A telephone number has digits");
        browser.Keeps("a first page with a mistake");
        browser.Type("Telephone", "01584 555 012");
        browser.Select("Layout", "Spine: the name at the side");
        browser.Find("iframe[title='How your page will look']").Displayed.ShouldBeTrue();
        browser.AxeFindings().ShouldBeEmpty();
        browser.Press("Put it up");
        browser.Reads("It is up.");
        Complains("422"); // Of the telephone number that was none.
        Visit("ostlerwren.com");
        browser.Reads("We mend clocks.");
        browser.Reads("Where to find us");
        browser.AxeFindings().ShouldBeEmpty();
        Visit("www.ostlerwren.com", "nowhere.html");
        browser.Reads("There is no such page");
        Complains("404");
    }

    [Fact]
    public void Files_are_put_up_renamed_and_put_back_and_what_may_not_be_there_is_said()
    {
        Deliver();
        browser.Press("Files");
        browser.Reads("Only the page your host put there");
        browser.AxeFindings().ShouldBeEmpty();
        Choose("index.html", "<h1>Of our own</h1>");
        browser.Reads("It is up. Visitors see it from now on.");
        Choose("run.php", "<?php");
        browser.Reads("run.php: files of this kind are not served");
        browser.Tell("host", "full");
        Choose("more.html", "more");
        browser.Reads("has no room for more.html");
        browser.Reads("An upload is not finished");
        browser.Keeps("files with an upload unfinished");
        browser.Tell("host", "ok");
        Choose("more.html", "more", "Go on with files");
        browser.Reads("It is up. Visitors see it from now on.");
        browser.Press("Rename more.html");
        var name = browser.Field("New name of more.html");
        name.SendKeys(Keys.Control + "a");
        name.SendKeys("news.html" + Keys.Enter);
        browser.Reads("news.html");
        browser.Press("Undo: put the version before back");
        browser.Reads("more.html");
        var zip = ZipOf(("site/index.html", "<h1>From a ZIP</h1>"), ("site/about/index.html", "<h1>About</h1>"));
        browser.Driver.FindElement(By.XPath("//label[normalize-space(.)='Files or a ZIP']//input")).SendKeys(zip);
        browser.Reads("about/index.html");
        browser.Keeps("files of a ZIP");
        Complains("422");
        Visit("ostlerwren.com", "about/");
        browser.Reads("About");
        browser
            .Driver.Manage()
            .Logs.GetLog(LogType.Browser)
            .ShouldAllBe(entry => entry.Message.Contains("favicon", StringComparison.Ordinal));
    }

    [Fact]
    public void An_engine_mail_and_names_are_set_up_by_keyboard_alone()
    {
        Deliver();
        browser.ByKeyboard("Site engine", Keys.Enter);
        browser.Reads("What your host offers");
        browser.ByKeyboard("Choose Thistledown", Keys.Enter);
        browser.Reads("Set up Thistledown");
        browser.ByKeyboard("Where", "journal");
        browser.ByKeyboard("The administrator’s name", "admin");
        browser.ByKeyboard("Set it up", Keys.Enter);
        browser.Reads("what strangers try first");
        browser.Driver.FindElement(By.Name("user")).SendKeys("-minutehand7");
        browser.ByKeyboard("Set it up", Keys.Enter);
        browser.Reads("Its front page answers");
        browser.Reads("It is shown this once");
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("Mail addresses", Keys.Enter);
        browser.Reads("No address is set up yet");
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("Before the @", "hello");
        browser.ByKeyboard("Add the address", Keys.Enter);
        browser.Reads("hello@ostlerwren.com");
        browser.ByKeyboard("Send a test", Keys.Enter);
        browser.Reads("It arrived in hello@ostlerwren.com.");
        browser.Keeps("an address with its test");
        browser.ByKeyboard("Names", Keys.Enter);
        browser.Reads("Add a name");
        browser.AxeFindings().ShouldBeEmpty();
        browser.ByKeyboard("Name to add", "journal.ostlerwren.com");
        browser.ByKeyboard("From which folder", "journal");
        browser.ByKeyboard("Add the name", Keys.Enter);
        browser.Reads("its own site, from the folder journal");
        browser.Keeps("a name with a site of its own");
        Complains("422");
        Visit("journal.ostlerwren.com");
        browser.Reads("This site is made with Thistledown");
    }

    [Fact]
    public void Records_are_added_tried_undone_and_the_certificate_comes()
    {
        Deliver();
        browser.Press("Records");
        browser.Reads("10 mail.tidemarsh.example.net.");
        browser.Press("Add a record");
        browser.Type("Name", "shop");
        browser.Type("Address", "198.51.100");
        browser.Press("Save the record");
        browser.Reads("four numbers from 0 to 255");
        browser.Keeps("a record with a mistake");
        browser.AxeFindings().ShouldBeEmpty();
        browser.Type("Address", "198.51.100.7");
        browser.Press("Save the record");
        browser.Reads("shop.ostlerwren.com");
        browser.Select("What you want", "Nothing but mail");
        browser.Press("See what would change");
        browser.Reads("out: www CNAME");
        browser.Keeps("records that would change");
        browser.Press("Take it in");
        browser.Until(
            () => browser.Text.Contains("www.ostlerwren.com", StringComparison.Ordinal) ? null : "",
            "www still leads somewhere"
        );
        browser.Press("Undo: put the version before back");
        browser.Reads("www.ostlerwren.com");
        browser.Driver.FindElement(By.CssSelector("nav[aria-label='This hosting'] a")).Click();
        browser.Press("Ask for the certificate");
        browser.Reads("The certificate is asked for.");
        browser.AxeFindings().ShouldBeEmpty();
        Complains("422");
    }

    private void Deliver()
    {
        browser.StartAfresh();
        browser.Press("Order A");
        browser.Reads("Read the name once more");
        Walk.FillIn(browser, "9999000000000004");
        Walk.Order(browser);
        browser.Reads("Key sheet for ostlerwren.com");
        browser.Press("Watch it spread");
        browser.Reads("What to do next");
        browser.Complaints();
    }

    // The owner's own origin, in another window's place.
    private void Visit(string name, string path = "")
    {
        var site = _site
            ?? new Uri(
                browser
                    .Api($"/api/orders/{browser.Api("/api/orders")[0].GetProperty("id").GetString()}/online")
                    .GetProperty("site")
                    .GetString()!
            );
        _site = site;
        browser.Driver.Navigate().GoToUrl($"http://{name}{site.Host["ostlerwren.com".Length..]}:{site.Port}/{path}");
    }

    private Uri? _site;

    private void Choose(string name, string text, string with = "Files or a ZIP")
    {
        var file = Path.Combine(Directory.CreateTempSubdirectory("home-start-files-").FullName, name);
        File.WriteAllText(file, text);
        browser
            .Until(
                () =>
                    browser
                        .Driver.FindElements(By.XPath($"//label[normalize-space(.)='{with}']//input"))
                        .FirstOrDefault(input => input.Enabled),
                $"there is no “{with}”"
            )
            .SendKeys(file);
    }

    private static string ZipOf(params (string Path, string Text)[] files)
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("home-start-files-").FullName, "site.zip");
        using var zip = ZipFile.Open(path, ZipArchiveMode.Create);
        foreach (var (name, text) in files)
        {
            using var writer = new StreamWriter(zip.CreateEntry(name).Open());
            writer.Write(text);
        }

        return path;
    }

    // A refusal that the page shows in words is a line of the browser's console too; nothing else may be.
    private void Complains(string status) =>
        browser
            .Complaints()
            .ShouldAllBe(line =>
                line.Contains(status, StringComparison.Ordinal) || line.Contains("favicon", StringComparison.Ordinal)
            );
}
