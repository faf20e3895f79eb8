using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Online;

/// <summary>
/// What stands in a web space: one version of it, whole. A change makes another, and the host puts the one in place of
/// the other at once or not at all.
/// </summary>
/// <param name="Files">In the order of their paths.</param>
public sealed record WebSpace(ImmutableArray<SiteFile> Files)
{
    /// <summary>Nothing stands there.</summary>
    public static readonly WebSpace Empty = new([]);

    /// <summary>In bytes; files that are alike count each time, as hosts count them.</summary>
    public long Size => Files.Sum(file => file.Size);

    /// <summary>The file at a path, capitals counting; null: there is none.</summary>
    public SiteFile? At(string path) => Files.FirstOrDefault(file => file.Path == path);

    /// <summary>Whether anything stands in a folder; the root is the empty text.</summary>
    public bool IsOccupied(string folder) => Files.Any(file => IsIn(file.Path, folder));

    /// <summary>
    /// With files put into a folder; what has their path gives way, or, with <paramref name="alone"/>, all that was in
    /// the folder.
    /// </summary>
    public WebSpace With(IEnumerable<SiteFile> files, string folder, bool alone)
    {
        var placed = files.Select(file => file with { Path = Joined(folder, file.Path) }).ToList();
        var paths = placed.Select(file => file.Path).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return Sorted(
            Files.Where(file => !paths.Contains(file.Path) && !(alone && IsIn(file.Path, folder))).Concat(placed)
        );
    }

    /// <summary>Without a file, or a folder and all that is in it.</summary>
    public WebSpace? Without(string path, FaultList faults)
    {
        var left = Files.RemoveAll(file => file.Path == path || IsIn(file.Path, path));
        return left.Length < Files.Length && path.Length > 0 ? new WebSpace(left) : Missing(path, faults);
    }

    /// <summary>Without these files, as long as they are still what they were.</summary>
    public WebSpace Without(IEnumerable<SiteFile> files) => new(Files.RemoveRange(files));

    /// <summary>With a file, or a folder, called something else.</summary>
    public WebSpace? Renamed(string path, string to, FaultList faults)
    {
        var moved = Files.Where(file => file.Path == path || IsIn(file.Path, path)).ToList();
        if (moved.Count == 0 || path.Length == 0)
        {
            return Missing(path, faults);
        }

        // What does not move keeps its place: nothing is overwritten unasked.
        var renamed = Sorted(
            Files.Except(moved).Concat(moved.Select(file => file with { Path = to + file.Path[path.Length..] }))
        );
        renamed.Check(null, faults);
        return faults.Any ? null : renamed;
    }

    /// <summary>
    /// Reports what makes it impossible as a whole: names that meet, too many files, or more than the plan's storage.
    /// </summary>
    /// <param name="storage">In bytes; null: without a limit, or not known.</param>
    public void Check(long? storage, FaultList faults)
    {
        FileRules.Check([.. Files.Select(file => new OfferedFile(file.Path, file.Size))], faults);
        if (storage is { } most && Size > most)
        {
            faults.Add(FaultCodes.OutOfRange, "files", new SpaceFull(Size, most));
        }
    }

    /// <summary>A path inside a folder; the root is the empty text.</summary>
    public static string Joined(string folder, string path) => folder.Length == 0 ? path : $"{folder}/{path}";

    private static bool IsIn(string path, string folder) =>
        folder.Length == 0
        || (
            path.Length > folder.Length
            && path[folder.Length] == '/'
            && path.StartsWith(folder, StringComparison.Ordinal)
        );

    private static WebSpace Sorted(IEnumerable<SiteFile> files) =>
        new([.. files.OrderBy(file => file.Path, StringComparer.Ordinal)]);

    private static WebSpace? Missing(string path, FaultList faults)
    {
        faults.Add(FaultCodes.Unknown, "path", new NoSuchFile(path));
        return null;
    }
}
