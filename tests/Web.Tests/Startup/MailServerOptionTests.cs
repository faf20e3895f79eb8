using HomeStart.Web.Startup;
using MailKit.Security;
using Microsoft.Extensions.Configuration;

namespace HomeStart.Web.Tests;

/// <summary>How mail is handed over where there are no counterparts.</summary>
public sealed class MailServerOptionTests
{
    [Theory]
    [InlineData("smtp://localhost", null, 25, SecureSocketOptions.StartTlsWhenAvailable)]
    [InlineData("smtp://mail.example:587", null, 587, SecureSocketOptions.StartTlsWhenAvailable)]
    [InlineData("smtp://localhost:2525", "ada", 2525, SecureSocketOptions.StartTlsWhenAvailable)]
    [InlineData("smtp://mail.example:587", "ada", 587, SecureSocketOptions.StartTls)]
    [InlineData("smtps://mail.example", "ada", 465, SecureSocketOptions.SslOnConnect)]
    public void A_password_goes_to_another_machine_encrypted_or_not_at_all(
        string address,
        string? user,
        int port,
        SecureSocketOptions encryption
    )
    {
        var (server, fault) = MailServerOption.Read(
            new ConfigurationBuilder()
                .AddInMemoryCollection([
                    new("mail", address),
                    new("mail-from", "desk@shop.example"),
                    new("HOME_START_MAIL_USER", user),
                    new("HOME_START_MAIL_PASSWORD", "secret"),
                ])
                .Build()
        );
        fault.ShouldBeNull();
        (server!.Port, server.Encryption, server.From.ToString()).ShouldBe(
            (port, encryption, "\"Home Start\" <desk@shop.example>")
        );
        server.LogIn?.Invoke(default).ShouldBe((user!, "secret"));
        (server.LogIn is null).ShouldBe(user is null);
    }
}
