using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using HomeStart.Formats.Foreign;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Online;

/// <summary>
/// Reads a zone file (RFC 1035, section 5): comments, brackets over several lines, quoted texts, $ORIGIN and $TTL,
/// owners left out, times such as 1h. What the host keeps itself (SOA and the name servers of the domain) is passed
/// over; a type that is not kept here is a fault at its line.
/// </summary>
public static class ZoneFileReader
{
    /// <summary>The most characters of a file.</summary>
    public const int Longest = 256 * 1024;

    private static readonly string[] Skipped =
    [
        "SOA",
        "NS",
        "DNSKEY",
        "RRSIG",
        "NSEC",
        "NSEC3",
        "NSEC3PARAM",
        "DS",
        "CDS",
        "CDNSKEY",
    ];

    /// <summary>
    /// The records, in their order; what is wrong stands in <paramref name="faults"/> with the number of its line.
    /// </summary>
    public static ImmutableArray<ResourceRecord> Read(
        string text,
        DomainName domain,
        FaultList faults,
        CancellationToken cancel = default
    )
    {
        var (records, stopped) = Guard.Read(GuardLimits.ZoneFile, guard => Read(text, domain, faults, guard), cancel);
        if (stopped is not null)
        {
            faults.Say(FaultCodes.OutOfRange, "zoneFile", stopped);
        }

        return records is null ? [] : [.. records];
    }

    private static List<ResourceRecord> Read(string text, DomainName domain, FaultList faults, Guard guard)
    {
        if (text.Length > Longest)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "zoneFile",
                $"This file has {text.Length} characters; at most {Longest} are read."
            );
            return [];
        }

        var (origin, ttl, owner, records) = (
            domain.Text,
            Pointing.TtlSeconds,
            default(string),
            new List<ResourceRecord>()
        );
        foreach (var (line, words) in Entries(text, faults))
        {
            guard.Part();
            if (words[0].Text.StartsWith('$'))
            {
                if (words is [{ Text: "$ORIGIN" }, { Text: var name }])
                {
                    origin = Absolute(name, origin);
                }
                else if (words is [{ Text: "$TTL" }, { Text: var time }] && Seconds(time) is { } seconds)
                {
                    ttl = seconds;
                }
                else
                {
                    Say(faults, line, $"“{words[0].Text}” is not read here: put in what it stands for.");
                }

                continue;
            }

            var at = 0;
            if (words[0].IsFirst)
            {
                owner = Absolute(words[at++].Text, origin);
            }

            var own = ttl;
            while (
                at < words.Count
                && (
                    Seconds(words[at].Text) is not null
                    || words[at].Text.Equals("IN", StringComparison.OrdinalIgnoreCase)
                )
            )
            {
                own = Seconds(words[at++].Text) ?? own;
            }

            if (at >= words.Count || owner is null)
            {
                Say(faults, line, "This line says of no record what it is: owner, time, type and value.");
            }
            else if (
                !Skipped.Contains(words[at].Text.ToUpperInvariant())
                && Record(domain, origin, owner, own, words[at].Text, words[(at + 1)..], line, faults) is { } record
            )
            {
                records.Add(record);
            }
        }

        return records;
    }

    private static ResourceRecord? Record(
        DomainName domain,
        string origin,
        string owner,
        int ttl,
        string typed,
        List<Word> values,
        int line,
        FaultList faults
    )
    {
        if (
            RecordReader.Types.FirstOrDefault(known => known.Word.Equals(typed, StringComparison.OrdinalIgnoreCase))
            is not { Word: not null, Value: var type }
        )
        {
            Say(faults, line, $"“{typed}” records are not kept here.");
            return null;
        }

        if (owner != domain.Text && !owner.EndsWith("." + domain, StringComparison.Ordinal))
        {
            Say(faults, line, $"{owner} does not belong to {domain}.");
            return null;
        }

        var relative = owner == domain.Text ? "@" : owner[..^(domain.Text.Length + 1)];
        int? preference =
            type == RecordType.Mx
            && values is [{ Text: var first }, _]
            && int.TryParse(first, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
                ? number
                : null;
        var data = (type, values) switch
        {
            (RecordType.Txt, { Count: > 0 }) => string.Concat(values.Select(value => value.Text)),
            (RecordType.Mx, [_, { Text: var target }]) => Absolute(target, origin) + ".",
            (RecordType.Cname, [{ Text: var target }]) => Absolute(target, origin) + ".",
            (RecordType.Srv, [var priority, var weight, var port, { Text: var target }]) =>
                $"{priority.Text} {weight.Text} {port.Text} {(target == "." ? "." : Absolute(target, origin) + ".")}",
            (RecordType.Caa, [var flag, var tag, var value]) => $"{flag.Text} {tag.Text} \"{value.Text}\"",
            (RecordType.A or RecordType.Aaaa, [{ Text: var address }]) => address.ToLowerInvariant(),
            _ => null,
        };
        if (data is null)
        {
            Say(faults, line, $"A record of type {typed} has another number of values.");
        }

        return data is null ? null : new ResourceRecord(relative, ttl, type, data) { Preference = preference };
    }

    private static string Absolute(string name, string origin) =>
        name == "@" ? origin
        : name.EndsWith('.') ? name[..^1].ToLowerInvariant()
        : $"{name.ToLowerInvariant()}.{origin}";

    // 3600, or with units: 1h30m.
    private static int? Seconds(string text)
    {
        long sum = 0,
            part = 0;
        if (text.Length is 0 or > 12 || !char.IsAsciiDigit(text[0]))
        {
            return null;
        }

        foreach (var letter in text.ToLowerInvariant())
        {
            if (char.IsAsciiDigit(letter))
            {
                part = (10 * part) + (letter - '0');
                continue;
            }

            var unit = letter switch
            {
                's' => 1,
                'm' => 60,
                'h' => 3600,
                'd' => 86_400,
                'w' => 604_800,
                _ => 0,
            };
            if (unit == 0)
            {
                return null;
            }

            (sum, part) = (sum + (part * unit), 0);
        }

        return (int)Math.Min(int.MaxValue, sum + part);
    }

    private sealed record Word(string Text, bool IsFirst);

    // Lines joined where brackets are open, comments gone, quotation marks and backslashes read.
    private static IEnumerable<(int Line, List<Word> Words)> Entries(string text, FaultList faults)
    {
        var (words, depth, begun, number) = (new List<Word>(), 0, 0, 0);
        foreach (var line in text.ReplaceLineEndings("\n").Split('\n'))
        {
            number++;
            begun = depth == 0 ? number : begun;
            for (var at = 0; at < line.Length && line[at] != ';'; )
            {
                if (line[at] is ' ' or '\t')
                {
                    at++;
                }
                else if (line[at] is '(' or ')')
                {
                    depth += line[at++] == '(' ? 1 : -1;
                }
                else
                {
                    var isFirst = at == 0 && depth == 0;
                    var (word, isWhole) = Next(line, ref at);
                    if (!isWhole)
                    {
                        Say(faults, number, "A quotation mark is opened here and not closed.");
                    }

                    words.Add(new Word(word, isFirst));
                }
            }

            if (depth < 0)
            {
                Say(faults, number, "A bracket is closed here that was not opened.");
                depth = 0;
            }

            if (depth == 0 && words.Count > 0)
            {
                yield return (begun, words);
                words = [];
            }
        }

        if (depth > 0)
        {
            Say(faults, begun, "A bracket is opened here and not closed.");
        }
    }

    private static (string Word, bool IsWhole) Next(string line, ref int at)
    {
        var (word, quoted) = (new StringBuilder(), line[at] == '"');
        for (at += quoted ? 1 : 0; at < line.Length; at++)
        {
            var letter = line[at];
            if (quoted ? letter == '"' : letter is ' ' or '\t' or ';' or '(' or ')')
            {
                at += quoted ? 1 : 0;
                return (word.ToString(), true);
            }

            if (letter == '\\' && at + 1 < line.Length)
            {
                // Three digits are a byte, anything else stands for itself.
                if (
                    at + 3 < line.Length
                    && int.TryParse(
                        line.AsSpan(at + 1, 3),
                        NumberStyles.None,
                        CultureInfo.InvariantCulture,
                        out var code
                    )
                    && code <= 255
                )
                {
                    word.Append((char)code);
                    at += 3;
                }
                else
                {
                    word.Append(line[++at]);
                }

                continue;
            }

            word.Append(letter);
        }

        return (word.ToString(), !quoted);
    }

    private static void Say(FaultList faults, int line, string message) =>
        faults.Say(FaultCodes.BadType, $"zoneFile:{line}", message);
}
