using HomeStart.Formats.Online;
using HomeStart.Web.Session;

namespace HomeStart.Web.Online;

/// <summary>The engines of a host and of a hosting.</summary>
internal sealed class EngineDesk(OnlineDesk desk, IHostPanel panel, Workspace workspace)
{
    private static readonly int AdministratorStep = 1 + EngineSteps.All.IndexOf(EngineSteps.Administrator);

    public async Task<IReadOnlyList<EngineOffer>?> OffersAsync(Hosted hosted, CancellationToken cancel) =>
        await panel.EnginesAsync(hosted.World, hosted.Hosting.Book, await workspace.BusinessDateAsync(cancel), cancel)
            is { } kept
            ? PanelDocuments.Offers(kept.Content.AsMemory())
            : null;

    public Task<(int Version, IReadOnlyList<InstalledEngine> Value)?> InstalledAsync(
        Hosted hosted,
        CancellationToken cancel
    ) => desk.ReadAsync(hosted, PanelKinds.Engines, PanelDocuments.Engines, cancel);

    public async Task<EnginesWire?> WireAsync(Hosted hosted, CancellationToken cancel) =>
        await OffersAsync(hosted, cancel) is { } offers && await InstalledAsync(hosted, cancel) is var (_, installed)
            ? EnginesWire.From(
                offers,
                installed,
                hosted.Plan?.Allowed(PlanLimit.Databases),
                desk.AddressOf(hosted, hosted.Domain)
            )
            : null;

    /// <summary>
    /// Carries out a step. Where the answer to the last one is lost, what the host lists tells whether it was done.
    /// </summary>
    public async Task<PanelAnswer> StepAsync(
        Hosted hosted,
        EngineWish wish,
        int step,
        string? password,
        CancellationToken cancel
    )
    {
        var request = new EngineRequest(
            wish.Engine,
            wish.Folder,
            wish.Title,
            wish.User,
            wish.Mail,
            step,
            step == AdministratorStep ? password : null
        );
        var answer = await panel.EngineStepAsync(
            hosted.World,
            hosted.Account.Id,
            request,
            await workspace.BusinessDateAsync(cancel),
            cancel
        );
        return
            answer.State == PanelState.NoAnswer
            && step == EngineSteps.All.Length
            && await InstalledAsync(hosted, cancel) is var (_, installed)
            && installed.Any(engine =>
                (engine.Engine, engine.Folder, engine.Title, engine.User)
                == (wish.Engine, wish.Folder, wish.Title, wish.User)
            )
            ? new PanelAnswer(PanelState.Done)
            : answer;
    }

    /// <summary>
    /// Takes an engine away, its own files and no others. The version before stays with the host: they can be put back
    /// from it. Null: the host could not be asked what is there, and nothing was changed.
    /// </summary>
    public async Task<PanelAnswer?> RemoveAsync(Hosted hosted, InstalledEngine engine, CancellationToken cancel)
    {
        if (
            await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (version, space)
            || await InstalledAsync(hosted, cancel) is not var (listed, engines)
        )
        {
            return null;
        }

        var removed = await desk.WriteAsync(
            hosted,
            PanelKinds.Space,
            version,
            PanelDocuments.Write(space.Without(engine.Files)),
            cancel
        );
        return removed.State == PanelState.Done
            ? await desk.WriteAsync(
                hosted,
                PanelKinds.Engines,
                listed,
                PanelDocuments.Write(engines.Where(other => other.Folder != engine.Folder)),
                cancel
            )
            : removed;
    }
}
