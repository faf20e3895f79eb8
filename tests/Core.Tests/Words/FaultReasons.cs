using System.Numerics;
using System.Reflection;

namespace HomeStart.Core.Tests;

/// <summary>Every reason for a fault that the rooms of Core have.</summary>
internal static class FaultReasons
{
    public static readonly Type[] Kinds =
    [
        .. typeof(FaultReason).Assembly.GetTypes().Where(type => type.BaseType == typeof(FaultReason)),
    ];

    /// <summary>One of a kind; where a figure of it is one of a few words, one for each word.</summary>
    public static IEnumerable<FaultReason> Samples(Type reason)
    {
        var maker = reason.GetConstructors().Single();
        var choices = maker.GetParameters().Select(Values).ToList();
        for (var at = 0; at < choices.Select(values => values.Length).Append(1).Max(); at++)
        {
            yield return (FaultReason)
                maker.Invoke([.. choices.Select(values => values[Math.Min(at, values.Length - 1)])]);
        }

        object[] Values(ParameterInfo figure) =>
            figure.ParameterType switch
            {
                { IsEnum: true } words => [.. Enum.GetValues(words).Cast<object>()],
                var type when type == typeof(int) => [1],
                var type when type == typeof(long) => [1L],
                var type when type == typeof(BigInteger) => [BigInteger.One],
                var type when type == typeof(DateOnly) => [new DateOnly(2026, 11, 30)],
                var type when type == typeof(Currency) => [Currency.Get("GBP")],
                var type when type == typeof(DomainFault) => [DomainName.Parse("a b", "com").Fault!],
                _ when reason == typeof(Said) => ["Said so."],
                _ when reason == typeof(ContactMissing) => ["name", "street", "town", "postcode", "state"],
                _ => ["one"],
            };
    }
}
