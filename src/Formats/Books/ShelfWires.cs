using HomeStart.Formats.Costings;
using HomeStart.Formats.Sites;

namespace HomeStart.Formats.Books;

/// <summary>A book on the shelf.</summary>
/// <param name="IsOwn">The visitor's own; else the demo's.</param>
/// <param name="IsUsed">Whether a candidate of any of their sites buys there.</param>
/// <param name="Versions">The versions of their own, the oldest first.</param>
public sealed record ShelvedWire(
    BookWire Book,
    bool IsOwn,
    bool IsPutAway,
    bool IsUsed,
    IReadOnlyList<BookVersionWire> Versions
);

public sealed record BookVersionWire(int Version);

/// <summary>
/// What was handed in, and what taking it would change. Looking is no failure, so a file with faults is no 422.
/// </summary>
/// <param name="Faults">What is wrong with it; empty: nothing.</param>
/// <param name="Book">Null where it has faults.</param>
/// <param name="Changes">Against the version on the shelf; none where there is no other.</param>
/// <param name="Effects">For every candidate that buys there.</param>
public sealed record BookLookWire(
    IReadOnlyList<FaultWire> Faults,
    BookWire? Book,
    BookStanding Standing,
    IReadOnlyList<BookChangeWire> Changes,
    IReadOnlyList<BookEffectWire> Effects
)
{
    public static BookLookWire From(FaultList faults) =>
        new([.. faults.Faults.Select(FaultWire.From)], null, BookStanding.New, [], []);
}

/// <summary>How a book that was handed in stands to the shelf.</summary>
public enum BookStanding
{
    /// <summary>There is none of its id.</summary>
    New,

    /// <summary>There is one of its id with other contents.</summary>
    Newer,

    /// <summary>It is there, byte for byte.</summary>
    Same,
}

/// <param name="Name">What the book calls the plan, extra or data centre of <paramref name="Ref"/>; null where it is
/// none of these.</param>
/// <param name="From">The older price, in the older version's currency; null: not stated, or no price.</param>
/// <param name="Currency">Of <paramref name="To"/>, else of <paramref name="From"/>.</param>
public sealed record BookChangeWire(
    BookPart Part,
    string Ref,
    string? Name,
    ChangeKind Kind,
    string? From,
    string? To,
    string? Currency
)
{
    /// <summary>A change between two versions, with names of the newer where it has them.</summary>
    public static BookChangeWire Write(BookChange change, OfferBook older, OfferBook newer) =>
        new(
            change.Part,
            change.Ref,
            PartName.Find(newer, change.Part, change.Ref) ?? PartName.Find(older, change.Part, change.Ref),
            change.Kind,
            change.From?.ToAmount(),
            change.To?.ToAmount(),
            (change.To ?? change.From)?.Currency.Code
        );
}

/// <summary>What it does to a candidate, over the horizon of its site.</summary>
/// <param name="Change">Above zero is dearer; null where either sum is missing or only "at least".</param>
public sealed record BookEffectWire(
    string Site,
    string Letter,
    string? Currency,
    SumWire? Before,
    SumWire? After,
    string? Change
)
{
    public static BookEffectWire From(string site, BookEffect effect)
    {
        var currency = (effect.After ?? effect.Before)?.Currency;
        return new BookEffectWire(
            site,
            effect.Letter,
            currency?.Code,
            Sum(effect.Before),
            Sum(effect.After),
            effect.HorizonChange is { } change ? new Money(change, currency!).ToAmount() : null
        );

        static SumWire? Sum(Costing? costing) =>
            costing is null
                ? null
                : SumWire.From(new Sum(costing.Totals.Horizon, costing.Totals.AtLeast.Horizon), costing.Currency);
    }
}

/// <param name="IsPutAway">Whether nothing is to be offered from it.</param>
public sealed record PutAwayBody(bool IsPutAway);

/// <summary>Changes to a book on the shelf.</summary>
/// <param name="Version">How many versions of one's own there were when it was opened.</param>
/// <param name="AsNew">The name of the seller under which it becomes a book of its own; absent: a newer version of this
/// one.</param>
public sealed record EditBookBody(int Version, IReadOnlyList<BookEditWire> Operations, string? AsNew = null);

/// <summary>One change, as JSON Patch writes it (RFC 6902).</summary>
/// <param name="Op">add, remove, replace, copy or move.</param>
/// <param name="Path">A JSON pointer (RFC 6901): /plans/0/name.</param>
/// <param name="From">Of copy and move.</param>
public sealed record BookEditWire(
    string Op,
    string Path,
    System.Text.Json.JsonElement? Value = null,
    string? From = null
);

/// <summary>
/// A book as the changes leave it, and what keeping it would do. Nothing is kept here: its text is taken at the shelf.
/// </summary>
/// <param name="Text">The text of its file; null where a change does not fit the book.</param>
public sealed record EditedBookWire(string? Text, BookLookWire Look);

/// <summary>What a plan cost in each version, the oldest first.</summary>
public sealed record PriceHistoryWire(string Plan, string Name, string Currency, IReadOnlyList<DatedPriceWire> Prices)
{
    public static PriceHistoryWire From(PriceHistory history, Currency currency) =>
        new(
            history.Plan,
            history.Name,
            currency.Code,
            [
                .. history.Prices.Select(price => new DatedPriceWire(
                    price.Version,
                    price.On,
                    price.First.ToAmount(),
                    price.Later?.ToAmount()
                )),
            ]
        );
}

/// <param name="First">The lowest first price a month.</param>
/// <param name="Later">What that way to pay costs later; null: not stated.</param>
public sealed record DatedPriceWire(int Version, DateOnly On, string First, string? Later);
