using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using HomeStart.Formats.Upkeep;

namespace HomeStart.Core.Tests;

/// <summary>
/// Days that are carried out one act at a time end as the calculation has them, whatever the card processor says and
/// wherever it breaks off.
/// </summary>
public class DayKeeperTests
{
    [Fact]
    public void However_days_pass_the_day_book_is_what_the_calculation_says_and_so_is_what_was_taken() =>
        Gen.Select(UpkeepProperties.Years, Gen.Int[0, int.MaxValue])
            .Sample(
                (json, seed) =>
                {
                    if (Opened(json) is not var (tenure, request, book))
                    {
                        return;
                    }

                    var (world, random) = (new World(new Random(seed)), new Random(seed));
                    foreach (var decision in request.Decisions.Where(decision => decision is not SetCard))
                    {
                        book = book.With(decision);
                    }

                    var today = tenure.Start;
                    while (today < request.Until)
                    {
                        today =
                            today.AddDays(random.Next(1, 200)) is var next && next < request.Until
                                ? next
                                : request.Until;
                        book = world.Play(tenure, book, today);
                    }

                    AnEarlierReleasesDayBookIsGoneOnFrom(tenure, book);
                    var years = tenure.ToMorning(today, book.Made);
                    UpkeepProperties.Told(book.Lines).ShouldBe(UpkeepProperties.Told(years.Happened));
                    book.Planned.ShouldAllBe(decision => decision.On > today);
                    foreach (var paid in years.Paid)
                    {
                        var atOrder = years
                            .Happened.OfType<Charged>()
                            .Where(charged => charged.On == tenure.Start && charged.Currency == paid.Currency)
                            .Aggregate((Minor)0, (sum, charged) => sum + charged.Total);
                        (atOrder + world.Taken.GetValueOrDefault(paid.Currency)).ShouldBe(paid.Units);
                    }

                    foreach (var (id, balance) in years.Balances)
                    {
                        world.Balances.GetValueOrDefault(id).ShouldBe(balance.Units, id);
                    }

                    foreach (var held in years.Holdings.Where(held => world.Told.ContainsKey(held.Holding)))
                    {
                        (
                            world.Told[held.Holding].State,
                            world.Told[held.Holding].PaidUntil,
                            world.Told[held.Holding].Ref
                        ).ShouldBe((held.State, held.PaidUntil, held.Ref));
                    }
                },
                iter: 200
            );

    // Its state and the places of what was decided are worked out again, and nothing is found to differ.
    private static void AnEarlierReleasesDayBookIsGoneOnFrom(Tenure tenure, DayBook book)
    {
        var restored = DayKeeper.Restored(tenure, book with { State = null, ByDecision = [] });
        restored.DiffersFrom.ShouldBeNull();
        restored.ByDecision.ShouldBe(book.ByDecision);
        var day = new[] { restored.State!.Day, book.State!.Day }.Max();
        Text(tenure.Through(restored.State, day, []).State).ShouldBe(Text(tenure.Through(book.State, day, []).State));
        restored.Lines.ShouldBe(book.Lines);
    }

    private static string Text(UpkeepState state) => JsonSerializer.Serialize(state);

    [Fact]
    public void What_an_earlier_release_carried_out_otherwise_stays_and_is_told()
    {
        var (tenure, _, opened) = Opened(UpkeepByHand.Ask(UpkeepByHand.Market(), "2030-01-01"))!.Value;
        var book = SameFigures.Kept(tenure, opened, new DateOnly(2029, 2, 1));
        var charged = book.Lines.OfType<Charged>().First(line => line.On == new DateOnly(2028, 1, 1));
        var otherwise = charged with { Total = charged.Total + 1 };
        var kept = book with { State = null, Lines = book.Lines.Replace(charged, otherwise) };
        var restored = DayKeeper.Restored(tenure, kept);
        restored.DiffersFrom.ShouldBe(charged.On);
        restored.Lines.ShouldBe(kept.Lines);
        DayKeeper
            .Restored(tenure, kept with { Lines = kept.Lines.RemoveAt(kept.Lines.Length - 1) })
            .DiffersFrom.ShouldBe(charged.On);
        DayKeeper
            .Restored(tenure, book with { State = null, Lines = book.Lines.RemoveAt(book.Lines.Length - 1) })
            .DiffersFrom.ShouldBe(book.Lines[^1].On);
        // It has its state.
        DayKeeper.Restored(tenure, restored with { DiffersFrom = null }).DiffersFrom.ShouldBeNull();
    }

    [Fact]
    public void A_moment_that_an_earlier_release_began_is_ended()
    {
        var (tenure, _, opened) = Opened(UpkeepByHand.Ask(UpkeepByHand.Market(), "2030-01-01"))!.Value;
        var begun = DayKeeper.MarkStarted(tenure, opened, new DateOnly(2028, 1, 2));
        var paid = DayKeeper.NextAct(tenure, begun).ShouldBeOfType<TryCharge>().Expected.Paid;
        var kept = paid with { State = null, UnderWay = paid.UnderWay! with { Step = null } };
        var restored = DayKeeper.Restored(tenure, kept);
        DayKeeper.NextAct(tenure, restored).ShouldBe(DayKeeper.NextAct(tenure, paid));
        Text(DayKeeper.Finished(restored).State!).ShouldBe(Text(DayKeeper.Finished(paid).State!));
    }

    [Fact]
    public void Nothing_is_waited_for_that_is_not_to_come_and_nothing_comes_that_was_not_waited_for()
    {
        var (tenure, _, book) = Opened(UpkeepByHand.Ask(UpkeepByHand.Market(), "2030-01-01"))!.Value;
        DayKeeper.WaitsFor(tenure, book, []).ShouldBe(new DateOnly(2028, 1, 2)); // When 1 January is over.
        // 31 January is the last day to give it back.
        DayKeeper.WaitsFor(tenure, book, [60, 7]).ShouldBe(new DateOnly(2027, 1, 24));
        DayKeeper
            .WaitsFor(tenure, book.With(new Leave(new DateOnly(2027, 1, 10))), [7])
            .ShouldBe(new DateOnly(2027, 1, 10));
        DayKeeper.MarkStarted(tenure, book, new DateOnly(2028, 1, 1)).UnderWay.ShouldBeNull();
        DayKeeper
            .MarkStarted(tenure, book, new DateOnly(2028, 1, 2))
            .UnderWay.ShouldNotBeNull()
            .Day.ShouldBe(new DateOnly(2028, 1, 1));
        var over = book with { ClosedTo = tenure.Last, RemindedTo = tenure.Last };
        DayKeeper.WaitsFor(tenure, over, [60]).ShouldBeNull();
    }

    [Fact]
    public void A_card_that_pays_one_bill_of_a_day_and_not_the_next_holds_the_day_up_until_it_pays()
    {
        var (tenure, _, book) = Opened(UpkeepByHand.Ask(TwoSellers(), "2030-01-01"))!.Value;
        book = DayKeeper.MarkStarted(tenure, book, new DateOnly(2028, 1, 2));
        book = DayKeeper.NextAct(tenure, book).ShouldBeOfType<TryCharge>().Expected.Paid;
        var second = DayKeeper.NextAct(tenure, book).ShouldBeOfType<TryCharge>();
        var held = second.Expected.Refused;
        held.Lines.Length.ShouldBe(book.Lines.Length);
        held.Problem.ShouldNotBeNull().Message.ShouldContain("another card");
        var again = DayKeeper.NextAct(tenure, held).ShouldBeOfType<TryCharge>();
        again.Key.ShouldNotBe(second.Key); // Under the old one the refusal would be said again.
        again.Amount.ShouldBe(second.Amount);
        again.Expected.Paid.Lines.Length.ShouldBe(book.Lines.Length + 1);
    }

    [Fact]
    public void Decisions_stand_by_their_day_and_those_that_wait_can_be_taken_back()
    {
        var book = new DayBook(Guid.Empty, new DateOnly(2027, 1, 1), Guid.Empty)
            .With(new Leave(new DateOnly(2027, 5, 1)))
            .With(new SetCard(new DateOnly(2027, 3, 1), Works: false))
            .With(new DropExtra(new DateOnly(2027, 3, 1), "backup"));
        book.Decisions.Select(decision => decision.Do).ShouldBe(["card", "drop", "leave"]);
        var begun = book with { Decided = 1 };
        begun
            .With(new AddExtra(new DateOnly(2027, 2, 1), "tour", 1))
            .Planned.Select(decision => decision.Do)
            .ShouldBe(["add", "drop", "leave"]); // What was carried out stays first.
        begun.Without(1).Decisions.Select(decision => decision.Do).ShouldBe(["card", "drop"]);
        begun.Without(2).ShouldBe(begun);
        begun.Without(-1).ShouldBe(begun);
    }

    internal static (Tenure Tenure, UpkeepRequest Request, DayBook Book)? Opened(JsonObject json)
    {
        var faults = new FaultList();
        if (
            UpkeepRequestReader.Read(json.Deserialize<JsonElement>(), [], faults) is not { Costing: var asked } request
            || !Tenure.Begin(asked.Candidate, asked.Books, asked.Settings, faults).Has(out var tenure)
        )
        {
            return null;
        }

        return (tenure, request, DayKeeper.Opened(tenure, Guid.Empty, Guid.Empty, new PaidBy("card", "0004")));
    }

    // The domain is had from another seller than the hosting, and both fall due on one day.
    internal static JsonObject TwoSellers()
    {
        var market = UpkeepByHand.Market();
        var names = market["books"]![0]!.DeepClone().AsObject();
        (names["id"], names["plans"], names["addOns"]) = ("names", new JsonArray(), new JsonArray());
        names["provider"] = new JsonObject { ["name"] = "Names" };
        market["books"]!.AsArray().Add(names);
        market["candidate"]!["domains"]![0]!["book"] = "names";
        return market;
    }

    /// <summary>
    /// Counterparts that keep to their keys, with a card that works on some days and not on others; and a server that
    /// now and then forgets what it did last.
    /// </summary>
    private sealed class World(Random random)
    {
        private readonly Dictionary<string, (string Act, bool IsDone)> _answers = [];
        private readonly Dictionary<DateOnly, bool> _works = [];
        private bool _last = true;

        public Dictionary<Currency, Minor> Taken { get; } = [];

        public Dictionary<string, Minor> Balances { get; } = [];

        public Dictionary<string, HoldingAtEnd> Told { get; } = [];

        public DayBook Play(Tenure tenure, DayBook book, DateOnly today)
        {
            for (var steps = 0; ; steps++)
            {
                steps.ShouldBeLessThan(20_000);
                book = DayKeeper.MarkStarted(tenure, book, today);
                if (book.UnderWay is not { } under)
                {
                    return book with
                    {
                        ClosedTo = today.AddDays(-1) > book.ClosedTo ? today.AddDays(-1) : book.ClosedTo,
                    };
                }

                var act = DayKeeper.NextAct(tenure, book);
                var after = act switch
                {
                    null => DayKeeper.Finished(book),
                    NoteDown => DayKeeper.Done(book),
                    _ => Answered(tenure, book, act, under.Day),
                };
                // The journal only grows.
                after.Lines.Length.ShouldBeInRange(book.Lines.Length, book.Lines.Length + 1);
                after.Lines.AsSpan()[..book.Lines.Length].SequenceEqual(book.Lines.AsSpan()).ShouldBeTrue();

                // Stopped before the answer was recorded: it is asked for again.
                book = random.Next(5) == 0 && act is not null ? book : after;
            }
        }

        private DayBook Answered(Tenure tenure, DayBook book, Act act, DateOnly day)
        {
            var words = act is TryCharge said ? $"{said.Book} {said.Amount}" : act.ToString();
            if (!_answers.TryGetValue(act.Key, out var known))
            {
                _answers.Add(act.Key, known = (words, act is not TryCharge || Works(day)));
                if (known.IsDone)
                {
                    Do(act);
                }
            }

            known.Act.ShouldBe(words, "two acts have one key");
            return act is TryCharge charge
                ? known.IsDone
                    ? charge.Expected.Paid
                    : charge.Expected.Refused
                : DayKeeper.Done(book);
        }

        private void Do(Act act)
        {
            switch (act)
            {
                case TryCharge charge:
                    charge.Amount.Units.ShouldBeGreaterThan(0);
                    Taken[charge.Amount.Currency] =
                        Taken.GetValueOrDefault(charge.Amount.Currency) + charge.Amount.Units;
                    break;
                case GiveMoneyBack back:
                    Taken[back.Amount.Currency] = Taken.GetValueOrDefault(back.Amount.Currency) - back.Amount.Units;
                    break;
                case MoveBalance move:
                    Balances[move.Book] = Balances.GetValueOrDefault(move.Book) + move.By.Units;
                    break;
                case TellStanding standing:
                    Told[standing.Held.Holding] = standing.Held;
                    break;
            }
        }

        // A card that works, or not, stays so for a while, and for the whole of a day.
        private bool Works(DateOnly day)
        {
            if (!_works.TryGetValue(day, out var works))
            {
                _works[day] = _last = works = random.Next(4) == 0 ? !_last : _last;
            }

            return works;
        }
    }
}
