using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Outside;

/// <summary>
/// The one who takes the money for the sellers, as Home Start sees it. Every change carries an idempotency key.
/// </summary>
public interface IPaymentProcessor
{
    /// <summary>
    /// Sets money aside, or begins to: a bank or wallet may want the owner's yes, an invoice has to be paid first.
    /// </summary>
    Task<Outcome> HoldAsync(World world, string key, PaymentRequest request, CancellationToken cancel);

    /// <summary>Takes the money held under a key, or a part of it and lets the rest go.</summary>
    /// <param name="quote">Of something paid after the order: the id of the seller's sum for it; null: the hold's
    /// own.</param>
    Task<Outcome> CaptureAsync(
        World world,
        string key,
        string holdKey,
        string? quote,
        Money amount,
        CancellationToken cancel
    );

    /// <summary>Lets the money held under a key go.</summary>
    Task<Outcome> ReleaseAsync(World world, string key, string holdKey, CancellationToken cancel);

    /// <summary>Charges a card or wallet again, without the owner's doing anything.</summary>
    Task<Outcome> ChargeAsync(World world, string key, LaterCharge charge, CancellationToken cancel);

    /// <summary>Gives money back to it.</summary>
    Task<Outcome> GiveBackAsync(World world, string key, LaterCharge charge, CancellationToken cancel);

    /// <summary>What the processor knows of a card by its token; null: it did not answer.</summary>
    Task<KnownCard?> CardAsync(World world, string token, CancellationToken cancel);

    /// <summary>
    /// What became of a key by a business date; with <paramref name="voidIfUnsettled"/> a key that is not known or not
    /// settled yet can never be used afterwards.
    /// </summary>
    Task<Outcome> AskAsync(World world, string key, bool voidIfUnsettled, DateOnly today, CancellationToken cancel);
}

/// <summary>A card behind a token.</summary>
/// <param name="Ending">Its last four digits; null: the processor knows no card of that token.</param>
/// <param name="Expires">The last day it is good for; null: that is not known.</param>
public sealed record KnownCard(string? Ending, DateOnly? Expires)
{
    /// <summary>The processor knows no such card.</summary>
    public static readonly KnownCard Unknown = new(null, null);
}

/// <summary>A charge after the order, or what comes back of one.</summary>
/// <param name="Quote">The id of the seller's sum.</param>
/// <param name="CardToken">What the processor gave for the card; null: there is none.</param>
/// <param name="Wallet">Whether a wallet pays where there is no card.</param>
/// <param name="On">The business date.</param>
public sealed record LaterCharge(
    string Quote,
    string? CardToken,
    bool Wallet,
    Money Amount,
    string Book,
    string Seller,
    DateOnly On
);

/// <param name="Quote">The id of the seller's sum that this pays, or a part of.</param>
/// <param name="Way">How: <c>card</c>, <c>wallet</c>, <c>invoice</c>, <c>balance</c>.</param>
/// <param name="CardToken">For a card: what the processor gave for it.</param>
/// <param name="Number">What stands on an invoice.</param>
/// <param name="ReturnTo">Where the owner is sent back to.</param>
/// <param name="On">The business date.</param>
public sealed record PaymentRequest(
    string? Quote,
    string Way,
    string? CardToken,
    Money Amount,
    string Book,
    string Seller,
    string Number,
    Uri ReturnTo,
    DateOnly On
);

/// <summary>Whether the outside works at all, for those who watch over it.</summary>
public interface IOutsideHealth
{
    /// <summary>Whether it answers, and what it keeps is whole.</summary>
    Task<bool> IsWellAsync(CancellationToken cancel);
}

/// <summary>A hosting company as Home Start sees it.</summary>
public interface IHostingCompany
{
    /// <summary>Makes the hosting of a plan, ready for a domain where there is one.</summary>
    /// <param name="quote">The id of the quote that was agreed to; null for an order from before there were
    /// quotes.</param>
    /// <param name="logIn">What the host gave for the log-in that the owner chose; null: it makes one.</param>
    Task<Outcome> PrepareAsync(
        World world,
        string key,
        string book,
        string plan,
        string? quote,
        DomainName? domain,
        string mail,
        string? logIn,
        CancellationToken cancel
    );

    /// <summary>What a log-in must be like; null where the host gave no answer that can be read.</summary>
    Task<LogInRules?> LogInRulesAsync(World world, string book, CancellationToken cancel);

    /// <summary>Whether somebody has a user name; null: nobody could say.</summary>
    Task<bool?> IsUserTakenAsync(World world, string book, string user, CancellationToken cancel);

    /// <summary>
    /// Hands in a log-in before the order is placed, so that its passcode need not be kept; null: nobody answered.
    /// </summary>
    Task<Deposit?> DepositLogInAsync(World world, string book, string user, string passcode, CancellationToken cancel);

    /// <summary>
    /// Where a host takes in names that are pointed at it; null where it gave no answer that can be read.
    /// </summary>
    Task<HostEntry?> EntryAsync(World world, string book, CancellationToken cancel);

    /// <summary>Tells a host how an account stands: paid until when, suspended, ended, given back.</summary>
    /// <param name="state">live, suspended, ended, left or gone.</param>
    Task<Outcome> StandAsync(
        World world,
        string key,
        string account,
        string state,
        string plan,
        DateOnly? until,
        CancellationToken cancel
    );

    /// <summary>Takes back an account that was prepared.</summary>
    Task<Outcome> RemoveAsync(World world, string key, string account, CancellationToken cancel);

    /// <summary>
    /// What became of a key; with <paramref name="voidIfUnsettled"/> a key that is not known yet can never be used
    /// afterwards.
    /// </summary>
    Task<Outcome> AskAsync(World world, string key, bool voidIfUnsettled, CancellationToken cancel);

    /// <summary>A first password, made anew each time until one was seen; null where one has been.</summary>
    /// <exception cref="NoAnswerException">The host gave no answer that can be read. Nothing is lost: it can be asked
    /// again.</exception>
    Task<string?> FirstPasswordAsync(World world, string account, CancellationToken cancel);

    /// <summary>Tells the host that the first password reached its owner, so that it is not given out again.</summary>
    /// <exception cref="NoAnswerException">The host did not answer.</exception>
    Task FirstPasswordSeenAsync(World world, string account, CancellationToken cancel);
}

/// <summary>The name servers of the world: they are asked, and answer, in messages as RFC 1035 has them.</summary>
public interface INameServers
{
    /// <summary>What is said to a question; null: nobody answered.</summary>
    /// <param name="place">The resolver that is asked; null: the servers in charge of the name.</param>
    Task<byte[]?> AskAsync(World world, string? place, byte[] question, CancellationToken cancel);
}

/// <summary>What came of handing a secret in: something that stands for it, or why it was not taken.</summary>
public sealed record Deposit(string? Token, string? Refusal = null);

/// <summary>The sellers as somebody sees them who is, or says they are, their customer.</summary>
public interface ISellers
{
    /// <summary>Asks a seller for its sum.</summary>
    /// <param name="id">A quote it gave before: that one again, if it still holds and is for the same purchase; null: a
    /// new one.</param>
    Task<QuoteAnswer> QuoteAsync(World world, SellerPurchase purchase, string? id, CancellationToken cancel);

    /// <summary>
    /// What a seller owes the owner, who is its customer; null: they are none there, or nobody answered.
    /// </summary>
    Task<Money?> BalanceAsync(World world, string book, CancellationToken cancel);

    /// <summary>Changes what a seller owes the owner.</summary>
    /// <param name="quote">The id of the seller's own sum for that.</param>
    /// <param name="by">Below zero where it was spent.</param>
    Task<Outcome> MoveBalanceAsync(
        World world,
        string key,
        string book,
        string quote,
        Money by,
        CancellationToken cancel
    );

    /// <summary>Has a seller mail a code to an address that it may know; false: it did not answer.</summary>
    Task<bool> SendCodeAsync(World world, string book, string mail, CancellationToken cancel);

    /// <summary>Hands that code in: the balance there, or why not; null: nobody answered.</summary>
    Task<CustomerAnswer?> ConfirmAsync(World world, string book, string code, CancellationToken cancel);
}

/// <param name="Balance">What the seller owes; null: it was not confirmed.</param>
/// <param name="Refusal">In the seller's words.</param>
public sealed record CustomerAnswer(Money? Balance, string? Refusal = null);
