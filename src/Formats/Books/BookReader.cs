using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Books;

/// <summary>
/// Reads an offer book (costing.md, wire format) and reports every fault with its place. A part that cannot be read is
/// replaced by a harmless one, so that the rest is still checked; a book with faults is never used.
/// </summary>
public static class BookReader
{
    public const string Format = "home-start/offer-book@1";

    /// <summary>Reads a book by itself, as a file holds it; places are given within the book.</summary>
    public static OfferBook? Read(JsonElement json, FaultList faults)
    {
        var book = Read(new Node(json, "", faults));
        return faults.Any ? null : book;
    }

    /// <summary>Reads a book that was made here.</summary>
    public static OfferBook? Read(System.Text.Json.Nodes.JsonObject json, FaultList faults) =>
        Read(JsonSerializer.SerializeToElement(json), faults);

    /// <summary>Reads a book at a place of a request. Null only where it is no object at all.</summary>
    public static OfferBook? Read(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The offer book");
            return null;
        }

        if (!node.IsObject())
        {
            return null;
        }

        var currency = node["currency"].RequiredCurrency();
        if (node["format"].RequiredText("The format") is { } format && format != Format)
        {
            node["format"].Fault(FaultCodes.Unknown, $"This program reads \"{Format}\", not \"{format}\".");
        }

        var book = new OfferBook(
            Id(node["id"]),
            Provider(node["provider"]),
            AsOf(node["asOf"]),
            currency ?? Currency.Get("CLF")
        )
        {
            Tax = Tax(node["tax"]),
            Plans = List(node["plans"], plan => Plan(plan, currency)),
            DataCentres = List(node["dataCentres"], centre => DataCentre(centre, currency)),
            AddOns = List(node["addOns"], addOn => AddOn(addOn, currency)),
            Domains = List(node["domains"], price => DomainPrice(price, currency)),
            Promotions = List(node["promotions"], promotion => Promotion(promotion, currency)),
            Refund = node["refund"].IsObject() ? Refund(node["refund"]) : null,
            Change = node["change"].IsObject() ? Change(node["change"]) : null,
        };
        BookRules.CheckIds(book, node.Where, node.Faults);
        return book;
    }

    private static ImmutableArray<T> List<T>(Node list, Func<Node, T> read) =>
        [
            .. list.Items()
                .Select(item =>
                {
                    if (item.IsAbsent)
                    {
                        item.Required("The item");
                    }

                    item.IsObject();
                    return read(item);
                }),
        ];

    private static string Id(Node node)
    {
        var id = node.RequiredText("The id");
        if (id is "")
        {
            node.Fault(FaultCodes.Required, "The id is empty.");
        }

        return id ?? "";
    }

    // An item's name may be left out: then its id stands for it.
    private static string Name(Node item) =>
        item["name"].Text() ?? (item["id"].Element is { ValueKind: JsonValueKind.String } id ? id.GetString()! : "");

    private static DateOnly AsOf(Node node)
    {
        if (node.IsAbsent)
        {
            node.Required("The date the prices were read on");
        }

        return node.Date() ?? default;
    }

    private static Provider Provider(Node node)
    {
        node.IsObject();
        var name = node["name"].RequiredText("The provider's name") ?? "";
        return new Provider(name, node["support"].IsAbsent ? null : node["support"].Texts())
        {
            Facts = node["facts"].Texts(),
        };
    }

    private static BookTax Tax(Node node)
    {
        node.IsObject();
        return new BookTax(node["pricesInclude"].Flag() ?? false, node["charged"].Flag() ?? true);
    }

    private static Plan Plan(Node node, Currency? currency) =>
        new(Id(node["id"]), Name(node))
        {
            Features = FeaturesReader.Read(node["features"]),
            Billing = List(node["billing"], option => Billing(option, currency)),
            Includes = node["includes"].Texts(),
            IncludedDomain = node["includedDomain"].IsObject() ? IncludedDomain(node["includedDomain"]) : null,
            ReadFrom = ReadFrom(node["readFrom"]),
        };

    private static ImmutableArray<PrintedWords> ReadFrom(Node node) =>
        [
            .. node.Items(PrintedWords.Most)
                .Select(item =>
                {
                    item.IsObject();
                    return new PrintedWords(
                        item["of"].RequiredText("What was read") ?? "",
                        MonthsOf(item["commitMonths"]),
                        item["words"].RequiredText("The words") ?? "",
                        item["on"].Date() ?? default
                    );
                }),
        ];

    private static BillingOption Billing(Node node, Currency? currency)
    {
        if (node["everyMonths"].IsAbsent)
        {
            node["everyMonths"].Required("How many months a bill is for");
        }

        var every = MonthsOf(node["everyMonths"]) ?? 0;
        var commit = MonthsOf(node["commitMonths"]) ?? every;
        return new BillingOption(every, commit, node["setupFee"].Amount(currency), Steps(node["prices"], currency))
        {
            FreeMonths = FreeMonths(node["freeMonths"], every, commit),
        };
    }

    private static int FreeMonths(Node node, int every, int commit)
    {
        var free = InRange(node, 0, BillingOption.MostFreeMonths, "months") ?? 0;
        if (free > 0 && every != commit)
        {
            node.Fault(FaultCodes.OutOfRange, "Months come free only where one bill covers the whole commitment.");
            return 0;
        }

        return free;
    }

    private static int? MonthsOf(Node node) => InRange(node, 1, CountSettings.LongestHorizon, "months");

    private static int? InRange(Node node, int least, int most, string what)
    {
        var number = node.Whole();
        if (number < least || number > most)
        {
            node.Fault(FaultCodes.OutOfRange, $"This must be {least} to {most} {what}; it says {number}.");
            return null;
        }

        return number;
    }

    private static PriceSteps Steps(Node node, Currency? currency)
    {
        var readable = new List<bool>();
        var faulty = !node.IsAbsent && node.Element!.Value.ValueKind != JsonValueKind.Array;
        var steps = node.Items().Select(step => Step(step, currency, readable)).ToImmutableArray();
        if (!faulty)
        {
            BookRules.CheckSteps(steps, index => readable[index], node.Where, node.Faults);
        }

        return new PriceSteps(steps.IsEmpty ? [new PriceStep(null, 0)] : steps);
    }

    private static PriceStep Step(Node node, Currency? currency, List<bool> readable)
    {
        node.IsObject();
        var amount = node["amount"];
        var units = amount.Amount(currency);
        readable.Add(units is not null || amount.IsAbsent);
        var periods = node["periods"];
        var count = periods.Whole();

        // A number of periods of another type has been reported: the step counts as one period, so that it is not
        // reported twice.
        return new PriceStep(count ?? (periods.IsAbsent ? null : 1), units);
    }

    private static IncludedDomain IncludedDomain(Node node) =>
        new(
            InRange(node["minCommitMonths"], 0, CountSettings.LongestHorizon, "months") ?? 0,
            node["endings"].Texts(),
            node["transfer"].Flag() ?? false,
            node["everyYear"].Flag() ?? false,
            InRange(node["claimWithinMonths"], 0, Months.Run, "months") ?? 12
        );

    private static DataCentre DataCentre(Node node, Currency? currency) =>
        new(Id(node["id"]), Name(node), node["region"].Text(), node["perMonth"].Amount(currency));

    private static AddOn AddOn(Node node, Currency? currency)
    {
        if (node["for"].IsAbsent)
        {
            node["for"].Required("What the extra is for");
        }

        var sort = node["for"].Word(("hosting", AddOnFor.Hosting), ("domain", AddOnFor.Domain)) ?? AddOnFor.Hosting;
        var (every, prices) = Charge(node["charge"], sort, currency);
        return new AddOn(Id(node["id"]), Name(node), sort, every, prices)
        {
            Provides = node["provides"].Text(),
            Adds = FeaturesReader.Read(node["adds"]).Values,
            Preselected = node["preselected"].Flag() ?? false,
            Unit = node["unit"].Text(),
            PriceIfBoughtLater = node["priceIfBoughtLater"].Amount(currency),
            About = node["about"].Text(),
            ReadFrom = ReadFrom(node["readFrom"]),
        };
    }

    private static (ChargeEvery Every, PriceSteps Prices) Charge(Node node, AddOnFor sort, Currency? currency)
    {
        if (node.IsAbsent)
        {
            node.Required("What the extra costs");
            return (ChargeEvery.Once, new PriceSteps([new PriceStep(null, 0)]));
        }

        if (!node.IsObject())
        {
            return (ChargeEvery.Once, new PriceSteps([new PriceStep(null, 0)]));
        }

        if (node["every"].IsAbsent)
        {
            node["every"].Required("How often the extra is charged");
        }

        var every = node["every"]
            .Word(
                ("once", ChargeEvery.Once),
                ("month", ChargeEvery.Month),
                ("year", ChargeEvery.Year),
                ("cycle", ChargeEvery.Cycle)
            );
        if (every == ChargeEvery.Cycle && sort == AddOnFor.Domain)
        {
            node["every"]
                .Fault(
                    FaultCodes.BadSteps,
                    "A domain has no billing cycle: charge this extra once, by the month or by the year."
                );
        }

        return (every ?? ChargeEvery.Once, Steps(node["prices"], currency));
    }

    private static DomainPrice DomainPrice(Node node, Currency? currency) =>
        new(
            Ending(node["ending"]),
            node["register"].Amount(currency),
            node["renew"].Amount(currency),
            node["transfer"] is { IsAbsent: true, IsNull: false }
                ? null
                : new TransferPrice(node["transfer"].Amount(currency)),
            InRange(node["maxYears"], 1, 10, "years") ?? 10,
            node["includes"].Texts(),
            node["requires"] is { Element.ValueKind: JsonValueKind.String } requires ? requires.Text() : null
        )
        {
            ReadFrom = ReadFrom(node["readFrom"]),
            Lapse = node["lapse"].IsObject() ? Lapse(node["lapse"], currency) : null,
            PublicRecord = node["publicRecord"].IsObject() ? PublicRecord(node["publicRecord"]) : null,
        };

    private static LapseRule Lapse(Node node, Currency? currency) =>
        new(
            InRange(node["graceDays"], 0, 3650, "days"),
            InRange(node["redemptionDays"], 0, 3650, "days"),
            node["redemptionFee"].Amount(currency),
            InRange(node["pendingDays"], 0, 3650, "days")
        );

    private static PublicRecordRule PublicRecord(Node node) =>
        new(
            node["shows"].Texts(),
            node["privacy"]
                .Word(
                    ("sold", RecordPrivacy.Sold),
                    ("by-default", RecordPrivacy.ByDefault),
                    ("forbidden", RecordPrivacy.Forbidden)
                )
        );

    private static ChangeRule Change(Node node) =>
        new(node["credit"].Word(("days", true), ("none", false)), node["firstPrice"].Flag());

    private static string Ending(Node node)
    {
        var ending = node.RequiredText("The ending") ?? "";
        if (ending.Length > 0 && DomainName.ParseEnding(ending) is null)
        {
            node.Fault(FaultCodes.BadType, "This is no ending of a domain, such as com or co.uk.");
        }

        return ending;
    }

    private static Promotion Promotion(Node node, Currency? currency)
    {
        var code = node["code"].Text();
        var automatic = node["automatic"].Flag() ?? false;
        if (node["code"].IsAbsent != automatic)
        {
            node.Fault(FaultCodes.Required, "A promotion has a code, or is automatic: say one of the two.");
        }

        if (node["percent"].IsAbsent == node["amount"].IsAbsent)
        {
            node.Fault(FaultCodes.Required, "A promotion takes off a percentage or an amount: say one of the two.");
        }

        return new Promotion(Id(node["id"]), automatic ? null : code)
        {
            Percent = node["percent"].Percent(100),
            Amount = node["amount"].Amount(currency),
            AppliesTo = Matches(node["appliesTo"]),
            Bills = Bills(node["bills"]),
            MinEveryMonths = InRange(node["minEveryMonths"], 0, CountSettings.LongestHorizon, "months")
                is > 0
                    and var least
                ? least
                : null,
            Plans = node["plans"].Texts(),
            From = node["from"].Date(),
            Until = node["until"].Date(),
            NewCustomersOnly = node["newCustomersOnly"].Flag() ?? false,
            Combinable = node["combinable"].Flag() ?? false,
        };
    }

    private static int? Bills(Node node)
    {
        if (node.Element is { ValueKind: JsonValueKind.String } word)
        {
            if (word.GetString() == "all")
            {
                return null;
            }

            node.Fault(FaultCodes.BadType, "This must be a whole number, or \"all\".");
            return 1;
        }

        return InRange(node, 1, int.MaxValue, "bills") ?? 1;
    }

    private static ImmutableArray<LineMatch> Matches(Node node)
    {
        var matches = ImmutableArray.CreateBuilder<LineMatch>();
        foreach (var item in node.Items())
        {
            if (item.RequiredText("The kind of line") is not { } text)
            {
                continue;
            }

            if (LineMatch.TryParse(text, out var match))
            {
                matches.Add(match);
            }
            else
            {
                item.Fault(
                    FaultCodes.Unknown,
                    $"“{text}” is no kind of line: plan, dataCentre, setup, domain, addOn, domain:<ending> or "
                        + "addOn:<id>."
                );
            }
        }

        return matches.ToImmutable();
    }

    private static RefundRule Refund(Node node) =>
        new(
            InRange(node["days"], 0, 3650, "days") ?? 0,
            InRange(node["minCommitMonths"], 0, CountSettings.LongestHorizon, "months") ?? 0,
            Matches(node["excludes"]),
            node["deductsIncludedDomain"].Flag() ?? false
        );
}
