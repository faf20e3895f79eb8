using HomeStart.Formats;

namespace HomeStart.Web.Hosting;

/// <summary>Faults as RFC 9457 has them: 422 with all of them at once, or the first of very many and how many more there are.</summary>
internal static class FaultResults
{
    public static IResult Unprocessable(FaultList faults) =>
        Results.Problem(
            title: "This cannot be done as it is.",
            detail: faults.More == 0 ? null : $"{faults.Count} things are wrong; the first {FaultList.MostListed} are listed.",
            statusCode: StatusCodes.Status422UnprocessableEntity,
            extensions: new Dictionary<string, object?>
            {
                ["errors"] = faults.Faults.Select(fault => new FaultWire(fault.Code, fault.Where, fault.Message)).ToList(),
                ["more"] = faults.More,
            });
}
