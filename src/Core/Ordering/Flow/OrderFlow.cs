using System.Collections.Immutable;
using HomeStart.Core.Domains;
using HomeStart.Core.Outside;

namespace HomeStart.Core.Ordering;

/// <summary>
/// Which steps an order has, which comes next, and what an outcome makes of it. Money is held before anything is done
/// and taken only when everything was:
/// what cannot be undone (the domain) comes after all that can.
/// </summary>
public static class OrderFlow
{
    /// <summary>How often a counterpart may leave a step unanswered before the owner is asked.</summary>
    public const int MostUnanswered = 3;

    /// <summary>The order with its steps, none tried.</summary>
    public static Order Planned(Order order)
    {
        var (steps, things) = (new List<OrderStep>(), order.Things);
        steps.AddRange(
            things.Payments.SelectMany(payment => payment.Ways.Select(way => Step(StepKind.Hold, payment.Book, way)))
        );
        if (things.Hosting is { } hosting)
        {
            steps.Add(Step(StepKind.Prepare, hosting.Book));
        }

        steps.AddRange(
            things
                .Domains.Where(domain => domain.Route == DomainRoute.Transfer)
                .Select(domain => Step(StepKind.Transfer, domain.Book, domain: domain))
        );
        steps.AddRange(
            things
                .Domains.Where(domain => domain.Route != DomainRoute.Transfer)
                .Select(domain => Step(StepKind.Register, domain.Book, domain: domain))
        );
        if (things.Hosting is not null || order.Account is not null)
        {
            steps.AddRange(things.Domains.Select(domain => Step(StepKind.Join, domain.Book, domain: domain)));
        }

        if (things.Hosting is { Address: { } address, AddressAt: { } at })
        {
            steps.Add(WithKey(order, new OrderStep(StepKind.Join, at, "") { Domain = address.Text }));
        }

        steps.AddRange(
            things.Payments.SelectMany(payment => payment.Ways.Select(way => Step(StepKind.Capture, payment.Book, way)))
        );
        return order with { Steps = [.. steps] };

        OrderStep Step(StepKind kind, string book, PayWay way = PayWay.Card, OrderedDomain? domain = null) =>
            WithKey(order, new OrderStep(kind, book, "") { Way = way, Domain = domain?.Name?.Text });
    }

    /// <summary>
    /// What to do next; null: nothing until the owner decides, somebody outside does something, or for good.
    /// </summary>
    public static OrderAction? Next(Order order)
    {
        if (order.State == OrderState.Working)
        {
            return NextStep(order) is { } step
                ? new OrderAction(step.Status == StepStatus.Trying ? ActionKind.QueryThenExecute : ActionKind.Do, step)
                : null;
        }

        if (order.State == OrderState.Undoing)
        {
            var unsettled = order.Steps.FirstOrDefault(step => step.Status is StepStatus.Trying or StepStatus.Pending);
            var undo = order.Steps.LastOrDefault(step =>
                step.Status is StepStatus.Undoing || (step.Status == StepStatus.Done && CanUndo(step.Kind))
            );
            return unsettled is not null ? new OrderAction(ActionKind.Settle, unsettled)
                : undo is not null ? new OrderAction(ActionKind.Undo, undo)
                : null;
        }

        return null;
    }

    /// <summary>
    /// What may be looked at again because it waits at a counterpart: one look at each pending step, unless the order
    /// is given up: then it is settled instead. Looking is not recorded before, as it changes nothing.
    /// </summary>
    public static ImmutableArray<OrderAction> Looks(Order order) =>
        !order.IsGivenUp && (order.State.IsWaiting() || order.State == OrderState.Working)
            ?
            [
                .. order
                    .Steps.Where(step => step.Status == StepStatus.Pending)
                    .Select(step => new OrderAction(ActionKind.Look, step)),
            ]
            : [];

    // What is pending holds up all that comes after its kind: other money may be held meanwhile, and other domains
    // moved, but nothing is delivered before the money is there.
    private static OrderStep? NextStep(Order order)
    {
        var next = order.Steps.FirstOrDefault(step =>
            step.Status is StepStatus.Waiting or StepStatus.Trying or StepStatus.Refused
        );
        return next is not null && order.Steps.Any(step => step.Status == StepStatus.Pending && step.Kind < next.Kind)
            ? null
            : next;
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
        return Settled(
            (outcome.State, action.Kind) switch
            {
                (OutcomeState.NoAnswer or OutcomeState.NeverHappened, ActionKind.Look) => order,
                (OutcomeState.Pending, ActionKind.Do or ActionKind.QueryThenExecute or ActionKind.Look)
                    when CanPend(step) => With(
                    order,
                    step,
                    step with
                    {
                        Status = StepStatus.Pending,
                        Unanswered = 0,
                        Pending = outcome.Pending ?? new Pending(),
                    }
                ),
                (OutcomeState.Pending, _) => Unanswered(order, step, Outcome.NoAnswer()), // It makes no sense of this.
                (OutcomeState.NoAnswer, _) => Unanswered(order, step, outcome),
                (OutcomeState.Done, ActionKind.Undo) => With(
                    order,
                    step,
                    step with
                    {
                        Status = StepStatus.Undone,
                        Unanswered = 0,
                    }
                ),
                (OutcomeState.Done, _) => Succeeded(order, step, outcome),
                (OutcomeState.NeverHappened, ActionKind.Settle) => With(
                    order,
                    step,
                    step with
                    {
                        Status = StepStatus.Waiting,
                        Unanswered = 0,
                    }
                ),

                // Said of something just asked for, it tells nothing: an attempt like any other, so that nobody is
                // asked for ever.
                (OutcomeState.NeverHappened, _) => Unanswered(order, step, Outcome.NoAnswer()),
                (OutcomeState.Refused, ActionKind.Settle) => With(
                    order,
                    step,
                    step with
                    {
                        Status = StepStatus.Refused,
                        Unanswered = 0,
                    }
                ),
                (OutcomeState.Refused, ActionKind.Undo) => Unanswered(
                    order,
                    step with
                    {
                        Unanswered = MostUnanswered,
                    },
                    outcome
                ),
                (OutcomeState.Refused, _) => RefusedStep(order, step, outcome),
                _ => throw new ArgumentOutOfRangeException(nameof(outcome), outcome.State, null),
            }
        );
    }

    /// <summary>
    /// The order going on after the owner said to try again, with another way to pay where one was refused.
    /// </summary>
    /// <param name="other">Null: as before.</param>
    public static Order Resumed(Order order, OtherPayment? other)
    {
        if (
            order.State is not (OrderState.NeedsPayment or OrderState.NeedsPatience)
            || (order.State == OrderState.NeedsPayment && other is null)
        )
        {
            return order;
        }

        var undoing = order.IsGivenUp || order.Steps.Any(step => step.Status == StepStatus.Undoing);
        var resumed = order with
        {
            State = undoing ? OrderState.Undoing : OrderState.Working,
            Problem = undoing ? order.Problem : null,
            Steps = [.. order.Steps.Select(step => step with { Unanswered = 0 })],
        };
        return Settled(other is null || undoing ? resumed : PaidOtherwise(resumed, other));
    }

    // What was refused is had by the other way, and so is what was to be taken by the refused one. A balance that does
    // not do leaves all to the other way: its rest was not asked for yet.
    private static Order PaidOtherwise(Order order, OtherPayment other)
    {
        var refused = order
            .Steps.Where(step => step is { Kind: StepKind.Hold, Status: StepStatus.Refused })
            .ToDictionary(step => step.Book, step => step.Way, StringComparer.Ordinal);
        var paid = order with
        {
            CardToken = other.CardToken ?? order.CardToken,
            CardEnding = other.CardEnding ?? order.CardEnding,
            Things = order.Things with { Payments = [.. order.Things.Payments.Select(Paid)] },
        };
        return paid with
        {
            Steps =
            [
                .. paid
                    .Steps.Where(step => !IsNeedless(step))
                    .Select(step => IsOtherwise(step) ? WithKey(paid, step with { Way = other.Way }) : step),
            ],
        };

        Payment Paid(Payment payment) =>
            !refused.TryGetValue(payment.Book, out var way) ? payment
            : way == PayWay.Balance ? payment with { FromBalance = null, Way = other.Way }
            : payment with { Way = other.Way };
        bool IsOfRefused(OrderStep step, out PayWay way)
        {
            way = default;
            return step.Kind is StepKind.Hold or StepKind.Capture && refused.TryGetValue(step.Book, out way);
        }

        bool IsNeedless(OrderStep step) =>
            IsOfRefused(step, out var way)
            && way == PayWay.Balance
            && step.Way == PayWay.Balance
            && order.Steps.Any(rest => rest.Kind == step.Kind && rest.Book == step.Book && rest.Way != PayWay.Balance);
        bool IsOtherwise(OrderStep step) =>
            IsOfRefused(step, out var way) && (way == PayWay.Balance || step.Way == way);
    }

    /// <summary>The order called off by its owner: what was done is undone.</summary>
    public static Order CalledOff(Order order) =>
        order.CanCancel
            ? Settled(
                order with
                {
                    State = OrderState.Undoing,
                    IsGivenUp = true,
                    Problem = order.Problem ?? new OrderProblem(StepKind.Hold, "called-off", ""),
                    Steps = [.. order.Steps.Select(step => step with { Unanswered = 0 })],
                }
            )
            : order;

    private static Order Succeeded(Order order, OrderStep step, Outcome outcome)
    {
        var done = With(order, step, step with { Status = StepStatus.Done, Unanswered = 0, Pending = null }) with
        {
            Account = outcome.Account ?? order.Account,
        };

        // It was being called off, and turns out to have been done for good: then the order goes on. What was waited
        // for has come: likewise.
        var goesOn =
            order.State == OrderState.Undoing
                ? step.Kind is StepKind.Register or StepKind.Transfer
                : order.State is OrderState.NeedsConfirmation or OrderState.NeedsTransfer or OrderState.NeedsTime;
        return goesOn ? done with { State = OrderState.Working, IsGivenUp = false, Problem = null } : done;
    }

    private static Order Unanswered(Order order, OrderStep step, Outcome outcome)
    {
        var counted = With(order, step, step with { Unanswered = step.Unanswered + 1 });
        return step.Unanswered + 1 < MostUnanswered
            ? counted
            : counted with
            {
                State = OrderState.NeedsPatience,
                Problem = Keep(order)
                    ?? new OrderProblem(step.Kind, outcome.Code ?? "no-answer", outcome.Message ?? ""),
            };

        // While undoing, what started it stays the problem.
        OrderProblem? Keep(Order before) => before.State == OrderState.Undoing ? before.Problem : null;
    }

    private static Order RefusedStep(Order order, OrderStep step, Outcome outcome)
    {
        var problem = new OrderProblem(step.Kind, outcome.Code ?? "refused", outcome.Message ?? "");
        if (step.Kind is StepKind.Register or StepKind.Transfer && order.Steps.Any(known => known.IsForGood))
        {
            return Missing(order, step, problem);
        }

        var again = WithKey(
            order,
            step with
            {
                Status = StepStatus.Refused,
                Refused = step.Refused + 1,
                Pending = null,
            }
        );
        var state = step.Kind switch
        {
            StepKind.Hold => OrderState.NeedsPayment,
            StepKind.Prepare or StepKind.Register or StepKind.Transfer => OrderState.Undoing,
            _ => OrderState.NeedsPatience,
        };
        return With(order, step, again) with
        {
            State = state,
            IsGivenUp = state == OrderState.Undoing,
            Problem = problem,
        };
    }

    // Another domain was had already, which cannot be undone: the order goes on without this one, and takes nothing for
    // it.
    private static Order Missing(Order order, OrderStep step, OrderProblem problem)
    {
        var missed = order.Things.Domains.First(domain => domain.Book == step.Book && domain.Name?.Text == step.Domain);
        return order with
        {
            State = OrderState.Working,
            Problem = null,
            Things = order.Things.Without(missed),
            Missed = order.Missed.Add(new MissedDomain(missed, problem.Code, problem.Message)),
            Steps =
            [
                .. order.Steps.Select(known =>
                    known.Domain == step.Domain && known.Book == step.Book
                        ? known with
                        {
                            Status = StepStatus.Dropped,
                            Pending = null,
                        }
                        : known
                ),
            ],
        };
    }

    private static Order Settled(Order order) =>
        order.State switch
        {
            OrderState.Working when order.Steps.All(step => step.Status is StepStatus.Done or StepStatus.Dropped) =>
                order with
                {
                    State = OrderState.Completed,
                },
            OrderState.Working
                when NextStep(order) is null
                    && order.Steps.FirstOrDefault(step => step.Status == StepStatus.Pending) is { } pending =>
                order with
                {
                    State = WaitsFor(pending),
                },
            OrderState.Undoing when Next(order) is null => order with { State = OrderState.Cancelled },
            _ => order,
        };

    private static OrderState WaitsFor(OrderStep pending) =>
        pending.Kind == StepKind.Transfer ? OrderState.NeedsTime
        : pending.Way == PayWay.Invoice ? OrderState.NeedsTransfer
        : OrderState.NeedsConfirmation;

    private static bool CanUndo(StepKind kind) => kind is StepKind.Hold or StepKind.Prepare;

    private static bool CanPend(OrderStep step) =>
        step is { Kind: StepKind.Hold, Way: not PayWay.Balance } or { Kind: StepKind.Transfer };

    private static Order With(Order order, OrderStep step, OrderStep changed) =>
        order with
        {
            Steps = [.. order.Steps.Select(known => known.Key == step.Key ? changed : known)],
        };

    private static OrderStep WithKey(Order order, OrderStep step)
    {
        string[] parts =
        [
            $"{(order.Secret == Guid.Empty ? order.Id : order.Secret):N}",
            step.Kind.ToString().ToLowerInvariant(),
            step.Book,
            .. step.Way == PayWay.Card ? [] : new[] { step.Way.ToString().ToLowerInvariant() },
            .. step.Domain is { } domain ? new[] { domain } : [],
            $"{step.Refused}",
        ];
        return step with { Key = string.Join('-', parts) };
    }
}

/// <summary>Another way to pay what was refused.</summary>
/// <param name="CardToken">Of another card, for <see cref="PayWay.Card"/>.</param>
public sealed record OtherPayment(PayWay Way, string? CardToken = null, string? CardEnding = null);

/// <param name="Step">As it stands in the order.</param>
public sealed record OrderAction(ActionKind Kind, OrderStep Step);

/// <summary>What to do about a step.</summary>
public enum ActionKind
{
    /// <summary>Carry the step out.</summary>
    Do,

    /// <summary>It may have been carried out: ask by its key, and carry it out where it never was.</summary>
    QueryThenExecute,

    /// <summary>
    /// The order is being undone and this step may have been carried out: find out, and see to it that it cannot be any
    /// more.
    /// </summary>
    Settle,

    /// <summary>Take back what it did.</summary>
    Undo,

    /// <summary>It waits at the counterpart: ask whether that is over.</summary>
    Look,
}
