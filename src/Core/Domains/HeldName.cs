namespace HomeStart.Core.Domains;

/// <summary>A domain that the owner keeps in mind for the site.</summary>
public sealed record HeldName(string Name, string Ending)
{
    /// <summary>The domain; null where the two make none.</summary>
    public DomainName? Domain => DomainName.Parse(Name, Ending).Domain;
}
