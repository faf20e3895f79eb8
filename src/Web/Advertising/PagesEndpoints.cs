using System.Text.Json;
using System.Text.RegularExpressions;
using HomeStart.Formats.Pages;
using HomeStart.Formats.Words;
using HomeStart.Web.Costings;
using Microsoft.AspNetCore.Mvc;

namespace HomeStart.Web.Advertising;

/// <summary>Reads sellers' pages and carts for anybody who posts one. Nothing is fetched, run or kept.</summary>
internal static class PagesEndpoints
{
    // JSON may write a character as six, and of a page of 4 MiB a good part as two.
    public const int LargestBody = 13 << 20;

    public static void MapPages(this IEndpointRouteBuilder app)
    {
        app.MapCalculation<PageBody, PageReadingWire>("/api/pages/read", "readPage", (body, _, faults, cancel) =>
                Answer(body, faults, page => PageWriter.Write(PageReader.Read(page)), cancel)
            )
            .WithMetadata(new RequestSizeLimitAttribute(LargestBody));
        app.MapCalculation<PageBody, CartReadingWire>("/api/carts/read", "readCart", (body, _, faults, cancel) =>
                Answer(body, faults, page => PageWriter.Write(CartReader.Read(page)), cancel)
            )
            .WithMetadata(new RequestSizeLimitAttribute(LargestBody));
    }

    private static Result<TAnswer>? Answer<TAnswer>(
        JsonElement body,
        FaultList faults,
        Func<PageText, TAnswer> read,
        CancellationToken cancel
    )
        where TAnswer : class => Read(body, faults, read, cancel) is { } answer ? Result.From(answer, faults) : null;

    /// <summary>
    /// What is read of a body; null, with the faults, where it has no page, or one that takes too long.
    /// </summary>
    public static TAnswer? Read<TAnswer>(
        JsonElement body,
        FaultList faults,
        Func<PageText, TAnswer> read,
        CancellationToken cancel
    )
        where TAnswer : class
    {
        try
        {
            return PageBodyReader.Read(body, faults, cancel) is { } page ? read(page) : null;
        }
        catch (RegexMatchTimeoutException)
        {
            faults.Say(
                FaultCodes.TooLarge,
                "html",
                "This takes too long to read. Copy only the part with the plans, and paste that."
            );
            return null;
        }
    }
}
