using System.Net.Sockets;
using MailKit;
using MailKit.Net.Smtp;
using MailKit.Security;
using MimeKit;

namespace HomeStart.Connectors;

/// <summary>Where mail is handed over, and how it is known whose it is.</summary>
public sealed record PostOfficeAddress(string Host, int Port, string Secret);

/// <summary>Mail by SMTP (RFC 5321), as multipart/alternative of plain text and HTML.</summary>
public sealed class SmtpPostOffice(PostOfficeAddress address, TimeProvider time) : IPostOffice
{
    private const int PatienceMilliseconds = 8000;

    /// <summary>Who it is from: an address that is kept for documentation (RFC 2606).</summary>
    private static readonly MailboxAddress Sender = new("Home Start", "desk@home-start.example");

    public async Task<Outcome> SendAsync(World world, Letter letter, CancellationToken cancel)
    {
        try
        {
            using var message = Message(letter);
            using var smtp = new SmtpClient { Timeout = PatienceMilliseconds };
            await smtp.ConnectAsync(address.Host, address.Port, SecureSocketOptions.None, cancel);
            await smtp.AuthenticateAsync(world.ToString(), address.Secret, cancel);
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
            MessageId = $"{letter.Id:N}@home-start.example",
            Subject = letter.Subject,
            Date = time.GetUtcNow(),
        };
        message.From.Add(Sender);
        message.To.Add(MailboxAddress.Parse(letter.To));
        message.Body = new MultipartAlternative
        {
            new TextPart("plain") { Text = letter.Text },
            new TextPart("html") { Text = letter.Html },
        };
        return message;
    }
}
