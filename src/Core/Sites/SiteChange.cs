using System.Collections.Immutable;

namespace HomeStart.Core;

/// <summary>Carries commands out. Nothing already chosen is lost by choosing something else where it can still hold.</summary>
public static class SiteChange
{
    /// <summary>How many codes one candidate can try.</summary>
    public const int MostCodes = 20;

    /// <summary>The site after a command given on a business date, or the site as it was with what is wrong in <paramref name="faults"/>, placed at the command's fields.</summary>
    public static Site Apply(Site site, SiteCommand command, IReadOnlyList<OfferBook> books, DateOnly today, FaultList faults)
    {
        var before = faults.Faults.Count;
        var changed = command switch
        {
            RenameSite rename => Rename(site, rename, faults),
            SetHorizon horizon => SetHorizon(site, horizon, faults),
            SetStart start => SetStart(site, start, faults),
            SetTax tax => site with { Settings = site.Settings with { TaxPercent = tax.Percent, CountTax = tax.Counted } },
            SetRate rate => SetRate(site, rate, faults),
            SetKeepChance chance => site with { Settings = site.Settings with { KeepChancePercent = chance.Percent } },
            SetNeeds needs => site with { Needs = needs.Needs },
            AddCandidate add => Add(site, add, faults),
            RemoveCandidate remove => Remove(site, remove, faults),
            ChoosePlan choose => OfCandidate(site, choose.Letter, faults, candidate => PlanChange.To(candidate, choose, books, faults)),
            ChooseBilling choose => OfHosting(site, choose.Letter, faults, hosting => hosting with { EveryMonths = choose.EveryMonths, CommitMonths = choose.CommitMonths }),
            ChooseDataCentre choose => OfHosting(site, choose.Letter, faults, hosting => hosting with { DataCentre = choose.DataCentre }),
            ChooseDomain choose => OfCandidate(site, choose.Letter, faults, candidate => candidate with { Domains = choose.Domain is null ? [] : [Kept(candidate, choose.Domain, books)] }),
            SetExtra extra => OfCandidate(site, extra.Letter, faults, candidate => WithExtra(candidate, extra, faults)),
            EnterCode enter => OfCandidate(site, enter.Letter, faults, candidate => WithCode(candidate, enter, books, faults)),
            DropCode drop => OfCandidate(site, drop.Letter, faults, candidate => WithoutCode(candidate, drop.Code)),
            _ => throw new ArgumentOutOfRangeException(nameof(command), command, null),
        };
        CheckLetterFits(changed, site, command, books, today, faults);
        return faults.Faults.Count == before ? changed : site;
    }

    // What a command chose must be there in the books, else it would be stored and could not be costed.
    private static void CheckLetterFits(Site changed, Site site, SiteCommand command, IReadOnlyList<OfferBook> books, DateOnly today, FaultList faults)
    {
        var letter = command switch
        {
            ChooseBilling choose => choose.Letter,
            ChooseDataCentre choose => choose.Letter,
            ChooseDomain choose => choose.Letter,
            SetExtra choose => choose.Letter,
            AddCandidate { Found: not null } => changed.Shortlist[^1].Letter,
            _ => null,
        };
        if (letter is not null && !ReferenceEquals(changed, site) && changed.Listed(letter) is { } listed)
        {
            Resolver.Resolve(listed.Candidate, books, changed.Settings.On(today), faults);
        }
    }

    private static Site Rename(Site site, RenameSite rename, FaultList faults)
    {
        var name = rename.Name.Trim();
        if (name.Length is 0 or > Site.LongestName)
        {
            faults.Add(name.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange, "name", $"Give the site a name of 1 to {Site.LongestName} characters.");
        }

        return site with { Name = name };
    }

    private static Site SetHorizon(Site site, SetHorizon horizon, FaultList faults)
    {
        if (horizon.Months is < 1 or > CountSettings.LongestHorizon)
        {
            faults.Add(FaultCodes.OutOfRange, "months", $"Count over 1 to {CountSettings.LongestHorizon} months; this says {horizon.Months}.");
        }

        return site with { Settings = site.Settings with { HorizonMonths = horizon.Months } };
    }

    private static Site SetStart(Site site, SetStart start, FaultList faults)
    {
        if (start.Date is { Year: < 1970 or > 2200 })
        {
            faults.Add(FaultCodes.BadDate, "date", "The start date must lie in the years 1970 to 2200.");
        }

        return site with { Settings = site.Settings with { StartDate = start.Date } };
    }

    private static Site SetRate(Site site, SetRate set, FaultList faults)
    {
        if (!Currency.TryGet(set.Currency, out _))
        {
            faults.Add(FaultCodes.Unknown, "currency", $"“{set.Currency}” is not the code of a currency, such as USD.");
        }

        if (set.Rate.IsZero || !set.Rate.IsAtMost(1_000_000_000))
        {
            faults.Add(FaultCodes.OutOfRange, "rate", "A rate must be above zero and at most 1000000000.");
        }

        return site with { Settings = site.Settings with { Rates = site.Settings.Rates.SetItem(set.Currency, set.Rate) } };
    }

    private static Site Add(Site site, AddCandidate add, FaultList faults)
    {
        var copied = add.CopyOf is null ? add.Found ?? new Candidate(null, []) : site.Listed(add.CopyOf)?.Candidate;
        if (copied is null)
        {
            faults.Add(FaultCodes.Unknown, "copyOf", $"There is no candidate {add.CopyOf} to copy.");
        }
        else if (site.Shortlist.Length >= Site.MostCandidates)
        {
            faults.Add(FaultCodes.OutOfRange, "letter", $"The shortlist holds {Site.MostCandidates}: remove one first.");
        }

        return copied is null ? site : site.WithAnother(copied);
    }

    private static Site Remove(Site site, RemoveCandidate remove, FaultList faults)
    {
        if (site.Listed(remove.Letter) is not { } listed)
        {
            faults.Add(FaultCodes.Unknown, "letter", $"There is no candidate {remove.Letter}.");
            return site;
        }

        var left = site with { Shortlist = site.Shortlist.Remove(listed) };
        return left.Shortlist.IsEmpty ? left.WithAnother(new Candidate(null, [])) : left;
    }

    private static Site OfCandidate(Site site, string letter, FaultList faults, Func<Candidate, Candidate> change)
    {
        if (site.Listed(letter) is { } listed)
        {
            return site.With(listed with { Candidate = change(listed.Candidate) });
        }

        faults.Add(FaultCodes.Unknown, "letter", $"There is no candidate {letter}.");
        return site;
    }

    private static Site OfHosting(Site site, string letter, FaultList faults, Func<HostingChoice, HostingChoice> change) =>
        OfCandidate(site, letter, faults, candidate =>
        {
            if (candidate.Hosting?.Plan is not null)
            {
                return candidate with { Hosting = change(candidate.Hosting) };
            }

            faults.Add(FaultCodes.Required, "letter", "Choose a plan first.");
            return candidate;
        });

    // Another name, ending or number of years keeps the extras and codes that the domain had, where its book still has them.
    private static DomainChoice Kept(Candidate candidate, DomainChoice wanted, IReadOnlyList<OfferBook> books)
    {
        if (candidate.Domains is not [var before, ..] || !wanted.AddOns.IsEmpty || !wanted.IsBought)
        {
            return wanted;
        }

        var oldBook = books.FirstOrDefault(book => book.Id == before.Book);
        var newBook = books.FirstOrDefault(book => book.Id == wanted.Book);
        return wanted with { AddOns = PlanChange.Carried(before.AddOns, AddOnFor.Domain, oldBook, newBook), Codes = before.Codes };
    }

    private static Candidate WithExtra(Candidate candidate, SetExtra extra, FaultList faults)
    {
        if (extra.ForDomain && candidate.Domains is [var domain, ..])
        {
            return candidate with { Domains = candidate.Domains.SetItem(0, domain with { AddOns = Set(domain.AddOns, extra) }) };
        }

        if (!extra.ForDomain && candidate.Hosting is { Plan: not null } hosting)
        {
            return candidate with { Hosting = hosting with { AddOns = Set(hosting.AddOns, extra) } };
        }

        faults.Add(FaultCodes.Required, "extra", extra.ForDomain ? "Choose a domain first." : "Choose a plan first.");
        return candidate;
    }

    private static ImmutableArray<AddOnChoice> Set(ImmutableArray<AddOnChoice> taken, SetExtra extra)
    {
        var others = taken.RemoveAll(choice => choice.Id == extra.Extra);
        return extra.Quantity == 0 ? others : others.Add(new AddOnChoice(extra.Extra, extra.Quantity));
    }

    // A code belongs to the book that knows it; one that no book here knows is tried where the hosting is bought, so that its verdict is seen.
    private static Candidate WithCode(Candidate candidate, EnterCode enter, IReadOnlyList<OfferBook> books, FaultList faults)
    {
        var code = enter.Code.Trim();
        if (code.Length is 0 or > 60)
        {
            faults.Add(code.Length == 0 ? FaultCodes.Required : FaultCodes.OutOfRange, "code", "Type a code of 1 to 60 characters.");
        }

        var entered = (candidate.Hosting?.Codes.Length ?? 0) + candidate.Domains.Sum(domain => domain.Codes.Length);
        if (entered >= MostCodes)
        {
            faults.Add(FaultCodes.OutOfRange, "code", $"{MostCodes} codes are tried already: remove one first.");
        }

        var without = WithoutCode(candidate, code);
        var atDomain = without.Domains is [{ IsBought: true } domain, ..] && domain.Book != without.Hosting?.Book && Knows(domain.Book) && !Knows(without.Hosting?.Book);
        if (atDomain)
        {
            return without with { Domains = without.Domains.SetItem(0, without.Domains[0] with { Codes = without.Domains[0].Codes.Add(code) }) };
        }

        var hosting = without.Hosting ?? new HostingChoice(null, null, null, null);
        return without with { Hosting = hosting with { Codes = hosting.Codes.Add(code) } };

        bool Knows(string? id) => books.FirstOrDefault(book => book.Id == id)?.PromotionOf(code) is not null;
    }

    private static Candidate WithoutCode(Candidate candidate, string code)
    {
        return candidate with
        {
            Hosting = candidate.Hosting is null ? null : candidate.Hosting with { Codes = candidate.Hosting.Codes.RemoveAll(Same) },
            Domains = [.. candidate.Domains.Select(domain => domain with { Codes = domain.Codes.RemoveAll(Same) })],
        };

        bool Same(string entered) => Ascii.EqualsIgnoreCase(entered, code);
    }
}
