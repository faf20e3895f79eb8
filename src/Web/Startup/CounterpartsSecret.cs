using System.Security.Cryptography;
using System.Text;

namespace HomeStart.Web.Startup;

/// <summary>
/// What the counterparts know the application by, and whoever tells them how to behave: a file of the data folder that
/// only its owner can read.
/// </summary>
public static class CounterpartsSecret
{
    public static string FileIn(string data) => Path.Combine(data, "counterparts.secret");

    /// <summary>The secret of a data folder, made when it is first asked for.</summary>
    public static string Read(string data)
    {
        if (data.Length == 0)
        {
            return "";
        }

        var file = FileIn(data);
        if (!File.Exists(file))
        {
            DataFolder.WritePrivately(file, Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(24)));
        }

        return File.ReadAllText(file).Trim();
    }

    /// <summary>Whether whoever asks says the secret, in constant time.</summary>
    public static bool IsKnownTo(HttpRequest request, string data) =>
        CryptographicOperations.FixedTimeEquals(
            Encoding.UTF8.GetBytes(request.Headers.Authorization.ToString()),
            Encoding.UTF8.GetBytes("Bearer " + Read(data))
        );
}
