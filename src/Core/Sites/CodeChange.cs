using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Sites;

/// <summary>
/// Entering codes and taking them off. A code belongs to the book that knows it; one that no book here knows is tried
/// where the hosting is bought, so that its verdict is seen.
/// </summary>
public static class CodeChange
{
    /// <summary>How many codes one candidate can try.</summary>
    public const int Most = 20;

    private const int Longest = 60;

    /// <summary>The candidate with a code tried too.</summary>
    public static Candidate With(Candidate candidate, string typed, IReadOnlyList<OfferBook> books, FaultList faults)
    {
        var code = typed.Trim();
        if (code.Length is 0 or > Longest)
        {
            faults.Add(code.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange, "code", new CodeLength(Longest));
        }

        if (Entered(candidate).Length >= Most)
        {
            faults.Add(FaultCodes.OutOfRange, "code", new TooManyCodes(Most));
        }

        var without = Without(candidate, code);
        if (
            without.Domains is [{ IsBought: true } domain, ..]
            && domain.Book != without.Hosting?.Book
            && Knows(domain.Book)
            && !Knows(without.Hosting?.Book)
        )
        {
            return without with
            {
                Domains = without.Domains.SetItem(0, domain with { Codes = domain.Codes.Add(code) }),
            };
        }

        var hosting = without.Hosting ?? new HostingChoice(null, null, null, null);
        return without with { Hosting = hosting with { Codes = hosting.Codes.Add(code) } };

        bool Knows(string? id) => books.FirstOrDefault(book => book.Id == id)?.PromotionOf(code) is not null;
    }

    /// <summary>The candidate without a code, whatever its case.</summary>
    public static Candidate Without(Candidate candidate, string code) =>
        Keeping(candidate, entered => !Ascii.EqualsIgnoreCase(entered, code));

    /// <summary>These codes in place of all entered before.</summary>
    public static Candidate Using(
        Candidate candidate,
        ImmutableArray<string> codes,
        IReadOnlyList<OfferBook> books,
        FaultList faults
    ) => codes.Aggregate(Keeping(candidate, _ => false), (with, code) => With(with, code, books, faults));

    /// <summary>All codes of a candidate, the hosting's first.</summary>
    public static ImmutableArray<string> Entered(Candidate candidate) =>
        [.. candidate.Hosting?.Codes ?? [], .. candidate.Domains.SelectMany(domain => domain.Codes)];

    private static Candidate Keeping(Candidate candidate, Predicate<string> keeps) =>
        candidate with
        {
            Hosting = candidate.Hosting is null
                ? null
                : candidate.Hosting with
                {
                    Codes = candidate.Hosting.Codes.RemoveAll(code => !keeps(code)),
                },
            Domains =
            [
                .. candidate.Domains.Select(domain =>
                    domain with
                    {
                        Codes = domain.Codes.RemoveAll(code => !keeps(code)),
                    }
                ),
            ],
        };
}
