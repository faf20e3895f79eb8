using System.Text.Json;
using HomeStart.Core;
using HomeStart.Formats;
using HomeStart.Web.Hosting;

namespace HomeStart.Web.Costings;

/// <summary>Costing a candidate for anybody: no sign-in, nothing stored.</summary>
internal static class CostingsEndpoints
{
    public static void MapCostings(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/costings", Cost)
            .WithName("costCandidate")
            .Produces<CostingWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static IResult Cost(JsonElement body, Demo demo)
    {
        var faults = new FaultList();
        var request = CostingRequestReader.Read(body, demo.OfferBooks, faults);
        var costing = request is null ? null : Coster.Cost(request.Candidate, request.Books, request.Settings, faults);
        return costing is null || faults.Any ? FaultResults.Unprocessable(faults) : Results.Ok(CostingWriter.Write(costing));
    }
}
