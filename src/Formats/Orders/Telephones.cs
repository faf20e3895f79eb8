using PhoneNumbers;

namespace HomeStart.Formats.Orders;

/// <summary>Reads telephone numbers as people in a country write them.</summary>
public static class Telephones
{
    /// <summary>The number in the international form (E.164): "+441632960123"; null where it cannot be one.</summary>
    /// <param name="country">The ISO 3166 code of the country it is dialled from.</param>
    public static string? Read(string typed, string country)
    {
        var numbers = PhoneNumberUtil.GetInstance();
        try
        {
            var number = numbers.Parse(typed, country);
            return numbers.IsPossibleNumber(number) ? numbers.Format(number, PhoneNumberFormat.E164) : null;
        }
        catch (NumberParseException)
        {
            return null;
        }
    }
}
