using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>Whatever the counterparts answer, nothing is charged for what was not delivered, and no order is left without a way on.</summary>
public class OrderFlowTests
{
    [Fact]
    public void The_steps_hold_prepare_register_join_and_take_in_this_order() =>
        New().Steps.Select(step => (step.Kind, step.Book)).ShouldBe(
        [
            (StepKind.Hold, "host"), (StepKind.Hold, "names"), (StepKind.Prepare, "host"), (StepKind.Register, "names"), (StepKind.Join, "names"), (StepKind.Capture, "host"), (StepKind.Capture, "names"),
        ]);

    [Fact]
    public void With_every_answer_good_it_completes() => Play(New(), _ => Outcome.Done).State.ShouldBe(OrderState.Completed);

    [Fact]
    public void A_refused_card_asks_for_another_and_the_next_try_has_a_key_of_its_own()
    {
        var order = Play(New(), action => action.Step.Kind == StepKind.Hold ? Refused("card-refused") : Outcome.Done);
        order.State.ShouldBe(OrderState.NeedsCard);
        order.Steps[0].Refused.ShouldBe(1);
        order.CanCancel.ShouldBeTrue();
        var again = OrderFlow.Resumed(order, "card_2", "2222");
        again.CardToken.ShouldBe("card_2");
        OrderFlow.Next(again)!.Step.Key.ShouldNotBe(New().Steps[0].Key);
        Play(again, _ => Outcome.Done).State.ShouldBe(OrderState.Completed);
    }

    [Fact]
    public void A_name_taken_meanwhile_undoes_all_that_was_done()
    {
        var order = Play(New(), action => action is { Kind: not ActionKind.Undo, Step.Kind: StepKind.Register } ? Refused("name-taken") : Outcome.Done);
        order.State.ShouldBe(OrderState.Cancelled);
        order.Problem!.Code.ShouldBe("name-taken");
        order.Steps.Where(step => step.Kind is StepKind.Hold or StepKind.Prepare).ShouldAllBe(step => step.Status == StepStatus.Undone);
    }

    [Fact]
    public void A_host_that_does_not_answer_leaves_the_choice_to_the_owner()
    {
        var order = Play(New(), action => action.Step.Kind == StepKind.Prepare ? Outcome.NoAnswer("down") : Outcome.Done);
        order.State.ShouldBe(OrderState.NeedsPatience);
        Play(OrderFlow.Resumed(order, null, null), Answer).State.ShouldBe(OrderState.Completed);
        Play(OrderFlow.CalledOff(order), Answer).State.ShouldBe(OrderState.Cancelled);
    }

    [Fact]
    public void A_domain_that_was_registered_after_all_makes_a_called_off_order_go_on()
    {
        var stuck = Play(New(), action => action.Step.Kind == StepKind.Register ? Outcome.NoAnswer("lost") : Outcome.Done);
        var order = Play(OrderFlow.CalledOff(stuck), _ => Outcome.Done);
        order.State.ShouldBe(OrderState.Completed);
    }

    [Fact]
    public void Nothing_is_asked_again_before_its_outcome_was_asked_for()
    {
        var order = New();
        var action = OrderFlow.Next(order)!;
        order = OrderFlow.Begun(order, action);
        OrderFlow.Next(order)!.Kind.ShouldBe(ActionKind.AskThenDo);
    }

    /// <summary>A world of counterparts that answer at random, lose answers after having done the work, and keep what was done; owners decide at random.</summary>
    [Fact]
    public void Through_any_weather_the_money_follows_the_goods() =>
        Gen.Int.Sample(
            seed =>
            {
                var random = new Random(seed);
                var world = new Weather(random);
                var order = New();
                for (var turn = 0; turn < 400 && order.State is not (OrderState.Completed or OrderState.Cancelled); turn++)
                {
                    world.IsFair = turn > 200;
                    order = OrderFlow.Next(order) is { } action ? Carry(order, action, world) : Decide(order, random);
                    world.Captured.ShouldBeSubsetOf(world.Held);
                    (world.Captured.Count == 0 || world.IsRegistered).ShouldBeTrue("money was taken before the domain was there");
                }

                order.State.ShouldBeOneOf(OrderState.Completed, OrderState.Cancelled);
                (order.State == OrderState.Completed).ShouldBe(world.IsRegistered && world.Captured.Count == 2 && world.IsPrepared, $"state {order.State}");
                if (order.State == OrderState.Cancelled)
                {
                    (world.Held.Count, world.IsPrepared, world.IsRegistered).ShouldBe((0, false, false));
                }
            },
            iter: 3000);

    /// <summary>Whatever is answered, also what makes no sense to what was asked: after a few actions there is a pause or an end, and from every pause a way on.</summary>
    [Fact]
    public void No_answers_keep_an_order_busy_for_ever() =>
        Gen.Int.Sample(
            seed =>
            {
                var random = new Random(seed);
                var order = New();
                for (var decisions = 0; decisions < 30 && order.State is not (OrderState.Completed or OrderState.Cancelled); decisions++)
                {
                    var actions = 0;
                    while (OrderFlow.Next(order) is { } action)
                    {
                        (++actions).ShouldBeLessThanOrEqualTo(3 * OrderFlow.MostUnanswered * order.Steps.Length);
                        order = OrderFlow.Begun(order, action);
                        order = random.Next(5) == 0 ? order : OrderFlow.After(order, action, AnyAnswer(random));
                    }

                    if (order.State is OrderState.NeedsCard or OrderState.NeedsPatience)
                    {
                        order = Decide(order, random);
                        (OrderFlow.Next(order) is not null || order.State == OrderState.Cancelled).ShouldBeTrue();
                    }
                }
            },
            iter: 2000);

    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_outcome_of_every_action_leads_somewhere(OutcomeState outcome, ActionKind kind)
    {
        var order = New() with { State = kind is ActionKind.Settle or ActionKind.Undo ? OrderState.Undoing : OrderState.Working };
        var step = order.Steps[0] with { Status = kind == ActionKind.Undo ? StepStatus.Undoing : StepStatus.Trying };
        order = order with { Steps = order.Steps.SetItem(0, step) };
        var after = OrderFlow.After(order, new OrderAction(kind, step), new Outcome(outcome, "code", "Message."));
        after.ShouldNotBe(order);
        (after.Steps[0].Status, after.Steps[0].Unanswered, after.State).ShouldBe((outcome, kind) switch
        {
            (OutcomeState.Done, ActionKind.Undo) => (StepStatus.Undone, 0, OrderState.Cancelled),
            (OutcomeState.Done, ActionKind.Settle) => (StepStatus.Done, 0, OrderState.Undoing),
            (OutcomeState.Done, _) => (StepStatus.Done, 0, OrderState.Working),
            (OutcomeState.Refused, ActionKind.Undo) => (StepStatus.Undoing, OrderFlow.MostUnanswered + 1, OrderState.NeedsPatience),
            (OutcomeState.Refused, ActionKind.Settle) => (StepStatus.Refused, 0, OrderState.Cancelled),
            (OutcomeState.Refused, _) => (StepStatus.Refused, 0, OrderState.NeedsCard),
            (OutcomeState.NeverHappened, ActionKind.Settle) => (StepStatus.Waiting, 0, OrderState.Cancelled),
            _ => (step.Status, 1, order.State),
        });
    }

    private static Outcome Prepared => Outcome.Done with { Account = new HostAccount("1", "", "", "", "", "", [], "", "") };

    [Fact]
    public void While_it_is_undone_what_started_it_stays_the_problem()
    {
        var silent = Play(New(), action =>
            action.Kind == ActionKind.Undo ? Outcome.NoAnswer("Silence.")
            : action.Step.Kind == StepKind.Register ? new Outcome(OutcomeState.Refused, "name-taken", "Gone.")
            : Prepared);
        silent.State.ShouldBe(OrderState.NeedsPatience);
        silent.Problem.ShouldNotBeNull().Code.ShouldBe("name-taken");
        var first = Play(New() with { Problem = new OrderProblem(StepKind.Hold, "old", "Old.") }, _ => Outcome.NoAnswer("Silence."));
        first.Problem.ShouldNotBeNull().Code.ShouldBe("no-answer"); // Going on, the newest is the one that counts.
    }

    public static TheoryData<OutcomeState, ActionKind> Everything => new(from outcome in Enum.GetValues<OutcomeState>() from kind in Enum.GetValues<ActionKind>() select (outcome, kind));

    private static Outcome AnyAnswer(Random random) => new(random.GetItems(Enum.GetValues<OutcomeState>(), 1)[0], "any", "Any.");

    private static Order Carry(Order order, OrderAction action, Weather world)
    {
        order = OrderFlow.Begun(order, action);

        // The server may be stopped here: then the action is found by Next once more.
        return world.Stops ? order : OrderFlow.After(order, action, world.Answer(action));
    }

    private static Order Decide(Order order, Random random) =>
        order.CanCancel && random.Next(4) == 0 ? OrderFlow.CalledOff(order) : OrderFlow.Resumed(order, order.State == OrderState.NeedsCard ? "card_new" : null, "0000");

    private static Outcome Answer(OrderAction action) => action.Kind is ActionKind.Settle ? new Outcome(OutcomeState.NeverHappened) : Outcome.Done;

    private static Outcome Refused(string code) => new(OutcomeState.Refused, code, "No.");

    private static Order Play(Order order, Func<OrderAction, Outcome> answer)
    {
        for (var turn = 0; turn < 100 && OrderFlow.Next(order) is { } action; turn++)
        {
            order = OrderFlow.After(OrderFlow.Begun(order, action), action, answer(action));
        }

        return order;
    }

    private static Money Pounds(int pounds) => new(100 * pounds, Currency.Get("GBP"));

    private static Order New() =>
        OrderFlow.Planned(new Order(
            Guid.Parse("7d5a2c54-5b0e-4a42-9f3c-0d9f5a6f1f11"),
            Guid.NewGuid(),
            "A",
            new DateOnly(2026, 12, 1),
            new Contact("Ada Wren", "ada@example.com", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null),
            new OrderedThings(
                [new Payment("host", "Host", Pounds(10)), new Payment("names", "Names", Pounds(8))],
                new OrderedHosting("host", "Host", "plan", "Plan", DomainName.Parse("ostlerwren.com")),
                new OrderedDomain("names", "Names", DomainName.Parse("ostlerwren.com"), 1, true),
                [],
                Pounds(18)))
        {
            CardToken = "card_1",
            CardEnding = "1111",
        });

    private sealed class Weather(Random random)
    {
        private readonly Dictionary<string, Outcome> _done = [];

        public bool IsFair { get; set; }

        public HashSet<string> Held { get; } = [];

        public HashSet<string> Captured { get; } = [];

        public bool IsPrepared { get; private set; }

        public bool IsRegistered { get; private set; }

        public bool Stops => !IsFair && random.Next(6) == 0;

        public Outcome Answer(OrderAction action)
        {
            if (!IsFair && random.Next(3) == 0)
            {
                if (random.Next(2) == 0)
                {
                    Carry(action); // Done, and the answer is lost.
                }

                return Outcome.NoAnswer("storm");
            }

            return Carry(action);
        }

        private Outcome Carry(OrderAction action)
        {
            var key = action.Step.Key + (action.Kind == ActionKind.Undo ? "-undo" : "");
            if (_done.TryGetValue(key, out var before))
            {
                return before;
            }

            if (action.Kind == ActionKind.Settle)
            {
                _done[key] = new Outcome(OutcomeState.Refused, "void", "Called off.");
                return new Outcome(OutcomeState.NeverHappened);
            }

            return _done[key] = action.Kind == ActionKind.Undo ? Undo(action.Step) : Do(action.Step);
        }

        private Outcome Do(OrderStep step)
        {
            if (!IsFair && random.Next(6) == 0 && step.Kind is not (StepKind.Join or StepKind.Capture))
            {
                return Refused("no");
            }

            switch (step.Kind)
            {
                case StepKind.Hold:
                    Held.Add(step.Book);
                    break;
                case StepKind.Prepare:
                    IsPrepared = true;
                    break;
                case StepKind.Register:
                    IsRegistered = true;
                    break;
                case StepKind.Capture:
                    Captured.Add(step.Book);
                    break;
                default:
                    break;
            }

            return Outcome.Done;
        }

        private Outcome Undo(OrderStep step)
        {
            if (step.Kind == StepKind.Hold)
            {
                Held.Remove(step.Book);
            }
            else
            {
                IsPrepared = false;
            }

            return Outcome.Done;
        }
    }
}
