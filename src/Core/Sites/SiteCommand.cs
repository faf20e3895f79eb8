using System.Collections.Immutable;
using HomeStart.Core.Basics;
using HomeStart.Core.Costings;
using HomeStart.Core.Domains;
using HomeStart.Core.Wants;

namespace HomeStart.Core.Sites;

/// <summary>A named change of a site. What each does is <see cref="SiteChange"/>'s to say.</summary>
public abstract record SiteCommand;

/// <summary>Gives the site another name.</summary>
public sealed record RenameSite(string Name) : SiteCommand;

/// <summary>Counts over so many months.</summary>
public sealed record SetHorizon(int Months) : SiteCommand;

/// <param name="Date">Null: today.</param>
public sealed record SetStart(DateOnly? Date) : SiteCommand;

/// <param name="Counted">False: the owner's business reclaims the tax.</param>
public sealed record SetTax(ExactDecimal Percent, bool Counted) : SiteCommand;

/// <param name="Currency">The code of the currency that sums are shown in.</param>
/// <param name="Rates">By currency code: what one unit of it is worth in that currency. A rate left out is not known
/// any more.</param>
public sealed record SetDisplay(string Currency, ImmutableDictionary<string, ExactDecimal> Rates) : SiteCommand;

/// <summary>Counts as a new customer everywhere, or as a customer already.</summary>
public sealed record SetNewCustomer(bool IsNew) : SiteCommand;

/// <param name="Percent">How likely the site still runs a year on; null: not said.</param>
public sealed record SetKeepChance(ExactDecimal? Percent) : SiteCommand;

/// <summary>Puts these needs in the place of all before.</summary>
public sealed record SetNeeds(Needs Needs) : SiteCommand;

/// <param name="CopyOf">The letter of the candidate it starts as a copy of; null: empty, or what is given.</param>
/// <param name="Found">A candidate that a scan found.</param>
public sealed record AddCandidate(string? CopyOf, Candidate? Found = null) : SiteCommand;

/// <summary>Puts another way to buy in the place of what a candidate was, under its letter and name.</summary>
public sealed record ReplaceCandidate(string Letter, Candidate With) : SiteCommand;

/// <summary>Takes a candidate off the shortlist; its letter is never given again.</summary>
public sealed record RemoveCandidate(string Letter) : SiteCommand;

/// <param name="Name">The owner's own word for it; empty: none.</param>
public sealed record RenameCandidate(string Letter, string Name) : SiteCommand;

/// <param name="By">How many places on; below zero: back. It stops at the ends.</param>
public sealed record MoveCandidate(string Letter, int By) : SiteCommand;

/// <summary>Chooses a plan; what can go along with it does.</summary>
public sealed record ChoosePlan(string Letter, string Book, string Plan) : SiteCommand
{
    /// <summary>
    /// How it is to be paid, with <see cref="CommitMonths"/>; null: as before, where the plan has that.
    /// </summary>
    public int? EveryMonths { get; init; }

    /// <summary>Null: as long as one bill.</summary>
    public int? CommitMonths { get; init; }
}

/// <summary>Chooses how to pay.</summary>
public sealed record ChooseBilling(string Letter, int EveryMonths, int CommitMonths) : SiteCommand;

/// <summary>Chooses where the site lies; null: whichever.</summary>
public sealed record ChooseDataCentre(string Letter, string? DataCentre) : SiteCommand;

/// <param name="Domain">Null: no domain.</param>
public sealed record ChooseDomain(string Letter, DomainChoice? Domain) : SiteCommand;

/// <summary>
/// Adds another domain beside those the candidate has; the plan's domain-year goes where it saves most.
/// </summary>
public sealed record AddDomain(string Letter, DomainChoice Domain) : SiteCommand;

/// <param name="Domain">The domain written out, as the candidate lists it.</param>
public sealed record DropDomain(string Letter, string Domain) : SiteCommand;

/// <summary>Keeps names in mind for the site.</summary>
public sealed record HoldNames(ImmutableArray<HeldName> Names) : SiteCommand;

/// <summary>Keeps names in mind no longer.</summary>
public sealed record DropNames(ImmutableArray<HeldName> Names) : SiteCommand;

/// <param name="ForDomain">Whether it is an extra of the domain, not of the hosting.</param>
/// <param name="Quantity">0: not taken.</param>
public sealed record SetExtra(string Letter, string Extra, bool ForDomain, int Quantity) : SiteCommand;

/// <summary>Tries a code.</summary>
public sealed record EnterCode(string Letter, string Code) : SiteCommand;

/// <summary>Takes a code off.</summary>
public sealed record DropCode(string Letter, string Code) : SiteCommand;

/// <param name="Codes">In the place of all codes entered before.</param>
public sealed record UseCodes(string Letter, ImmutableArray<string> Codes) : SiteCommand;
