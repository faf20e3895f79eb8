using Microsoft.EntityFrameworkCore;

namespace HomeStart.Counterparts;

/// <summary>What the counterparts hold, world by world.</summary>
internal sealed class CounterpartsDb(DbContextOptions<CounterpartsDb> options) : DbContext(options)
{
    public DbSet<BehaviourRow> Behaviours => Set<BehaviourRow>();

    public DbSet<OperationRow> Operations => Set<OperationRow>();

    public DbSet<RegistrationRow> Registrations => Set<RegistrationRow>();

    public DbSet<CardRow> Cards => Set<CardRow>();

    public DbSet<ChargeRow> Charges => Set<ChargeRow>();

    public DbSet<HoldRow> Holds => Set<HoldRow>();

    public DbSet<AccountRow> Accounts => Set<AccountRow>();

    public DbSet<CustomerRow> Customers => Set<CustomerRow>();

    public DbSet<QuoteRow> Quotes => Set<QuoteRow>();

    public DbSet<PriceListRow> PriceLists => Set<PriceListRow>();

    public DbSet<AllowanceRow> Allowances => Set<AllowanceRow>();

    public DbSet<LogInRow> LogIns => Set<LogInRow>();

    public DbSet<HeardRow> Heard => Set<HeardRow>();

    public DbSet<MailRow> Mail => Set<MailRow>();

    public DbSet<KeptRow> Kept => Set<KeptRow>();

    public DbSet<CertificateRow> Certificates => Set<CertificateRow>();

    public DbSet<EngineRow> Engines => Set<EngineRow>();

    /// <summary>
    /// Reads and writes with no other writer in between: what is read is still so when it is written. Money, codes and
    /// domain-years are counted so.
    /// </summary>
    public async Task<T> AloneAsync<T>(Func<Task<T>> work, CancellationToken cancel)
    {
        await using var transaction = await Database.BeginTransactionAsync(
            System.Data.IsolationLevel.Serializable,
            cancel
        ); // BEGIN IMMEDIATE: writers wait for each other here.
        var result = await work();
        await transaction.CommitAsync(CancellationToken.None);
        return result;
    }

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<BehaviourRow>().HasKey(row => new { row.World, row.Service });
        modelBuilder.Entity<OperationRow>().HasKey(row => new { row.World, row.Key });
        modelBuilder.Entity<RegistrationRow>(registration =>
        {
            registration.HasKey(row => new { row.World, row.Domain });
            registration.HasIndex(row => row.HolderPage).IsUnique();
        });
        modelBuilder.Entity<CardRow>().HasKey(row => row.Token);
        modelBuilder.Entity<ChargeRow>().HasKey(row => new { row.World, row.Key });
        modelBuilder.Entity<HoldRow>(hold =>
        {
            hold.HasKey(row => new { row.World, row.Key });
            hold.HasIndex(row => row.Page).IsUnique();
        });
        modelBuilder.Entity<CustomerRow>().HasKey(row => new { row.World, row.Book });
        modelBuilder.Entity<QuoteRow>().HasKey(row => new { row.World, row.Id });
        modelBuilder.Entity<PriceListRow>().HasKey(row => row.Hash);
        modelBuilder
            .Entity<AllowanceRow>()
            .HasKey(row => new
            {
                row.World,
                row.Agreement,
                row.Number,
            });
        modelBuilder.Entity<LogInRow>().HasKey(row => row.Token);
        modelBuilder
            .Entity<HeardRow>()
            .HasKey(row => new
            {
                row.World,
                row.Place,
                row.Name,
                row.Type,
            });
        modelBuilder.Entity<MailRow>().HasKey(row => new { row.World, row.Id });
        modelBuilder
            .Entity<KeptRow>()
            .HasKey(row => new
            {
                row.World,
                row.Scope,
                row.Kind,
                row.Version,
            });
        modelBuilder.Entity<CertificateRow>().HasKey(row => new { row.World, row.Name });
        modelBuilder
            .Entity<EngineRow>()
            .HasKey(row => new
            {
                row.World,
                row.Account,
                row.Folder,
            });
        modelBuilder.Entity<AccountRow>().HasKey(row => new { row.World, row.Id });
    }
}

/// <summary>How a service behaves in a world.</summary>
internal sealed class BehaviourRow
{
    public required string World { get; set; }

    public required Service Service { get; set; }

    public Mode Mode { get; set; }
}

/// <summary>An operation that was carried out under an idempotency key, with the answer it gave.</summary>
internal sealed class OperationRow
{
    public required string World { get; set; }

    public required string Key { get; set; }

    public int Status { get; set; }

    public required string Answer { get; set; }

    /// <summary>While it waits for somebody: the day on which it ends by itself.</summary>
    public DateOnly? SettlesOn { get; set; }

    /// <summary>What it answers from that day on.</summary>
    public int SettledStatus { get; set; }

    public string SettledAnswer { get; set; } = "";
}

internal sealed class RegistrationRow
{
    public required string World { get; set; }

    public required string Domain { get; set; }

    public required string Registrar { get; set; }

    public required string Holder { get; set; }

    public DateOnly Registered { get; set; }

    public DateOnly Expires { get; set; }

    /// <summary>Separated by spaces.</summary>
    public string NameServers { get; set; } = "";

    /// <summary>The key of the transfer it came, or is to come, by.</summary>
    public string? CameBy { get; set; }

    /// <summary>What became of it at its registrar: live, grace, redemption or pending.</summary>
    public string State { get; set; } = "live";

    /// <summary>Whether it was unlocked to be moved away.</summary>
    public bool IsUnlocked { get; set; }

    /// <summary>Where the holder is written to; null for names from before that was asked.</summary>
    public string? HolderMail { get; set; }

    public bool IsHolderConfirmed { get; set; }

    /// <summary>The name of the page where the holder confirms.</summary>
    public string? HolderPage { get; set; }
}

/// <summary>A card behind a token: its last digits and what the bank will say. The number itself is not kept.</summary>
internal sealed class CardRow
{
    public required string Token { get; set; }

    public required string Ending { get; set; }

    public string? Refusal { get; set; }

    /// <summary>Whether the bank wants its customer's yes.</summary>
    public bool WantsYes { get; set; }

    /// <summary>The last day it is good for; null for cards from before that was kept.</summary>
    public DateOnly? ExpiresOn { get; set; }

    /// <summary>What the bank does when a seller charges it again, without its customer.</summary>
    public LaterCharges Later { get; set; }

    /// <summary>The day of its first refusal of a later charge.</summary>
    public DateOnly? RefusedOn { get; set; }
}

internal enum LaterCharges
{
    Paid,

    /// <summary>The bank refuses them.</summary>
    Refused,

    /// <summary>The bank refuses them for some days, and pays them afterwards.</summary>
    RefusedForDays,
}

/// <summary>What a card paid without its customer's doing anything, or what came back to it.</summary>
internal sealed class ChargeRow
{
    public required string World { get; set; }

    public required string Key { get; set; }

    public required string Book { get; set; }

    public required string Seller { get; set; }

    /// <summary>Below zero: it came back.</summary>
    public required string Amount { get; set; }

    public required string Currency { get; set; }

    public DateOnly On { get; set; }
}

internal sealed class HoldRow
{
    public required string World { get; set; }

    public required string Key { get; set; }

    public required string Amount { get; set; }

    public required string Currency { get; set; }

    public required string Seller { get; set; }

    public HoldState State { get; set; }

    public string Way { get; set; } = "card";

    /// <summary>The id of the book whose seller is paid.</summary>
    public string Book { get; set; } = "";

    /// <summary>
    /// The seller's sum that it pays, or a part of; null for holds from before sellers named their sums.
    /// </summary>
    public string? Quote { get; set; }

    /// <summary>What was taken of it.</summary>
    public string? Captured { get; set; }

    /// <summary>The name of its page; null: it has none.</summary>
    public string? Page { get; set; }

    public string ReturnTo { get; set; } = "";

    /// <summary>Of an invoice.</summary>
    public string Number { get; set; } = "";

    public DateOnly? DueOn { get; set; }

    /// <summary>What has arrived for an invoice.</summary>
    public string Paid { get; set; } = "0";
}

internal enum HoldState
{
    Held,
    Captured,
    Released,

    /// <summary>Somebody must say yes, or pay.</summary>
    Pending,

    /// <summary>Nothing came of it.</summary>
    Closed,
}

/// <summary>A seller's customer, or somebody who says they are one.</summary>
internal sealed class CustomerRow
{
    public required string World { get; set; }

    public required string Book { get; set; }

    public bool IsConfirmed { get; set; }

    public required string Balance { get; set; }

    public required string Currency { get; set; }

    public string? CodeHash { get; set; }

    public int CodeTries { get; set; }
}

/// <summary>What a quote is for.</summary>
internal enum QuoteKind
{
    /// <summary>All that is bought at a seller today.</summary>
    Order,

    /// <summary>A charge after the order.</summary>
    Charge,

    /// <summary>Money that goes back.</summary>
    Refund,

    /// <summary>A change of the balance.</summary>
    Balance,

    /// <summary>A name claimed with the plan's domain-year.</summary>
    Claim,
}

/// <summary>A sum that a seller named.</summary>
internal sealed class QuoteRow
{
    public required string World { get; set; }

    public required string Id { get; set; }

    public required string Book { get; set; }

    public QuoteKind Kind { get; set; }

    public required string Amount { get; set; }

    public required string Currency { get; set; }

    /// <summary>In seconds since 1970, of real time.</summary>
    public long ValidUntil { get; set; }

    /// <summary>The purchase as it was asked about.</summary>
    public required string Asked { get; set; }

    /// <summary>The purchase as the seller sells it.</summary>
    public required string Sold { get; set; }

    /// <summary>The hash of the price list it was worked out from.</summary>
    public required string PriceList { get; set; }

    /// <summary>As it was answered.</summary>
    public required string Answer { get; set; }

    /// <summary>
    /// The idempotency key that used it up; null: nobody has, or it is an order's, which several may pay.
    /// </summary>
    public string? UsedBy { get; set; }

    /// <summary>After the order: which.</summary>
    public string? Agreement { get; set; }

    /// <summary>Of a claim: the name, written out.</summary>
    public string? Domain { get; set; }

    /// <summary>Of a claim: the number of the domain-year it takes.</summary>
    public int? Allowance { get; set; }
}

/// <summary>A price list that something was sold by.</summary>
internal sealed class PriceListRow
{
    public required string Hash { get; set; }

    public required string Text { get; set; }
}

/// <summary>A domain-year that was claimed: each can be once.</summary>
internal sealed class AllowanceRow
{
    public required string World { get; set; }

    public required string Agreement { get; set; }

    public int Number { get; set; }

    public required string Domain { get; set; }
}

/// <summary>A log-in that was handed in for an account to come.</summary>
internal sealed class LogInRow
{
    public required string Token { get; set; }

    public required string World { get; set; }

    public required string Book { get; set; }

    public required string User { get; set; }

    public required string PasscodeHash { get; set; }
}

internal sealed class AccountRow
{
    public required string World { get; set; }

    public required string Id { get; set; }

    public required string Book { get; set; }

    public required string Plan { get; set; }

    public string? Domain { get; set; }

    /// <summary>The user name; null: it is the id.</summary>
    public string? User { get; set; }

    public string? PasscodeHash { get; set; }

    public bool IsRemoved { get; set; }

    /// <summary>How it stands: live, suspended or ended.</summary>
    public string State { get; set; } = "live";

    public DateOnly? PaidUntil { get; set; }

    /// <summary>Of the newest first password; null: none was made yet.</summary>
    public string? PasswordHash { get; set; }

    public bool PasswordSeen { get; set; }
}

/// <summary>What a resolver heard, and until when it believes that.</summary>
internal sealed class HeardRow
{
    public required string World { get; set; }

    public required string Place { get; set; }

    public required string Name { get; set; }

    public int Type { get; set; }

    public required byte[] Message { get; set; }

    /// <summary>In seconds since 1970.</summary>
    public long Until { get; set; }
}

/// <summary>A mail that arrived, as it was sent.</summary>
internal sealed class MailRow
{
    public required string World { get; set; }

    /// <summary>Made of its Message-ID: one that comes twice is filed once.</summary>
    public required string Id { get; set; }

    public required DateTimeOffset ArrivedAt { get; set; }

    public required byte[] Raw { get; set; }
}

/// <summary>A version of a document that a host keeps for a customer.</summary>
internal sealed class KeptRow
{
    public required string World { get; set; }

    /// <summary>An account, or a domain for its zone.</summary>
    public required string Scope { get; set; }

    public required string Kind { get; set; }

    public int Version { get; set; }

    public required byte[] Content { get; set; }

    public DateTimeOffset KeptAt { get; set; }
}

/// <summary>The certificate of a name, or the wish for one.</summary>
internal sealed class CertificateRow
{
    public required string World { get; set; }

    public required string Name { get; set; }

    public bool IsWaiting { get; set; }

    /// <summary>The last day it is good for; null: there is none.</summary>
    public DateOnly? Until { get; set; }

    public string? Refusal { get; set; }
}

/// <summary>A site engine in a web space, and who may log in.</summary>
internal sealed class EngineRow
{
    public required string World { get; set; }

    public required string Account { get; set; }

    public required string Folder { get; set; }

    public required string Engine { get; set; }

    public string? User { get; set; }

    public string? PasswordHash { get; set; }
}
