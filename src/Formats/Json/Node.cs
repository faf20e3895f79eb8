using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using HomeStart.Formats.Foreign;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Json;

/// <summary>
/// A place in a JSON document that is read into values and faults: what is missing or of another type is reported with
/// its path, and reading goes on, so that all faults come back at once. An absent field and null are the same, but for
/// prices (costing.md, wire format).
/// </summary>
public readonly struct Node
{
    /// <summary>The longest text read anywhere in a request.</summary>
    public const int LongestText = 2000;

    private readonly JsonElement? _element;
    private readonly FaultList _faults;

    public Node(JsonElement? element, string where, FaultList faults) =>
        (_element, Where, _faults) = (element, where, faults);

    /// <summary>The path of this place.</summary>
    public string Where { get; }

    public FaultList Faults => _faults;

    /// <summary>Whether the field is there at all; null counts as there only for <see cref="IsNull"/>.</summary>
    public bool IsAbsent => _element is not { ValueKind: not JsonValueKind.Null };

    /// <summary>Whether the field is there and says null.</summary>
    public bool IsNull => _element is { ValueKind: JsonValueKind.Null };

    public JsonElement? Element => _element;

    public Node this[string field]
    {
        get
        {
            var where = Where.Length == 0 ? field : $"{Where}.{field}";
            return
                _element is { ValueKind: JsonValueKind.Object } element && element.TryGetProperty(field, out var value)
                ? new Node(value, where, _faults)
                : new Node(null, where, _faults);
        }
    }

    /// <summary>Reports that this must be there.</summary>
    public void Required(string what) => _faults.Say(FaultCodes.Required, Where, $"{what} is missing.");

    public void Fault(string code, string message) => _faults.Say(code, Where, message);

    /// <summary>Whether this is an object; anything else but absence is reported.</summary>
    public bool IsObject() => Is(JsonValueKind.Object, "an object");

    /// <summary>The text, or null where it is absent or, reported, of another type.</summary>
    public string? Text()
    {
        if (!Is(JsonValueKind.String, "text"))
        {
            return null;
        }

        var text = _element!.Value.GetString()!;
        if (text.Length > LongestText)
        {
            Fault(FaultCodes.OutOfRange, $"This text has {text.Length} characters; at most {LongestText} are read.");
            return null;
        }

        if (PlainText.Unwritable(text) is { } letter)
        {
            Fault(
                FaultCodes.BadType,
                $"This text holds a character that cannot be seen (U+{(int)letter:X4}): type it again without."
            );
            return null;
        }

        return text;
    }

    public string? RequiredText(string what)
    {
        if (IsAbsent)
        {
            Required(what);
        }

        return Text();
    }

    public bool? Flag()
    {
        if (_element is { ValueKind: JsonValueKind.True or JsonValueKind.False } element)
        {
            return element.GetBoolean();
        }

        WrongType("true or false");
        return null;
    }

    /// <summary>
    /// A whole number; one too large for 32 bits becomes the largest there is, for the range check that follows.
    /// </summary>
    public int? Whole()
    {
        if (!Is(JsonValueKind.Number, "a whole number"))
        {
            return null;
        }

        var number = _element!.Value.GetDouble();
        if (Math.Floor(number) != number)
        {
            WrongType("a whole number");
            return null;
        }

        return (int)Math.Clamp(number, int.MinValue, int.MaxValue);
    }

    public DateOnly? Date()
    {
        if (Text() is not { } text)
        {
            return null;
        }

        if (DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date))
        {
            return date;
        }

        Fault(FaultCodes.BadDate, "This is not a date: write year, month and day, such as \"2026-12-01\".");
        return null;
    }

    /// <summary>A percentage from 0 to <paramref name="most"/>, written as text.</summary>
    public ExactDecimal? Percent(int most)
    {
        if (Text() is not { } text)
        {
            return null;
        }

        if (ExactDecimal.TryParse(text, out var percent) && percent.IsAtMost(most))
        {
            return percent;
        }

        Fault(
            FaultCodes.OutOfRange,
            $"This must be a percentage from 0 to {most}, written as text such as \"20\" or \"8.875\"."
        );
        return null;
    }

    /// <summary>
    /// An amount in minor units; null where it is absent, or cannot be read, which is reported. Without a currency only
    /// its shape is checked.
    /// </summary>
    public Minor? Amount(Currency? currency)
    {
        if (IsAbsent)
        {
            return null;
        }

        if (currency is null)
        {
            AmountNumber();
            return null;
        }

        var text = _element!.Value.ValueKind == JsonValueKind.String ? _element.Value.GetString() : null;
        return Amounts.Read(text, currency, Where, _faults);
    }

    /// <summary>An amount whose currency is not known here; what is none in any currency is reported.</summary>
    public ExactDecimal? AmountNumber()
    {
        if (
            _element is { ValueKind: JsonValueKind.String } element
            && ExactDecimal.TryParse(element.GetString(), out var number)
        )
        {
            return number;
        }

        if (!IsAbsent)
        {
            Fault(FaultCodes.BadAmount, "This is not an amount: write it as text, such as \"47.40\".");
        }

        return null;
    }

    /// <summary>The currency of a code, which must be there.</summary>
    public Currency? RequiredCurrency() => RequiredText("The currency") is null ? null : CurrencyCode();

    /// <summary>The currency of a code; one that is not known is reported.</summary>
    public Currency? CurrencyCode()
    {
        if (Text() is not { } code)
        {
            return null;
        }

        if (!Currency.TryGet(code, out var currency))
        {
            Fault(FaultCodes.Unknown, $"“{code}” is not the code of a currency, such as GBP.");
        }

        return currency;
    }

    /// <summary>
    /// The items of a list; none where it is absent or, reported, of another type or longer than
    /// <paramref name="most"/>.
    /// </summary>
    public ImmutableArray<Node> Items(int most = 1000)
    {
        if (!Is(JsonValueKind.Array, "a list"))
        {
            return [];
        }

        var element = _element!.Value;
        if (element.GetArrayLength() > most)
        {
            Fault(FaultCodes.OutOfRange, $"This list has {element.GetArrayLength()} items; at most {most} are read.");
            return [];
        }

        var (where, faults) = (Where, _faults);
        return [.. element.EnumerateArray().Select((item, index) => new Node(item, $"{where}[{index}]", faults))];
    }

    /// <summary>The texts of a list; an item of another type is reported and left out.</summary>
    public ImmutableArray<string> Texts(int most = 1000) =>
        [.. Items(most).Select(item => item.RequiredText("The text")).OfType<string>()];

    /// <summary>The value that a word stands for; another word is reported as unknown.</summary>
    public T? Word<T>(params (string Word, T Value)[] words)
        where T : struct
    {
        if (Text() is not { } text)
        {
            return null;
        }

        foreach (var (word, value) in words)
        {
            if (word == text)
            {
                return value;
            }
        }

        Fault(
            FaultCodes.Unknown,
            $"“{text}” is not known here; it is one of: {string.Join(", ", words.Select(known => known.Word))}."
        );
        return null;
    }

    private bool Is(JsonValueKind kind, string what)
    {
        if (_element?.ValueKind == kind)
        {
            return true;
        }

        WrongType(what);
        return false;
    }

    private void WrongType(string what)
    {
        if (!IsAbsent)
        {
            Fault(FaultCodes.BadType, $"This must be {what}.");
        }
    }
}
