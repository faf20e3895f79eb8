using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;
using HomeStart.Core.Outside;

namespace HomeStart.Core.Ordering;

/// <summary>
/// A candidate being bought: what was agreed, and the steps that carry it out. Every step is recorded before it is tried; <see cref="OrderFlow"/> says what
/// comes next. Amounts are fixed when the order was placed.
/// </summary>
public sealed record Order(Guid Id, Guid SiteId, string Letter, DateOnly PlacedOn, Contact Contact, OrderedThings Things)
{
    /// <summary>Where it stands.</summary>
    public OrderState State { get; init; } = OrderState.Working;

    /// <summary>What went wrong, while the owner has to do something or after it was undone.</summary>
    public OrderProblem? Problem { get; init; }

    /// <summary>What was agreed to, in the sentences that were read; empty for orders placed before they were kept.</summary>
    public ImmutableArray<AgreedTerm> Terms { get; init; } = [];

    /// <summary>In the order they are carried out.</summary>
    public ImmutableArray<OrderStep> Steps { get; init; } = [];

    /// <summary>
    /// What the keys of its steps are made from: drawn by us when it was placed, as the id is the client's to choose. Empty for orders placed before there was one.
    /// </summary>
    public Guid Secret { get; init; }

    /// <summary>What the card processor gave for the card; never a number.</summary>
    public required string CardToken { get; init; }

    /// <summary>The card's last four digits.</summary>
    public required string CardEnding { get; init; }

    /// <summary>The hosting that was prepared; null until then.</summary>
    public HostAccount? Account { get; init; }

    /// <summary>What the owner quotes: made from the id, easy to read out.</summary>
    public string Reference => OrderReference.Of(Id);

    /// <summary>Whether the owner can still call it off: nothing was done that cannot be undone.</summary>
    public bool CanCancel =>
        State is OrderState.NeedsCard or OrderState.NeedsPatience
        && !Steps.Any(step => step.Kind is StepKind.Register or StepKind.Capture && step.Status is StepStatus.Done);
}

/// <summary>What is bought today.</summary>
/// <param name="Payments">One for each bill of today that comes to more than nothing.</param>
/// <param name="Hosting">Null where only a domain is bought.</param>
/// <param name="Domain">What is registered; null where no domain is.</param>
/// <param name="Items">What was agreed, line by line.</param>
public sealed record OrderedThings(
    ImmutableArray<Payment> Payments, OrderedHosting? Hosting, OrderedDomain? Domain, ImmutableArray<OrderedItem> Items, Money Total)
{
    /// <summary>Whether the same domain or, without one, the same hosting is bought in both.</summary>
    public bool IsLike(OrderedThings other) => Domain is null && other.Domain is null ? Hosting == other.Hosting : Domain?.Name == other.Domain?.Name;
}

/// <summary>One sentence of what was agreed to, and whose it is.</summary>
public sealed record AgreedTerm(string Seller, string Sentence);

/// <summary>What one seller is paid today.</summary>
/// <param name="Amount">With tax.</param>
/// <param name="Tax">How much of it is tax; null for orders placed before that was kept.</param>
/// <param name="TaxPercent">At which rate; null where the seller charges none, or it was not kept.</param>
public sealed record Payment(string Book, string Seller, Money Amount, Money? Tax = null, ExactDecimal? TaxPercent = null);

/// <param name="Address">The domain the site will answer to, wherever it is registered.</param>
public sealed record OrderedHosting(string Book, string Provider, string Plan, string PlanName, DomainName? Address);

/// <param name="Name">Null for an order of the first release whose text no registry would take.</param>
/// <param name="Premium">The most that was agreed for the first year of a premium name; null: the ordinary price.</param>
public sealed record OrderedDomain(string Book, string Seller, DomainName? Name, int Years, bool Private, Money? Premium = null);

/// <summary>A line of what was agreed.</summary>
/// <param name="Kind">Null for orders of the first release: then the name is a whole sentence.</param>
/// <param name="Ref">The plan's, data centre's or extra's id, or the domain written out.</param>
/// <param name="Name">What its book calls it.</param>
/// <param name="Months">How long it is paid for; 0: it is paid once.</param>
/// <param name="Until">The day it is paid up to; null where it is paid once.</param>
/// <param name="Amount">After discounts, before tax on top.</param>
public sealed record OrderedItem(
    LineKind? Kind, string Ref, string Name, string Book, string Seller, int Quantity, int Months, Money Amount, DateOnly? From, DateOnly? Until, bool Included);

/// <summary>What went wrong at a step: the counterpart's reason as a word, and a sentence for the owner.</summary>
public sealed record OrderProblem(StepKind Step, string Code, string Message);

/// <summary>Where an order stands.</summary>
public enum OrderState
{
    /// <summary>Steps are being carried out.</summary>
    Working,

    /// <summary>The card was refused: another card, or call it off.</summary>
    NeedsCard,

    /// <summary>A counterpart does not answer: try again, or call it off while that is possible.</summary>
    NeedsPatience,

    /// <summary>What was done is being undone.</summary>
    Undoing,

    /// <summary>All undone; nothing was charged.</summary>
    Cancelled,

    /// <summary>Everything is delivered and paid.</summary>
    Completed,
}

/// <summary>One thing asked of a counterpart.</summary>
/// <param name="Key">The idempotency key it is, or will be, asked under.</param>
/// <param name="Book">Whose.</param>
public sealed record OrderStep(StepKind Kind, string Book, string Key)
{
    /// <summary>How far it has come.</summary>
    public StepStatus Status { get; init; } = StepStatus.Waiting;

    /// <summary>How often there was no answer since the owner last said to try.</summary>
    public int Unanswered { get; init; }

    /// <summary>How often it was refused: a new attempt gets a new key.</summary>
    public int Refused { get; init; }
}

/// <summary>What is asked of a counterpart, in the order it is done.</summary>
public enum StepKind
{
    /// <summary>Money is set aside on the card.</summary>
    Hold,

    /// <summary>The hosting is made.</summary>
    Prepare,

    /// <summary>The domain is registered: this cannot be undone.</summary>
    Register,

    /// <summary>The domain is pointed at the hosting.</summary>
    Join,

    /// <summary>The money set aside is taken.</summary>
    Capture,
}

/// <summary>How far a step has come.</summary>
public enum StepStatus
{
    /// <summary>Not begun.</summary>
    Waiting,

    /// <summary>Recorded, perhaps asked for: its outcome is asked for by its key before it is tried again.</summary>
    Trying,

    /// <summary>Done.</summary>
    Done,

    /// <summary>Refused: it was not done.</summary>
    Refused,

    /// <summary>Recorded to be undone, perhaps already.</summary>
    Undoing,

    /// <summary>Done, and undone again.</summary>
    Undone,
}
