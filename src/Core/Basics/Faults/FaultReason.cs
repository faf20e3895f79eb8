namespace HomeStart.Core.Basics;

/// <summary>
/// Why something is at fault, for whoever puts it into words: Core says the reason and the figures that belong to it,
/// in the order given here. The sentences are in Formats.
/// </summary>
public enum FaultReason
{
    /// <summary>Found by whoever read the input, who says it in a sentence: that is the only figure.</summary>
    Said,

    /// <summary>What of (a word such as "plan"), the id.</summary>
    ThereTwice,

    /// <summary>The text, the currency, an example of an amount.</summary>
    NotAnAmount,

    /// <summary>The amount, the most that can be counted.</summary>
    AmountTooLarge,

    /// <summary>The currency, the display currency.</summary>
    NoRate,

    /// <summary>Steps of work, the most.</summary>
    CostingTooLarge,

    /// <summary>The plan, months of a bill, months of commitment.</summary>
    NotPaidLikeThis,

    /// <summary>How many there are, the most.</summary>
    TooManyDomains,

    /// <summary>None.</summary>
    LentWithoutHost,

    /// <summary>The most months, those asked.</summary>
    LaterOutOfRange,

    /// <summary>The provider, the ending.</summary>
    NoTransfers,

    /// <summary>A <see cref="Fault"/> of a name, as the room of domains has it.</summary>
    NotADomain,

    /// <summary>The day.</summary>
    HasExpired,

    /// <summary>None.</summary>
    PaidTooFarAhead,

    /// <summary>The most years, those asked.</summary>
    YearsOutOfRange,

    /// <summary>The extra's id.</summary>
    ExtraWithoutBook,

    /// <summary>The most, the number asked.</summary>
    QuantityOutOfRange,

    /// <summary>The provider, the extra's id.</summary>
    NoSuchHostingExtra,

    /// <summary>The provider, the extra's id.</summary>
    NoSuchDomainExtra,

    /// <summary>The provider, the plan's id.</summary>
    NoSuchPlanThere,

    /// <summary>The provider, the data centre's id.</summary>
    NoSuchDataCentre,

    /// <summary>The provider, the ending.</summary>
    EndingNotSold,

    /// <summary>The book's id.</summary>
    NoSuchBook,

    /// <summary>The most months, those asked.</summary>
    MonthsOutOfRange,

    /// <summary>None.</summary>
    NoSteps,

    /// <summary>None.</summary>
    LastStepEnds,

    /// <summary>None.</summary>
    StepWithoutEnd,

    /// <summary>None.</summary>
    FirstStepUnstated,

    /// <summary>Places, the most.</summary>
    TooManyEndings,

    /// <summary>Steps of work, the most.</summary>
    ScanTooLarge,

    /// <summary>The plan, the provider, ways, the most.</summary>
    TooManyWays,

    /// <summary>Whose (site or candidate), the least and most characters, those typed.</summary>
    NameLength,

    /// <summary>Whose (site or candidate).</summary>
    NameUnseen,

    /// <summary>The most characters.</summary>
    CodeLength,

    /// <summary>The most codes.</summary>
    TooManyCodes,

    /// <summary>The letter.</summary>
    NoCandidateToCopy,

    /// <summary>The most candidates.</summary>
    ShortlistFull,

    /// <summary>The domain, the reference of the order it came with.</summary>
    NameHad,

    /// <summary>The letter.</summary>
    NoCandidate,

    /// <summary>None.</summary>
    PlanFirst,

    /// <summary>None.</summary>
    DomainFirst,

    /// <summary>The plan's id, the book's.</summary>
    NoSuchPlan,

    /// <summary>The most months, those asked.</summary>
    HorizonOutOfRange,

    /// <summary>None.</summary>
    StartOutOfRange,

    /// <summary>None.</summary>
    RateOutOfRange,

    /// <summary>The code.</summary>
    NoSuchCurrency,

    /// <summary>None.</summary>
    CountryMissing,

    /// <summary>None.</summary>
    NotAMailAddress,

    /// <summary>None.</summary>
    NotATelephone,

    /// <summary>The field.</summary>
    ContactMissing,

    /// <summary>The most characters, those typed.</summary>
    ContactTooLong,

    /// <summary>None.</summary>
    ContactNotOneLine,

    /// <summary>None.</summary>
    UnstatedToday,

    /// <summary>The provider.</summary>
    NotConnected,

    /// <summary>The row, counted from 1.</summary>
    RowWithoutPlan,

    /// <summary>The row, counted from 1; the plan.</summary>
    RowWithoutPrice,

    /// <summary>A table whose prices say nothing of how long each is paid for.</summary>
    TableMonthsMissing,

    /// <summary>The row, counted from 1; the plan; months of a bill.</summary>
    RowSaidTwice,

    /// <summary>A page that does not say who sells.</summary>
    PageSellerMissing,

    /// <summary>A page whose currency is not said.</summary>
    PageCurrencyMissing,

    /// <summary>A page that does not say whether prices hold the tax.</summary>
    PageTaxMissing,

    /// <summary>Words in which no plan was found.</summary>
    PageWithoutPlans,

    /// <summary>A page of which no plan is taken.</summary>
    PagePlansLeft,

    /// <summary>A plan without a name.</summary>
    PagePlanNameless,

    /// <summary>How many months two prices of a plan are both paid for.</summary>
    PageWaysAlike,

    /// <summary>The price whose months are not said.</summary>
    PageMonthsMissing,

    /// <summary>The price of which it is not said how it is paid.</summary>
    PagePaidMissing,

    /// <summary>The value of a page that cannot be mended so.</summary>
    PageChangeUnknown,

    /// <summary>The cell.</summary>
    CellNotANumber,

    /// <summary>The cell.</summary>
    CellNotEndings,

    /// <summary>The cell, the least months, the most.</summary>
    CellNotMonths,

    /// <summary>The cell, the currency of the table.</summary>
    CellOfOtherCurrency,

    /// <summary>The most, how many there would be.</summary>
    HeldFull,

    /// <summary>The most.</summary>
    DomainsFull,

    /// <summary>The domain written out.</summary>
    DomainTwice,

    /// <summary>The domain written out.</summary>
    NoSuchDomain,

    /// <summary>The most, how many there are.</summary>
    TooManyRecords,

    /// <summary>What is wrong with the record.</summary>
    RecordFlawed,

    /// <summary>The set whose argument is missing.</summary>
    ReadySetArgument,

    /// <summary>The path, what is wrong with it.</summary>
    FileFlawed,

    /// <summary>How many bytes there would be, how many there may be.</summary>
    SpaceFull,

    /// <summary>The most, how many there would be.</summary>
    TooManyFiles,

    /// <summary>The path.</summary>
    NoSuchFile,

    /// <summary>What is missing, or wrong.</summary>
    PageFlawed,

    /// <summary>What is wrong, the address it is about.</summary>
    MailboxFlawed,

    /// <summary>What is used up, how many there would be, how many the plan allows.</summary>
    PlanUsedUp,

    /// <summary>What is wrong, the name it is about.</summary>
    HostedNameFlawed,

    /// <summary>What is wrong with how a site engine was to be set up.</summary>
    EngineFlawed,

    /// <summary>The steps there would be, the most.</summary>
    PairsTooMany,
}
