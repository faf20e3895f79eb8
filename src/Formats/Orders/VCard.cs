using System.Text;
using HomeStart.Formats.Foreign;

namespace HomeStart.Formats.Orders;

/// <summary>
/// Writes a contact as a vCard, and reads one (RFC 6350): name, organisation, address, mail and telephone; whatever
/// else stands in it is passed over.
/// </summary>
public static class VCard
{
    /// <summary>The longest card that is read, in characters: pictures make them long.</summary>
    public const int Longest = 500_000;

    private const int LineBytes = 75;

    public static string Write(Contact contact)
    {
        var text = new StringBuilder();
        Line("BEGIN:VCARD");
        Line("VERSION:4.0");
        Line($"FN:{Escaped(contact.Name)}");
        if (contact.Organisation is { Length: > 0 } organisation)
        {
            Line($"ORG:{Escaped(organisation)}");
        }

        Line(
            $"ADR:;;{Escaped(contact.Street)};{Escaped(contact.Town)};{Escaped(contact.State ?? "")};"
                + $"{Escaped(contact.Postcode)};{Escaped(contact.Country)}"
        );
        Line($"EMAIL:{Escaped(contact.Mail)}");
        if (contact.Telephone is { Length: > 0 } telephone)
        {
            Line(
                "TEL;VALUE=uri:tel:"
                    + $"{string.Concat(telephone.Where(letter => char.IsAsciiDigit(letter) || letter is '+' or '-'))}"
            );
        }

        Line("END:VCARD");
        return text.ToString();

        // Lines are folded at 75 bytes, between characters.
        void Line(string line)
        {
            var bytes = 0;
            foreach (var rune in line.EnumerateRunes())
            {
                if (bytes + rune.Utf8SequenceLength > LineBytes)
                {
                    text.Append("\r\n ");
                    bytes = 1;
                }

                text.Append(rune);
                bytes += rune.Utf8SequenceLength;
            }

            text.Append("\r\n");
        }
    }

    /// <summary>The first card of a text; null where it holds none. What it does not say is empty.</summary>
    /// <exception cref="GuardException">It has more lines than any card.</exception>
    public static Contact? Read(string text, Guard? guard = null)
    {
        var lines = text.ReplaceLineEndings("\n")
            .Replace("\n ", "", StringComparison.Ordinal)
            .Replace("\n\t", "", StringComparison.Ordinal)
            .Split('\n')
            .SkipWhile(line => !line.Trim().Equals("BEGIN:VCARD", StringComparison.OrdinalIgnoreCase))
            .TakeWhile(line => !line.Trim().Equals("END:VCARD", StringComparison.OrdinalIgnoreCase))
            .Skip(1)
            .ToList();
        if (lines.Count == 0)
        {
            return null;
        }

        lines.ForEach(_ => guard?.Part());
        var address = Parts(First("ADR"), ';');
        var name = Plain(First("FN"));
        var telephone = Plain(First("TEL"));
        var country = Plain(address.ElementAtOrDefault(6));
        return new Contact(
            name.Length > 0 ? name : Named(Parts(First("N"), ';')),
            Plain(First("EMAIL")),
            Plain(address.ElementAtOrDefault(2)).Replace("\n", ", ", StringComparison.Ordinal),
            Plain(address.ElementAtOrDefault(3)),
            Plain(address.ElementAtOrDefault(5)),
            Code(country),
            telephone.StartsWith("tel:", StringComparison.OrdinalIgnoreCase) ? telephone[4..] : telephone,
            Plain(Parts(First("ORG"), ';').FirstOrDefault()) is { Length: > 0 } organisation ? organisation : null,
            Plain(address.ElementAtOrDefault(4)) is { Length: > 0 } state ? state : null
        );

        // "item1.TEL;TYPE=home:…": groups and parameters are passed over.
        string First(string property) =>
            lines
                .Select(line => (Line: line, Colon: Colon(line)))
                .Where(line =>
                    line.Colon > 0 && Name(line.Line[..line.Colon]).Equals(property, StringComparison.OrdinalIgnoreCase)
                )
                .Select(line => line.Line[(line.Colon + 1)..])
                .FirstOrDefault()
            ?? "";
    }

    private static string Name(string head)
    {
        var name = head.Split(';')[0];
        return name[(name.LastIndexOf('.') + 1)..].Trim();
    }

    // The colon that ends the head: not one within quotation marks.
    private static int Colon(string line)
    {
        var isQuoted = false;
        for (var at = 0; at < line.Length; at++)
        {
            isQuoted ^= line[at] == '"';
            if (line[at] == ':' && !isQuoted)
            {
                return at;
            }
        }

        return -1;
    }

    private static string Named(IReadOnlyList<string> parts) =>
        string.Join(
            ' ',
            new[] { parts.ElementAtOrDefault(1), parts.ElementAtOrDefault(0) }
                .Select(part => Plain(part))
                .Where(part => part.Length > 0)
        );

    // A country's code, or its English name.
    private static string Code(string country) =>
        country.Length == 2
            ? country.ToUpperInvariant()
            : Countries
                .All.FirstOrDefault(known =>
                    new System.Globalization.RegionInfo(known.Code).EnglishName.Equals(
                        country,
                        StringComparison.OrdinalIgnoreCase
                    )
                )
                ?.Code
                ?? "";

    private static List<string> Parts(string value, char mark)
    {
        var (parts, part) = (new List<string>(), new StringBuilder());
        for (var at = 0; at < value.Length; at++)
        {
            if (value[at] == '\\' && at + 1 < value.Length)
            {
                part.Append(value[at]).Append(value[++at]);
            }
            else if (value[at] == mark)
            {
                parts.Add(part.ToString());
                part.Clear();
            }
            else
            {
                part.Append(value[at]);
            }
        }

        return [.. parts, part.ToString()];
    }

    private static string Plain(string? value)
    {
        var text = new StringBuilder();
        for (var at = 0; at < value?.Length; at++)
        {
            text.Append(
                value[at] != '\\' || at + 1 == value.Length ? value[at]
                : value[++at] is 'n' or 'N' ? '\n'
                : value[at]
            );
        }

        return text.ToString().Trim();
    }

    private static string Escaped(string text) =>
        PlainText
            .Escaped(text)
            .Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace(";", "\\;", StringComparison.Ordinal)
            .Replace(",", "\\,", StringComparison.Ordinal)
            .ReplaceLineEndings("\\n");
}
