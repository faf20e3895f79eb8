using System.Collections.Immutable;

namespace HomeStart.Core.Pages;

/// <summary>
/// Reads the words of one offer, an advertisement in sentences, into the fields of the form beside it. What is not
/// certain stays empty: a field left empty asks the owner, a field read wrong misleads them.
/// </summary>
public static class ProseReader
{
    /// <summary>The longest text that is read, in characters; what is beyond is passed over.</summary>
    public const int Longest = ProseText.Longest;

    /// <summary>What can be read, in the order of the fields, each field at most once.</summary>
    public static ImmutableArray<Finding> Read(string text)
    {
        var sentences = ProseText.Sentences(text.Length > Longest ? text[..Longest] : text);
        var promises = ProsePromises.Read(sentences);
        var found = ProseNames
            .In(sentences)
            .Concat(promises.Found)
            .Concat(ProsePrices.Read(sentences, promises.Rest).Found);

        // Said twice in different ways ("no set-up fee" and a fee), it is not certain.
        return
        [
            .. found
                .GroupBy(finding => finding.Field)
                .Where(same => same.Select(finding => finding.Value).Distinct(StringComparer.Ordinal).Count() == 1)
                .OrderBy(same => same.Key)
                .Select(same => same.First()),
        ];
    }
}
