using HomeStart.Data;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Startup;

/// <summary>
/// One connection for a whole request: opening one for each query, with its settings, is most of what a small query
/// costs.
/// </summary>
internal sealed class OneConnection : IEndpointFilter
{
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var http = context.HttpContext;
        await http.RequestServices.GetRequiredService<HomeStartDb>().Database.OpenConnectionAsync(http.RequestAborted);
        return await next(context);
    }
}
