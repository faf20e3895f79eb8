namespace HomeStart.Core.Domains;

/// <summary>How a domain is had (costing rules 8 to 12).</summary>
public enum DomainRoute
{
    Register,
    Later,
    Transfer,
    Keep,
    Lent,
}
