using System.Buffers.Binary;
using System.Security.Cryptography;

namespace HomeStart.Web.Backups;

/// <summary>
/// A file that only its passphrase opens: AES-256-GCM in pieces, the key from the passphrase by PBKDF2 (SHA-256,
/// 600,000 rounds). Each piece is bound to its place and to whether it is the last, so that none can be changed, moved
/// or cut off unseen.
/// </summary>
internal static class SealedFile
{
    private const int PieceBytes = 1 << 20;
    private const int SaltBytes = 16;
    private const int Rounds = 600_000;
    private static readonly byte[] Mark = "home-start-sealed-1\n"u8.ToArray();

    public static bool IsSealed(string file)
    {
        using var stream = File.OpenRead(file);
        var start = new byte[Mark.Length];
        return stream.ReadAtLeast(start, start.Length, throwOnEndOfStream: false) == start.Length
            && start.AsSpan().SequenceEqual(Mark);
    }

    public static void Seal(string from, string to, string passphrase)
    {
        using var source = File.OpenRead(from);
        using var target = new FileStream(to, FileMode.CreateNew, FileAccess.Write);
        var salt = RandomNumberGenerator.GetBytes(SaltBytes);
        using var cipher = CipherOf(passphrase, salt);
        target.Write(Mark);
        target.Write(salt);
        var (plain, hidden, tag) = (new byte[PieceBytes], new byte[PieceBytes], new byte[16]);
        for (var (place, isLast) = (0L, false); !isLast; place++)
        {
            var length = source.ReadAtLeast(plain, PieceBytes, throwOnEndOfStream: false);
            isLast = source.Position == source.Length;
            cipher.Encrypt(NonceOf(place, isLast), plain.AsSpan(0, length), hidden.AsSpan(0, length), tag);
            target.Write(tag);
            target.Write(hidden, 0, length);
        }
    }

    /// <returns>Whether the passphrase is right and nothing was changed.</returns>
    public static bool TryOpen(string from, string to, string passphrase)
    {
        using var source = File.OpenRead(from);
        source.Position = Mark.Length;
        var salt = new byte[SaltBytes];
        if (source.ReadAtLeast(salt, SaltBytes, throwOnEndOfStream: false) < SaltBytes)
        {
            return false;
        }

        using var cipher = CipherOf(passphrase, salt);
        using var target = new FileStream(to, FileMode.Create, FileAccess.Write);
        var (piece, plain) = (new byte[16 + PieceBytes], new byte[PieceBytes]);
        try
        {
            for (var (place, isLast) = (0L, false); !isLast; place++)
            {
                var length = source.ReadAtLeast(piece, piece.Length, throwOnEndOfStream: false) - 16;
                if (length < 0)
                {
                    return false;
                }

                isLast = source.Position == source.Length;
                cipher.Decrypt(
                    NonceOf(place, isLast),
                    piece.AsSpan(16, length),
                    piece.AsSpan(0, 16),
                    plain.AsSpan(0, length)
                );
                target.Write(plain, 0, length);
            }

            return true;
        }
        catch (AuthenticationTagMismatchException)
        {
            return false;
        }
    }

    private static AesGcm CipherOf(string passphrase, byte[] salt) =>
        new(Rfc2898DeriveBytes.Pbkdf2(passphrase, salt, Rounds, HashAlgorithmName.SHA256, 32), 16);

    private static byte[] NonceOf(long place, bool isLast)
    {
        var nonce = new byte[12];
        BinaryPrimitives.WriteInt64BigEndian(nonce, place);
        nonce[11] = isLast ? (byte)1 : (byte)0;
        return nonce;
    }
}
