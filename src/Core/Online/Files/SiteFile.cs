namespace HomeStart.Core.Online;

/// <summary>A file of a site.</summary>
/// <param name="Path">From the root of the web space, its folders joined by slashes: <c>pictures/shop.jpg</c>.</param>
/// <param name="Hash">SHA-256 of its bytes, in lower-case hexadecimal: files that are alike are kept once.</param>
/// <param name="Size">In bytes.</param>
public sealed record SiteFile(string Path, string Hash, long Size);

/// <summary>A file as it is offered, before its bytes are there.</summary>
/// <param name="Size">In bytes.</param>
/// <param name="IsLink">Whether an archive says that it stands for another file.</param>
public sealed record OfferedFile(string Path, long Size, bool IsLink = false);
