using HomeStart.Core.Offers;

namespace HomeStart.Core.Costings;

/// <summary>
/// The order of rule 30: by kind; domains as the candidate lists them; in other kinds the host's book first, then by
/// book id; extras and promotions in book order, automatic ones first.
/// </summary>
internal sealed class RowOrder : IComparer<RowKey>
{
    private readonly OfferBook? _host;
    private readonly List<(OfferBook? Book, string Ref)> _domains;

    private RowOrder(Purchase purchase)
    {
        _host = purchase.Hosting?.Book;
        _domains = [.. purchase.Domains.Select(domain => (domain.Book, domain.Choice.Ref))];
    }

    public static RowOrder For(Purchase purchase) => new(purchase);

    public int Compare(RowKey? left, RowKey? right)
    {
        if (left!.Kind != right!.Kind)
        {
            return left.Kind.CompareTo(right.Kind);
        }

        if (left.Kind == RowKind.Domain)
        {
            return PlaceOfDomain(left).CompareTo(PlaceOfDomain(right));
        }

        var hosts = (!ReferenceEquals(left.Book, _host)).CompareTo(!ReferenceEquals(right.Book, _host));
        var books = hosts != 0 ? hosts : string.CompareOrdinal(left.Book?.Id, right.Book?.Id);
        return books != 0 ? books : PlaceInBook(left).CompareTo(PlaceInBook(right));
    }

    private int PlaceOfDomain(RowKey key) =>
        _domains.FindIndex(domain => ReferenceEquals(domain.Book, key.Book) && domain.Ref == key.Ref);

    private static int PlaceInBook(RowKey key)
    {
        if (key.Kind == RowKind.Code)
        {
            var place = key.Book!.Promotions.IndexOf(key.Promotion!);
            return key.Promotion!.IsAutomatic ? place - key.Book.Promotions.Length : place;
        }

        for (var place = 0; key.Kind == RowKind.AddOn && place < key.Book!.AddOns.Length; place++)
        {
            if (key.Book.AddOns[place].Id == key.Ref)
            {
                return place;
            }
        }

        return 0;
    }
}
