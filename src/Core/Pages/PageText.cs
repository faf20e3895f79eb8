using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>What a reader sees of a page: its words with their places, whatever they came from.</summary>
/// <param name="Text">The visible words. All places count in it, in UTF-16 units.</param>
/// <param name="Lines">The lines in their order; a table's cell is a line or several.</param>
/// <param name="Struck">What is struck out.</param>
/// <param name="Ticks">The boxes that are ticked, or are not.</param>
/// <param name="IsMarked">Whether looks and struck words are known; of plain text they are not.</param>
public sealed record PageText(
    string Text,
    ImmutableArray<PageLine> Lines,
    ImmutableArray<PageSpan> Struck,
    ImmutableArray<PageTick> Ticks,
    bool IsMarked
)
{
    /// <summary>The words of a place.</summary>
    public string TextAt(PageSpan span) => Text[span.From..span.To];

    /// <summary>
    /// The words from one place to another; "" where the second is not behind the first, as the words of an amount
    /// ("£5\na year") may reach into the next sentence.
    /// </summary>
    public string Between(int from, int to) =>
        Math.Max(0, from) is var start && Math.Min(Text.Length, to) is var end && start < end ? Text[start..end] : "";

    /// <summary>Whether a place is struck out, if only in part.</summary>
    public bool IsStruck(PageSpan at) => StruckIn(at).Any();

    /// <summary>What is struck out of a place, in its order.</summary>
    public IEnumerable<PageSpan> StruckIn(PageSpan at) =>
        Struck.Skip(FirstStruck(at.From)).TakeWhile(span => span.From < at.To);

    // The number of the first struck span that ends behind a place; they are in order, and apart.
    private int FirstStruck(int from)
    {
        var (low, high) = (0, Struck.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = Struck[middle].To <= from ? (middle + 1, high) : (low, middle);
        }

        return low;
    }
}

/// <summary>A place in the text.</summary>
/// <param name="From">The first character.</param>
/// <param name="To">The one behind the last.</param>
public readonly record struct PageSpan(int From, int To)
{
    /// <summary>Whether it holds another whole.</summary>
    public bool Holds(PageSpan other) => From <= other.From && other.To <= To;
}

/// <summary>One line as it is seen.</summary>
/// <param name="At">Its place.</param>
public sealed record PageLine(PageSpan At)
{
    /// <summary>Its words without the space around them.</summary>
    public string Words { get; init; } = "";

    /// <summary>The level of its heading, 1 to 6; 0 is none.</summary>
    public int Heading { get; init; }

    /// <summary>What its look has in common with others: its tags, classes, size and weight.</summary>
    public ImmutableArray<string> Looks { get; init; } = [];

    /// <summary>The boxes it stands in, from the outermost in.</summary>
    public ImmutableArray<int> Boxes { get; init; } = [];

    /// <summary>Its cell; null: it stands in no table.</summary>
    public PageCell? Cell { get; init; }
}

/// <summary>The cell of a table.</summary>
/// <param name="Table">Which table of the page.</param>
/// <param name="Width">How many columns it spans.</param>
/// <param name="IsHead">Whether it is marked as a heading.</param>
public sealed record PageCell(int Table, int Row, int Column, int Width = 1, bool IsHead = false);

/// <summary>A box to tick, and where in the text it stands.</summary>
public readonly record struct PageTick(int At, bool IsTicked);
