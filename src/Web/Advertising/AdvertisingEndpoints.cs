using System.Text;
using System.Text.Json.Nodes;
using HomeStart.Formats.Advertising;
using HomeStart.Formats.Books;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;
using HomeStart.Formats.Pages;
using HomeStart.Web.Books;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Sites;
using HomeStart.Web.Startup;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Advertising;

/// <summary>
/// From a seller's page to an offer book: advertisements typed in or pasted, and tables of prices. Nothing is kept
/// here; the book that comes of it is taken at the shelf.
/// </summary>
internal static class AdvertisingEndpoints
{
    public static void MapAdvertising(this IEndpointRouteBuilder app)
    {
        var pages = app.MapGroup("/api").AddEndpointFilter<OneConnection>();
        pages.MapPost("/advertisements/read", Read).WithName("readAdvertisement");
        pages.MapPost("/sites/{siteId:guid}/advertisement", LookAsync).WithName("lookAtAdvertisement");
        pages
            .MapPost("/sites/{siteId:guid}/page", ReviewAsync)
            .WithName("reviewPage")
            .WithMetadata(new RequestSizeLimitAttribute(PagesEndpoints.LargestBody));
        pages.MapPost("/sites/{siteId:guid}/price-table", TableAsync).WithName("readPriceTable");
    }

    private static Results<Ok<IEnumerable<FindingWire>>, UnprocessableProblem> Read(
        JsonBody<AdvertisementTextBody> body
    )
    {
        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var text =
            node.IsObject() && node["text"].Element is { ValueKind: System.Text.Json.JsonValueKind.String } said
                ? said.GetString()!
                : null;
        if (text is null || text.Length > ProseReader.Longest)
        {
            node["text"]
                .Fault(
                    text is null ? FaultCodes.Required : FaultCodes.OutOfRange,
                    text is null
                        ? "Paste the words of the advertisement."
                        : $"This has {text.Length} characters; at most {ProseReader.Longest} are read."
                );
        }

        return faults.Any
            ? new UnprocessableProblem(faults)
            : TypedResults.Ok(
                ProseReader.Read(text!).Select(finding => new FindingWire(finding.Field, finding.Value, finding.Words))
            );
    }

    private static async Task<Results<Ok<AdvertisementWire>, NotFoundProblem>> LookAsync(
        Guid siteId,
        JsonBody<AdvertisementBody> body,
        SiteDesk sites,
        Workspace workspace,
        Joining joining,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var today = await workspace.BusinessDateAsync(cancel);
        var advertisement = AdvertisementReader.Read(new Node(body.Root, "", faults));
        var made = advertisement?.ToBook("advertised", today);
        var costs = made is null ? null : HiddenCosts.Find(made, site.Site.Settings.On(today));
        var (book, addsTo) = made is null || faults.Any ? (null, null) : await joining.JoinAsync(made, faults, cancel);
        var whole = book is null ? null : BookReader.Read(book, faults);
        return TypedResults.Ok(
            new AdvertisementWire(
                UnprocessableProblem.Wires(faults),
                costs is null ? null : HiddenCostsWire.From(costs, made!),
                whole is null ? null : BookWriter.Text(book!),
                addsTo,
                whole is null ? null : CandidateWire.From(HiddenCosts.Bought(made! with { Id = whole.Id }, []))
            )
        );
    }

    private static async Task<
        Results<Ok<PageReviewWire>, NotFoundProblem, UnprocessableProblem, TooManyProblem>
    > ReviewAsync(
        Guid siteId,
        JsonBody<PageReviewBody> body,
        SiteDesk sites,
        Workspace workspace,
        Joining joining,
        ShelfDesk shelf,
        WorkSlots turns,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        using var turn = await turns.CostingAsync(cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var (unreadable, faults) = (new FaultList(), new FaultList());
        if (PagesEndpoints.Read(body.Root, unreadable, PageReader.Read, cancel) is not { } printed)
        {
            return new UnprocessableProblem(unreadable);
        }

        var node = new Node(body.Root, "", unreadable);
        var (answers, changes) = (PageAnswersReader.Read(node), PageAnswersReader.Changes(node["changes"]));
        if (unreadable.Any)
        {
            return new UnprocessableProblem(unreadable);
        }

        var today = await workspace.BusinessDateAsync(cancel);
        var reading = ReadingChanges.Apply(printed, changes, faults);
        var made = PageBook.Make(reading, answers, "read", today, faults);
        var settings = site.Site.Settings.On(today);
        var costs = reading
            .Plans.Select((_, plan) => PlanCosts.WorkOut(reading, answers, plan, today, settings))
            .ToList();
        var (book, addsTo) = made is null ? (null, null) : await joining.JoinAsync(made, faults, cancel);
        var whole = book is null ? null : BookReader.Read(book, faults);
        var text = whole is null ? null : BookWriter.Text(book!);
        return TypedResults.Ok(
            new PageReviewWire(
                PageWriter.Write(reading),
                UnprocessableProblem.Wires(faults),
                costs,
                text,
                addsTo,
                whole is null || addsTo is null
                    ? null
                    : await shelf.LookAsync(whole, Encoding.UTF8.GetBytes(text!), cancel),
                whole is null ? [] : ForSite(site.Site, whole, made!, workspace)
            )
        );
    }

    // What buys each plan that was read, once it stands in the price list it joins.
    private static List<CandidateWire> ForSite(Site site, OfferBook whole, OfferBook made, Workspace workspace) =>
        [
            .. made.Plans.Select(plan =>
                CandidateWire.From(
                    PlanForSite.Choose(
                        site,
                        whole,
                        plan,
                        HiddenCosts.Bought(made with { Id = whole.Id, Plans = [plan] }, []),
                        workspace.Books
                    )
                )
            ),
        ];

    private static async Task<Results<Ok<PriceTableWire>, NotFoundProblem, UnprocessableProblem>> TableAsync(
        Guid siteId,
        JsonBody<PriceTableBody> body,
        SiteDesk sites,
        Workspace workspace,
        Joining joining,
        CancellationToken cancel
    )
    {
        if (await sites.FindAsync(siteId, cancel) is not { } site)
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        if (!node.IsObject())
        {
            node.Required("The table");
            return new UnprocessableProblem(faults);
        }

        var (_, wire, made) = PriceTableReader.Read(node, await workspace.BusinessDateAsync(cancel));
        if (made is null)
        {
            return TypedResults.Ok(wire);
        }

        var (book, _) = await joining.JoinAsync(made, faults, cancel);
        return BookReader.Read(book, faults) is { } whole
            ? TypedResults.Ok(
                wire with
                {
                    Book = BookWriter.Text(book),
                    Candidates = ForSite(site.Site, whole, made, workspace),
                }
            )
            : TypedResults.Ok(wire with { Faults = UnprocessableProblem.Wires(faults) });
    }
}

/// <summary>Finds the place on the shelf for a book that was made here.</summary>
public sealed class Joining(Shelf shelf)
{
    /// <summary>
    /// The book as JSON, joined to one's own of the same seller, currency and tax, whose name is given; else under an
    /// id that is free.
    /// </summary>
    internal async Task<(JsonObject Book, string? AddsTo)> JoinAsync(
        OfferBook made,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var known = shelf.All.FirstOrDefault(shelved =>
            shelved.Versions > 0
            && string.Equals(shelved.Book.Provider.Name, made.Provider.Name, StringComparison.OrdinalIgnoreCase)
            && shelved.Book.Currency == made.Currency
            && shelved.Book.Tax == made.Tax
        );
        if (
            known is not null
            && await shelf.BytesAsync(known.Book.Id, null, cancel) is { } bytes
            && JsonNode.Parse(bytes) is JsonObject document
        )
        {
            return (
                BookJoin.With(document, BookWriter.Write(made with { Id = known.Book.Id })),
                known.Book.Provider.Name
            );
        }

        var id = Slug.Free(Slug.Make(made.Provider.Name, "seller"), id => shelf.Find(id) is not null);
        return (BookWriter.Write(made with { Id = id }), null);
    }
}
