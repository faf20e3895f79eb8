using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Wants;

/// <summary>
/// The needs with one of them dropped, for each that asks for something; the domain itself is not dropped.
/// </summary>
internal static class NeedsWithoutOne
{
    public static IEnumerable<(string Need, ReasonValue Wants, Needs Without)> ListAll(Needs needs, Currency display)
    {
        foreach (var name in Needs.NumberNames.Where(needs.Numbers.ContainsKey))
        {
            yield return (
                name,
                new ReasonValue(Number: needs.Numbers[name]),
                needs with
                {
                    Numbers = needs.Numbers.Remove(name),
                }
            );
        }

        if (needs.Certificate > CertificateLevel.None)
        {
            yield return (
                "certificate",
                new ReasonValue(Word: needs.Certificate.ToString().ToLowerInvariant()),
                needs with
                {
                    Certificate = CertificateLevel.None,
                }
            );
        }

        foreach (var tag in needs.Extras.Distinct())
        {
            yield return (
                "extras",
                new ReasonValue(Word: tag),
                needs with
                {
                    Extras = needs.Extras.RemoveAll(other => other == tag),
                }
            );
        }

        foreach (var other in Others(needs, display))
        {
            yield return other;
        }
    }

    private static IEnumerable<(string Need, ReasonValue Wants, Needs Without)> Others(Needs needs, Currency display)
    {
        if (!needs.Regions.IsEmpty)
        {
            yield return ("regions", Words(needs.Regions), needs with { Regions = [] });
        }

        if (needs.Platform is { } platform)
        {
            yield return ("platform", new ReasonValue(Word: platform), needs with { Platform = null });
        }

        if (needs.Installer)
        {
            yield return ("installer", new ReasonValue(Flag: true), needs with { Installer = false });
        }

        if (needs.OwnIp)
        {
            yield return ("ownIp", new ReasonValue(Flag: true), needs with { OwnIp = false });
        }

        if (!needs.Support.IsEmpty)
        {
            yield return ("support", Words(needs.Support), needs with { Support = [] });
        }

        if (needs.MinRefundDays > 0)
        {
            yield return (
                "minRefundDays",
                new ReasonValue(Number: needs.MinRefundDays),
                needs with
                {
                    MinRefundDays = 0,
                }
            );
        }

        if (needs.SamePrice)
        {
            yield return ("samePrice", new ReasonValue(Flag: true), needs with { SamePrice = false });
        }

        if (needs.MaxDueToday is { } most)
        {
            yield return (
                "maxDueToday",
                new ReasonValue(Word: new Money(most, display).ToAmount()),
                needs with
                {
                    MaxDueToday = null,
                }
            );
        }
    }

    private static ReasonValue Words(ImmutableArray<string> words) => new(Words: words);
}
