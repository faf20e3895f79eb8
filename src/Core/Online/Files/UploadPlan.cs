using System.Collections.Immutable;

namespace HomeStart.Core.Online;

/// <summary>What an upload is to bring.</summary>
/// <param name="Files">Each by itself; of an archive, it alone.</param>
/// <param name="Folder">Where it goes; the root is the empty text.</param>
/// <param name="Alone">Whether all that is in the folder gives way, not just what has the same path.</param>
/// <param name="Unpacks">Whether the one file is an archive whose files are meant.</param>
public sealed record UploadPlan(ImmutableArray<OfferedFile> Files, string Folder, bool Alone, bool Unpacks)
{
    /// <summary>In bytes.</summary>
    public long Size => Files.Sum(file => file.Size);
}
