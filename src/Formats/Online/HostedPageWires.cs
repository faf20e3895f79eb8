using HomeStart.Formats.Words;

namespace HomeStart.Formats.Online;

/// <summary>How much of a plan is used up.</summary>
/// <param name="Allowed">Null: without a limit, or <paramref name="IsStated"/> is false.</param>
/// <param name="More">The plan that would allow more; null: there is none at this seller.</param>
public sealed record PlanUseWire(int Used, int? Allowed, bool IsStated, bool HasRoom, MorePlanWire? More)
{
    public static PlanUseWire? From(PlanUse? use, Currency? currency) =>
        use is null
            ? null
            : new(
                use.Used,
                use.Allowed,
                use.IsStated,
                use.HasRoom,
                use.More is { } more && currency is not null
                    ? new MorePlanWire(
                        more.Name,
                        more.Allowed,
                        new Money(more.DearerPerMonth, currency).ToAmount(),
                        currency.Code
                    )
                    : null
            );
}

/// <param name="Allowed">Null: without a limit.</param>
/// <param name="DearerPerMonth">At the later prices, in <paramref name="Currency"/>; below zero: cheaper.</param>
public sealed record MorePlanWire(string Name, int? Allowed, string DearerPerMonth, string Currency);

/// <summary>The names of a hosting account.</summary>
/// <param name="Owned">The domains that can be hosted, or have parts before them.</param>
/// <param name="Sites">What each name answers with right now, as an HTTP status; null: no answer.</param>
public sealed record HostedNamesWire(
    int Version,
    IReadOnlyList<HostedNameWire> Names,
    IReadOnlyList<string> Owned,
    PlanUseWire? Websites,
    PlanUseWire? Subdomains,
    IReadOnlyList<NameStandsWire> Sites
);

/// <param name="Status">As an HTTP status; 421: the host's server does not know the name; null: no answer.</param>
/// <param name="LeadsHere">Whether its records lead to the host; null: nobody could say.</param>
/// <param name="Address">Where it is seen.</param>
public sealed record NameStandsWire(string Name, int? Status, bool? LeadsHere, string Address);

/// <summary>The mail addresses of a hosting account.</summary>
/// <param name="Domains">Those that addresses can be at.</param>
/// <param name="MailHere">Whether mail for the main domain comes in at this host; null: nobody could say.</param>
public sealed record MailboxesWire(
    int Version,
    IReadOnlyList<string> Boxes,
    IReadOnlyList<MailForwardWire> Forwards,
    string? CatchAll,
    IReadOnlyList<string> Domains,
    PlanUseWire? Use,
    bool? MailHere
)
{
    public static MailboxesWire From(
        int version,
        MailSetUp mail,
        IReadOnlyCollection<DomainName> domains,
        PlanUse? use,
        Currency? currency,
        bool? mailHere
    )
    {
        var wire = MailSetUpWire.From(mail);
        return new(
            version,
            wire.Boxes,
            wire.Forwards,
            wire.CatchAll,
            [.. domains.Select(domain => domain.Text)],
            PlanUseWire.From(use, currency),
            mailHere
        );
    }
}

/// <summary>A mail that is sent to see whether it arrives.</summary>
public sealed record TestMailBody(string To);

/// <summary>What came of a test mail.</summary>
/// <param name="ArrivedIn">The box it was put into; null: it did not arrive.</param>
/// <param name="Said">A sentence.</param>
public sealed record TestMailWire(string? ArrivedIn, string Said);

/// <summary>What engines the host offers, and which are set up.</summary>
public sealed record EnginesWire(IReadOnlyList<EngineOfferWire> Offers, IReadOnlyList<InstalledEngineWire> Installed)
{
    public static EnginesWire From(
        IReadOnlyList<EngineOffer> offers,
        IReadOnlyList<InstalledEngine> installed,
        int? databases,
        string? site
    ) =>
        new(
            [
                .. offers.Select(offer => new EngineOfferWire(
                    offer.Id,
                    offer.Name,
                    offer.Version,
                    offer.For,
                    offer.Databases,
                    offer.StorageMegabytes,
                    EngineRules.LacksDatabase(offer, offers, installed, databases)
                        ? OnlineWords.Sentence(EngineFlaw.NoDatabase)
                        : null
                )),
            ],
            [
                .. installed.Select(engine => new InstalledEngineWire(
                    engine.Engine,
                    engine.Name,
                    engine.Version,
                    engine.Folder,
                    engine.Title,
                    engine.User,
                    engine.IsReady,
                    offers
                        .FirstOrDefault(offer => offer.Id == engine.Engine && offer.Version != engine.Version)
                        ?.Version,
                    site is null ? null : $"{site}{(engine.Folder.Length > 0 ? engine.Folder + "/" : "")}"
                )),
            ]
        );
}

/// <param name="Lacks">What the plan lacks for it; null: nothing.</param>
public sealed record EngineOfferWire(
    string Id,
    string Name,
    string Version,
    string For,
    int Databases,
    int StorageMegabytes,
    string? Lacks
);

/// <param name="NewVersion">What it can be brought up to; null: it is the newest.</param>
/// <param name="Address">Where it is seen; its log-in is at <c>log-in/</c> behind it.</param>
public sealed record InstalledEngineWire(
    string Engine,
    string Name,
    string Version,
    string Folder,
    string Title,
    string User,
    bool IsReady,
    string? NewVersion,
    string? Address
);

/// <summary>An engine to be set up.</summary>
/// <param name="Password">Null: one is made, and shown once.</param>
public sealed record SetUpEngineBody(
    string Engine,
    string Folder,
    string Title,
    string User,
    string Mail,
    string? Password,
    bool MayReplace
);

/// <summary>An engine that stands, by its folder.</summary>
public sealed record EngineFolderBody(string Folder);

/// <summary>How far setting up has come.</summary>
/// <param name="Step">The step that is done, as a word.</param>
/// <param name="Password">At the end, where one was made: it is shown this once.</param>
/// <param name="Problem">Why it stopped; going on begins with the step that failed.</param>
public sealed record EngineLine(string? Step, int Done, int Steps, string? Password, string? Problem);
