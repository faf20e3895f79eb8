namespace HomeStart.Core.Basics;

/// <summary>
/// Why something is at fault, with the figures that belong to it: a record of the room that finds it. The words
/// for it are in Formats.
/// </summary>
public abstract record FaultReason;

/// <summary>What stands in a list under an id or a name of its own.</summary>
public enum Listed
{
    /// <summary>A price list.</summary>
    Book,

    /// <summary>A plan of a price list.</summary>
    Plan,

    /// <summary>A way to pay of a plan; its id is written months of a bill/months of commitment.</summary>
    BillingOption,

    /// <summary>A data centre of a seller.</summary>
    DataCentre,

    /// <summary>An extra of a price list, or one that is chosen.</summary>
    Extra,

    /// <summary>An ending of a price list.</summary>
    Ending,

    /// <summary>A promotion of a price list.</summary>
    Promotion,

    /// <summary>The code of a promotion.</summary>
    Code,

    /// <summary>A domain of a candidate.</summary>
    Domain,
}

/// <summary>Found by a reader of the input, which says it in a sentence.</summary>
public sealed record Said(string Sentence) : FaultReason;

/// <summary>An id or a name that stands a second time in its list.</summary>
public sealed record ThereTwice(Listed What, string Id) : FaultReason;

/// <summary>A text that is no amount in a currency, and an example of one that is.</summary>
public sealed record NotAnAmount(string? Text, Currency Currency, string Example) : FaultReason;

/// <summary>An amount above the most that is counted, both as they are written.</summary>
public sealed record AmountTooLarge(string? Amount, string Most) : FaultReason;

/// <summary>A code that stands for no currency.</summary>
public sealed record NoSuchCurrency(string Code) : FaultReason;

/// <summary>A text that cannot be a mail address.</summary>
public sealed record NotAMailAddress : FaultReason;
