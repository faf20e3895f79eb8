using HomeStart.Formats.Domains;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Domains;

/// <summary>Reading a name for anybody: no sign-in, nothing stored, nothing looked up.</summary>
internal static class NamesEndpoints
{
    public static void MapNames(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/names/read", Read).WithName("readName");
        app.MapPost("/api/names/ideas", Ideas).WithName("findNameIdeas");
    }

    private static Results<Ok<IEnumerable<ReadNameWire>>, UnprocessableProblem> Ideas(JsonBody<NameIdeasBody> body)
    {
        var faults = new FaultList();
        return ReadNameReader.ReadIdeas(body.Root, faults) is { } ideas
            ? TypedResults.Ok(ideas.Select(idea => ReadNameWire.From(idea.Name)))
            : new UnprocessableProblem(faults);
    }

    private static Results<Ok<ReadNameWire>, UnprocessableProblem> Read(JsonBody<ReadNameBody> body)
    {
        var faults = new FaultList();
        return ReadNameReader.Read(body.Root, faults) is { } name
            ? TypedResults.Ok(ReadNameWire.From(name))
            : new UnprocessableProblem(faults);
    }
}
