using Microsoft.AspNetCore.Antiforgery;

namespace HomeStart.Web.Session;

/// <summary>Whatever changes state must carry the token that our own page was given.</summary>
internal sealed class AntiforgeryFilter(IAntiforgery antiforgery) : IEndpointFilter
{
    public const string Header = "X-Home-Start-Token";

    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var http = context.HttpContext;
        return
            HttpMethods.IsGet(http.Request.Method)
            || (http.Request.Headers.ContainsKey(Header) && await antiforgery.IsRequestValidAsync(http))
            ? await next(context)
            : Results.Problem(
                "This page is out of date: reload it and try again. Nothing was changed.",
                title: "Out of date",
                statusCode: StatusCodes.Status400BadRequest
            );
    }
}
