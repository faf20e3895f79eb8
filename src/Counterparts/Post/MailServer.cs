using System.Buffers;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;
using MimeKit;
using SmtpServer;
using SmtpServer.Authentication;
using SmtpServer.Protocol;
using SmtpServer.Storage;

namespace HomeStart.Counterparts;

/// <summary>
/// The mail server: takes mail in by SMTP from whoever logs in as a world, and files it there. Who asks over HTTP sees
/// what arrived.
/// </summary>
internal sealed class MailServer(IServiceScopeFactory scopes, int port, string secret, TimeProvider time)
    : BackgroundService
{
    private const int LargestMail = 512 * 1024;
    private static readonly TimeSpan Slowness = TimeSpan.FromSeconds(2);

    public static void MapMail(IEndpointRouteBuilder app)
    {
        app.MapGet("/mail", async (HttpContext http, CounterpartsDb db) =>
        {
            var world = http.World();
            var rows = await db.Mail.AsNoTracking().Where(row => row.World == world).ToListAsync(http.RequestAborted);
            return rows.OrderByDescending(row => row.ArrivedAt)
                .Take(200)
                .Select(row => new
                {
                    row.Id,
                    row.ArrivedAt,
                    row.Raw,
                });
        });
        app.MapGet("/mail/{id}", async (string id, HttpContext http, CounterpartsDb db) =>
        {
            var world = http.World();
            return
                await db
                    .Mail.AsNoTracking()
                    .SingleOrDefaultAsync(row => row.World == world && row.Id == id, http.RequestAborted)
                    is { } row
                ? Results.Bytes(row.Raw, "message/rfc822")
                : Results.NotFound();
        });
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var services = new SmtpServer.ComponentModel.ServiceProvider();
        services.Add(new Authenticator(secret));
        services.Add(new Store(this));
        var options = new SmtpServerOptionsBuilder()
            .ServerName("mail.example.net")
            .MaxMessageSize(LargestMail, MaxMessageSizeHandling.Strict)
            .Endpoint(endpoint =>
                endpoint
                    .Endpoint(new System.Net.IPEndPoint(System.Net.IPAddress.Loopback, port))
                    .AllowUnsecureAuthentication()
                    .AuthenticationRequired()
            )
            .Build();
        await new SmtpServer.SmtpServer(options, services).StartAsync(stoppingToken);
    }

    private async Task<SmtpResponse> FileAsync(string world, byte[] raw, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<CounterpartsDb>();
        var mode = await Behaviours.ModeOfAsync(db, world, Service.Mail, cancel);
        if (mode is Mode.Down or Mode.Limiting or Mode.Nonsense)
        {
            return new SmtpResponse(SmtpReplyCode.ServiceUnavailable, "try again later");
        }

        if (mode == Mode.Slow)
        {
            await Task.Delay(Slowness, cancel);
        }

        using var stream = new MemoryStream(raw);
        using var message = await MimeMessage.LoadAsync(new ParserOptions { MaxMimeDepth = 16 }, stream, cancel);
        var (isTaken, box) = await scope
            .ServiceProvider.GetRequiredService<Mailboxes>()
            .FindAsync(world, (message.To.FirstOrDefault() as MailboxAddress)?.Address ?? "", cancel);
        if (!isTaken)
        {
            return new SmtpResponse(SmtpReplyCode.MailboxUnavailable, "there is no such mailbox here");
        }

        raw = box is null ? raw : [.. Encoding.ASCII.GetBytes($"Delivered-To: {box}\r\n"), .. raw];
        var id = Convert.ToHexStringLower(
            SHA256.HashData(Encoding.UTF8.GetBytes(message.MessageId ?? Convert.ToHexString(SHA256.HashData(raw))))
        )[..32];
        if (!await db.Mail.AnyAsync(row => row.World == world && row.Id == id, cancel))
        {
            db.Mail.Add(
                new MailRow
                {
                    World = world,
                    Id = id,
                    ArrivedAt = time.GetUtcNow(),
                    Raw = raw,
                }
            );
            await db.SaveChangesAsync(CancellationToken.None);
        }

        return mode == Mode.AnswersLost ? new SmtpResponse(SmtpReplyCode.Aborted, "lost") : SmtpResponse.Ok;
    }

    private sealed class Authenticator(string secret) : IUserAuthenticator
    {
        private readonly byte[] _expected = Encoding.UTF8.GetBytes(secret);

        public Task<bool> AuthenticateAsync(
            ISessionContext context,
            string user,
            string password,
            CancellationToken cancellationToken
        ) => Task.FromResult(CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(password), _expected));
    }

    private sealed class Store(MailServer server) : MessageStore
    {
        public override Task<SmtpResponse> SaveAsync(
            ISessionContext context,
            IMessageTransaction transaction,
            ReadOnlySequence<byte> buffer,
            CancellationToken cancellationToken
        ) => server.FileAsync(context.Authentication.User, buffer.ToArray(), cancellationToken);
    }
}
