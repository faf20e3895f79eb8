using System.Security.Cryptography;
using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Online;

/// <summary>Site engines: set up step by step, brought up to a new version, removed.</summary>
internal static class EngineEndpoints
{
    private const string PasswordLetters = "abcdefghjkmnpqrstuvwxyzABCDEFGHJKMNPQRSTUVWXYZ23456789";
    private const int MadeLength = 18;
    private const int LongestPassword = 100;

    public static void MapEngines(this IEndpointRouteBuilder order)
    {
        var engines = order.MapGroup("/engines");
        engines.MapGet("", GetAsync).WithName("getEngines");
        engines.MapPost("", SetUpAsync).WithName("setUpEngine");
        engines.MapPost("/update", UpdateAsync).WithName("updateEngine");
        engines.MapPost("/remove", RemoveAsync).WithName("removeEngine");
    }

    private static async Task<Results<Ok<EnginesWire>, NotFoundProblem, SilentProblem>> GetAsync(
        Guid orderId,
        OnlineDesk desk,
        EngineDesk engines,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await engines.WireAsync(hosted, cancel) is { } wire ? TypedResults.Ok(wire)
        : OnlineDesk.Silent(hosted);

    private static async Task<
        Results<LinesSent<EngineLine>, NotFoundProblem, UnprocessableProblem, SilentProblem>
    > SetUpAsync(Guid orderId, JsonBody<SetUpEngineBody> body, HttpContext http, OnlineDesk desk, EngineDesk engines)
    {
        var cancel = http.RequestAborted;
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        node.IsObject();
        var wish = new EngineWish(
            node["engine"].RequiredText("The engine") ?? "",
            node["folder"].Text()?.Trim().Trim('/') ?? "",
            node["title"].Text()?.Trim() ?? "",
            node["user"].Text()?.Trim() ?? "",
            node["mail"].Text()?.Trim() ?? hosted.Order.Contact.Mail,
            node["mayReplace"].Flag() ?? false
        );
        var typed = node["password"].Text() is { Length: > 0 } password ? password : null;
        if (typed?.Length > LongestPassword)
        {
            node["password"].Fault(FaultCodes.OutOfRange, $"A password has at most {LongestPassword} characters.");
        }

        if (
            await desk.ReadAsync(hosted, PanelKinds.Space, PanelDocuments.Space, cancel) is not var (_, space)
            || await engines.OffersAsync(hosted, cancel) is not { } offers
            || await engines.InstalledAsync(hosted, cancel) is not var (_, installed)
        )
        {
            return OnlineDesk.Silent(hosted);
        }

        if (!faults.Any)
        {
            EngineRules.Check(
                wish,
                offers,
                installed,
                hosted.Plan?.Allowed(PlanLimit.Databases),
                space,
                hosted.Domain,
                typed is null
                    ? null
                    : Zxcvbn.Zxcvbn.MatchPassword(typed, [wish.User, wish.Title, hosted.Domain?.Text ?? ""]).Score,
                faults
            );
        }

        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        var made = typed is null ? RandomNumberGenerator.GetString(PasswordLetters, MadeLength) : null;
        return await TellAsync(http, hosted, engines, wish, typed ?? made, made);
    }

    private static async Task<
        Results<LinesSent<EngineLine>, NotFoundProblem, UnprocessableProblem, SilentProblem>
    > UpdateAsync(Guid orderId, JsonBody<EngineFolderBody> body, HttpContext http, OnlineDesk desk, EngineDesk engines)
    {
        if (await desk.FindAsync(orderId, http.RequestAborted) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        if (await engines.InstalledAsync(hosted, http.RequestAborted) is not var (_, installed))
        {
            return OnlineDesk.Silent(hosted);
        }

        var faults = new FaultList();
        if (Named(body, installed, faults) is not { } engine)
        {
            return new UnprocessableProblem(faults);
        }

        var wish = new EngineWish(
            engine.Engine,
            engine.Folder,
            engine.Title,
            engine.User,
            hosted.Order.Contact.Mail,
            true
        );
        return await TellAsync(http, hosted, engines, wish, null, null);
    }

    private static async Task<
        Results<Ok<EnginesWire>, NotFoundProblem, UnprocessableProblem, SilentProblem, HostProblem>
    > RemoveAsync(
        Guid orderId,
        JsonBody<EngineFolderBody> body,
        OnlineDesk desk,
        EngineDesk engines,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        if (await engines.InstalledAsync(hosted, cancel) is not var (_, installed))
        {
            return OnlineDesk.Silent(hosted);
        }

        var faults = new FaultList();
        if (Named(body, installed, faults) is not { } engine)
        {
            return new UnprocessableProblem(faults);
        }

        var answer = await engines.RemoveAsync(hosted, engine, cancel);
        return answer is { State: not PanelState.Done } ? OnlineDesk.Explain(answer, hosted)
            : answer is not null && await engines.WireAsync(hosted, cancel) is { } wire ? TypedResults.Ok(wire)
            : OnlineDesk.Silent(hosted);
    }

    // The engine of the folder that is named.
    private static InstalledEngine? Named(
        JsonBody<EngineFolderBody> body,
        IReadOnlyList<InstalledEngine> installed,
        FaultList faults
    )
    {
        var folder = new Node(body.Root, "", faults)["folder"].Text() ?? "";
        var engine = installed.FirstOrDefault(engine => engine.Folder == folder);
        if (engine is null && !faults.Any)
        {
            faults.Say(FaultCodes.Unknown, "folder", "There is no engine in that folder.");
        }

        return faults.Any ? null : engine;
    }

    private static async Task<LinesSent<EngineLine>> TellAsync(
        HttpContext http,
        Hosted hosted,
        EngineDesk engines,
        EngineWish wish,
        string? password,
        string? made
    )
    {
        var lines = new LineAnswer(http);
        var makesDatabase =
            (await engines.OffersAsync(hosted, http.RequestAborted))
                ?.FirstOrDefault(offer => offer.Id == wish.Engine)
                ?.Databases != 0;
        for (var step = 1; step <= EngineSteps.All.Length; step++)
        {
            var answer = await engines.StepAsync(hosted, wish, step, password, http.RequestAborted);
            if (answer.State != PanelState.Done)
            {
                await lines.WriteAsync(
                    new EngineLine(
                        null,
                        step - 1,
                        EngineSteps.All.Length,
                        null,
                        answer.State == PanelState.Full
                            ? $"{hosted.Hosting.Provider} has no room for it. Nothing of your site was changed."
                            : answer.Message
                                ?? $"{hosted.Hosting.Provider} does not answer at “{EngineSteps.All[step - 1]}”. "
                                    + "What visitors see changes with the last step alone: look whether it stands, "
                                    + "else try again."
                    )
                );
                return new LinesSent<EngineLine>();
            }

            // One that needs no database makes none: nothing is said of that step.
            var word = EngineSteps.All[step - 1];
            await lines.WriteAsync(
                new EngineLine(
                    word == EngineSteps.Database && !makesDatabase ? null : word,
                    step,
                    EngineSteps.All.Length,
                    step == EngineSteps.All.Length ? made : null,
                    null
                )
            );
        }

        return new LinesSent<EngineLine>();
    }
}
