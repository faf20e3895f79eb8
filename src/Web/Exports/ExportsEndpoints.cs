using System.Text;
using HomeStart.Formats.Exports;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;

namespace HomeStart.Web.Exports;

/// <summary>What can be taken away: CSV of bills and ledger, PDF of worksheet and comparison.</summary>
internal static class ExportsEndpoints
{
    public static void MapExports(this IEndpointRouteBuilder app)
    {
        var site = app.MapGroup("/api/sites/{siteId:guid}");
        File(site.MapGet("/comparison.pdf", ComparisonAsync)).WithName("comparisonPdf");
        var candidate = site.MapGroup("/candidates/{letter}");
        File(candidate.MapGet("/worksheet.pdf", WorksheetAsync)).WithName("worksheetPdf");
        File(
                candidate.MapGet(
                    "/bills.csv",
                    (Guid siteId, string letter, string? style, SiteDesk desk, CancellationToken cancel) =>
                        CsvAsync(siteId, letter, "bills", style, CostingCsv.Bills, desk, cancel)
                )
            )
            .WithName("billsCsv");
        File(
                candidate.MapGet(
                    "/ledger.csv",
                    (Guid siteId, string letter, string? style, SiteDesk desk, CancellationToken cancel) =>
                        CsvAsync(siteId, letter, "ledger", style, CostingCsv.Ledger, desk, cancel)
                )
            )
            .WithName("ledgerCsv");
    }

    private static RouteHandlerBuilder File(RouteHandlerBuilder route) => route.Produces(StatusCodes.Status200OK);

    private static async Task<Results<FileContentHttpResult, NotFoundProblem, UnprocessableProblem>> CsvAsync(
        Guid siteId,
        string letter,
        string what,
        string? style,
        Func<Costing, CsvStyle, string> write,
        SiteDesk desk,
        CancellationToken cancel
    )
    {
        if (CsvStyle.Named(style) is not { } named)
        {
            var faults = new FaultList();
            faults.Say(FaultCodes.Unknown, "style", "CSV is written plain, or as en-GB.");
            return new UnprocessableProblem(faults);
        }

        // A byte order mark, so that spreadsheets read the names as they are written.
        return await desk.CostedAsync(siteId, letter, cancel) is var (_, costing)
            ? TypedResults.File(
                [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(write(costing, named))],
                "text/csv; charset=utf-8",
                $"candidate-{letter}-{what}.csv"
            )
            : SiteDesk.Missing();
    }

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> WorksheetAsync(
        Guid siteId,
        string letter,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        await desk.CostedAsync(siteId, letter, cancel) is var (site, costing)
            ? TypedResults.File(
                PdfReport.Write(
                    WorksheetReport.Make(site.Name, letter, costing),
                    await workspace.BusinessDateAsync(cancel)
                ),
                "application/pdf",
                $"candidate-{letter}.pdf"
            )
            : SiteDesk.Missing();

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> ComparisonAsync(
        Guid siteId,
        string? @base,
        SiteDesk desk,
        Workspace workspace,
        CancellationToken cancel
    )
    {
        if (await desk.CountedAsync(siteId, cancel) is not var (site, settings))
        {
            return SiteDesk.Missing();
        }

        var comparison = Comparison.Compare(site, workspace.Books, settings, @base, against: null);
        return TypedResults.File(
            PdfReport.Write(
                ComparisonReport.Make(site.Name, comparison, settings),
                await workspace.BusinessDateAsync(cancel)
            ),
            "application/pdf",
            "comparison.pdf"
        );
    }
}
