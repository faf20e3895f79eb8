namespace HomeStart.Web.Tests;

/// <summary>A class of tests in which each has a host of its own, and an owner who has opened the page.</summary>
/// <param name="isRecording">Whether the host keeps all that it logs.</param>
public abstract class OneOwner(bool isRecording = false) : IAsyncLifetime
{
    private protected TestHost _host = null!;
    private protected Visitor _visitor = null!;

    public async ValueTask InitializeAsync()
    {
        _host = await TestHost.StartAsync(isRecording: isRecording);
        _visitor = _host.Visit();
        await _visitor.OpenAsync();
    }

    public async ValueTask DisposeAsync()
    {
        await _host.DisposeAsync();
        GC.SuppressFinalize(this);
    }
}
