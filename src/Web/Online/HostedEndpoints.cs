using HomeStart.Formats.Json;
using HomeStart.Formats.Online;
using HomeStart.Formats.Words;
using HomeStart.Web.Domains;
using HomeStart.Web.Requests;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Online;

/// <summary>The names and the mail addresses of a hosting.</summary>
internal static class HostedEndpoints
{
    public static void MapHosted(this IEndpointRouteBuilder order)
    {
        Asked(order.MapGet("/names", NamesAsync).WithName("getHostedNames").Produces<HostedNamesWire>());
        Changes(order.MapPut("/names", ChangeNamesAsync).WithName("changeHostedNames").Produces<HostedNamesWire>());
        Asked(order.MapGet("/mailboxes", MailAsync).WithName("getMailboxes").Produces<MailboxesWire>());
        Changes(order.MapPut("/mailboxes", ChangeMailAsync).WithName("changeMailboxes").Produces<MailboxesWire>());
        Changes(order.MapPost("/mailboxes/test", TestMailAsync).WithName("sendTestMail").Produces<TestMailWire>());
    }

    private static RouteHandlerBuilder Asked(RouteHandlerBuilder route) =>
        route
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status503ServiceUnavailable)
            .RequireRateLimiting(DomainsEndpoints.Limit);

    private static void Changes(RouteHandlerBuilder route) =>
        Asked(route)
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> NamesAsync(
        Guid orderId,
        OnlineDesk desk,
        NameUses uses,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await uses.FindAsync(hosted, cancel) is var (version, names)
            ? Results.Ok(await uses.WireAsync(hosted, version, names, cancel))
        : OnlineDesk.Silent(hosted);

    private static async Task<IResult> ChangeNamesAsync(
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

        return faults.Any ? FaultResults.Unprocessable(faults) : await uses.ChangeAsync(hosted, seen, names, cancel);
    }

    private static async Task<IResult> MailAsync(
        Guid orderId,
        OnlineDesk desk,
        MailDesk mail,
        CancellationToken cancel
    ) =>
        await desk.FindAsync(orderId, cancel) is not { } hosted ? OnlineDesk.Missing()
        : await desk.ReadAsync(hosted, PanelKinds.Mail, PanelDocuments.Mail, cancel) is var (version, setUp)
            ? Results.Ok(await mail.WireAsync(hosted, version, setUp, cancel))
        : OnlineDesk.Silent(hosted);

    private static async Task<IResult> ChangeMailAsync(
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
            return FaultResults.Unprocessable(faults);
        }

        var answer = await desk.WriteAsync(hosted, PanelKinds.Mail, seen, PanelDocuments.Write(setUp), cancel);
        return answer.State == PanelState.Done
            ? Results.Ok(await mail.WireAsync(hosted, answer.Version, setUp, cancel))
            : OnlineDesk.Explain(answer, hosted);
    }

    private static async Task<IResult> TestMailAsync(
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

        return faults.Any ? FaultResults.Unprocessable(faults) : Results.Ok(await mail.TestAsync(hosted, to!, cancel));
    }
}
