using System.Text.Json.Serialization;
using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Upkeep;

/// <summary>
/// The body of <c>POST /api/upkeep</c>, for those who call; <see cref="UpkeepRequestReader"/> reads it with every fault
/// at its place.
/// </summary>
/// <param name="Until">The last day, at most 120 months after the start.</param>
public sealed record UpkeepBody(
    DateOnly StartDate,
    int HorizonMonths,
    CandidateBody Candidate,
    DateOnly Until,
    IReadOnlyList<DecisionBody>? Decisions = null,
    OwnerBody? Owner = null,
    IReadOnlyList<System.Text.Json.JsonElement>? Books = null
);

/// <param name="Do">renewing, card, pay, leave, change, add, drop or claim: what else is said depends on it.</param>
public sealed record DecisionBody(
    DateOnly On,
    string Do,
    string? Holding = null,
    System.Text.Json.JsonElement? Value = null,
    string? Plan = null,
    int? EveryMonths = null,
    int? CommitMonths = null,
    string? Extra = null,
    int? Quantity = null,
    DomainBody? Domain = null
);

/// <summary>What was bought, run through the years. Amounts are in each book's own currency.</summary>
/// <param name="Balances">By book: what it owes the owner.</param>
/// <param name="Paid">By currency: by card, less what was refunded.</param>
public sealed record UpkeepWire(
    IReadOnlyList<HappeningWire> Happened,
    IReadOnlyList<HoldingWire> Holdings,
    IReadOnlyDictionary<string, string> Balances,
    IReadOnlyDictionary<string, string> Paid
)
{
    public static UpkeepWire From(UpkeepYears years) =>
        new(
            [.. years.Happened.Select(HappeningWire.From)],
            [
                .. years.Holdings.Select(held => new HoldingWire(
                    held.Holding,
                    held.Ref,
                    held.State,
                    held.Renews,
                    held.PaidUntil
                )),
            ],
            years.Balances.ToDictionary(balance => balance.Key, balance => balance.Value.ToAmount()),
            years.Paid.ToDictionary(paid => paid.Currency.Code, paid => paid.ToAmount())
        );
}

/// <summary>Something that is had, on the last day.</summary>
public sealed record HoldingWire(string Holding, string Ref, HoldingState State, bool Renews, DateOnly? PaidUntil);

/// <summary>
/// One thing that happened; what it has depends on <paramref name="What"/>: charged, failed, state, refunded, credited,
/// refused.
/// </summary>
public sealed record HappeningWire(DateOnly On, string What)
{
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Book { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public DateOnly? Due { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Total { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Net { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Tax { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? FromBalance { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public bool? AtLeast { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<ChargedLineWire>? Lines { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public int? Attempt { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Holding { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public HoldingState? State { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Do { get; init; }

    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public RefusalReason? Reason { get; init; }

    /// <summary>True where the book does not say what follows, and the usual was taken.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public bool? Assumed { get; init; }

    public static HappeningWire From(Happening happening) =>
        happening switch
        {
            Charged charged => new(charged.On, "charged")
            {
                Book = charged.Book,
                Due = charged.Due,
                Total = Amount(charged.Total, charged.Currency),
                Net = Amount(charged.Net, charged.Currency),
                Tax = Amount(charged.Tax, charged.Currency),
                FromBalance = Amount(charged.FromBalance, charged.Currency),
                AtLeast = charged.IsAtLeast,
                Assumed = charged.IsAssumed ? true : null,
                Lines =
                [
                    .. charged.Lines.Select(line => new ChargedLineWire(
                        line.Kind,
                        line.Ref,
                        line.Holding,
                        Amount(line.Amount, charged.Currency)
                    )),
                ],
            },
            Failed failed => new(failed.On, "failed")
            {
                Book = failed.Book,
                Due = failed.Due,
                Total = Amount(failed.Total, failed.Currency),
                Attempt = failed.Attempt,
            },
            StateChanged state => new(state.On, "state")
            {
                Holding = state.Holding,
                State = state.State,
                Assumed = state.IsAssumed ? true : null,
            },
            Refunded refunded => new(refunded.On, "refunded")
            {
                Book = refunded.Book,
                Total = Amount(refunded.Total, refunded.Currency),
            },
            Credited credited => new(credited.On, "credited")
            {
                Book = credited.Book,
                Total = Amount(credited.Total, credited.Currency),
                Assumed = credited.IsAssumed ? true : null,
            },
            Refused refused => new(refused.On, "refused") { Do = refused.Do, Reason = refused.Reason },
            _ => throw new InvalidOperationException($"There are no words for {happening.GetType().Name}."),
        };

    private static string Amount(Minor units, Currency currency) => new Money(units, currency).ToAmount();
}

/// <param name="Amount">After discounts.</param>
public sealed record ChargedLineWire(UpkeepLineKind Kind, string Ref, string Holding, string Amount);
