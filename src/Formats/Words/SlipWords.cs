namespace HomeStart.Formats.Words;

/// <summary>What to do, and what to ask, at a seller's own page, in words.</summary>
public static class SlipWords
{
    /// <summary>A step as an owner does it.</summary>
    public static string Step(SlipStep step, OfferBook book) =>
        step.Kind switch
        {
            SlipStepKind.Plan => $"Choose the plan {book.Plan(step.Ref)!.Name}.",
            SlipStepKind.WayToPay => $"Choose to pay {DurationWords.Every(step.Option!.EveryMonths)}"
                + $"{(step.Option.CommitMonths > step.Option.EveryMonths ? $", committed for {DurationWords.Span(step.Option.CommitMonths)}" : "")}"
                + $"{Free(step.Option.FreeMonths)}.",
            SlipStepKind.DataCentre => step.Ref is null
                ? "Leave the data centre as it is, or choose one that adds nothing."
                : $"Choose the data centre {book.DataCentre(step.Ref)!.Name}.",
            SlipStepKind.Domain when step.Route == DomainRoute.Transfer =>
                $"Say that you have a domain and want to move it here: {step.Ref}. Have its transfer code ready.",
            SlipStepKind.Domain when step.Route == DomainRoute.Later =>
                $"If the form asks for a domain, skip it: you add {step.Ref} later.",
            SlipStepKind.Domain => $"Register {step.Ref} for {Years(step.Quantity)}"
                + $"{(step.IsIncluded ? ": its first year comes with the plan, so that nothing may stand there for it" : "")}"
                + ".",
            SlipStepKind.DomainElsewhere when step.Route == DomainRoute.Lent =>
                "Say that you have no domain yet, and use the address they lend you.",
            SlipStepKind.DomainElsewhere => $"Say that you have a domain already: {step.Ref}. Buy none here.",
            SlipStepKind.TakeExtra => step.IsIncluded
                ? $"{Extra(step, book)} comes with it: take it, and check that it costs nothing."
                : $"Take {(step.Quantity > 1 ? $"{step.Quantity} × " : "")}{Extra(step, book)}.",
            SlipStepKind.UntickExtra => $"Untick {Extra(step, book)}. It is pre-selected and you don't need it.",
            SlipStepKind.Code =>
                $"Type the code {step.Ref}{(step.ForDomain is null ? "" : $", with {step.ForDomain}")}, and see "
                    + "that the sum changes.",
            SlipStepKind.Renewing =>
                "If it asks about renewing by itself, say yes only if you want to be charged without being asked.",
            _ => throw new ArgumentOutOfRangeException(nameof(step), step.Kind, "There are no words for this."),
        };

    /// <summary>A question to paste into a seller's chat.</summary>
    public static string Question(SlipQuestion question, OfferBook book) =>
        question.Kind switch
        {
            SlipQuestionKind.LaterPrice =>
                $"What does the plan {book.Plan(question.Ref)!.Name} cost when it renews after the first price?",
            SlipQuestionKind.ExtraLater => $"What does {Name(book, question.Ref)} cost later on?",
            SlipQuestionKind.Refund => "Within how many days can I give the hosting back, and what comes back?",
            SlipQuestionKind.Change =>
                "If I change to another plan in between, do I get a credit for what is left of the old one, "
                    + "and at which price do I start?",
            SlipQuestionKind.Renewal => $"What does renewing {question.Ref} cost each year?",
            SlipQuestionKind.Redemption =>
                $"If {question.Ref} is not renewed in time, what does it cost to have it back?",
            SlipQuestionKind.Notice => "How long before a renewal do I have to say that I do not want it?",
            _ => throw new ArgumentOutOfRangeException(nameof(question), question.Kind, "There are no words for this."),
        };

    /// <summary>A line of the bill as it must stand there.</summary>
    public static string Line(SlipLine line, OfferBook book) =>
        line.Kind switch
        {
            LineKind.Plan => book.Plan(line.Ref)?.Name ?? line.Ref,
            LineKind.DataCentre => $"Data centre {book.DataCentre(line.Ref)?.Name ?? line.Ref}",
            LineKind.Setup => "Setting it up, once",
            LineKind.Domain => line.Ref,
            _ => Name(book, line.Ref) + (line.ForDomain is null ? "" : $" for {line.ForDomain}"),
        };

    /// <summary>Why their sum is another, and where to look, before it is paid.</summary>
    public static string Deviation(Deviation deviation, OfferBook book, Candidate candidate, SeenSum seen, Minor total)
    {
        var (what, then) = Parts(deviation, book, candidate, seen, total);
        return what + then;
    }

    /// <summary>Why a sum that was taken is another: what can only be looked at before is left out.</summary>
    public static string DeviationTaken(
        Deviation deviation,
        OfferBook book,
        Candidate candidate,
        SeenSum seen,
        Minor total
    ) => $"{Parts(deviation, book, candidate, seen, total).What}.";

    // What is otherwise, and what to do about it: the end of the sentence, and more.
    private static (string What, string Then) Parts(
        Deviation deviation,
        OfferBook book,
        Candidate candidate,
        SeenSum seen,
        Minor total
    )
    {
        var domain =
            deviation.Domain is { } place && place < candidate.Domains.Length ? candidate.Domains[place].Ref : null;
        return deviation.Kind switch
        {
            DeviationKind.NotStated => (
                "Part of the price is not stated in the price list, so their sum may be right",
                "."
            ),
            DeviationKind.WithoutTax => (
                "They show it without tax",
                $": {MoneyWords.Format(new Money(seen.Total, book.Currency))} becomes more at the end. Look for "
                    + "“excluding VAT”."
            ),
            DeviationKind.TaxAdded => (
                "They add tax on top of prices that hold it already, or that need none",
                ". Ask them why."
            ),
            DeviationKind.AMonth => (
                "It is the sum for a month",
                ": it is charged for the whole time at once. Look for the words “a month”."
            ),
            DeviationKind.ExtraAdded => (
                $"Their sum includes {Name(book, deviation.Ref!)}{For(domain)}",
                ": untick it."
            ),
            DeviationKind.Quantity => (
                $"Their sum is for {deviation.Number} × {Name(book, deviation.Ref!)}",
                ": check the number beside it."
            ),
            DeviationKind.ExtraLeftOut => (
                $"Their sum leaves out {Name(book, deviation.Ref!)}{For(domain)}",
                ": tick it, or check whether it now comes with the plan."
            ),
            DeviationKind.CodeLeftOut => (
                $"The code {deviation.Ref} did not count",
                ": type it again, and see that they say it was taken."
            ),
            DeviationKind.CodeAdded => ($"The code {deviation.Ref} counts there too", ": use it."),
            DeviationKind.CodeInstead => ($"The code {deviation.Ref} counts there in place of yours", "."),
            DeviationKind.PromotionLeftOut => (
                "They take nothing off any more: the offer "
                    + $"“{book.Promotions.FirstOrDefault(known => known.Id == deviation.Ref)?.Source ?? deviation.Ref}"
                    + "” is over",
                "."
            ),
            DeviationKind.PaidOtherwise => (
                $"Their sum is for paying {Way(deviation.Way!.Value)}",
                ": check how often you pay."
            ),
            DeviationKind.OtherPlan => (
                $"Their sum is for the plan {book.Plan(deviation.Ref)?.Name ?? deviation.Ref}",
                ": check which plan is chosen."
            ),
            DeviationKind.Years => (
                $"Their sum is for {domain} over {Years(deviation.Number!.Value)}",
                ": check the number of years."
            ),
            DeviationKind.DomainLeftOut => ($"Their sum leaves out {domain}", ": check that it is in the basket."),
            DeviationKind.IncludedNotGiven => (
                $"They charge {domain}, which should come with the plan",
                ". Ask for it before you pay."
            ),
            DeviationKind.DataCentre => deviation.Ref is null
                ? ("Their sum leaves out the surcharge for the data centre", ".")
                : ($"Their sum includes the data centre {book.DataCentre(deviation.Ref)?.Name ?? deviation.Ref}", "."),
            DeviationKind.SetUpLeftOut => ("They charge nothing for setting it up", "."),
            DeviationKind.LaterPrice => (
                $"They charge the later price{Later(deviation.Ref, book)} from the start: the first price is not given",
                ". Look whether the offer is over, or the code missing."
            ),
            DeviationKind.OtherCustomer => (
                "They treat you as an existing customer, or as a new one: the discount differs",
                "."
            ),
            _ => ($"It comes to {MoneyWords.Format(new Money(total, book.Currency))}", "."),
        };
    }

    private static string Way((int Every, int Commit) way) =>
        DurationWords.Every(way.Every)
        + (way.Commit > way.Every ? $", committed for {DurationWords.Span(way.Commit)}" : "");

    private static string Later(string? what, OfferBook book) =>
        what switch
        {
            null => "",
            "plan" => " of the plan",
            _ when what.StartsWith("addOn:", StringComparison.Ordinal) => $" of {Name(book, what[6..])}",
            _ => $" of a .{what[(what.IndexOf(':', StringComparison.Ordinal) + 1)..]} domain",
        };

    private static string Free(int months) =>
        months switch
        {
            0 => "",
            1 => ", and see that one more month is free",
            _ => $", and see that {months} more months are free",
        };

    private static string For(string? domain) => domain is null ? "" : $" for {domain}";

    private static string Extra(SlipStep step, OfferBook book) => Name(book, step.Ref!) + For(step.ForDomain);

    private static string Name(OfferBook book, string extra) =>
        book.AddOns.FirstOrDefault(known => known.Id == extra)?.Name ?? extra;

    private static string Years(int years) => DurationWords.Span(years * 12);
}
