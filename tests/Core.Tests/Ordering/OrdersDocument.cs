using System.Text;

namespace HomeStart.Core.Tests;

/// <summary>
/// docs/orders.md is made from the flow itself: every way through it is walked, and what is met with is drawn. Where
/// the flow changes, this writes the page anew and fails once.
/// </summary>
public class OrdersDocument
{
    private const string Begin = "<!-- made from the code by tests/Core.Tests/Ordering/OrdersDocument.cs -->";
    private const string End = "<!-- end -->";

    [Fact]
    public void The_diagram_is_that_of_the_code()
    {
        var file = Path.Combine(Arrows.Root, "docs", "orders.md");
        var page = File.ReadAllText(file);
        var (from, to) = (page.IndexOf(Begin, StringComparison.Ordinal), page.IndexOf(End, StringComparison.Ordinal));
        from.ShouldBeGreaterThan(0);
        var made = $"{page[..(from + Begin.Length)]}\n\n{Diagram()}\n{page[to..]}";
        if (made != page)
        {
            File.WriteAllText(file, made);
        }

        page.ShouldBe(made, "docs/orders.md was not what the code does; it is now");
    }

    private static string Diagram()
    {
        var moves = Walk();
        var text = new StringBuilder("```mermaid\nstateDiagram-v2\n    [*] --> Working: placed\n");
        foreach (
            var move in moves
                .GroupBy(move => (move.From, move.To))
                .OrderBy(move => move.Key.From)
                .ThenBy(move => move.Key.To)
        )
        {
            text.Append(
                $"    {move.Key.From} --> {move.Key.To}: "
                    + $"{string.Join(", ", move.Select(one => one.Why).Distinct().Order(StringComparer.Ordinal))}\n"
            );
        }

        foreach (
            var last in moves
                .Select(move => move.To)
                .Distinct()
                .Where(state => moves.All(move => move.From != state))
                .Order()
        )
        {
            text.Append($"    {last} --> [*]\n");
        }

        text.Append("```\n\n<!-- prettier-ignore -->\n| step | who is asked | can be undone |\n|---|---|---|\n");
        foreach (var step in Start().Steps.DistinctBy(step => step.Kind))
        {
            text.Append(
                $"| {Word(step.Kind)} | {Who(step.Kind)} | "
                    + $"{(moves.Any(move => move.Undone == step.Kind) ? "yes" : "no")} |\n"
            );
        }

        return text.ToString();
    }

    // Breadth first, each outcome and each decision at each place.
    private static List<Move> Walk()
    {
        var (moves, seen, open) = (new List<Move>(), new HashSet<string>(), new Queue<Order>([Start()]));
        while (open.TryDequeue(out var order))
        {
            if (!seen.Add(Place(order)))
            {
                continue;
            }

            foreach (var (after, why, undone) in After(order))
            {
                if (after.State != order.State || undone is not null)
                {
                    moves.Add(new Move(order.State, after.State, why, undone));
                }

                open.Enqueue(after);
            }
        }

        return
        [
            .. moves
                .Where(move => move.From != move.To || move.Undone is not null)
                .Select(move => move.From == move.To ? move with { Why = "a step is undone" } : move),
        ];
    }

    private static IEnumerable<(Order After, string Why, StepKind? Undone)> After(Order order)
    {
        if (OrderFlow.Next(order) is { } action)
        {
            var begun = OrderFlow.Begun(order, action);
            var word = Word(action.Step.Kind);
            yield return (
                OrderFlow.After(begun, action, Outcome.Done with { Account = null }),
                action.Kind == ActionKind.Undo ? "all is undone" : $"{word} done",
                action.Kind == ActionKind.Undo ? action.Step.Kind : null
            );
            yield return (OrderFlow.After(begun, action, Outcome.NoAnswer()), "no answer three times", null);
            if (
                action is
                { Kind: ActionKind.Do, Step: { Kind: StepKind.Hold or StepKind.Transfer, Status: StepStatus.Waiting } }
            )
            {
                yield return (
                    OrderFlow.After(begun, action, new Outcome(OutcomeState.Pending)),
                    Waits(action.Step),
                    null
                );
            }

            if (action.Step.Refused == 0)
            {
                yield return (
                    OrderFlow.After(begun, action, new Outcome(OutcomeState.Refused, "refused")),
                    action.Kind == ActionKind.Undo ? "undoing refused" : $"{word} refused",
                    null
                );
            }

            if (action.Kind is ActionKind.QueryThenExecute or ActionKind.Settle)
            {
                yield return (
                    OrderFlow.After(begun, action, new Outcome(OutcomeState.NeverHappened)),
                    "it never happened",
                    null
                );
            }
        }

        foreach (var look in OrderFlow.Looks(order))
        {
            yield return (
                OrderFlow.After(order, look, Outcome.Done),
                look.Step.Kind == StepKind.Transfer ? "the domain has come" : "the owner says yes or pays",
                null
            );
            if (look.Step.Refused == 0)
            {
                yield return (
                    OrderFlow.After(order, look, new Outcome(OutcomeState.Refused, "refused")),
                    look.Step.Kind == StepKind.Transfer
                        ? "the present seller refuses"
                        : "the owner says no or does not pay",
                    null
                );
            }
        }

        if (order.State is OrderState.NeedsPayment or OrderState.NeedsPatience)
        {
            yield return order.State == OrderState.NeedsPayment
                ? (
                    OrderFlow.Resumed(order, new OtherPayment(PayWay.Card, "card_other", "0002")),
                    "the owner pays another way",
                    null
                )
                : (OrderFlow.Resumed(order, null), "the owner tries again", null);
        }

        if (order.State.IsWaiting())
        {
            yield return (OrderFlow.CalledOff(order), "the owner calls it off", null);
        }
    }

    private static string Place(Order order) =>
        $"{order.State} {order.IsGivenUp} "
        + $"{string.Join(' ', order.Steps.Select(step => $"{step.Kind}{step.Status}{step.Unanswered}{step.Refused}"))}";

    private static string Waits(OrderStep step) =>
        step.Kind == StepKind.Transfer ? "the move has begun"
        : step.Way == PayWay.Invoice ? "an invoice is sent"
        : "bank or wallet want a yes";

    // A domain is moved in and one registered, one seller is paid by card and one against an invoice: every kind of
    // step is in it.
    private static Order Start()
    {
        var placed = Placing.Prepare(Shop.Costed(Shop.Choosing("tidemarsh", "slipway", 12))).Value!;
        var other = new OrderedDomain("nameyarrow", "Nameyarrow", DomainName.Parse("wren.com"), 1, false)
        {
            Route = DomainRoute.Transfer,
        };
        var things = placed with
        {
            Domains = [.. placed.Domains, other],
            Payments =
            [
                .. placed.Payments,
                new Payment("nameyarrow", "Nameyarrow", placed.Total) { Way = PayWay.Invoice },
            ],
        };
        return OrderFlow.Planned(
            new Order(Guid.Empty, Guid.Empty, "A", Shop.Today, new Contact("", "", "", "", "", "", null), things)
            {
                CardToken = "card",
                CardEnding = "0004",
            }
        );
    }

    private static string Word(StepKind kind) =>
        kind switch
        {
            StepKind.Hold => "hold",
            StepKind.Prepare => "prepare",
            StepKind.Register => "register",
            StepKind.Transfer => "move",
            StepKind.Join => "join",
            StepKind.Capture => "capture",
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };

    private static string Who(StepKind kind) =>
        kind switch
        {
            StepKind.Hold or StepKind.Capture => "the payment processor",
            StepKind.Prepare => "the host",
            _ => "the registrar",
        };

    private sealed record Move(OrderState From, OrderState To, string Why, StepKind? Undone);
}
