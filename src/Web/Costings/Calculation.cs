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
        app.MapPost(
                path,
                async Task<Results<Ok<TAnswer>, UnprocessableProblem, TooManyProblem>> (
                    JsonBody<TBody> body,
                    Demo demo,
                    WorkSlots turns,
                    CancellationToken cancel
                ) =>
                {
                    using var turn = await turns.CostingAsync(cancel);
                    if (turn.Refusal is { } refusal)
                    {
                        return refusal;
                    }

                    var faults = new FaultList();
                    var result = work(body.Root, demo, faults, cancel) ?? Result.From<TAnswer>(null, faults);
                    return result.Has(out var answer)
                        ? TypedResults.Ok(answer)
                        : new UnprocessableProblem(result.Faults);
                }
            )
            .WithName(name);
}
