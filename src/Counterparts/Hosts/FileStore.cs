using System.Security.Cryptography;
using HomeStart.Formats.Online;
using Microsoft.AspNetCore.Http;

namespace HomeStart.Counterparts;

/// <summary>The bytes of files, each account's by their hash.</summary>
internal sealed class FileStore(string folder, TimeProvider time)
{
    public bool Has(string world, string account, string hash) =>
        hash == HostPages.Placeholder.Hash || File.Exists(PathOf(world, account, hash));

    public Stream Open(string world, string account, string hash) =>
        hash == HostPages.Placeholder.Hash
            ? new MemoryStream(HostPages.PlaceholderBytes)
            : File.OpenRead(PathOf(world, account, hash));

    /// <summary>Keeps what comes under its hash, once it is there whole; false: it is something else.</summary>
    public async Task<bool> StoreAsync(
        string world,
        string account,
        string hash,
        Stream content,
        CancellationToken cancel
    )
    {
        var path = PathOf(world, account, hash);
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var arriving = $"{path}.{Guid.NewGuid():N}";
        try
        {
            using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            await using (var file = File.Create(arriving))
            {
                var buffer = new byte[64 * 1024];
                for (int read; (read = await content.ReadAsync(buffer, cancel)) > 0; )
                {
                    sum.AppendData(buffer.AsSpan(0, read));
                    await file.WriteAsync(buffer.AsMemory(0, read), cancel);
                }
            }

            if (Convert.ToHexStringLower(sum.GetHashAndReset()) != hash)
            {
                return false;
            }

            File.Move(arriving, path, overwrite: true);
            return true;
        }
        finally
        {
            File.Delete(arriving);
        }
    }

    /// <summary>
    /// Removes the files that nobody needs; what arrived a moment ago waits for the version it belongs to.
    /// </summary>
    public void Keep(string world, string account, HashSet<string> hashes)
    {
        var directory = Path.GetDirectoryName(PathOf(world, account, HostPages.Placeholder.Hash))!;
        if (Directory.Exists(directory))
        {
            foreach (
                var file in new DirectoryInfo(directory)
                    .GetFiles()
                    .Where(file =>
                        !hashes.Contains(file.Name) && file.LastWriteTimeUtc < time.GetUtcNow().UtcDateTime.AddHours(-1)
                    )
            )
            {
                file.Delete();
            }
        }
    }

    private string PathOf(string world, string account, string hash) =>
        Path.Combine(folder, Plain(world), Plain(account), hash);

    // Whoever asks knows the secret; a name that leads elsewhere is refused all the same.
    private static string Plain(string name) =>
        name.Length > 0 && name.All(char.IsAsciiLetterOrDigit)
            ? name
            : throw new BadHttpRequestException("There is no such account.");
}
