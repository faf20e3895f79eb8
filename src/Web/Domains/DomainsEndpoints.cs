using System.Threading.RateLimiting;
using HomeStart.Data;
using HomeStart.Formats.Domains;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;

namespace HomeStart.Web.Domains;

/// <summary>
/// Checking a name: its spelling by Core, its availability by a registrar, its record by the registry.
/// </summary>
internal static class DomainsEndpoints
{
    internal const string Limit = "look-ups";
    private const int PerWindow = 120;

    /// <summary>
    /// So many look-ups a visitor in ten seconds, and as many all who were never here together from one address: a
    /// registrar would not take more from us either.
    /// </summary>
    public static void AddLookUpLimits(this IServiceCollection services) =>
        services.AddRateLimiter(limits =>
        {
            limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limits.AddPolicy(Limit, http =>
                RateLimitPartition.GetFixedWindowLimiter(AskerOf(http), _ => new FixedWindowRateLimiterOptions
                {
                    PermitLimit = PerWindow,
                    Window = TimeSpan.FromSeconds(10),
                })
            );
        });

    /// <summary>
    /// Who asks, for limits: a visitor who was here before is counted alone, whoever else shares their address; all
    /// others by address.
    /// </summary>
    public static string AskerOf(HttpContext http) =>
        http.RequestServices.GetRequiredService<WorkspaceScope>() is { IsKnown: true, Id: var workspace }
            ? workspace.ToString()
            : http.Connection.RemoteIpAddress?.ToString() ?? "";

    public static void MapDomains(this IEndpointRouteBuilder app)
    {
        var domains = app.MapGroup("/api/domains");
        domains
            .MapGet("/typed", (string? text) => TypedDomainWire.From(TypedDomain.Parse(Short(text))))
            .WithName("readTypedDomain");
        domains.MapGet("/check", CheckAsync).WithName("checkDomain").RequireRateLimiting(Limit);
    }

    private static async Task<Results<Ok<NameAnswerWire>, UnprocessableProblem>> CheckAsync(
        string label,
        string ending,
        string? book,
        Workspace workspace,
        NameChecks checks,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var (name, fault) = DomainLabel.Parse(Short(label));
        if (fault is not null)
        {
            faults.Add(FaultCodes.BadType, "label", new NotADomain(new DomainFault(DomainPart.Label, fault, 0)));
        }

        var seller = workspace.Books.FirstOrDefault(known =>
            (book is null || known.Id == book) && known.Domain(ending) is not null
        );
        if (seller is null)
        {
            faults.Say(FaultCodes.Unknown, "ending", $"No offer book here sells the ending .{Short(ending)}.");
        }

        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        if (DomainName.Parse(name!.Text, ending).Domain is not { } domain)
        {
            faults.Say(
                FaultCodes.OutOfRange,
                "label",
                $"With its ending this is too long: a domain has at most {DomainName.Longest} characters."
            );
            return new UnprocessableProblem(faults);
        }

        var answer = (
            await checks
                .AskAsync(workspace.World, [new NameQuestion(seller!.Id, domain)], withRecord: true, cancel)
                .FirstAsync(news => news.Answer is not null, cancel)
        ).Answer!;
        return TypedResults.Ok(NameAnswerWire.From(answer, time.GetUtcNow()));
    }

    private static string? Short(string? text) => text is { Length: > 300 } ? text[..300] : text;
}
