using System.Collections.Immutable;
using System.Globalization;

namespace HomeStart.Core.Pages;

/// <summary>What the values of a reading were read from, which amounts went somewhere, and what is doubtful.</summary>
/// <param name="decimals">Of the currency.</param>
internal sealed class Evidence(int decimals)
{
    private readonly ImmutableArray<ReadSource>.Builder _sources = ImmutableArray.CreateBuilder<ReadSource>();
    private readonly ImmutableArray<ReadDoubt>.Builder _doubts = ImmutableArray.CreateBuilder<ReadDoubt>();
    private readonly HashSet<PageSpan> _placed = [];

    /// <summary>Where the values stand in the page.</summary>
    public ImmutableArray<ReadSource> Sources => _sources.ToImmutable();

    public ImmutableArray<ReadDoubt> Doubts => _doubts.ToImmutable();

    /// <summary>Whether an amount went somewhere.</summary>
    public bool IsPlaced(PageAmount amount) => _placed.Contains(amount.At);

    /// <summary>An amount of the reading, as text; its place is its source.</summary>
    /// <param name="at">Where it is in the reading, as a pointer.</param>
    /// <param name="words">Its words; null: as wide as what it is for.</param>
    public string Amount(string at, PageAmount amount, PageSpan? words = null)
    {
        Place(amount);
        Source(at, amount.Number, words ?? Wide(amount));
        return Text(amount);
    }

    /// <summary>The amount with what it is for, within its line.</summary>
    public static PageSpan Wide(PageAmount amount) =>
        new(amount.At.From, Math.Max(amount.At.To, Math.Min(amount.End, amount.At.To + 40)));

    /// <summary>Notes that an amount went somewhere.</summary>
    public void Place(PageAmount amount) => _placed.Add(amount.At);

    /// <summary>With as many places as its currency has, or as it is printed with.</summary>
    public string Text(PageAmount amount)
    {
        var dot = amount.Number.IndexOf('.', StringComparison.Ordinal);
        var printed = dot < 0 ? 0 : amount.Number.Length - dot - 1;
        return amount.Value.ToString(
            "F" + Math.Max(decimals, printed).ToString(CultureInfo.InvariantCulture),
            CultureInfo.InvariantCulture
        );
    }

    public string Text(decimal value) =>
        value.ToString("F" + decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);

    /// <summary>Notes the words of a value that there is.</summary>
    public void Source(string at, object? value, PageSpan? words)
    {
        if (value is not null && words is { } span && span.To > span.From)
        {
            _sources.Add(new ReadSource(at, span));
        }
    }

    public void Doubt(string code, string at) => _doubts.Add(new ReadDoubt(code, at));
}
