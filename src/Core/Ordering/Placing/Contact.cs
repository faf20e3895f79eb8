using HomeStart.Core.Basics;

namespace HomeStart.Core.Ordering;

/// <summary>Who orders. A registry may show this in its public record unless contact privacy is taken.</summary>
/// <param name="Telephone">In the international form, "+441632960123", where it could be read as that.</param>
/// <param name="Organisation">Null: a private person.</param>
/// <param name="State">The state or province, in countries whose addresses have one.</param>
public sealed record Contact(
    string Name,
    string Mail,
    string Street,
    string Town,
    string Postcode,
    string Country,
    string? Telephone,
    string? Organisation = null,
    string? State = null
)
{
    private const int Longest = 120;

    /// <summary>Reports each field that cannot be ordered with.</summary>
    /// <param name="at">Where it stands: <c>contact</c> or <c>holder</c>.</param>
    public void Check(FaultList faults, string at)
    {
        Need(Name, "name");
        Need(Street, "street");
        Need(Town, "town");
        var country = Countries.Get(Country);
        if (country.AsksPostcode)
        {
            Need(Postcode, "postcode");
        }

        if (country.AsksState)
        {
            Need(State ?? "", "state");
        }

        Fit(Organisation ?? "", "organisation");
        if (Country.Length != 2 || !Country.All(char.IsAsciiLetterUpper))
        {
            faults.Add(FaultCodes.Unknown, $"{at}.country", new CountryMissing());
        }

        if (!LooksLikeMail(Mail))
        {
            faults.Add(
                Mail.Length == 0 ? FaultCodes.Required : FaultCodes.BadType,
                $"{at}.mail",
                new NotAMailAddress()
            );
        }

        if (
            Telephone is { Length: > 0 } number
            && (
                number.Length > 30
                || number.Count(char.IsAsciiDigit) < 6
                || number.Any(letter =>
                    !char.IsAsciiDigit(letter) && !"+ ()-".Contains(letter, StringComparison.Ordinal)
                )
            )
        )
        {
            faults.Add(FaultCodes.BadType, $"{at}.telephone", new NotATelephone());
        }

        void Need(string text, string field)
        {
            if (string.IsNullOrWhiteSpace(text))
            {
                faults.Add(FaultCodes.Required, $"{at}.{field}", new ContactMissing(field));
            }
            else
            {
                Fit(text, field);
            }
        }

        void Fit(string text, string field)
        {
            if (text.Any(char.IsControl))
            {
                faults.Add(FaultCodes.BadType, $"{at}.{field}", new ContactNotOneLine());
            }
            else if (text.Length > Longest)
            {
                faults.Add(FaultCodes.OutOfRange, $"{at}.{field}", new ContactTooLong(Longest, text.Length));
            }
        }
    }

    /// <summary>Whether a text may be a mail address: one sign @ with a domain behind it.</summary>
    public static bool LooksLikeMail(string text)
    {
        var at = text.IndexOf('@', StringComparison.Ordinal);
        return at > 0
            && at == text.LastIndexOf('@')
            && text.IndexOf('.', at) > at + 1
            && text[^1] != '.'
            && text.Length <= Longest
            && !text.Any(letter =>
                char.IsWhiteSpace(letter)
                || char.IsControl(letter)
                || char.GetUnicodeCategory(letter) == System.Globalization.UnicodeCategory.Format
            );
    }
}
