using System.Reflection;
using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Requests;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Online;

/// <summary>
/// Uploads: what is to come is said first and checked, then come the bytes in pieces, each with the place it begins at,
/// so that a lost connection or a restart costs one piece; last the whole is put up. Nothing is seen before that.
/// </summary>
internal static class UploadEndpoints
{
    /// <summary>The largest piece, in bytes.</summary>
    public const int LargestPiece = 8 << 20;

    public static void MapUploads(this IEndpointRouteBuilder order)
    {
        var uploads = order.MapGroup("/uploads");
        uploads.MapGet("", ListAsync).WithName("getUploads");
        uploads.MapPost("", StartAsync).WithName("startUpload");
        uploads
            .MapPut("/{uploadId:guid}/files/{index:int}", PutAsync)
            .WithName("sendPiece")
            .WithMetadata(new RequestSizeLimitAttribute(LargestPiece));
        uploads.MapPost("/{uploadId:guid}/put-up", PutUpAsync).WithName("putUp");
        uploads.MapDelete("/{uploadId:guid}", DropAsync).WithName("dropUpload");
    }

    private static NotFoundProblem Missing() =>
        new NotFoundProblem("There is no such upload here: it was put up, given up, or left for a week.");

    // Says how far the file is here, so that the sender goes on from there.
    internal sealed class OutOfPlaceProblem(long from, long has)
        : Problem(StatusCodes.Status409Conflict, $"This piece begins at {from}; {has} bytes are here."),
            IEndpointMetadataProvider
    {
        public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
            Describe(builder, StatusCodes.Status409Conflict);

        public override Task ExecuteAsync(HttpContext httpContext) =>
            TypedResults
                .Problem(Detail, statusCode: StatusCode, extensions: new Dictionary<string, object?> { ["has"] = has })
                .ExecuteAsync(httpContext);
    }

    private static async Task<Results<Ok<IReadOnlyList<UploadWire>>, NotFoundProblem>> ListAsync(
        Guid orderId,
        OnlineDesk desk,
        UploadDesk uploads,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is null
            ? OnlineDesk.Missing()
            : TypedResults.Ok(await uploads.ListAsync(orderId, cancel));

    private static async Task<Results<Ok<UploadWire>, NotFoundProblem, UnprocessableProblem>> StartAsync(
        Guid orderId,
        JsonBody<StartUploadBody> body,
        OnlineDesk desk,
        UploadDesk uploads,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        var plan = UploadReader.Read(new Node(body.Root, "", faults), hosted.Plan?.Storage);
        return faults.Any || plan is null
            ? new UnprocessableProblem(faults)
            : TypedResults.Ok(await uploads.StartAsync(orderId, plan, cancel));
    }

    private static async Task<Results<Ok<PieceWire>, NotFoundProblem, OutOfPlaceProblem>> PutAsync(
        Guid orderId,
        Guid uploadId,
        int index,
        long? from,
        HttpRequest request,
        UploadDesk uploads,
        CancellationToken cancel
    )
    {
        if (
            await uploads.FindAsync(orderId, uploadId, cancel) is not { } plan
            || index < 0
            || index >= plan.Files.Length
        )
        {
            return Missing();
        }

        var (isTaken, has) = await uploads.AppendAsync(
            uploadId,
            index,
            from ?? 0,
            plan.Files[index].Size,
            request.Body,
            cancel
        );
        return isTaken ? TypedResults.Ok(new PieceWire(has)) : new OutOfPlaceProblem(from ?? 0, has);
    }

    // What came is checked before anything is told; then each file, and last the whole.
    private static async Task<Results<LinesSent<PutUpLine>, NotFoundProblem, UnprocessableProblem>> PutUpAsync(
        Guid orderId,
        Guid uploadId,
        HttpContext http,
        OnlineDesk desk,
        UploadDesk uploads,
        Publishing publishing
    )
    {
        var cancel = http.RequestAborted;
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        if (await uploads.FindAsync(orderId, uploadId, cancel) is not { } plan)
        {
            return Missing();
        }

        var faults = new FaultList();
        using var arrived = uploads.Arrived(uploadId, plan, hosted.Plan?.Storage, faults);
        if (arrived is null || faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        var lines = new LineAnswer(http);
        var isUp = false;
        await foreach (var line in publishing.PutUpAsync(hosted, arrived, plan, cancel))
        {
            isUp |= line.Version is not null;
            await lines.WriteAsync(line);
        }

        if (isUp)
        {
            await uploads.DropAsync(orderId, uploadId, CancellationToken.None);
        }

        return new LinesSent<PutUpLine>();
    }

    private static async Task<Results<NoContent, NotFoundProblem>> DropAsync(
        Guid orderId,
        Guid uploadId,
        UploadDesk uploads,
        CancellationToken cancel
    )
    {
        var isThere = await uploads.FindAsync(orderId, uploadId, cancel) is not null;
        await uploads.DropAsync(orderId, uploadId, cancel);
        return isThere ? TypedResults.NoContent() : Missing();
    }
}
