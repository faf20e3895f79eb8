using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Reconciling;

/// <summary>Says why a seller's sum is not ours, for anybody: no sign-in, nothing stored.</summary>
internal static class ReconcilingEndpoints
{
    public static void MapReconciling(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/reconciliations", ReconcileAsync)
            .WithName("reconcile")
            .Produces<ReconciliationWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);

    private static async Task<IResult> ReconcileAsync(JsonBody<ReconciliationBody> body, Demo demo, Turns turns, CancellationToken cancel)
    {
        using var turn = await turns.CostingAsync(cancel);
        return turn.Refusal ?? Reconcile(body, demo, cancel);
    }

    private static IResult Reconcile(JsonBody body, Demo demo, CancellationToken cancel)
    {
        var faults = new FaultList();
        var request = ReconciliationReader.Read(body.Root, demo.OfferBooks, faults);
        if (request is null)
        {
            return FaultResults.Unprocessable(faults);
        }

        var (costing, seen) = (request.Costing, request.Seen);
        return FaultResults.Answer(Reconciler.Run(costing.Candidate, costing.Books, costing.Settings, seen, faults, cancel).As(ReconciliationWire.Of));
    }
}
