using System.Text;
using HomeStart.Formats.Foreign;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Orders;

/// <summary>A file that can be kept with what was bought: told by what is in it, not by its name.</summary>
/// <param name="Name">Without folders, and without signs that a file system stumbles over.</param>
/// <param name="Invoice">What it says, where it is an invoice in UBL.</param>
public sealed record KeptFile(string Name, string MediaType, InvoiceRead? Invoice)
{
    /// <summary>The largest, in bytes.</summary>
    public const int Largest = 4 << 20;

    private const int LongestName = 100;
    private const int HeaderBytes = 8192;

    /// <summary>Null, with the reason, where it is nothing to keep.</summary>
    public static KeptFile? Read(string name, byte[] bytes, FaultList faults, CancellationToken cancel = default)
    {
        if (bytes.Length > Largest)
        {
            faults.Say(FaultCodes.OutOfRange, "file", $"This file is too large: up to {Largest >> 20} MB can be kept.");
            return null;
        }

        if (bytes.AsSpan().StartsWith("%PDF-"u8))
        {
            return new KeptFile(Named(name, ".pdf"), "application/pdf", null);
        }

        var (invoice, stopped) = Guard.Read(GuardLimits.Xml, guard => UblInvoice.Read(bytes, guard), cancel);
        if (stopped is not null)
        {
            faults.Say(FaultCodes.OutOfRange, "file", $"{stopped} Keep the receipt as a PDF instead.");
            return null;
        }

        if (invoice is not null)
        {
            return new KeptFile(Named(name, ".xml"), "application/xml", invoice);
        }

        if (!IsMail(bytes))
        {
            faults.Say(
                FaultCodes.BadType,
                "file",
                bytes.Length == 0
                    ? "This file is empty."
                    : "Keep a PDF, a mail saved as a file (.eml), or an invoice in UBL (.xml): this is none of them."
            );
            return null;
        }

        if (TypedSecret.In(Encoding.UTF8.GetString(bytes)) == SecretKind.Passcode)
        {
            faults.Say(
                FaultCodes.Unavailable,
                "file",
                "This mail seems to hold a password or code. None is kept here: keep the receipt as a PDF, or "
                    + "take the line out first."
            );
            return null;
        }

        return new KeptFile(Named(name, ".eml"), "message/rfc822", null);
    }

    // RFC 5322: lines of a name, a colon and a text, until an empty one.
    private static bool IsMail(byte[] bytes)
    {
        var head = Encoding
            .Latin1.GetString(bytes, 0, Math.Min(bytes.Length, HeaderBytes))
            .ReplaceLineEndings("\n")
            .Split("\n\n")[0]
            .Split('\n');
        return !bytes.AsSpan().Contains((byte)0)
            && head.Any(line => line.StartsWith("From:", StringComparison.OrdinalIgnoreCase))
            && head.Any(line =>
                line.StartsWith("Date:", StringComparison.OrdinalIgnoreCase)
                || line.StartsWith("Subject:", StringComparison.OrdinalIgnoreCase)
            );
    }

    private static string Named(string name, string ending)
    {
        var plain = new string([
            .. name.Split('/', '\\')[^1]
                .Select(letter => char.IsLetterOrDigit(letter) || letter is '.' or '-' or '_' or ' ' ? letter : '-'),
        ]).Trim(' ', '.');
        var stem = plain.EndsWith(ending, StringComparison.OrdinalIgnoreCase) ? plain[..^ending.Length] : plain;
        return (
                stem.Length == 0 ? "receipt"
                : stem.Length > LongestName ? stem[..LongestName]
                : stem
            ) + ending;
    }
}
