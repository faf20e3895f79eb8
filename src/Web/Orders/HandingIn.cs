using HomeStart.Formats.Orders;
using HomeStart.Formats.Words;
using HomeStart.Web.Session;

namespace HomeStart.Web.Orders;

/// <summary>
/// What an order needs from its counterparts before it is placed: how each seller is paid, and something that stands
/// for every secret, so that none is kept here.
/// </summary>
public sealed class HandingIn(
    Workspace workspace,
    IRegistrar registrar,
    IHostingCompany hosts,
    ISellers sellers,
    IPaymentProcessor processor
)
{
    /// <summary>The payments as the owner wants them: the balance first, where it is to pay.</summary>
    public async Task<OrderedThings> PaidAsync(
        OrderedThings things,
        PlaceOrder wanted,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var payments = things.Payments.ToBuilder();
        for (var i = 0; i < payments.Count; i++)
        {
            var (way, balance) = wanted.Payments.GetValueOrDefault(payments[i].Book);
            payments[i] = payments[i] with { Way = way };
            payments[i] =
                balance && await BalanceAsync(payments[i], faults, cancel) is { } there
                    ? payments[i].PaidFrom(there)
                    : payments[i];
        }

        if (wanted.Card is null && payments.Any(payment => payment.Ways.Contains(PayWay.Card)))
        {
            faults.Say(FaultCodes.Required, "card", "Give a card, or choose another way to pay.");
        }

        return things with
        {
            Payments = payments.ToImmutable(),
        };
    }

    /// <summary>The domains that are moved in, each with what its registrar gives for the code.</summary>
    public async Task<OrderedThings> WithTransfersAsync(
        OrderedThings things,
        PlaceOrder wanted,
        FaultList faults,
        CancellationToken cancel
    )
    {
        var (today, domains) = (await workspace.BusinessDateAsync(cancel), things.Domains.ToBuilder());
        for (var i = 0; i < domains.Count; i++)
        {
            if (domains[i] is { Route: DomainRoute.Transfer, Name: { } name } moved)
            {
                domains[i] = moved with
                {
                    TransferToken = await TokenAsync(moved, name, wanted, today, faults, cancel),
                };
            }
        }

        return things with
        {
            Domains = domains.ToImmutable(),
        };
    }

    /// <summary>The log-in the owner chose, handed in at the host; null: they chose none.</summary>
    public async Task<ChosenLogIn?> LogInAsync(
        OrderedThings things,
        PlaceOrder wanted,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (wanted.LogIn is not var (user, passcode) || things.Hosting is not { } hosting)
        {
            return null;
        }

        if (await hosts.LogInRulesAsync(workspace.World, hosting.Book, cancel) is not { } rules)
        {
            faults.Say(
                FaultCodes.Unavailable,
                "logIn.user",
                $"{hosting.Provider} did not answer what a log-in must be like. Try again, or leave both empty: "
                    + "then it makes one."
            );
            return null;
        }

        foreach (
            var rule in Enum.GetValues<LogInRule>()
                .Where(rule => rules.IsMet(rule, user, passcode) != true)
                .DistinctBy(LogInWords.Field)
        )
        {
            faults.Say(FaultCodes.BadType, $"logIn.{LogInWords.Field(rule)}", LogInWords.Rule(rule, rules));
        }

        if (faults.Any)
        {
            return null;
        }

        var deposit = await hosts.DepositLogInAsync(workspace.World, hosting.Book, user, passcode, cancel);
        if (deposit is not { Token: { } token })
        {
            faults.Say(
                FaultCodes.Unavailable,
                "logIn.user",
                deposit?.Refusal
                    ?? $"{hosting.Provider} did not take the log-in in. Try again, or leave both empty: then it "
                        + "makes one."
            );
            return null;
        }

        return new ChosenLogIn(user, token);
    }

    /// <summary>
    /// What the processor knows of a card: nobody else's word counts for its last digits. Null where it did not answer,
    /// which holding the money will find out; a card it does not know is reported.
    /// </summary>
    public async Task<KnownCard?> CardAsync(string token, string where, FaultList faults, CancellationToken cancel)
    {
        var card = await processor.CardAsync(workspace.World, token, cancel);
        if (card == KnownCard.Unknown)
        {
            faults.Say(
                FaultCodes.Unknown,
                where,
                "The payment processor does not know this card any more. Nothing was charged; type the card’s "
                    + "number again."
            );
        }

        return card;
    }

    private async Task<Money?> BalanceAsync(Payment payment, FaultList faults, CancellationToken cancel)
    {
        if (
            await sellers.BalanceAsync(workspace.World, payment.Book, cancel) is not { } balance
            || balance.Currency != payment.Amount.Currency
        )
        {
            faults.Say(
                FaultCodes.Unavailable,
                $"payments.{payment.Book}",
                $"{payment.Seller} did not say that there is a balance. Try again, or pay all of it another way."
            );
            return null;
        }

        return balance;
    }

    private async Task<string?> TokenAsync(
        OrderedDomain domain,
        DomainName name,
        PlaceOrder wanted,
        DateOnly today,
        FaultList faults,
        CancellationToken cancel
    )
    {
        if (!wanted.Transfers.TryGetValue(name.Text, out var code))
        {
            faults.Say(
                FaultCodes.Required,
                $"transfers.{name}",
                $"Type the transfer code of {name}: its present seller gives it out."
            );
            return null;
        }

        var answer = await registrar.CheckTransferAsync(workspace.World, domain.Book, name, code, today, cancel);
        if (answer is { State: TransferState.Ready, Token: { } token })
        {
            return token;
        }

        faults.Say(FaultCodes.Unavailable, $"transfers.{name}", NameWords.InTheWay(name, answer));
        return null;
    }
}
