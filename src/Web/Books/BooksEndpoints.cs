using HomeStart.Formats;
using HomeStart.Web.Session;

namespace HomeStart.Web.Books;

internal static class BooksEndpoints
{
    public static void MapBooks(this IEndpointRouteBuilder app) => app.MapGet("/api/books", ListAsync).WithName("getBooks").Produces<IReadOnlyList<BookWire>>();

    private static async Task<IResult> ListAsync(Workspace workspace, CancellationToken cancel)
    {
        var today = await workspace.BusinessDateAsync(cancel);
        return Results.Ok(workspace.Books.Select(book => BookWire.Of(book, today)).ToList());
    }
}
