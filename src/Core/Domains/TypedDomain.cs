namespace HomeStart.Core.Domains;

/// <summary>
/// The address of a domain that an owner has, taken apart: "www.ostlerwren.co.uk" is the label "ostlerwren" and the
/// ending "co.uk".
/// </summary>
/// <param name="Ending">Null where there is no dot.</param>
public sealed record TypedDomain(string Label, string? Ending)
{
    /// <summary>
    /// Takes an address apart. Scheme, "www." and path are dropped; it ends at its first dot, whoever sells the ending.
    /// </summary>
    public static TypedDomain Parse(string? typed)
    {
        var text = (typed ?? "").Trim().ToLowerInvariant();
        var scheme = text.IndexOf("://", StringComparison.Ordinal);
        text = (scheme < 0 ? text : text[(scheme + 3)..]).Split('/', '?', '#')[0].TrimEnd('.');
        text = text.StartsWith("www.", StringComparison.Ordinal) ? text[4..] : text;
        var dot = text.IndexOf('.', StringComparison.Ordinal);
        return dot < 0 ? new TypedDomain(text, null) : new TypedDomain(text[..dot], text[(dot + 1)..]);
    }
}
