using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Upkeep;

/// <summary>What a request asks to be run through the years.</summary>
public sealed record UpkeepRequest(CostingRequest Costing, DateOnly Until, ImmutableArray<Decision> Decisions);

/// <summary>
/// Reads the body of <c>POST /api/upkeep</c>: what a costing takes, the last day, and what is decided on the way.
/// </summary>
public static class UpkeepRequestReader
{
    private const int MostYears = 10;

    /// <summary>The request; null where it cannot be run, with every fault at its place.</summary>
    public static UpkeepRequest? Read(JsonElement json, ImmutableArray<OfferBook> ownBooks, FaultList faults)
    {
        if (CostingRequestReader.Read(json, ownBooks, faults) is not { } costing)
        {
            return null;
        }

        var root = new Node(json, "", faults);
        if (root["until"].IsAbsent)
        {
            root["until"].Required("The last day");
        }

        var (start, until) = (costing.Settings.StartDate, root["until"].Date());
        if (until < start || until > start.AddMonths(Years.Longest))
        {
            root["until"]
                .Fault(
                    FaultCodes.OutOfRange,
                    $"The last day lies between the day of the order and {Years.Longest} months later."
                );
            until = null;
        }

        return new UpkeepRequest(
            costing,
            until ?? start,
            [
                .. root["decisions"]
                    .Items()
                    .Select(node => Decision(node, start, until, costing.Books))
                    .OfType<Decision>(),
            ]
        );
    }

    /// <summary>One decision; null, with every fault at its place, where it cannot be read.</summary>
    /// <param name="start">The day of the order: a decision comes after it.</param>
    /// <param name="until">The last day it may be made on; null: any.</param>
    public static Decision? Decision(Node node, DateOnly start, DateOnly? until, ImmutableArray<OfferBook> books)
    {
        if (node.IsAbsent)
        {
            node.Required("The decision");
        }

        if (!node.IsObject())
        {
            return null;
        }

        if (node["on"].IsAbsent)
        {
            node["on"].Required("The day");
        }

        var on = node["on"].Date();
        if (on <= start || (until is not null && on > until))
        {
            node["on"]
                .Fault(
                    FaultCodes.OutOfRange,
                    "A decision is made after the day of the order, and on the last day at the latest."
                );
        }

        var day = on ?? start;
        switch (node["do"].RequiredText("What is decided"))
        {
            case "renewing":
                if (node["value"].IsAbsent)
                {
                    node["value"].Required("Whether it renews");
                }

                return Holding(node) is { } renewing && node["value"].Flag() is { } value
                    ? new SetRenewing(day, renewing, value)
                    : null;
            case "card":
                if (node["value"].IsAbsent)
                {
                    node["value"].Required("Whether the card stops or works");
                }

                return node["value"].Word(("stops", false), ("works", true)) is { } works
                    ? new SetCard(day, works)
                    : null;
            case "pay":
                return Holding(node) is { } missed ? new PayMissed(day, missed) : null;
            case "leave":
                return new Leave(day);
            case "change":
                if (node["everyMonths"].IsAbsent)
                {
                    node["everyMonths"].Required("How often the plan is paid");
                }

                return node["plan"].RequiredText("The plan") is { } plan && node["everyMonths"].Whole() is { } every
                    ? new ChangePlan(day, plan, every, node["commitMonths"].Whole() ?? every)
                    : null;
            case "add":
                return node["extra"].RequiredText("The extra") is { } added
                    ? new AddExtra(day, added, Quantity(node["quantity"]))
                    : null;
            case "drop":
                return node["extra"].RequiredText("The extra") is { } dropped ? new DropExtra(day, dropped) : null;
            case "claim":
                return Claim(node["domain"], books) is { } domain ? new ClaimDomain(day, domain) : null;
            case { } other:
                node["do"]
                    .Fault(
                        FaultCodes.Unknown,
                        $"“{other}” is not known here; it is one of: renewing, card, pay, leave, change, add, "
                            + "drop, claim."
                    );
                return null;
            default:
                return null;
        }
    }

    private static string? Holding(Node node) => node["holding"].RequiredText("The holding");

    private static int Quantity(Node node)
    {
        var quantity = node.Whole() ?? 1;
        if (quantity is < 1 or > AddOnChoice.Largest)
        {
            node.Faults.Add(FaultCodes.OutOfRange, node.Where, new QuantityOutOfRange(AddOnChoice.Largest, quantity));
        }

        return quantity;
    }

    private static DomainChoice? Claim(Node node, ImmutableArray<OfferBook> books)
    {
        if (node.IsAbsent)
        {
            node.Required("The domain");
        }

        if (!node.IsObject())
        {
            return null;
        }

        var (book, name, ending) = (
            node["book"].RequiredText("The offer book"),
            node["name"].RequiredText("The domain's name"),
            node["ending"].RequiredText("The ending")
        );
        var years = node["years"].Whole() ?? 1;
        var most = books.FirstOrDefault(known => known.Id == book)?.Domain(ending)?.MaxYears ?? MostYears;
        if (years < 1 || years > most)
        {
            node.Faults.Add(FaultCodes.OutOfRange, node["years"].Where, new YearsOutOfRange(most, years));
        }

        if (
            name is not null
            && ending is not null
            && DomainName.Parse(name, ending).Fault is { Part: DomainPart.Label } fault
        )
        {
            node.Faults.Add(FaultCodes.BadType, node["name"].Where, new NotADomain(fault));
        }

        var addOns = CandidateReader.AddOns(node["addOns"]);
        foreach (var (index, addOn) in addOns.Index().Where(pair => pair.Item.Quantity is < 1 or > AddOnChoice.Largest))
        {
            node.Faults.Add(
                FaultCodes.OutOfRange,
                $"{node["addOns"].Where}[{index}].quantity",
                new QuantityOutOfRange(AddOnChoice.Largest, addOn.Quantity)
            );
        }

        node.Faults.AddDuplicates(
            addOns.Select(addOn => addOn.Id),
            index => $"{node["addOns"].Where}[{index}].id",
            Listed.Extra
        );
        return new DomainChoice(DomainRoute.Register)
        {
            Book = book,
            Name = name,
            Ending = ending,
            Years = years,
            AddOns = addOns,
        };
    }
}
