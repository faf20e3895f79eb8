using HomeStart.Core.Outside;

namespace HomeStart.Core.Ordering;

/// <summary>
/// Which steps an order has, which comes next, and what an outcome makes of it. Money is held before anything is done and taken only when everything was:
/// what cannot be undone (the domain) comes after all that can.
/// </summary>
public static class OrderFlow
{
    /// <summary>How often a counterpart may leave a step unanswered before the owner is asked.</summary>
    public const int MostUnanswered = 3;

    /// <summary>The order with its steps, none tried.</summary>
    public static Order Planned(Order order)
    {
        var steps = new List<OrderStep>();
        steps.AddRange(order.Things.Payments.Select(payment => Step(StepKind.Hold, payment.Book)));
        if (order.Things.Hosting is { } hosting)
        {
            steps.Add(Step(StepKind.Prepare, hosting.Book));
        }

        if (order.Things.Domain is { } domain)
        {
            steps.Add(Step(StepKind.Register, domain.Book));
            if (order.Things.Hosting is not null)
            {
                steps.Add(Step(StepKind.Join, domain.Book));
            }
        }

        steps.AddRange(order.Things.Payments.Select(payment => Step(StepKind.Capture, payment.Book)));
        return order with { Steps = [.. steps] };

        OrderStep Step(StepKind kind, string book) => new(kind, book, KeyOf(order, kind, book, 0));
    }

    /// <summary>What to do next; null: nothing until the owner decides, or for good.</summary>
    public static OrderAction? Next(Order order)
    {
        if (order.State == OrderState.Working)
        {
            var step = order.Steps.FirstOrDefault(step => step.Status is StepStatus.Waiting or StepStatus.Trying or StepStatus.Refused);
            return step is null ? null : new OrderAction(step.Status == StepStatus.Trying ? ActionKind.AskThenDo : ActionKind.Do, step);
        }

        if (order.State == OrderState.Undoing)
        {
            var unsettled = order.Steps.FirstOrDefault(step => step.Status == StepStatus.Trying);
            var undo = order.Steps.LastOrDefault(step => step.Status is StepStatus.Undoing || (step.Status == StepStatus.Done && CanUndo(step.Kind)));
            return unsettled is not null ? new OrderAction(ActionKind.Settle, unsettled) : undo is not null ? new OrderAction(ActionKind.Undo, undo) : null;
        }

        return null;
    }

    /// <summary>The order with an action recorded, before it is carried out.</summary>
    public static Order Begun(Order order, OrderAction action) =>
        action.Kind switch
        {
            ActionKind.Do => With(order, action.Step, action.Step with { Status = StepStatus.Trying }),
            ActionKind.Undo => With(order, action.Step, action.Step with { Status = StepStatus.Undoing }),
            _ => order,
        };

    /// <summary>The order after an outcome of a step that was begun.</summary>
    public static Order After(Order order, OrderAction action, Outcome outcome)
    {
        var step = order.Steps.First(step => step.Key == action.Step.Key);
        return Settled((outcome.State, action.Kind) switch
        {
            (OutcomeState.NoAnswer, _) => Unanswered(order, step, outcome),
            (OutcomeState.Done, ActionKind.Undo) => With(order, step, step with { Status = StepStatus.Undone, Unanswered = 0 }),
            (OutcomeState.Done, _) => Succeeded(order, step, outcome),
            (OutcomeState.NeverHappened, ActionKind.Settle) => With(order, step, step with { Status = StepStatus.Waiting, Unanswered = 0 }),

            // Said of something just asked for, it tells nothing: an attempt like any other, so that nobody is asked for ever.
            (OutcomeState.NeverHappened, _) => Unanswered(order, step, Outcome.NoAnswer()),
            (OutcomeState.Refused, ActionKind.Settle) => With(order, step, step with { Status = StepStatus.Refused, Unanswered = 0 }),
            (OutcomeState.Refused, ActionKind.Undo) => Unanswered(order, step with { Unanswered = MostUnanswered }, outcome),
            (OutcomeState.Refused, _) => RefusedStep(order, step, outcome),
            _ => throw new ArgumentOutOfRangeException(nameof(outcome), outcome.State, null),
        });
    }

    /// <summary>The order going on after the owner said to try again, with another card where one was refused.</summary>
    public static Order Resumed(Order order, string? cardToken, string? cardEnding)
    {
        if (order.State is not (OrderState.NeedsCard or OrderState.NeedsPatience) || (order.State == OrderState.NeedsCard && cardToken is null))
        {
            return order;
        }

        var undoing = order.Steps.Any(step => step.Status == StepStatus.Undoing);
        return order with
        {
            State = undoing ? OrderState.Undoing : OrderState.Working,
            Problem = undoing ? order.Problem : null,
            CardToken = cardToken ?? order.CardToken,
            CardEnding = cardEnding ?? order.CardEnding,
            Steps = [.. order.Steps.Select(step => step with { Unanswered = 0 })],
        };
    }

    /// <summary>The order called off by its owner: what was done is undone.</summary>
    public static Order CalledOff(Order order) =>
        order.CanCancel
            ? Settled(order with
            {
                State = OrderState.Undoing,
                Problem = order.Problem ?? new OrderProblem(StepKind.Hold, "called-off", ""),
                Steps = [.. order.Steps.Select(step => step with { Unanswered = 0 })],
            })
            : order;

    private static Order Succeeded(Order order, OrderStep step, Outcome outcome)
    {
        var done = With(order, step, step with { Status = StepStatus.Done, Unanswered = 0 }) with { Account = outcome.Account ?? order.Account };

        // It was being called off, and turns out to have been done for good: then the order goes on.
        return order.State == OrderState.Undoing && step.Kind is StepKind.Register ? done with { State = OrderState.Working, Problem = null } : done;
    }

    private static Order Unanswered(Order order, OrderStep step, Outcome outcome)
    {
        var counted = With(order, step, step with { Unanswered = step.Unanswered + 1 });
        return step.Unanswered + 1 < MostUnanswered
            ? counted
            : counted with { State = OrderState.NeedsPatience, Problem = Keep(order) ?? new OrderProblem(step.Kind, outcome.Code ?? "no-answer", outcome.Message ?? "") };

        // While undoing, what started it stays the problem.
        OrderProblem? Keep(Order before) => before.State == OrderState.Undoing ? before.Problem : null;
    }

    private static Order RefusedStep(Order order, OrderStep step, Outcome outcome)
    {
        var problem = new OrderProblem(step.Kind, outcome.Code ?? "refused", outcome.Message ?? "");
        var again = step with { Status = StepStatus.Refused, Refused = step.Refused + 1, Key = KeyOf(order, step.Kind, step.Book, step.Refused + 1) };
        var state = step.Kind switch
        {
            StepKind.Hold => OrderState.NeedsCard,
            StepKind.Prepare or StepKind.Register => OrderState.Undoing,
            _ => OrderState.NeedsPatience,
        };
        return With(order, step, again) with { State = state, Problem = problem };
    }

    private static Order Settled(Order order) =>
        order.State switch
        {
            OrderState.Working when order.Steps.All(step => step.Status == StepStatus.Done) => order with { State = OrderState.Completed },
            OrderState.Undoing when Next(order) is null => order with { State = OrderState.Cancelled },
            _ => order,
        };

    private static bool CanUndo(StepKind kind) => kind is StepKind.Hold or StepKind.Prepare;

    private static Order With(Order order, OrderStep step, OrderStep changed) =>
        order with { Steps = [.. order.Steps.Select(known => known.Key == step.Key ? changed : known)] };

    private static string KeyOf(Order order, StepKind kind, string book, int attempt) =>
        $"{(order.Secret == Guid.Empty ? order.Id : order.Secret):N}-{kind.ToString().ToLowerInvariant()}-{book}-{attempt}";
}

/// <param name="Step">As it stands in the order.</param>
public sealed record OrderAction(ActionKind Kind, OrderStep Step);

/// <summary>What to do about a step.</summary>
public enum ActionKind
{
    /// <summary>Carry the step out.</summary>
    Do,

    /// <summary>It may have been carried out: ask by its key, and carry it out where it never was.</summary>
    AskThenDo,

    /// <summary>The order is being undone and this step may have been carried out: find out, and see to it that it cannot be any more.</summary>
    Settle,

    /// <summary>Take back what it did.</summary>
    Undo,
}
