using System.Security.Cryptography;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Session;

/// <summary>Tells this data folder from every other in the names of cookies.</summary>
public sealed class InstanceName(StartOptions options)
{
    private readonly Lazy<string> _name = new(() => Read(options.Data));

    /// <summary>A cookie's name; over https with the prefix that binds it to this very host.</summary>
    public string CookieName(string what, bool isSecure) =>
        $"{(isSecure ? "__Host-" : "")}home-start-{_name.Value}-{what}";

    private static string Read(string data)
    {
        if (data.Length == 0)
        {
            return "none";
        }

        var file = Path.Combine(data, "instance");
        if (!File.Exists(file))
        {
            DataFolder.WritePrivately(file, Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(4)));
        }

        return File.ReadAllText(file).Trim();
    }
}
