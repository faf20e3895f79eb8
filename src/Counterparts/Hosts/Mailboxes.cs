using HomeStart.Formats.Dns;
using HomeStart.Formats.Online;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>
/// Where mail to an address ends up: for a domain whose mail comes in at a host here, in the boxes that its owner set
/// up.
/// </summary>
internal sealed class Mailboxes(CounterpartsDb db, Zones zones, WebServers servers, PanelDesk panel)
{
    /// <summary>
    /// Whether somebody takes it, and the box it is put into; null: it is filed as it came, being none of ours.
    /// </summary>
    public async Task<(bool IsTaken, string? Box)> FindAsync(string world, string address, CancellationToken cancel)
    {
        var domain = address[(address.LastIndexOf('@') + 1)..].ToLowerInvariant();
        var exchange =
            DomainName.Parse(domain) is null || await zones.KindAsync(world, domain, cancel) is null
                ? null
                : (await zones.AuthoritativeAsync(world, DnsMessage.Ask(domain, DnsType.Mx), cancel))
                    .Answers.Where(record => record.Type == DnsType.Mx)
                    .MinBy(record => record.Preference)
                    ?.Data;
        if (exchange?.Split('.') is not ["mail", var book, "example", "net"])
        {
            return (true, null);
        }

        var account =
            await servers.AccountAsync(world, domain, cancel) is var (row, _, _) && row.Book == book
                ? row
                : await db
                    .Accounts.AsNoTracking()
                    .FirstOrDefaultAsync(row => row.World == world && row.Book == book && !row.IsRemoved, cancel);
        var box =
            account is not null
            && await panel.FindAsync(world, account.Id, PanelKinds.Mail, null, cancel) is var (_, content)
                ? PanelDocuments.Mail(content)?.Delivers(address)
                : null;
        return (box is not null, box);
    }
}
