using System.Collections.Frozen;
using System.Globalization;

namespace HomeStart.Formats;

/// <summary>Faults as sentences for a person: what is wrong, and how to mend it.</summary>
public static class FaultWords
{
    // {0}, {1} … are the figures of a reason, in the order in which FaultReason names them.
    private static readonly FrozenDictionary<FaultReason, string> Sentences = new Dictionary<FaultReason, string>
    {
        [FaultReason.Said] = "{0}",
        [FaultReason.ThereTwice] = "{0} “{1}” is there twice: keep one of them.",
        [FaultReason.NotAnAmount] = "This is not an amount in {1}. Type it in figures, such as {2}.",
        [FaultReason.AmountTooLarge] = "{0} is more than can be costed: at most {1}.",
        [FaultReason.NoRate] = "Some of this is paid in {0}: say what one {0} is worth in {1}.",
        [FaultReason.CostingTooLarge] =
            "With this many extras, domains, codes and promotions there are {0} steps to work out; at most {1} "
            + "are. Take fewer of them, or leave codes you don’t use out of the price list.",
        [FaultReason.NotPaidLikeThis] =
            "The plan {0} cannot be paid every {1} months with a commitment of {2}: choose one of its ways to pay.",
        [FaultReason.TooManyDomains] = "There are {0} domains; at most {1} can be costed together.",
        [FaultReason.LentWithoutHost] =
            "An address can only be lent by a host: choose hosting as well, or another route.",
        [FaultReason.LaterOutOfRange] = "A domain can be chosen 0 to {0} months from the start; this says {1}.",
        [FaultReason.NoTransfers] = "{0} does not take transfers of .{1} domains.",
        [FaultReason.HasExpired] =
            "The domain expired on {0:yyyy-MM-dd}, before the start date: renew it first, or start earlier.",
        [FaultReason.PaidTooFarAhead] =
            "The domain is paid for more than ten years ahead, which no registry allows: check the date.",
        [FaultReason.YearsOutOfRange] = "This domain can be registered for 1 to {0} years; this says {1}.",
        [FaultReason.ExtraWithoutBook] =
            "“{0}” is an extra for a name bought here: choose a seller for the name first.",
        [FaultReason.QuantityOutOfRange] = "From 1 to {0} can be bought; this says {1}.",
        [FaultReason.NoSuchHostingExtra] = "{0} has no extra “{1}” for hosting.",
        [FaultReason.NoSuchDomainExtra] = "{0} has no extra “{1}” for domains.",
        [FaultReason.NoSuchPlanThere] = "{0} has no plan “{1}”.",
        [FaultReason.NoSuchDataCentre] = "{0} has no data centre “{1}”.",
        [FaultReason.EndingNotSold] = "{0} does not sell the ending .{1}.",
        [FaultReason.NoSuchBook] = "There is no price list “{0}” here.",
        [FaultReason.RowWithoutPlan] = "Row {0} names no plan: say which column holds the plans, or leave the row out.",
        [FaultReason.RowWithoutPrice] = "Row {0}, “{1}”, has no price that was read: say what each column holds.",
        [FaultReason.TableMonthsMissing] = "Say what each price is for: a month, a year or longer.",
        [FaultReason.PageSellerMissing] = "Say who sells.",
        [FaultReason.PageCurrencyMissing] = "Say in which currency the prices are.",
        [FaultReason.PageTaxMissing] = "Say whether the prices include tax.",
        [FaultReason.PageWithoutPlans] = "No plan with a price was found in these words.",
        [FaultReason.PagePlansLeft] = "Take at least one plan.",
        [FaultReason.PagePlanNameless] = "Give the plan a name: the page has none.",
        [FaultReason.PageWaysAlike] = "Two prices of this plan are paid alike, every {0} months: say how each is paid.",
        [FaultReason.PageMonthsMissing] = "Say for how many months the price of {0} holds.",
        [FaultReason.PagePaidMissing] = "Say how the {0} is paid.",
        [FaultReason.PageChangeUnknown] =
            "This value cannot be that. Type an amount such as 9.99, a whole number, or “unlimited”.",
        [FaultReason.RowSaidTwice] = "Row {0} says a second price of “{1}” for bills of {2} months: keep one of them.",
        [FaultReason.CellNotANumber] = "“{0}” is not one number: write it in digits, or “unlimited”.",
        [FaultReason.CellNotEndings] =
            "“{0}” names no endings: write them with commas, such as “com, co.uk”, or leave it empty.",
        [FaultReason.CellNotMonths] = "“{0}” is no number of months: write {1} to {2}.",
        [FaultReason.CellOfOtherCurrency] = "“{0}” is not in {1}, the currency of this table.",
        [FaultReason.MonthsOutOfRange] = "This must be 1 to {0} months; it says {1}.",
        [FaultReason.NoSteps] = "There is no price: give at least one step.",
        [FaultReason.LastStepEnds] = "The last price holds for good: leave its periods out, or add a price after it.",
        [FaultReason.StepWithoutEnd] =
            "Only the last price may go on for good: say for how many periods this one holds, 1 or more.",
        [FaultReason.FirstStepUnstated] = "The first price must be stated.",
        [FaultReason.TooManyEndings] =
            "These endings are sold in {0} places; at most {1} are looked at. Ask for fewer endings.",
        [FaultReason.ScanTooLarge] =
            "There are {0} steps to work out; at most {1} are. Hide some sellers on the shelf, or ask for less.",
        [FaultReason.TooManyWays] =
            "What {0} of {1} lacks can be made good by extras and codes in {2} ways; at most {3} are tried. "
            + "Ask for fewer extras at once.",
        [FaultReason.NameUnseen] =
            "{0} holds a character that cannot be seen, a control or direction mark: type it again without.",
        [FaultReason.CodeLength] = "Type a code of 1 to {0} characters.",
        [FaultReason.TooManyCodes] = "{0} codes are tried already: remove one first.",
        [FaultReason.NoCandidateToCopy] = "There is no candidate {0} to copy.",
        [FaultReason.HeldFull] = "At most {0} names can be held, and this would make {1}: drop some first.",
        [FaultReason.DomainsFull] = "A candidate has at most {0} domains: take one off first.",
        [FaultReason.DomainTwice] = "{0} is on this candidate already.",
        [FaultReason.NoSuchDomain] = "This candidate has no domain {0}.",
        [FaultReason.ShortlistFull] = "The shortlist holds {0}: remove one first.",
        [FaultReason.NameHad] = "{0} is yours already: it came with order {1}. Use the one you have.",
        [FaultReason.NoCandidate] = "There is no candidate {0}.",
        [FaultReason.PlanFirst] = "Choose a plan first.",
        [FaultReason.DomainFirst] = "Choose a domain first.",
        [FaultReason.NoSuchPlan] = "There is no plan “{0}” in the price list “{1}”.",
        [FaultReason.HorizonOutOfRange] = "Count over 1 to {0} months; this says {1}.",
        [FaultReason.StartOutOfRange] = "The start date must lie in the years 1970 to 2200.",
        [FaultReason.RateOutOfRange] = "A rate must be above zero and at most 1000000000.",
        [FaultReason.NoSuchCurrency] = "“{0}” is not the code of a currency, such as USD.",
        [FaultReason.CountryMissing] = "Choose the country.",
        [FaultReason.NotAMailAddress] = "Type a mail address, such as you@example.com: the confirmation goes there.",
        [FaultReason.NotATelephone] =
            "A telephone number has digits, spaces and at most a leading +. It may be left out.",
        [FaultReason.ContactMissing] = "Type {0}.",
        [FaultReason.ContactTooLong] = "At most {0} characters; this has {1}.",
        [FaultReason.ContactNotOneLine] = "This is one line: take the line breaks and tabs out.",
        [FaultReason.NotConnected] =
            "The price list of {0} is your own: it can be compared here, and bought at the seller’s own page.",
        [FaultReason.TooManyRecords] = "There are {1} here; at most {0} are kept.",
        [FaultReason.TooManyFiles] = "There are {1} files; a web space holds at most {0}.",
        [FaultReason.PairsTooMany] =
            "No single difference explains this sum, and there are {0} steps to try two at once; at most {1} "
            + "are. Use a price list with fewer extras, codes or plans.",
        [FaultReason.NoSuchFile] = "There is nothing called “{0}” here any more: somebody removed or renamed it.",
        [FaultReason.UnstatedToday] =
            "Part of what is due today is not stated in the price list, so it can’t be ordered here. Ask the "
            + "seller, or buy it at the seller’s own page.",
    }.ToFrozenDictionary();

    private static readonly FrozenDictionary<string, string> Things = new Dictionary<string, string>
    {
        ["plan"] = "Plan",
        ["data-centre"] = "Data centre",
        ["extra"] = "Extra",
        ["ending"] = "Ending",
        ["promotion"] = "Promotion",
        ["code"] = "Code",
        ["domain"] = "Domain",
        ["book"] = "Price list",
        ["billing-option"] = "Way to pay (months of a bill/of commitment)",
        ["site"] = "A site’s name",
        ["candidate"] = "A candidate’s name",
        ["name"] = "your name",
        ["street"] = "the street and number",
        ["town"] = "the town",
        ["postcode"] = "the postcode",
        ["state"] = "the state or province",
    }.ToFrozenDictionary();

    /// <summary>The sentence of a fault.</summary>
    public static string Of(Fault fault) =>
        fault.Reason switch
        {
            FaultReason.NotADomain => NameWords.Of((DomainFault)fault.Figures[0]!),
            FaultReason.NameLength when fault.Figures is [_, 1, ..] => Filled(
                "{0} has 1 to {2} characters; this has {3}.",
                fault
            ),
            FaultReason.NameLength => Filled("{0} has at most {2} characters; this has {3}.", fault),
            FaultReason.Said => (string)fault.Figures[0]!,
            FaultReason.RecordFlawed => OnlineWords.Of((RecordFlaw)fault.Figures[0]!),
            FaultReason.ReadySetArgument => OnlineWords.OfReadySet((ReadySet)fault.Figures[0]!),
            FaultReason.FileFlawed => OnlineWords.Of((string)fault.Figures[0]!, (FileFlaw)fault.Figures[1]!),
            FaultReason.SpaceFull => $"That would be {OnlineWords.Bytes((long)fault.Figures[0]!)}; at most "
                + $"{OnlineWords.Bytes((long)fault.Figures[1]!)} go in. Leave something out, or take a larger "
                + "plan.",
            FaultReason.PageFlawed => OnlineWords.Of((PageFlaw)fault.Figures[0]!),
            FaultReason.MailboxFlawed => OnlineWords.Of((MailboxFlaw)fault.Figures[0]!, (string)fault.Figures[1]!),
            FaultReason.PlanUsedUp => OnlineWords.Of(
                (PlanLimit)fault.Figures[0]!,
                fault.Figures[1]!,
                fault.Figures[2]!
            ),
            FaultReason.HostedNameFlawed => OnlineWords.Of(
                (HostedNameFlaw)fault.Figures[0]!,
                (string)fault.Figures[1]!
            ),
            FaultReason.EngineFlawed => OnlineWords.Of((EngineFlaw)fault.Figures[0]!),
            _ => Filled(Sentences[fault.Reason], fault),
        };

    /// <summary>Reports what a reader of input found, in its own words.</summary>
    public static void Say(this FaultList faults, string code, string where, string message) =>
        faults.Add(code, where, FaultReason.Said, message);

    private static string Filled(string sentence, Fault fault) =>
        string.Format(
            CultureInfo.InvariantCulture,
            sentence,
            [
                .. fault.Figures.Select(
                    (figure, at) => at == 0 && figure is string word && IsThing(fault.Reason) ? Things[word] : figure
                ),
            ]
        );

    private static bool IsThing(FaultReason reason) =>
        reason
            is FaultReason.ThereTwice
                or FaultReason.NameLength
                or FaultReason.NameUnseen
                or FaultReason.ContactMissing;
}
