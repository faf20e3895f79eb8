using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HomeStart.Formats.Books;

/// <summary>
/// Writes an offer book as <see cref="BookReader"/> reads it. What a book that came in says in words unknown here is
/// not in it: such a book is edited as the JSON it is.
/// </summary>
public static class BookWriter
{
    // Written for people to read: a book's file is UTF-8 and no web page.
    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The text of a file.</summary>
    public static string Text(JsonNode book) => book.ToJsonString(Indented) + "\n";

    public static JsonObject Write(OfferBook book)
    {
        return Fields(
            ("format", BookReader.Format),
            ("id", book.Id),
            (
                "provider",
                Fields(
                    ("name", book.Provider.Name),
                    ("support", book.Provider.Support is { } support ? Texts(support) : null),
                    ("facts", Texts(book.Provider.Facts))
                )
            ),
            ("asOf", Day(book.AsOf)),
            ("currency", book.Currency.Code),
            ("tax", Fields(("charged", book.Tax.Charged), ("pricesInclude", book.Tax.PricesInclude))),
            ("plans", List(book.Plans, plan => Plan(plan, Amount))),
            (
                "dataCentres",
                List(book.DataCentres, centre =>
                    Fields(
                        ("id", centre.Id),
                        ("name", centre.Name),
                        ("region", centre.Region),
                        ("perMonth", Amount(centre.PerMonth))
                    )
                )
            ),
            ("addOns", List(book.AddOns, addOn => AddOn(addOn, Amount))),
            ("domains", List(book.Domains, price => DomainPrice(price, Amount))),
            ("promotions", List(book.Promotions, promotion => Promotion(promotion, Amount))),
            ("refund", book.Refund is { } refund ? Refund(refund) : null),
            (
                "change",
                book.Change is { } change
                    ? Fields(
                        (
                            "credit",
                            change.CreditsDays is { } credits
                                ? credits
                                    ? "days"
                                    : "none"
                                : null
                        ),
                        ("firstPrice", change.FirstPrice)
                    )
                    : null
            )
        );

        string? Amount(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }

    private static JsonObject Plan(Plan plan, Func<Int128?, string?> amount) =>
        Fields(
            ("id", plan.Id),
            ("name", plan.Name),
            ("features", Features(plan.Features.Values)),
            (
                "billing",
                List(plan.Billing, option =>
                    Fields(
                        ("everyMonths", option.EveryMonths),
                        (
                            "commitMonths",
                            option.CommitMonths == option.EveryMonths ? null : (JsonNode)option.CommitMonths
                        ),
                        ("setupFee", amount(option.SetupFee)),
                        ("freeMonths", option.FreeMonths == 0 ? null : (JsonNode)option.FreeMonths),
                        ("prices", Steps(option.Prices, amount))
                    )
                )
            ),
            ("includes", Texts(plan.Includes)),
            (
                "includedDomain",
                plan.IncludedDomain is { } given
                    ? Fields(
                        ("minCommitMonths", given.MinCommitMonths),
                        ("endings", Texts(given.Endings)),
                        ("transfer", given.Transfer),
                        ("everyYear", given.EveryYear),
                        ("claimWithinMonths", given.ClaimWithinMonths)
                    )
                    : null
            ),
            ("readFrom", ReadFrom(plan.ReadFrom))
        );

    private static JsonArray? ReadFrom(IReadOnlyCollection<PrintedWords> words) =>
        List(words, one =>
            Fields(("of", one.Of), ("commitMonths", one.CommitMonths), ("words", one.Words), ("on", Day(one.On)))
        );

    private static JsonObject AddOn(AddOn addOn, Func<Int128?, string?> amount) =>
        Fields(
            ("id", addOn.Id),
            ("name", addOn.Name),
            (
                "for",
                addOn.For switch
                {
                    AddOnFor.Hosting => "hosting",
                    AddOnFor.Domain => "domain",
                }
            ),
            ("provides", addOn.Provides),
            ("adds", Features(addOn.Adds)),
            (
                "charge",
                Fields(
                    ("every", JsonNamingPolicy.KebabCaseLower.ConvertName(addOn.Every.ToString())),
                    ("prices", Steps(addOn.Prices, amount))
                )
            ),
            ("preselected", addOn.Preselected ? true : null),
            ("unit", addOn.Unit),
            ("priceIfBoughtLater", amount(addOn.PriceIfBoughtLater)),
            ("about", addOn.About),
            ("readFrom", ReadFrom(addOn.ReadFrom))
        );

    // A price that is not stated stands as null; a transfer that is not taken does not stand there at all.
    private static JsonObject DomainPrice(DomainPrice price, Func<Int128?, string?> amount)
    {
        var fields = new JsonObject
        {
            ["ending"] = price.Ending,
            ["register"] = amount(price.Register),
            ["renew"] = amount(price.Renew),
        };
        if (price.Transfer is { } transfer)
        {
            fields["transfer"] = amount(transfer.Price);
        }

        Add(
            fields,
            ("maxYears", price.MaxYears),
            ("includes", Texts(price.Includes)),
            ("requires", price.Requires),
            (
                "lapse",
                price.Lapse is { } lapse
                    ? Fields(
                        ("graceDays", lapse.GraceDays),
                        ("redemptionDays", lapse.RedemptionDays),
                        ("redemptionFee", amount(lapse.RedemptionFee)),
                        ("pendingDays", lapse.PendingDays)
                    )
                    : null
            ),
            (
                "publicRecord",
                price.PublicRecord is { } record
                    ? Fields(
                        ("shows", Texts(record.Shows)),
                        (
                            "privacy",
                            record.Privacy is { } privacy
                                ? JsonNamingPolicy.KebabCaseLower.ConvertName(privacy.ToString())
                                : null
                        )
                    )
                    : null
            ),
            ("readFrom", ReadFrom(price.ReadFrom))
        );
        return fields;
    }

    private static JsonObject Promotion(Promotion promotion, Func<Int128?, string?> amount) =>
        Fields(
            ("id", promotion.Id),
            ("code", promotion.Code),
            ("automatic", promotion.IsAutomatic ? true : null),
            ("percent", promotion.Percent?.ToString()),
            ("amount", amount(promotion.Amount)),
            ("appliesTo", Texts(promotion.AppliesTo.Select(Match))),
            ("bills", promotion.Bills is { } bills ? bills : "all"),
            ("minEveryMonths", promotion.MinEveryMonths),
            ("plans", Texts(promotion.Plans)),
            ("from", promotion.From is { } from ? Day(from) : null),
            ("until", promotion.Until is { } until ? Day(until) : null),
            ("newCustomersOnly", promotion.NewCustomersOnly ? true : null),
            ("combinable", promotion.Combinable ? true : null)
        );

    private static JsonObject Refund(RefundRule refund) =>
        Fields(
            ("days", refund.Days),
            ("minCommitMonths", refund.MinCommitMonths),
            ("excludes", Texts(refund.Excludes.Select(Match))),
            ("deductsIncludedDomain", refund.DeductsIncludedDomain ? true : null)
        );

    private static JsonArray Steps(PriceSteps prices, Func<Int128?, string?> amount) =>
        [
            .. prices.Steps.Select(step =>
            {
                var fields = Fields(("periods", step.Periods));
                fields["amount"] = amount(step.Units);
                return fields;
            }),
        ];

    private static JsonObject? Features(IReadOnlyDictionary<string, FeatureValue> values) =>
        values.Count == 0 ? null : Fields([.. values.Select(pair => (pair.Key, (JsonNode?)Value(pair.Value)))]);

    private static JsonNode? Value(FeatureValue value) =>
        value switch
        {
            { Number: { } number } => number,
            { Flag: { } flag } => flag,
            { Word: { } word } => word,
            _ => new JsonArray([.. (value.Words ?? []).Select(word => (JsonNode)word)]),
        };

    /// <summary>A match in the word of the costing's rule 19: domain:com.</summary>
    internal static string Match(LineMatch match)
    {
        var kind = JsonNamingPolicy.CamelCase.ConvertName(match.Kind.ToString());
        return match.Of is null ? kind : $"{kind}:{match.Of}";
    }

    private static string Day(DateOnly day) =>
        day.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    private static JsonArray? List<T>(IReadOnlyCollection<T> items, Func<T, JsonObject> write) =>
        items.Count == 0 ? null : new JsonArray([.. items.Select(write)]);

    private static JsonArray? Texts(IEnumerable<string> texts) =>
        texts.Any() ? new JsonArray([.. texts.Select(text => (JsonNode)text)]) : null;

    private static JsonObject Fields(params (string Name, JsonNode? Value)[] fields)
    {
        var made = new JsonObject();
        Add(made, fields);
        return made;
    }

    private static void Add(JsonObject to, params (string Name, JsonNode? Value)[] fields)
    {
        foreach (var (name, value) in fields.Where(field => field.Value is not null))
        {
            to[name] = value;
        }
    }
}
