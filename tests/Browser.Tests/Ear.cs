using OpenQA.Selenium.Interactions;

namespace HomeStart.Browser.Tests;

/// <summary>What has the focus, as the accessibility tree has it.</summary>
/// <param name="Description">Hints and faults that belong to it.</param>
/// <param name="States">Such as required, invalid, checked, expanded: those that are set.</param>
internal sealed record Heard(string Role, string Name, string Value, string Description, IReadOnlySet<string> States);

/// <summary>
/// An owner who uses the keyboard alone and hears the page: only the accessibility tree and what is announced are known
/// here, nothing that is seen.
/// </summary>
internal sealed class Ear(Browser browser)
{
    /// <summary>Runs in every page before its own scripts: notes whatever the live region says.</summary>
    public const string Listening = """
        window.announced = [];
        document.addEventListener('DOMContentLoaded', () => new MutationObserver(changes => {
          for (const change of changes) for (const line of change.addedNodes) window.announced.push(line.textContent);
        }).observe(document.getElementById('announcements'), { childList: true }));
        """;

    /// <summary>What has the focus now.</summary>
    public Heard Focused
    {
        get
        {
            var found = Ask("Runtime.evaluate", ("expression", "document.activeElement"));
            var id = ((IReadOnlyDictionary<string, object?>)found["result"]!)["objectId"]!;
            var tree = Ask("Accessibility.getPartialAXTree", ("objectId", id), ("fetchRelatives", false));
            var node = (IReadOnlyDictionary<string, object?>)((IEnumerable<object>)tree["nodes"]!).First();
            var states = node.TryGetValue("properties", out var properties)
                ? ((IEnumerable<object>)properties!)
                    .Cast<IReadOnlyDictionary<string, object?>>()
                    .Where(state =>
                        ((IReadOnlyDictionary<string, object?>)state["value"]!).TryGetValue("value", out var value)
                        && value is true or "true"
                    )
                    .Select(state => (string)state["name"]!)
                : [];
            return new(
                Part(node, "role"),
                Part(node, "name"),
                Part(node, "value"),
                Part(node, "description"),
                states.ToHashSet()
            );
        }
    }

    /// <summary>Tab, until what has the focus has this role and a name that begins so.</summary>
    public Heard To(string role, string name)
    {
        for (var steps = 0; steps < 300; steps++)
        {
            var heard = Focused;
            if (heard.Role == role && heard.Name.StartsWith(name, StringComparison.Ordinal))
            {
                return heard;
            }

            Keys(OpenQA.Selenium.Keys.Tab);
        }

        throw new ShouldAssertException($"Tab does not lead to the {role} “{name}”; last was {Focused}");
    }

    /// <summary>Keys on whatever has the focus.</summary>
    public void Keys(string keys) => new Actions(browser.Driver).SendKeys(keys).Perform();

    /// <summary>Goes to a field and fills it.</summary>
    public Heard Fill(string role, string name, string text)
    {
        var field = To(role, name);
        Keys(text);
        return field;
    }

    /// <summary>Waits until the focus has come to something by itself.</summary>
    public void IsLedTo(string role, string name) =>
        browser.Until(
            () =>
                Focused is var heard && heard.Role == role && heard.Name.StartsWith(name, StringComparison.Ordinal)
                    ? heard
                    : null,
            $"the focus is not led to the {role} “{name}”"
        );

    /// <summary>Waits until something that holds these words was announced.</summary>
    public void Hears(string words) =>
        browser.Until(
            () => All().FirstOrDefault(said => said.Contains(words, StringComparison.Ordinal)),
            $"“{words}” is not announced"
        );

    private IEnumerable<string> All() =>
        ((IEnumerable<object>)browser.Driver.ExecuteScript("return window.announced")!).Cast<string>();

    private IReadOnlyDictionary<string, object?> Ask(string command, params (string Name, object? Value)[] with) =>
        (IReadOnlyDictionary<string, object?>)
            browser.Driver.ExecuteCdpCommand(command, with.ToDictionary(pair => pair.Name, pair => pair.Value))!;

    private static string Part(IReadOnlyDictionary<string, object?> node, string part) =>
        node.TryGetValue(part, out var found)
        && found is IReadOnlyDictionary<string, object?> held
        && held.TryGetValue("value", out var value)
            ? value?.ToString() ?? ""
            : "";
}
