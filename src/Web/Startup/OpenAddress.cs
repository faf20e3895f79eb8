namespace HomeStart.Web.Startup;

/// <summary>
/// The address under which a visitor has the application open: links in mails and from the bank's page lead back there,
/// since the visitor is known under that name alone. Where the application was started with <c>--host</c>, that name
/// counts for all.
/// </summary>
public sealed class OpenAddress(IHttpContextAccessor accessor, StartOptions options)
{
    /// <summary>Of the request at hand, whose host is one of those that are let in.</summary>
    public Uri Now =>
        options.Hosts.Count == 0
        && accessor.HttpContext is { Request: { Host.HasValue: true } request }
        && Uri.TryCreate($"{request.Scheme}://{request.Host}", UriKind.Absolute, out var open)
            ? open
            : options.PublicAddress; // A port that is none is believed by nobody.

    /// <summary>Where it was open when an order was placed.</summary>
    public Uri For(Order order) => order.OpenAt ?? options.PublicAddress;
}
