using System.Text.RegularExpressions;

namespace HomeStart.Core.Pages;

/// <summary>Reads codes to type, and prices of endings outside tables.</summary>
internal sealed partial class CodeStep(PageDraft draft)
{
    [GeneratedRegex(@"^\W*(?:moving|transfer(?:ring|s)?|bring(?:ing)?)\b.{0,40}$", Patterns.AnyCase, Patterns.Patience)]
    private static partial Regex MovingHeading { get; }

    [GeneratedRegex(
        @"^\W*(?:(?:domain )?transfers?|moving(?: a (?:domain|name))?(?: to us| in)?)\s*:",
        Patterns.AnyCase,
        Patterns.Patience
    )]
    private static partial Regex MovingLead { get; }

    /// <summary>Reads them all.</summary>
    public void Read()
    {
        var (isMoving, isForYears) = (false, false);
        foreach (var line in draft.Lines)
        {
            if (MovingHeading.IsMatch(line.Words) && line.Amounts.IsEmpty)
            {
                isMoving = true;
            }
            else if (line.Seen.Heading > 0 || PlanBlocks.IsSection(line))
            {
                (isMoving, isForYears) = (false, DomainLists.IsForYears(line.Words));
            }

            if (line.Owner is not null)
            {
                continue;
            }

            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                foreach (
                    var code in Offers
                        .CodesIn(sentence, line.Amounts)
                        .Where(code => !draft.Codes.Any(known => known.Code == code.Code))
                )
                {
                    draft.Codes.Add(code);
                    // What a code takes off makes no plan's price a first one.
                    var isAlone = line.Amounts.IsEmpty && sentence.Words.Length == line.Words.Length;
                    line.Owner = code.Amount is not null || isAlone ? draft.Codes : line.Owner;
                }
            }

            if (isForYears && DomainLists.Endings(line.Words) && line.Amounts.Length > 0)
            {
                draft.DomainPrices.OtherTerms.AddRange(line.Amounts);
                line.Owner = draft.DomainPrices;
            }

            if (line.Owner is null && draft.DomainPrices.Read(line, isMoving || MovingLead.IsMatch(line.Words)))
            {
                line.Owner = draft.DomainPrices;
            }
        }

        foreach (var line in draft.Lines.Where(line => line.Words.Contains("ransfer", StringComparison.Ordinal)))
        {
            foreach (var sentence in PageLines.Sentences(line.Words, line.From))
            {
                draft.DomainPrices.ReadFreeTransfers(sentence);
            }
        }
    }
}
