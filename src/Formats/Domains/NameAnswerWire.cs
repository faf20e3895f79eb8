using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Domains;

/// <summary>What was said of a domain, and when.</summary>
/// <param name="Label">Before the ending.</param>
/// <param name="Buyable">Where it can be registered.</param>
/// <param name="IsContradicted">The registrar says that nobody has it, and the registry has a record of it.</param>
/// <param name="Why">Where it is unchecked: what went wrong.</param>
/// <param name="Book">Whose registrar was asked.</param>
/// <param name="IsOld">Somebody may have taken it since: it is asked again before it is ordered.</param>
/// <param name="PremiumCost">What a premium name costs as a part of the candidate looked at.</param>
public sealed record NameAnswerWire(
    string Domain,
    string Label,
    string Ending,
    AvailabilityState State,
    Buyable Buyable,
    bool IsContradicted,
    string? Why,
    string Book,
    PremiumWire? Premium,
    string? Currency,
    RegistrationWire? Registration,
    DateTimeOffset AskedAt,
    bool IsOld,
    NameCostWire? PremiumCost
)
{
    public static NameAnswerWire From(NameAnswer answer, DateTimeOffset now, NameCostWire? premiumCost = null)
    {
        var (text, dot) = (answer.Domain.Text, answer.Domain.Text.IndexOf('.', StringComparison.Ordinal));
        var availability = answer.Availability;
        return new NameAnswerWire(
            text,
            text[..dot],
            text[(dot + 1)..],
            availability.State,
            answer.Buyable,
            answer.IsContradicted,
            availability.Why,
            answer.Book,
            availability.State == AvailabilityState.Premium
                ? new PremiumWire(availability.Register?.ToAmount(), availability.Renew?.ToAmount())
                : null,
            availability.Register?.Currency.Code,
            answer.Record is { } record
                ? new RegistrationWire(record.Registered, record.Expires, record.Status, record.Registrar)
                : null,
            answer.AskedAt,
            answer.IsOld(now),
            premiumCost
        );
    }
}

/// <summary>Of the public record (RDAP): since when, until when, in what state, through whom.</summary>
public sealed record RegistrationWire(
    DateOnly? Registered,
    DateOnly? Expires,
    IReadOnlyList<string> Status,
    string? Registrar
);

/// <summary>One line of what comes of asking about many names.</summary>
/// <param name="Asked">How many have been answered so far, of <paramref name="Of"/>.</param>
/// <param name="Answer">An answer that just came, or was known.</param>
/// <param name="Pause">Who asked to be left alone for a while.</param>
public sealed record NameNewsWire(int Asked, int Of, NameAnswerWire? Answer, NamePauseWire? Pause);

public sealed record NamePauseWire(string Provider, int Seconds);

/// <summary>The names that are looked for with what is known of them.</summary>
/// <param name="Answers">Those that are known, old ones too.</param>
/// <param name="Left">How many are still to be asked, or again.</param>
/// <param name="Refused">Lines of what was pasted that are no names, with why.</param>
public sealed record SoughtNamesWire(
    IReadOnlyList<ReadNameWire> Names,
    IReadOnlyList<string> Endings,
    IReadOnlyList<NameAnswerWire> Answers,
    int Left,
    IReadOnlyList<RefusedLineWire> Refused
);

public sealed record RefusedLineWire(int Line, string Text, string Why);

/// <summary>What is looked for.</summary>
/// <param name="Text">A list, a name a line, or a CSV file with a column of names.</param>
/// <param name="Ideas">Or what ideas are to be made of.</param>
public sealed record SeekNamesBody(string? Text, NameIdeasBody? Ideas, IReadOnlyList<string> Endings);

/// <summary>What is asked.</summary>
/// <param name="Names">Null: what is looked for. So for the endings.</param>
/// <param name="Again">Whether answers that still are good are asked for again.</param>
/// <param name="WithRecord">Whether the public record of names that are said to be free is looked at too.</param>
public sealed record CheckNamesBody(
    IReadOnlyList<string>? Names = null,
    IReadOnlyList<string>? Endings = null,
    bool Again = false,
    bool WithRecord = false
);

/// <summary>A name whose near ones are asked for.</summary>
public sealed record NearNamesBody(string Name, string Ending);

/// <summary>Near names that somebody has, as advice.</summary>
/// <param name="Matters">Those of them that are in use and easily written for the name: worth a warning.</param>
/// <param name="Unchecked">How many of those asked about nobody could tell.</param>
public sealed record NearNamesWire(IReadOnlyList<NameAdviceWire> Advice, IReadOnlyList<string> Matters, int Unchecked)
{
    /// <param name="answers">What is known of names, near or not.</param>
    public static NearNamesWire From(string label, string ending, IEnumerable<NameAnswer> answers)
    {
        var near = answers
            .Where(answer =>
                answer.Domain.Text.EndsWith('.' + ending, StringComparison.Ordinal)
                && NearNames.IsNear(label, LabelOf(answer))
            )
            .ToList();
        var taken = near.Where(answer => answer.Availability.State == AvailabilityState.Taken)
            .OrderBy(answer => answer.Domain.Text, StringComparer.Ordinal)
            .ToList();
        return new NearNamesWire(
            [.. taken.Select(answer => new NameAdviceWire("near-taken", answer.Domain.Text))],
            [
                .. taken
                    .Where(answer =>
                        answer.Record is { IsInUse: true } && NearNames.IsEasilyTaken(label, LabelOf(answer))
                    )
                    .Select(answer => answer.Domain.Text),
            ],
            near.Count(answer => answer.Availability.State == AvailabilityState.Unchecked)
        );

        string LabelOf(NameAnswer answer) => answer.Domain.Text[..^(ending.Length + 1)];
    }
}
