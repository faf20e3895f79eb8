using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using HomeStart.Formats.Books;
using HomeStart.Formats.Json;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;

namespace HomeStart.Web.Books;

/// <summary>The books there are to choose from, and the shelf they stand on.</summary>
internal static class BooksEndpoints
{
    /// <summary>How many visitors' books are held ready: the least recently used give way.</summary>
    private const int BooksHeld = 500;

    public static void AddShelf(this IServiceCollection services)
    {
        services.AddMemoryCache(cache => cache.SizeLimit = BooksHeld);
        services.AddScoped<Shelf>();
        services.AddScoped<ShelfDesk>();
    }

    public static void MapBooks(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/books", ListAsync).WithName("getBooks");
        var shelf = app.MapGroup("/api/shelf").AddEndpointFilter<OneConnection>();
        shelf
            .MapGet("", async (ShelfDesk desk, CancellationToken cancel) => await desk.ListAsync(cancel))
            .WithName("getShelf");
        shelf.MapGet("/{book}", PriceListAsync).WithName("getPriceList");
        shelf.MapPost("/look", LookAsync).WithName("lookAtBook");
        shelf.MapPost("", TakeAsync).WithName("takeBook");
        shelf.MapPost("/{book}/put-away", PutAwayAsync).WithName("putBookAway");
        app.MapPost("/api/examples/put-away", PutExamplesAwayAsync)
            .AddEndpointFilter<OneConnection>()
            .WithName("putExamplesAway");
        shelf.MapPost("/{book}/codes", TellCodeAsync).WithName("tellCode");
        shelf.MapPost("/{book}/plans/{plan}/limits", TellLimitAsync).WithName("tellLimit");
        shelf
            .MapPost("/{book}/looked", (string book, Shelf books, ShelfDesk desk, CancellationToken cancel) =>
                KnownAsync(book, books, desk, () => desk.LookedAgainAsync(book, cancel), cancel)
            )
            .WithName("lookedAgain");
        shelf.MapDelete("/{book}", RemoveAsync).WithName("removeBook");
        shelf.MapGet("/{book}/file", FileAsync).WithName("getBookFile").Produces<JsonElement>();
        shelf
            .MapGet("/{book}/plans.csv", PlansCsvFile)
            .WithName("getPlansCsv")
            .Produces<string>(contentType: "text/csv");
        shelf.MapGet("/{book}/history", HistoryAsync).WithName("getPriceHistory");
        shelf.MapPost("/{book}/edit", EditAsync).WithName("editBook");
        app.MapGet("/api/offer-book.schema.json", () =>
                TypedResults.Stream(BookSchema.Open(), "application/schema+json")
            )
            .WithName("getBookSchema")
            .Produces<JsonElement>();
        app.MapGet("/api/offer-book.example.json", () =>
                TypedResults.Stream(BookSchema.OpenExample(), "application/json")
            )
            .WithName("getBookExample")
            .Produces<JsonElement>();
    }

    private static async Task<Ok<List<BookWire>>> ListAsync(Workspace workspace, Shelf shelf, CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        return TypedResults.Ok(
            shelf
                .All.Select(shelved =>
                    BookWire.From(shelved.Book, today) with
                    {
                        IsExample = shelved.Versions == 0,
                        IsPutAway = shelved.IsPutAway,
                    }
                )
                .ToList()
        );
    }

    private static async Task<Results<Ok<PriceListWire>, NotFoundProblem>> PriceListAsync(
        string book,
        Shelf books,
        Workspace workspace,
        CancellationToken cancel
    ) =>
        books.Find(book) is { } shelved
            ? TypedResults.Ok(PriceListWire.From(shelved.Book, await workspace.BusinessDateAsync(cancel)))
            : Missing();

    private static async Task<Ok<BookLookWire>> LookAsync(
        JsonBody<JsonElement> body,
        ShelfDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        return ReadFile(body, faults) is { } book
            ? TypedResults.Ok(await desk.LookAsync(book, body.Bytes, cancel))
            : TypedResults.Ok(BookLookWire.From(faults));
    }

    // A file is kept and edited as it is written, so that no field may stand in it twice.
    private static OfferBook? ReadFile(JsonBody<JsonElement> body, FaultList faults)
    {
        JsonText.ReportTwice(body.Root, "", faults);
        var book = BookReader.Read(body.Root, faults);
        return faults.Any ? null : book;
    }

    private static async Task<Results<Ok<IReadOnlyList<ShelvedWire>>, UnprocessableProblem>> TakeAsync(
        JsonBody<JsonElement> body,
        ShelfDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        if (ReadFile(body, faults) is { } book)
        {
            await desk.TakeAsync(book, body.Bytes, faults, cancel);
        }

        return faults.Any ? new UnprocessableProblem(faults) : TypedResults.Ok(await desk.ListAsync(cancel));
    }

    private static async Task<Results<Ok<IReadOnlyList<ShelvedWire>>, UnprocessableProblem>> PutExamplesAwayAsync(
        JsonBody<PutAwayBody> body,
        ShelfDesk desk,
        CancellationToken cancel
    )
    {
        var faults = new FaultList();
        var isPutAway = IsPutAway(body, faults);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        await desk.PutExamplesAwayAsync(isPutAway, cancel);
        return TypedResults.Ok(await desk.ListAsync(cancel));
    }

    private static bool IsPutAway(JsonBody<PutAwayBody> body, FaultList faults)
    {
        var node = new Node(body.Root, "", faults)["isPutAway"];
        if (node.IsAbsent)
        {
            node.Required("Whether it is put away");
        }

        return node.Flag() ?? false;
    }

    private static Task<Results<Ok<IReadOnlyList<ShelvedWire>>, NotFoundProblem, UnprocessableProblem>> TellCodeAsync(
        string book,
        JsonBody<ToldCodeBody> body,
        Shelf books,
        ShelfDesk desk,
        CancellationToken cancel
    ) =>
        ToldAsync(
            book,
            body,
            books,
            desk,
            (file, node, known) => BookTold.WithCode(file, node, known.Currency),
            cancel
        );

    private static Task<Results<Ok<IReadOnlyList<ShelvedWire>>, NotFoundProblem, UnprocessableProblem>> TellLimitAsync(
        string book,
        string plan,
        JsonBody<ToldLimitBody> body,
        Shelf books,
        ShelfDesk desk,
        CancellationToken cancel
    ) => ToldAsync(book, body, books, desk, (file, node, _) => BookTold.WithLimit(file, plan, node), cancel);

    // Into a price list of the visitor's own alone: the made-up sellers keep to what they say, else nothing could be
    // ordered from them any more.
    private static async Task<
        Results<Ok<IReadOnlyList<ShelvedWire>>, NotFoundProblem, UnprocessableProblem>
    > ToldAsync<T>(
        string book,
        JsonBody<T> body,
        Shelf books,
        ShelfDesk desk,
        Func<JsonNode, Node, OfferBook, JsonNode?> tell,
        CancellationToken cancel
    )
        where T : class
    {
        if (
            books.Find(book) is not { Versions: > 0 } shelved
            || await books.BytesAsync(shelved.Book.Id, null, cancel) is not { } bytes
        )
        {
            return Missing();
        }

        var faults = new FaultList();
        if (tell(JsonNode.Parse(bytes)!, new Node(body.Root, "", faults), shelved.Book) is { } told)
        {
            await desk.TakeEditedAsync(told, faults, cancel);
        }

        return faults.Any ? new UnprocessableProblem(faults) : TypedResults.Ok(await desk.ListAsync(cancel));
    }

    private static async Task<
        Results<Ok<IReadOnlyList<ShelvedWire>>, NotFoundProblem, UnprocessableProblem>
    > PutAwayAsync(string book, JsonBody<PutAwayBody> body, Shelf books, ShelfDesk desk, CancellationToken cancel)
    {
        var faults = new FaultList();
        var isPutAway = IsPutAway(body, faults);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        if (books.Find(book) is null)
        {
            return Missing();
        }

        await desk.PutAwayAsync(book, isPutAway, cancel);
        return TypedResults.Ok(await desk.ListAsync(cancel));
    }

    private static async Task<Results<Ok<IReadOnlyList<ShelvedWire>>, NotFoundProblem>> RemoveAsync(
        string book,
        Shelf books,
        ShelfDesk desk,
        CancellationToken cancel
    ) =>
        books.Find(book) is { Versions: > 0, Book.Id: var id }
            ? await KnownAsync(book, books, desk, () => desk.RemoveAsync(id, cancel), cancel)
            : Missing();

    private static async Task<Results<FileContentHttpResult, NotFoundProblem>> FileAsync(
        string book,
        int? version,
        Shelf books,
        CancellationToken cancel
    ) =>
        await books.BytesAsync(books.Find(book)?.Book.Id ?? book, version, cancel) is { } bytes
            ? TypedResults.File(bytes, "application/json", $"{FileName(book)}.json")
            : Missing();

    private static Results<FileContentHttpResult, NotFoundProblem> PlansCsvFile(string book, Shelf books) =>
        books.Find(book) is { } shelved
            ? TypedResults.File(
                Encoding.UTF8.GetBytes(PlansCsv.Write(shelved.Book)),
                "text/csv; charset=utf-8",
                $"{FileName(book)}-plans.csv"
            )
            : Missing();

    private static async Task<Results<Ok<IReadOnlyList<ShelvedWire>>, NotFoundProblem>> KnownAsync(
        string book,
        Shelf books,
        ShelfDesk desk,
        Func<Task> change,
        CancellationToken cancel
    )
    {
        if (books.Find(book) is null)
        {
            return Missing();
        }

        await change();
        return TypedResults.Ok(await desk.ListAsync(cancel));
    }

    private static async Task<Results<Ok<IEnumerable<PriceHistoryWire>>, NotFoundProblem>> HistoryAsync(
        string book,
        Shelf books,
        CancellationToken cancel
    ) =>
        books.Find(book) is { } shelved
            ? TypedResults.Ok(
                PriceHistory
                    .ListAll(await books.VersionsAsync(book, cancel))
                    .Select(history => PriceHistoryWire.From(history, shelved.Book.Currency))
            )
            : Missing();

    private static async Task<Results<Ok<EditedBookWire>, NotFoundProblem, UnprocessableProblem>> EditAsync(
        string book,
        JsonBody<EditBookBody> body,
        Shelf books,
        ShelfDesk desk,
        CancellationToken cancel
    )
    {
        if (books.Find(book) is not { } shelved || await books.BytesAsync(book, null, cancel) is not { } bytes)
        {
            return Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        if (node["version"].Whole() is { } version && version != shelved.Versions)
        {
            node["version"]
                .Fault(
                    FaultCodes.Repeated,
                    "This book was changed in another window. Open it again: what you changed here can be "
                        + "typed in anew."
                );
        }

        var asNew = node["asNew"].Text()?.Trim();
        var edited = JsonEdits.Apply(JsonNode.Parse(bytes)!, node["operations"]);
        if (faults.Any || edited is null)
        {
            return new UnprocessableProblem(faults);
        }

        return TypedResults.Ok(await desk.EditedAsync(edited, asNew is { Length: > 0 } ? asNew : null, cancel));
    }

    // An id may be any text.
    private static string FileName(string book) =>
        string.Concat(book.Where(letter => char.IsAsciiLetterOrDigit(letter) || letter is '-' or '_').Take(60))
            is { Length: > 0 } name
            ? name
            : "offer-book";

    private static NotFoundProblem Missing() => new NotFoundProblem("There is no such book on your shelf.");
}
