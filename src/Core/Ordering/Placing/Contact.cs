using HomeStart.Core.Basics;

namespace HomeStart.Core.Ordering;

/// <summary>Who orders. A registry may show this in its public record unless contact privacy is taken.</summary>
public sealed record Contact(string Name, string Mail, string Street, string Town, string Postcode, string Country, string? Telephone)
{
    private const int Longest = 120;

    /// <summary>Reports each field that cannot be ordered with, at <c>contact.…</c>.</summary>
    public void Check(FaultList faults)
    {
        Need(Name, "name", "your name");
        Need(Street, "street", "the street and number");
        Need(Town, "town", "the town");
        Need(Postcode, "postcode", "the postcode");
        if (Country.Length != 2 || !Country.All(char.IsAsciiLetterUpper))
        {
            faults.Add(FaultCodes.Unknown, "contact.country", "Choose the country.");
        }

        if (!LooksLikeMail(Mail))
        {
            faults.Add(Mail.Length == 0 ? FaultCodes.Required : FaultCodes.BadType, "contact.mail", "Type a mail address, such as you@example.com: the confirmation goes there.");
        }

        if (Telephone is { Length: > 0 } number && (number.Length > 30 || number.Count(char.IsAsciiDigit) < 6 || number.Any(letter => !char.IsAsciiDigit(letter) && !"+ ()-".Contains(letter, StringComparison.Ordinal))))
        {
            faults.Add(FaultCodes.BadType, "contact.telephone", "A telephone number has digits, spaces and at most a leading +. It may be left out.");
        }

        void Need(string text, string field, string what)
        {
            if (string.IsNullOrWhiteSpace(text))
            {
                faults.Add(FaultCodes.Required, $"contact.{field}", $"Type {what}.");
            }
            else if (text.Length > Longest)
            {
                faults.Add(FaultCodes.OutOfRange, $"contact.{field}", $"At most {Longest} characters; this has {text.Length}.");
            }
        }
    }

    private static bool LooksLikeMail(string text)
    {
        var at = text.IndexOf('@', StringComparison.Ordinal);
        return at > 0 && at == text.LastIndexOf('@') && text.IndexOf('.', at) > at + 1 && text[^1] != '.' && text.Length <= Longest && !text.Any(char.IsWhiteSpace);
    }
}
