using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;
using HomeStart.Formats.Scans;

namespace HomeStart.Formats.Sites;

/// <summary>Reads <c>{ "revision": 3, "command": { "kind": "choose-plan", … } }</c>.</summary>
public static class CommandReader
{
    /// <summary>The revision the caller saw and what they want; null where the body has faults.</summary>
    /// <param name="settings">How the site is counted: needs are read against it.</param>
    public static (int Revision, SiteCommand Command)? Read(JsonElement body, CountSettings settings, FaultList faults)
    {
        var root = new Node(body, "", faults);
        root.IsObject();
        var revision = Revision(root["revision"]);
        var node = root["command"];
        if (node.IsAbsent)
        {
            node.Required("The command");
        }

        // Faults of a command are placed at its fields, as a form has them.
        var fields = new Node(node.Element, "", faults);
        var command = node.IsObject() ? Command(fields, settings) : null;
        return faults.Any || command is null || revision is null ? null : (revision.Value, command);
    }

    /// <summary>The revision that an undo or redo saw.</summary>
    public static int? Revision(JsonElement body, FaultList faults) => Revision(new Node(body, "", faults)["revision"]);

    private static int? Revision(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The revision");
        }

        return node.Whole();
    }

    private static SiteCommand? Command(Node node, CountSettings settings)
    {
        switch (node["kind"].RequiredText("The kind of command"))
        {
            case null:
                return null;
            case "rename-site":
                return new RenameSite(Text(node["name"]));
            case "set-horizon":
                return new SetHorizon(Whole(node["months"]));
            case "set-start":
                return new SetStart(node["date"].Date());
            case "set-tax":
                return new SetTax(Percent(node["percent"]), node["counted"].Flag() ?? true);
            case "add-candidate":
                return new AddCandidate(
                    node["copyOf"].Text(),
                    node["candidate"].IsAbsent ? null : CandidateReader.Read(node["candidate"])
                );
            case "replace-candidate":
                return new ReplaceCandidate(Text(node["letter"]), CandidateReader.Read(node["candidate"]));
            case "set-display":
                return new SetDisplay(Text(node["currency"]), Rates(node["rates"]));
            case "set-new-customer":
                return new SetNewCustomer(node["isNew"].Flag() ?? true);
            case "set-keep-chance":
                return new SetKeepChance(node["percent"].Percent(100));
            case "set-needs":
                return new SetNeeds(NeedsReader.Read(node["needs"], settings, settings.DisplayCurrency));
            case "remove-candidate":
                return new RemoveCandidate(Text(node["letter"]));
            case "rename-candidate":
                return new RenameCandidate(Text(node["letter"]), node["name"].Text() ?? "");
            case "move-candidate":
                return new MoveCandidate(Text(node["letter"]), Whole(node["by"]));
            case "choose-plan":
                return new ChoosePlan(Text(node["letter"]), Text(node["book"]), Text(node["plan"]))
                {
                    EveryMonths = node["everyMonths"].Whole(),
                    CommitMonths = node["commitMonths"].Whole(),
                };
            case "choose-billing":
                return new ChooseBilling(Text(node["letter"]), Whole(node["everyMonths"]), Whole(node["commitMonths"]));
            case "choose-data-centre":
                return new ChooseDataCentre(Text(node["letter"]), node["dataCentre"].Text());
            case "choose-domain":
                return new ChooseDomain(
                    Text(node["letter"]),
                    node["domain"].IsAbsent ? null : CandidateReader.Domain(node["domain"])
                );
            case "add-domain":
                return node["domain"].IsObject() && CandidateReader.Domain(node["domain"]) is { } added
                    ? new AddDomain(Text(node["letter"]), added)
                    : Missing(node["domain"]);
            case "drop-domain":
                return new DropDomain(Text(node["letter"]), Text(node["domain"]));
            case "hold-names":
                return new HoldNames(Held(node["names"]));
            case "drop-names":
                return new DropNames(Held(node["names"]));
            case "set-extra":
                return new SetExtra(
                    Text(node["letter"]),
                    Text(node["extra"]),
                    node["forDomain"].Flag() ?? false,
                    Whole(node["quantity"])
                );
            case "enter-code":
                return new EnterCode(Text(node["letter"]), Text(node["code"]));
            case "drop-code":
                return new DropCode(Text(node["letter"]), Text(node["code"]));
            case "use-codes":
                return new UseCodes(Text(node["letter"]), node["codes"].Texts());
            default:
                node["kind"].Fault(FaultCodes.Unknown, "There is no such command.");
                return null;
        }
    }

    private static SiteCommand? Missing(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The domain");
        }

        return null;
    }

    private static ImmutableArray<HeldName> Held(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The list of names");
        }

        return
        [
            .. node.Items()
                .Select(item =>
                    item.IsObject()
                        ? new HeldName(Text(item["name"]).ToLowerInvariant(), Text(item["ending"]))
                        : new HeldName("", "")
                ),
        ];
    }

    private static string Text(Node node) => node.RequiredText("This field") ?? "";

    private static int Whole(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The number");
        }

        return node.Whole() ?? 0;
    }

    // By currency code; what is no currency is the command's to say.
    private static ImmutableDictionary<string, ExactDecimal> Rates(Node node) =>
        node.IsObject()
            ? node.Element!.Value.EnumerateObject()
                .DistinctBy(rate => rate.Name)
                .Take(200)
                .ToImmutableDictionary(rate => rate.Name, rate => Rate(node[rate.Name]))
            : ImmutableDictionary<string, ExactDecimal>.Empty;

    private static ExactDecimal Rate(Node node)
    {
        if (node.RequiredText("The rate") is { } text && !ExactDecimal.TryParse(text, out _))
        {
            node.Fault(FaultCodes.BadAmount, "This is not a rate: write what one unit is worth, such as 0.79.");
        }

        return ExactDecimal.TryParse(
            node.Element is { ValueKind: JsonValueKind.String } written ? written.GetString() : null,
            out var rate
        )
            ? rate
            : ExactDecimal.Whole(1);
    }

    private static ExactDecimal Percent(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The percentage");
        }

        return node.Percent(1000) ?? ExactDecimal.Whole(0);
    }
}
