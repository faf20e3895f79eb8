using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Formats.Words;
using HomeStart.Web.Domains;
using HomeStart.Web.Requests;

namespace HomeStart.Web.Online;

/// <summary>The names and the mail addresses of a hosting.</summary>
internal static class HostedEndpoints
{
    public static void MapHosted(this IEndpointRouteBuilder order)
    {
        var hosted = order.MapGroup("").RequireRateLimiting(DomainsEndpoints.Limit);
        hosted.MapGet("/names", NamesAsync).WithName("getHostedNames");
        hosted.MapPut("/names", ChangeNamesAsync).WithName("changeHostedNames");
        hosted.MapGet("/mailboxes", MailAsync).WithName("getMailboxes");
        hosted.MapPut("/mailboxes", ChangeMailAsync).WithName("changeMailboxes");
        hosted.MapPost("/mailboxes/test", TestMailAsync).WithName("sendTestMail");
    }

    private static async Task<Results<Ok<HostedNamesWire>, NotFoundProblem, SilentProblem>> NamesAsync(
        Guid orderId,
        OnlineDesk desk,
        NameUses uses,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await uses.FindAsync(hosted, cancel) is var (version, names)
            ? TypedResults.Ok(await uses.WireAsync(hosted, version, names, cancel))
        : OnlineDesk.Silent(hosted);

    private static async Task<
        Results<Ok<HostedNamesWire>, NotFoundProblem, UnprocessableProblem, HostProblem>
    > ChangeNamesAsync(
        Guid orderId,
        JsonBody<ChangeNamesBody> body,
        OnlineDesk desk,
        NameUses uses,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        node.IsObject();
        var (seen, names) = (node["version"].Whole() ?? 0, HostedNameReader.Read(node["names"]));
        if (!faults.Any)
        {
            names.Check(
                await desk.OwnedAsync(cancel),
                hosted.Plan?.Allowed(PlanLimit.Websites),
                hosted.Plan?.Allowed(PlanLimit.Subdomains),
                faults
            );
        }

        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        var (answer, changed) = await uses.ChangeAsync(hosted, seen, names, cancel);
        return changed is null ? OnlineDesk.Explain(answer, hosted) : TypedResults.Ok(changed);
    }

    private static async Task<Results<Ok<MailboxesWire>, NotFoundProblem, SilentProblem>> MailAsync(
        Guid orderId,
        OnlineDesk desk,
        MailDesk mail,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await desk.ReadAsync(hosted, PanelKinds.Mail, PanelDocuments.Mail, cancel) is var (version, setUp)
            ? TypedResults.Ok(await mail.WireAsync(hosted, version, setUp, cancel))
        : OnlineDesk.Silent(hosted);

    private static async Task<
        Results<Ok<MailboxesWire>, NotFoundProblem, UnprocessableProblem, HostProblem>
    > ChangeMailAsync(
        Guid orderId,
        JsonBody<ChangeMailBody> body,
        OnlineDesk desk,
        MailDesk mail,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (seen, setUp) = (node["version"].Whole() ?? 0, MailSetUpReader.Read(node));
        if (!faults.Any)
        {
            setUp.Check(await mail.DomainsAsync(hosted, cancel), hosted.Plan?.Allowed(PlanLimit.Mailboxes), faults);
        }

        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        var answer = await desk.WriteAsync(hosted, PanelKinds.Mail, seen, PanelDocuments.Write(setUp), cancel);
        return answer.State == PanelState.Done
            ? TypedResults.Ok(await mail.WireAsync(hosted, answer.Version, setUp, cancel))
            : OnlineDesk.Explain(answer, hosted);
    }

    private static async Task<Results<Ok<TestMailWire>, NotFoundProblem, UnprocessableProblem>> TestMailAsync(
        Guid orderId,
        JsonBody<TestMailBody> body,
        OnlineDesk desk,
        MailDesk mail,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(orderId, cancel) is not { } hosted)
        {
            return OnlineDesk.Missing();
        }

        var faults = new FaultList();
        var to = new Node(body.Root, "", faults)["to"].RequiredText("The address")?.Trim().ToLowerInvariant();
        if (
            !faults.Any
            && !(await mail.DomainsAsync(hosted, cancel)).Any(domain =>
                to!.EndsWith("@" + domain, StringComparison.Ordinal)
            )
        )
        {
            faults.Say(FaultCodes.BadType, "to", "A test mail goes to an address at one of your own domains.");
        }

        return faults.Any
            ? new UnprocessableProblem(faults)
            : TypedResults.Ok(await mail.TestAsync(hosted, to!, cancel));
    }
}
