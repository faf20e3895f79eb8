using System.Globalization;
using System.Text.Json;
using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Reconciling;

/// <summary>
/// The body of <c>POST /api/reconciliations</c>, for those who call; <see cref="ReconciliationReader"/> reads it with
/// every fault at its place.
/// </summary>
public sealed record ReconciliationBody(
    DateOnly StartDate,
    int HorizonMonths,
    CandidateBody Candidate,
    SeenSumBody Seen,
    OwnerBody? Owner = null,
    IReadOnlyList<JsonElement>? Books = null
);

/// <param name="Total">In the book's currency, tax as the seller counts it.</param>
/// <param name="Date">The day of a later bill; null: the day of the order.</param>
public sealed record SeenSumBody(string Book, string Total, DateOnly? Date = null);

/// <summary>Why a seller's sum is not ours. Amounts are in <paramref name="Currency"/>.</summary>
/// <param name="Difference">Seen less ours.</param>
/// <param name="AtLeast">Whether a line of ours is not stated.</param>
/// <param name="Closest">Where nothing explains it: what comes nearest.</param>
public sealed record ReconciliationWire(
    string Currency,
    string Ours,
    string Seen,
    string Difference,
    bool AtLeast,
    bool Agrees,
    IReadOnlyList<ExplanationWire> Explanations,
    ClosestWire? Closest
)
{
    public static ReconciliationWire From(Reconciliation found)
    {
        var currency = found.Currency;
        return new(
            currency.Code,
            Amount(found.Ours),
            Amount(found.Seen),
            Amount(found.Seen - found.Ours),
            found.IsAtLeast,
            found.Agrees,
            [
                .. found.Explanations.Select(explanation => new ExplanationWire(
                    [.. explanation.Deviations.Select(DeviationWire.From)],
                    Amount(explanation.Total)
                )),
            ],
            found.Closest is { } closest
                ? new ClosestWire(
                    [.. closest.Deviations.Select(DeviationWire.From)],
                    Amount(closest.Total),
                    Amount(found.Seen - closest.Total)
                )
                : null
        );

        string Amount(Minor units) => new Money(units, currency).ToAmount();
    }
}

/// <summary>One change, or two, that give exactly the sum seen.</summary>
public sealed record ExplanationWire(IReadOnlyList<DeviationWire> Deviations, string Total);

/// <param name="Remainder">What is left unexplained: seen less this total.</param>
public sealed record ClosestWire(IReadOnlyList<DeviationWire> Deviations, string Total, string Remainder);

/// <param name="Ref">The extra, code, promotion, plan, data centre (null: none), or what is priced at its later
/// price.</param>
/// <param name="Domain">The place, from 0, of a domain or of the domain an extra is for.</param>
/// <param name="Value">Of another way to pay "12/12"; of years and quantities the number.</param>
public sealed record DeviationWire(DeviationKind Kind, string? Ref, int? Domain, JsonElement? Value)
{
    public static DeviationWire From(Deviation deviation) =>
        new(
            deviation.Kind,
            deviation.Ref,
            deviation.Domain,
            deviation.Way is var (every, commit)
                    ? JsonSerializer.SerializeToElement(
                        string.Create(CultureInfo.InvariantCulture, $"{every}/{commit}")
                    )
                : deviation.Number is { } number ? JsonSerializer.SerializeToElement(number)
                : null
        );
}
