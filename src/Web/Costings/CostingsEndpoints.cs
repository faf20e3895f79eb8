using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Reconciling;
using HomeStart.Formats.Upkeep;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Costings;

/// <summary>
/// What can be worked out of a candidate: its costing, its years after the order, and why a seller's sum is another.
/// </summary>
internal static class CostingsEndpoints
{
    public static void MapCostings(this IEndpointRouteBuilder app)
    {
        app.MapCalculation<CostingBody, CostingWire>("/api/costings", "costCandidate", Cost);
        app.MapCalculation<UpkeepBody, UpkeepWire>("/api/upkeep", "runYears", RunYears);
        app.MapCalculation<ReconciliationBody, ReconciliationWire>("/api/reconciliations", "reconcile", Reconcile);
    }

    private static Result<CostingWire>? Cost(JsonElement body, Demo demo, FaultList faults, CancellationToken cancel) =>
        CostingRequestReader.Read(body, demo.OfferBooks, faults) is { } asked
            ? Coster.Cost(asked.Candidate, asked.Books, asked.Settings, faults).As(CostingWriter.Write)
            : null;

    private static Result<UpkeepWire>? RunYears(
        JsonElement body,
        Demo demo,
        FaultList faults,
        CancellationToken cancel
    ) =>
        UpkeepRequestReader.Read(body, demo.OfferBooks, faults) is { Costing: var asked } years
            ? Years
                .Run(asked.Candidate, asked.Books, asked.Settings, years.Until, years.Decisions, faults)
                .As(UpkeepWire.From)
            : null;

    private static Result<ReconciliationWire>? Reconcile(
        JsonElement body,
        Demo demo,
        FaultList faults,
        CancellationToken cancel
    ) =>
        ReconciliationReader.Read(body, demo.OfferBooks, faults) is { Costing: var asked } seen
            ? Reconciler
                .Run(asked.Candidate, asked.Books, asked.Settings, seen.Seen, faults, cancel)
                .As(ReconciliationWire.From)
            : null;
}
