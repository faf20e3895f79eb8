using HomeStart.Web.Startup;

namespace HomeStart.Web.Orders;

/// <summary>Carries one action of an order out at the counterpart it belongs to.</summary>
public sealed class OrderActions(
    IPaymentProcessor payments,
    IHostingCompany hosts,
    IRegistrar registrar,
    OpenAddress open
)
{
    // Orders of the first release could hold a text that no registry would take.
    private static readonly Outcome NoDomain = new(
        OutcomeState.Refused,
        "no-domain",
        "This is not a domain name that can be registered."
    );

    /// <param name="today">The business date.</param>
    public async Task<Outcome> CarryOutAsync(
        World world,
        Order order,
        OrderAction action,
        DateOnly today,
        CancellationToken cancel
    )
    {
        switch (action.Kind)
        {
            case ActionKind.Do:
                return await DoAsync(world, order, action.Step, today, cancel);
            case ActionKind.QueryThenExecute:
                var before = await AskAsync(world, action.Step, voidIfUnsettled: false, today, cancel);
                return before.State == OutcomeState.NeverHappened
                    ? await DoAsync(world, order, action.Step, today, cancel)
                    : before;
            case ActionKind.Look:
                return await AskAsync(world, action.Step, voidIfUnsettled: false, today, cancel);
            case ActionKind.Settle:
                return await AskAsync(world, action.Step, voidIfUnsettled: true, today, cancel);
            default:
                return await UndoAsync(world, order, action.Step, cancel);
        }
    }

    private Task<Outcome> AskAsync(
        World world,
        OrderStep step,
        bool voidIfUnsettled,
        DateOnly today,
        CancellationToken cancel
    ) =>
        step.Kind switch
        {
            StepKind.Hold or StepKind.Capture => payments.AskAsync(world, step.Key, voidIfUnsettled, today, cancel),
            StepKind.Prepare => hosts.AskAsync(world, step.Key, voidIfUnsettled, cancel),
            _ => registrar.AskAsync(world, step.Key, voidIfUnsettled, today, cancel),
        };

    private Task<Outcome> DoAsync(World world, Order order, OrderStep step, DateOnly today, CancellationToken cancel)
    {
        var things = order.Things;
        switch (step.Kind)
        {
            case StepKind.Hold:
                return payments.HoldAsync(world, step.Key, Asked(order, step, today), cancel);
            case StepKind.Prepare:
                return hosts.PrepareAsync(
                    world,
                    step.Key,
                    step.Book,
                    things.Hosting!.Plan,
                    order.QuoteAt(step.Book),
                    things.Hosting.Address,
                    order.Contact.Mail,
                    order.LogIn?.Token,
                    cancel
                );
            case StepKind.Register:
                return OfDomain(order, step, domain =>
                    registrar.RegisterAsync(world, step.Key, Registered(order, domain), cancel)
                );
            case StepKind.Transfer:
                return OfDomain(order, step, domain =>
                    registrar.TransferAsync(
                        world,
                        step.Key,
                        domain.TransferToken ?? "",
                        Registered(order, domain) with
                        {
                            On = today,
                        },
                        cancel
                    )
                );
            case StepKind.Join:
                return DomainName.Parse(step.Domain ?? "") is { } name
                    ? registrar.PointAsync(world, step.Key, step.Book, name, order.Account!.NameServers, cancel)
                    : Task.FromResult(NoDomain);
            case StepKind.Capture:
                return payments.CaptureAsync(
                    world,
                    step.Key,
                    HoldKey(order, step),
                    null,
                    PaymentOf(order, step).By(step.Way),
                    cancel
                );
            default:
                throw new InvalidOperationException($"Nobody carries out {step.Kind}.");
        }
    }

    private PaymentRequest Asked(Order order, OrderStep step, DateOnly today)
    {
        var payment = PaymentOf(order, step);
        return new PaymentRequest(
            order.QuoteAt(step.Book),
            step.Way.ToString().ToLowerInvariant(),
            step.Way == PayWay.Card ? order.CardToken : null,
            payment.By(step.Way),
            payment.Book,
            payment.Seller,
            Receipt.NumberOf(order, payment.Book),
            new Uri(open.For(order), $"/sites/{order.SiteId}/orders/{order.Id}"),
            today
        );
    }

    private static Payment PaymentOf(Order order, OrderStep step) =>
        order.Things.Payments.First(payment => payment.Book == step.Book);

    private static Task<Outcome> OfDomain(Order order, OrderStep step, Func<OrderedDomain, Task<Outcome>> ask) =>
        order.Things.Domains.FirstOrDefault(domain => domain.Book == step.Book && domain.Name?.Text == step.Domain)
            is { Name: not null } domain
            ? ask(domain)
            : Task.FromResult(NoDomain);

    private static Registration Registered(Order order, OrderedDomain domain)
    {
        var holder = order.RegisteredTo;
        return new Registration(
            domain.Book,
            order.QuoteAt(domain.Book),
            domain.Name!,
            domain.Years,
            holder.Organisation ?? holder.Name,
            holder.Mail,
            holder.Country,
            domain.Private,
            domain.Premium,
            order.PlacedOn
        );
    }

    private Task<Outcome> UndoAsync(World world, Order order, OrderStep step, CancellationToken cancel) =>
        step.Kind == StepKind.Prepare
            ? hosts.RemoveAsync(world, step.Key + "-undo", order.Account!.Id, cancel)
            : payments.ReleaseAsync(world, step.Key + "-undo", step.Key, cancel);

    private static string HoldKey(Order order, OrderStep capture) =>
        order
            .Steps.First(step => step.Kind == StepKind.Hold && step.Book == capture.Book && step.Way == capture.Way)
            .Key;
}
