using HomeStart.Formats.Domains;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;
using HomeStart.Web.Upkeep;

namespace HomeStart.Web.Domains;

/// <summary>
/// What is known of a domain that somebody has: from the order it came with, the registry's record, or as the next best
/// guess.
/// </summary>
public sealed class OwnedDesk(Workspace workspace, NamesHad names, IRegistrar registrar)
{
    public async Task<OwnedRecordWire> RecordAsync(DomainName domain, CancellationToken cancel)
    {
        var asking = registrar.LookUpAsync(workspace.World, domain, cancel);
        var had = (await names.WiresAsync(cancel)).FirstOrDefault(had => had.Domain == domain.Text);
        return OwnedRecordWire.From(domain, await asking, had);
    }

    /// <summary>
    /// The domain with what was not typed filled in, and where that is from; null with what nobody knows in
    /// <paramref name="faults"/>.
    /// </summary>
    /// <param name="book">Where it could be moved to: its price is taken where nothing else is known.</param>
    public async Task<(DomainChoice LoadedTenure, OwnedSource ExpiresFrom, OwnedSource RenewalFrom)?> FilledAsync(
        DomainChoice keep,
        string book,
        CountSettings settings,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var (kept, expiresFrom, renewalFrom) = (keep, OwnedSource.Typed, OwnedSource.Typed);
        if (keep.Expires is not null && keep.Renewal is not null)
        {
            return (kept, expiresFrom, renewalFrom);
        }

        var had = (await names.ListAsync(cancel)).FirstOrDefault(had => had.Name.Domain == keep.Domain)?.Name.Choice();
        if (kept.Expires is null)
        {
            (kept, expiresFrom) = had is not null
                ? (kept with { Expires = had.Expires }, OwnedSource.Order)
                : (
                    kept with
                    {
                        Expires = (await registrar.LookUpAsync(workspace.World, keep.Domain!, cancel))?.Expires,
                    },
                    OwnedSource.Registry
                );
        }

        if (kept.Renewal is null)
        {
            (kept, renewalFrom) = had?.Renewal is not null
                ? (kept with { Renewal = had.Renewal, Currency = had.Currency }, OwnedSource.Order)
                : (Assumed(kept, book, settings), OwnedSource.Assumed);
        }

        if (kept.Expires is null)
        {
            faults.Say(
                FaultCodes.Required,
                "expires",
                "The registry does not say until when it is paid: type the date. It stands in its present "
                    + "seller’s mails and in your account there."
            );
        }

        if (kept.Renewal is null)
        {
            faults.Say(
                FaultCodes.Required,
                "renewal",
                "Nobody here sells this ending, so its price is not known: type what its present seller "
                    + "charges for a year."
            );
        }

        return faults.Any ? null : (kept, expiresFrom, renewalFrom);
    }

    private DomainChoice Assumed(DomainChoice kept, string book, CountSettings settings) =>
        OwnedName.UsualRenewal(workspace.Books.FirstOrDefault(known => known.Id == book), kept.Ending!, settings)
            is { } usual
        && ExactDecimal.TryParse(usual.ToAmount(), out var exact)
            ? kept with
            {
                Renewal = exact,
                Currency = usual.Currency,
            }
            : kept;
}
