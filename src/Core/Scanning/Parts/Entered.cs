using System.Collections.Immutable;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Scanning;

/// <summary>Extras and codes entered at one book, and what they come to.</summary>
/// <param name="CodeSet">Which of the sets of codes worth entering it is.</param>
internal sealed record Entered(
    ImmutableArray<AddOnChoice> Extras,
    int CodeSet,
    ImmutableArray<string> Codes,
    Account Account
);
