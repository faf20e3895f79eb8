using System.Runtime.CompilerServices;
using HomeStart.Data;
using HomeStart.Formats.Domains;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;

namespace HomeStart.Web.Domains;

/// <summary>
/// Finding a name for a site: what is looked for, what registrars say of it, and what it costs where.
/// </summary>
internal static class SeekingEndpoints
{
    private static readonly TimeSpan KeptEvery = TimeSpan.FromMilliseconds(400);

    public static void AddSeeking(this IServiceCollection services) =>
        services
            .AddSingleton<RegistrarGates>()
            .AddScoped<NameDesk>()
            .AddScoped<Seeking>()
            .AddScoped<OwnedDesk>()
            .AddTransient<NameChecks>();

    public static void MapSeeking(this IEndpointRouteBuilder app)
    {
        var names = app.MapGroup("/api/sites/{siteId:guid}/names");
        names.MapGet("", GetAsync).WithName("getSoughtNames");
        names.MapPut("", SeekAsync).WithName("seekNames");
        names.MapPost("/check", CheckAsync).WithName("checkNames").RequireRateLimiting(DomainsEndpoints.Limit);
        names.MapPost("/near", NearAsync).WithName("findNearNames").RequireRateLimiting(DomainsEndpoints.Limit);
        names.MapGet("/costs", CostsAsync).WithName("getNameCosts");
    }

    private static async Task<Results<Ok<SoughtNamesWire>, NotFoundProblem>> GetAsync(
        Guid siteId,
        string? view,
        SiteDesk sites,
        Seeking seeking,
        NameDesk desk,
        CancellationToken cancel
    ) =>
        await sites.FindAsync(siteId, cancel) is { } site
            ? TypedResults.Ok(await seeking.PageAsync(site, view, await desk.SoughtAsync(siteId, cancel), [], cancel))
            : SiteDesk.Missing();

    private static async Task<Results<Ok<SoughtNamesWire>, NotFoundProblem, UnprocessableProblem>> SeekAsync(
        Guid siteId,
        string? view,
        JsonBody<SeekNamesBody> body,
        SiteDesk sites,
        Seeking seeking,
        NameDesk desk,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        if (SeekNamesReader.Read(body.Root, seeking.Sold(site, view), faults) is not var (sought, refused))
        {
            return new UnprocessableProblem(faults);
        }

        await desk.SeekAsync((await sites.ThereAsync(site, cancel)).Row.Id, sought, cancel);
        return TypedResults.Ok(await seeking.PageAsync(site, view, sought, refused, cancel));
    }

    private static async Task<Results<Ok<IReadOnlyList<NameCostWire>>, NotFoundProblem>> CostsAsync(
        Guid siteId,
        string? view,
        SiteDesk sites,
        Seeking seeking,
        CancellationToken cancel
    ) =>
        await sites.FindAsync(siteId, cancel) is { } site
            ? TypedResults.Ok(await seeking.CostsAsync(site, view, cancel))
            : SiteDesk.Missing();

    // What is known and still good is told at once; the rest as the registrars answer.
    private static async Task<
        Results<LinesSent<NameNewsWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > CheckAsync(
        Guid siteId,
        string? view,
        JsonBody<CheckNamesBody> body,
        HttpContext http,
        SiteDesk sites,
        Seeking seeking,
        NameDesk desk,
        NameChecks checks,
        WorkSlots turns,
        WorkspaceScope scope,
        Workspace workspace,
        TimeProvider time
    )
    {
        var cancel = http.RequestAborted;
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var asked = SeekNamesReader.ReadQuestion(body.Root, seeking.Sold(site, view), faults);
        var (again, withRecord) = SeekNamesReader.ReadManner(body.Root, faults);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        using var turn = await turns.ChecksAsync(scope, cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var questions = seeking.Questions(site, view, asked ?? await desk.SoughtAsync(siteId, cancel));
        var known = await desk.AnswersAsync([.. questions.Select(question => question.Domain.Text)], cancel);
        var good = questions
            .Where(question =>
                !again
                && known.TryGetValue(question.Domain.Text, out var answer)
                && answer.Availability.State != AvailabilityState.Unchecked
                && !answer.IsOld(time.GetUtcNow())
            )
            .ToList();
        var lines = new LineAnswer(http);
        var told = 0;
        foreach (var question in good)
        {
            await TellAsync(known[question.Domain.Text]);
        }

        await foreach (
            var news in KeptAsync(
                checks.AskAsync(workspace.World, [.. questions.Except(good)], withRecord, cancel),
                desk,
                time,
                cancel
            )
        )
        {
            await (
                news.Answer is { } answer
                    ? TellAsync(answer)
                    : lines.WriteAsync(
                        new NameNewsWire(
                            told,
                            questions.Count,
                            null,
                            new NamePauseWire(
                                seeking.ProviderOf(news.PausedBook!),
                                (int)Math.Ceiling(news.Pause.TotalSeconds)
                            )
                        )
                    )
            );
        }

        return new LinesSent<NameNewsWire>();

        async Task TellAsync(NameAnswer answer) =>
            await lines.WriteAsync(
                new NameNewsWire(++told, questions.Count, await seeking.WireAsync(answer, site, view, cancel), null)
            );
    }

    // The answers as they come, kept every little while, and whatever is left when the caller leaves.
    private static async IAsyncEnumerable<NameNews> KeptAsync(
        IAsyncEnumerable<NameNews> all,
        NameDesk desk,
        TimeProvider time,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        var fresh = new List<NameAnswer>();
        var kept = time.GetTimestamp();
        try
        {
            await foreach (var news in all.WithCancellation(cancel))
            {
                fresh.AddRange(news.Answer is { } answer ? [answer] : []);
                yield return news;
                if (fresh.Count > 0 && time.GetElapsedTime(kept) > KeptEvery)
                {
                    await desk.KeepAsync(fresh, cancel);
                    fresh.Clear();
                    kept = time.GetTimestamp();
                }
            }
        }
        finally
        {
            if (fresh.Count > 0)
            {
                await desk.KeepAsync(fresh, CancellationToken.None);
            }
        }
    }

    private static async Task<
        Results<Ok<NearNamesWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > NearAsync(
        Guid siteId,
        string? view,
        JsonBody<NearNamesBody> body,
        SiteDesk sites,
        Seeking seeking,
        NameDesk desk,
        NameChecks checks,
        WorkSlots turns,
        WorkspaceScope scope,
        Workspace workspace,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        if (SeekNamesReader.ReadNear(body.Root, seeking.Sold(site, view), faults) is not var (label, ending))
        {
            return new UnprocessableProblem(faults);
        }

        using var turn = await turns.ChecksAsync(scope, cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var now = time.GetUtcNow();
        var near = NearNames.ToAsk(label, NameData.Reader.Read(label, null, null).Others);
        var questions = seeking.Questions(
            site,
            view,
            new SoughtNames([.. near.Select(name => new SoughtName(name, name))], [ending])
        );
        var known = (await desk.RecentAsync(now, cancel)).ToDictionary(
            answer => answer.Domain.Text,
            StringComparer.Ordinal
        );
        var fresh = new List<NameAnswer>();
        await foreach (
            var news in KeptAsync(
                checks.AskAsync(
                    workspace.World,
                    [.. questions.Where(question => !known.ContainsKey(question.Domain.Text))],
                    withRecord: false,
                    cancel
                ),
                desk,
                time,
                cancel
            )
        )
        {
            fresh.AddRange(news.Answer is { } answer ? [answer] : []);
        }

        return TypedResults.Ok(NearNamesWire.From(label, ending, known.Values.Concat(fresh)));
    }
}
