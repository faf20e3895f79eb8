using System.Text.Json;
using System.Text.Json.Serialization;

namespace HomeStart.Data;

/// <summary>A value of Core that documents keep as a text.</summary>
internal abstract class TextConverter<T> : JsonConverter<T>
    where T : class
{
    public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        Parse(reader.GetString()) is { } value ? value : throw new JsonException($"This is no {typeof(T).Name}.");

    public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString());

    /// <summary>The value; null where the text is none.</summary>
    protected abstract T? Parse(string? text);
}

/// <summary>"0.79": a number as it was written.</summary>
internal sealed class ExactDecimalConverter : JsonConverter<ExactDecimal>
{
    public override ExactDecimal Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        ExactDecimal.TryParse(reader.GetString(), out var number)
            ? number
            : throw new JsonException("This is not a decimal number.");

    public override void Write(Utf8JsonWriter writer, ExactDecimal value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString());
}

/// <summary>"GBP".</summary>
internal sealed class CurrencyConverter : TextConverter<Currency>
{
    protected override Currency? Parse(string? text) => Currency.TryGet(text, out var currency) ? currency : null;
}

/// <summary>"ostlerwren.co.uk".</summary>
internal sealed class DomainNameConverter : TextConverter<DomainName>
{
    protected override DomainName? Parse(string? text) => DomainName.Parse(text);
}

/// <summary><c>{ "amount": "47.40", "currency": "GBP" }</c>; also of what is given back: "-3.00".</summary>
internal sealed class MoneyConverter : JsonConverter<Money>
{
    private sealed record Written(string Amount, Currency Currency);

    public override Money Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var written = JsonSerializer.Deserialize<Written>(ref reader, options)
            ?? throw new JsonException("This is no sum of money.");
        var isBelowZero = written.Amount.StartsWith('-');
        if (
            Money.TryParse(isBelowZero ? written.Amount[1..] : written.Amount, written.Currency, out var money)
            != AmountFault.None
        )
        {
            throw new JsonException("This is no sum of money.");
        }

        return isBelowZero ? Money.Zero(money.Currency) - money : money;
    }

    public override void Write(Utf8JsonWriter writer, Money value, JsonSerializerOptions options) =>
        JsonSerializer.Serialize(writer, new Written(value.ToAmount(), value.Currency), options);
}
