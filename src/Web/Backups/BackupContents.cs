using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Backups;

/// <summary>What a backup holds: a zip with each file of the data folder, and last a list of them.</summary>
internal static class BackupContents
{
    public const string Format = "home-start/backup@1";

    private const string ListName = "backup.json";

    /// <summary>Ours first: what it says was asked for, the counterparts then know, and never the other way.</summary>
    public static readonly IReadOnlyList<string> Databases = ["home-start.db", "counterparts.db"];

    /// <summary>Packs a data folder that may be in use.</summary>
    public static void Pack(string folder, string zipFile, DateTimeOffset now)
    {
        using var stream = new FileStream(
            zipFile,
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.ReadWrite,
                UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
            }
        );
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create);
        var listed = new List<ListedFile>();
        foreach (var database in Databases.Where(name => File.Exists(Path.Combine(folder, name))))
        {
            using var copy = DatabaseFile.Copy(Path.Combine(folder, database));
            listed.Add(Add(zip, database, copy.Path));
        }

        // Files are written once and never changed, so that those which the copied databases name are all there.
        foreach (var file in OtherFiles(folder))
        {
            try
            {
                listed.Add(Add(zip, Path.GetRelativePath(folder, file), file));
            }
            catch (FileNotFoundException)
            {
                // It was tidied away meanwhile: nothing names it any more.
            }
        }

        using var list = zip.CreateEntry(ListName).Open();
        JsonSerializer.Serialize(list, new FileList(Format, now, listed));
    }

    /// <summary>Unpacks into an empty folder; null, or the sentence that says what is wrong with the backup.</summary>
    public static string? Unpack(string zipFile, string folder)
    {
        try
        {
            using var zip = ZipFile.OpenRead(zipFile);
            if (ListOf(zip) is not { } list)
            {
                return "This is no backup of Home Start.";
            }

            if (list.Format != Format)
            {
                return $"This backup is of another kind, {list.Format}: a newer Home Start wrote it.";
            }

            foreach (var listed in list.Files)
            {
                var path = Path.GetFullPath(Path.Combine(folder, listed.Name));
                if (!path.StartsWith(folder + Path.DirectorySeparatorChar, StringComparison.Ordinal))
                {
                    return $"This backup would write outside its folder, at {listed.Name}: it is not one of ours.";
                }

                Directory.CreateDirectory(Path.GetDirectoryName(path)!, DataFolder.PrivateFolder);
                if (zip.GetEntry(listed.Name) is not { } entry || Extract(entry, path) != listed.Sha256)
                {
                    return $"This backup is damaged: {listed.Name} is not what was written.";
                }
            }

            return null;
        }
        catch (Exception exception) when (exception is InvalidDataException or JsonException)
        {
            return "This is no backup of Home Start, or it is damaged.";
        }
    }

    private static FileList? ListOf(ZipArchive zip)
    {
        if (zip.GetEntry(ListName) is not { } entry)
        {
            return null;
        }

        using var stream = entry.Open();
        return JsonSerializer.Deserialize<FileList>(stream);
    }

    private static IEnumerable<string> OtherFiles(string folder) =>
        Directory
            .EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Where(file =>
                Path.GetFileName(file) is not "in-use"
                && Path.GetRelativePath(folder, file).Split(Path.DirectorySeparatorChar)[0] is not BeforeUpgrade.Folder
                && !Databases.Any(database => Path.GetFileName(file).StartsWith(database, StringComparison.Ordinal))
            )
            .Order(StringComparer.Ordinal);

    private static ListedFile Add(ZipArchive zip, string name, string file)
    {
        using var source = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        using var target = zip.CreateEntry(name, CompressionLevel.Fastest).Open();
        return new ListedFile(name, Copy(source, target));
    }

    private static string Extract(ZipArchiveEntry entry, string path)
    {
        using var source = entry.Open();
        using var target = new FileStream(
            path,
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.Write,
                UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
            }
        );
        return Copy(source, target);
    }

    // The hash of what was copied.
    private static string Copy(Stream source, Stream target)
    {
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[81920];
        for (int read; (read = source.Read(buffer)) > 0; )
        {
            hash.AppendData(buffer, 0, read);
            target.Write(buffer, 0, read);
        }

        return Convert.ToHexStringLower(hash.GetHashAndReset());
    }

    private sealed record FileList(string Format, DateTimeOffset WrittenAt, IReadOnlyList<ListedFile> Files);

    private sealed record ListedFile(string Name, string Sha256);
}
