using HomeStart.Formats.Online;
using HomeStart.Web.Domains;

namespace HomeStart.Web.Online;

/// <summary>Mail addresses at the own domains, and whether mail to them arrives.</summary>
internal sealed class MailDesk(
    NameUses uses,
    IHostingCompany hosts,
    NameServerDesk nameServers,
    IPostOffice postOffice,
    IMailbox mailbox
)
{
    private static readonly TimeSpan LookEvery = TimeSpan.FromMilliseconds(200);
    private const int Looks = 10;

    /// <summary>The domains that addresses of a hosting can be at.</summary>
    public async Task<IReadOnlyCollection<DomainName>> DomainsAsync(Hosted hosted, CancellationToken cancel) =>
        [
            .. (hosted.Domain is { } main ? new[] { main } : [])
                .Concat(
                    await uses.FindAsync(hosted, cancel) is var (_, names) ? names.Names.Select(name => name.Name) : []
                )
                .Distinct(),
        ];

    public async Task<MailboxesWire> WireAsync(Hosted hosted, int version, MailSetUp mail, CancellationToken cancel)
    {
        var (domains, entry) = (
            await DomainsAsync(hosted, cancel),
            await hosts.EntryAsync(hosted.World, hosted.Hosting.Book, cancel)
        );
        var servers = hosted.Domain is { } domain ? await nameServers.MailOfAsync(hosted.World, domain, cancel) : [];
        return MailboxesWire.From(
            version,
            mail,
            domains,
            hosted.Plan?.Use(PlanLimit.Mailboxes, mail.Boxes.Length),
            hosted.Plan?.Book.Currency,
            servers is null ? null : entry?.TakesMailOf(servers)
        );
    }

    /// <summary>Sends a mail, and looks whether and where it arrives.</summary>
    public async Task<TestMailWire> TestAsync(Hosted hosted, string to, CancellationToken cancel)
    {
        var letter = new Letter(
            Guid.NewGuid(),
            to,
            $"A test of {to}",
            "This mail was sent to see whether it arrives. It did.",
            "<p>This mail was sent to see whether it arrives. It did.</p>"
        );
        var outcome = await postOffice.SendAsync(hosted.World, letter, cancel);
        if (outcome.State != OutcomeState.Done)
        {
            return new TestMailWire(
                null,
                outcome.State == OutcomeState.Refused
                    ? $"The mail server refused it: nobody takes mail for {to} yet."
                    : "The mail server does not answer. Try again in a while."
            );
        }

        for (var look = 0; look < Looks; look++)
        {
            if (
                (await mailbox.ListAsync(hosted.World, cancel))?.FirstOrDefault(arrived =>
                    arrived.Subject == letter.Subject && arrived.MessageId == letter.Id
                ) is
                { } arrived
            )
            {
                return new TestMailWire(
                    arrived.DeliveredTo ?? arrived.To,
                    arrived.DeliveredTo is { } box
                        ? $"It arrived in {box}."
                        : "It was passed on to where mail for "
                            + $"{to[(to.IndexOf('@', StringComparison.Ordinal) + 1)..]} goes, which is not this host."
                );
            }

            await Task.Delay(LookEvery, cancel);
        }

        return new TestMailWire(null, "It was taken, and has not arrived yet. Look on the Mail page in a while.");
    }
}
