using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Sharing;

/// <param name="What">"worksheet", "comparison" or "key-sheet".</param>
/// <param name="Of">The site, or the order of a key sheet.</param>
/// <param name="Letter">The candidate of a worksheet.</param>
public sealed record ShareBody(string What, Guid Of, string? Letter);

/// <param name="Address">Null where it can be read no more.</param>
/// <param name="Until">The day it can be read until, or could.</param>
public sealed record ShareWire(
    Guid Id,
    string What,
    string? Letter,
    string? Address,
    DateOnly Until,
    IReadOnlyList<ShareNoteWire> Notes
);

/// <param name="By">Who wrote it; empty: they did not say.</param>
public sealed record ShareNoteWire(string Line, string By, string Text, DateTimeOffset At);

/// <summary>The owner's side of links that let somebody read one page.</summary>
internal static class SharesEndpoints
{
    public static void MapShares(this IEndpointRouteBuilder app)
    {
        var shares = app.MapGroup("/api/shares");
        shares.MapGet("", ListAsync).WithName("shares");
        shares.MapPost("", MakeAsync).WithName("share");
        shares.MapDelete("/{id:guid}", WithdrawAsync).WithName("withdrawShare");
    }

    private static async Task<Ok<IEnumerable<ShareWire>>> ListAsync(
        Guid of,
        ShareDesk desk,
        OpenAddress open,
        TimeProvider time,
        CancellationToken cancel
    ) => TypedResults.Ok((await desk.ListAsync(of, cancel)).Select(link => Wire(link.Link, link.Notes, open, time)));

    private static async Task<Results<Ok<ShareWire>, NotFoundProblem, UnprocessableProblem>> MakeAsync(
        JsonBody<ShareBody> body,
        ShareDesk desk,
        OpenAddress open,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        if (!node.IsObject())
        {
            return new UnprocessableProblem(faults);
        }

        var what = node["what"].RequiredText("What is shown");
        var of = node["of"].RequiredText("The site or order");
        var letter = node["letter"].IsAbsent ? null : node["letter"].Text();
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        var made = Guid.TryParse(of, out var subject)
            ? await desk.MakeAsync(what!, subject, letter, faults, cancel)
            : null;
        return faults.Any ? new UnprocessableProblem(faults)
            : made is null ? Missing()
            : TypedResults.Ok(Wire(made, [], open, time));
    }

    private static async Task<Results<NoContent, NotFoundProblem>> WithdrawAsync(
        Guid id,
        ShareDesk desk,
        CancellationToken cancel
    ) => await desk.WithdrawAsync(id, cancel) ? TypedResults.NoContent() : Missing();

    private static ShareWire Wire(
        SharedRow link,
        IReadOnlyList<SharedNoteRow> notes,
        OpenAddress open,
        TimeProvider time
    ) =>
        new(
            link.Id,
            link.What,
            link.Letter,
            link.Until > time.GetUtcNow().ToUnixTimeSeconds()
                ? new Uri(open.Now, $"/shared/{link.Secret}").ToString()
                : null,
            DateOnly.FromDateTime(DateTimeOffset.FromUnixTimeSeconds(link.Until).UtcDateTime),
            [.. notes.Select(note => new ShareNoteWire(note.Line, note.By, note.Text, note.At))]
        );

    private static NotFoundProblem Missing() => new NotFoundProblem("There is no such page to show here.");
}
