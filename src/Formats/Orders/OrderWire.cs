namespace HomeStart.Formats;

/// <summary>An order as its page shows it. Amounts are decimal strings in their currency.</summary>
/// <param name="Charged">Whether any money was taken.</param>
/// <param name="KeySheet">What to keep; null until the order is completed.</param>
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
    string CardEnding,
    IReadOnlyList<OrderedItemWire> Items,
    IReadOnlyList<AgreedTermWire> Terms,
    IReadOnlyList<ReceiptWire> Receipts,
    KeySheetWire? KeySheet)
{
    public static OrderWire Of(Order order) =>
        new(
            order.Id,
            order.Reference,
            order.SiteId,
            order.Letter,
            order.PlacedOn,
            order.State,
            order.Problem is { } problem ? new OrderProblemWire(problem.Step, problem.Code, problem.Message.Length > 0 ? problem.Message : Words(problem.Code)) : null,
            [.. order.Steps.Select(step => OrderStepWire.Of(order, step))],
            order.CanCancel,
            order.Steps.Any(step => step is { Kind: StepKind.Capture, Status: StepStatus.Done }),
            order.Things.Total.ToAmount(),
            order.Things.Total.Currency.Code,
            order.CardEnding,
            [.. order.Things.Items.Select(item => new OrderedItemWire(ItemWords.Of(item), item.Seller, item.Amount.ToAmount(), item.Amount.Currency.Code, item.Until, item.Included))],
            [.. order.Terms.Select(term => new AgreedTermWire(term.Seller, term.Sentence))],
            [.. order.Things.Payments.Where(payment => Receipt.Of(order, payment.Book) is not null).Select(payment => new ReceiptWire(payment.Book, payment.Seller))],
            order.State == OrderState.Completed ? KeySheetWire.Of(order) : null);

    // What Core knows by its code alone; a counterpart's own words stand as they came.
    private static string Words(string code) =>
        code switch
        {
            "called-off" => "You called the order off.",
            "no-answer" => "No answer came that makes sense.",
            _ => "It was refused, without a reason.",
        };
}

/// <summary>A receipt that can be taken away.</summary>
public sealed record ReceiptWire(string Book, string Seller);

public sealed record OrderProblemWire(StepKind Step, string Code, string Message);

/// <param name="Seller">Who it is asked of, or whose money it is.</param>
/// <param name="Amount">Of a hold or capture.</param>
public sealed record OrderStepWire(StepKind Kind, StepState Status, string Seller, string? Amount, string? Currency, string? Domain)
{
    internal static OrderStepWire Of(Order order, OrderStep step)
    {
        var payment = step.Kind is StepKind.Hold or StepKind.Capture ? order.Things.Payments.FirstOrDefault(payment => payment.Book == step.Book) : null;
        var seller = payment?.Seller ?? (step.Kind == StepKind.Prepare ? order.Things.Hosting?.Provider : order.Things.Domain?.Seller) ?? step.Book;
        return new OrderStepWire(
            step.Kind, StateOf(step), seller, payment?.Amount.ToAmount(), payment?.Amount.Currency.Code, step.Kind is StepKind.Register or StepKind.Join ? order.Things.Domain?.Name?.Text : null);
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
}

/// <param name="Included">It came with the plan or the domain.</param>
public sealed record OrderedItemWire(string What, string Seller, string Amount, string Currency, DateOnly? Until, bool Included);

/// <summary>What to keep after the order. No secret stands on it.</summary>
public sealed record KeySheetWire(
    string? Provider,
    string? Plan,
    string? Domain,
    string? DomainSeller,
    string? LogIn,
    string? User,
    string? Server,
    string? IPv4,
    string? IPv6,
    IReadOnlyList<string> NameServers,
    string? FileServer,
    string? MailServer,
    string Holder,
    string Mail)
{
    internal static KeySheetWire Of(Order order) =>
        new(
            order.Things.Hosting?.Provider,
            order.Things.Hosting?.PlanName,
            (order.Things.Domain?.Name ?? order.Things.Hosting?.Address)?.Text,
            order.Things.Domain?.Seller,
            order.Account?.LogIn,
            order.Account?.User,
            order.Account?.Server,
            order.Account?.IPv4,
            order.Account?.IPv6,
            order.Account?.NameServers ?? [],
            order.Account?.FileServer,
            order.Account?.MailServer,
            order.Contact.Name,
            order.Contact.Mail);
}
