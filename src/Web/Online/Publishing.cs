using System.Runtime.CompilerServices;
using System.Security.Cryptography;
using HomeStart.Formats.Online;
using HomeStart.Formats.Words;

namespace HomeStart.Web.Online;

/// <summary>
/// Puts files up: first their bytes go to the host, where it does not have them; then, at once, the list in which they
/// take their place. Going on after a stop sends only what is missing.
/// </summary>
internal sealed class Publishing(OnlineDesk desk, IHostPanel panel)
{
    /// <summary>How many times another change may come in between.</summary>
    private const int Tries = 3;

    private const int BufferSize = 64 * 1024;

    public async IAsyncEnumerable<PutUpLine> PutUpAsync(
        Hosted hosted,
        ArrivedFiles arrived,
        UploadPlan plan,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        var (files, whole) = (new List<SiteFile>(), arrived.Files.Count);
        var damage = default(string);
        for (var index = 0; index < whole && damage is null; index++)
        {
            try
            {
                await using var content = arrived.Open(index);
                files.Add(
                    new SiteFile(
                        arrived.Files[index].Path,
                        Convert.ToHexStringLower(await SHA256.HashDataAsync(content, cancel)),
                        arrived.Files[index].Size
                    )
                );
            }
            catch (InvalidDataException)
            {
                damage = $"{arrived.Files[index].Path} cannot be unpacked: pack the archive again.";
            }
        }

        if (damage is not null)
        {
            yield return new PutUpLine(0, whole, null, damage);
            yield break;
        }

        // Whether all of it may stand there is known before a byte is sent.
        if (await WouldRefuseAsync(hosted, files, plan, cancel) is { } why)
        {
            yield return new PutUpLine(0, whole, null, why);
            yield break;
        }

        if (
            await panel.MissingAsync(
                hosted.World,
                hosted.Account.Id,
                [.. files.Select(file => file.Hash).Distinct(StringComparer.Ordinal)],
                cancel
            )
            is not { } missing
        )
        {
            yield return new PutUpLine(0, whole, null, Silent(hosted));
            yield break;
        }

        var wanted = missing.ToHashSet(StringComparer.Ordinal);
        foreach (var (index, file) in files.Index())
        {
            if (
                wanted.Remove(file.Hash)
                && await panel.StoreAsync(
                    hosted.World,
                    hosted.Account.Id,
                    file.Hash,
                    file.Size,
                    PartsAsync(arrived, index, cancel),
                    cancel
                )
                    is { State: not PanelState.Done } refused
            )
            {
                yield return new PutUpLine(
                    index,
                    whole,
                    null,
                    refused.State == PanelState.Full
                        ? $"{hosted.Hosting.Provider} has no room for {file.Path}: its disk is full. What stands "
                            + "there is untouched. What you sent is kept here: try again later."
                        : Silent(hosted)
                );
                yield break;
            }

            yield return new PutUpLine(index + 1, whole, null, null);
        }

        yield return await PlaceAsync(hosted, files, plan, cancel);
    }

    private async Task<string?> WouldRefuseAsync(
        Hosted hosted,
        IReadOnlyList<SiteFile> files,
        UploadPlan plan,
        CancellationToken cancel
    )
    {
        if (await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (_, space))
        {
            return Silent(hosted);
        }

        var faults = new FaultList();
        space.With(files, plan.Folder, plan.Alone).Check(hosted.Plan?.Storage, faults);
        return faults.Any ? FaultWords.Sentence(faults.Faults[0]) : null;
    }

    // Puts files that the host has into the list of what is seen.
    private async Task<PutUpLine> PlaceAsync(
        Hosted hosted,
        IReadOnlyList<SiteFile> files,
        UploadPlan plan,
        CancellationToken cancel
    )
    {
        for (var attempt = 0; attempt < Tries; attempt++)
        {
            if (
                await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (version, space)
            )
            {
                break;
            }

            var (after, faults) = (space.With(files, plan.Folder, plan.Alone), new FaultList());
            after.Check(hosted.Plan?.Storage, faults);
            if (faults.Any)
            {
                return new PutUpLine(files.Count, files.Count, null, FaultWords.Sentence(faults.Faults[0]));
            }

            var answer = await desk.WriteAsync(hosted, PanelKinds.Space, version, PanelDocuments.Write(after), cancel);
            switch (answer.State)
            {
                case PanelState.Done:
                    return new PutUpLine(files.Count, files.Count, answer.Version, null);
                case PanelState.Full:
                    return new PutUpLine(
                        files.Count,
                        files.Count,
                        null,
                        $"{hosted.Hosting.Provider} has no room for all of it. What stands there is untouched."
                    );
                case PanelState.Stale:
                    continue;
                default:
                    return new PutUpLine(files.Count, files.Count, null, Silent(hosted));
            }
        }

        return new PutUpLine(files.Count, files.Count, null, Silent(hosted));
    }

    private static string Silent(Hosted hosted) =>
        $"{hosted.Hosting.Provider} does not answer. What you sent is kept here: go on in a while. What stands "
        + "there is untouched.";

    private static async IAsyncEnumerable<ReadOnlyMemory<byte>> PartsAsync(
        ArrivedFiles arrived,
        int index,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        await using var content = arrived.Open(index);
        var buffer = new byte[BufferSize];
        for (int read; (read = await content.ReadAsync(buffer, cancel)) > 0; )
        {
            yield return buffer.AsMemory(0, read);
        }
    }
}
