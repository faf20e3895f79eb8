namespace HomeStart.Formats.Words;

/// <summary>
/// Lengths of time and how often a bill comes, worded alike everywhere: "3 years", "every 3 years". The client says the
/// same (<c>format/words.ts</c>).
/// </summary>
public static class DurationWords
{
    /// <summary>"1 year", "3 years", "30 months".</summary>
    public static string Span(int months)
    {
        var (count, unit) = months % 12 == 0 && months > 0 ? (months / 12, "year") : (months, "month");
        return $"{count} {unit}{(count == 1 ? "" : "s")}";
    }

    /// <summary>"this year", "these 3 years": the time that is counted.</summary>
    public static string These(int months) =>
        months switch
        {
            1 => "this month",
            12 => "this year",
            _ => $"these {Span(months)}",
        };

    /// <summary>"each month", "each year", "every 3 years": when a bill comes again.</summary>
    public static string Every(int months) =>
        months switch
        {
            1 => "each month",
            12 => "each year",
            _ => $"every {Span(months)}",
        };
}
