using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Online;

/// <summary>
/// The mail addresses of a hosting account: boxes, addresses that pass mail on, and where everything else goes.
/// </summary>
/// <param name="Boxes">Whole addresses, in lower case.</param>
/// <param name="CatchAll">Where mail to an address that is not set up goes; null: it is refused.</param>
public sealed record MailSetUp(ImmutableArray<string> Boxes, ImmutableArray<MailForward> Forwards, string? CatchAll)
{
    /// <summary>No address is set up yet.</summary>
    public static readonly MailSetUp None = new([], [], null);

    /// <summary>The most addresses of an account, boxes and forwards together.</summary>
    public const int MostAddresses = 500;

    private const int LongestLocal = 64;

    /// <summary>Where mail to an address ends up: in a box, somewhere else, or nowhere (null).</summary>
    public string? Delivers(string address)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        var asked = address.ToLowerInvariant();
        for (var at = asked; seen.Add(at); )
        {
            if (Boxes.Contains(at))
            {
                return at;
            }

            if (Forwards.FirstOrDefault(forward => forward.From == at) is not { } forward)
            {
                return at != asked ? at
                    : CatchAll is { } all && all != at ? Delivers(all) ?? all
                    : null;
            }

            at = forward.To;
        }

        return null;
    }

    /// <summary>Reports all that is wrong.</summary>
    /// <param name="domains">The domains that mail comes in for.</param>
    /// <param name="boxes">How many boxes the plan, with its extras, allows; null: without a limit, or not
    /// known.</param>
    public void Check(IReadOnlyCollection<DomainName> domains, int? boxes, FaultList faults)
    {
        if (Boxes.Length + Forwards.Length > MostAddresses)
        {
            faults.Add(
                FaultCodes.OutOfRange,
                "boxes",
                new PlanUsedUp(PlanLimit.Mailboxes, Boxes.Length + Forwards.Length, MostAddresses)
            );
            return;
        }

        if (boxes is { } most && Boxes.Length > most)
        {
            faults.Add(FaultCodes.OutOfRange, "boxes", new PlanUsedUp(PlanLimit.Mailboxes, Boxes.Length, most));
        }

        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var (at, box) in Boxes.Index())
        {
            CheckOwn(box, $"boxes[{at}]", domains, seen, faults);
        }

        foreach (var (at, forward) in Forwards.Index())
        {
            CheckOwn(forward.From, $"forwards[{at}].from", domains, seen, faults);
            if (!IsAddress(forward.To))
            {
                Add(faults, $"forwards[{at}].to", MailboxFlaw.Address, forward.To);
            }
            else if (IsLoop(forward))
            {
                Add(faults, $"forwards[{at}].to", MailboxFlaw.Loop, forward.To);
            }
        }

        if (CatchAll is { } all && (!IsAddress(all) || (IsAt(all, domains) && !Boxes.Contains(all))))
        {
            Add(faults, "catchAll", IsAddress(all) ? MailboxFlaw.NoSuchBox : MailboxFlaw.Address, all);
        }
    }

    private bool IsLoop(MailForward from)
    {
        var next = from;
        for (var step = 0; next is not null && step <= Forwards.Length; step++)
        {
            if (next.To == from.From)
            {
                return true;
            }

            next = Forwards.FirstOrDefault(forward => forward.From == next.To);
        }

        return false;
    }

    private static void CheckOwn(
        string address,
        string where,
        IReadOnlyCollection<DomainName> domains,
        HashSet<string> seen,
        FaultList faults
    )
    {
        var flaw =
            !IsAddress(address) ? MailboxFlaw.Address
            : !IsAt(address, domains) ? MailboxFlaw.OtherDomain
            : !seen.Add(address) ? MailboxFlaw.Twice
            : (MailboxFlaw?)null;
        if (flaw is { } wrong)
        {
            Add(faults, where, wrong, address);
        }
    }

    private static void Add(FaultList faults, string where, MailboxFlaw flaw, string address) =>
        faults.Add(FaultCodes.BadType, where, new MailboxFlawed(flaw, address));

    private static bool IsAt(string address, IReadOnlyCollection<DomainName> domains) =>
        domains.Any(domain => address.EndsWith("@" + domain, StringComparison.Ordinal));

    // Letters, digits and the signs that every mail program takes (RFC 5321, dot-string), in lower case.
    private static bool IsAddress(string text) =>
        text.Split('@') is [{ Length: > 0 and <= LongestLocal } local, var domain]
        && DomainName.Parse(domain)?.Text == domain
        && local
            .Split('.')
            .All(part =>
                part.Length > 0
                && part.All(letter =>
                    char.IsAsciiLetterLower(letter) || char.IsAsciiDigit(letter) || letter is '-' or '_' or '+'
                )
            );
}

/// <summary>An address that passes its mail on.</summary>
public sealed record MailForward(string From, string To);

/// <summary>What is wrong with a mail address that was to be set up.</summary>
public enum MailboxFlaw
{
    /// <summary>No mail address, in lower case.</summary>
    Address,

    /// <summary>At a domain that does not belong to this hosting.</summary>
    OtherDomain,

    /// <summary>Set up already.</summary>
    Twice,

    /// <summary>Mail that goes round in a circle.</summary>
    Loop,

    /// <summary>Mail for a box that is not there.</summary>
    NoSuchBox,
}
