namespace HomeStart.Web.Orders;

/// <summary>Carries one action of an order out at the counterpart it belongs to.</summary>
public sealed class OrderActions(ICardProcessor cards, IHostingCompany hosts, IRegistrar registrar)
{
    // Orders of the first release could hold a text that no registry would take.
    private static readonly Outcome NoDomain = new(OutcomeState.Refused, "no-domain", "This is not a domain name that can be registered.");

    public async Task<Outcome> CarryOutAsync(World world, Order order, OrderAction action, CancellationToken cancel)
    {
        switch (action.Kind)
        {
            case ActionKind.Do:
                return await DoAsync(world, order, action.Step, cancel);
            case ActionKind.AskThenDo:
                var before = await AskAsync(world, action.Step, orVoid: false, cancel);
                return before.State == OutcomeState.NeverHappened ? await DoAsync(world, order, action.Step, cancel) : before;
            case ActionKind.Settle:
                return await AskAsync(world, action.Step, orVoid: true, cancel);
            default:
                return await UndoAsync(world, order, action.Step, cancel);
        }
    }

    private Task<Outcome> AskAsync(World world, OrderStep step, bool orVoid, CancellationToken cancel) =>
        step.Kind switch
        {
            StepKind.Hold or StepKind.Capture => cards.AskAsync(world, step.Key, orVoid, cancel),
            StepKind.Prepare => hosts.AskAsync(world, step.Key, orVoid, cancel),
            _ => registrar.AskAsync(world, step.Key, orVoid, cancel),
        };

    private Task<Outcome> DoAsync(World world, Order order, OrderStep step, CancellationToken cancel)
    {
        var things = order.Things;
        switch (step.Kind)
        {
            case StepKind.Hold:
                var payment = things.Payments.First(payment => payment.Book == step.Book);
                return cards.HoldAsync(world, step.Key, order.CardToken, payment.Amount, payment.Seller, cancel);
            case StepKind.Prepare:
                return hosts.PrepareAsync(world, step.Key, step.Book, things.Hosting!.Plan, things.Hosting.Address, order.Contact.Mail, cancel);
            case StepKind.Register:
                return RegisterAsync(world, order, step, things.Domain!, cancel);
            case StepKind.Join:
                return things.Domain!.Name is { } name ? registrar.PointAsync(world, step.Key, step.Book, name, order.Account!.NameServers, cancel) : Task.FromResult(NoDomain);
            case StepKind.Capture:
                return cards.CaptureAsync(world, step.Key, HoldKey(order, step), cancel);
            default:
                throw new InvalidOperationException($"Nobody carries out {step.Kind}.");
        }
    }

    private Task<Outcome> RegisterAsync(World world, Order order, OrderStep step, OrderedDomain domain, CancellationToken cancel) =>
        domain.Name is { } name
            ? registrar.RegisterAsync(
                world, step.Key, new Registration(domain.Book, name, domain.Years, order.Contact.Organisation ?? order.Contact.Name, order.Contact.Mail, order.Contact.Country, domain.Private, domain.Premium, order.PlacedOn), cancel)
            : Task.FromResult(NoDomain);

    private Task<Outcome> UndoAsync(World world, Order order, OrderStep step, CancellationToken cancel) =>
        step.Kind == StepKind.Prepare
            ? hosts.RemoveAsync(world, step.Key + "-undo", order.Account!.Id, cancel)
            : cards.ReleaseAsync(world, step.Key + "-undo", step.Key, cancel);

    private static string HoldKey(Order order, OrderStep capture) => order.Steps.First(step => step.Kind == StepKind.Hold && step.Book == capture.Book).Key;
}
