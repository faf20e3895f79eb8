using System.Collections.Immutable;
using HomeStart.Formats.Json;
using HomeStart.Formats.Orders;
using HomeStart.Formats.Reconciling;
using HomeStart.Formats.Slips;
using HomeStart.Formats.Words;
using HomeStart.Web.Requests;
using HomeStart.Web.Sites;

namespace HomeStart.Web.Upkeep;

/// <summary>What was charged, held against what was due: told by the owner, or read from a card statement.</summary>
internal static class ChargeEndpoints
{
    /// <summary>
    /// For how many charges at once it is looked for a reason: of each that is left, <c>why</c> can be asked by itself.
    /// </summary>
    private const int MostReasons = 20;

    private const int LongestText = 120;

    public static void MapCharges(this IEndpointRouteBuilder app)
    {
        var tenure = app.MapGroup("/api/orders/{orderId:guid}/upkeep");
        tenure.MapPost("/charges/{line:int}", TellAsync).WithName("tellCharge");
        tenure.MapGet("/charges/{line:int}/why", WhyAsync).WithName("explainCharge");
        tenure.MapGet("/letter/{book}", LetterAsync).WithName("overchargeLetter");
        app.MapPost("/api/sites/{siteId:guid}/upkeep/statement", StatementAsync).WithName("readStatement");
    }

    private static async Task<Results<NoContent, NotFoundProblem, ConflictProblem, UnprocessableProblem>> TellAsync(
        Guid orderId,
        int line,
        JsonBody<TellChargeBody> body,
        DecisionDesk decisions,
        CancellationToken cancel
    )
    {
        if (
            await decisions.OutlookAsync(orderId, cancel) is not var (kept, outlook)
            || MovementOf(kept, line) is not { } movement
        )
        {
            return TenureDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var (seen, taken) = (node["version"].Whole() ?? 0, node["taken"].Flag());
        if (taken is null)
        {
            node["taken"].Required("Whether it was taken");
        }

        var sign = movement.Charged is null ? -1 : 1;
        var total =
            taken == false ? Money.Zero(movement.Sum.Currency)
            : node["total"].IsAbsent ? movement.Sum
            : BoughtThereReader.Amount(node["total"], movement.Sum.Currency, "The sum") is { } typed
                ? new Money(typed.Units * sign, typed.Currency)
            : null as Money?;
        if (faults.Any || total is not { } sum)
        {
            return new UnprocessableProblem(faults);
        }

        var failed = taken == false && ChargeConfirmations.MayHaveFailed(kept.Tenure, kept.Book, movement);
        return
            await decisions.ChangeAsync(
                kept,
                seen,
                book =>
                    failed
                        ? ChargeConfirmations.NotTaken(kept.Tenure, book, movement)
                        : ChargeConfirmations.Seen(book, new SeenMovement(movement.Line, sum)),
                failed ? movement.On : null,
                cancel
            )
                is { } conflict
            ? conflict
            : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<TheirSumWire>, NoContent, NotFoundProblem, TooManyProblem>> WhyAsync(
        Guid orderId,
        int line,
        DecisionDesk decisions,
        WorkSlots turns,
        CancellationToken cancel
    )
    {
        if (
            await decisions.OutlookAsync(orderId, cancel) is not var (kept, _)
            || MovementOf(kept, line) is not { Seen: { } seen } movement
        )
        {
            return TenureDesk.Missing();
        }

        using var turn = await turns.CostingAsync(cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        return ChargeCheck.Why(kept.Tenure, movement, seen.Total, cancel) is { } why
            ? TypedResults.Ok(
                TheirSumWriter.Write(
                    why,
                    kept.Tenure.Candidate,
                    [.. kept.Tenure.Books],
                    kept.Tenure.Settings,
                    ChargeCheck.Sum(movement.Charged!, seen.Total)
                )
            )
            : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<LetterTextWire>, NotFoundProblem, TooManyProblem>> LetterAsync(
        Guid orderId,
        string book,
        DecisionDesk decisions,
        WorkSlots turns,
        CancellationToken cancel
    )
    {
        if (await decisions.OutlookAsync(orderId, cancel) is not var (kept, _))
        {
            return TenureDesk.Missing();
        }

        using var turn = await turns.CostingAsync(cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var over = Movement
            .ListAll(kept.Book)
            .Where(movement => movement.Book == book && movement.Over?.Units > 0)
            .Select(
                (movement, place) =>
                    (movement, place < MostReasons ? Reasons(kept.Tenure, movement, movement.Seen!.Total, cancel) : [])
            )
            .ToList();
        var reference = kept.Order.There is { } there
            ? there.Receipts.FirstOrDefault(receipt => receipt.Book == book)?.Reference
            : kept.Order.Reference;
        return over.Count == 0
            ? TenureDesk.Missing()
            : TypedResults.Ok(
                new LetterTextWire(
                    ChargeWords.Letter(kept.Tenure, book, kept.Order.Contact.Name.Trim(), reference, over)
                )
            );
    }

    // The statement is read anew when it is kept: what was shown is what is kept, or the day books went on meanwhile.
    private static async Task<
        Results<Ok<StatementWire>, NotFoundProblem, ConflictProblem, UnprocessableProblem, TooManyProblem>
    > StatementAsync(
        Guid siteId,
        JsonBody<StatementBody> body,
        SiteDesk sites,
        TenureDesk desk,
        DecisionDesk decisions,
        WorkSlots turns,
        CancellationToken cancel
    )
    {
        if (await sites.CountedAsync(siteId, cancel) is not var (_, settings))
        {
            return SiteDesk.Missing();
        }

        var faults = new FaultList();
        var node = new Node(body.Root, "", faults);
        var rows = StatementReader.Read(node["text"], settings.DisplayCurrency ?? Currency.Get("GBP"), cancel);
        if (faults.Any)
        {
            return new UnprocessableProblem(faults);
        }

        using var turn = await turns.CostingAsync(cancel);
        if (turn.Refusal is { } refusal)
        {
            return refusal;
        }

        var all = await desk.ListAsync(siteId, cancel);
        var matches = Statement.Match(
            rows,
            [.. all.Select(kept => new PaidOrder(kept.Order.Id, kept.Tenure, Movement.ListAll(kept.Book)))]
        );
        var keep = node["keep"].Flag() == true;
        if (keep && await KeepAsync(all, matches, decisions, cancel) is { } stale)
        {
            return stale;
        }

        var explained = matches
            .Where(match => match is { Agrees: false, Movement: not null, Seen: not null })
            .Take(MostReasons)
            .Select(match => match.Row.Number)
            .ToHashSet();
        return TypedResults.Ok(
            new StatementWire(
                [.. matches.Select(match => Row(match, all, explained.Contains(match.Row.Number), cancel))],
                rows.Length - matches.Length,
                keep
            )
        );
    }

    private static async Task<ConflictProblem?> KeepAsync(
        IReadOnlyList<LoadedTenure> all,
        ImmutableArray<StatementMatch> matches,
        DecisionDesk decisions,
        CancellationToken cancel
    )
    {
        foreach (var kept in all)
        {
            var seen = matches
                .Where(match => match is { Movement: not null, Seen: not null } && match.OrderId == kept.Order.Id)
                .ToList();
            if (seen.Count > 0)
            {
                var with = seen.Aggregate(kept.Book, (book, match) =>
                    ChargeConfirmations.Seen(
                        book,
                        new SeenMovement(match.Movement!.Line, match.Seen!.Value) { Statement = Kept(match.Row.Text) }
                    )
                );
                if (await decisions.SaveAsync(kept, with, cancel) is { } stale)
                {
                    return stale;
                }
            }
        }

        return null;
    }

    // Banks write card numbers into their rows.
    private static string Kept(string text) =>
        TypedSecret.In(text) is not null ? "a row that names the card"
        : text.Length > LongestText ? text[..LongestText]
        : text;

    private static StatementRowWire Row(
        StatementMatch match,
        IReadOnlyList<LoadedTenure> all,
        bool isExplained,
        CancellationToken cancel
    )
    {
        var kept = all.FirstOrDefault(kept => kept.Order.Id == match.OrderId);
        var reasons =
            isExplained && match is { Movement: { } movement, Seen: { } seen } && kept is not null
                ? Reasons(kept.Tenure, movement, seen, cancel)
                : [];
        var seller = all.SelectMany(had => had.Tenure.Books).First(book => book.Id == match.Book).Provider.Name;
        var (verdict, words) = ChargeWords.Verdict(match, reasons.Count > 0);
        return new StatementRowWire(
            match.Row.Number,
            match.Row.On,
            match.Row.Text,
            match.Row.Amount.ToAmount(),
            match.Row.Amount.Currency.Code,
            seller,
            verdict,
            match.Movement?.Sum.ToAmount(),
            match.Movement?.Sum.Currency.Code,
            words,
            reasons
        );
    }

    private static IReadOnlyList<string> Reasons(
        Tenure tenure,
        Movement movement,
        Money seen,
        CancellationToken cancel
    ) =>
        movement.Charged is { } charged
            ? ChargeWords.Reasons(
                ChargeCheck.Why(tenure, movement, seen, cancel),
                tenure,
                ChargeCheck.Sum(charged, seen)
            )
            : [];

    private static Movement? MovementOf(LoadedTenure kept, int line) =>
        Movement.ListAll(kept.Book).FirstOrDefault(movement => movement.Line == line);
}
