using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>
/// An amount with its currency that stands in a sentence, where it can be read for certain: "£2.99 a month".
/// </summary>
/// <param name="Number">With a point: "2.99".</param>
/// <param name="Currency">The code; null where the sign stands for several ("$").</param>
/// <param name="Per">A month or a year; none where that does not stand behind it.</param>
/// <param name="At">Where it begins in its sentence.</param>
/// <param name="End">Where it ends, with what it is for.</param>
internal sealed record ProseAmount(string Number, string? Currency, Per Per, int At, int End)
{
    /// <summary>Every such amount of a sentence, in order.</summary>
    public static ImmutableArray<ProseAmount> In(string sentence) =>
        [.. PageAmount.In(sentence, 0).Select(amount => Read(amount, sentence)).OfType<ProseAmount>()];

    private static ProseAmount? Read(PageAmount amount, string sentence)
    {
        var (from, to) = (amount.At.From, amount.At.To);
        var isForOther =
            amount.Per == Per.Other
            // "£2 a week", "£5k".
            || (amount.Per == Per.None && to < sentence.Length && char.IsLetterOrDigit(sentence[to]));
        var number = amount.Sign.Length == 0 ? amount.Number : TypedNumber.NumberOf(Figures(sentence[from..to]));
        // "£36 for the first year" says how long, not how often.
        var isPlain = amount.Per is not (Per.Month or Per.Year) || amount.IsFirst;
        return isForOther || number is null
            ? null
            : new ProseAmount(
                number,
                amount.Currency,
                isPlain ? Per.None : amount.Per,
                from,
                isPlain ? to : amount.End
            );
    }

    private static string Figures(string words)
    {
        var first = words.AsSpan().IndexOfAnyInRange('0', '9');
        return words[first..(words.AsSpan().LastIndexOfAnyInRange('0', '9') + 1)];
    }
}
