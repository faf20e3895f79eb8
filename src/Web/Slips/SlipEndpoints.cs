using HomeStart.Formats;
using HomeStart.Web.Hosting;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;

namespace HomeStart.Web.Slips;

/// <summary>Buying at the seller's own page: what to do there, and why its sum is not ours.</summary>
internal static class SlipEndpoints
{
    public static void MapSlips(this IEndpointRouteBuilder app)
    {
        var candidate = app.MapGroup("/api/sites/{siteId:guid}/candidates/{letter}");
        candidate.MapGet("/slip", SlipAsync).WithName("getSlip").Produces<BuyingSlipWire>().ProducesProblem(StatusCodes.Status404NotFound);
        candidate.MapGet("/slip.pdf", PdfAsync).WithName("slipPdf").Produces(StatusCodes.Status200OK).ProducesProblem(StatusCodes.Status404NotFound);
        candidate.MapPost("/their-sum", TheirSumAsync).WithName("explainTheirSum").Produces<TheirSumWire>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);
    }

    private static async Task<IResult> SlipAsync(Guid siteId, string letter, SiteDesk desk, CancellationToken cancel) =>
        await desk.CostedAsync(siteId, letter, cancel) is var (_, costing) ? Results.Ok(BuyingSlipWire.Of(letter, Slip.Of(costing), costing)) : SiteDesk.Missing();

    private static async Task<IResult> PdfAsync(Guid siteId, string letter, SiteDesk desk, Workspace workspace, CancellationToken cancel) =>
        await desk.CostedAsync(siteId, letter, cancel) is var (site, costing)
            ? Results.File(PdfReport.Write(SlipReport.Of(site.Name, letter, Slip.Of(costing), costing), await workspace.BusinessDateAsync(cancel)), "application/pdf", $"slip-{letter}.pdf")
            : SiteDesk.Missing();

    private static async Task<IResult> TheirSumAsync(Guid siteId, string letter, JsonBody<TheirSumBody> body, SiteDesk desk, Workspace workspace, Turns turns, CancellationToken cancel)
    {
        if (await desk.CostedAsync(siteId, letter, cancel) is not var (site, costing))
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var id = node["book"].RequiredText("The seller");
        var book = costing.Run.Purchase.Books.FirstOrDefault(known => known.Id == id && costing.Run.Purchase.BuysAt(known));
        if (book is null && !faults.Any)
        {
            node["book"].Fault(FaultCodes.Unknown, "Nothing of this candidate is bought there.");
        }

        if (node["total"].IsAbsent)
        {
            node["total"].Required("The sum");
        }

        var total = node["total"].Amount(book?.Currency);
        if (faults.Any || book is null || total is not { } units)
        {
            return FaultResults.Unprocessable(faults);
        }

        using var turn = await turns.CostingAsync(cancel);
        var (candidate, seen) = (site.Listed(letter)!.Candidate, new SeenSum(book.Id, units, costing.Settings.StartDate));
        return turn.Refusal ?? FaultResults.Answer(Reconciler.Run(candidate, [.. workspace.Books], costing.Settings, seen, faults, cancel).As(found => TheirSumWriter.Write(found, candidate, [.. workspace.Books], costing.Settings, seen)));
    }
}
