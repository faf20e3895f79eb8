using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace HomeStart.Browser.Tests;

/// <summary>
/// The application in headless Chromium, for one class; a test begins with <see cref="StartAfresh"/>.
/// </summary>
public sealed class Browser : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);

    private static readonly string OutlineScript = File.ReadAllText(
        Repository.Folder("tests", "Browser.Tests", "outline.js")
    );
    private static readonly string Eyes = File.ReadAllText(Repository.Folder("tests", "Browser.Tests", "eyes.js"));

    private readonly Desk _desk = Desk.Take();
    private readonly ChromeDriver _driver;
    private readonly HashSet<string> _told = [];
    private readonly List<string> _scripts = [];

    public Browser()
    {
        _driver = _desk.Driver;
        Size(1280, 800);
    }

    private static int _visitors;

    public ChromeDriver Driver => _driver;

    /// <summary>The mail address of the present visitor: no other has it.</summary>
    public string Mail { get; private set; } = "";

    public Uri Address => App.Address;

    public AppProcess App => _desk.App;

    /// <summary>Runs a script before those of each page from now on, for as long as this class runs.</summary>
    public void BeforeEachPage(string script)
    {
        var added =
            (IReadOnlyDictionary<string, object?>)
                _driver.ExecuteCdpCommand(
                    "Page.addScriptToEvaluateOnNewDocument",
                    new Dictionary<string, object?> { ["source"] = $"(() => {{ {script} }})()" }
                )!;
        _scripts.Add((string)added["identifier"]!);
    }

    public void Dispose()
    {
        ForgetWhatWasTold();
        foreach (var script in _scripts)
        {
            _driver.ExecuteCdpCommand(
                "Page.removeScriptToEvaluateOnNewDocument",
                new Dictionary<string, object?> { ["identifier"] = script }
            );
        }

        Latency(0);
        _desk.GiveBack();
    }

    public void Size(int width, int height) =>
        _driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );

    /// <summary>
    /// A visitor who was never here, at the example: no cookies, nothing kept. Says what was logged before is nobody's
    /// fault any more.
    /// </summary>
    /// <param name="opensExample">False: the visitor stays at the start page.</param>
    public void StartAfresh(bool opensExample = true)
    {
        Size(1280, 800);
        ForgetWhatWasTold(); // Where a test failed on its way.
        _driver.Navigate().GoToUrl("about:blank"); // Nothing is under way here that could bring a cookie back.
        _driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        _driver.ExecuteCdpCommand(
            "Storage.clearDataForOrigin",
            new Dictionary<string, object?>
            {
                ["origin"] = App.Address.GetLeftPart(UriPartial.Authority),
                ["storageTypes"] = "local_storage",
            }
        );
        _driver.Manage().Logs.GetLog(LogType.Browser);
        Mail = $"ada{Interlocked.Increment(ref _visitors)}@ostlerwren.example";
        if (!opensExample)
        {
            Go("/");
            return;
        }

        // Not by way of the start page: tests of the first hour go that way.
        Go("/api/session");
        var session = JsonSerializer.Deserialize<JsonElement>(Find("body").Text);
        var example = session
            .GetProperty("sites")
            .EnumerateArray()
            .Single(site => site.GetProperty("isExample").GetBoolean());
        Go($"/sites/{example.GetProperty("id").GetString()}/worksheet");
        Find("[aria-label='Sheets of this site']");
    }

    public void Go(string path) => _driver.Navigate().GoToUrl(new Uri(App.Address, path));

    public IWebElement Find(string css) =>
        Until(() => _driver.FindElements(By.CssSelector(css)).FirstOrDefault(), $"nothing matches {css}");

    public IWebElement Field(string label) =>
        Until(() => Awaited("field", label) as IWebElement, $"there is no field “{label}”");

    /// <summary>A button or link that says this, or else begins with it.</summary>
    public IWebElement Control(string words) =>
        Until(() => Awaited("control", words) as IWebElement, $"there is no “{words}” to press");

    /// <summary>The box or button of a label that begins so; on a sheet that lies over the page, the sheet's.</summary>
    public IWebElement Choice(string label) =>
        Until(
            () =>
                new[] { "//*[@role='dialog']", "" }
                    .SelectMany(within =>
                        _driver.FindElements(
                            By.XPath($"{within}//label[starts-with(normalize-space(.), {Quoted(label)})]//input")
                        )
                    )
                    .FirstOrDefault(),
            $"there is no choice “{label}”"
        );

    /// <summary>
    /// Presses a button or link. Afterwards something has the focus, on every page: what was pressed, or what took its
    /// place.
    /// </summary>
    public void Press(string words)
    {
        _driver.ExecuteScript("window.wasPressedHere = true");
        Doing(() => Control(words).Click(), $"“{words}” cannot be pressed");
        Until(() => HasFocusSomewhere ? "" : null, $"after “{words}” the focus is nowhere");
    }

    /// <summary>To another sheet of the site, where there is no room for tabs.</summary>
    public void ToSheet(string name)
    {
        Find("header [aria-label$=': go to another sheet']").Click();
        Press(name);
    }

    public void Tick(string choice) => Doing(() => Choice(choice).Click(), $"“{choice}” cannot be chosen");

    public void ClickField(string label) => Doing(() => Field(label).Click(), $"“{label}” cannot be entered");

    public void Type(string label, string text) =>
        Doing(
            () =>
            {
                var field = Field(label);
                field.SendKeys(Keys.Control + "a");
                field.SendKeys(Keys.Delete);
                field.SendKeys(text);
            },
            $"“{label}” cannot be typed into"
        );

    public void Select(string label, string text) =>
        Doing(() => new SelectElement(Field(label)).SelectByText(text), $"“{text}” cannot be chosen for “{label}”");

    /// <summary>Waits until the page itself says this, or a sheet over it.</summary>
    public void Reads(string words) =>
        Until(() => Awaited("says", words) is true ? words : null, $"the page does not say “{words}”");

    /// <summary>Waits until the head above the page says this: the site's name, who is signed in.</summary>
    public void HeadReads(string words) =>
        Until(
            () =>
                Retrying(() => _driver.FindElements(By.TagName("header")).FirstOrDefault()?.Text)
                    ?.Contains(words, StringComparison.Ordinal) == true
                    ? words
                    : null,
            $"the head does not say “{words}”"
        );

    /// <summary>Moves the simulated clock of the upkeep page on, and waits until all days have passed.</summary>
    public void MoveClock(string day)
    {
        Field("Skip to a date");
        Rested();
        Type("Skip to a date", day);
        Press("Move on");
        Reads(
            $"it is {DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture).ToString("d MMMM yyyy", System.Globalization.CultureInfo.InvariantCulture)}"
        );
        Rested();
    }

    // While days are passing the clock cannot be moved: right after an order its day book is still being opened.
    private void Rested() =>
        Until(() => Text.Contains("Days are passing", StringComparison.Ordinal) ? null : "", "days do not end");

    /// <summary>
    /// What the page itself says, and the sheets over it: neither the head with its menus, which says the same on every
    /// page, nor what is hidden. Of a page that is not ours, all of it; between two pages, nothing.
    /// </summary>
    public string Text => Retrying(() => Look("text") as string) ?? "";

    /// <summary>The cells of the ledger's row that say this.</summary>
    public IReadOnlyList<string> Row(string says) =>
        Until(
            () => (Awaited("row", says) as IReadOnlyCollection<object>)?.Cast<string>().ToList(),
            $"there is no row “{says}”"
        );

    // In one go within the page: WebDriver's own ways ask about each element by itself.
    private object? Look(string what, string words = "") => _driver.ExecuteScript(Eyes, what, words);

    // The same, waited for within the page for a second.
    private object? Awaited(string what, string words) => _driver.ExecuteAsyncScript(Eyes, what, words);

    /// <summary>Everything the console complained of since <see cref="StartAfresh"/>.</summary>
    public IReadOnlyList<string> Complaints() =>
        [
            .. _driver
                .Manage()
                .Logs.GetLog(LogType.Browser)
                .Where(entry => entry.Level >= LogLevel.Warning)
                .Select(entry => entry.Message),
        ];

    public IReadOnlyList<string> AxeFindings()
    {
        _driver.ExecuteScript(File.ReadAllText(Repository.Folder("client", "node_modules", "axe-core", "axe.min.js")));
        var findings = _driver.ExecuteAsyncScript(
            "const [done] = arguments; axe.run(document, { iframes: false, resultTypes: ['violations'] })"
                + ".then(result => done(result.violations.map(v => v.id + ': ' + v.nodes.map(n => n.target + ' ' + "
                + "n.html.slice(0, 120) + ' ' + (n.any[0] ? n.any[0].message : '')).join(' | '))));"
        );
        return [.. ((IReadOnlyCollection<object>)findings!).Cast<string>()];
    }

    /// <summary>
    /// What our own auditor finds, of what axe cannot see: how large things to press are, what they are named, what is
    /// announced.
    /// </summary>
    public IReadOnlyList<string> AuditFindings() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    _driver.ExecuteScript(File.ReadAllText(Repository.Folder("tests", "Browser.Tests", "audit.js")))!
            ).Cast<string>(),
        ];

    /// <summary>
    /// What the page says, and each thing to press, choose or type into with its name and state (<c>outline.js</c>).
    /// </summary>
    /// <param name="onlyFront">Of a sheet that lies over the page, or else of what is below the head.</param>
    public string Outline(bool onlyFront = false) =>
        Retrying(() => _driver.ExecuteScript(OutlineScript, onlyFront) as string) ?? "";

    /// <summary>Waits until the page says no more that something is on its way.</summary>
    public void Settled() =>
        Until(
            () =>
                (bool)_driver.ExecuteScript("return !/(?<!choose) …$/m.test(document.querySelector('main').innerText)")!
                    ? ""
                    : null,
            "the page does not settle"
        );

    /// <summary>
    /// Presses Tab until what has the focus says this, then a key on it. Nothing here touches the mouse.
    /// </summary>
    public void ByKeyboard(string words, string press)
    {
        for (var steps = 0; steps < 250; steps++)
        {
            if (Focused.StartsWith(words, StringComparison.Ordinal))
            {
                IsFocusVisible.ShouldBeTrue($"the focus on “{words}” cannot be seen");
                Keyboard(press);
                return;
            }

            // Not at an element: one that takes files would look for one.
            new OpenQA.Selenium.Interactions.Actions(_driver).SendKeys(Keys.Tab).Perform();
        }

        throw new ShouldAssertException($"Tab does not lead to “{words}”. The page reads:\n{Text}");
    }

    /// <summary>Tells a counterpart, in every world, how to behave: ok, slow, limiting, down or answers-lost.</summary>
    public void Tell(string service, string mode)
    {
        _told.Add(service);
        Put($"/worlds/any/behaviours/{service}/{mode}");
    }

    /// <summary>Somebody else takes a name, in every world.</summary>
    public void Take(string domain) => Put($"/worlds/any/registrations/{domain}");

    private void ForgetWhatWasTold()
    {
        foreach (var service in _told)
        {
            Put($"/worlds/any/behaviours/{service}/ok");
        }

        _told.Clear();
    }

    private void Put(string path)
    {
        using var http = new HttpClient();
        http.DefaultRequestHeaders.Authorization = new("Bearer", App.Secret);
        http.PutAsync(new Uri(App.Counterparts, path), null).GetAwaiter().GetResult().EnsureSuccessStatusCode();
    }

    /// <summary>Every answer takes so long from now on.</summary>
    public void Latency(int milliseconds)
    {
        _driver.ExecuteCdpCommand("Network.enable", []);
        _driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = false,
                ["latency"] = milliseconds,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    /// <summary>What the server says to a GET of this visitor.</summary>
    public JsonElement Api(string path) =>
        JsonSerializer.Deserialize<JsonElement>(
            (string)
                _driver.ExecuteAsyncScript(
                    "const done = arguments[1]; fetch(arguments[0]).then(answer => answer.text()).then(done);",
                    path
                )!
        );

    /// <summary>
    /// The code in the newest mail of Home Start about one; what a seller mails ("Your code for …") is another.
    /// </summary>
    /// <param name="but">One that was there before.</param>
    public string Code(string? but = null) =>
        Until(
            () =>
                Api("/api/mail")
                    .GetProperty("arrived")
                    .EnumerateArray()
                    .Select(letter => letter.GetProperty("subject").GetString()!)
                    .FirstOrDefault(subject => subject.StartsWith("Your code: ", StringComparison.Ordinal))
                    ?[^6..]
                    is { } code
                && code != but
                    ? code
                    : null,
            "no code was mailed"
        );

    /// <summary>
    /// Changes the site on the page behind the page's back, as another window of the same visitor would.
    /// </summary>
    public void ChangeElsewhere(string command) =>
        (
            (string)
                _driver.ExecuteAsyncScript(
                    """
                    const [command, done] = arguments;
                    const site = location.pathname.split('/')[2];
                    const get = path => fetch(path).then(answer => answer.json());
                    Promise.all([get('/api/session'), get('/api/sites/' + site)])
                      .then(([session, page]) => fetch(`/api/sites/${site}/commands`, {
                        method: 'POST',
                        headers: { 'content-type': 'application/json', 'X-Home-Start-Token': session.token },
                        body: JSON.stringify({ revision: page.revision, command: JSON.parse(command) }),
                      }))
                      .then(answer => done(String(answer.status)), error => done(String(error)));
                    """,
                    command
                )!
        ).ShouldBe("200");

    public void Theme(string theme) =>
        _driver.ExecuteScript("document.documentElement.dataset.theme = arguments[0]", theme);

    public void Picture(string file) => _driver.GetScreenshot().SaveAsFile(file);

    public T Until<T>(Func<T?> look, string otherwise)
        where T : class
    {
        var end = TimeProvider.System.GetTimestamp();
        while (TimeProvider.System.GetElapsedTime(end) < Patience)
        {
            if (Retrying(look) is { } found)
            {
                return found;
            }

            Thread.Sleep(40);
        }

        throw new ShouldAssertException($"{otherwise}. The page at {_driver.Url} reads:\n{Text}");
    }

    /// <summary>
    /// What has the focus, as an assistive technology would name it, nearly: its label, its aria-label, or its words.
    /// </summary>
    public string Focused =>
        (string)
            _driver.ExecuteScript(
                "const e = document.activeElement; return (e.ariaLabel || e.labels?.[0]?.textContent || (e === "
                    + "document.body ? '' : e.textContent) || '').trim()"
            )!;

    // A page that was opened anew begins at its top, as browsers have it.
    private bool HasFocusSomewhere =>
        (bool)
            _driver.ExecuteScript(
                "const e = document.activeElement; return !window.wasPressedHere || (e !== null && e !== document.body)"
            )!;

    private bool IsFocusVisible =>
        (bool)
            _driver.ExecuteScript(
                "const e = document.activeElement, s = getComputedStyle(e); return e.matches(':focus-visible') "
                    + "&& (s.outlineStyle !== 'none' || s.boxShadow !== 'none')"
            )!;

    /// <summary>Presses keys on what has the focus; Control holds for those that follow, up to Null.</summary>
    public void Keyboard(string keys) =>
        Doing(() => _driver.SwitchTo().ActiveElement().SendKeys(keys), "nothing takes the keys");

    // What was found may be replaced by the page before it is acted on: it is found again.
    private void Doing(Action act, string otherwise) =>
        Until(
            () =>
            {
                act();
                return "";
            },
            otherwise
        );

    private static T? Retrying<T>(Func<T?> look)
    {
        try
        {
            return look();
        }
        catch (StaleElementReferenceException)
        {
            return default;
        }
        catch (WebDriverException exception)
            when (exception.Message.Contains("does not belong to the document", StringComparison.Ordinal)
                || exception.Message.Contains("document unloaded", StringComparison.Ordinal)
            )
        {
            return default; // The page went away while it was read.
        }
    }

    private static string Quoted(string text) =>
        text.Contains('\'', StringComparison.Ordinal) ? $"\"{text}\"" : $"'{text}'";
}
