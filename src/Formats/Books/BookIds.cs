using HomeStart.Formats.Words;

namespace HomeStart.Formats.Books;

/// <summary>
/// What the ids of a book on a shelf may be: 1 to 60 ASCII letters, digits, hyphens, underscores and dots, not dots
/// alone. They stand in addresses and name files. Books that were stored before with other ids are still read.
/// </summary>
public static class BookIds
{
    private const int Longest = 60;

    /// <summary>Whether an id is one.</summary>
    public static bool IsId(string id) =>
        id.Length is >= 1 and <= Longest
        && id.All(letter => char.IsAsciiLetterOrDigit(letter) || letter is '-' or '_' or '.')
        && id.Any(letter => letter != '.');

    /// <summary>
    /// Reports every id of a book that is none: its own, and those of its plans, extras, promotions and data centres.
    /// </summary>
    public static void Check(OfferBook book, FaultList faults)
    {
        One(book.Id, "id", faults);
        Each(book.Plans.Select(plan => plan.Id), "plans", faults);
        Each(book.DataCentres.Select(centre => centre.Id), "dataCentres", faults);
        Each(book.AddOns.Select(addOn => addOn.Id), "addOns", faults);
        Each(book.Promotions.Select(promotion => promotion.Id), "promotions", faults);
    }

    private static void Each(IEnumerable<string> ids, string list, FaultList faults)
    {
        foreach (var (index, id) in ids.Index())
        {
            One(id, $"{list}[{index}].id", faults);
        }
    }

    private static void One(string id, string where, FaultList faults)
    {
        if (!IsId(id))
        {
            faults.Say(
                FaultCodes.BadType,
                where,
                $"An id has 1 to {Longest} letters of a to z, digits, hyphens, underscores or dots, and is not "
                    + "dots alone."
            );
        }
    }
}
