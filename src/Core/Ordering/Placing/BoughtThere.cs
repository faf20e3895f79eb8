using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Ordering;

/// <summary>
/// What an owner tells of buying at the sellers' own pages: no counterpart was asked for any of it, and none knows of
/// it.
/// </summary>
/// <param name="NotedOn">The business date on which it was told.</param>
/// <param name="Receipts">One for each seller that was paid on the day.</param>
public sealed record BoughtThere(DateOnly NotedOn, ImmutableArray<SellerReceipt> Receipts, TypedKeys Keys)
{
    /// <summary>The last day on which the card that was given there is good; null: it was not told.</summary>
    public DateOnly? CardExpires { get; init; }

    /// <summary>How many sellers, and how many lines of a receipt, can be told of.</summary>
    public const int MostLines = 40;
}

/// <summary>What one seller took on the day.</summary>
/// <param name="Reference">The number the seller gave; null: none was told.</param>
/// <param name="Paid">With tax.</param>
/// <param name="Lines">As they stand on it; none where only the sum was told.</param>
public sealed record SellerReceipt(string Book, string? Reference, Money Paid, ImmutableArray<ReceiptEntry> Lines);

/// <param name="What">In the seller's words.</param>
public sealed record ReceiptEntry(string What, Money Amount);

/// <summary>A key sheet as its owner filled it in. No secret has a place on it.</summary>
/// <param name="LogIn">The address where one logs in.</param>
/// <param name="Notes">Whatever else is to be found again.</param>
public sealed record TypedKeys(
    string? LogIn,
    string? User,
    string? Server,
    string? IPv4,
    string? IPv6,
    ImmutableArray<string> NameServers,
    string? FileServer,
    string? MailServer,
    string? Notes
)
{
    /// <summary>Nothing was filled in.</summary>
    public static readonly TypedKeys None = new(null, null, null, null, null, [], null, null, null);

    /// <summary>Where names are taken in by these keys; null: they do not say at which address.</summary>
    public HostEntry? AsEntry() =>
        (IPv4 ?? IPv6) is null ? null : new HostEntry(NameServers, IPv4 ?? "", IPv6 ?? "", MailServer ?? "", null, []);
}
