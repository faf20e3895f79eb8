using HomeStart.Core.Costings;

namespace HomeStart.Core.Upkeep;

/// <summary>What an owner decides on a day after the order (upkeep.md).</summary>
public abstract record Decision(DateOnly On)
{
    /// <summary>The word for it on the wire.</summary>
    public abstract string Do { get; }
}

/// <summary>Whether a holding renews from now on.</summary>
public sealed record SetRenewing(DateOnly On, string Holding, bool Value) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "renewing";
}

/// <summary>The card stops working, or works again.</summary>
public sealed record SetCard(DateOnly On, bool Works) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "card";
}

/// <summary>Pays what a holding missed (rule 12).</summary>
public sealed record PayMissed(DateOnly On, string Holding) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "pay";
}

/// <summary>Gives hosting back, or stops renewing it (rule 13).</summary>
public sealed record Leave(DateOnly On) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "leave";
}

/// <summary>Another plan or way to pay at the same book (rule 14).</summary>
public sealed record ChangePlan(DateOnly On, string Plan, int EveryMonths, int CommitMonths) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "change";
}

/// <summary>A hosting extra bought later (rule 16).</summary>
public sealed record AddExtra(DateOnly On, string Extra, int Quantity) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "add";
}

/// <summary>Stops an extra: no money comes back.</summary>
public sealed record DropExtra(DateOnly On, string Extra) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "drop";
}

/// <summary>A domain registered later (rule 15).</summary>
public sealed record ClaimDomain(DateOnly On, DomainChoice Domain) : Decision(On)
{
    /// <inheritdoc/>
    public override string Do => "claim";
}
