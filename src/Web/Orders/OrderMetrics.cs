using System.Diagnostics.Metrics;

namespace HomeStart.Web.Orders;

/// <summary>
/// Counts what orders ask of counterparts and what comes of it, so that whoever runs it sees a counterpart failing
/// before owners call.
/// </summary>
public sealed class OrderMetrics(IMeterFactory meters)
{
    public const string MeterName = "HomeStart.Orders";

    private readonly Counter<long> _actions = meters
        .Create(MeterName)
        .CreateCounter<long>("home_start.order.actions", description: "Actions of orders, by step and outcome.");

    public void Count(OrderAction action, Outcome outcome) =>
        _actions.Add(
            1,
            new KeyValuePair<string, object?>("step", action.Step.Kind.ToString()),
            new KeyValuePair<string, object?>("outcome", outcome.State.ToString())
        );
}
