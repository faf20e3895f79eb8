using HomeStart.Formats;
using HomeStart.Web.Session;

namespace HomeStart.Web.Books;

internal static class BooksEndpoints
{
    public static void MapBooks(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/books", (Workspace workspace) => workspace.Books.Select(BookWire.Of).ToList()).WithName("getBooks");
}
