using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Online;

/// <summary>
/// Uploads: what is to come is said first and checked, then come the bytes in pieces, each with the place it begins at,
/// so that a lost connection or a restart costs one piece; last the whole is
/// put up. Nothing is seen before that.
/// </summary>
internal static class UploadEndpoints
{
    /// <summary>The largest piece, in bytes.</summary>
    public const int LargestPiece = 8 << 20;

    public static void MapUploads(this IEndpointRouteBuilder order)
    {
        var uploads = order.MapGroup("/uploads");
        uploads
            .MapGet("", ListAsync)
            .WithName("getUploads")
            .Produces<IReadOnlyList<UploadWire>>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        Problems(uploads.MapPost("", StartAsync).WithName("startUpload").Produces<UploadWire>());
        Problems(
                uploads
                    .MapPut("/{uploadId:guid}/files/{index:int}", PutAsync)
                    .WithName("sendPiece")
                    .Produces<PieceWire>()
            )
            .ProducesProblem(StatusCodes.Status409Conflict)
            .WithMetadata(new RequestSizeLimitAttribute(LargestPiece));
        Problems(
            uploads
                .MapPost("/{uploadId:guid}/put-up", PutUpAsync)
                .WithName("putUp")
                .Produces<PutUpLine>(StatusCodes.Status200OK, LineAnswer.ContentType)
        );
        uploads
            .MapDelete("/{uploadId:guid}", DropAsync)
            .WithName("dropUpload")
            .Produces(StatusCodes.Status204NoContent)
            .ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static RouteHandlerBuilder Problems(RouteHandlerBuilder route) =>
        route
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable);

    private static IResult Missing() =>
        Results.Problem(
            "There is no such upload here: it was put up, given up, or left for a week.",
            statusCode: StatusCodes.Status404NotFound
        );

    private static async Task<IResult> ListAsync(
        Guid orderId,
        OnlineDesk desk,
        UploadDesk uploads,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is null
            ? OnlineDesk.Missing()
            : Results.Ok(await uploads.ListAsync(orderId, cancel));

    private static async Task<IResult> StartAsync(
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
            ? FaultResults.Unprocessable(faults)
            : Results.Ok(await uploads.StartAsync(orderId, plan, cancel));
    }

    private static async Task<IResult> PutAsync(
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
        return isTaken
            ? Results.Ok(new PieceWire(has))
            : Results.Problem(
                $"This piece begins at {from ?? 0}; {has} bytes are here.",
                statusCode: StatusCodes.Status409Conflict,
                extensions: new Dictionary<string, object?> { ["has"] = has }
            );
    }

    // What came is checked before anything is told; then each file, and last the whole.
    private static async Task<IResult> PutUpAsync(
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
            return FaultResults.Unprocessable(faults);
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

        return Results.Empty;
    }

    private static async Task<IResult> DropAsync(
        Guid orderId,
        Guid uploadId,
        UploadDesk uploads,
        CancellationToken cancel
    )
    {
        var isThere = await uploads.FindAsync(orderId, uploadId, cancel) is not null;
        await uploads.DropAsync(orderId, uploadId, cancel);
        return isThere ? Results.NoContent() : Missing();
    }
}
