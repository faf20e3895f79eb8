using HomeStart.Formats.Words;

namespace HomeStart.Formats.Letters;

/// <summary>What an owner is written after the order: that something is to come, and what happened.</summary>
public static class UpkeepLetters
{
    /// <param name="days">How many days before it is written.</param>
    /// <param name="stayOrMove">Where it is worked out whether moving would cost less.</param>
    public static Letter Reminder(
        Outlook outlook,
        Order order,
        string name,
        Foreseen one,
        int days,
        Guid id,
        Uri page,
        Uri stayOrMove
    )
    {
        var (subject, words) = ReminderWords.Reminder(outlook, name, one);
        var mayMove =
            days > StayOrMove.MovingDays && one.Charge?.Lines.Any(line => line.Kind == UpkeepLineKind.Plan) == true;
        return Letter(
            id,
            order,
            $"In {(days == 1 ? "one day" : $"{days} days")}: {subject}",
            mayMove
                ? $"{words} There is still time to move: see what staying costs against the best of everything else."
                : words,
            mayMove ? "Stay or move?" : "Look at it, and decide",
            mayMove ? stayOrMove : page
        );
    }

    /// <summary>Null: it is nothing to write about.</summary>
    public static Letter? News(Happening happening, Tenure tenure, UpkeepYears now, Order order, Guid id, Uri page) =>
        order.There is not null && happening is Charged { On: var on } charged && charged.Total > charged.FromBalance
            ? Letter(
                id,
                order,
                $"Was it taken? {UpkeepWords.Seller(tenure, charged.Book)}, {UpkeepWords.Day(on)}",
                ChargeWords.Asking(charged, tenure),
                "Say yes or no",
                page
            )
        : Subject(happening, now) is { } subject
            ? Letter(
                id,
                order,
                subject,
                UpkeepWords.Happening(happening, tenure, now),
                happening is Failed or StateChanged ? "See what can be done" : "Look at the day book",
                page
            )
        : null;

    private static string? Subject(Happening happening, UpkeepYears now) =>
        happening switch
        {
            Charged { Total: var total } when total > 0 => "A bill was paid",
            Failed { Attempt: 1 } => "A bill could not be paid",
            Failed { Attempt: 4 } => "A bill was given up: what it is for is being lost",
            Failed => "A bill could not be paid again",
            StateChanged { State: HoldingState.Live } changed =>
                $"{UpkeepWords.Name(now, changed.Holding)} is yours and running",
            StateChanged { State: HoldingState.Left } => "What you gave back",
            StateChanged changed => $"{UpkeepWords.Name(now, changed.Holding)} is being lost",
            Refunded => "Your money came back",
            Credited => "You have a balance",
            _ => null,
        };

    private static Letter Letter(Guid id, Order order, string subject, string words, string link, Uri page)
    {
        var letter = new LetterText()
            .Paragraph($"Dear {order.Contact.Name.Trim()},")
            .Paragraph(words)
            .Facts([("Reference", order.Reference)])
            .Link(link, page)
            .Paragraph("Home Start");
        return new Letter(id, order.Contact.Mail, $"{subject} ({order.Reference})", letter.Text, letter.Html);
    }
}
