using HomeStart.Formats.Pages;

namespace HomeStart.Core.Tests;

/// <summary>
/// What an owner mends of a reading: typed, moved to another plan, or placed from an amount that was left over.
/// </summary>
public sealed class ReadingChangesTests
{
    private static PageReading Reading =>
        PageReader.Read(
            PlainPage.Read(
                "Seed\n£3 a month\nbilled yearly, renews at £5 a month\n1 website\n10 GB storage\nset-up "
                    + "£4\n\nOak\n£7 a month\nbilled yearly\n5 websites\n50 GB storage\n\nSite move £49\nPrices "
                    + "exclude VAT."
            )
        );

    [Theory]
    [InlineData("/plans/0/ways/0/price", "£3.49", "3.49")]
    [InlineData("/plans/0/ways/0/price", "1,204.5", "1204.50")]
    [InlineData("/plans/0/ways/0/months", "24", "24")]
    [InlineData("/plans/0/ways/0/freeMonths", "3", "3")]
    [InlineData("/plans/0/ways/0/paid", "monthly-bound", "monthly-bound")]
    [InlineData("/plans/0/ways/0/struck", "6", "6.00")]
    [InlineData("/plans/0/ways/0/later", "9.99 month", "9.99 month")]
    [InlineData("/plans/0/ways/0/later", "same", "same")]
    [InlineData("/plans/0/ways/0/later", null, null)]
    [InlineData("/plans/0/setupFee", null, null)]
    [InlineData("/plans/1/name", "Elm", "Elm")]
    [InlineData("/plans/1/features/storageGB", "unlimited", "unlimited")]
    [InlineData("/plans/1/features/storageGB", "75", "75")]
    [InlineData("/plans/1/features/storageGB", null, null)]
    [InlineData("/plans/1/features/mailboxes", "12", "12")]
    [InlineData("/plans/1/domain", "com, org", "com org")]
    public void A_value_is_what_its_owner_says(string at, string? value, string? is_)
    {
        var faults = new FaultList();
        var mended = ReadingChanges.Apply(Reading, [new ReadingChange(at, value)], faults);
        faults.Any.ShouldBeFalse();
        Value(mended, at).ShouldBe(is_);
        mended.Sources.ShouldNotContain(source => source.At.StartsWith(at, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("/plans/0/ways/0/price", "much")]
    [InlineData("/plans/0/ways/0/price", null)]
    [InlineData("/plans/0/ways/0/months", "0")]
    [InlineData("/plans/0/ways/0/months", "121")]
    [InlineData("/plans/0/ways/0/freeMonths", "25")]
    [InlineData("/plans/0/ways/0/paid", "sometimes")]
    [InlineData("/plans/0/ways/0/later", "9.99 decade")]
    [InlineData("/plans/0/ways/9/price", "3.00")]
    [InlineData("/plans/7/name", "Elm")]
    [InlineData("/plans/0/features/wings", "2")]
    [InlineData("/plans/0/features/storageGB", "-1")]
    [InlineData("/provider", "Larch")]
    [InlineData("/plans/0/ways/99999999999/price", "3.00")]
    public void What_cannot_be_is_a_fault_at_its_place_and_changes_nothing(string at, string? value)
    {
        var faults = new FaultList();
        var reading = Reading;
        var mended = ReadingChanges.Apply(
            reading,
            [new ReadingChange("/plans/0/name", "Sprout"), new ReadingChange(at, value)],
            faults
        );
        faults.Faults.ShouldHaveSingleItem().Where.ShouldBe("changes[1]");
        mended.Plans[0].Name.ShouldBe("Sprout");
        mended.Plans[1].ShouldBe(reading.Plans[1], "the other plan is as it was");
    }

    [Fact]
    public void A_value_moves_to_another_plan_with_its_words()
    {
        var (reading, faults) = (Reading, new FaultList());
        var words = reading.Sources.Single(source => source.At == "/plans/0/setupFee").Words;
        var moved = ReadingChanges.Apply(
            reading,
            [
                new ReadingChange("/plans/0/setupFee", null, ToPlan: 1),
                new ReadingChange("/plans/0/ways/0/later", null, ToPlan: 1),
                new ReadingChange("/plans/0/features/websites", null, ToPlan: 1),
            ],
            faults
        );
        faults.Any.ShouldBeFalse();
        (moved.Plans[0].SetupFee, moved.Plans[1].SetupFee).ShouldBe((null, "4.00"));
        moved.Sources.Single(source => source.At == "/plans/1/setupFee").Words.ShouldBe(words);
        (moved.Plans[0].Ways[0].Later, moved.Plans[1].Ways[0].Later).ShouldBe((null, new ReadLater("5.00", "month")));
        (moved.Plans[0].Features.ContainsKey("websites"), moved.Plans[1].Features["websites"]).ShouldBe((false, 1m));
        ReadingChanges
            .Apply(reading, [new ReadingChange("/plans/0/ways/0/price", null, ToPlan: 1)], faults)
            .ShouldBe(reading);
        faults.Any.ShouldBeTrue();
    }

    [Fact]
    public void An_amount_that_was_left_over_is_placed_and_is_not_left_over_any_more()
    {
        var (reading, faults) = (Reading, new FaultList());
        var left = reading.NotPlaced.First(one =>
            reading.Text[one.Words.From..one.Words.To].Contains("49", StringComparison.Ordinal)
        );
        var placed = ReadingChanges.Apply(
            reading,
            [new ReadingChange("/plans/1/setupFee", null, From: left.Words.From)],
            faults
        );
        faults.Any.ShouldBeFalse();
        placed.Plans[1].SetupFee.ShouldBe("49.00");
        placed.NotPlaced.ShouldNotContain(left);
        placed.Sources.ShouldContain(new ReadSource("/plans/1/setupFee", left.Words));
        ReadingChanges.Apply(reading, [new ReadingChange("/plans/1/setupFee", null, From: 1)], faults);
        faults.Any.ShouldBeTrue("no amount was left over there");
    }

    private static string? Value(PageReading reading, string at)
    {
        var parts = at.Split('/');
        var plan = reading.Plans[int.Parse(parts[2], System.Globalization.CultureInfo.InvariantCulture)];
        var way = plan.Ways[0];
        return parts[^1] switch
        {
            "price" => way.Price,
            "months" => way.Months?.ToString(System.Globalization.CultureInfo.InvariantCulture),
            "freeMonths" => way.FreeMonths.ToString(System.Globalization.CultureInfo.InvariantCulture),
            "paid" => way.Paid,
            "struck" => way.Struck,
            "later" => way.Later switch
            {
                null => null,
                { Price: null } => "same",
                { } later => $"{later.Price} {later.Per}",
            },
            "setupFee" => plan.SetupFee,
            "name" => plan.Name,
            "domain" => plan.Domain is { } domain ? string.Join(' ', domain.Endings) : null,
            var key => plan.Features.TryGetValue(key, out var value)
                ? Convert.ToString(value, System.Globalization.CultureInfo.InvariantCulture)
                : null,
        };
    }
}
