using System.Collections.Immutable;
using System.Reflection;
using HomeStart.Data;
using Microsoft.EntityFrameworkCore.Migrations;

namespace HomeStart.Web.Startup;

/// <summary>The changes of our database that this release knows: a file that has others is newer.</summary>
internal static class KnownMigrations
{
    public static readonly ImmutableArray<string> All =
    [
        .. typeof(HomeStartDb)
            .Assembly.GetTypes()
            .Select(type => type.GetCustomAttribute<MigrationAttribute>()?.Id)
            .OfType<string>(),
    ];
}
