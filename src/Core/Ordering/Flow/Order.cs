using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Domains;
using HomeStart.Core.Offers;
using HomeStart.Core.Outside;

namespace HomeStart.Core.Ordering;

/// <summary>
/// A candidate being bought: what was agreed, and the steps that carry it out. Every step is recorded before it is
/// tried; <see cref="OrderFlow"/> says what comes next. Amounts are fixed when the order was placed.
/// </summary>
public sealed record Order(
    Guid Id,
    Guid SiteId,
    string Letter,
    DateOnly PlacedOn,
    Contact Contact,
    OrderedThings Things
)
{
    /// <summary>Where it stands.</summary>
    public OrderState State { get; init; } = OrderState.Working;

    /// <summary>What went wrong, while the owner has to do something or after it was undone.</summary>
    public OrderProblem? Problem { get; init; }

    /// <summary>
    /// What was agreed to, in the sentences that were read; empty for orders placed before they were kept.
    /// </summary>
    public ImmutableArray<AgreedTerm> Terms { get; init; } = [];

    /// <summary>
    /// The sums that the sellers named and that were agreed to, one a seller; empty for orders placed before sellers
    /// named them.
    /// </summary>
    public ImmutableArray<AgreedQuote> Quotes { get; init; } = [];

    /// <summary>In the order they are carried out.</summary>
    public ImmutableArray<OrderStep> Steps { get; init; } = [];

    /// <summary>
    /// What the keys of its steps are made from: drawn by us when it was placed, as the id is the client's to choose.
    /// Empty for orders placed before there was one.
    /// </summary>
    public Guid Secret { get; init; }

    /// <summary>
    /// What the card processor gave for the card; never a number. Null where nothing is paid by card.
    /// </summary>
    public string? CardToken { get; init; }

    /// <summary>The card's last four digits.</summary>
    public string? CardEnding { get; init; }

    /// <summary>The holder of what is registered, where that is not who orders.</summary>
    public Contact? Holder { get; init; }

    /// <summary>The log-in the owner chose at the host; null: the host makes one.</summary>
    public ChosenLogIn? LogIn { get; init; }

    /// <summary>
    /// The address under which the application was open when it was placed: links lead back there. Null for orders
    /// placed before that was kept.
    /// </summary>
    public Uri? OpenAt { get; init; }

    /// <summary>The books of those sellers whose things are not to renew by themselves.</summary>
    public ImmutableArray<string> EndingAt { get; init; } = [];

    /// <summary>
    /// The hosting that was prepared, or, for a domain claimed afterwards, the one it joins; null until then.
    /// </summary>
    public HostAccount? Account { get; init; }

    /// <summary>The order whose included domain this one claims.</summary>
    public Guid? ClaimOf { get; init; }

    /// <summary>What it was made of; null for orders placed before that was kept, and for claims.</summary>
    public Bought? Bought { get; init; }

    /// <summary>What was told of buying it at the sellers' own pages; null: it was ordered here.</summary>
    public BoughtThere? There { get; init; }

    /// <summary>
    /// Whether what was done is being undone, also while nobody answers: whoever tries again then goes on undoing.
    /// </summary>
    public bool IsGivenUp { get; init; }

    /// <summary>
    /// Domains that could not be had after another one was: the order went on without them, and nothing was taken for
    /// them.
    /// </summary>
    public ImmutableArray<MissedDomain> Missed { get; init; } = [];

    /// <summary>What the owner quotes: made from the id, easy to read out.</summary>
    public string Reference => OrderReference.From(Id);

    /// <summary>Whether the owner can still call it off: nothing was done that cannot be undone.</summary>
    public bool CanCancel => State.IsWaiting() && !Steps.Any(step => step.IsForGood);

    /// <summary>Who is registered as the holder.</summary>
    public Contact RegisteredTo => Holder ?? Contact;

    /// <summary>
    /// The id of the quote agreed to at a seller; null only for orders from before there were quotes.
    /// </summary>
    /// <exception cref="InvalidOperationException">Nothing was agreed with that seller.</exception>
    public string? QuoteAt(string book) =>
        Quotes.IsEmpty
            ? null
            : Quotes.FirstOrDefault(quote => quote.Book == book)?.Id
                ?? throw new InvalidOperationException($"No sum was agreed with {book}.");
}

/// <summary>A seller's sum that was agreed to.</summary>
/// <param name="Id">Under which the seller knows it.</param>
public sealed record AgreedQuote(string Book, string Id, Money Total);

/// <summary>What is bought today.</summary>
/// <param name="Payments">One for each bill of today that comes to more than nothing.</param>
/// <param name="Hosting">Null where only a domain is bought.</param>
/// <param name="Domains">What is registered or moved in, in the order of the candidate.</param>
/// <param name="Items">What was agreed, line by line.</param>
public sealed record OrderedThings(
    ImmutableArray<Payment> Payments,
    OrderedHosting? Hosting,
    ImmutableArray<OrderedDomain> Domains,
    ImmutableArray<OrderedItem> Items,
    Money Total
)
{
    /// <summary>Whether the same domains or, without one, the same hosting is bought in both.</summary>
    public bool IsLike(OrderedThings other) =>
        Domains.IsEmpty && other.Domains.IsEmpty
            ? (Hosting?.Book, Hosting?.Plan, Hosting?.Address)
                == (other.Hosting?.Book, other.Hosting?.Plan, other.Hosting?.Address)
            : Domains.Select(domain => domain.Name).ToHashSet().SetEquals(other.Domains.Select(domain => domain.Name));

    /// <summary>
    /// What is left without a domain: its lines, its extras and what was to be paid for them are gone, to the minor
    /// unit.
    /// </summary>
    public OrderedThings Without(OrderedDomain missed)
    {
        var gone = Items
            .Where(item =>
                item.Book == missed.Book
                && (item.ForDomain ?? (item.Kind == LineKind.Domain ? item.Ref : null)) == missed.Name?.Text
            )
            .ToHashSet();
        ImmutableArray<Payment> payments =
        [
            .. Payments.Select(payment =>
                payment.Book == missed.Book
                    ? payment.Without(gone, [.. Items.Where(item => item.Book == missed.Book)])
                    : payment
            ),
        ];
        return this with
        {
            Payments = payments,
            Domains = Domains.Remove(missed),
            Items = [.. Items.Where(item => !gone.Contains(item))],
            Total = payments.All(payment => payment.Amount.Currency == Total.Currency)
                ? payments.Aggregate(Money.Zero(Total.Currency), (sum, payment) => sum + payment.Amount)
                : Total,
        };
    }
}

/// <summary>A domain that was ordered and could not be had, and why.</summary>
public sealed record MissedDomain(OrderedDomain Domain, string Code, string Message);

/// <summary>The log-in that an owner chose at a host.</summary>
/// <param name="Token">What the host gave for it: the passcode itself is handed in there and kept nowhere here.</param>
public sealed record ChosenLogIn(string User, string Token);

/// <summary>One sentence of what was agreed to, and whose it is.</summary>
public sealed record AgreedTerm(string Seller, string Sentence);

/// <summary>What one seller is paid today.</summary>
/// <param name="Amount">With tax.</param>
/// <param name="Tax">How much of it is tax; null for orders placed before that was kept.</param>
/// <param name="TaxPercent">At which rate; null where the seller charges none, or it was not kept.</param>
public sealed record Payment(
    string Book,
    string Seller,
    Money Amount,
    Money? Tax = null,
    ExactDecimal? TaxPercent = null
)
{
    /// <summary>How what the balance does not cover is paid.</summary>
    public PayWay Way { get; init; } = PayWay.Card;

    /// <summary>What the owner's balance with the seller pays of it; null: nothing.</summary>
    public Money? FromBalance { get; init; }

    /// <summary>How much of it is had by a way.</summary>
    public Money By(PayWay way) =>
        way == PayWay.Balance ? FromBalance ?? Money.Zero(Amount.Currency)
        : FromBalance is { } balance ? Amount - balance
        : Amount;

    /// <summary>
    /// With as much of it as there is paid from the owner's balance; a balance of nothing, or in another currency, pays
    /// nothing.
    /// </summary>
    public Payment PaidFrom(Money balance) =>
        balance.Currency != Amount.Currency || balance.Units <= 0
            ? this with
            {
                FromBalance = null,
            }
            : this with
            {
                FromBalance = balance.Units > Amount.Units ? Amount : balance,
            };

    /// <summary>The ways it is had by, each with something to pay.</summary>
    public IEnumerable<PayWay> Ways => new[] { PayWay.Balance, Way }.Distinct().Where(way => By(way).Units > 0);

    /// <summary>
    /// What is left to pay without some of its lines: less by their share of it, tax and balance alike.
    /// </summary>
    internal Payment Without(HashSet<OrderedItem> gone, ImmutableArray<OrderedItem> items)
    {
        var amount = Left(Amount);
        return this with
        {
            Amount = amount,
            Tax = Tax is { } tax ? Left(tax) : null,
            FromBalance = FromBalance is { } balance && balance.Units > amount.Units ? amount : FromBalance,
        };

        Money Left(Money whole)
        {
            if (gone.All(item => item.Amount.Units == 0))
            {
                return whole;
            }

            var shares = Sharing.InProportion(whole.Units, [.. items.Select(item => item.Amount.Units)]);
            var kept = shares
                .Zip(items)
                .Where(part => !gone.Contains(part.Second))
                .Aggregate((Minor)0, (sum, part) => sum + part.First);
            return new Money(kept, whole.Currency);
        }
    }
}

/// <summary>How a seller is paid.</summary>
public enum PayWay
{
    /// <summary>By card: held first, taken when all is delivered.</summary>
    Card,

    /// <summary>By a wallet: the owner is sent there and back.</summary>
    Wallet,

    /// <summary>By a bank transfer against an invoice, before anything is delivered.</summary>
    Invoice,

    /// <summary>From what the seller owes the owner.</summary>
    Balance,
}

/// <param name="Address">The domain the site will answer to, wherever it is registered.</param>
/// <param name="CommitMonths">For how long it is committed to; 0 for orders placed before that was kept.</param>
public sealed record OrderedHosting(
    string Book,
    string Provider,
    string Plan,
    string PlanName,
    DomainName? Address,
    int CommitMonths = 0
)
{
    /// <summary>
    /// The book of the seller through whom the owner has its address already: it is pointed here as a part of the
    /// order. Null: it is bought with it, or kept by somebody outside.
    /// </summary>
    public string? AddressAt { get; init; }
}

/// <param name="Name">Null for an order of the first release whose text no registry would take.</param>
/// <param name="Premium">The most that was agreed for the first year of a premium name; null: the ordinary
/// price.</param>
public sealed record OrderedDomain(
    string Book,
    string Seller,
    DomainName? Name,
    int Years,
    bool Private,
    Money? Premium = null
)
{
    /// <summary><see cref="DomainRoute.Register"/> or <see cref="DomainRoute.Transfer"/>.</summary>
    public DomainRoute Route { get; init; } = DomainRoute.Register;

    /// <summary>What the registrar gave for the transfer code: the code itself is kept nowhere here.</summary>
    public string? TransferToken { get; init; }
}

/// <summary>A line of what was agreed.</summary>
/// <param name="Kind">Null for orders of the first release: then the name is a whole sentence.</param>
/// <param name="Ref">The plan's, data centre's or extra's id, or the domain written out.</param>
/// <param name="Name">What its book calls it.</param>
/// <param name="Months">How long it is paid for; 0: it is paid once.</param>
/// <param name="Until">The day it is paid up to; null where it is paid once.</param>
/// <param name="Amount">After discounts, before tax on top.</param>
public sealed record OrderedItem(
    LineKind? Kind,
    string Ref,
    string Name,
    string Book,
    string Seller,
    int Quantity,
    int Months,
    Money Amount,
    DateOnly? From,
    DateOnly? Until,
    bool Included
)
{
    /// <summary>The domain an extra is for, written out.</summary>
    public string? ForDomain { get; init; }
}

/// <summary>What went wrong at a step: the counterpart's reason as a word, and a sentence for the owner.</summary>
public sealed record OrderProblem(StepKind Step, string Code, string Message);

/// <summary>Where an order stands.</summary>
public enum OrderState
{
    /// <summary>Steps are being carried out.</summary>
    Working,

    /// <summary>The money could not be had that way: another card or way to pay, or call it off.</summary>
    NeedsPayment,

    /// <summary>The bank or the wallet wants the owner to say yes on its own page.</summary>
    NeedsConfirmation,

    /// <summary>An invoice waits to be paid.</summary>
    NeedsTransfer,

    /// <summary>A domain is being moved in, which takes days.</summary>
    NeedsTime,

    /// <summary>A counterpart does not answer: try again, or call it off while that is possible.</summary>
    NeedsPatience,

    /// <summary>What was done is being undone.</summary>
    Undoing,

    /// <summary>All undone; nothing was charged.</summary>
    Cancelled,

    /// <summary>Everything is delivered and paid.</summary>
    Completed,
}

/// <summary>What an order's state means.</summary>
public static class OrderStates
{
    /// <summary>Whether it waits for its owner or for time to pass, and may be called off meanwhile.</summary>
    public static bool IsWaiting(this OrderState state) =>
        state
            is OrderState.NeedsPayment
                or OrderState.NeedsConfirmation
                or OrderState.NeedsTransfer
                or OrderState.NeedsTime
                or OrderState.NeedsPatience;
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

    /// <summary>For a hold or capture: how the money is had.</summary>
    public PayWay Way { get; init; } = PayWay.Card;

    /// <summary>For what is done to a domain: which, written out.</summary>
    public string? Domain { get; init; }

    /// <summary>While it is <see cref="StepStatus.Pending"/>: what the counterpart said of it.</summary>
    public Pending? Pending { get; init; }

    /// <summary>Whether it was done and cannot be undone.</summary>
    public bool IsForGood =>
        Kind is StepKind.Register or StepKind.Transfer or StepKind.Capture && Status == StepStatus.Done;
}

/// <summary>What is asked of a counterpart, in the order it is done.</summary>
public enum StepKind
{
    /// <summary>Money is set aside on the card.</summary>
    Hold,

    /// <summary>The hosting is made.</summary>
    Prepare,

    /// <summary>The domain is moved in from another seller: once it has come it cannot be undone.</summary>
    Transfer,

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

    /// <summary>Taken up by the counterpart, and waiting there for somebody or for time to pass.</summary>
    Pending,

    /// <summary>It could not be done, and the order went on without it.</summary>
    Dropped,
}
