using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Costings;

/// <summary>Costing a candidate for anybody: no sign-in, nothing stored.</summary>
internal static class CostingsEndpoints
{
    public static void MapCostings(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/costings", CostAsync)
            .WithName("costCandidate")
            .Produces<CostingWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);

    private static async Task<IResult> CostAsync(JsonBody<CostingBody> body, Demo demo, Turns turns, CancellationToken cancel)
    {
        using var turn = await turns.CostingAsync(cancel);
        return turn.Refusal ?? Cost(body, demo);
    }

    private static IResult Cost(JsonBody body, Demo demo)
    {
        var faults = new FaultList();
        var request = CostingRequestReader.Read(body.Root, demo.OfferBooks, faults);
        return request is null ? FaultResults.Unprocessable(faults) : FaultResults.Answer(Coster.Cost(request.Candidate, request.Books, request.Settings, faults).As(CostingWriter.Write));
    }
}
