using System.Collections.Immutable;
using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Online;

/// <summary>What stands in a web space.</summary>
/// <param name="Size">In words; so is <paramref name="Storage"/>, null: without a limit, or not stated.</param>
/// <param name="IsBegun">Whether the owner put anything there; else it is the host's own page.</param>
public sealed record WebSpaceWire(
    int Version,
    bool IsBegun,
    string Size,
    string? Storage,
    IReadOnlyList<SiteFileWire> Files
)
{
    public static WebSpaceWire From(int version, WebSpace space, long? storage) =>
        new(
            version,
            version > 0,
            OnlineWords.Bytes(space.Size),
            storage is { } most ? OnlineWords.Bytes(most) : null,
            [.. space.Files.Select(file => new SiteFileWire(file.Path, OnlineWords.Bytes(file.Size)))]
        );
}

/// <param name="Size">In words.</param>
public sealed record SiteFileWire(string Path, string Size);

/// <summary>A change that only needs to say which version it saw.</summary>
public sealed record SeenBody(int Version);

public sealed record RenameFileBody(int Version, string Path, string To);

/// <param name="Path">A file, or a folder with all that is in it.</param>
public sealed record RemoveFileBody(int Version, string Path);

/// <summary>What an upload is to bring.</summary>
/// <param name="Folder">Where it goes; the root is the empty text.</param>
/// <param name="Alone">Whether all that is in the folder gives way.</param>
/// <param name="Unpacks">Whether the one file is a ZIP archive whose files are meant.</param>
public sealed record StartUploadBody(IReadOnlyList<OfferedFileWire> Files, string Folder, bool Alone, bool Unpacks);

/// <param name="Size">In bytes.</param>
public sealed record OfferedFileWire(string Path, long Size);

/// <summary>An upload under way.</summary>
public sealed record UploadWire(Guid Id, string Folder, bool Alone, bool Unpacks, IReadOnlyList<UploadFileWire> Files);

/// <param name="Has">How many of its bytes are here.</param>
public sealed record UploadFileWire(string Path, long Size, long Has);

/// <param name="Has">How many bytes of the file are here now.</param>
public sealed record PieceWire(long Has);

/// <summary>How far putting up has come.</summary>
/// <param name="Version">At the end: the version that is seen from now on.</param>
/// <param name="Problem">At the end: why it is not seen.</param>
public sealed record PutUpLine(int Done, int Files, int? Version, string? Problem);

/// <summary>Reads what is to be uploaded.</summary>
public static class UploadReader
{
    /// <param name="storage">Of the plan, in bytes; null: without a limit, or not stated.</param>
    public static UploadPlan? Read(Node node, long? storage)
    {
        node.IsObject();
        if (node["files"].IsAbsent)
        {
            node["files"].Required("The list of files");
        }

        ImmutableArray<OfferedFile> files =
        [
            .. node["files"].Items(FileRules.MostFiles).Select(File).OfType<OfferedFile>(),
        ];
        var plan = new UploadPlan(
            files,
            (node["folder"].Text() ?? "").Trim().Trim('/'),
            node["alone"].Flag() ?? false,
            node["unpacks"].Flag() ?? false
        );
        if (node.Faults.Any)
        {
            return null;
        }

        if (plan.Folder.Length > 0 && FileRules.PathFlaw(plan.Folder) is { } flaw)
        {
            node.Faults.Add(FaultCodes.BadType, "folder", new FileFlawed(plan.Folder, flaw));
        }

        if (files.IsEmpty || (plan.Unpacks && files.Length != 1))
        {
            node["files"].Fault(FaultCodes.Required, files.IsEmpty ? "Choose a file first." : "One archive at a time.");
        }

        FileRules.Check(files, node.Faults);
        if (Math.Min(storage ?? FileRules.LargestUpload, FileRules.LargestUpload) is var most && plan.Size > most)
        {
            node.Faults.Add(FaultCodes.OutOfRange, "files", new SpaceFull(plan.Size, most));
        }

        return plan;
    }

    private static OfferedFile? File(Node node)
    {
        node.IsObject();
        if (node["size"].Element is not { ValueKind: JsonValueKind.Number } number || !number.TryGetInt64(out var size))
        {
            node["size"].Fault(FaultCodes.BadType, "This must be a whole number of bytes.");
            return null;
        }

        return node["path"].RequiredText("The path") is { } path ? new OfferedFile(path, size) : null;
    }
}
