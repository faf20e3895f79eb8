namespace HomeStart.Connectors;

/// <summary>The name servers over HTTP (RFC 8484).</summary>
public sealed class HttpNameServers(LookUps lookUps) : INameServers
{
    private const string MediaType = "application/dns-message";

    public async Task<byte[]?> AskAsync(World world, string? place, byte[] question, CancellationToken cancel)
    {
        try
        {
            using var response = place is null
                ? await lookUps.PostBytesAsync(world, $"/worlds/{world}/dns", question, MediaType, cancel)
                : await lookUps.PostBytesAsync(world, $"/worlds/{world}/dns/{place}", question, MediaType, cancel);
            return response.IsSuccessStatusCode && response.Content.Headers.ContentType?.MediaType == MediaType
                ? await response.Content.ReadAsByteArrayAsync(cancel)
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }
}
