using HomeStart.Core.Basics;

namespace HomeStart.Core.Online;

/// <summary>Which files a site may be made of.</summary>
public static class FileRules
{
    /// <summary>The most characters of a path.</summary>
    public const int LongestPath = 200;

    /// <summary>The most files of a web space.</summary>
    public const int MostFiles = 10_000;

    /// <summary>The most bytes of one file: 2 GiB.</summary>
    public const long LargestFile = 2L << 30;

    /// <summary>
    /// The most bytes of one upload, and of an archive unpacked, where the plan sets no limit or a higher one: 4 GiB.
    /// </summary>
    public const long LargestUpload = 4L << 30;

    /// <summary>An archive that grows by more than this holds nothing that anybody made by hand.</summary>
    public const int MostTimesLarger = 200;

    /// <summary>What may be small and still unpack to much, as a page of spaces does.</summary>
    private const long Harmless = 1 << 20;

    /// <summary>Where names are proved by files; the only folder that begins with a dot.</summary>
    private const string WellKnown = ".well-known";

    /// <summary>Reports all that is wrong, each at <c>files[i]</c>.</summary>
    public static void Check(IReadOnlyList<OfferedFile> files, FaultList faults)
    {
        if (files.Count > MostFiles)
        {
            faults.Add(FaultCodes.OutOfRange, "files", new TooManyFiles(MostFiles, files.Count));
            return;
        }

        var folders = files.SelectMany(file => FoldersOf(file.Path)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var (at, file) in files.Index())
        {
            FileFlaw? flaw = FlawOf(file)
                ?? (
                    !seen.Add(file.Path) ? FileFlaw.Twice
                    : folders.Contains(file.Path) ? FileFlaw.FolderToo
                    : null
                );
            if (flaw is { } wrong)
            {
                faults.Add(FaultCodes.BadType, $"files[{at}]", new FileFlawed(file.Path, wrong));
            }
        }
    }

    /// <summary>What is wrong with a file by itself; null: nothing.</summary>
    public static FileFlaw? FlawOf(OfferedFile file) =>
        PathFlaw(file.Path)
        ?? (
            file.IsLink ? FileFlaw.Link
            : FileKinds.TypeOf(file.Path) is null ? FileFlaw.Kind
            : file.Size is < 0 or > LargestFile ? FileFlaw.Size
            : null
        );

    /// <summary>What is wrong with a path; null: nothing.</summary>
    public static FileFlaw? PathFlaw(string path)
    {
        var parts = path.Split('/');
        return path.Length == 0 ? FileFlaw.Empty
            : path.Length > LongestPath ? FileFlaw.TooLong
            : path[0] == '/'
            || path.Contains('\\', StringComparison.Ordinal)
            || path.Contains(':', StringComparison.Ordinal)
                ? FileFlaw.Outside
            : parts.Any(part => part is "." or "..") ? FileFlaw.Climbs
            : parts.Any(part => part.StartsWith('.') && part != WellKnown) ? FileFlaw.Hidden
            : parts.Any(part => part.Length == 0 || part[^1] is ' ' or '.' || part[0] == ' ' || part.Any(IsForbidden))
                ? FileFlaw.Character
            : null;
    }

    /// <summary>Whether a packed file that is so large unpacked is made to fill disks.</summary>
    public static bool IsBomb(long packed, long unpacked) => unpacked > Harmless && unpacked / MostTimesLarger > packed;

    /// <summary>The folders a path goes through, outermost first.</summary>
    public static IEnumerable<string> FoldersOf(string path) =>
        path.Index().Where(letter => letter.Item == '/' && letter.Index > 0).Select(letter => path[..letter.Index]);

    private static bool IsForbidden(char letter) =>
        char.IsControl(letter)
        || char.IsSurrogate(letter)
        || char.GetUnicodeCategory(letter) == System.Globalization.UnicodeCategory.Format
        || letter is '<' or '>' or '"' or '|' or '?' or '*' or '#' or '%';
}
