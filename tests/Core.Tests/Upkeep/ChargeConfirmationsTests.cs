using CsCheck;

namespace HomeStart.Core.Tests;

/// <summary>
/// Of what was bought at the sellers' own pages only its owner knows what was taken: the day book follows what they
/// say.
/// </summary>
public class ChargeConfirmationsTests
{
    private static readonly DateOnly Renewal = new(2028, 1, 1);

    [Fact]
    public void Nothing_is_asked_of_anybody_and_each_charge_after_the_order_is_asked_about()
    {
        var (tenure, book) = There();
        book = Play(tenure, book, new DateOnly(2029, 1, 2));
        ChargeConfirmations
            .Open(tenure, book)
            .Select(movement => (movement.On, movement.Sum.Units))
            .ShouldBe([(Renewal, (Minor)26000), (new DateOnly(2029, 1, 1), 26000)]);
        var first = ChargeConfirmations.Open(tenure, book).First();
        ChargeConfirmations
            .Open(tenure, ChargeConfirmations.Seen(book, new SeenMovement(first.Line, first.Sum)))
            .ShouldHaveSingleItem()
            .On.ShouldBe(new DateOnly(2029, 1, 1));
        // The card processor knows.
        ChargeConfirmations.Open(tenure, book with { Payer = new PaidBy("card", "0004") }).ShouldBeEmpty();
    }

    [Fact]
    public void What_was_not_taken_is_missed_from_that_day_on_and_is_not_written_about_again()
    {
        var (tenure, book) = There();
        book = Play(tenure, book, new DateOnly(2028, 1, 20));
        var told = ChargeConfirmations.NotTaken(tenure, book, Movement.ListAll(book)[^1]);
        (told.ClosedTo, told.Lines.Length, told.NotifiedThrough).ShouldBe(
            (new DateOnly(2027, 12, 31), 1, new DateOnly(2028, 1, 19))
        );
        var after = Play(tenure, told, new DateOnly(2028, 1, 20));
        after.Lines.OfType<Failed>().Select(failed => failed.Attempt).ShouldBe([1, 2, 3, 4]);
        after.Lines.OfType<Charged>().ShouldHaveSingleItem();
        ChargeConfirmations.Open(tenure, after).ShouldBeEmpty();
    }

    [Fact]
    public void What_was_paid_on_the_day_is_held_against_what_was_due_in_its_own_book_and_currency()
    {
        var (tenure, book) = There();
        book = ChargeConfirmations.Paid(
            book,
            [("host", new Money(13050, Currency.Get("GBP"))), ("nobody", new Money(1, Currency.Get("GBP")))],
            tenure.Start
        );
        var movement = Movement.ListAll(book).ShouldHaveSingleItem();
        (movement.Over!.Value.Units, movement.Seen!.Total.Units).ShouldBe(((Minor)50, (Minor)13050));
        Movement
            .ListAll(ChargeConfirmations.Paid(book, [("host", new Money(13000, Currency.Get("USD")))], tenure.Start))[0]
            .Seen!.Total.Units.ShouldBe(13050);
        ChargeConfirmations.Open(tenure, book).ShouldBeEmpty();
    }

    [Fact]
    public void Only_what_fell_due_may_not_have_been_taken_and_not_what_the_owner_did_there()
    {
        var (tenure, book) = There();
        book = Play(
            tenure,
            book.With(new ChangePlan(new DateOnly(2027, 7, 1), "big", 12, 12)),
            new DateOnly(2028, 7, 2)
        );
        var movements = Movement.ListAll(book);
        movements
            .Select(movement => (movement.On, ChargeConfirmations.MayHaveFailed(tenure, book, movement)))
            .ShouldBe([
                (tenure.Start, false),
                (new DateOnly(2027, 7, 1), false),
                (Renewal, true),
                (new DateOnly(2028, 7, 1), true),
            ]);
        var elsewhere = book with { Payer = new PaidBy("card", "0004") };
        movements.ShouldAllBe(movement => !ChargeConfirmations.MayHaveFailed(tenure, elsewhere, movement));
    }

    [Fact]
    public void Money_that_came_back_is_below_zero_and_too_little_of_it_is_too_much_taken()
    {
        var (tenure, book) = There();
        book = Play(tenure, book.With(new Leave(new DateOnly(2027, 1, 31))), new DateOnly(2027, 2, 2));
        var back = Movement.ListAll(book)[^1];
        (back.Charged, back.Sum.Units, ChargeConfirmations.MayHaveFailed(tenure, book, back)).ShouldBe(
            (null, (Minor)(-12000), false)
        );
        Movement
            .ListAll(ChargeConfirmations.Seen(book, new SeenMovement(back.Line, new Money(-10000, back.Sum.Currency))))[
                ^1
            ]
            .Over!.Value.Units.ShouldBe(2000);
    }

    [Fact]
    public void Whatever_the_owner_says_the_day_book_is_what_the_calculation_makes_of_it() =>
        Gen.Select(UpkeepProperties.Years, Gen.Int[0, int.MaxValue])
            .Sample(
                (json, seed) =>
                {
                    if (DayKeeperTests.Opened(json) is not var (tenure, request, opened))
                    {
                        return;
                    }

                    var random = new Random(seed);
                    var book = request
                        .Decisions.Where(decision => decision is not SetCard)
                        .Aggregate(
                            DayKeeper.OpenedThere(tenure, opened.OrderId, opened.Secret, null, tenure.Start),
                            (with, decision) => with.With(decision)
                        );
                    var missed = new List<(string Book, DateOnly On)>();
                    for (var today = tenure.Start; today < request.Until; )
                    {
                        today =
                            today.AddDays(random.Next(1, 200)) is var next && next < request.Until
                                ? next
                                : request.Until;
                        book = Play(tenure, book, today);
                        foreach (var movement in ChargeConfirmations.Open(tenure, book).ToList())
                        {
                            // An answer of "no" makes the rest pass anew: what is asked after that is another question.
                            if (random.Next(4) == 0 && ChargeConfirmations.MayHaveFailed(tenure, book, movement))
                            {
                                missed.Add((movement.Book, movement.On));
                                book = Play(tenure, ChargeConfirmations.NotTaken(tenure, book, movement), today);
                                break;
                            }

                            book = ChargeConfirmations.Seen(book, new SeenMovement(movement.Line, movement.Sum));
                        }

                        UpkeepProperties
                            .Told(book.Lines)
                            .ShouldBe(UpkeepProperties.Told(tenure.ToMorning(today, book.Made).Happened));
                        book.Planned.ShouldAllBe(decision => decision.On > today);
                        book.Seen.ShouldAllBe(seen => seen.Line < book.Lines.Length);
                    }

                    foreach (var (seller, on) in missed)
                    {
                        Movement
                            .ListAll(book)
                            .ShouldNotContain(movement =>
                                movement.Book == seller
                                && movement.Due == on
                                && movement.On == on
                                && ChargeConfirmations.MayHaveFailed(tenure, book, movement)
                            );
                    }
                },
                iter: 150
            );

    internal static (Tenure Tenure, DayBook Book) There()
    {
        var (tenure, _, opened) = DayKeeperTests.Opened(UpkeepByHand.Ask(UpkeepByHand.Market(), "2030-01-01"))!.Value;
        return (tenure, DayKeeper.OpenedThere(tenure, opened.OrderId, opened.Secret, null, tenure.Start));
    }

    internal static DayBook Play(Tenure tenure, DayBook book, DateOnly today)
    {
        while ((book = DayKeeper.MarkStarted(tenure, book, today)).UnderWay is not null)
        {
            book = DayKeeper.NextAct(tenure, book) switch
            {
                null => DayKeeper.Finished(book),
                NoteDown => DayKeeper.Done(book),
                var act => throw new InvalidOperationException($"{act} is asked of somebody."),
            };
        }

        return book with
        {
            ClosedTo = today.AddDays(-1) > book.ClosedTo ? today.AddDays(-1) : book.ClosedTo,
        };
    }
}
