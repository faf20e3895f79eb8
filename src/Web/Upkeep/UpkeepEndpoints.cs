using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Upkeep;
using HomeStart.Formats.Words;
using HomeStart.Web.Orders;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using HomeStart.Web.Work;

namespace HomeStart.Web.Upkeep;

/// <summary>What is had after the order: how it stands, what decisions would do, and making them.</summary>
internal static class UpkeepEndpoints
{
    public static void AddUpkeep(this IServiceCollection services, bool carriesOut)
    {
        services.AddSingleton<DayPace>();
        services.AddSingleton<DayRunner>();
        if (carriesOut)
        {
            services.AddSingleton<IDurableWork, DayWork>();
        }

        services.AddScoped<TenureDesk>();
        services.AddScoped<NamesHad>();
        services.AddScoped<LaterQuotes>();
        services.AddScoped<DayActions>();
        services.AddScoped<DayStep>();
        services.AddScoped<DecisionDesk>();
        services.AddScoped<CalendarAddress>();
        services.AddScoped<UpkeepPage>();
    }

    public static void MapUpkeep(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/sites/{siteId:guid}/upkeep", PageAsync).WithName("getUpkeep");
        var tenure = app.MapGroup("/api/orders/{orderId:guid}/upkeep");
        tenure.MapPost("/what-if", WhatIfAsync).WithName("whatIf");
        tenure.MapPost("/decisions", DecideAsync).WithName("decide");
        tenure.MapPost("/withdraw", WithdrawAsync).WithName("withdrawDecision");
        tenure.MapPost("/card", CardAsync).WithName("setUpkeepCard");
        tenure.MapPost("/pay", PayAsync).WithName("payMissed");
        tenure.MapPost("/again", AgainAsync).WithName("carryOnUpkeep");
        tenure.MapGet("/lapse/{holding}", LapseAsync).WithName("getLapse");
        tenure.MapGet("/stay-or-move", StayOrMoveAsync).WithName("stayOrMove");
        tenure.MapPost("/release", ReleaseAsync).WithName("releaseDomain");
    }

    private static async Task<Results<Ok<UpkeepPageWire>, NotFoundProblem>> PageAsync(
        Guid siteId,
        SiteDesk sites,
        TenureDesk desk,
        Workspace workspace,
        UpkeepPage page,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        return TypedResults.Ok(await page.OfAsync(siteId, site.Site.Settings.HorizonMonths, cancel));
    }

    private static async Task<Results<Ok<EffectWire>, NotFoundProblem, UnprocessableProblem>> WhatIfAsync(
        Guid orderId,
        JsonBody<WhatIfBody> body,
        DecisionDesk decisions,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        return await decisions.OutlookAsync(orderId, cancel) is not var (_, outlook) ? TenureDesk.Missing()
            : DecisionDesk.Read(new Node(body.Root, "", faults)["decision"], outlook) is { } decision && !faults.Any
                ? TypedResults.Ok(UpkeepPageWriter.Effect(outlook, null, Effect.WorkOut(outlook, decision)))
            : new UnprocessableProblem(faults);
    }

    private static async Task<Results<NoContent, NotFoundProblem, ConflictProblem, UnprocessableProblem>> DecideAsync(
        Guid orderId,
        JsonBody<DecideBody> body,
        DecisionDesk decisions,
        CancellationToken cancel
    )
    {
        if (await decisions.OutlookAsync(orderId, cancel) is not var (kept, outlook))
        {
            return TenureDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (seen, decision) = (node["version"].Whole() ?? 0, DecisionDesk.Read(node["decision"], outlook));
        if (decision is not null && await decisions.StaleAsync(kept, seen, cancel) is { } stale)
        {
            return stale;
        }

        if (!faults.Any && decision is not null && Effect.WorkOut(outlook, decision).Refused is { } refused)
        {
            faults.Say(FaultCodes.Unavailable, "decision", $"This cannot be done: {UpkeepWords.Reason(refused)}");
        }

        if (faults.Any || decision is null)
        {
            return new UnprocessableProblem(faults);
        }

        return await decisions.ChangeAsync(kept, seen, book => book.With(decision), decision.On, cancel) is { } conflict
            ? conflict
            : TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFoundProblem, ConflictProblem>> WithdrawAsync(
        Guid orderId,
        JsonBody<WithdrawBody> body,
        DecisionDesk decisions,
        CancellationToken cancel
    )
    {
        if (await decisions.OutlookAsync(orderId, cancel) is not var (kept, _))
        {
            return TenureDesk.Missing();
        }

        var node = new Node(body.Root, "", new FaultList());
        return
            await decisions.ChangeAsync(
                kept,
                node["version"].Whole() ?? 0,
                book => book.Without(node["index"].Whole() ?? -1),
                null,
                cancel
            )
                is { } conflict
            ? conflict
            : TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFoundProblem, ConflictProblem, UnprocessableProblem>> CardAsync(
        Guid orderId,
        JsonBody<OtherCardBody> body,
        DecisionDesk decisions,
        HandingIn handing,
        CancellationToken cancel
    )
    {
        if (await decisions.OutlookAsync(orderId, cancel) is not var (kept, outlook))
        {
            return TenureDesk.Missing();
        }

        var faults = new FaultList();
        if (kept.Book.Payer.AtTheSellers)
        {
            return new ConflictProblem(
                "Give the other card at the seller’s own page: none is charged from here for what was bought there."
            );
        }

        var token = PlaceOrderReader.ReadCard(new Node(body.Root, "", faults)["card"]);
        var card = faults.Any ? null : await handing.CardAsync(token, "card", faults, cancel);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        return
            await decisions.ChangeAsync(
                kept,
                kept.Row.Version,
                book => DecisionDesk.WithCard(book, outlook, new PaidBy(token, card?.Ending, Expires: card?.Expires)),
                outlook.DecidingOn,
                cancel,
                whileBehind: true
            )
                is { } conflict
            ? conflict
            : TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFoundProblem, ConflictProblem, UnprocessableProblem>> PayAsync(
        Guid orderId,
        JsonBody<PayMissedBody> body,
        DecisionDesk decisions,
        CancellationToken cancel
    )
    {
        if (await decisions.OutlookAsync(orderId, cancel) is not var (kept, outlook))
        {
            return TenureDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (holding, way) = (
            node["holding"].RequiredText("What is paid for"),
            node["way"].Word(("card", PayWay.Card), ("balance", PayWay.Balance), ("invoice", PayWay.Invoice))
        );
        var conflict =
            faults.Any || holding is null || way is null
                ? null
                : await decisions.PayAsync(kept, outlook, holding, way.Value, faults, cancel);
        return conflict is not null ? conflict
            : faults.Any ? new UnprocessableProblem(faults)
            : TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFoundProblem>> AgainAsync(
        Guid orderId,
        DecisionDesk decisions,
        DayRunner runner,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        if (await decisions.OutlookAsync(orderId, cancel) is null)
        {
            return TenureDesk.Missing();
        }

        await runner.PlayForAWhileAsync(workspace.Id, ClockEndpoints.Patience, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<IReadOnlyList<LapseStepWire>>, NotFoundProblem>> LapseAsync(
        Guid orderId,
        string holding,
        DecisionDesk decisions,
        CancellationToken cancel
    ) =>
        await decisions.OutlookAsync(orderId, cancel) is var (_, outlook) && outlook.Now.Holding(holding) is { } held
            ? TypedResults.Ok(UpkeepPageWriter.Lapse(outlook, held))
            : TenureDesk.Missing();

    private static async Task<
        Results<Ok<StayOrMoveWire>, NoContent, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > StayOrMoveAsync(
        Guid orderId,
        DecisionDesk decisions,
        SiteDesk sites,
        Workspace workspace,
        WorkSlots turns,
        WorkspaceScope scope,
        CancellationToken cancel
    )
    {
        if (
            await decisions.OutlookAsync(orderId, cancel) is not var (kept, outlook)
            || await sites.CountedAsync(kept.Order.SiteId, cancel) is not var (site, settings)
        )
        {
            return TenureDesk.Missing();
        }

        using var turn = await turns.OwnScanAsync(scope, cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var answer = await Task.Run(
            () => StayOrMove.Compare(outlook, site.Needs, settings, [.. workspace.Offered], cancel),
            cancel
        );
        return answer.Faults.Any ? new UnprocessableProblem(answer.Faults)
            : answer.Has(out var worked) ? TypedResults.Ok(UpkeepPageWriter.StayOrMove(worked, workspace.Books))
            : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<ReleaseWire>, NotFoundProblem, ConflictProblem, SilentProblem>> ReleaseAsync(
        Guid orderId,
        JsonBody<ReleaseBody> body,
        DecisionDesk decisions,
        IRegistrar registrar,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        var holding = new Node(body.Root, "", new FaultList())["holding"].RequiredText("The domain");
        if (
            await decisions.OutlookAsync(orderId, cancel) is not var (kept, outlook)
            || holding is null
            || outlook.Now.Holding(holding) is not { IsHosting: false } held
            || DomainName.Parse(held.Ref) is not { } domain
        )
        {
            return TenureDesk.Missing();
        }

        var book = outlook.Now.Books[held.Holding];
        if (kept.Book.Payer.AtTheSellers)
        {
            return new ConflictProblem(
                $"Ask for it at {kept.Tenure.Book(book).Provider.Name}’s own page, where you bought {domain}: "
                    + "unlock it there first."
            );
        }

        return
            await registrar.ReleaseAsync(kept.World, book, domain, await workspace.BusinessDateAsync(cancel), cancel)
                is { } release
            ? TypedResults.Ok(new ReleaseWire(domain.Text, release.Code, release.Until))
            : new SilentProblem(
                $"{kept.Tenure.Book(book).Provider.Name} did not answer, or does not have {domain} any more. "
                    + "Try again in a while."
            );
    }
}
