using System.Collections.Immutable;

namespace HomeStart.Core.Sites;

/// <summary>
/// The names that are looked for under some endings, all of them with each: a list that the owner is working through.
/// </summary>
public sealed record SoughtNames(ImmutableArray<SoughtName> Names, ImmutableArray<string> Endings)
{
    /// <summary>How many names a list holds.</summary>
    public const int MostNames = 500;

    /// <summary>How many endings they are looked for under.</summary>
    public const int MostEndings = 12;

    /// <summary>How many questions that may mean.</summary>
    public const int MostQuestions = 3000;

    /// <summary>Nothing is looked for.</summary>
    public static readonly SoughtNames None = new([], []);
}

/// <summary>A name that is looked for.</summary>
/// <param name="Typed">As it was typed: with its words apart, it is judged by them.</param>
public sealed record SoughtName(string Label, string Typed);
