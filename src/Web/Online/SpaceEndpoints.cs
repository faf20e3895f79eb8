using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Online;

/// <summary>The files of a web space: listed, renamed, removed, and the version before put back.</summary>
internal static class SpaceEndpoints
{
    public static void MapFiles(this IEndpointRouteBuilder order)
    {
        var files = order.MapGroup("/files");
        files
            .MapGet("", GetAsync)
            .WithName("getFiles")
            .Produces<WebSpaceWire>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable);
        Changes(files.MapPost("/rename", RenameAsync).WithName("renameFile"));
        Changes(files.MapPost("/remove", RemoveAsync).WithName("removeFile"));
        Changes(files.MapPost("/back", BackAsync).WithName("putFilesBack"));
    }

    private static void Changes(RouteHandlerBuilder route) =>
        route
            .Produces<WebSpaceWire>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
            .ProducesProblem(StatusCodes.Status507InsufficientStorage);

    private static async Task<IResult> GetAsync(Guid orderId, OnlineDesk desk, CancellationToken cancel) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is var (version, space)
            ? Results.Ok(WebSpaceWire.From(version, space, hosted.Plan?.Storage))
        : OnlineDesk.Silent(hosted);

    private static Task<IResult> RenameAsync(
        Guid orderId,
        JsonBody<RenameFileBody> body,
        OnlineDesk desk,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            orderId,
            body,
            desk,
            (node, space, faults) =>
                node["path"].RequiredText("Which file") is { } path && node["to"].RequiredText("The new name") is { } to
                    ? space.Renamed(path, to.Trim().Trim('/'), faults)
                    : null,
            cancel
        );

    private static Task<IResult> RemoveAsync(
        Guid orderId,
        JsonBody<RemoveFileBody> body,
        OnlineDesk desk,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            orderId,
            body,
            desk,
            (node, space, faults) =>
                node["path"].RequiredText("Which file") is { } path ? space.Without(path, faults) : null,
            cancel
        );

    private static async Task<IResult> BackAsync(
        Guid orderId,
        JsonBody<SeenBody> body,
        OnlineDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var seen = new Node(body.Root, "", faults)["version"].Whole() ?? 0;
        if (faults.Any)
        {
            return FaultResults.Unprocessable(faults);
        }

        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        return
            seen > 0
            && await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel, seen - 1) is var (_, before)
            ? await StoreAsync(desk, hosted, seen, before, cancel)
            : Results.Problem("There is no version before this one.", statusCode: StatusCodes.Status409Conflict);
    }

    private static async Task<IResult> ChangeAsync(
        Guid orderId,
        JsonBody body,
        OnlineDesk desk,
        Func<Node, WebSpace, FaultList, WebSpace?> change,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        if (await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (version, space))
        {
            return OnlineDesk.Silent(hosted);
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        node.IsObject();
        var (seen, changed) = (node["version"].Whole() ?? version, change(node, space, faults));
        return changed is null || faults.Any
            ? FaultResults.Unprocessable(faults)
            : await StoreAsync(desk, hosted, seen, changed, cancel);
    }

    private static async Task<IResult> StoreAsync(
        OnlineDesk desk,
        Hosted hosted,
        int seen,
        WebSpace space,
        CancellationToken cancel
    )
    {
        var answer = await desk.WriteAsync(hosted, PanelKinds.Space, seen, PanelDocuments.Write(space), cancel);
        return answer.State == PanelState.Done
            ? Results.Ok(WebSpaceWire.From(answer.Version, space, hosted.Plan?.Storage))
            : OnlineDesk.Explain(answer, hosted);
    }
}
