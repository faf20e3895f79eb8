using HomeStart.Formats.Sites;

namespace HomeStart.Web.Startup;

/// <summary>
/// Faults as RFC 9457 has them: 422 with all of them at once, or the first of very many and how many more there are.
/// </summary>
internal static class FaultResults
{
    /// <summary>200 with the value, or 422 with what bars it.</summary>
    public static IResult Answer<T>(Result<T> result)
        where T : class => result.Has(out var value) ? Results.Ok(value) : Unprocessable(result.Faults);

    public static IReadOnlyList<FaultWire> Wires(FaultList faults) =>
        [.. faults.Faults.Select(fault => FaultWire.From(fault))];

    public static IResult Unprocessable(FaultList faults) =>
        Results.Problem(
            title: "Something is missing or not right: see what is listed.",
            detail: faults.More == 0
                ? null
                : $"{faults.Count} things are wrong; the first {FaultList.MostListed} are listed.",
            statusCode: StatusCodes.Status422UnprocessableEntity,
            extensions: new Dictionary<string, object?> { ["errors"] = Wires(faults), ["more"] = faults.More }
        );
}
