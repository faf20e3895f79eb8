using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>
/// Whatever the counterparts answer, nothing is charged for what was not delivered, and no order is left without a way
/// on.
/// </summary>
public class OrderFlowTests
{
    [Fact]
    public void The_steps_hold_prepare_register_join_and_take_in_this_order() =>
        New()
            .Steps.Select(step => (step.Kind, step.Book))
            .ShouldBe([
                (StepKind.Hold, "host"),
                (StepKind.Hold, "names"),
                (StepKind.Prepare, "host"),
                (StepKind.Register, "names"),
                (StepKind.Join, "names"),
                (StepKind.Capture, "host"),
                (StepKind.Capture, "names"),
            ]);

    [Fact]
    public void With_every_answer_good_it_completes() =>
        Play(New(), _ => Outcome.Done).State.ShouldBe(OrderState.Completed);

    [Fact]
    public void A_refused_card_asks_for_another_and_the_next_try_has_a_key_of_its_own()
    {
        var order = Play(New(), action => action.Step.Kind == StepKind.Hold ? Refused("card-refused") : Outcome.Done);
        order.State.ShouldBe(OrderState.NeedsPayment);
        order.Steps[0].Refused.ShouldBe(1);
        order.CanCancel.ShouldBeTrue();
        var again = OrderFlow.Resumed(order, new OtherPayment(PayWay.Card, "card_2", "2222"));
        again.CardToken.ShouldBe("card_2");
        OrderFlow.Next(again)!.Step.Key.ShouldNotBe(New().Steps[0].Key);
        Play(again, _ => Outcome.Done).State.ShouldBe(OrderState.Completed);
    }

    [Fact]
    public void A_name_taken_meanwhile_undoes_all_that_was_done()
    {
        var order = Play(New(), action =>
            action is { Kind: not ActionKind.Undo, Step.Kind: StepKind.Register } ? Refused("name-taken") : Outcome.Done
        );
        order.State.ShouldBe(OrderState.Cancelled);
        order.Problem!.Code.ShouldBe("name-taken");
        order
            .Steps.Where(step => step.Kind is StepKind.Hold or StepKind.Prepare)
            .ShouldAllBe(step => step.Status == StepStatus.Undone);
    }

    [Fact]
    public void A_host_that_does_not_answer_leaves_the_choice_to_the_owner()
    {
        var order = Play(New(), action =>
            action.Step.Kind == StepKind.Prepare ? Outcome.NoAnswer("down") : Outcome.Done
        );
        order.State.ShouldBe(OrderState.NeedsPatience);
        Play(OrderFlow.Resumed(order, null), Answer).State.ShouldBe(OrderState.Completed);
        Play(OrderFlow.CalledOff(order), Answer).State.ShouldBe(OrderState.Cancelled);
    }

    [Fact]
    public void A_domain_that_was_registered_after_all_makes_a_called_off_order_go_on()
    {
        var stuck = Play(New(), action =>
            action.Step.Kind == StepKind.Register ? Outcome.NoAnswer("lost") : Outcome.Done
        );
        var order = Play(OrderFlow.CalledOff(stuck), _ => Outcome.Done);
        order.State.ShouldBe(OrderState.Completed);
    }

    [Fact]
    public void Nothing_is_asked_again_before_its_outcome_was_asked_for()
    {
        var order = New();
        var action = OrderFlow.Next(order)!;
        order = OrderFlow.Begun(order, action);
        OrderFlow.Next(order)!.Kind.ShouldBe(ActionKind.QueryThenExecute);
    }

    /// <summary>
    /// A world of counterparts that answer at random, wait for somebody, lose answers after having done the work, and
    /// keep what was done; owners decide at random. Two domains, one of them moved in, and two sellers, one of them
    /// paid in part from a balance.
    /// </summary>
    [Fact]
    public void Through_any_weather_the_money_follows_the_goods() =>
        Gen.Int.Sample(
            seed =>
            {
                var random = new Random(seed);
                var world = new Weather(random);
                var order = Large(random.GetItems(Rest, 1)[0]);
                for (
                    var turn = 0;
                    turn < 600 && order.State is not (OrderState.Completed or OrderState.Cancelled);
                    turn++
                )
                {
                    world.IsFair = turn > 300;
                    order =
                        OrderFlow.Next(order) is { } action ? Carry(order, action, world)
                        : OrderFlow.Looks(order) is [var look, ..] && random.Next(2) == 0
                            ? OrderFlow.After(order, look, world.Answer(order, look))
                        : Decide(order, random);
                    world.Captured.Keys.ShouldBeSubsetOf(world.Held.Keys);
                    (
                        world.Captured.Count == 0
                        || (
                            world.IsPrepared
                            && order.Things.Domains.All(domain => world.Delivered.Contains(domain.Name!.Text))
                        )
                    ).ShouldBeTrue("money was taken before all was there");
                    (
                        world.Delivered.Count == 0
                        || world.Held.Count == order.Steps.Count(step => step.Kind == StepKind.Hold)
                    ).ShouldBeTrue("something was delivered before the money was there");
                }

                order.State.ShouldBeOneOf(OrderState.Completed, OrderState.Cancelled);
                world
                    .Delivered.Order()
                    .ShouldBe(
                        order.State == OrderState.Completed
                            ? order.Things.Domains.Select(domain => domain.Name!.Text).Order()
                            : []
                    );
                (world.Captured.Values.Aggregate(Pounds(0), (sum, taken) => sum + taken), world.IsPrepared).ShouldBe(
                    order.State == OrderState.Completed
                        ? (order.Things.Payments.Aggregate(Pounds(0), (sum, payment) => sum + payment.Amount), true)
                        : (Pounds(0), false)
                );
                (order.State == OrderState.Completed || world.Held.Count == 0).ShouldBeTrue("money is still held");
                order.Missed.ShouldAllBe(missed => !world.Delivered.Contains(missed.Domain.Name!.Text));
            },
            iter: 3000
        );

    [Fact]
    public void A_domain_missed_after_another_was_had_is_left_out_and_not_paid()
    {
        var order = Play(Large(PayWay.Card), action =>
            action.Step.Kind == StepKind.Register ? Refused("name-taken") : Outcome.Done
        );
        order.State.ShouldBe(OrderState.Completed);
        order
            .Missed.Select(missed => (missed.Domain.Name!.Text, missed.Code))
            .ShouldBe([("ostlerwren.com", "name-taken")]);
        order.Things.Domains.Select(domain => domain.Name!.Text).ShouldBe(["wren.com"]);
        order.Things.Payments.Select(payment => payment.Amount).ShouldBe([Pounds(10), Pounds(5)]);
        order
            .Steps.Where(step => step.Domain == "ostlerwren.com")
            .ShouldAllBe(step => step.Status == StepStatus.Dropped);
    }

    [Fact]
    public void Before_any_was_had_a_domain_that_cannot_be_had_undoes_the_order() =>
        Play(Large(PayWay.Card), action =>
            action is { Kind: not ActionKind.Undo, Step.Kind: StepKind.Transfer }
                ? Refused("transfer-refused")
                : Prepared
        )
            .State.ShouldBe(OrderState.Cancelled);

    [Theory]
    [InlineData(PayWay.Card, OrderState.NeedsConfirmation)]
    [InlineData(PayWay.Wallet, OrderState.NeedsConfirmation)]
    [InlineData(PayWay.Invoice, OrderState.NeedsTransfer)]
    public void What_waits_for_the_owner_is_looked_at_and_nothing_is_delivered_before(PayWay way, OrderState state)
    {
        var waiting = Play(Large(way), action =>
            action.Step is { Kind: StepKind.Hold, Way: not PayWay.Balance }
                ? Waits(new Pending("/pages/a1", new DateOnly(2026, 12, 15), "Waiting."))
                : Outcome.Done
        );
        waiting.State.ShouldBe(state);
        waiting
            .Steps.Select(step => step.Status)
            .ShouldBe([
                StepStatus.Pending,
                StepStatus.Done,
                StepStatus.Pending,
                .. Enumerable.Repeat(StepStatus.Waiting, 8),
            ]); // The other money is asked for meanwhile.
        waiting.CanCancel.ShouldBeTrue();
        var looks = OrderFlow.Looks(waiting);
        looks.Select(look => look.Kind).ShouldBe([ActionKind.Look, ActionKind.Look]);
        OrderFlow.After(waiting, looks[0], Outcome.NoAnswer()).ShouldBe(waiting);
        OrderFlow.After(waiting, looks[0], new Outcome(OutcomeState.NeverHappened)).ShouldBe(waiting);
        var one = OrderFlow.After(waiting, looks[0], Outcome.Done);
        one.State.ShouldBe(state); // The second still waits.
        Play(OrderFlow.After(one, looks[1], Outcome.Done), _ => Prepared).State.ShouldBe(OrderState.Completed);
        var refused = OrderFlow.After(waiting, looks[0], Refused("no"));
        refused.State.ShouldBe(OrderState.NeedsPayment);
        OrderFlow.Looks(refused).Select(look => look.Step.Book).ShouldBe(["names"]); // It is looked at all the same.
        var otherwise = OrderFlow.Resumed(refused, new OtherPayment(PayWay.Wallet));
        otherwise.Things.Payments.Select(payment => payment.Way).ShouldBe([PayWay.Wallet, way]);
        otherwise
            .Steps.Where(step => step.Book == "host" && step.Kind is StepKind.Hold or StepKind.Capture)
            .Count(step => step.Way == PayWay.Wallet)
            .ShouldBe(2);
        Play(OrderFlow.CalledOff(waiting), Answer).State.ShouldBe(OrderState.Cancelled);
    }

    [Fact]
    public void A_move_under_way_holds_up_what_cannot_be_undone_until_it_has_come()
    {
        var waiting = Play(Large(PayWay.Card), action =>
            action.Step.Kind == StepKind.Transfer ? Waits(new Pending(Until: new DateOnly(2026, 12, 6))) : Prepared
        );
        waiting.State.ShouldBe(OrderState.NeedsTime);
        waiting.Steps.Single(step => step.Kind == StepKind.Register).Status.ShouldBe(StepStatus.Waiting);
        Play(OrderFlow.After(waiting, OrderFlow.Looks(waiting)[0], Outcome.Done), _ => Outcome.Done)
            .State.ShouldBe(OrderState.Completed);
        Play(OrderFlow.After(waiting, OrderFlow.Looks(waiting)[0], Refused("transfer-refused")), _ => Outcome.Done)
            .State.ShouldBe(OrderState.Cancelled);

        // Called off, and it turns out to have come: then the order goes on.
        Play(OrderFlow.CalledOff(waiting), _ => Outcome.Done).State.ShouldBe(OrderState.Completed);
    }

    [Fact]
    public void An_order_called_off_while_nobody_answers_is_undone_when_it_is_tried_again()
    {
        foreach (
            var waiting in new[]
            {
                Play(Large(PayWay.Wallet), action =>
                    action.Step.Way == PayWay.Wallet ? Waits(new Pending()) : Outcome.Done
                ),
                Play(Large(PayWay.Card), action =>
                    action.Step.Kind == StepKind.Transfer ? Waits(new Pending()) : Prepared
                ),
                Play(New(), action => action.Step.Kind == StepKind.Prepare ? Outcome.NoAnswer() : Outcome.Done),
            }
        )
        {
            var silent = Play(OrderFlow.CalledOff(waiting), _ => Outcome.NoAnswer());
            silent.State.ShouldBe(OrderState.NeedsPatience);
            // What came of it is found out when it is tried again, so that nothing is delivered and let go.
            OrderFlow.Looks(silent).ShouldBeEmpty();
            var again = OrderFlow.Resumed(silent, null);
            again.State.ShouldBe(OrderState.Undoing);
            Play(again, Answer).State.ShouldBe(OrderState.Cancelled);
        }

        var moving = Play(Large(PayWay.Card), action =>
            action.Step.Kind == StepKind.Transfer ? Waits(new Pending()) : Prepared
        );
        Play(OrderFlow.Resumed(Play(OrderFlow.CalledOff(moving), _ => Outcome.NoAnswer()), null), _ => Outcome.Done)
            .State.ShouldBe(OrderState.Completed); // It has come: it is paid.
    }

    [Fact]
    public void A_balance_pays_what_it_can()
    {
        var payment = new Payment("host", "Host", Pounds(10));
        payment.PaidFrom(Pounds(4)).Ways.ShouldBe([PayWay.Balance, PayWay.Card]);
        payment.PaidFrom(Pounds(10)).Ways.ShouldBe([PayWay.Balance]);
        (
            payment.PaidFrom(Pounds(40)).FromBalance,
            payment.PaidFrom(Pounds(0)).FromBalance,
            payment.PaidFrom(new Money(400, Currency.Get("EUR"))).FromBalance
        ).ShouldBe((Pounds(10), null, null));
    }

    [Fact]
    public void What_the_balance_was_to_pay_and_cannot_is_paid_with_the_rest()
    {
        var refused = Play(Large(PayWay.Card), action =>
            action.Step.Way == PayWay.Balance ? Refused("balance-too-small") : Prepared
        );
        refused.State.ShouldBe(OrderState.NeedsPayment);
        var again = OrderFlow.Resumed(refused, new OtherPayment(PayWay.Wallet));
        again.Things.Payments[1].ShouldBe(refused.Things.Payments[1] with { FromBalance = null, Way = PayWay.Wallet });
    }

    [Fact]
    public void A_claimed_domain_joins_the_hosting_that_is_there_and_nothing_is_paid()
    {
        var order = OrderFlow.Planned(
            New() with
            {
                Account = Prepared.Account,
                Things = new OrderedThings(
                    [],
                    null,
                    [new OrderedDomain("host", "Host", DomainName.Parse("ostlerwren.com"), 1, false)],
                    [],
                    Pounds(0)
                ),
            }
        );
        order.Steps.Select(step => step.Kind).ShouldBe([StepKind.Register, StepKind.Join]);
        Play(order, _ => Outcome.Done).State.ShouldBe(OrderState.Completed);
    }

    /// <summary>
    /// Whatever is answered, also what makes no sense to what was asked: after a few actions there is a pause or an
    /// end, and from every pause a way on.
    /// </summary>
    [Fact]
    public void No_answers_keep_an_order_busy_for_ever() =>
        Gen.Int.Sample(
            seed =>
            {
                var random = new Random(seed);
                var order = random.Next(2) == 0 ? New() : Large(PayWay.Card);
                for (
                    var decisions = 0;
                    decisions < 30 && order.State is not (OrderState.Completed or OrderState.Cancelled);
                    decisions++
                )
                {
                    var actions = 0;
                    while (OrderFlow.Next(order) is { } action)
                    {
                        (++actions).ShouldBeLessThanOrEqualTo(3 * OrderFlow.MostUnanswered * order.Steps.Length);
                        order = OrderFlow.Begun(order, action);
                        order = random.Next(5) == 0 ? order : OrderFlow.After(order, action, AnyAnswer(random));
                    }

                    if (order.State.IsWaiting())
                    {
                        order = OrderFlow.Looks(order) is [var look, ..]
                            ? OrderFlow.After(order, look, AnyAnswer(random))
                            : Decide(order, random);
                        (
                            OrderFlow.Next(order) is not null
                            || order.State == OrderState.Cancelled
                            || order.State.IsWaiting()
                        ).ShouldBeTrue();
                    }
                }
            },
            iter: 2000
        );

    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_outcome_of_every_action_leads_somewhere(OutcomeState outcome, ActionKind kind)
    {
        var order = New() with
        {
            State = kind is ActionKind.Settle or ActionKind.Undo ? OrderState.Undoing : OrderState.Working,
        };
        var step = order.Steps[0] with { Status = kind == ActionKind.Undo ? StepStatus.Undoing : StepStatus.Trying };
        order = order with { Steps = order.Steps.SetItem(0, step) };
        var after = OrderFlow.After(order, new OrderAction(kind, step), new Outcome(outcome, "code", "Message."));
        after.ShouldNotBe(order);
        (after.Steps[0].Status, after.Steps[0].Unanswered, after.State).ShouldBe(
            (outcome, kind) switch
            {
                (OutcomeState.Done, ActionKind.Undo) => (StepStatus.Undone, 0, OrderState.Cancelled),
                (OutcomeState.Done, ActionKind.Settle) => (StepStatus.Done, 0, OrderState.Undoing),
                (OutcomeState.Done, _) => (StepStatus.Done, 0, OrderState.Working),
                (OutcomeState.Refused, ActionKind.Undo) => (
                    StepStatus.Undoing,
                    OrderFlow.MostUnanswered + 1,
                    OrderState.NeedsPatience
                ),
                (OutcomeState.Refused, ActionKind.Settle) => (StepStatus.Refused, 0, OrderState.Cancelled),
                (OutcomeState.Refused, _) => (StepStatus.Refused, 0, OrderState.NeedsPayment),
                (OutcomeState.NeverHappened, ActionKind.Settle) => (StepStatus.Waiting, 0, OrderState.Cancelled),
                (OutcomeState.Pending, ActionKind.Do or ActionKind.QueryThenExecute) => (
                    StepStatus.Pending,
                    0,
                    OrderState.Working
                ),
                _ => (step.Status, 1, order.State),
            }
        );
    }

    private static readonly PayWay[] Rest = [PayWay.Card, PayWay.Wallet, PayWay.Invoice];

    private static Outcome Waits(Pending pending) => new(OutcomeState.Pending) { Pending = pending };

    private static Outcome Prepared =>
        Outcome.Done with
        {
            Account = new HostAccount("1", "", "", "", "", "", [], "", ""),
        };

    [Fact]
    public void While_it_is_undone_what_started_it_stays_the_problem()
    {
        var silent = Play(New(), action => action.Kind == ActionKind.Undo ? Outcome.NoAnswer("Silence.")
            : action.Step.Kind == StepKind.Register ? new Outcome(OutcomeState.Refused, "name-taken", "Gone.")
            : Prepared);
        silent.State.ShouldBe(OrderState.NeedsPatience);
        silent.Problem.ShouldNotBeNull().Code.ShouldBe("name-taken");
        var first = Play(New() with { Problem = new OrderProblem(StepKind.Hold, "old", "Old.") }, _ =>
            Outcome.NoAnswer("Silence.")
        );
        first.Problem.ShouldNotBeNull().Code.ShouldBe("no-answer"); // Going on, the newest is the one that counts.
    }

    public static TheoryData<OutcomeState, ActionKind> Everything =>
        new(
            from outcome in Enum.GetValues<OutcomeState>()
            from kind in Enum.GetValues<ActionKind>()
            where kind != ActionKind.Look
            select (outcome, kind)
        );

    private static Outcome AnyAnswer(Random random) =>
        new(random.GetItems(Enum.GetValues<OutcomeState>(), 1)[0], "any", "Any.");

    private static Order Carry(Order order, OrderAction action, Weather world)
    {
        order = OrderFlow.Begun(order, action);

        // The server may be stopped here: then the action is found by Next once more.
        return world.Stops ? order : OrderFlow.After(order, action, world.Answer(order, action));
    }

    private static Order Decide(Order order, Random random) =>
        order.CanCancel && random.Next(4) == 0
            ? OrderFlow.CalledOff(order)
            : OrderFlow.Resumed(
                order,
                order.State == OrderState.NeedsPayment
                    ? new OtherPayment(random.GetItems(Rest, 1)[0], "card_new", "0000")
                    : null
            );

    private static Outcome Answer(OrderAction action) =>
        action.Kind is ActionKind.Settle ? new Outcome(OutcomeState.NeverHappened) : Outcome.Done;

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
        OrderFlow.Planned(
            new Order(
                Guid.Parse("7d5a2c54-5b0e-4a42-9f3c-0d9f5a6f1f11"),
                Guid.NewGuid(),
                "A",
                new DateOnly(2026, 12, 1),
                new Contact("Ada Wren", "ada@example.com", "4 Mill Lane", "Hexworth", "HX4 2AB", "GB", null),
                new OrderedThings(
                    [new Payment("host", "Host", Pounds(10)), new Payment("names", "Names", Pounds(8))],
                    new OrderedHosting("host", "Host", "plan", "Plan", DomainName.Parse("ostlerwren.com")),
                    [new OrderedDomain("names", "Names", DomainName.Parse("ostlerwren.com"), 1, true)],
                    [],
                    Pounds(18)
                )
            )
            {
                CardToken = "card_1",
                CardEnding = "1111",
            }
        );

    // Two sellers, the second paid in part from a balance; one domain moved in, one registered.
    private static Order Large(PayWay way)
    {
        var small = New();
        var (register, transfer) = (
            small.Things.Domains[0],
            new OrderedDomain("names", "Names", DomainName.Parse("wren.com"), 1, false)
            {
                Route = DomainRoute.Transfer,
                TransferToken = "move_1",
            }
        );
        OrderedItem Item(OrderedDomain domain, int pounds) =>
            new(
                LineKind.Domain,
                domain.Name!.Text,
                domain.Name.Text,
                "names",
                "Names",
                1,
                12,
                Pounds(pounds),
                null,
                null,
                false
            );
        return OrderFlow.Planned(
            small with
            {
                Things = small.Things with
                {
                    Domains = [register, transfer],
                    Items = [Item(register, 3), Item(transfer, 5)],
                    Payments =
                    [
                        small.Things.Payments[0] with
                        {
                            Way = way,
                        },
                        small.Things.Payments[1] with
                        {
                            Way = way,
                            FromBalance = Pounds(2),
                        },
                    ],
                },
            }
        );
    }

    private sealed class Weather(Random random)
    {
        private readonly Dictionary<string, Outcome> _done = [];

        public bool IsFair { get; set; }

        public Dictionary<(string Book, PayWay Way), Money> Held { get; } = [];

        public Dictionary<(string Book, PayWay Way), Money> Captured { get; } = [];

        public bool IsPrepared { get; private set; }

        public HashSet<string> Delivered { get; } = [];

        public bool Stops => !IsFair && random.Next(6) == 0;

        public Outcome Answer(Order order, OrderAction action)
        {
            if (!IsFair && random.Next(3) == 0)
            {
                if (random.Next(2) == 0)
                {
                    Carry(order, action); // Done, and the answer is lost.
                }

                return Outcome.NoAnswer("storm");
            }

            return Carry(order, action);
        }

        private Outcome Carry(Order order, OrderAction action)
        {
            var key = action.Step.Key + (action.Kind == ActionKind.Undo ? "-undo" : "");
            if (_done.TryGetValue(key, out var before) && before.State != OutcomeState.Pending)
            {
                return before;
            }

            if (action.Kind == ActionKind.Settle)
            {
                _done[key] = new Outcome(OutcomeState.Refused, "void", "Called off.");
                return new Outcome(OutcomeState.NeverHappened);
            }

            return _done[key] = action.Kind == ActionKind.Undo ? Undo(action.Step) : Do(order, action.Step);
        }

        private Outcome Do(Order order, OrderStep step)
        {
            if (!IsFair && random.Next(6) == 0 && step.Kind is not (StepKind.Join or StepKind.Capture))
            {
                return Refused("no");
            }

            return
                !IsFair
                && random.Next(4) == 0
                && step is ({ Kind: StepKind.Hold, Way: not PayWay.Balance } or { Kind: StepKind.Transfer })
                ? Waits(new Pending())
                : Deliver(order, step);
        }

        private Outcome Deliver(Order order, OrderStep step)
        {
            var money = (step.Book, step.Way);
            switch (step.Kind)
            {
                case StepKind.Hold:
                    Held.Add(money, Amount(order, step));
                    break;
                case StepKind.Prepare:
                    IsPrepared = true;
                    break;
                case StepKind.Register or StepKind.Transfer:
                    Delivered.Add(step.Domain!);
                    break;
                case StepKind.Capture:
                    Captured.Add(money, Amount(order, step));
                    break;
                default:
                    break;
            }

            return Prepared;
        }

        private static Money Amount(Order order, OrderStep step) =>
            order.Things.Payments.Single(payment => payment.Book == step.Book).By(step.Way);

        private Outcome Undo(OrderStep step)
        {
            if (step.Kind == StepKind.Hold)
            {
                Held.Remove((step.Book, step.Way));
            }
            else
            {
                IsPrepared = false;
            }

            return Outcome.Done;
        }
    }
}
