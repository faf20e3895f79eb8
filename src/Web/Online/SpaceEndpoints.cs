using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Online;

/// <summary>The files of a web space: listed, renamed, removed, and the version before put back.</summary>
internal static class SpaceEndpoints
{
    public static void MapFiles(this IEndpointRouteBuilder order)
    {
        var files = order.MapGroup("/files");
        files.MapGet("", GetAsync).WithName("getFiles");
        files.MapPost("/rename", RenameAsync).WithName("renameFile");
        files.MapPost("/remove", RemoveAsync).WithName("removeFile");
        files.MapPost("/back", BackAsync).WithName("putFilesBack");
    }

    private static async Task<Results<Ok<WebSpaceWire>, NotFoundProblem, SilentProblem>> GetAsync(
        Guid orderId,
        OnlineDesk desk,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is var (version, space)
            ? TypedResults.Ok(WebSpaceWire.From(version, space, hosted.Plan?.Storage))
        : OnlineDesk.Silent(hosted);

    private static Task<
        Results<Ok<WebSpaceWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > RenameAsync(Guid orderId, JsonBody<RenameFileBody> body, OnlineDesk desk, CancellationToken cancel) =>
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

    private static Task<
        Results<Ok<WebSpaceWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > RemoveAsync(Guid orderId, JsonBody<RemoveFileBody> body, OnlineDesk desk, CancellationToken cancel) =>
        ChangeAsync(
            orderId,
            body,
            desk,
            (node, space, faults) =>
                node["path"].RequiredText("Which file") is { } path ? space.Without(path, faults) : null,
            cancel
        );

    private static async Task<
        Results<Ok<WebSpaceWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > BackAsync(Guid orderId, JsonBody<SeenBody> body, OnlineDesk desk, CancellationToken cancel)
    {
        var faults = new FaultList();
        var seen = new Node(body.Root, "", faults)["version"].Whole() ?? 0;
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        return
            seen > 0
            && await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel, seen - 1) is var (_, before)
            ? await StoreAsync(desk, hosted, seen, before, cancel)
            : OnlineDesk.NoneBefore();
    }

    private static async Task<
        Results<Ok<WebSpaceWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > ChangeAsync(
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
            ? new UnprocessableProblem(faults)
            : await StoreAsync(desk, hosted, seen, changed, cancel);
    }

    private static async Task<
        Results<Ok<WebSpaceWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > StoreAsync(OnlineDesk desk, Hosted hosted, int seen, WebSpace space, CancellationToken cancel)
    {
        var answer = await desk.WriteAsync(hosted, PanelKinds.Space, seen, PanelDocuments.Write(space), cancel);
        return answer.State == PanelState.Done
            ? TypedResults.Ok(WebSpaceWire.From(answer.Version, space, hosted.Plan?.Storage))
            : OnlineDesk.Explain(answer, hosted);
    }
}
