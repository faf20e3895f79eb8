using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Upkeep;

/// <summary>What happens after an order, run through the years for anybody: no sign-in, nothing stored.</summary>
internal static class UpkeepEndpoints
{
    public static void MapUpkeep(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/upkeep", RunAsync)
            .WithName("runYears")
            .Produces<UpkeepWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);

    private static async Task<IResult> RunAsync(JsonBody<UpkeepBody> body, Demo demo, Turns turns, CancellationToken cancel)
    {
        using var turn = await turns.CostingAsync(cancel);
        return turn.Refusal ?? Run(body, demo);
    }

    private static IResult Run(JsonBody body, Demo demo)
    {
        var faults = new FaultList();
        return UpkeepRequestReader.Read(body.Root, demo.OfferBooks, faults) is not { } request ? FaultResults.Unprocessable(faults)
            : FaultResults.Answer(Years.Run(request.Costing.Candidate, request.Costing.Books, request.Costing.Settings, request.Until, request.Decisions, faults).As(UpkeepWire.Of));
    }
}
