using HomeStart.Data;
using HomeStart.Web.Orders;
using HomeStart.Web.Requests;
using HomeStart.Web.Session;
using HomeStart.Web.Startup;
using Microsoft.EntityFrameworkCore;

namespace HomeStart.Web.Online;

/// <summary>A hosting that was ordered and delivered.</summary>
/// <param name="Domain">The main domain; null: there is none yet.</param>
/// <param name="Plan">Null where its book does not sell it any more.</param>
public sealed record Hosted(
    Order Order,
    OrderedHosting Hosting,
    HostAccount Account,
    World World,
    DomainName? Domain,
    HostedPlan? Plan
);

/// <summary>Finds what was ordered and delivered, and asks the host for its documents.</summary>
public sealed class OnlineDesk(
    OrderDesk orders,
    Workspace workspace,
    HomeStartDb db,
    IHostPanel panel,
    StartOptions options
)
{
    public static NotFoundProblem Missing() =>
        new NotFoundProblem("There is no hosting of yours here: it may not be delivered yet.");

    public static SilentProblem Silent(Hosted hosted) =>
        new SilentProblem($"{hosted.Hosting.Provider} does not answer. Nothing is lost: try again in a while.");

    /// <summary>
    /// The hosting of an order, or of the one whose included domain it claims; null: none was delivered.
    /// </summary>
    public async Task<Hosted?> FindAsync(Guid orderId, CancellationToken cancel)
    {
        if (
            await orders.FindAsync(orderId, cancel) is not { } row
            || Documents.Read<Order>(row.Document) is not { State: OrderState.Completed } order
        )
        {
            return null;
        }

        var claimed =
            order.Things.Hosting is null && order.ClaimOf is { } of && await orders.FindAsync(of, cancel) is { } first
                ? Documents.Read<Order>(first.Document)
                : order;
        if (claimed is not { Things.Hosting: { } hosting, Account: { } account })
        {
            return null;
        }

        var book = workspace.Books.FirstOrDefault(book => book.Id == hosting.Book);
        var domain = order.Things.Domains.FirstOrDefault()?.Name
            ?? hosting.Address
            ?? (await ClaimedAsync(claimed.Id, cancel)).FirstOrDefault();
        return new Hosted(
            claimed,
            hosting,
            account,
            new World(row.WorldId),
            domain,
            book is null ? null : HostedPlan.Find(claimed, hosting, book)
        );
    }

    /// <summary>
    /// Where a name of this made-up world is seen in a browser, ending in a slash: an origin of its own for each; null
    /// without a name.
    /// </summary>
    public string? AddressOf(Hosted hosted, DomainName? name) =>
        name is null ? null : $"http://{name}.{hosted.World}.localhost:{options.CounterpartsAddress.Port}/";

    /// <summary>Every domain that this owner has, or keeps and pointed somewhere.</summary>
    public async Task<IReadOnlyCollection<DomainName>> OwnedAsync(CancellationToken cancel) =>
        [
            .. (await CompletedAsync(cancel))
                .SelectMany(order =>
                    order.Things.Domains.Select(domain => domain.Name).Append(order.Things.Hosting?.Address)
                )
                .OfType<DomainName>()
                .Distinct(),
        ];

    /// <summary>A document as it stands, or stood; null: nobody answered, or not in a way that can be read.</summary>
    public async Task<(int Version, T Value)?> ReadAsync<T>(
        Hosted hosted,
        string kind,
        Func<ReadOnlyMemory<byte>, T?> read,
        CancellationToken cancel,
        int? version = null
    )
        where T : class =>
        await panel.ReadAsync(hosted.World, hosted.Account.Id, kind, version, cancel) is { } kept
        && read(kept.Content.AsMemory()) is { } value
            ? (kept.Version, value)
            : null;

    public Task<PanelAnswer> WriteAsync(
        Hosted hosted,
        string kind,
        int seen,
        byte[] content,
        CancellationToken cancel
    ) => panel.WriteAsync(hosted.World, hosted.Account.Id, kind, seen, content, cancel);

    /// <summary>What to say where the version before is asked for, and there is none.</summary>
    public static HostProblem NoneBefore() =>
        new(StatusCodes.Status409Conflict, "There is no version before this one.");

    /// <summary>What to say where a change did not go through.</summary>
    public static HostProblem Explain(PanelAnswer answer, Hosted hosted) =>
        answer.State switch
        {
            PanelState.Stale => new HostProblem(
                StatusCodes.Status409Conflict,
                "This was changed meanwhile, perhaps in another window. Look at what is there now, and make "
                    + "your change again."
            ),
            PanelState.Full => new HostProblem(
                StatusCodes.Status507InsufficientStorage,
                $"{hosted.Hosting.Provider} has no room for it: its disk, or the storage of your plan, is full. "
                    + "Nothing was changed."
            ),
            PanelState.Refused => new HostProblem(
                StatusCodes.Status409Conflict,
                answer.Message ?? $"{hosted.Hosting.Provider} would not do it. Nothing was changed."
            ),
            _ => new HostProblem(
                StatusCodes.Status503ServiceUnavailable,
                $"{hosted.Hosting.Provider} did not say whether it was done. Look again in a while: it stands "
                    + "whole or not at all."
            ),
        };

    private async Task<IEnumerable<DomainName>> ClaimedAsync(Guid of, CancellationToken cancel) =>
        (await CompletedAsync(cancel))
            .Where(order => order.ClaimOf == of)
            .SelectMany(order => order.Things.Domains.Select(domain => domain.Name))
            .OfType<DomainName>();

    private async Task<IEnumerable<Order>> CompletedAsync(CancellationToken cancel) =>
        (await db.Orders.AsNoTracking().ToListAsync(cancel))
            .Select(row => Documents.Read<Order>(row.Document))
            .Where(order => order.State == OrderState.Completed);
}
