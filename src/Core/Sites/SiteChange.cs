using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Offers;

namespace HomeStart.Core.Sites;

/// <summary>
/// Carries commands out. Nothing already chosen is lost by choosing something else where it can still hold.
/// </summary>
public static class SiteChange
{
    /// <summary>
    /// The site after a command given on a business date, or what is wrong with the command, placed at its fields.
    /// </summary>
    public static Result<Site> Apply(Site site, SiteCommand command, IReadOnlyList<OfferBook> books, DateOnly today)
    {
        var faults = new FaultList();
        var changed = command switch
        {
            RenameSite rename => Rename(site, rename, faults),
            SetHorizon or SetStart or SetTax or SetDisplay or SetNewCustomer or SetKeepChance => site with
            {
                Settings = SettingsChange.Apply(site.Settings, command, today, faults),
            },
            SetNeeds needs => site with { Needs = needs.Needs },
            AddCandidate add => Add(site, add, faults),
            ReplaceCandidate replace => OfCandidate(site, replace.Letter, faults, _ => replace.With),
            RemoveCandidate remove => Remove(site, remove, faults),
            RenameCandidate rename => RenameListed(site, rename, faults),
            MoveCandidate move => Move(site, move, faults),
            ChoosePlan choose => OfCandidate(site, choose.Letter, faults, candidate =>
                PlanChange.To(candidate, choose, books, faults)
            ),
            ChooseBilling choose => OfHosting(site, choose.Letter, faults, hosting =>
                hosting with
                {
                    EveryMonths = choose.EveryMonths,
                    CommitMonths = choose.CommitMonths,
                }
            ),
            ChooseDataCentre choose => OfHosting(site, choose.Letter, faults, hosting =>
                hosting with
                {
                    DataCentre = choose.DataCentre,
                }
            ),
            ChooseDomain choose => OfCandidate(site, choose.Letter, faults, candidate =>
                DomainChange.Choose(candidate, choose.Domain, books)
            ),
            AddDomain add => OfCandidate(site, add.Letter, faults, candidate =>
                DomainChange.Add(candidate, add.Domain, books, site.Settings.On(today), faults)
            ),
            DropDomain drop => OfCandidate(site, drop.Letter, faults, candidate =>
                DomainChange.Drop(candidate, drop.Domain, books, site.Settings.On(today), faults)
            ),
            HoldNames hold => HeldChange.Hold(site, hold, faults),
            DropNames drop => HeldChange.Drop(site, drop),
            SetExtra extra => OfCandidate(site, extra.Letter, faults, candidate => WithExtra(candidate, extra, faults)),
            EnterCode enter => OfCandidate(site, enter.Letter, faults, candidate =>
                CodeChange.With(candidate, enter.Code, books, faults)
            ),
            DropCode drop => OfCandidate(site, drop.Letter, faults, candidate =>
                CodeChange.Without(candidate, drop.Code)
            ),
            UseCodes use => OfCandidate(site, use.Letter, faults, candidate =>
                CodeChange.Using(candidate, use.Codes, books, faults)
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(command), command, null),
        };
        CheckLetterFits(changed, site, command, books, today, faults);
        return Result.From(changed, faults);
    }

    // What a command chose must be there in the books, else it would be stored and could not be costed.
    private static void CheckLetterFits(
        Site changed,
        Site site,
        SiteCommand command,
        IReadOnlyList<OfferBook> books,
        DateOnly today,
        FaultList faults
    )
    {
        var letter = command switch
        {
            ChooseBilling choose => choose.Letter,
            ChooseDataCentre choose => choose.Letter,
            ChooseDomain choose => choose.Letter,
            AddDomain choose => choose.Letter,
            SetExtra choose => choose.Letter,
            ReplaceCandidate replace => replace.Letter,
            AddCandidate { Found: not null } => changed.Shortlist[^1].Letter,
            _ => null,
        };
        if (letter is not null && !ReferenceEquals(changed, site) && changed.Listed(letter) is { } listed)
        {
            Resolver.Resolve(listed.Candidate, books, changed.Settings.On(today), faults);
        }
    }

    private static Site Rename(Site site, RenameSite rename, FaultList faults) =>
        site with
        {
            Name = DisplayNameRules.Read(rename.Name, Site.LongestName, Named.Site, required: true, faults),
        };

    private static Site Add(Site site, AddCandidate add, FaultList faults)
    {
        var copied = add.CopyOf is null ? add.Found ?? new Candidate(null, []) : site.Listed(add.CopyOf)?.Candidate;
        if (copied is null)
        {
            faults.Add(FaultCodes.Unknown, "copyOf", new NoCandidateToCopy(add.CopyOf!));
        }
        else if (site.Shortlist.Length >= Site.MostCandidates)
        {
            faults.Add(FaultCodes.OutOfRange, "letter", new ShortlistFull(Site.MostCandidates));
        }

        return copied is null ? site : site.WithAnother(copied);
    }

    private static Site Remove(Site site, RemoveCandidate remove, FaultList faults) =>
        OfListed(site, remove.Letter, faults, listed =>
        {
            var left = site with { Shortlist = site.Shortlist.Remove(listed) };
            return left.Shortlist.IsEmpty ? left.WithAnother(new Candidate(null, [])) : left;
        });

    private static Site RenameListed(Site site, RenameCandidate rename, FaultList faults)
    {
        var name = DisplayNameRules.Read(
            rename.Name,
            Site.LongestCandidateName,
            Named.Candidate,
            required: false,
            faults
        );
        return OfListed(site, rename.Letter, faults, listed =>
            site.With(listed with { Name = name.Length == 0 ? null : name })
        );
    }

    private static Site Move(Site site, MoveCandidate move, FaultList faults) =>
        OfListed(site, move.Letter, faults, listed =>
        {
            var others = site.Shortlist.Remove(listed);
            var place = (int)Math.Clamp((long)site.Shortlist.IndexOf(listed) + move.By, 0, others.Length);
            return site with { Shortlist = others.Insert(place, listed) };
        });

    private static Site OfCandidate(Site site, string letter, FaultList faults, Func<Candidate, Candidate> change) =>
        OfListed(site, letter, faults, listed => site.With(listed with { Candidate = change(listed.Candidate) }));

    private static Site OfListed(Site site, string letter, FaultList faults, Func<ListedCandidate, Site> change)
    {
        if (site.Listed(letter) is { } listed)
        {
            return change(listed);
        }

        faults.Add(FaultCodes.Unknown, "letter", new NoCandidate(letter));
        return site;
    }

    private static Site OfHosting(
        Site site,
        string letter,
        FaultList faults,
        Func<HostingChoice, HostingChoice> change
    ) => OfCandidate(site, letter, faults, candidate =>
        {
            if (candidate.Hosting?.Plan is not null)
            {
                return candidate with { Hosting = change(candidate.Hosting) };
            }

            faults.Add(FaultCodes.Required, "letter", new PlanFirst());
            return candidate;
        });

    private static Candidate WithExtra(Candidate candidate, SetExtra extra, FaultList faults)
    {
        if (extra.ForDomain && candidate.Domains is [var domain, ..])
        {
            return candidate with
            {
                Domains = candidate.Domains.SetItem(0, domain with { AddOns = Set(domain.AddOns, extra) }),
            };
        }

        if (!extra.ForDomain && candidate.Hosting is { Plan: not null } hosting)
        {
            return candidate with { Hosting = hosting with { AddOns = Set(hosting.AddOns, extra) } };
        }

        faults.Add(FaultCodes.Required, "extra", extra.ForDomain ? new DomainFirst() : new PlanFirst());
        return candidate;
    }

    private static ImmutableArray<AddOnChoice> Set(ImmutableArray<AddOnChoice> taken, SetExtra extra)
    {
        var others = taken.RemoveAll(choice => choice.Id == extra.Extra);
        return extra.Quantity == 0 ? others : others.Add(new AddOnChoice(extra.Extra, extra.Quantity));
    }
}
