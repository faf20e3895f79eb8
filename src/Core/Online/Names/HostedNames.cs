using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Online;

/// <summary>What a name does at a host.</summary>
public enum NameUse
{
    /// <summary>It shows a site of its own, from a folder.</summary>
    OwnSite,

    /// <summary>It shows what the main domain shows.</summary>
    SameSite,

    /// <summary>It leads to another address.</summary>
    Forwarded,

    /// <summary>It shows that something is to come.</summary>
    Resting,

    /// <summary>It takes mail alone.</summary>
    MailOnly,
}

/// <summary>A name that a hosting account answers for.</summary>
/// <param name="Folder">For a site of its own: from which folder; the root is the empty text.</param>
/// <param name="ForwardTo">For a forwarded one: the address, with its scheme.</param>
/// <param name="KeepsPath">Whether what stands behind the name is put behind the address too.</param>
public sealed record HostedName(
    DomainName Name,
    NameUse Use,
    string Folder = "",
    string? ForwardTo = null,
    bool KeepsPath = false
);

/// <summary>All names of a hosting account, the main one first.</summary>
public sealed record HostedNames(ImmutableArray<HostedName> Names)
{
    /// <summary>The most names of an account.</summary>
    public const int Most = 100;

    private const int LongestAddress = 500;

    /// <summary>An account with its main domain alone.</summary>
    public static HostedNames ForMain(DomainName? main) =>
        new(main is null ? [] : [new HostedName(main, NameUse.OwnSite)]);

    /// <summary>Sites of their own, each folder counted once.</summary>
    public int Websites =>
        Names
            .Where(name => name.Use == NameUse.OwnSite && !IsPart(name))
            .Select(name => name.Folder)
            .Distinct(StringComparer.Ordinal)
            .Count();

    /// <summary>Names that are a part before another one.</summary>
    public int Subdomains => Names.Count(IsPart);

    /// <summary>Who answers for a name, with or without <c>www</c> before it; null: nobody here.</summary>
    public HostedName? Answering(string host) =>
        Named(host) ?? (host.StartsWith("www.", StringComparison.Ordinal) ? Named(host[4..]) : null);

    /// <summary>What a name shows: for one that shows the main domain's site, that folder.</summary>
    public string FolderOf(HostedName name) => name.Use == NameUse.SameSite ? Names[0].Folder : name.Folder;

    /// <summary>
    /// For each of these domains that a name belongs to: the owners of the records that its names need, mail alone
    /// needing none.
    /// </summary>
    public IEnumerable<(DomainName Domain, ImmutableArray<string> Owners)> OwnersIn(
        IReadOnlyCollection<DomainName> domains
    ) =>
        Names
            .Where(name => name.Use != NameUse.MailOnly)
            .Select(name =>
                (name.Name, Domain: domains.FirstOrDefault(domain => domain == name.Name || IsUnder(name.Name, domain)))
            )
            .Where(name => name.Domain is not null)
            .GroupBy(
                name => name.Domain!,
                (domain, names) =>
                    (
                        domain,
                        (ImmutableArray<string>)
                            [
                                .. names.Select(name =>
                                    name.Name == domain ? "@" : name.Name.Text[..^(domain.Text.Length + 1)]
                                ),
                            ]
                    )
            );

    /// <summary>Reports all that is wrong.</summary>
    /// <param name="owned">The domains that were had or are kept by this owner: only they, and parts before them, can
    /// be hosted.</param>
    /// <param name="websites">How many sites the plan allows; null: without a limit or not known.</param>
    public void Check(IReadOnlyCollection<DomainName> owned, int? websites, int? subdomains, FaultList faults)
    {
        if (Names.Length > Most)
        {
            faults.Add(FaultCodes.OutOfRange, "names", new TooManyRecords(Most, Names.Length));
            return;
        }

        if (websites is { } sites && Websites > sites)
        {
            faults.Add(FaultCodes.OutOfRange, "names", new PlanUsedUp(PlanLimit.Websites, Websites, sites));
        }

        if (subdomains is { } parts && Subdomains > parts)
        {
            faults.Add(FaultCodes.OutOfRange, "names", new PlanUsedUp(PlanLimit.Subdomains, Subdomains, parts));
        }

        foreach (var (at, name) in Names.Index())
        {
            if (FlawOf(name, at, owned) is { } flaw)
            {
                faults.Add(FaultCodes.BadType, $"names[{at}]", new HostedNameFlawed(flaw, name.Name.Text));
            }
        }
    }

    private HostedNameFlaw? FlawOf(HostedName name, int at, IReadOnlyCollection<DomainName> owned) =>
        Names.Take(at).Any(other => other.Name == name.Name) ? HostedNameFlaw.Twice
        : !owned.Any(domain => domain == name.Name || IsUnder(name.Name, domain)) ? HostedNameFlaw.NotOwned
        : at == 0 && name.Use == NameUse.SameSite ? HostedNameFlaw.MainIsSame
        : name.Use == NameUse.OwnSite
        && name.Folder.Length > 0
        && (FileRules.PathFlaw(name.Folder) is not null || name.Folder.Length > 100)
            ? HostedNameFlaw.Folder
        : name.Use != NameUse.Forwarded ? null
        : !IsAddress(name.ForwardTo) ? HostedNameFlaw.Address
        : Loops(name) ? HostedNameFlaw.Loop
        : null;

    // Following what is forwarded here, one comes back to where one began.
    private bool Loops(HostedName from)
    {
        var next = from;
        for (var step = 0; step <= Names.Length; step++)
        {
            if (
                next is not { Use: NameUse.Forwarded }
                || HostOf(next.ForwardTo) is not { } host
                || Answering(host) is not { } there
            )
            {
                return false;
            }

            if (there == from)
            {
                return true;
            }

            next = there;
        }

        return true;
    }

    private HostedName? Named(string host) => Names.FirstOrDefault(name => name.Name.Text == host);

    private bool IsPart(HostedName name) => Names.Any(other => other != name && IsUnder(name.Name, other.Name));

    private static bool IsUnder(DomainName name, DomainName domain) =>
        name.Text.EndsWith("." + domain, StringComparison.Ordinal);

    private static bool IsAddress(string? text) =>
        text is { Length: <= LongestAddress }
        && HostOf(text) is not null
        && text.All(letter => letter is > ' ' and <= '~' and not ('"' or '<' or '>' or '\\'));

    private static string? HostOf(string? address) =>
        address is not null
        && Uri.TryCreate(address, UriKind.Absolute, out var uri)
        && uri.Scheme is "http" or "https"
        && uri.UserInfo.Length == 0
        && DomainName.Parse(uri.Host) is { } host
            ? host.Text
            : null;
}

/// <summary>What is wrong with a name that was to be hosted.</summary>
public enum HostedNameFlaw
{
    /// <summary>It is there already.</summary>
    Twice,

    /// <summary>It belongs neither to this owner's domains nor is it a part before one.</summary>
    NotOwned,

    /// <summary>The main domain cannot show its own site as another's.</summary>
    MainIsSame,

    /// <summary>No name of a folder.</summary>
    Folder,

    /// <summary>No address to forward to, with http:// or https:// before it.</summary>
    Address,

    /// <summary>It would lead back to itself.</summary>
    Loop,
}
