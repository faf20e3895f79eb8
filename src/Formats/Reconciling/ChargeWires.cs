using HomeStart.Formats.Words;

namespace HomeStart.Formats.Reconciling;

/// <summary>Money that was to move, held against what was seen of it.</summary>
/// <param name="Line">Of the day book.</param>
/// <param name="CameBack">Whether it came back from the seller.</param>
/// <param name="What">What it was for.</param>
/// <param name="Due">With tax, by card.</param>
/// <param name="Seen">Null: it was not seen yet.</param>
/// <param name="Statement">What the card statement says of it; null: its owner told it.</param>
/// <param name="Over">How much too much was taken, or too little came back; below zero: the other way round. Null:
/// nothing, or it was not seen.</param>
/// <param name="Asks">Whether the owner is asked about it.</param>
/// <param name="MayHaveFailed">Whether it may not have been taken at all.</param>
public sealed record MovementWire(
    int Line,
    DateOnly On,
    string Book,
    string Seller,
    bool CameBack,
    string What,
    string Due,
    string Currency,
    string? Seen,
    string? Statement,
    string? Over,
    bool Asks,
    bool MayHaveFailed
)
{
    public static MovementWire From(Movement movement, Outlook outlook, bool asks)
    {
        var tenure = outlook.Tenure;
        var sign = movement.Charged is null ? -1 : 1;
        return new MovementWire(
            movement.Line,
            movement.On,
            movement.Book,
            UpkeepWords.Seller(tenure, movement.Book),
            movement.Charged is null,
            movement.Charged is { } charged
                ? UpkeepWords.Lines(charged.Lines, tenure.Book(charged.Book))
                : "money back",
            Amount(movement.Sum.Units * sign),
            movement.Sum.Currency.Code,
            movement.Seen is { } seen ? Amount(seen.Total.Units * sign) : null,
            movement.Seen?.Statement,
            movement.Over is { Units: var over } && over != 0 ? Amount(over) : null,
            asks,
            ChargeConfirmations.MayHaveFailed(tenure, outlook.Book, movement)
        );

        string Amount(Minor units) => new Money(units, movement.Sum.Currency).ToAmount();
    }
}

/// <summary>What a seller took beyond what was due, in all.</summary>
public sealed record OverchargedWire(string Book, string Seller, string Amount, string Currency);

/// <summary>What the owner says of money that was to move.</summary>
/// <param name="Version">Of what was seen.</param>
/// <param name="Taken">False: it was not taken, or did not come back.</param>
/// <param name="Total">What was taken or came back; left out: what was due.</param>
public sealed record TellChargeBody(int Version, bool Taken, string? Total = null);

/// <summary>A card statement as CSV.</summary>
/// <param name="Keep">Whether what was found is kept; else it is only shown.</param>
public sealed record StatementBody(string Text, bool Keep = false);

/// <summary>The rows of a statement that name a seller of this site, and how many are of others.</summary>
public sealed record StatementWire(IReadOnlyList<StatementRowWire> Rows, int Others, bool Kept);

/// <param name="Verdict">matched, explained, open or not-due.</param>
/// <param name="Due">What was due; null: nothing was.</param>
/// <param name="Words">The verdict as a sentence.</param>
/// <param name="Reasons">Why it is another sum, the likeliest first.</param>
public sealed record StatementRowWire(
    int Number,
    DateOnly On,
    string Text,
    string Amount,
    string Currency,
    string Seller,
    string Verdict,
    string? Due,
    string? DueCurrency,
    string Words,
    IReadOnlyList<string> Reasons
);

/// <summary>A letter to copy.</summary>
public sealed record LetterTextWire(string Text);
