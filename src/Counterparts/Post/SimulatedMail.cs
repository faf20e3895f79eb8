using System.Security.Cryptography;
using MimeKit;

namespace HomeStart.Counterparts;

/// <summary>What the companies of a world write to its owner.</summary>
internal static class SimulatedMail
{
    public static MailRow Row(
        string world,
        string company,
        string book,
        string? to,
        string subject,
        string text,
        TimeProvider time
    )
    {
        var message = new MimeMessage
        {
            Subject = subject,
            Body = new TextPart("plain") { Text = text },
        };
        message.From.Add(new MailboxAddress(company, $"service@{book}.example.net"));
        message.To.Add(
            MailboxAddress.TryParse(to, out var address) ? address : new MailboxAddress("", "nobody@example.net")
        );
        using var raw = new MemoryStream();
        message.WriteTo(raw);
        return new MailRow
        {
            World = world,
            Id = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16)),
            ArrivedAt = time.GetUtcNow(),
            Raw = raw.ToArray(),
        };
    }
}
