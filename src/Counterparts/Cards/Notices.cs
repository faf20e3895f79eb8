using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace HomeStart.Counterparts;

/// <summary>
/// Tells the application, signed, that something about a payment changed. Where nobody listens, nothing is lost: the
/// application looks by itself, later.
/// </summary>
/// <param name="address">Where the application takes notices; null: nobody does.</param>
internal sealed class Notices(Uri? address, string secret)
{
    public const string SignatureHeader = "X-Signature";
    private const int Tries = 3;
    private static readonly HttpClient Http = new() { Timeout = TimeSpan.FromSeconds(5) };

    public void Send(string world, string key)
    {
        if (address is not null)
        {
            _ = SendAsync(
                JsonSerializer.Serialize(
                    new
                    {
                        id = Guid.NewGuid(),
                        world,
                        key,
                    }
                )
            );
        }
    }

    private async Task SendAsync(string body)
    {
        for (var tries = 0; tries < Tries; tries++)
        {
            try
            {
                using var request = new HttpRequestMessage(HttpMethod.Post, address)
                {
                    Content = new StringContent(body, Encoding.UTF8, "application/json"),
                };
                request.Headers.Authorization = new("Bearer", secret);
                request.Headers.Add(SignatureHeader, Sign(secret, body));
                using var response = await Http.SendAsync(request);
                if (response.IsSuccessStatusCode)
                {
                    return;
                }
            }
            catch (Exception exception) when (exception is HttpRequestException or TaskCanceledException)
            {
                // Nobody is there: once more in a while.
            }

            await Task.Delay(TimeSpan.FromSeconds(1 + tries));
        }
    }

    /// <summary>HMAC-SHA256 over the body, in hexadecimal.</summary>
    public static string Sign(string secret, string body) =>
        Convert.ToHexStringLower(HMACSHA256.HashData(Encoding.UTF8.GetBytes(secret), Encoding.UTF8.GetBytes(body)));
}
