using System.Text.Json;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Costings;

/// <summary>
/// A calculation of Core for anybody who posts what it takes: no sign-in, nothing stored, a turn for each.
/// </summary>
internal static class Calculation
{
    /// <param name="work">Reads the body and works it out; null, with the faults, where it cannot be read.</param>
    public static RouteHandlerBuilder MapCalculation<TBody, TAnswer>(
        this IEndpointRouteBuilder app,
        string path,
        string name,
        Func<JsonElement, Demo, FaultList, CancellationToken, Result<TAnswer>?> work
    )
        where TAnswer : class =>
        app.MapPost(path, async (JsonBody<TBody> body, Demo demo, WorkSlots turns, CancellationToken cancel) =>
            {
                using var turn = await turns.CostingAsync(cancel);
                return turn.Refusal ?? Answer(body, demo, work, cancel);
            })
            .WithName(name)
            .Produces<TAnswer>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);

    private static IResult Answer<TAnswer>(
        JsonBody body,
        Demo demo,
        Func<JsonElement, Demo, FaultList, CancellationToken, Result<TAnswer>?> work,
        CancellationToken cancel
    )
        where TAnswer : class
    {
        var faults = new FaultList();
        return work(body.Root, demo, faults, cancel) is { } result
            ? FaultResults.Answer(result)
            : FaultResults.Unprocessable(faults);
    }
}
