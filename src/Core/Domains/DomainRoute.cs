namespace HomeStart.Core.Domains;

/// <summary>How a domain is had (costing rules 8 to 12).</summary>
public enum DomainRoute
{
    /// <summary>A new name is registered now.</summary>
    Register,

    /// <summary>A new name is registered some months on.</summary>
    Later,

    /// <summary>A domain that the owner has is moved to a seller here.</summary>
    Transfer,

    /// <summary>A domain that the owner has stays where it is and is pointed here.</summary>
    Keep,

    /// <summary>An address of the host's is borrowed.</summary>
    Lent,
}
