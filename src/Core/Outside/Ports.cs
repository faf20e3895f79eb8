using HomeStart.Core.Basics;
using HomeStart.Core.Domains;

namespace HomeStart.Core.Outside;

/// <summary>The card processor as Home Start sees it. Every change carries an idempotency key.</summary>
public interface ICardProcessor
{
    /// <summary>Sets money aside on the card behind a token.</summary>
    Task<Outcome> HoldAsync(World world, string key, string cardToken, Money amount, string seller, CancellationToken cancel);

    /// <summary>Takes the money held under a key.</summary>
    Task<Outcome> CaptureAsync(World world, string key, string holdKey, CancellationToken cancel);

    /// <summary>Lets the money held under a key go.</summary>
    Task<Outcome> ReleaseAsync(World world, string key, string holdKey, CancellationToken cancel);

    /// <summary>What became of a key; with <paramref name="orVoid"/> a key that is not known yet can never be used afterwards.</summary>
    Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel);
}

/// <summary>A hosting company as Home Start sees it.</summary>
public interface IHostingCompany
{
    /// <summary>Makes the hosting of a plan, ready for a domain where there is one.</summary>
    Task<Outcome> PrepareAsync(World world, string key, string book, string plan, DomainName? domain, string mail, CancellationToken cancel);

    /// <summary>Where a host takes in names that are pointed at it; null where it gave no answer that can be read.</summary>
    Task<HostEntry?> EntryAsync(World world, string book, CancellationToken cancel);

    /// <summary>Takes back an account that was prepared.</summary>
    Task<Outcome> RemoveAsync(World world, string key, string account, CancellationToken cancel);

    /// <summary>What became of a key; with <paramref name="orVoid"/> a key that is not known yet can never be used afterwards.</summary>
    Task<Outcome> AskAsync(World world, string key, bool orVoid, CancellationToken cancel);

    /// <summary>A first password, made anew each time until one was seen; null where one has been.</summary>
    /// <exception cref="NoAnswerException">The host gave no answer that can be read. Nothing is lost: it can be asked again.</exception>
    Task<string?> FirstPasswordAsync(World world, string account, CancellationToken cancel);

    /// <summary>Tells the host that the first password reached its owner, so that it is not given out again.</summary>
    /// <exception cref="NoAnswerException">The host did not answer.</exception>
    Task FirstPasswordSeenAsync(World world, string account, CancellationToken cancel);
}

/// <summary>The name servers of the world, as somebody who asks for a domain sees them.</summary>
public interface INameServers
{
    /// <summary>The MX records of a domain, lowest preference first; none: it has none; null: nobody answered.</summary>
    Task<IReadOnlyList<ResourceRecord>?> MailOfAsync(World world, DomainName domain, CancellationToken cancel);
}
