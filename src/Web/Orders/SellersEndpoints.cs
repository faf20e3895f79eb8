using HomeStart.Data;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;

namespace HomeStart.Web.Orders;

/// <summary>
/// Being a customer at a seller already: saying so, confirmed by a code that the seller mails, and what it owes. And
/// what a host asks of a log-in.
/// </summary>
internal static class SellersEndpoints
{
    /// <param name="Mail">The address that the seller knows.</param>
    public sealed record CustomerCodeBody(string Mail);

    public sealed record ConfirmCustomerBody(string Code);

    /// <param name="Balance">What the seller owes the owner; null: the owner is not known there as a customer, or
    /// nobody answered.</param>
    public sealed record CustomerWire(string? Balance, string Currency);

    public static void MapSellers(this IEndpointRouteBuilder app)
    {
        var seller = app.MapGroup("/api/sellers/{book}");
        seller.MapGet("/customer", CustomerAsync).WithName("getCustomer");
        seller
            .MapPost("/customer/code", CodeAsync)
            .WithName("sendCustomerCode")
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
        seller
            .MapPost("/customer/confirm", ConfirmAsync)
            .WithName("confirmCustomer")
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
        seller
            .MapPost("/log-in-check", CheckLogInAsync)
            .WithName("checkLogIn")
            .RequireRateLimiting(Domains.DomainsEndpoints.Limit);
    }

    private static async Task<Results<Ok<CustomerWire>, NotFoundProblem>> CustomerAsync(
        string book,
        Workspace workspace,
        ISellers sellers,
        CancellationToken cancel
    ) =>
        Connected(book, workspace) is { } seller
            ? TypedResults.Ok(
                new CustomerWire(
                    (await sellers.BalanceAsync(workspace.World, book, cancel))?.ToAmount(),
                    seller.Currency.Code
                )
            )
            : Missing();

    private static async Task<Results<NoContent, NotFoundProblem, UnprocessableProblem, SilentProblem>> CodeAsync(
        string book,
        JsonBody<CustomerCodeBody> body,
        Workspace workspace,
        ISellers sellers,
        CancellationToken cancel
    )
    {
        var (faults, seller) = (new FaultList(), Connected(book, workspace));
        var mail = new Node(body.Root, "", faults)["mail"].RequiredText("The mail address")?.Trim();
        if (mail is not null && !Contact.LooksLikeMail(mail))
        {
            faults.Add(FaultCodes.BadType, "mail", new NotAMailAddress());
        }

        return seller is null ? Missing()
            : faults.Any ? new UnprocessableProblem(faults)
            : await sellers.SendCodeAsync(workspace.World, book, mail!, cancel) ? TypedResults.NoContent()
            : Silent(seller);
    }

    private static async Task<
        Results<Ok<CustomerWire>, NotFoundProblem, UnprocessableProblem, SilentProblem>
    > ConfirmAsync(
        string book,
        JsonBody<ConfirmCustomerBody> body,
        Workspace workspace,
        ISellers sellers,
        HomeStartDb db,
        CancellationToken cancel
    )
    {
        var (faults, seller) = (new FaultList(), Connected(book, workspace));
        var code = new Node(body.Root, "", faults)["code"].RequiredText("The code")?.Trim();
        if (seller is null || faults.Any)
        {
            return seller is null ? Missing() : new UnprocessableProblem(faults);
        }

        var answer = await sellers.ConfirmAsync(workspace.World, book, code!, cancel);
        if (answer is not { Balance: { } balance })
        {
            faults.Say(FaultCodes.Unavailable, "code", answer?.Refusal ?? "");
            return answer is null ? Silent(seller) : new UnprocessableProblem(faults);
        }

        await workspace.BeCustomerAsync(book, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(new CustomerWire(balance.ToAmount(), balance.Currency.Code));
    }

    private static async Task<
        Results<Ok<LogInCheckWire>, NotFoundProblem, UnprocessableProblem, SilentProblem>
    > CheckLogInAsync(
        string book,
        JsonBody<LogInBody> body,
        Workspace workspace,
        IHostingCompany hosts,
        CancellationToken cancel
    )
    {
        var (faults, seller) = (new FaultList(), Connected(book, workspace));
        var root = new Node(body.Root, "", faults);
        var (user, passcode) = (root["user"].Text()?.Trim() ?? "", root["passcode"].Text()?.Trim() ?? "");
        if (seller is null || faults.Any)
        {
            return seller is null ? Missing() : new UnprocessableProblem(faults);
        }

        if (await hosts.LogInRulesAsync(workspace.World, book, cancel) is not { } rules)
        {
            return Silent(seller);
        }

        var isRight =
            rules.IsMet(LogInRule.UserLength, user, "") == true && rules.IsMet(LogInRule.UserLetters, user, "") == true;
        return TypedResults.Ok(
            LogInCheckWire.From(
                rules,
                user,
                passcode,
                isRight ? await hosts.IsUserTakenAsync(workspace.World, book, user, cancel) : null
            )
        );
    }

    private static OfferBook? Connected(string book, Workspace workspace) =>
        workspace.Books.FirstOrDefault(known => known.Id == book && workspace.IsConnected(known));

    private static NotFoundProblem Missing() => new NotFoundProblem("There is no such seller here.");

    private static SilentProblem Silent(OfferBook seller) =>
        new SilentProblem($"{seller.Provider.Name} did not answer. Try again in a while.");
}
