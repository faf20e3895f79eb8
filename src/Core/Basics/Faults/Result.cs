using System.Diagnostics.CodeAnalysis;

namespace HomeStart.Core.Basics;

/// <summary>
/// What came of working something out: the value, or all that bars it. Neither, where something is merely not chosen
/// yet.
/// </summary>
public sealed class Result<T>
    where T : class
{
    internal Result(T? value, FaultList faults) => (Value, Faults) = (value, faults);

    /// <summary>Null where there are faults, or something is not chosen yet.</summary>
    public T? Value { get; }

    /// <summary>Empty where there is a value.</summary>
    public FaultList Faults { get; }

    /// <summary>The value as something else; what bars it stays.</summary>
    public Result<TOther> As<TOther>(Func<T, TOther> other)
        where TOther : class => Result.From(Value is null ? null : other(Value), Faults);

    /// <summary>Whether there is a value, and the value.</summary>
    public bool Has([NotNullWhen(true)] out T? value) => (value = Value) is not null;
}

/// <summary>Makes results.</summary>
public static class Result
{
    /// <summary>The value, unless any fault was found.</summary>
    public static Result<T> From<T>(T? value, FaultList faults)
        where T : class => new(faults.Any ? null : value, faults);
}
