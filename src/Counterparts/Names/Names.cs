using System.Security.Cryptography;
using System.Text;

namespace HomeStart.Counterparts;

/// <summary>
/// Which names the rest of the world holds: a short list, and for everything else a hash, so that the same name is
/// always answered alike.
/// </summary>
internal static class Names
{
    private static readonly string[] Reserved =
    [
        "nic",
        "www",
        "whois",
        "rdap",
        "royal",
        "police",
        "government",
        "localhost",
    ];
    private static readonly string[] Taken =
    [
        "example",
        "clock",
        "clocks",
        "barometer",
        "barometers",
        "repair",
        "mail",
        "shop",
        "garden",
        "bakery",
        "home",
        "start",
        "wren",
        "ostler",
    ];
    private static readonly string[] Premium = ["time", "antique", "weather", "restore", "hour", "tempo"];
    private static readonly string[] Free = ["ostlerwren", "ostlerandwren", "ostler-wren"];

    public static NameState StateOf(string label, string ending)
    {
        var number = Hash($"{label}.{ending}");
        return label switch
        {
            _ when Reserved.Contains(label) => NameState.Reserved,
            _ when Taken.Contains(label) => NameState.Taken,
            _ when Premium.Contains(label) => NameState.Premium,
            _ when Free.Contains(label) => NameState.Free,
            { Length: <= 3 } => number % 4 == 0 ? NameState.Premium : NameState.Taken,
            { Length: <= 8 } => number % 10 < 4 ? NameState.Taken
            : number % 10 == 4 ? NameState.Premium
            : NameState.Free,
            _ => number % 10 < 1 ? NameState.Taken : NameState.Free,
        };
    }

    /// <summary>
    /// What a premium name costs in whole units of a currency: 240 to 2,230 the first year, and each year after a tenth
    /// of it.
    /// </summary>
    public static (int Register, int Renew) PremiumPrice(string domain)
    {
        var register = 240 + (10 * (int)(Hash(domain) % 200));
        return (register, register / 10);
    }

    /// <summary>Since when and until when somebody else holds a name.</summary>
    public static (DateOnly Registered, DateOnly Expires) HeldSince(string domain)
    {
        var number = Hash(domain);
        var registered = new DateOnly(2001, 1, 1).AddDays((int)(number % 8500));
        return (registered, registered.AddYears(2027 - registered.Year + (int)(number % 3)));
    }

    /// <summary>Whether the present seller of a name that somebody else holds has locked it.</summary>
    public static bool IsLocked(string domain) => Hash(domain + " lock") % 3 == 0;

    /// <summary>Whether the present seller of a name refuses to let it go, once a move has begun.</summary>
    public static bool IsKept(string domain) => domain.StartsWith("shop.", StringComparison.Ordinal);

    /// <summary>
    /// The transfer code that the present seller would give out for a name: in this simulated world, anybody can work
    /// it out.
    /// </summary>
    public static string TransferCode(string domain) => $"MOVE-{domain.Split('.')[0].ToUpperInvariant()}";

    /// <summary>Where the mail of a name that somebody else holds goes; most have some.</summary>
    public static IEnumerable<(int Preference, string Exchange)> MailOf(string domain) =>
        (Hash(domain + " mail") % 4) switch
        {
            0 => [],
            1 => [(10, "mx1.post.example.net"), (20, "mx2.post.example.net")],
            _ => [(10, $"mail.{domain}")],
        };

    private static uint Hash(string text) => BitConverter.ToUInt32(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
}

internal enum NameState
{
    Free,
    Taken,
    Premium,
    Reserved,
}
