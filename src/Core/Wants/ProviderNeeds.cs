using HomeStart.Core.Offers;

namespace HomeStart.Core.Wants;

/// <summary>
/// The needs that a provider or plan meets or not, whatever is bought with it: platform, support, refund days; and the
/// regions (scan rules 1 and 5).
/// </summary>
internal static class ProviderNeeds
{
    /// <summary>Whether any is asked for.</summary>
    public static bool Any(Needs needs) =>
        !needs.Regions.IsEmpty || needs.Platform is not null || !needs.Support.IsEmpty || needs.MinRefundDays > 0;

    /// <summary>
    /// Those asked for, in the order of the needs, with whether they are met. What is not stated meets a need only
    /// where the needs accept that.
    /// </summary>
    public static IEnumerable<(Reason Reason, bool IsMet)> Check(Needs needs, OfferBook book, Plan plan)
    {
        if (!needs.Regions.IsEmpty)
        {
            var met = book.DataCentres.IsEmpty
                ? needs.AcceptUnknown
                : book.DataCentres.Any(centre =>
                    centre.Region is not null && needs.Regions.Contains(centre.Region, StringComparer.Ordinal)
                );
            yield return (
                new Reason(
                    "regions",
                    new ReasonValue(
                        Words: [.. book.DataCentres.Select(centre => centre.Region).OfType<string>().Distinct()]
                    ),
                    new ReasonValue(Words: needs.Regions)
                ),
                met
            );
        }

        if (needs.Platform is { } platform)
        {
            var platforms = plan.Features["platforms"];
            var met = platforms is null
                ? needs.AcceptUnknown
                : platforms.Words?.Contains(platform, StringComparer.Ordinal) == true;
            yield return (new Reason("platform", ReasonValue.From(platforms), new ReasonValue(Word: platform)), met);
        }

        if (!needs.Support.IsEmpty)
        {
            var support = book.Provider.Support;
            var met = support is { } channels
                ? needs.Support.All(channel => channels.Contains(channel, StringComparer.Ordinal))
                : needs.AcceptUnknown;
            yield return (
                new Reason(
                    "support",
                    support is null ? null : new ReasonValue(Words: support),
                    new ReasonValue(Words: needs.Support)
                ),
                met
            );
        }

        if (needs.MinRefundDays > 0)
        {
            var met = book.Refund is { } refund ? refund.Days >= needs.MinRefundDays : needs.AcceptUnknown;
            yield return (
                new Reason(
                    "minRefundDays",
                    book.Refund is null ? null : new ReasonValue(Number: book.Refund.Days),
                    new ReasonValue(Number: needs.MinRefundDays)
                ),
                met
            );
        }
    }
}
