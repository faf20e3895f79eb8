namespace HomeStart.Formats.Words;

/// <summary>What mends a fault, where one thing on one page does: the client leads there.</summary>
public enum FaultCure
{
    /// <summary>Choose a plan, or another one.</summary>
    ChoosePlan,

    /// <summary>Choose a domain, or another one.</summary>
    ChooseDomain,

    /// <summary>Ask for less, or for something else.</summary>
    ChangeNeeds,

    /// <summary>Say what one currency is worth in another.</summary>
    TypeRate,

    /// <summary>Take something off the shortlist or the candidate.</summary>
    TakeOff,

    /// <summary>Hide price lists, or mend one.</summary>
    LookAtPriceLists,

    /// <summary>Buy it at the seller's own page.</summary>
    BuyThere,
}

/// <summary>Which fault is mended where.</summary>
public static class FaultCures
{
    /// <summary>Null: by what is typed in the field itself, or by several things.</summary>
    public static FaultCure? For(FaultReason reason) =>
        reason switch
        {
            PlanFirst or NoSuchPlan or NoSuchPlanThere or NotPaidLikeThis or LentWithoutHost => FaultCure.ChoosePlan,
            DomainFirst or NameIsYours or ExtraWithoutBook or HasExpired or NoTransfers or EndingNotSold =>
                FaultCure.ChooseDomain,
            TooManyWays or TooManyEndings => FaultCure.ChangeNeeds,
            NoRate => FaultCure.TypeRate,
            ShortlistFull or TooManyCodes or HeldFull or DomainsFull => FaultCure.TakeOff,
            ScanTooLarge or NoSuchBook => FaultCure.LookAtPriceLists,
            NotConnected or UnstatedToday => FaultCure.BuyThere,
            _ => null,
        };
}
