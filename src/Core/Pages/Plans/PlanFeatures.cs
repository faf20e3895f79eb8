namespace HomeStart.Core.Pages;

/// <summary>Reads what a plan has: features, and the domain in its price.</summary>
internal sealed class PlanFeatures(PageText page, PlanDraft plan)
{
    private const string Crosses = "✗✘✕❌×";

    /// <summary>Reads what lines say the plan has.</summary>
    public void Read(IEnumerable<Line> lines)
    {
        var list = lines.ToList();
        for (var at = 0; at < list.Count; at++)
        {
            var line = list[at];
            if (line.Owner is PageTable)
            {
                continue;
            }

            // A label and its value on lines of their own.
            if (
                at + 1 < list.Count
                && line.Words.Length <= 40
                && line.Amounts.IsEmpty
                && !line.Words.Any(char.IsAsciiDigit)
                && FeatureWords.KeyOf(line.Words) is { } key
                && IsValue(list[at + 1].Words)
            )
            {
                if (key == "domain")
                {
                    DomainCell(line.Words, list[at + 1].Words, line.Seen.At);
                }
                else if (
                    FeatureWords.OfCell(
                        line.Words,
                        list[at + 1].Words,
                        new PageSpan(line.From, list[at + 1].Seen.At.To)
                    ) is
                    { } cell
                )
                {
                    plan.Add(cell);
                }

                at++;
                continue;
            }

            ReadWords(line.Words, line.From);
        }
    }

    /// <summary>What words say the plan has.</summary>
    public void ReadWords(string words, int from)
    {
        foreach (var sentence in PageLines.Sentences(words, from))
        {
            if (
                !Crosses.Contains(sentence.Words[0])
                && DomainOffers.In(Unstruck(sentence), sentence.At) is { } whole
                && !sentence.Words.Contains('·', StringComparison.Ordinal)
                && sentence.Words.Count(letter => letter == ',') <= 3
            )
            {
                Domain(whole);
            }
        }

        foreach (var piece in PageLines.Pieces(words, from))
        {
            if (Crosses.Contains(piece.Words[0]) && DomainOffers.In(piece.Words, piece.At) is not null)
            {
                plan.HasNoDomain = true;
            }
            else if (DomainOffers.In(Unstruck(piece), piece.At) is { } domain)
            {
                Domain(domain);
            }

            foreach (var feature in FeatureWords.In(piece.Words, piece.From))
            {
                plan.Add(feature);
            }
        }
    }

    /// <summary>Reads a table's cell about the domain in the price.</summary>
    public void DomainCell(string label, string cell, PageSpan at)
    {
        if (FeatureWords.IsCross(cell) || cell.Trim().Equals("no", StringComparison.OrdinalIgnoreCase))
        {
            plan.HasNoDomain = true;
            return;
        }

        if (
            DomainOffers.In(
                label.Contains("free", StringComparison.OrdinalIgnoreCase)
                || label.Contains("included", StringComparison.OrdinalIgnoreCase)
                    ? label + " " + cell
                    : "free " + label + " " + cell,
                at
            ) is
            { } offer
        )
        {
            Domain(offer);
        }
    }

    private void Domain(DomainOffer offer) =>
        plan.Domain = plan.Domain is { } known ? DomainOffers.With(known, offer) : offer;

    // "Free domain £9.99", the price struck out, is free all the same.
    private string Unstruck(Piece piece)
    {
        var words = piece.Words.ToCharArray();
        foreach (var struck in page.StruckIn(piece.At))
        {
            var (from, to) = (Math.Max(0, struck.From - piece.From), Math.Min(words.Length, struck.To - piece.From));
            Array.Fill(words, ' ', from, to - from);
        }

        return new string(words);
    }

    private static bool IsValue(string words) =>
        FeatureWords.IsTick(words)
        || FeatureWords.IsCross(words)
        || Patterns.HasExact(
            words,
            @"^(?:up to |about |around |~ ?)?[0-9][0-9.,'’ ]*(?: ?[GMTgmt]B)?$|^(?:[Uu]nlimited|[Uu]nmetered"
                + @"|[Nn]one|(?:[Dd]aily, )?[Ii]ncluded|[Ll]inux.*|[Ww]indows.*)$"
        );
}
