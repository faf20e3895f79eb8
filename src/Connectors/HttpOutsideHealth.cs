namespace HomeStart.Connectors;

/// <summary>Asks the outside how it is, over HTTP.</summary>
public sealed class HttpOutsideHealth(LookUps lookUps) : IOutsideHealth
{
    public async Task<bool> IsWellAsync(CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(new World(Guid.Empty), $"/health", cancel);
            return response.IsSuccessStatusCode;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return false;
        }
    }
}
