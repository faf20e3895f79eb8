using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace HomeStart.Mutants;

/// <summary>A project as the compiler sees it, ready to be built with one file changed.</summary>
internal sealed class Build
{
    private readonly CSharpCompilation compilation;

    public Build(Subject subject)
    {
        var made = Path.Combine(subject.Folder, "obj", "Debug", "net10.0");
        var options = new CSharpParseOptions(LanguageVersion.Latest).WithFeatures([
            KeyValuePair.Create("InterceptorsNamespaces", "Microsoft.AspNetCore.OpenApi.Generated"),
        ]);
        var files = Directory
            .GetFiles(subject.Folder, "*.cs", SearchOption.AllDirectories)
            .Where(file => !IsMade(subject.Folder, file))
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
        var frameworks = Path.GetDirectoryName(typeof(object).Assembly.Location)!;
        var references = Directory
            .GetFiles(frameworks, "*.dll")
            .Where(file =>
                Path.GetFileName(file) is var name
                && (
                    name.StartsWith("System.", StringComparison.Ordinal)
                    || name is "netstandard.dll" or "Microsoft.CSharp.dll" or "Microsoft.Win32.Primitives.dll"
                )
            );
        if (subject.Name != "Core")
        {
            // What it stands on lies where its tests were built, and beside the runtime.
            references = references
                .Concat(
                    Directory.GetFiles(
                        frameworks.Replace(
                            "Microsoft.NETCore.App",
                            "Microsoft.AspNetCore.App",
                            StringComparison.Ordinal
                        ),
                        "*.dll"
                    )
                )
                .Concat(
                    Directory
                        .GetFiles(subject.Built, "*.dll")
                        .Where(file => Path.GetFileNameWithoutExtension(file) != subject.Assembly)
                )
                .DistinctBy(Path.GetFileName);
        }

        compilation = CSharpCompilation.Create(
            subject.Assembly,
            trees,
            references.Where(IsManaged).Select(file => MetadataReference.CreateFromFile(file)),
            new CSharpCompilationOptions(
                subject.Name is "Web" or "Counterparts"
                    ? OutputKind.ConsoleApplication
                    : OutputKind.DynamicallyLinkedLibrary,
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

    private static bool IsManaged(string file)
    {
        using var reader = new System.Reflection.PortableExecutable.PEReader(File.OpenRead(file));
        return reader.HasMetadata;
    }

    private static bool IsMade(string folder, string file) =>
        Path.GetRelativePath(folder, file).Split('/')[0] is "bin" or "obj";
}
