using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>Extras and codes entered at one book, and what they come to.</summary>
/// <param name="CodeSet">Which of the sets of codes worth entering it is.</param>
internal sealed record Entered(ImmutableArray<AddOnChoice> Extras, int CodeSet, ImmutableArray<string> Codes, Account Account);
