namespace HomeStart.Formats.Words;

/// <summary>What is said of a day to remember: the sum, and what happens if nothing is done.</summary>
public static class ReminderWords
{
    /// <param name="name">What the order is for.</param>
    public static (string Subject, string Words) Reminder(Outlook outlook, string name, Foreseen one)
    {
        var (tenure, now) = (outlook.Tenure, outlook.Now);
        return one.Charge is { } charge
            ? Charge(charge, name, tenure)
            : (
                $"{Subject(one.Notice!, now)} ({name})",
                $"{UpkeepWords.Notice(one.Notice!, tenure, now)} {IfNothing(one.Notice!)}".TrimEnd()
            );
    }

    private static (string, string) Charge(Charged charge, string name, Tenure tenure)
    {
        var (book, byCard) = (tenure.Book(charge.Book), new Money(charge.Total - charge.FromBalance, charge.Currency));
        var sum = $"{(charge.IsAtLeast ? "at least " : "")}{MoneyWords.Format(byCard)}";
        var lines = string.Join(
            ", ",
            charge
                .Lines.Where(line => line.Amount != 0)
                .Select(line =>
                    $"{UpkeepWords.Line(line, book)} {MoneyWords.Format(new Money(line.Amount, charge.Currency))}"
                )
        );
        var tax =
            charge.Tax > 0 && !book.Tax.PricesInclude
                ? $", and {MoneyWords.Format(new Money(charge.Tax, charge.Currency))} tax"
                : "";
        return (
            $"{sum} due to {book.Provider.Name} ({name})",
            $"On {UpkeepWords.Day(charge.On)} {book.Provider.Name} takes {sum}: {lines}{tax}. If you do nothing "
                + "it is taken and renews. To stop it, say so on the Upkeep page by that day."
        );
    }

    private static string Subject(Notice notice, UpkeepYears now) =>
        notice.Kind switch
        {
            NoticeKind.Unpaid => "A bill could not be paid",
            NoticeKind.Losing => $"{UpkeepWords.Name(now, notice.Holding!)} is being lost",
            NoticeKind.HolderNotConfirmed => "Confirm your address",
            NoticeKind.GiveBack => "Last day to give the hosting back",
            NoticeKind.ClaimDomain or NoticeKind.Allowance => "Last day to use your domain allowance",
            NoticeKind.CardExpires => "Your card expires",
            NoticeKind.NoCard => "A card is needed",
            NoticeKind.CommitmentEnds => "Your commitment ends",
            NoticeKind.Ends => $"{UpkeepWords.Name(now, notice.Holding!)} ends",
            _ => "A date to remember",
        };

    private static string IfNothing(Notice notice) =>
        notice.Kind switch
        {
            NoticeKind.GiveBack => "If you do nothing you keep it.",
            NoticeKind.CardExpires or NoticeKind.NoCard =>
                "If you do nothing the bill cannot be paid, and you lose what it pays for, step by step.",
            NoticeKind.Ends => "If you do nothing it is not renewed.",
            NoticeKind.CommitmentEnds => "If you do nothing it goes on.",
            _ => "",
        };
}
