using System.Collections.Frozen;

namespace HomeStart.Core.Online;

/// <summary>
/// The kinds of files that a site is made of, by their endings, and what they are called on the wire (RFC 2046).
/// </summary>
public static class FileKinds
{
    private static readonly FrozenDictionary<string, string> Types = new Dictionary<string, string>
    {
        ["html"] = "text/html; charset=utf-8",
        ["htm"] = "text/html; charset=utf-8",
        ["css"] = "text/css; charset=utf-8",
        ["js"] = "text/javascript; charset=utf-8",
        ["mjs"] = "text/javascript; charset=utf-8",
        ["json"] = "application/json",
        ["webmanifest"] = "application/manifest+json",
        ["xml"] = "application/xml",
        ["rss"] = "application/rss+xml",
        ["txt"] = "text/plain; charset=utf-8",
        ["md"] = "text/plain; charset=utf-8",
        ["csv"] = "text/csv; charset=utf-8",
        ["ics"] = "text/calendar; charset=utf-8",
        ["vcf"] = "text/vcard; charset=utf-8",
        ["pdf"] = "application/pdf",
        ["map"] = "application/json",
        ["png"] = "image/png",
        ["jpg"] = "image/jpeg",
        ["jpeg"] = "image/jpeg",
        ["gif"] = "image/gif",
        ["webp"] = "image/webp",
        ["avif"] = "image/avif",
        ["svg"] = "image/svg+xml",
        ["ico"] = "image/x-icon",
        ["woff2"] = "font/woff2",
        ["woff"] = "font/woff",
        ["ttf"] = "font/ttf",
        ["otf"] = "font/otf",
        ["mp3"] = "audio/mpeg",
        ["ogg"] = "audio/ogg",
        ["wav"] = "audio/wav",
        ["mp4"] = "video/mp4",
        ["webm"] = "video/webm",
        ["zip"] = "application/zip",
    }.ToFrozenDictionary(StringComparer.OrdinalIgnoreCase);

    /// <summary>The media type of a file by its path; null: it is none that a site serves.</summary>
    public static string? TypeOf(string path)
    {
        var dot = path.LastIndexOf('.');
        return dot > path.LastIndexOf('/') && Types.TryGetValue(path[(dot + 1)..], out var type) ? type : null;
    }
}
