using HomeStart.Formats.Domains;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Domains;

/// <summary>Reading a name for anybody: no sign-in, nothing stored, nothing looked up.</summary>
internal static class NamesEndpoints
{
    public static void MapNames(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/names/read", Read)
            .WithName("readName")
            .Produces<ReadNameWire>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/names/ideas", Ideas)
            .WithName("findNameIdeas")
            .Produces<IReadOnlyList<ReadNameWire>>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static IResult Ideas(JsonBody<NameIdeasBody> body)
    {
        var faults = new FaultList();
        return ReadNameReader.ReadIdeas(body.Root, faults) is { } ideas
            ? Results.Ok(ideas.Select(idea => ReadNameWire.From(idea.Name)))
            : FaultResults.Unprocessable(faults);
    }

    private static IResult Read(JsonBody<ReadNameBody> body)
    {
        var faults = new FaultList();
        return ReadNameReader.Read(body.Root, faults) is { } name
            ? Results.Ok(ReadNameWire.From(name))
            : FaultResults.Unprocessable(faults);
    }
}
