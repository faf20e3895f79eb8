using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace HomeStart.Mutants;

/// <summary>One change to one file: <paramref name="Before"/> becomes <paramref name="After"/>.</summary>
internal sealed record Mutation(SyntaxTree Tree, SyntaxNode Before, SyntaxNode After)
{
    /// <summary>The file's text with the change in it.</summary>
    public SyntaxTree Changed() =>
        Tree.WithRootAndOptions(Tree.GetRoot().ReplaceNode(Before, After.WithTriviaFrom(Before)), Tree.Options);

    /// <summary>Where and what, for the list of survivors.</summary>
    public string Describe(string root)
    {
        var line = Tree.GetLineSpan(Before.Span).StartLinePosition.Line + 1;
        return $"{Path.GetRelativePath(root, Tree.FilePath)}:{line}  {Short(Before)}  →  {Short(After)}";
    }

    private static string Short(SyntaxNode node)
    {
        var text = string.Join(
            ' ',
            node.NormalizeWhitespace().ToString().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        );
        return text.Length <= 110 ? text : text[..107] + "…";
    }
}
