using System.Collections.Immutable;

namespace HomeStart.Core.Slips;

/// <summary>What its owner ticked off on a slip.</summary>
/// <param name="Done">Each step in its words, with its seller's book before it.</param>
public sealed record SlipTicks(ImmutableArray<string> Done);
