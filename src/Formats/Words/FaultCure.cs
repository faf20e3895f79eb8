namespace HomeStart.Formats;

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
    public static FaultCure? Of(FaultReason reason) =>
        reason switch
        {
            FaultReason.PlanFirst
            or FaultReason.NoSuchPlan
            or FaultReason.NoSuchPlanThere
            or FaultReason.NotPaidLikeThis
            or FaultReason.LentWithoutHost => FaultCure.ChoosePlan,
            FaultReason.DomainFirst
            or FaultReason.NameHad
            or FaultReason.ExtraWithoutBook
            or FaultReason.HasExpired
            or FaultReason.NoTransfers
            or FaultReason.EndingNotSold => FaultCure.ChooseDomain,
            FaultReason.TooManyWays or FaultReason.TooManyEndings => FaultCure.ChangeNeeds,
            FaultReason.NoRate => FaultCure.TypeRate,
            FaultReason.ShortlistFull or FaultReason.TooManyCodes or FaultReason.HeldFull or FaultReason.DomainsFull =>
                FaultCure.TakeOff,
            FaultReason.ScanTooLarge or FaultReason.NoSuchBook => FaultCure.LookAtPriceLists,
            FaultReason.NotConnected or FaultReason.UnstatedToday => FaultCure.BuyThere,
            _ => null,
        };
}
