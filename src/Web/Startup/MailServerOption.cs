using HomeStart.Connectors;
using MailKit.Security;
using MimeKit;

namespace HomeStart.Web.Startup;

/// <summary>
/// <c>--mail smtp://HOST:PORT</c> (encrypted where the server offers it, and always where a password goes to another
/// machine) or <c>smtps://HOST:PORT</c> (encrypted from the start), with <c>--mail-from ADDRESS</c>. A log-in there
/// stands in the variables <c>HOME_START_MAIL_USER</c> and <c>HOME_START_MAIL_PASSWORD</c>, so that no list of
/// processes shows it.
/// </summary>
internal static class MailServerOption
{
    private const int Plain = 25;
    private const int Encrypted = 465;

    /// <summary>Null where none is named; with a sentence where it cannot be read.</summary>
    public static (MailServer? Server, string? Fault) Read(IConfiguration configuration)
    {
        if (configuration["mail"] is not { } address)
        {
            return (null, null);
        }

        if (!Uri.TryCreate(address, UriKind.Absolute, out var uri) || uri.Scheme is not ("smtp" or "smtps"))
        {
            return (
                null,
                $"--mail takes an address such as smtp://localhost:25 or smtps://mail.example, not “{address}”."
            );
        }

        if (!MailboxAddress.TryParse(configuration["mail-from"] ?? "", out var from))
        {
            return (null, "--mail-from takes the address that mails come from, such as desk@shop.example.");
        }

        var isEncrypted = uri.Scheme == "smtps";
        var user = configuration["HOME_START_MAIL_USER"] is { Length: > 0 } named ? named : null;
        return (
            new MailServer(
                uri.Host,
                uri.Port > 0 ? uri.Port
                    : isEncrypted ? Encrypted
                    : Plain,
                new MailboxAddress(string.IsNullOrEmpty(from.Name) ? "Home Start" : from.Name, from.Address),
                isEncrypted ? SecureSocketOptions.SslOnConnect
                    : user is null || uri.IsLoopback ? SecureSocketOptions.StartTlsWhenAvailable
                    : SecureSocketOptions.StartTls
            )
            {
                LogIn = user is null ? null : _ => (user, configuration["HOME_START_MAIL_PASSWORD"] ?? ""),
            },
            null
        );
    }
}
