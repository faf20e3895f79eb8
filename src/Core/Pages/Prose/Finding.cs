namespace HomeStart.Core.Pages;

/// <summary>A field of an advertisement that was read from its text.</summary>
/// <param name="Value">As an owner would type it: "2.99", "36", "com, co.uk", or one of the field's words.</param>
/// <param name="Words">The advertisement's own words it was read from.</param>
public sealed record Finding(ProseField Field, string Value, string Words);

/// <summary>The fields of an advertisement that can be read from its text; in their order on the page.</summary>
public enum ProseField
{
    /// <summary>Who sells.</summary>
    Provider,

    /// <summary>The plan's name.</summary>
    Plan,

    /// <summary>The code of the currency.</summary>
    Currency,

    /// <summary>The headline's amount.</summary>
    Price,

    /// <summary>month, year or term.</summary>
    PricePer,

    /// <summary>How many months the price holds for.</summary>
    Months,

    /// <summary>at-once, monthly-bound or monthly-free.</summary>
    Paid,

    /// <summary>stated or same.</summary>
    Later,

    /// <summary>The later amount.</summary>
    LaterPrice,

    /// <summary>month, year or term.</summary>
    LaterPer,

    /// <summary>The fee for setting up; 0 where it is said to be free.</summary>
    SetupFee,

    /// <summary>true or false: whether a domain-year is in the price.</summary>
    IncludesDomain,

    /// <summary>The endings it may have, with commas.</summary>
    Endings,

    /// <summary>The commitment from which it is given, in months.</summary>
    DomainFromMonths,

    /// <summary>inside or on-top.</summary>
    Tax,

    /// <summary>Days within which money comes back.</summary>
    RefundDays,
}
