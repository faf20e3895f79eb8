using System.Collections.Immutable;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Outside;

/// <summary>
/// What a host lets its customer change: documents, each with a version, so that of two changes at once one is refused;
/// the bytes of files, kept under their hash; and what only the host can do. A document is bytes here: Formats reads
/// and writes it.
/// </summary>
public interface IHostPanel
{
    /// <summary>
    /// A document as it stands, or as it stood in a version; version 0 where none was ever written; null: nobody
    /// answered.
    /// </summary>
    /// <param name="scope">An account, or a domain for its zone.</param>
    Task<KeptDocument?> ReadAsync(World world, string scope, string kind, int? version, CancellationToken cancel);

    /// <summary>Puts a document in place of the version that was seen.</summary>
    Task<PanelAnswer> WriteAsync(
        World world,
        string scope,
        string kind,
        int seen,
        ReadOnlyMemory<byte> content,
        CancellationToken cancel
    );

    /// <summary>Which of these hashes the host does not have; null: nobody answered.</summary>
    Task<IReadOnlyList<string>?> MissingAsync(
        World world,
        string account,
        IReadOnlyList<string> hashes,
        CancellationToken cancel
    );

    /// <summary>Hands the bytes of a file over. What does not match its hash is refused.</summary>
    Task<PanelAnswer> StoreAsync(
        World world,
        string account,
        string hash,
        long size,
        IAsyncEnumerable<ReadOnlyMemory<byte>> content,
        CancellationToken cancel
    );

    /// <summary>The HTTP status that a server answers with for a name; null: it does not answer.</summary>
    Task<int?> VisitAsync(World world, DomainName name, CancellationToken cancel);

    /// <summary>
    /// How a name's certificate stands; with <paramref name="ask"/> it is asked for first. Null: nobody answered.
    /// </summary>
    Task<CertificateFacts?> CertificateAsync(
        World world,
        string account,
        DomainName name,
        bool ask,
        DateOnly today,
        CancellationToken cancel
    );

    /// <summary>The site engines that the host offers, as it words them; null: nobody answered.</summary>
    Task<KeptDocument?> EnginesAsync(World world, string book, DateOnly today, CancellationToken cancel);

    /// <summary>
    /// Carries out one step of setting an engine up in a folder; the answer's version is the step that is done.
    /// </summary>
    Task<PanelAnswer> EngineStepAsync(
        World world,
        string account,
        EngineRequest request,
        DateOnly today,
        CancellationToken cancel
    );
}

/// <param name="Step">Which step, from 1.</param>
/// <param name="Password">For the step that makes the administrator; it is handed on and kept by nobody here.</param>
public sealed record EngineRequest(
    string Engine,
    string Folder,
    string Title,
    string User,
    string Mail,
    int Step,
    string? Password
)
{
    /// <summary>Without the password: it stands in no log.</summary>
    public override string ToString() => $"step {Step} of {Engine} in “{Folder}”";
}

/// <summary>A document that a host keeps.</summary>
/// <param name="Version">1, 2, …; 0: none was ever written.</param>
public sealed record KeptDocument(int Version, ImmutableArray<byte> Content);

/// <summary>What came of a change at the panel.</summary>
/// <param name="Version">The version that stands now.</param>
/// <param name="Message">A refusal in the host's words.</param>
public sealed record PanelAnswer(PanelState State, int Version = 0, string? Message = null);

/// <summary>What came of a change.</summary>
public enum PanelState
{
    /// <summary>It was done.</summary>
    Done,

    /// <summary>Somebody else changed it meanwhile: it has another version.</summary>
    Stale,

    /// <summary>The host's disk, or the space of the account, is full.</summary>
    Full,

    /// <summary>The host would not.</summary>
    Refused,

    /// <summary>Nobody knows: ask for the version.</summary>
    NoAnswer,
}
