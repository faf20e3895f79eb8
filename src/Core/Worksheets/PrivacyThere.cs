using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Worksheets;

/// <summary>How the holder of a new name is kept out of the public record at a seller.</summary>
/// <param name="FirstYear">For <see cref="PrivacyWay.Sold"/>: the first year, in minor units of the book's currency;
/// null: not stated.</param>
/// <param name="LaterYear">So for each year after the last price step.</param>
/// <param name="Extra">For <see cref="PrivacyWay.Sold"/>: the id of the extra that does it.</param>
public sealed record PrivacyThere(
    PrivacyWay Way,
    Minor? FirstYear = null,
    Minor? LaterYear = null,
    string? Extra = null
)
{
    private const string Tag = "privacy";

    /// <summary>No price is still to change by then.</summary>
    private const int LastYear = 100;

    internal static PrivacyThere Find(Candidate candidate, EndingSeller seller) =>
        Find(candidate, seller.Book, seller.Price);

    /// <summary>
    /// At a seller of a name's ending; with the plan's own extras where that is the candidate's host.
    /// </summary>
    public static PrivacyThere Find(Candidate candidate, OfferBook seller, DomainPrice price)
    {
        var rule = price.PublicRecord?.Privacy;
        var extra = seller.AddOns.FirstOrDefault(addOn => addOn is { For: AddOnFor.Domain, Provides: Tag });
        var plan = seller.Id == candidate.Hosting?.Book ? seller.Plan(candidate.Hosting.Plan) : null;
        return rule == RecordPrivacy.Forbidden ? new PrivacyThere(PrivacyWay.Forbidden)
            : extra is not null && (price.Includes.Contains(extra.Id) || plan?.Includes.Contains(extra.Id) == true)
                ? new PrivacyThere(PrivacyWay.Included, Extra: extra.Id)
            : rule == RecordPrivacy.ByDefault ? new PrivacyThere(PrivacyWay.ByDefault)
            : extra is not null ? new PrivacyThere(PrivacyWay.Sold, Year(extra, 0), Year(extra, LastYear), extra.Id)
            : new PrivacyThere(PrivacyWay.NotSold);
    }

    private static Minor? Year(AddOn extra, int year) => ChargeSchedule.WithYears(extra, year, 1).OrNull;
}

/// <summary>How a holder's details are kept out of the public record.</summary>
public enum PrivacyWay
{
    /// <summary>Contact privacy comes with the name.</summary>
    Included,

    /// <summary>Contact privacy is sold there.</summary>
    Sold,

    /// <summary>The registry leaves a private person's details out by itself.</summary>
    ByDefault,

    /// <summary>The registry forbids it.</summary>
    Forbidden,

    /// <summary>That seller has none.</summary>
    NotSold,
}
