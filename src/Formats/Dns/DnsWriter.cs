using System.Buffers.Binary;
using System.Globalization;
using System.Net;
using System.Text;

namespace HomeStart.Formats.Dns;

/// <summary>Writes messages as bytes. Names are written out each time: messages here are small.</summary>
public static class DnsWriter
{
    internal const int LongestLabel = 63;
    internal const int LongestText = 255;
    internal const int Internet = 1;

    /// <exception cref="FormatException">A name or address in it is none.</exception>
    public static byte[] Write(DnsMessage message)
    {
        using var bytes = new MemoryStream();
        Number(bytes, message.Id);
        Number(
            bytes,
            (message.IsResponse ? 0x8000 : 0)
                | (message.IsAuthoritative ? 0x0400 : 0)
                | (message.IsRecursive ? 0x0100 : 0)
                | (message is { IsResponse: true, IsRecursive: true } ? 0x0080 : 0)
                | (int)message.Code
        );
        Number(bytes, 1);
        Number(bytes, message.Answers.Length);
        Number(bytes, message.Authority.Length);
        Number(bytes, 0);
        Name(bytes, message.Question.Name);
        Number(bytes, message.Question.Type);
        Number(bytes, Internet);
        foreach (var record in message.Answers.Concat(message.Authority))
        {
            Name(bytes, record.Name);
            Number(bytes, (int)record.Type);
            Number(bytes, Internet);
            Long(bytes, record.TtlSeconds);
            var data = Data(record);
            Number(bytes, data.Length);
            bytes.Write(data);
        }

        return bytes.ToArray();
    }

    private static byte[] Data(DnsRecord record)
    {
        using var bytes = new MemoryStream();
        switch (record.Type)
        {
            case DnsType.A or DnsType.Aaaa:
                bytes.Write(IPAddress.Parse(record.Data).GetAddressBytes());
                break;
            case DnsType.Mx:
                Number(bytes, record.Preference);
                Name(bytes, record.Data);
                break;
            case DnsType.Txt:
                foreach (var part in Encoding.UTF8.GetBytes(record.Data).DefaultIfEmpty().Chunk(LongestText))
                {
                    var length = record.Data.Length == 0 ? 0 : part.Length;
                    bytes.WriteByte((byte)length);
                    bytes.Write(part, 0, length);
                }

                break;
            case DnsType.Soa:
                var parts = record.Data.Split(' ');
                Name(bytes, parts[0]);
                Name(bytes, parts[1]);
                foreach (var figure in parts[2..])
                {
                    Long(bytes, int.Parse(figure, CultureInfo.InvariantCulture));
                }

                break;
            case DnsType.Srv:
                var service = record.Data.Split(' ');
                foreach (var figure in service[..3])
                {
                    Number(bytes, int.Parse(figure, CultureInfo.InvariantCulture));
                }

                Name(bytes, service[3]);
                break;
            case DnsType.Caa:
                var authority = record.Data.Split(' ', 3);
                bytes.WriteByte(byte.Parse(authority[0], CultureInfo.InvariantCulture));
                bytes.WriteByte((byte)authority[1].Length);
                bytes.Write(Encoding.ASCII.GetBytes(authority[1] + authority[2].Trim('"')));
                break;
            default:
                Name(bytes, record.Data);
                break;
        }

        return bytes.ToArray();
    }

    private static void Name(MemoryStream bytes, string name)
    {
        foreach (var label in name.Split('.', StringSplitOptions.RemoveEmptyEntries))
        {
            var letters = Encoding.ASCII.GetBytes(label);
            if (letters.Length > LongestLabel)
            {
                throw new FormatException("A label has 63 letters at most.");
            }

            bytes.WriteByte((byte)letters.Length);
            bytes.Write(letters);
        }

        bytes.WriteByte(0);
    }

    private static void Number(MemoryStream bytes, int number)
    {
        bytes.WriteByte((byte)(number >> 8));
        bytes.WriteByte((byte)number);
    }

    private static void Long(MemoryStream bytes, int number)
    {
        Span<byte> four = stackalloc byte[4];
        BinaryPrimitives.WriteInt32BigEndian(four, number);
        bytes.Write(four);
    }
}
