using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Domains;

/// <summary>Reads what is sent of a domain that the owner has.</summary>
public static class OwnedReader
{
    /// <summary>
    /// The domain, its transfer code and where it would go; null with what is wrong in <paramref name="faults"/>.
    /// </summary>
    public static (DomainName Domain, TransferCode Code, string Book)? ReadTransfer(
        JsonElement root,
        IEnumerable<OfferBook> books,
        FaultList faults
    )
    {
        var node = new Node(root, "", faults);
        node.IsObject();
        var domain = ReadDomain(node["domain"].Text(), "domain", faults);
        var code = TransferCode.Read(node["code"].Text());
        if (code is null)
        {
            node["code"]
                .Fault(
                    FaultCodes.BadType,
                    $"A transfer code has {TransferCode.Shortest} to {TransferCode.Longest} letters, digits and "
                        + "signs, without spaces: copy it from the present seller’s page or mail."
                );
        }

        var book = books.FirstOrDefault(book => book.Id == node["book"].Text());
        if (book is null)
        {
            node["book"].Fault(FaultCodes.Unknown, "Choose where to move it.");
        }
        else if (domain is not null && book.Domain(Ending(domain))?.Transfer is null)
        {
            node["book"]
                .Fault(
                    FaultCodes.Unavailable,
                    $"{book.Provider.Name} takes in no domains that end in .{Ending(domain)}."
                );
        }

        return faults.Any ? null : (domain!, code!, book!.Id);
    }

    /// <summary>
    /// The domain as it is kept, and where it could be moved to; null with what is wrong in <paramref name="faults"/>.
    /// Until when it is paid and what a year costs may be left out.
    /// </summary>
    public static (DomainChoice Keep, string Book)? ReadOwned(JsonElement root, Currency currency, FaultList faults)
    {
        var node = new Node(root, "", faults);
        node.IsObject();
        var domain = ReadDomain(node["domain"].Text(), "domain", faults);
        var expires = node["expires"].Date();
        var code = node["currency"].Text();
        if (code is not null && !Currency.TryGet(code, out _))
        {
            faults.Add(FaultCodes.Unknown, "currency", new NoSuchCurrency(code));
        }

        var paidIn = code is not null && Currency.TryGet(code, out var named) ? named : currency;
        node["renewal"].Amount(paidIn);
        var renewal = ExactDecimal.TryParse(node["renewal"].Text(), out var exact) ? exact : (ExactDecimal?)null;
        var book = node["book"].RequiredText("Where it could be moved to");
        return faults.Any
            ? null
            : (
                new DomainChoice(DomainRoute.Keep)
                {
                    Name = Label(domain!),
                    Ending = Ending(domain!),
                    Expires = expires,
                    Renewal = renewal,
                    Currency = renewal is null ? null : paidIn,
                },
                book!
            );
    }

    /// <summary>A domain that somebody has, as it was typed or copied; null where it is none.</summary>
    public static DomainName? ReadDomain(string? typed, string where, FaultList faults)
    {
        var read = NameData.Reader.Read(typed is { Length: <= NameReader.Longest } ? typed : "", null, null);
        var domain = read is { Ascii: { } ascii, Ending: { } ending, Problems.IsEmpty: true }
            ? DomainName.Parse(ascii, ending).Domain
            : null;
        if (domain is null)
        {
            faults.Say(
                FaultCodes.BadType,
                where,
                read.Problems is [not NameProblem.Empty and var problem, ..]
                    ? NameWords.Sentence(problem)
                    : "Write the domain with its ending, such as ostlerwren.co.uk."
            );
        }

        return domain;
    }

    /// <summary>What stands before a host's own domain in an address that it lends for a site.</summary>
    public static string LentLabel(string site) =>
        NameData.Reader.Read(site, null, null) is { Ascii: { } ascii, Problems.IsEmpty: true } ? ascii : "site";

    private static string Label(DomainName domain) => domain.Text[..domain.Text.IndexOf('.', StringComparison.Ordinal)];

    private static string Ending(DomainName domain) =>
        domain.Text[(domain.Text.IndexOf('.', StringComparison.Ordinal) + 1)..];
}
