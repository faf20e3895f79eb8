using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Upkeep;

namespace HomeStart.Core.Reconciling;

/// <summary>A row of a card statement.</summary>
/// <param name="Number">Its line in the file.</param>
/// <param name="Text">Who took it, as the statement has it.</param>
/// <param name="Amount">In the currency of the card; below zero where money came back.</param>
/// <param name="Abroad">What it was in the seller's currency, where the statement says so.</param>
public sealed record StatementRow(int Number, DateOnly On, string Text, Money Amount, Money? Abroad = null);

/// <summary>What is had of one order, with the money that moved for it.</summary>
public sealed record PaidOrder(Guid OrderId, Tenure Tenure, ImmutableArray<Movement> Movements);

/// <summary>A row that names one of the sellers.</summary>
/// <param name="OrderId">Whose movement it is held against; empty where there is none.</param>
/// <param name="Movement">Null: nothing was to move about that day.</param>
/// <param name="Seen">What the row says of it, in the currency of the book; null: it is in another one, and there is no
/// rate for it.</param>
/// <param name="IsByRate">Whether it was converted by the owner's rate.</param>
public sealed record StatementMatch(
    StatementRow Row,
    string Book,
    Guid OrderId,
    Movement? Movement,
    Money? Seen,
    bool IsByRate
)
{
    /// <summary>Whether it is what was due.</summary>
    public bool Agrees => Movement is { } movement && Seen == movement.Sum;
}

/// <summary>Holds a card statement against what was due: by seller, date and sum.</summary>
public static class Statement
{
    /// <summary>How many days a row may be away from the day something was due.</summary>
    public const int DaysAway = 3;

    /// <summary>A card's rate is never quite ours: what is this near counts as what was due, in percent.</summary>
    private const int RateSlack = 3;

    private const int ShortestWord = 4;

    /// <summary>
    /// The rows that name a seller, in their order, each movement held against one of them at most: those that agree
    /// first, then the nearest in time.
    /// </summary>
    public static ImmutableArray<StatementMatch> Match(ImmutableArray<StatementRow> rows, IReadOnlyList<PaidOrder> kept)
    {
        var pairs = (
            from row in rows
            from had in kept
            from movement in had.Movements
            where
                Math.Abs(row.On.DayNumber - movement.On.DayNumber) <= DaysAway
                && row.Amount.Units < 0 == movement.Sum.Units < 0
                && Names(row.Text, had.Tenure.Book(movement.Book).Provider.Name)
            let match = Held(row, had, movement)
            orderby match.Agrees descending, match.Seen is not null descending, Math.Abs(
                row.On.DayNumber - movement.On.DayNumber
            ), row.Number
            select match
        ).ToList();
        var (taken, used) = (new HashSet<(Guid, int)>(), new Dictionary<int, StatementMatch>());
        foreach (var pair in pairs)
        {
            if (!used.ContainsKey(pair.Row.Number) && taken.Add((pair.OrderId, pair.Movement!.Line)))
            {
                used.Add(pair.Row.Number, pair);
            }
        }

        return [.. rows.Select(row => used.GetValueOrDefault(row.Number) ?? Alone(row, kept)).OfType<StatementMatch>()];
    }

    /// <summary>
    /// Whether a text of a statement names a seller: it holds the name, or its first word that tells it apart.
    /// </summary>
    public static bool Names(string text, string seller)
    {
        var (said, words) = (Words(text), Words(seller));
        return words.Length > 0
            && (
                Contains(said, words)
                || (words[0].Length >= ShortestWord && said.Contains(words[0], StringComparer.OrdinalIgnoreCase))
            );
    }

    private static StatementMatch Held(StatementRow row, PaidOrder had, Movement movement)
    {
        var (seen, isByRate) = Seen(row, had.Tenure, movement);
        return new StatementMatch(row, movement.Book, had.OrderId, movement, seen, isByRate);
    }

    private static StatementMatch? Alone(StatementRow row, IReadOnlyList<PaidOrder> kept) =>
        kept.SelectMany(had => had.Tenure.Purchase.Books.Where(had.Tenure.Purchase.BuysAt))
            .FirstOrDefault(book => Names(row.Text, book.Provider.Name))
            is { } seller
            ? new StatementMatch(row, seller.Id, Guid.Empty, null, null, false)
            : null;

    // In the currency of the book: as it stands, as the statement says it was abroad, or by the owner's rate.
    private static (Money? Seen, bool IsByRate) Seen(StatementRow row, Tenure tenure, Movement movement)
    {
        var currency = movement.Sum.Currency;
        if (row.Amount.Currency == currency || row.Abroad?.Currency == currency)
        {
            return (row.Amount.Currency == currency ? row.Amount : row.Abroad, false);
        }

        var counting = new Counting(tenure.Settings, tenure.Settings.DisplayCurrency ?? tenure.Purchase.OwnCurrency);
        if (
            row.Amount.Currency != counting.Display
            || !counting.CanConvert(currency)
            || counting.Convert(movement.Sum.Units, currency) is var expected && expected == 0
        )
        {
            return (null, false);
        }

        var isNear = Minor.Abs(row.Amount.Units - expected) * 100 <= Minor.Abs(expected) * RateSlack;
        return (
            isNear
                ? movement.Sum
                : new Money(
                    new Fraction(Minor.Abs(row.Amount.Units), Minor.Abs(expected)).Of(movement.Sum.Units),
                    currency
                ),
            true
        );
    }

    private static bool Contains(string[] said, string[] words) =>
        Enumerable
            .Range(0, Math.Max(0, said.Length - words.Length + 1))
            .Any(start => said.AsSpan(start, words.Length).SequenceEqual(words, StringComparer.OrdinalIgnoreCase));

    private static string[] Words(string text) =>
        [
            .. new string([.. text.Select(letter => char.IsLetterOrDigit(letter) ? letter : ' ')]).Split(
                ' ',
                StringSplitOptions.RemoveEmptyEntries
            ),
        ];
}
