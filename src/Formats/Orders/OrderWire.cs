using HomeStart.Formats.Sites;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Orders;

/// <summary>An order as its page shows it. Amounts are decimal strings in their currency.</summary>
/// <param name="Charged">Whether any money was taken.</param>
/// <param name="PaidBy">In words: how it is paid.</param>
/// <param name="IsClaim">Whether it claims a domain that came with hosting ordered before.</param>
/// <param name="KeySheet">What to keep; null until the order is completed.</param>
/// <param name="There">What was told of buying it at the sellers' own pages; null: it was ordered here.</param>
public sealed record OrderWire(
    Guid Id,
    string Reference,
    Guid SiteId,
    string Letter,
    DateOnly PlacedOn,
    OrderState State,
    OrderProblemWire? Problem,
    IReadOnlyList<OrderStepWire> Steps,
    bool CanCancel,
    bool Charged,
    string Total,
    string Currency,
    string? CardEnding,
    string PaidBy,
    IReadOnlyList<PaymentWire> Payments,
    IReadOnlyList<MissedDomainWire> Missed,
    bool IsClaim,
    Guid? ClaimOf,
    IReadOnlyList<OrderedItemWire> Items,
    IReadOnlyList<AgreedTermWire> Terms,
    IReadOnlyList<ReceiptWire> Receipts,
    KeySheetWire? KeySheet,
    BoughtThereWire? There
)
{
    public static OrderWire From(Order order) =>
        new(
            order.Id,
            order.Reference,
            order.SiteId,
            order.Letter,
            order.PlacedOn,
            order.State,
            order.Problem is { } problem
                ? new OrderProblemWire(
                    problem.Step,
                    problem.Code,
                    problem.Message.Length > 0 ? problem.Message : Words(problem.Code)
                )
                : null,
            [.. order.Steps.Select(step => OrderStepWire.From(order, step))],
            order.CanCancel,
            order.Steps.Any(step => step is { Kind: StepKind.Capture, Status: StepStatus.Done }),
            order.Things.Total.ToAmount(),
            order.Things.Total.Currency.Code,
            order.Things.Payments.Any(payment => payment.Ways.Contains(PayWay.Card)) ? order.CardEnding : null,
            PayWords.Paid(order),
            [.. order.Things.Payments.Select(payment => PaymentWire.From(order, payment))],
            [.. order.Missed.Select(missed => new MissedDomainWire(missed.Domain.Name?.Text ?? "", missed.Message))],
            order.ClaimOf is not null,
            order.ClaimOf,
            [
                .. order.Things.Items.Select(item => new OrderedItemWire(
                    ItemWords.Name(item),
                    item.Seller,
                    item.Amount.ToAmount(),
                    item.Amount.Currency.Code,
                    item.Until,
                    item.Included
                )),
            ],
            [.. order.Terms.Select(term => new AgreedTermWire(term.Seller, term.Sentence))],
            [.. Receipt.AllOf(order).Select(ReceiptWire.From)],
            order.State == OrderState.Completed ? KeySheetWire.From(order) : null,
            BoughtThereWire.From(order)
        );

    // What Core knows by its code alone; a counterpart's own words stand as they came.
    private static string Words(string code) =>
        code switch
        {
            "called-off" => "You called the order off.",
            "no-answer" => "No answer came that makes sense.",
            _ => "It was refused, without a reason.",
        };
}

/// <summary>A receipt, or an invoice to be paid, that can be taken away.</summary>
/// <param name="DueOn">Until when an invoice is to be paid; null: it is paid.</param>
public sealed record ReceiptWire(string Book, string Seller, string Number, DateOnly? DueOn)
{
    public static ReceiptWire From(Receipt receipt) =>
        new(receipt.Payment.Book, receipt.Payment.Seller, receipt.Number, receipt.DueOn);
}

/// <summary>What one seller is paid, and how.</summary>
/// <param name="Way">How what the balance does not cover is paid.</param>
/// <param name="FromBalance">What the balance pays; null: nothing.</param>
public sealed record PaymentWire(
    string Book,
    string Seller,
    string Amount,
    string Currency,
    PayWay Way,
    string? FromBalance
)
{
    internal static PaymentWire From(Order order, Payment payment) =>
        new(
            payment.Book,
            payment.Seller,
            payment.Amount.ToAmount(),
            payment.Amount.Currency.Code,
            payment.Way,
            payment.FromBalance?.ToAmount()
        );
}

/// <param name="Why">In the counterpart's words.</param>
public sealed record MissedDomainWire(string Domain, string Why);

public sealed record OrderProblemWire(StepKind Step, string Code, string Message);

/// <param name="Seller">Who it is asked of, or whose money it is.</param>
/// <param name="Amount">Of a hold or capture.</param>
/// <param name="Page">While it is pending: the path, at the processor's address, of the page where the owner says yes
/// or pays.</param>
/// <param name="Until">While it is pending: when it ends by itself.</param>
/// <param name="Said">While it is pending: in the counterpart's words.</param>
public sealed record OrderStepWire(
    StepKind Kind,
    StepState Status,
    string Seller,
    string? Amount,
    string? Currency,
    string? Domain,
    PayWay Way,
    string? Page,
    DateOnly? Until,
    string? Said
)
{
    internal static OrderStepWire From(Order order, OrderStep step)
    {
        var payment = step.Kind is StepKind.Hold or StepKind.Capture
            ? order.Things.Payments.FirstOrDefault(payment => payment.Book == step.Book)
            : null;
        var domain = order
            .Things.Domains.Concat(order.Missed.Select(missed => missed.Domain))
            .FirstOrDefault(domain => domain.Book == step.Book && domain.Name?.Text == step.Domain);
        var seller = payment?.Seller
            ?? (step.Kind == StepKind.Prepare ? order.Things.Hosting?.Provider : domain?.Seller)
            ?? step.Book;
        var pending = step.Status == StepStatus.Pending ? step.Pending : null;
        return new OrderStepWire(
            step.Kind,
            StateOf(step),
            seller,
            payment?.By(step.Way).ToAmount(),
            payment?.Amount.Currency.Code,
            step.Domain,
            step.Way,
            pending?.Page,
            pending?.Until,
            pending?.Said
        );
    }

    private static StepState StateOf(OrderStep step) =>
        step.Status switch
        {
            StepStatus.Trying or StepStatus.Undoing when step.Unanswered > 0 => StepState.NoAnswer,
            StepStatus.Waiting => StepState.Waiting,
            StepStatus.Trying => StepState.Trying,
            StepStatus.Done => StepState.Done,
            StepStatus.Refused => StepState.Refused,
            StepStatus.Undoing => StepState.Undoing,
            StepStatus.Undone => StepState.Undone,
            StepStatus.Pending => StepState.Pending,
            StepStatus.Dropped => StepState.Dropped,
            _ => throw new ArgumentOutOfRangeException(nameof(step), step.Status, "There is no such state of a step."),
        };
}

/// <summary>How far a step has come, as the owner sees it.</summary>
public enum StepState
{
    Waiting,
    Trying,
    NoAnswer,
    Done,
    Refused,
    Undoing,
    Undone,
    Pending,
    Dropped,
}

/// <param name="Included">It came with the plan or the domain.</param>
public sealed record OrderedItemWire(
    string What,
    string Seller,
    string Amount,
    string Currency,
    DateOnly? Until,
    bool Included
);

/// <summary>What to keep after the order. No secret stands on it.</summary>
public sealed record KeySheetWire(
    string? Provider,
    string? Plan,
    string? Domain,
    string? DomainSeller,
    IReadOnlyList<string> FurtherDomains,
    string? LogIn,
    string? User,
    string? Server,
    string? IPv4,
    string? IPv6,
    IReadOnlyList<string> NameServers,
    string? FileServer,
    string? MailServer,
    string Holder,
    string Mail,
    string? Notes
)
{
    internal static KeySheetWire From(Order order) =>
        new(
            order.Things.Hosting?.Provider,
            order.Things.Hosting?.PlanName,
            (order.Things.Domains.FirstOrDefault()?.Name ?? order.Things.Hosting?.Address)?.Text,
            order.Things.Domains.FirstOrDefault()?.Seller,
            [.. order.Things.Domains.Skip(1).Select(domain => $"{domain.Name}, through {domain.Seller}")],
            order.Account?.LogIn ?? order.There?.Keys.LogIn,
            order.Account?.User ?? order.There?.Keys.User,
            order.Account?.Server ?? order.There?.Keys.Server,
            order.Account?.IPv4 ?? order.There?.Keys.IPv4,
            order.Account?.IPv6 ?? order.There?.Keys.IPv6,
            order.Account?.NameServers ?? order.There?.Keys.NameServers ?? [],
            order.Account?.FileServer ?? order.There?.Keys.FileServer,
            order.Account?.MailServer ?? order.There?.Keys.MailServer,
            order.RegisteredTo.Name,
            order.RegisteredTo.Mail,
            order.There?.Keys.Notes
        );
}

/// <summary>A domain that came with hosting and can be claimed.</summary>
/// <param name="Before">The first day on which it is too late.</param>
public sealed record ClaimWire(string Book, string Provider, IReadOnlyList<ClaimEndingWire> Endings, DateOnly Before)
{
    public static ClaimWire From(Claim claim) =>
        new(
            claim.Book.Id,
            claim.Book.Provider.Name,
            [.. claim.Endings.Select(ending => ClaimEndingWire.From(claim, ending))],
            claim.Before
        );
}

/// <summary>An ending that a name may be claimed under.</summary>
/// <param name="Otherwise">What its first year costs without the domain-year, with tax; null: not stated.</param>
/// <param name="Renewal">What each year after it costs, with tax; null: not stated.</param>
/// <param name="ShownWithout">What the public record shows of the holder without contact privacy; null: not stated. So
/// for <paramref name="ShownWith"/>.</param>
/// <param name="IsPrivate">Whether contact privacy comes with it.</param>
public sealed record ClaimEndingWire(
    string Ending,
    string? Otherwise,
    string? Renewal,
    string Currency,
    bool IsPrivate,
    IReadOnlyList<string>? ShownWithout,
    IReadOnlyList<string>? ShownWith
)
{
    internal static ClaimEndingWire From(Claim claim, string ending)
    {
        var price = claim.Book.Domain(ending)!;
        return new ClaimEndingWire(
            ending,
            claim.WithTax(price.Register)?.ToAmount(),
            claim.WithTax(price.Renew)?.ToAmount(),
            claim.Book.Currency.Code,
            claim.IsPrivate(price),
            price.PublicRecord?.ShownWith(hasPrivacy: false),
            price.PublicRecord?.ShownWith(hasPrivacy: true)
        );
    }
}

/// <summary>Whether the holder of a domain has confirmed their address at the registry.</summary>
/// <param name="DaysLeft">Until it is stopped, the last day being 0; null: nothing is waited for.</param>
/// <param name="IsStopped">Whether nobody is led to the name until it is confirmed.</param>
public sealed record HolderCheckWire(
    string Domain,
    string Mail,
    bool IsConfirmed,
    DateOnly Until,
    int? DaysLeft,
    bool IsStopped
)
{
    public static HolderCheckWire From(DomainName domain, string mail, HolderCheck check, DateOnly today) =>
        new(domain.Text, mail, check.IsConfirmed, check.Until, check.DaysLeft(today), check.IsStopped(today));
}
