using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Domains;

/// <summary>Sets of records that belong together, put into a zone in place of those that they contradict.</summary>
public enum ReadySet
{
    /// <summary>The domain and the name with www before it lead to the host.</summary>
    SiteHere,

    /// <summary>Mail is taken in by the host.</summary>
    MailHere,

    /// <summary>Mail is taken in by servers that are named; the site stays as it is.</summary>
    MailElsewhere,

    /// <summary>Nothing is to be seen at the domain; mail stays as it is.</summary>
    NothingButMail,

    /// <summary>Somebody sees from a text that the domain is the owner's.</summary>
    ProveByText,
}

/// <summary>Puts ready sets into zones.</summary>
public static class ReadySets
{
    private static readonly RecordType[] Leading = [RecordType.A, RecordType.Aaaa, RecordType.Cname];

    /// <summary>
    /// The records with a set put in. What it takes the place of is gone, everything else stays in its order.
    /// </summary>
    /// <param name="argument">For <see cref="ReadySet.MailElsewhere"/> the mail servers, separated by spaces, first
    /// first; for <see cref="ReadySet.ProveByText"/> the text.</param>
    /// <returns>Null, with the reason in <paramref name="faults"/>, where the argument is missing.</returns>
    public static ImmutableArray<ResourceRecord>? Put(
        ReadySet set,
        ImmutableArray<ResourceRecord> records,
        Pointing pointing,
        string? argument,
        FaultList faults
    )
    {
        var typed = argument?.Trim() ?? "";
        if (typed.Length == 0 && set is ReadySet.MailElsewhere or ReadySet.ProveByText)
        {
            faults.Add(FaultCodes.Required, "argument", new ReadySetArgument(set));
            return null;
        }

        var made = (pointing with { IsMailKept = false }).Records;
        return set switch
        {
            ReadySet.SiteHere =>
            [
                .. made.Where(record => Leading.Contains(record.Type)),
                .. records.Where(record => !LeadsAway(record)),
            ],
            ReadySet.MailHere => [.. records.Where(record => !IsMail(record)), .. made.Where(IsMail)],
            ReadySet.MailElsewhere => [.. records.Where(record => !IsMail(record)), .. Servers(typed)],
            ReadySet.NothingButMail => [.. records.Where(record => !LeadsAway(record))],
            ReadySet.ProveByText => [.. records, new ResourceRecord("@", Pointing.TtlSeconds, RecordType.Txt, typed)],
            _ => throw new InvalidOperationException($"There is no set {set}."),
        };
    }

    private static bool LeadsAway(ResourceRecord record) =>
        record.Owner is "@" or "www" && Leading.Contains(record.Type);

    private static bool IsMail(ResourceRecord record) =>
        record.Owner == "@" && (record.Type == RecordType.Mx || ZoneRules.SaysSenders(record));

    // First first, and those servers alone may send.
    private static IEnumerable<ResourceRecord> Servers(string typed) =>
        typed
            .Split([' ', ',', '\n', '\t', '\r'], StringSplitOptions.RemoveEmptyEntries)
            .Select(
                (server, at) =>
                    new ResourceRecord(
                        "@",
                        Pointing.TtlSeconds,
                        RecordType.Mx,
                        server.TrimEnd('.').ToLowerInvariant() + "."
                    )
                    {
                        Preference = 10 * (at + 1),
                    }
            )
            .Append(new ResourceRecord("@", Pointing.TtlSeconds, RecordType.Txt, "v=spf1 mx -all"));
}

/// <summary>In what a zone differs from another: what is taken out of it and what is put in.</summary>
public sealed record ZoneChange(ImmutableArray<ResourceRecord> Out, ImmutableArray<ResourceRecord> In)
{
    /// <summary>Whether nothing differs but the order.</summary>
    public bool IsNone => Out.IsEmpty && In.IsEmpty;

    /// <summary>From one zone to another.</summary>
    public static ZoneChange Between(ImmutableArray<ResourceRecord> before, ImmutableArray<ResourceRecord> after) =>
        new([.. before.Except(after)], [.. after.Except(before)]);
}
