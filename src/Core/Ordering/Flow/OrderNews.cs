namespace HomeStart.Core.Ordering;

/// <summary>What became of an order that its owner is written to about.</summary>
public enum OrderNews
{
    /// <summary>It is there and being carried out.</summary>
    Placed,

    /// <summary>The money could not be had that way: the owner has to do something.</summary>
    PaymentRefused,

    /// <summary>The bank or the wallet waits for the owner's yes.</summary>
    Confirm,

    /// <summary>An invoice is there to be paid.</summary>
    Invoice,

    /// <summary>A domain is being moved in.</summary>
    Moving,

    /// <summary>A counterpart does not answer: the owner may try again or call it off.</summary>
    Waiting,

    /// <summary>All undone; nothing was charged.</summary>
    Cancelled,

    /// <summary>Everything is delivered and paid.</summary>
    Completed,
}

/// <summary>Which change of an order is news.</summary>
public static class OrderNewsOf
{
    /// <summary>The news of an order that was one thing and is another now; null: nothing to write about.</summary>
    /// <param name="before">Null: it was placed just now.</param>
    public static OrderNews? Change(OrderState? before, OrderState now) =>
        before == now
            ? null
            : (before, now) switch
            {
                (null, _) => OrderNews.Placed,
                (_, OrderState.NeedsPayment) => OrderNews.PaymentRefused,
                (_, OrderState.NeedsConfirmation) => OrderNews.Confirm,
                (_, OrderState.NeedsTransfer) => OrderNews.Invoice,
                (_, OrderState.NeedsTime) => OrderNews.Moving,
                (_, OrderState.NeedsPatience) => OrderNews.Waiting,
                (_, OrderState.Cancelled) => OrderNews.Cancelled,
                (_, OrderState.Completed) => OrderNews.Completed,
                _ => null,
            };
}
