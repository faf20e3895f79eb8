namespace HomeStart.Core.Domains;

/// <summary>What an owner typed for a domain, taken apart: "www.ostlerwren.co.uk" is the label "ostlerwren" and the ending "co.uk".</summary>
public sealed record TypedDomain(string Label, string? Ending)
{
    /// <summary>Takes an address apart. Scheme, "www." and path are dropped; the ending is the longest known one it ends in, else none.</summary>
    public static TypedDomain Parse(string? typed, IEnumerable<string> endings)
    {
        var text = (typed ?? "").Trim().ToLowerInvariant();
        text = After(text, "://");
        text = text.Split('/', '?', '#')[0].TrimEnd('.');
        text = text.StartsWith("www.", StringComparison.Ordinal) ? text[4..] : text;
        var ending = endings.Where(known => text.EndsWith("." + known, StringComparison.Ordinal)).MaxBy(known => known.Length);
        return ending is null ? new TypedDomain(text, null) : new TypedDomain(text[..^(ending.Length + 1)], ending);
    }

    /// <summary>Takes the address of a domain that the owner has apart: it ends at its first dot, whoever sells the ending.</summary>
    public static TypedDomain ParseOwned(string? typed)
    {
        var text = Parse(typed, []).Label;
        var dot = text.IndexOf('.', StringComparison.Ordinal);
        return dot < 0 ? new TypedDomain(text, null) : new TypedDomain(text[..dot], text[(dot + 1)..]);
    }

    private static string After(string text, string mark)
    {
        var at = text.IndexOf(mark, StringComparison.Ordinal);
        return at < 0 ? text : text[(at + mark.Length)..];
    }
}
