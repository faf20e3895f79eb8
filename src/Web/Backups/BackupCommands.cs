namespace HomeStart.Web.Backups;

/// <summary><c>./run backup FILE</c>, <c>./run restore FILE</c> and <c>./run check</c>.</summary>
internal static class BackupCommands
{
    /// <summary>What opens a sealed backup. On the command line others on the machine could read it.</summary>
    private const string Passphrase = "HOME_START_PASSPHRASE";

    /// <summary>Carries a command out and gives its exit code; null where there is none in the arguments.</summary>
    public static int? Run(string[] args)
    {
        if (args is not [("backup" or "restore" or "check") and var command, .. var rest])
        {
            return null;
        }

        // A file is no option, whatever it begins with.
        var options = command == "check" ? rest : [.. rest.Skip(1)];
        var folder = Path.GetFullPath(new ConfigurationBuilder().AddCommandLine(options).Build()["data"] ?? "data");
        var passphrase = Environment.GetEnvironmentVariable(Passphrase) is { Length: > 0 } given ? given : null;
        return (command, rest) switch
        {
            ("check", _) => Told(Backup.Check(folder), $"The data in {folder} is whole."),
            (_, [] or [['-', ..], ..]) => Told([$"Say a file: ./run {command} FILE."], ""),
            ("backup", [var file, ..]) => Told(
                Backup.Write(folder, Path.GetFullPath(file), passphrase, TimeProvider.System.GetUtcNow()),
                $"A backup of {folder} is in {file}{(passphrase is null ? "" : ", sealed by your passphrase")}."
            ),
            (_, [var file, ..]) => Told(
                Backup.Restore(Path.GetFullPath(file), folder, passphrase),
                $"The backup is back in {folder}: start with ./run."
            ),
        };
    }

    private static int Told(string? fault, string done) => Told(fault is null ? [] : [fault], done);

    private static int Told(IReadOnlyList<string> faults, string done)
    {
        foreach (var fault in faults)
        {
            Console.Error.WriteLine(fault);
        }

        if (faults.Count == 0)
        {
            Console.WriteLine(done);
        }

        return faults.Count == 0 ? 0 : 1;
    }
}
