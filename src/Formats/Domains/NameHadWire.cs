using HomeStart.Formats.Costings;

namespace HomeStart.Formats.Domains;

/// <summary>A name that the visitor has through an order.</summary>
/// <param name="Choice">What a candidate is given to use it.</param>
/// <param name="Expires">Until when it is paid.</param>
/// <param name="Renewal">What each later year of it costs, with tax; null: not stated.</param>
public sealed record NameHadWire(
    string Domain,
    string Seller,
    Guid OrderId,
    string Reference,
    Guid SiteId,
    DateOnly Expires,
    string? Renewal,
    string? Currency,
    DomainWire Choice
)
{
    public static NameHadWire From(NameHad had, string seller, Order order) =>
        new(
            had.Domain.Text,
            seller,
            order.Id,
            order.Reference,
            order.SiteId,
            had.Expires,
            had.Renewal?.ToAmount(),
            had.Renewal?.Currency.Code,
            DomainWire.From(had.Choice())
        );
}
