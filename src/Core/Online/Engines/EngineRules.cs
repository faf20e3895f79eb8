using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Online;

/// <summary>A site engine that a host offers.</summary>
/// <param name="For">What it is for, in the host's words.</param>
public sealed record EngineOffer(
    string Id,
    string Name,
    string Version,
    string For,
    int Databases,
    int StorageMegabytes
);

/// <summary>How an engine is to be set up. The password is handed in with it and kept nowhere here.</summary>
/// <param name="Folder">Where; the root is the empty text.</param>
public sealed record EngineWish(string Engine, string Folder, string Title, string User, string Mail, bool MayReplace);

/// <summary>An engine that stands in a web space.</summary>
/// <param name="Step">How many of <see cref="EngineSteps.All"/> are done.</param>
public sealed record InstalledEngine(
    string Engine,
    string Name,
    string Version,
    string Folder,
    string Title,
    string User,
    int Step
)
{
    /// <summary>The files that are its own: they, and nothing else, go when it is removed.</summary>
    public ImmutableArray<SiteFile> Files { get; init; } = [];

    /// <summary>Whether it works.</summary>
    public bool IsReady => Step >= EngineSteps.All.Length;
}

/// <summary>The steps of setting an engine up, in their order.</summary>
public static class EngineSteps
{
    /// <summary>The one that takes the password.</summary>
    public const string Administrator = "administrator";

    /// <summary>The one that makes a database, where the engine needs one.</summary>
    public const string Database = "database";

    /// <summary>Their words.</summary>
    public static readonly ImmutableArray<string> All = ["files", Database, Administrator, "check"];
}

/// <summary>What an engine's set-up must be like.</summary>
public static class EngineRules
{
    private static readonly string[] Obvious =
    [
        "admin",
        "administrator",
        "root",
        "user",
        "test",
        "guest",
        "owner",
        "master",
        "webmaster",
        "manager",
        "login",
        "info",
        "hello",
        "me",
    ];

    /// <summary>Reports all that is wrong, each at its field.</summary>
    /// <param name="installed">Those that stand already; one in the same folder gives way.</param>
    /// <param name="databases">How many the plan allows; null: without a limit, or not stated.</param>
    /// <param name="strength">Of the password, 0 to 4, by an estimator; null: one is to be made.</param>
    public static void Check(
        EngineWish wish,
        IReadOnlyList<EngineOffer> offers,
        IReadOnlyList<InstalledEngine> installed,
        int? databases,
        WebSpace space,
        DomainName? domain,
        int? strength,
        FaultList faults
    )
    {
        if (offers.FirstOrDefault(offer => offer.Id == wish.Engine) is not { } offer)
        {
            Add(faults, "engine", EngineFlaw.Unknown);
        }
        else if (LacksDatabase(offer, offers, [.. installed.Where(engine => engine.Folder != wish.Folder)], databases))
        {
            Add(faults, "engine", EngineFlaw.NoDatabase);
        }

        if (wish.Folder.Length > 0 && (FileRules.PathFlaw(wish.Folder) is not null || wish.Folder.Length > 60))
        {
            Add(faults, "folder", EngineFlaw.Folder);
        }
        else if (space.IsOccupied(wish.Folder) && !wish.MayReplace)
        {
            Add(faults, "folder", EngineFlaw.Occupied);
        }

        if (wish.Title.Trim().Length is 0 or > 80 || wish.Title.Any(char.IsControl))
        {
            Add(faults, "title", EngineFlaw.Title);
        }

        if (
            wish.User.Length is < 4 or > 30
            || !wish.User.All(letter =>
                char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter is '-' or '_'
            )
        )
        {
            Add(faults, "user", EngineFlaw.User);
        }
        else if (IsObvious(wish.User, wish.Title, domain))
        {
            Add(faults, "user", EngineFlaw.ObviousUser);
        }

        if (strength < LeastStrength)
        {
            Add(faults, "password", EngineFlaw.WeakPassword);
        }
    }

    /// <summary>
    /// The least strength of a password, of 0 to 4: not guessed by a machine that can only try at the log-in page.
    /// </summary>
    public const int LeastStrength = 3;

    /// <summary>Whether the plan has fewer databases left than an engine needs.</summary>
    public static bool LacksDatabase(
        EngineOffer offer,
        IReadOnlyList<EngineOffer> offers,
        IReadOnlyList<InstalledEngine> installed,
        int? databases
    ) =>
        offer.Databases > 0
        && databases
            - installed.Sum(engine => offers.FirstOrDefault(known => known.Id == engine.Engine)?.Databases ?? 0)
            < offer.Databases;

    // What is tried first by those who try at random: common names, the title, the domain.
    private static bool IsObvious(string user, string title, DomainName? domain) =>
        Obvious.Any(known => user.TrimEnd("0123456789-_".ToCharArray()) == known)
        || Letters(user) == Letters(title)
        || (domain is not null && Letters(user) == Letters(domain.Text.Split('.')[0]));

    private static string Letters(string text) => new([.. text.ToLowerInvariant().Where(char.IsAsciiLetterOrDigit)]);

    private static void Add(FaultList faults, string where, EngineFlaw flaw) =>
        faults.Add(flaw == EngineFlaw.Unknown ? FaultCodes.Unknown : FaultCodes.BadType, where, new EngineFlawed(flaw));
}

/// <summary>What is wrong with how an engine was to be set up.</summary>
public enum EngineFlaw
{
    /// <summary>The host does not offer it.</summary>
    Unknown,

    /// <summary>The plan has no database left for it.</summary>
    NoDatabase,

    /// <summary>No name of a folder.</summary>
    Folder,

    /// <summary>Something stands there already, and nobody said that it may go.</summary>
    Occupied,

    /// <summary>The title has 1 to 80 characters.</summary>
    Title,

    /// <summary>The administrator's name has 4 to 30 small letters, digits, hyphens and low lines.</summary>
    User,

    /// <summary>The administrator's name is what is tried first.</summary>
    ObviousUser,

    /// <summary>The password is guessed too soon.</summary>
    WeakPassword,
}
