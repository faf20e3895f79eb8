using System.Globalization;
using System.Text;

namespace HomeStart.Formats.Domains;

/// <summary>Writes records as a zone file (RFC 1035, section 5).</summary>
public static class ZoneFile
{
    /// <summary>The longest run of characters in one quoted text.</summary>
    private const int LongestText = 255;

    public static string Write(DomainName domain, IEnumerable<ResourceRecord> records)
    {
        var text = new StringBuilder().Append(CultureInfo.InvariantCulture, $"$ORIGIN {domain}.\n");
        foreach (var record in records)
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"{record.Owner}\t{record.TtlSeconds}\tIN\t{Word(record.Type)}\t{Data(record)}\n"
            );
        }

        return text.ToString();
    }

    /// <summary>A type in the word of a zone file: AAAA.</summary>
    public static string Word(RecordType type) => type.ToString().ToUpperInvariant();

    private static string Data(ResourceRecord record) =>
        record.Type == RecordType.Txt ? string.Join(' ', record.Data.Chunk(LongestText).Select(Quoted))
        : record.Preference is { } preference ? $"{preference} {record.Data}"
        : record.Data;

    private static string Quoted(char[] part) =>
        $"\"{new string(part).Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal)}"
        + "\"";
}
