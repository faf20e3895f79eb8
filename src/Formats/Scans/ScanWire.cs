using System.Text.Json;
using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Scans;

/// <summary>The answer of <c>POST /api/scans</c>.</summary>
public sealed record ScanWire(
    IReadOnlyList<ScanRowWire> Rows,
    IReadOnlyList<ScanRowWire> Front,
    IReadOnlyList<RejectedPlanWire> Rejected,
    long Considered,
    long Feasible
)
{
    public static ScanWire From(ScanResult result) =>
        new(
            [.. result.Rows.Select(ScanRowWire.From)],
            [.. result.Front.Select(ScanRowWire.From)],
            [.. result.Rejected.Select(RejectedPlanWire.From)],
            result.Considered,
            result.Feasible
        );
}

/// <summary>A way to buy with what its costing says.</summary>
public sealed record ScanRowWire(
    CandidateWire Candidate,
    TotalsWire Totals,
    PriceStepWire? PriceStep,
    IReadOnlyList<CodeWire> Codes,
    IReadOnlyList<UnstatedWire> Unstated
)
{
    internal static ScanRowWire From(ScanRow row)
    {
        var costing = row.Work();
        return new ScanRowWire(
            CandidateWire.From(row.Candidate),
            CostingWriter.WriteTotals(costing),
            PriceStepWire.Write(costing.Totals.PriceStep),
            CostingWriter.WriteCodes(costing),
            CostingWriter.WriteUnstated(costing.Totals)
        );
    }
}

public sealed record RejectedPlanWire(string Book, string Plan, IReadOnlyList<ReasonWire> Reasons)
{
    internal static RejectedPlanWire From(RejectedPlan plan) =>
        new(
            plan.Book.Id,
            plan.Plan.Id,
            [
                .. plan.Reasons.Select(reason => new ReasonWire(
                    reason.Need,
                    ReasonWire.Value(reason.Has),
                    ReasonWire.Value(reason.Wants)
                )),
            ]
        );
}

/// <param name="Has">The plan's or provider's own value; null: not stated.</param>
/// <param name="Wants">The need's.</param>
public sealed record ReasonWire(string Need, JsonElement Has, JsonElement Wants)
{
    internal static JsonElement Value(ReasonValue? value) =>
        JsonSerializer.SerializeToElement(
            value is null ? null : value.Number ?? value.Flag ?? value.Word ?? (object?)value.Words
        );
}

/// <summary>A line of progress, before the result.</summary>
public sealed record ScanProgressWire(int Done, int Of);
