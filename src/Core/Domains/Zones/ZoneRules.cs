using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Domains;

/// <summary>
/// What the records of a zone must be like, each by itself and all together (RFC 1035, 2181, 2782, 7208, 8659).
/// </summary>
public static class ZoneRules
{
    /// <summary>The least seconds a record is remembered for.</summary>
    public const int LeastTtl = 30;

    /// <summary>The most: a week.</summary>
    public const int MostTtl = 7 * 86_400;

    /// <summary>The most bytes of a text: it travels in pieces of 255.</summary>
    public const int LongestText = 4_000;

    /// <summary>The most records of a zone.</summary>
    public const int MostRecords = 500;

    private static readonly string[] AuthorityTags = ["issue", "issuewild", "iodef"];

    /// <summary>Reports all that is wrong, each at <c>records[i]</c>.</summary>
    public static void Check(DomainName domain, ImmutableArray<ResourceRecord> records, FaultList faults)
    {
        if (records.Length > MostRecords)
        {
            faults.Add(FaultCodes.OutOfRange, "records", new TooManyRecords(MostRecords, records.Length));
            return;
        }

        foreach (var (at, record) in records.Index())
        {
            foreach (var (field, flaw) in FlawsOf(domain, record).Concat(Beside(domain, records, at)))
            {
                faults.Add(
                    flaw is RecordFlaw.Ttl or RecordFlaw.OwnerTooLong ? FaultCodes.OutOfRange : FaultCodes.BadType,
                    $"records[{at}].{field}",
                    new RecordFlawed(flaw)
                );
            }
        }
    }

    private static IEnumerable<(string Field, RecordFlaw Flaw)> FlawsOf(DomainName domain, ResourceRecord record)
    {
        if (!IsOwner(record.Owner))
        {
            yield return ("owner", RecordFlaw.Owner);
        }
        else if (FullName(domain, record.Owner).Length > DomainName.Longest)
        {
            yield return ("owner", RecordFlaw.OwnerTooLong);
        }

        if (record.TtlSeconds is < LeastTtl or > MostTtl)
        {
            yield return ("ttlSeconds", RecordFlaw.Ttl);
        }

        if (
            record.Type == RecordType.Mx
                ? record.Preference is not (>= 0 and <= ushort.MaxValue)
                : record.Preference is not null
        )
        {
            yield return ("preference", RecordFlaw.Preference);
        }

        if (DataFlaw(record) is { } flaw)
        {
            yield return (flaw == RecordFlaw.ServiceOwner ? "owner" : "data", flaw);
        }
    }

    private static RecordFlaw? DataFlaw(ResourceRecord record) =>
        record.Type switch
        {
            RecordType.A => IpText.IsV4(record.Data) ? null : RecordFlaw.Address,
            RecordType.Aaaa => IpText.IsV6(record.Data) ? null : RecordFlaw.LongAddress,
            RecordType.Cname or RecordType.Mx => IsTarget(record.Data) ? null : RecordFlaw.Target,
            RecordType.Txt => record.Data.Length > 0
            && !record.Data.Any(char.IsControl)
            && Encoding.UTF8.GetByteCount(record.Data) <= LongestText
                ? null
                : RecordFlaw.Text,
            RecordType.Caa => IsAuthority(record.Data) ? null : RecordFlaw.Authority,
            RecordType.Srv => !IsService(record.Data) ? RecordFlaw.Service
            : record.Owner.Split('.') is [['_', _, ..], ['_', _, ..], ..] ? null
            : RecordFlaw.ServiceOwner,
            _ => throw new InvalidOperationException($"There are no records of type {record.Type}."),
        };

    // What only shows beside the others, at the later of two.
    private static IEnumerable<(string Field, RecordFlaw Flaw)> Beside(
        DomainName domain,
        ImmutableArray<ResourceRecord> records,
        int at
    )
    {
        var record = records[at];
        var others = records.Where((other, index) => index != at && Same(other.Owner, record.Owner)).ToList();
        if (record.Type == RecordType.Cname)
        {
            if (record.Owner == "@")
            {
                yield return ("owner", RecordFlaw.AliasAtApex);
            }
            else if (others.Count > 0)
            {
                yield return ("owner", RecordFlaw.AliasBesideOthers);
            }

            if (Loops(domain, records, record))
            {
                yield return ("data", RecordFlaw.AliasLoop);
            }
        }

        if (
            record.Type == RecordType.Mx
            && records.Any(other =>
                other.Type == RecordType.Cname && Same(FullName(domain, other.Owner) + ".", record.Data)
            )
        )
        {
            yield return ("data", RecordFlaw.MailToAlias);
        }

        var earlier = records
            .Take(at)
            .Where(other => Same(other.Owner, record.Owner) && other.Type == record.Type)
            .ToList();
        if (
            earlier.Exists(other =>
                record.Type == RecordType.Txt ? other.Data == record.Data : Same(other.Data, record.Data)
            )
        )
        {
            yield return ("data", RecordFlaw.Twice);
        }
        else if (SaysSenders(record) && earlier.Exists(SaysSenders))
        {
            yield return ("data", RecordFlaw.TwoSenders);
        }
    }

    private static bool Loops(DomainName domain, ImmutableArray<ResourceRecord> records, ResourceRecord from)
    {
        var (begun, seen, next) = (FullName(domain, from.Owner) + ".", 0, from);
        while (next is not null && seen++ <= records.Length)
        {
            if (Same(next.Data, begun))
            {
                return true;
            }

            next = records.FirstOrDefault(other =>
                other.Type == RecordType.Cname && Same(FullName(domain, other.Owner) + ".", next.Data)
            );
        }

        return false;
    }

    /// <summary>Whether a text record says who may send mail for its owner (SPF).</summary>
    public static bool SaysSenders(ResourceRecord record) =>
        record.Type == RecordType.Txt
        && (Same(record.Data, "v=spf1") || record.Data.StartsWith("v=spf1 ", StringComparison.OrdinalIgnoreCase));

    /// <summary>An owner with its domain, without the dot at its end.</summary>
    public static string FullName(DomainName domain, string owner) => owner == "@" ? domain.Text : $"{owner}.{domain}";

    // Labels may begin with a low line (services), and a star stands for every name that is not there.
    private static bool IsOwner(string owner) =>
        owner == "@"
        || owner.Split('.').Index().All(part => (part.Index == 0 && part.Item == "*") || IsLabel(part.Item));

    private static bool IsLabel(string label) =>
        label.Length is > 0 and <= DomainLabel.Longest
        && label[0] != '-'
        && label[^1] != '-'
        && label.All(letter => char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter is '-' or '_');

    private static bool IsTarget(string text) =>
        text.EndsWith('.')
        && text.Length <= DomainName.Longest + 1
        && text.Length > 1
        && text[..^1].Split('.').All(label => IsLabel(label.ToLowerInvariant()));

    private static bool IsAuthority(string data) =>
        data.Split(' ', 3) is [var flag, var tag, { Length: >= 2 and <= 250 } value]
        && flag is "0" or "128"
        && AuthorityTags.Contains(tag)
        && value[0] == '"'
        && value[^1] == '"'
        && !value[1..^1].Contains('"', StringComparison.Ordinal)
        && value.All(letter => letter is >= ' ' and <= '~');

    private static bool IsService(string data) =>
        data.Split(' ') is [var priority, var weight, var port, var target]
        && new[] { priority, weight, port }.All(IsSmall)
        && (target == "." || IsTarget(target));

    private static bool IsSmall(string text) =>
        ushort.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out _);

    private static bool Same(string one, string other) => string.Equals(one, other, StringComparison.OrdinalIgnoreCase);
}
