using System.Reflection;
using HomeStart.Counterparts;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore.Migrations;

namespace HomeStart.Web.Startup;

/// <summary>The changes of the databases that this release knows: a file that has others is newer.</summary>
internal static class KnownMigrations
{
    /// <param name="database">The file's name.</param>
    public static IReadOnlyCollection<string> Of(string database) =>
        [
            .. (database == "home-start.db" ? typeof(HomeStartDb) : typeof(CounterpartsApp))
                .Assembly.GetTypes()
                .Select(type => type.GetCustomAttribute<MigrationAttribute>()?.Id)
                .OfType<string>(),
        ];
}
