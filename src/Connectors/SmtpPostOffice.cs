using System.Net.Sockets;
using MailKit;
using MailKit.Net.Smtp;
using MailKit.Security;
using MimeKit;

namespace HomeStart.Connectors;

/// <summary>Where mail is handed over.</summary>
/// <param name="From">Who it is from.</param>
public sealed record MailServer(string Host, int Port, MailboxAddress From, SecureSocketOptions Encryption)
{
    /// <summary>Who logs in there, for mail of a world; null: nobody has to.</summary>
    public Func<World, (string User, string Password)>? LogIn { get; init; }

    /// <summary>The mail counterpart of this machine, which knows by the log-in whose mailbox it is.</summary>
    public static MailServer ForCounterpart(string host, int port, string secret) =>
        new(host, port, new MailboxAddress("Home Start", "desk@home-start.example"), SecureSocketOptions.None)
        {
            LogIn = world => (world.ToString(), secret),
        };
}

/// <summary>Mail by SMTP (RFC 5321), as multipart/alternative of plain text and HTML.</summary>
public sealed class SmtpPostOffice(MailServer server, TimeProvider time) : IPostOffice
{
    private const int PatienceMilliseconds = 8000;

    public async Task<Outcome> SendAsync(World world, Letter letter, CancellationToken cancel)
    {
        try
        {
            using var message = Message(letter);
            using var smtp = new SmtpClient { Timeout = PatienceMilliseconds };
            await smtp.ConnectAsync(server.Host, server.Port, server.Encryption, cancel);
            if (server.LogIn?.Invoke(world) is var (user, password))
            {
                await smtp.AuthenticateAsync(user, password, cancel);
            }

            await smtp.SendAsync(message, cancel);
            await smtp.DisconnectAsync(quit: true, cancel);
            return Outcome.Done;
        }
        catch (ParseException)
        {
            return new Outcome(OutcomeState.Refused, "no-such-address", "This is no address that mail can be sent to.");
        }
        catch (SmtpCommandException refused) when ((int)refused.StatusCode >= 500)
        {
            return new Outcome(OutcomeState.Refused, "mail-refused", "The mail server refused it.");
        }
        catch (Exception exception)
            when (!cancel.IsCancellationRequested
                && exception
                    is SmtpCommandException
                        or SmtpProtocolException
                        or ServiceNotConnectedException
                        or ServiceNotAuthenticatedException
                        or AuthenticationException
                        or SslHandshakeException
                        or NotSupportedException
                        or IOException
                        or SocketException
                        or OperationCanceledException
                        or TimeoutException
            )
        {
            return Outcome.NoAnswer("The mail server did not take it.");
        }
    }

    private MimeMessage Message(Letter letter)
    {
        var message = new MimeMessage
        {
            MessageId = $"{letter.Id:N}@{server.From.Domain}",
            Subject = letter.Subject,
            Date = time.GetUtcNow(),
        };
        message.From.Add(server.From);
        message.To.Add(MailboxAddress.Parse(letter.To));
        message.Body = new MultipartAlternative
        {
            new TextPart("plain") { Text = letter.Text },
            new TextPart("html") { Text = letter.Html },
        };
        return message;
    }
}
