using System.Security.Cryptography;
using System.Text;
using HomeStart.Data;
using HomeStart.Formats.Letters;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Mail;

/// <summary>
/// Where mails are put that are to be sent: saved together with what they tell of, so that none is lost and none is
/// sent of what did not happen.
/// </summary>
public sealed class Outbox(HomeStartDb db, OpenAddress open, TimeProvider time)
{
    /// <summary>Writes to the owner where a change of an order is news. The caller saves.</summary>
    /// <param name="before">Null: it was placed just now.</param>
    /// <param name="version">Of the order's row: a piece of news is written about once.</param>
    public OutboxRow? Tell(Guid workspace, OrderState? before, Order now, int version)
    {
        if (OrderNewsOf.Change(before, now.State) is not { } news)
        {
            return null;
        }

        var id = new Guid(SHA256.HashData(Encoding.UTF8.GetBytes($"{workspace:N} {now.Id:N} {version}")).AsSpan(0, 16));
        return Add(
            workspace,
            OrderLetters.Write(news, now, id, new Uri(open.For(now), $"/sites/{now.SiteId}/orders/{now.Id}"))
        );
    }

    /// <summary>Puts a mail there. The caller saves.</summary>
    public OutboxRow Add(Guid workspace, Letter letter) =>
        db
            .Outbox.Add(
                new OutboxRow
                {
                    WorkspaceId = workspace,
                    Id = letter.Id,
                    WrittenAt = time.GetUtcNow(),
                    NextAt = time.GetUtcNow().ToUnixTimeSeconds(),
                    Document = Documents.Write(letter),
                }
            )
            .Entity;
}
