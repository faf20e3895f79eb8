using System.Globalization;

namespace HomeStart.Formats.Words;

/// <summary>What happens after the order, in words.</summary>
public static class UpkeepWords
{
    /// <summary>A line of the day book: what happened and why.</summary>
    public static string Happening(Happening happening, Tenure tenure, UpkeepYears now) =>
        happening switch
        {
            Charged charged when charged.Total == 0 =>
                $"{Seller(tenure, charged.Book)} charged what its price list does not state.",
            Charged charged when charged.On == tenure.Start =>
                $"{Sum(charged.Total, charged.Currency)} was paid to {Seller(tenure, charged.Book)} with the order.",
            Charged charged when charged.Total == charged.FromBalance =>
                $"{Sum(charged.Total, charged.Currency)} was due to {Seller(tenure, charged.Book)} for "
                    + $"{Lines(charged.Lines, tenure.Book(charged.Book))}, and came out of your balance there.",
            Charged charged => $"{Sum(charged.Total - charged.FromBalance, charged.Currency)} was taken by "
                + $"{Seller(tenure, charged.Book)} for {Lines(charged.Lines, tenure.Book(charged.Book))}"
                + $"{(charged.FromBalance > 0 ? $", and {Sum(charged.FromBalance, charged.Currency)} came out of your balance there" : "")}"
                + $"{(charged.Due < charged.On ? $": it was due on {Day(charged.Due)}" : "")}.",
            Failed failed => $"{Sum(failed.Total, failed.Currency)} was due to "
                + $"{Seller(tenure, failed.Book)}{(failed.Due < failed.On ? $" since {Day(failed.Due)}" : "")}, "
                + $"and could not be taken. {AfterFailing(failed)}",
            StateChanged changed => StateOf(changed, now),
            Refunded refunded =>
                $"{Sum(refunded.Total, refunded.Currency)} came back from {Seller(tenure, refunded.Book)}.",
            Credited credited => $"{Sum(credited.Total, credited.Currency)} was left over from what was paid: "
                + $"{Seller(tenure, credited.Book)} keeps it as your balance, and takes it off the next bill.",
            Refused refused => $"This was not done: {Reason(refused.Reason)}",
            _ => throw new InvalidOperationException($"There are no words for {happening.GetType().Name}."),
        };

    /// <summary>What was, or is to be, decided.</summary>
    public static string Decision(Decision decision, Tenure tenure, UpkeepYears now) =>
        decision switch
        {
            SetRenewing { Value: true } renewing => $"{Name(now, renewing.Holding)} renews again by itself.",
            SetRenewing renewing => $"{Name(now, renewing.Holding)} does not renew any more.",
            SetCard { Works: true } => "The card works again.",
            SetCard => "The card does not work any more.",
            PayMissed pay => $"Pay what is missing for {Name(now, pay.Holding)}.",
            Leave => $"Give the hosting back, or stop renewing it.",
            ChangePlan change => $"Change to {PlanName(tenure, change.Plan)}, paid "
                + $"{DurationWords.Every(change.EveryMonths)}{Committed(change)}.",
            AddExtra add => $"Buy {(add.Quantity > 1 ? $"{add.Quantity} × " : "")}{ExtraName(tenure, add.Extra)}.",
            DropExtra drop => $"Do without {ExtraName(tenure, drop.Extra)} from the next bill on.",
            ClaimDomain claim => $"Register {claim.Domain.Ref}.",
            _ => throw new InvalidOperationException($"There are no words for {decision.GetType().Name}."),
        };

    /// <summary>Why something cannot be done.</summary>
    public static string Reason(RefusalReason reason) =>
        reason switch
        {
            RefusalReason.Unknown => "it is not sold there, or you do not have it.",
            RefusalReason.NotLive => "the hosting is not running. Pay what is missing first.",
            RefusalReason.TooLate => "it is too late to get it back.",
            RefusalReason.NothingToPay => "nothing is unpaid.",
            RefusalReason.OpenBill => "a bill for the hosting is still open. Pay it first.",
            RefusalReason.Same => "it is like that already.",
            RefusalReason.CardStopped => "it has to be paid, and the card does not work. Give another card first.",
            _ => throw new ArgumentOutOfRangeException(nameof(reason), reason, "There are no words for this."),
        };

    /// <summary>A notice as a sentence.</summary>
    public static string Notice(Notice notice, Tenure tenure, UpkeepYears now) =>
        notice.Kind switch
        {
            NoticeKind.Unpaid =>
                $"{Worth(notice)} was due to {Seller(tenure, notice.Book!)} on {Day(notice.Other!.Value)} and "
                    + $"could not be taken. It is tried again on {Day(notice.On)}.",
            NoticeKind.Losing => $"{Name(now, notice.Holding!)} {Becomes(notice.State!.Value)} on "
                + $"{Day(notice.On)}"
                + $"{(notice.Worth is null ? "." : $"; paying {Worth(notice)} before then keeps it.")}",
            NoticeKind.HolderNotConfirmed =>
                $"Confirm your address for {Name(now, notice.Holding!)} by {Day(notice.On)}: the registry wrote "
                    + "to you. After that nobody is led to it.",
            NoticeKind.GiveBack when notice.Worth is null =>
                $"Until {Day(notice.On)} the hosting can be given back, but nothing comes back.",
            NoticeKind.GiveBack =>
                $"Until {Day(notice.On)} the hosting can be given back: {Worth(notice)} comes back today.",
            NoticeKind.ClaimDomain => "The domain that comes with your plan is not claimed. Register it by "
                + $"{Day(notice.On)}{Saving(notice)}; afterwards it is lost.",
            NoticeKind.Allowance =>
                $"This year’s domain allowance is not used. Spend it by {Day(notice.On)}{Saving(notice)}; "
                    + "afterwards it is lost.",
            NoticeKind.CardExpires => $"Your card is good until {Day(notice.On)}, and {Worth(notice)} is due to "
                + $"{Seller(tenure, notice.Book!)} on {Day(notice.Other!.Value)}. Give another card before then.",
            NoticeKind.NoCard =>
                $"There is no card that {Seller(tenure, notice.Book!)} could charge: {Worth(notice)} is due on "
                    + $"{Day(notice.On)}.",
            NoticeKind.CommitmentEnds =>
                $"You are committed until {Day(notice.On)}. That is the last day to say that the hosting does "
                    + $"not renew{(notice.Worth is null ? "." : $"; else {Worth(notice)} is due.")}",
            NoticeKind.PriceStep =>
                $"{Name(now, notice.Holding!)} costs {Worth(notice)} {DurationWords.Every(notice.Months)} from "
                    + $"{Day(notice.On)}; "
                    + $"{(notice.Against!.Value.Units == 0 ? "so far it cost nothing" : $"{MoneyWords.Format(notice.Against.Value)} was paid before")}"
                    + ".",
            NoticeKind.NotStated =>
                $"{Name(now, notice.Holding!)} renews on {Day(notice.On)}, and the price is not stated. Ask "
                    + $"{Seller(tenure, notice.Book!)} before then.",
            NoticeKind.Ends =>
                $"{Name(now, notice.Holding!)} does not renew: it {Becomes(notice.State!.Value)} on {Day(notice.On)}.",
            NoticeKind.Apart =>
                $"Hosting and {Name(now, notice.Holding!)} are due on different days, {Day(notice.On)} and "
                    + $"{Day(notice.Other!.Value)}, so one is easily forgotten. Changing how the hosting is paid on "
                    + "the domain’s day brings them together.",
            _ => throw new ArgumentOutOfRangeException(nameof(notice), notice.Kind, "There are no words for this."),
        };

    /// <summary>What a state means for the owner.</summary>
    public static string State(HoldingState state) =>
        state switch
        {
            HoldingState.Live => "running",
            HoldingState.Suspended => "suspended: not shown, and kept for some days",
            HoldingState.Ended => "ended: not shown, and kept for some days",
            HoldingState.Grace => "overdue: it still works, and costs the ordinary price",
            HoldingState.Redemption => "in redemption: it does not work, and getting it back costs a fee",
            HoldingState.Pending => "about to be released: it is too late to get it back",
            HoldingState.Left => "given back",
            HoldingState.Gone => "lost",
            _ => throw new ArgumentOutOfRangeException(nameof(state), state, "There are no words for this."),
        };

    /// <summary>What a holding is called: the plan’s name, or the domain.</summary>
    public static string Name(UpkeepYears now, string holding) =>
        holding == HoldingAtEnd.HostingKey
            ? $"The hosting {now.Hosting?.Plan.Name}"
            : now.Holding(holding)?.Ref ?? "A domain";

    public static string Seller(Tenure tenure, string book) => tenure.Book(book).Provider.Name;

    public static string Day(DateOnly day) => day.ToString("d MMMM yyyy", CultureInfo.InvariantCulture);

    /// <summary>What a line of a bill is for.</summary>
    public static string Line(ChargedLine line, OfferBook book) =>
        line.Kind switch
        {
            UpkeepLineKind.Plan => PlanName(book, line.Ref),
            UpkeepLineKind.DataCentre => "the data centre",
            UpkeepLineKind.Setup => "setting up",
            UpkeepLineKind.Domain => line.Ref,
            UpkeepLineKind.AddOn => ExtraName(book, line.Ref),
            UpkeepLineKind.Redemption => $"having {line.Ref} back",
            UpkeepLineKind.Credit => "what was left of "
                + $"{(book.Plan(line.Ref) is null ? ExtraName(book, line.Ref) : PlanName(book, line.Ref))}",
            _ => throw new ArgumentOutOfRangeException(nameof(line), line.Kind, "There are no words for this."),
        };

    private static string StateOf(StateChanged changed, UpkeepYears now) =>
        changed.State == HoldingState.Live
            ? $"{Name(now, changed.Holding)} is yours and running."
            : $"{Name(now, changed.Holding)} {Became(changed.State)}."
                + $"{(changed.IsAssumed ? " How long that lasts is not stated; the usual time is taken." : "")}";

    private static string AfterFailing(Failed failed) =>
        failed.Attempt switch
        {
            1 => $"It is tried again on {Day(failed.Due.AddDays(1))}.",
            2 => $"It is tried again on {Day(failed.Due.AddDays(3))}.",
            3 => $"It is tried for the last time on {Day(failed.Due.AddDays(7))}.",
            _ => "It is not tried again.",
        };

    private static string Became(HoldingState state) =>
        state switch
        {
            HoldingState.Suspended => "was suspended: nobody sees the site until it is paid",
            HoldingState.Ended => "ended: nobody sees the site any more",
            HoldingState.Grace => "was not paid and is overdue: it still works, and can be paid at the ordinary price",
            HoldingState.Redemption => "came into redemption: it leads nowhere, and costs a fee to have back",
            HoldingState.Pending => "is about to be released: it is too late to get it back",
            HoldingState.Left => "was given back",
            _ => "is lost",
        };

    private static string Becomes(HoldingState state) =>
        state switch
        {
            HoldingState.Suspended => "is suspended",
            HoldingState.Ended => "ends",
            HoldingState.Grace => "is overdue",
            HoldingState.Redemption => "comes into redemption, where it costs a fee to have back,",
            HoldingState.Pending => "can no longer be had back",
            _ => "is lost",
        };

    /// <summary>What a bill is for: those of its lines that cost anything.</summary>
    public static string Lines(IReadOnlyList<ChargedLine> lines, OfferBook book)
    {
        List<string> names = [.. lines.Where(line => line.Amount != 0).Select(line => Line(line, book)).Distinct()];
        return names.Count switch
        {
            0 => "nothing that costs anything",
            1 => names[0],
            _ => $"{string.Join(", ", names.SkipLast(1))} and {names[^1]}",
        };
    }

    private static string Saving(Notice notice) => notice.Worth is null ? "" : $": it saves up to {Worth(notice)}";

    private static string Committed(ChangePlan change) =>
        change.CommitMonths > change.EveryMonths ? $", committed for {DurationWords.Span(change.CommitMonths)}" : "";

    private static string PlanName(OfferBook book, string plan) => book.Plan(plan)?.Name ?? plan;

    private static string ExtraName(OfferBook book, string extra) =>
        book.AddOns.FirstOrDefault(known => known.Id == extra)?.Name ?? extra;

    private static string PlanName(Tenure tenure, string plan) =>
        tenure.Purchase.Hosting is { Book: var book } ? PlanName(book, plan) : plan;

    private static string ExtraName(Tenure tenure, string extra) =>
        tenure.Purchase.Hosting is { Book: var book } ? ExtraName(book, extra) : extra;

    private static string Worth(Notice notice) => MoneyWords.Format(notice.Worth!.Value);

    private static string Sum(Minor units, Currency currency) => MoneyWords.Format(new Money(units, currency));
}
