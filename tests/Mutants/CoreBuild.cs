using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace HomeStart.Mutants;

/// <summary>Core as the compiler sees it, ready to be built with one file changed.</summary>
internal sealed class CoreBuild
{
    private readonly CSharpCompilation compilation;

    public CoreBuild(string root)
    {
        var core = Path.Combine(root, "src", "Core");
        var made = Path.Combine(core, "obj", "Debug", "net10.0");
        var options = new CSharpParseOptions(LanguageVersion.Latest);
        var files = Directory
            .GetFiles(core, "*.cs", SearchOption.AllDirectories)
            .Where(file => !IsMade(core, file))
            .Concat(Directory.GetFiles(made, "*.cs", SearchOption.AllDirectories)); // What generators made among them.
        var trees = files
            .Order(StringComparer.Ordinal)
            .Select(file =>
                CSharpSyntaxTree.ParseText(
                    SourceText.From(File.ReadAllText(file), System.Text.Encoding.UTF8),
                    options,
                    file
                )
            );
        var runtime = ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
            .Split(Path.PathSeparator)
            .Where(file =>
                Path.GetFileName(file).StartsWith("System.", StringComparison.Ordinal)
                || Path.GetFileName(file) == "netstandard.dll"
            );
        compilation = CSharpCompilation.Create(
            "HomeStart.Core",
            trees,
            runtime.Select(file => MetadataReference.CreateFromFile(file)),
            new CSharpCompilationOptions(
                OutputKind.DynamicallyLinkedLibrary,
                nullableContextOptions: NullableContextOptions.Enable,
                deterministic: true
            )
        );
    }

    /// <summary>The files that people wrote.</summary>
    public IEnumerable<SyntaxTree> Written(string folder) =>
        compilation.SyntaxTrees.Where(tree =>
            tree.FilePath.StartsWith(folder, StringComparison.Ordinal)
            && !tree.FilePath.Contains("/obj/", StringComparison.Ordinal)
        );

    /// <summary>Writes the assembly with the change in it; false where it does not compile.</summary>
    public bool TryEmit(Mutation mutation, string path)
    {
        using var file = File.Create(path);
        return compilation.ReplaceSyntaxTree(mutation.Tree, mutation.Changed()).Emit(file).Success;
    }

    /// <summary>
    /// Writes the assembly as it is; the tests must pass with it, or nothing said of the changes is worth anything.
    /// </summary>
    public void EmitUnchanged(string path)
    {
        using var file = File.Create(path);
        var result = compilation.Emit(file);
        if (!result.Success)
        {
            throw new InvalidOperationException(
                string.Join('\n', result.Diagnostics.Where(problem => problem.Severity == DiagnosticSeverity.Error))
            );
        }
    }

    private static bool IsMade(string core, string file) =>
        Path.GetRelativePath(core, file).Split('/')[0] is "bin" or "obj";
}
