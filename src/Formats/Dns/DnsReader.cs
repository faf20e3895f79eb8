using System.Buffers.Binary;
using System.Collections.Immutable;
using System.Net;
using System.Text;

namespace HomeStart.Formats.Dns;

/// <summary>
/// Reads messages. They come from outside: whatever is cut off, points in circles or is too long makes no message, and
/// nothing is thrown.
/// </summary>
public static class DnsReader
{
    public const int Longest = 4096;
    private const int Header = 12;
    private const int MostRecords = 64;
    private const int MostJumps = 16;
    private const int LongestName = 253;

    /// <summary>Null: this is no message with one question in it.</summary>
    public static DnsMessage? Read(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length is < Header or > Longest || Number(bytes, 4) != 1)
        {
            return null;
        }

        var (flags, at) = (Number(bytes, 2), Header);
        if (
            (flags & 0x7800) != 0
            || Name(bytes, ref at) is not { } name
            || at + 4 > bytes.Length
            || Number(bytes, at + 2) != DnsWriter.Internet
        )
        {
            return null;
        }

        var question = new DnsQuestion(name, Number(bytes, at));
        at += 4;
        if (
            Records(bytes, Number(bytes, 6), ref at) is not { } answers
            || Records(bytes, Number(bytes, 8), ref at) is not { } authority
        )
        {
            return null;
        }

        return new DnsMessage(Number(bytes, 0), question, (DnsCode)(flags & 0x000f), answers, authority)
        {
            IsResponse = (flags & 0x8000) != 0,
            IsAuthoritative = (flags & 0x0400) != 0,
            IsRecursive = (flags & 0x0100) != 0,
        };
    }

    // Types that are not known here are passed over.
    private static ImmutableArray<DnsRecord>? Records(ReadOnlySpan<byte> bytes, int count, ref int at)
    {
        if (count > MostRecords)
        {
            return null;
        }

        var records = ImmutableArray.CreateBuilder<DnsRecord>();
        for (var i = 0; i < count; i++)
        {
            if (Name(bytes, ref at) is not { } owner || at + 10 > bytes.Length)
            {
                return null;
            }

            var (type, ttl, length) = (
                Number(bytes, at),
                BinaryPrimitives.ReadInt32BigEndian(bytes[(at + 4)..]),
                Number(bytes, at + 8)
            );
            at += 10;
            if (at + length > bytes.Length)
            {
                return null;
            }

            if (Enum.IsDefined((DnsType)type))
            {
                if (Data(bytes[..(at + length)], at, (DnsType)type) is not var (data, preference))
                {
                    return null;
                }

                records.Add(new DnsRecord(owner, (DnsType)type, Math.Max(0, ttl), data) { Preference = preference });
            }

            at += length;
        }

        return records.ToImmutable();
    }

    private static (string Data, int Preference)? Data(ReadOnlySpan<byte> bytes, int at, DnsType type)
    {
        var length = bytes.Length - at;
        switch (type)
        {
            case DnsType.A:
                return length == 4 ? (new IPAddress(bytes[at..]).ToString(), 0) : null;
            case DnsType.Aaaa:
                return length == 16 ? (new IPAddress(bytes[at..]).ToString(), 0) : null;
            case DnsType.Txt:
                return Text(bytes[at..]) is { } text ? (text, 0) : null;
            case DnsType.Mx:
                var exchangeAt = at + 2;
                return length > 2 && Name(bytes, ref exchangeAt) is { } exchange ? (exchange, Number(bytes, at)) : null;
            case DnsType.Soa:
                return
                    Name(bytes, ref at) is { } primary && Name(bytes, ref at) is { } mailbox && at + 20 == bytes.Length
                    ? ($"{primary} {mailbox} {string.Join(' ', Figures(bytes[at..]))}", 0)
                    : null;
            case DnsType.Srv:
                var targetAt = at + 6;
                return length > 6 && Name(bytes, ref targetAt) is { } service
                    ? ($"{Number(bytes, at)} {Number(bytes, at + 2)} {Number(bytes, at + 4)} {service}", 0)
                    : null;
            case DnsType.Caa:
                return length > 2 && length >= 2 + bytes[at + 1]
                    ? (
                        $"{bytes[at]} {Encoding.ASCII.GetString(bytes.Slice(at + 2, bytes[at + 1]))} "
                            + $"\"{Encoding.ASCII.GetString(bytes[(at + 2 + bytes[at + 1])..])}\"",
                        0
                    )
                    : null;
            default:
                return Name(bytes, ref at) is { } target ? (target, 0) : null;
        }
    }

    private static List<uint> Figures(ReadOnlySpan<byte> bytes)
    {
        var figures = new List<uint>();
        for (var at = 0; at + 4 <= bytes.Length; at += 4)
        {
            figures.Add(BinaryPrimitives.ReadUInt32BigEndian(bytes[at..]));
        }

        return figures;
    }

    private static string? Text(ReadOnlySpan<byte> bytes)
    {
        using var text = new MemoryStream();
        for (var at = 0; at < bytes.Length; at += 1 + bytes[at])
        {
            if (at + 1 + bytes[at] > bytes.Length)
            {
                return null;
            }

            text.Write(bytes.Slice(at + 1, bytes[at]));
        }

        return Encoding.UTF8.GetString(text.ToArray());
    }

    // Labels, each with its length before it; two high bits set are a place earlier in the message where the name goes
    // on.
    private static string? Name(ReadOnlySpan<byte> bytes, ref int at)
    {
        var (name, place, jumps, end) = (new StringBuilder(), at, 0, -1);
        while (place < bytes.Length && name.Length <= LongestName)
        {
            var length = bytes[place];
            if (length == 0)
            {
                at = end < 0 ? place + 1 : end;
                return name.ToString();
            }

            if (length >= 0xc0)
            {
                if (place + 1 >= bytes.Length || ++jumps > MostJumps)
                {
                    return null;
                }

                end = end < 0 ? place + 2 : end;
                place = ((length & 0x3f) << 8) | bytes[place + 1];
                continue;
            }

            if (
                length > DnsWriter.LongestLabel
                || place + 1 + length > bytes.Length
                || !Append(name, bytes.Slice(place + 1, length))
            )
            {
                return null;
            }

            place += 1 + length;
        }

        return null;
    }

    // A dot inside a label, or what is no printable ASCII, is no name that anybody here asks for.
    private static bool Append(StringBuilder name, ReadOnlySpan<byte> label)
    {
        if (name.Length > 0)
        {
            name.Append('.');
        }

        foreach (var letter in label)
        {
            if (letter is <= (byte)' ' or >= 127 or (byte)'.')
            {
                return false;
            }

            name.Append((char)letter);
        }

        return true;
    }

    private static int Number(ReadOnlySpan<byte> bytes, int at) => BinaryPrimitives.ReadUInt16BigEndian(bytes[at..]);
}
