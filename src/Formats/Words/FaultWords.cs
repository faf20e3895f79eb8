using System.Diagnostics;

namespace HomeStart.Formats.Words;

/// <summary>Faults as sentences for a person: what is wrong, and how to mend it.</summary>
public static class FaultWords
{
    /// <summary>The sentence of a fault.</summary>
    public static string Sentence(Fault fault) => Sentence(fault.Reason);

    /// <summary>Reports what a reader of input found, in its own words.</summary>
    public static void Say(this FaultList faults, string code, string where, string message) =>
        faults.Add(code, where, new Said(message));

    private static string Sentence(FaultReason reason) =>
        reason switch
        {
            // Of any input.
            Said(var sentence) => sentence,
            ThereTwice(var what, var id) => $"{Name(what)} “{id}” is there twice: keep one of them.",
            NotAnAmount(_, var currency, var example) =>
                $"This is not an amount in {currency}. Type it in figures, such as {example}.",
            AmountTooLarge(var amount, var most) => $"{amount} is more than can be costed: at most {most}.",
            NoSuchCurrency(var code) => $"“{code}” is not the code of a currency, such as USD.",
            NotAMailAddress => "Type a mail address, such as you@example.com: the confirmation goes there.",

            // Of domains and their records.
            NotADomain(var fault) => NameWords.Sentence(fault),
            YearsOutOfRange(var most, var asked) =>
                $"This domain can be registered for 1 to {most} years; this says {asked}.",
            TooManyRecords(var most, var there) => $"There are {there} here; at most {most} are kept.",
            RecordFlawed(var flaw) => OnlineWords.Sentence(flaw),
            ReadySetArgument(var set) => OnlineWords.Sentence(set),

            // Of offers.
            NotPaidLikeThis(var plan, var every, var commit) =>
                $"The plan {plan} cannot be paid every {every} months with a commitment of {commit}: "
                    + "choose one of its ways to pay.",
            QuantityOutOfRange(var most, var asked) => $"From 1 to {most} can be bought; this says {asked}.",
            NoSteps => "There is no price: give at least one step.",
            LastStepEnds => "The last price holds for good: leave its periods out, or add a price after it.",
            StepWithoutEnd =>
                "Only the last price may go on for good: say for how many periods this one holds, 1 or more.",
            FirstStepUnstated => "The first price must be stated.",

            // Of costings.
            NoSuchBook(var id) => $"There is no price list “{id}” here.",
            NoSuchPlanThere(var provider, var id) => $"{provider} has no plan “{id}”.",
            NoSuchDataCentre(var provider, var id) => $"{provider} has no data centre “{id}”.",
            NoSuchHostingExtra(var provider, var id) => $"{provider} has no extra “{id}” for hosting.",
            NoSuchDomainExtra(var provider, var id) => $"{provider} has no extra “{id}” for domains.",
            EndingNotSold(var provider, var ending) => $"{provider} does not sell the ending .{ending}.",
            NoTransfers(var provider, var ending) => $"{provider} does not take transfers of .{ending} domains.",
            ExtraWithoutBook(var id) =>
                $"“{id}” is an extra for a name bought here: choose a seller for the name first.",
            LentWithoutHost => "An address can only be lent by a host: choose hosting as well, or another route.",
            MonthsOutOfRange(var most, var asked) => $"This must be 1 to {most} months; it says {asked}.",
            LaterOutOfRange(var most, var asked) =>
                $"A domain can be chosen 0 to {most} months from the start; this says {asked}.",
            HasExpired(var on) =>
                $"The domain expired on {on:O}, before the start date: renew it first, or start earlier.",
            PaidTooFarAhead =>
                "The domain is paid for more than ten years ahead, which no registry allows: check the date.",
            TooManyDomains(var there, var most) => $"There are {there} domains; at most {most} can be costed together.",
            CostingTooLarge(var steps, var most) =>
                $"With this many extras, domains, codes and promotions there are {steps} steps to work "
                    + $"out; at most {most} are. Take fewer of them, or leave codes you don’t use out of the "
                    + "price list.",
            NoRate(var currency, var display) =>
                $"Some of this is paid in {currency}: say what one {currency} is worth in {display}.",

            // Of pages and tables that are read.
            PageSellerMissing => "Say who sells.",
            PageCurrencyMissing => "Say in which currency the prices are.",
            PageTaxMissing => "Say whether the prices include tax.",
            PageWithoutPlans => "No plan with a price was found in these words.",
            PagePlansLeft => "Take at least one plan.",
            PagePlanNameless => "Give the plan a name: the page has none.",
            PageWaysAlike(var every) =>
                $"Two prices of this plan are paid alike, every {every} months: say how each is paid.",
            PageMonthsMissing(var price) => $"Say for how many months the price of {price} holds.",
            PagePaidMissing(var price) => $"Say how the {price} is paid.",
            PageChangeUnknown =>
                "This value cannot be that. Type an amount such as 9.99, a whole number, or “unlimited”.",
            RowWithoutPlan(var row) =>
                $"Row {row} names no plan: say which column holds the plans, or leave the row out.",
            RowWithoutPrice(var row, var plan) =>
                $"Row {row}, “{plan}”, has no price that was read: say what each column holds.",
            RowSaidTwice(var row, var plan, var every) =>
                $"Row {row} says a second price of “{plan}” for bills of {every} months: keep one of them.",
            TableMonthsMissing => "Say what each price is for: a month, a year or longer.",
            CellNotANumber(var cell) => $"“{cell}” is not one number: write it in digits, or “unlimited”.",
            CellNotEndings(var cell) =>
                $"“{cell}” names no endings: write them with commas, such as “com, co.uk”, or leave it empty.",
            CellNotMonths(var cell, var least, var most) =>
                $"“{cell}” is no number of months: write {least} to {most}.",
            CellOfOtherCurrency(var cell, var currency) =>
                $"“{cell}” is not in {currency}, the currency of this table.",

            // Of scans.
            TooManyEndings(var places, var most) =>
                $"These endings are sold in {places} places; at most {most} are looked at. Ask for fewer endings.",
            ScanTooLarge(var steps, var most) =>
                $"There are {steps} steps to work out; at most {most} are. Hide some sellers on the "
                    + "shelf, or ask for less.",
            TooManyWays(var plan, var provider, var ways, var most) =>
                $"What {plan} of {provider} lacks can be made good by extras and codes in {ways} ways; at "
                    + $"most {most} are tried. Ask for fewer extras at once.",

            // Of sites and candidates.
            NameLength(var what, 1, var most, var typed) =>
                $"{Name(what)} has 1 to {most} characters; this has {typed}.",
            NameLength(var what, _, var most, var typed) =>
                $"{Name(what)} has at most {most} characters; this has {typed}.",
            NameUnseen(var what) =>
                $"{Name(what)} holds a character that cannot be seen, a control or direction mark: type "
                    + "it again without.",
            CodeLength(var most) => $"Type a code of 1 to {most} characters.",
            TooManyCodes(var most) => $"{most} codes are tried already: remove one first.",
            NoCandidateToCopy(var letter) => $"There is no candidate {letter} to copy.",
            NoCandidate(var letter) => $"There is no candidate {letter}.",
            ShortlistFull(var most) => $"The shortlist holds {most}: remove one first.",
            PlanFirst => "Choose a plan first.",
            DomainFirst => "Choose a domain first.",
            NoSuchPlan(var plan, var book) => $"There is no plan “{plan}” in the price list “{book}”.",
            HeldFull(var most, var would) =>
                $"At most {most} names can be held, and this would make {would}: drop some first.",
            DomainsFull(var most) => $"A candidate has at most {most} domains: take one off first.",
            DomainTwice(var domain) => $"{domain} is on this candidate already.",
            NoSuchDomain(var domain) => $"This candidate has no domain {domain}.",
            HorizonOutOfRange(var most, var asked) => $"Count over 1 to {most} months; this says {asked}.",
            StartOutOfRange => "The start date must lie in the years 1970 to 2200.",
            RateOutOfRange => "A rate must be above zero and at most 1000000000.",

            // Of orders.
            CountryMissing => "Choose the country.",
            NotATelephone => "A telephone number has digits, spaces and at most a leading +. It may be left out.",
            ContactMissing(var field) => $"Type {ContactField(field)}.",
            ContactTooLong(var most, var typed) => $"At most {most} characters; this has {typed}.",
            ContactNotOneLine => "This is one line: take the line breaks and tabs out.",
            NotConnected(var provider) =>
                $"{provider} can’t be ordered from here: compare it here, and buy it at the seller’s own page.",
            UnstatedToday => "Part of what is due today is not stated in the price list, so it can’t be ordered here. "
                + "Ask the seller, or buy it at the seller’s own page.",
            NameIsYours(var domain, var order) =>
                $"{domain} is yours already: it came with order {order}. Use the one you have.",

            // Of what is online.
            FileFlawed(var path, var flaw) => OnlineWords.Sentence(path, flaw),
            SpaceFull(var would, var most) =>
                $"That would be {OnlineWords.Bytes(would)}; at most {OnlineWords.Bytes(most)} go in. "
                    + "Leave something out, or take a larger plan.",
            TooManyFiles(var most, var there) => $"There are {there} files; a web space holds at most {most}.",
            NoSuchFile(var path) => $"There is nothing called “{path}” here any more: somebody removed or renamed it.",
            PageFlawed(var flaw) => OnlineWords.Sentence(flaw),
            MailboxFlawed(var flaw, var address) => OnlineWords.Sentence(flaw, address),
            PlanUsedUp(var limit, var would, var most) => OnlineWords.Sentence(limit, would, most),
            HostedNameFlawed(var flaw, var name) => OnlineWords.Sentence(flaw, name),
            EngineFlawed(var flaw) => OnlineWords.Sentence(flaw),

            // Of reconciling.
            PairsTooMany(var steps, var most) =>
                $"No single difference explains this sum, and there are {steps} steps to try two at once; "
                    + $"at most {most} are. Use a price list with fewer extras, codes or plans.",

            _ => throw new UnreachableException($"{reason.GetType().Name} has no sentence."),
        };

    private static string Name(Listed what) =>
        what switch
        {
            Listed.Book => "Price list",
            Listed.Plan => "Plan",
            Listed.BillingOption => "Way to pay (months of a bill/of commitment)",
            Listed.DataCentre => "Data centre",
            Listed.Extra => "Extra",
            Listed.Ending => "Ending",
            Listed.Promotion => "Promotion",
            Listed.Code => "Code",
            Listed.Domain => "Domain",
        };

    private static string Name(Named what) =>
        what switch
        {
            Named.Site => "A site’s name",
            Named.Candidate => "A candidate’s name",
        };

    private static string ContactField(string field) =>
        field switch
        {
            "name" => "your name",
            "street" => "the street and number",
            "town" => "the town",
            "postcode" => "the postcode",
            "state" => "the state or province",
            _ => throw new UnreachableException($"No words for the field {field}."),
        };
}
