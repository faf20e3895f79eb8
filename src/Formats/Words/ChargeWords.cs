using System.Globalization;
using System.Text;

namespace HomeStart.Formats.Words;

/// <summary>What was charged, held against what was due, in words.</summary>
public static class ChargeWords
{
    /// <summary>A charge at a seller's that nobody but the owner can see: what is asked about it.</summary>
    public static string Asking(Charged charged, Tenure tenure) =>
        $"{MoneyWords.Format(new Money(charged.Total - charged.FromBalance, charged.Currency))} was due to "
        + $"{UpkeepWords.Seller(tenure, charged.Book)} on {UpkeepWords.Day(charged.On)}, for "
        + $"{UpkeepWords.Lines(charged.Lines, tenure.Book(charged.Book))}. Was it taken?";

    /// <summary>
    /// A line of the day book of something bought at the sellers' own pages, where its owner is asked, or told another
    /// sum; null: as any other.
    /// </summary>
    public static string? Movement(Movement movement, Tenure tenure) =>
        movement switch
        {
            { Charged: { } charged, Seen: null } => Asking(charged, tenure),
            { Seen: null } => $"{MoneyWords.Format(Plain(movement.Sum))} was to come back from "
                + $"{UpkeepWords.Seller(tenure, movement.Book)}. Did it?",
            { Charged: { } charged, Seen: { } seen } when seen.Total != movement.Sum =>
                $"{MoneyWords.Format(seen.Total)} was taken by {UpkeepWords.Seller(tenure, movement.Book)} for "
                    + $"{UpkeepWords.Lines(charged.Lines, tenure.Book(movement.Book))}; {MoneyWords.Format(movement.Sum)} "
                    + "was due.",
            _ => null,
        };

    /// <summary>What came of a row of a statement: a word for it, and a sentence.</summary>
    /// <param name="isExplained">Whether reasons for another sum were found.</param>
    public static (string Verdict, string Words) Verdict(StatementMatch match, bool isExplained) =>
        match switch
        {
            { Movement: null } => (
                "not-due",
                $"Nothing was due there within {Statement.DaysAway} days of it. Ask what it is for."
            ),
            { Seen: null, Movement: { } due } => (
                "open",
                $"{MoneyWords.Format(Plain(due.Sum))} was due on {UpkeepWords.Day(due.On)}. There is no rate "
                    + "between the two currencies: give one where it says what is counted."
            ),
            { Agrees: true, Movement: { } due } => (
                "matched",
                $"{MoneyWords.Format(Plain(due.Sum))} was {(due.Charged is null ? "to come back" : "due")} on "
                    + $"{UpkeepWords.Day(due.On)}"
                    + $"{(match.IsByRate ? ", and that is what it comes to by your rate" : "")}."
            ),
            { Movement: { } due, Seen: { } seen } => (
                isExplained ? "explained" : "open",
                $"{MoneyWords.Format(Plain(due.Sum))} was {(due.Charged is null ? "to come back" : "due")} on "
                    + $"{UpkeepWords.Day(due.On)}: this is {Difference(seen - due.Sum)}."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(match), match, "There are no words for this."),
        };

    /// <summary>Why a charge is another sum than was due; the likeliest first, each one sentence or two.</summary>
    public static IReadOnlyList<string> Reasons(Reconciliation? why, Tenure tenure, SeenSum seen) =>
        why is null
            ? []
            :
            [
                .. why
                    .Explanations.Take(3)
                    .Select(explanation =>
                        string.Join(
                            " And: ",
                            explanation.Deviations.Select(deviation =>
                                SlipWords.DeviationTaken(
                                    deviation,
                                    tenure.Book(seen.Book),
                                    tenure.Candidate,
                                    seen,
                                    explanation.Total
                                )
                            )
                        )
                    ),
            ];

    /// <summary>A letter to a seller about all that it took beyond what was due.</summary>
    /// <param name="over">What was taken too much, with the reasons that were found.</param>
    /// <param name="reference">The number the seller gave; null: it is not known.</param>
    public static string Letter(
        Tenure tenure,
        string book,
        string owner,
        string? reference,
        IReadOnlyList<(Movement Movement, IReadOnlyList<string> Reasons)> over
    )
    {
        var (seller, text) = (UpkeepWords.Seller(tenure, book), new StringBuilder());
        var sum = over.Select(one => one.Movement.Over!.Value).Aggregate((all, one) => all + one);
        text.AppendLine(CultureInfo.InvariantCulture, $"To {seller}").AppendLine();
        text.AppendLine(
                CultureInfo.InvariantCulture,
                $"I bought from you on {UpkeepWords.Day(tenure.Start)}"
                    + $"{(reference is null ? "" : $", under your reference {reference}")}. By your price list of "
                    + $"{UpkeepWords.Day(tenure.Book(book).AsOf)} you took {MoneyWords.Format(sum)} too much from me:"
            )
            .AppendLine();
        foreach (var (movement, reasons) in over)
        {
            var (due, seen) = (Plain(movement.Sum), Plain(movement.Seen!.Total));
            text.Append(CultureInfo.InvariantCulture, $"- On {UpkeepWords.Day(movement.On)} ");
            text.Append(
                movement.Charged is null
                    ? $"{MoneyWords.Format(due)} was to come back, and {MoneyWords.Format(seen)} came"
                    : $"{MoneyWords.Format(due)} was due for "
                        + $"{UpkeepWords.Lines(movement.Charged.Lines, tenure.Book(book))}, and you took "
                        + $"{MoneyWords.Format(seen)}"
            );
            text.AppendLine(
                CultureInfo.InvariantCulture,
                $": {MoneyWords.Format(movement.Over!.Value)} too "
                    + $"{(movement.Charged is null ? "little" : "much")}."
                    + $"{(reasons is [var likeliest, ..] ? $" {Told(likeliest)}" : "")}"
            );
        }

        text.AppendLine()
            .AppendLine(
                CultureInfo.InvariantCulture,
                $"Please pay back {MoneyWords.Format(sum)}, or tell me what it was for."
            )
            .AppendLine()
            .Append(owner);
        return text.ToString().ReplaceLineEndings("\n");
    }

    // The reasons are written to the owner; a seller needs the first of their sentences, and is spoken to.
    private static string Told(string reason)
    {
        var first = reason.Split(": ")[0].Split(". ")[0].TrimEnd('.');
        var spoken =
            first.StartsWith("They ", StringComparison.Ordinal)
                ? $"you {first[5..]}".Replace(" you as ", " me as ", StringComparison.Ordinal)
            : first.StartsWith("Their ", StringComparison.Ordinal) ? $"your {first[6..]}"
            : $"{char.ToLowerInvariant(first[0])}{first[1..]}";
        return $"By my reckoning {spoken}.";
    }

    private static string Difference(Money over) =>
        over.Units > 0 ? $"{MoneyWords.Format(over)} more" : $"{MoneyWords.Format(Plain(over))} less";

    private static Money Plain(Money money) => money.Units < 0 ? new Money(-money.Units, money.Currency) : money;
}
