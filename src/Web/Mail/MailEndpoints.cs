using HomeStart.Data;
using HomeStart.Formats.Letters;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;
using HomeStart.Web.Work;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Mail;

/// <summary>The mail that was sent to the owner, and what still waits to be sent.</summary>
internal static class MailEndpoints
{
    /// <param name="sends">False where the host is only described.</param>
    public static void AddMail(this IServiceCollection services, bool sends)
    {
        services.AddScoped<Outbox>().AddScoped<OwnMailbox>();
        if (sends)
        {
            services.AddSingleton<IDurableWork, MailWork>();
        }
    }

    public static void MapMail(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/mail", ListAsync).WithName("getMail");
        app.MapGet("/api/mail/{id}.eml", FileAsync).WithName("mailFile").Produces(StatusCodes.Status200OK);
    }

    private static async Task<Ok<MailWire>> ListAsync(
        OwnMailbox own,
        HomeStartDb db,
        IMailbox mailbox,
        StartOptions options,
        OpenAddress open,
        CancellationToken cancel
    )
    {
        var arrived = await mailbox.ListAsync(await own.WorldAsync(cancel), cancel);
        var rows = await db.Outbox.AsNoTracking().Where(row => row.State != OutboxState.Sent).ToListAsync(cancel);
        return TypedResults.Ok(
            new MailWire(
                arrived is null,
                [
                    .. (arrived ?? []).Select(letter =>
                        LetterWire.Write(
                            letter,
                            [open.Now, options.PublicAddress],
                            new Uri(options.CounterpartsAddress, "/pages/")
                        )
                    ),
                ],
                [
                    .. rows.OrderBy(row => row.WrittenAt)
                        .Select(row =>
                            UnsentLetterWire.From(
                                Documents.Read<Letter>(row.Document),
                                row.WrittenAt,
                                row.Tries,
                                row.State == OutboxState.Refused ? null : DateTimeOffset.FromUnixTimeSeconds(row.NextAt)
                            )
                        ),
                ]
            )
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> FileAsync(
        string id,
        OwnMailbox own,
        IMailbox mailbox,
        CancellationToken cancel
    ) =>
        await mailbox.ReadAsync(await own.WorldAsync(cancel), id, cancel) is { } raw
            ? TypedResults.File(raw, "message/rfc822", $"mail-{id[..8]}.eml")
            : new NotFoundProblem("There is no such mail here.");
}
