using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.RegularExpressions;

namespace HomeStart.Browser.Tests;

/// <summary>
/// nginx with the file that a release brings (<c>deploy/nginx.conf</c>) and a certificate made here, and the
/// application behind it.
/// </summary>
public sealed partial class Nginx : IAsyncLifetime
{
    public const string Name = "shop.example";

    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("home-start-proxy-");
    private readonly int _port = AppProcess.FreePort();
    private Process _app = null!;
    private Process _nginx = null!;
    private X509Certificate2 _certificate = null!;

    /// <summary>Where it answers without https.</summary>
    public int OpenPort { get; } = AppProcess.FreePort();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        var own = AppProcess.FreePort();
        var data = _folder.CreateSubdirectory("data").FullName;
        _app = AppProcess.Start(own, data, "--host", Name, "--behind-proxy", "true", "--log", "json");
        while (
            await _app.StandardOutput.ReadLineAsync(Cancel) is { } line
            && !line.StartsWith("Home Start is at", StringComparison.Ordinal)
        ) { }

        _certificate = Certify();
        await File.WriteAllTextAsync(In("nginx.conf"), await ConfigurationAsync(own), Cancel);
        _nginx = Process.Start(
            new ProcessStartInfo("/usr/sbin/nginx", ["-c", In("nginx.conf"), "-p", _folder.FullName])
            {
                UseShellExecute = false,
                RedirectStandardError = true,
            }
        )!;
        using var first = Visit();
        for (var tries = 0; ; tries++)
        {
            try
            {
                (await first.GetAsync("/health", Cancel)).EnsureSuccessStatusCode();
                return;
            }
            catch (HttpRequestException) when (tries < 100)
            {
                await Task.Delay(50, Cancel);
            }
        }
    }

    /// <summary>Somebody with a browser's cookies, to whom the name leads here.</summary>
    public HttpClient Visit() =>
        new(
            new SocketsHttpHandler
            {
                AllowAutoRedirect = false,
                ConnectCallback = async (context, cancel) =>
                {
                    var socket = new Socket(SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
                    await socket.ConnectAsync(IPAddress.Loopback, context.DnsEndPoint.Port, cancel);
                    return new NetworkStream(socket, ownsSocket: true);
                },
                SslOptions =
                {
                    RemoteCertificateValidationCallback = (_, shown, _, _) =>
                        shown?.GetCertHashString() == _certificate.GetCertHashString(),
                },
            }
        )
        {
            BaseAddress = new Uri($"https://{Name}:{_port}"),
        };

    public ValueTask DisposeAsync()
    {
        foreach (var process in new[] { _nginx, _app })
        {
            process.Kill(entireProcessTree: true);
            process.WaitForExit();
            process.Dispose();
        }

        _certificate.Dispose();
        _folder.Delete(recursive: true);
        return ValueTask.CompletedTask;
    }

    private string In(string file) => Path.Combine(_folder.FullName, file);

    private X509Certificate2 Certify()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={Name}", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName(Name);
        request.CertificateExtensions.Add(names.Build());
        var today = DateTimeOffset.UnixEpoch.AddYears(50);
        var certificate = request.CreateSelfSigned(today, today.AddYears(50));
        File.WriteAllText(In("fullchain.pem"), certificate.ExportCertificatePem());
        File.WriteAllText(In("privkey.pem"), key.ExportPkcs8PrivateKeyPem());
        return certificate;
    }

    // The file as it ships, on ports of this test and with its certificate, within the least that nginx needs.
    private async Task<string> ConfigurationAsync(int own)
    {
        var shipped = await File.ReadAllTextAsync(Repository.Folder("deploy", "nginx.conf"), Cancel);
        var here = Listens()
            .Replace(shipped, listen => $"listen 127.0.0.1:{(listen.Groups["port"].Value == "80" ? OpenPort : _port)}")
            .Replace("127.0.0.1:5080", $"127.0.0.1:{own}", StringComparison.Ordinal)
            .Replace("127.0.0.1:5081", $"127.0.0.1:{own + 1}", StringComparison.Ordinal)
            .Replace("/etc/ssl/home-start/", $"{_folder.FullName}/", StringComparison.Ordinal);
        here = string.Join(
            '\n',
            here.Split('\n').Where(line => !line.Contains("listen [::]", StringComparison.Ordinal))
        );
        return $$"""
            {{(Environment.UserName == "root" ? "user root;" : "")}}
            daemon off;
            worker_processes 1;
            pid {{In("nginx.pid")}};
            error_log {{In("error.log")}};
            events {}
            http {
              access_log off;
              client_body_temp_path {{In("body")}};
              proxy_temp_path {{In("proxy")}};
              fastcgi_temp_path {{In("fastcgi")}};
              uwsgi_temp_path {{In("uwsgi")}};
              scgi_temp_path {{In("scgi")}};
            {{here}}
            }
            """;
    }

    [GeneratedRegex(@"listen (?<port>\d+)", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Listens();
}
