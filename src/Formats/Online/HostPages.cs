using System.Security.Cryptography;

namespace HomeStart.Formats.Online;

/// <summary>
/// The page that stands in a web space before its owner puts anything there. It is nobody's work, and may always give
/// way.
/// </summary>
public static class HostPages
{
    private static readonly byte[] Bytes =
        """
        <!DOCTYPE html>
        <html lang="en-GB"><head><meta charset="utf-8"><title>Nothing here yet</title><meta name="viewport" content="width=device-width, initial-scale=1"></head>
        <body style="font: 1.1rem/1.5 Georgia, serif; margin: 4rem auto; max-width: 32rem; padding: 0 1rem">
        <main><h1>Nothing here yet</h1>
        <p>This web space is ready. Its owner has not put a page here so far.</p></main>
        </body></html>

        """u8.ToArray();

    /// <summary>The page as a file of the web space.</summary>
    public static readonly SiteFile Placeholder = new(
        "index.html",
        Convert.ToHexStringLower(SHA256.HashData(Bytes)),
        Bytes.Length
    );

    /// <summary>A copy of its bytes.</summary>
    public static byte[] PlaceholderBytes => [.. Bytes];
}
