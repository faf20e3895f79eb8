using System.Collections.Immutable;

namespace HomeStart.Core.Advertising;

/// <summary>
/// Reads an advertisement's own words (English) into the fields of <see cref="Advertisement"/>. What is not said for certain stays empty: a field left empty asks the
/// owner, a field read wrong misleads them.
/// </summary>
public static class AdvertisementText
{
    /// <summary>The longest text that is read, in characters; what is beyond is passed over.</summary>
    public const int Longest = AdText.Longest;

    /// <summary>What can be read, in the order of the fields, each field at most once.</summary>
    public static ImmutableArray<Finding> Read(string text)
    {
        var sentences = AdText.Sentences(text.Length > Longest ? text[..Longest] : text);
        var promises = AdPromises.Of(sentences);
        var found = AdNames.In(sentences).Concat(promises.Found).Concat(AdPrices.Of(sentences, promises.Rest).Found);

        // Said twice in different ways ("no set-up fee" and a fee), it is not certain.
        return [.. found.GroupBy(finding => finding.Field).Where(same => same.Select(finding => finding.Value).Distinct(StringComparer.Ordinal).Count() == 1).OrderBy(same => same.Key).Select(same => same.First())];
    }
}
