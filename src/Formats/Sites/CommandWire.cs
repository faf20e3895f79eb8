using System.Text.Json.Serialization;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Scans;

namespace HomeStart.Formats.Sites;

/// <summary>What is sent to change a site.</summary>
/// <param name="Revision">The revision the caller saw.</param>
public sealed record ChangeSiteBody(int Revision, CommandWire Command);

/// <summary>What is sent to undo or redo.</summary>
/// <param name="Revision">The revision the caller saw.</param>
public sealed record RevisionBody(int Revision);

/// <param name="Name">Absent: it is called "My site".</param>
public sealed record StartSiteBody(string? Name);

/// <summary>
/// The named changes of a site as they are written: their shapes, for those who call. <see cref="CommandReader"/> reads
/// them, with every fault at its place; what each does is said at its <see cref="SiteCommand"/>.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(RenameSiteWire), "rename-site")]
[JsonDerivedType(typeof(SetHorizonWire), "set-horizon")]
[JsonDerivedType(typeof(SetStartWire), "set-start")]
[JsonDerivedType(typeof(SetTaxWire), "set-tax")]
[JsonDerivedType(typeof(SetDisplayWire), "set-display")]
[JsonDerivedType(typeof(SetNewCustomerWire), "set-new-customer")]
[JsonDerivedType(typeof(SetKeepChanceWire), "set-keep-chance")]
[JsonDerivedType(typeof(SetNeedsWire), "set-needs")]
[JsonDerivedType(typeof(AddCandidateWire), "add-candidate")]
[JsonDerivedType(typeof(ReplaceCandidateWire), "replace-candidate")]
[JsonDerivedType(typeof(RemoveCandidateWire), "remove-candidate")]
[JsonDerivedType(typeof(RenameCandidateWire), "rename-candidate")]
[JsonDerivedType(typeof(MoveCandidateWire), "move-candidate")]
[JsonDerivedType(typeof(ChoosePlanWire), "choose-plan")]
[JsonDerivedType(typeof(ChooseBillingWire), "choose-billing")]
[JsonDerivedType(typeof(ChooseDataCentreWire), "choose-data-centre")]
[JsonDerivedType(typeof(ChooseDomainWire), "choose-domain")]
[JsonDerivedType(typeof(AddDomainWire), "add-domain")]
[JsonDerivedType(typeof(DropDomainWire), "drop-domain")]
[JsonDerivedType(typeof(HoldNamesWire), "hold-names")]
[JsonDerivedType(typeof(DropNamesWire), "drop-names")]
[JsonDerivedType(typeof(SetExtraWire), "set-extra")]
[JsonDerivedType(typeof(EnterCodeWire), "enter-code")]
[JsonDerivedType(typeof(DropCodeWire), "drop-code")]
[JsonDerivedType(typeof(UseCodesWire), "use-codes")]
public abstract record CommandWire;

public sealed record RenameSiteWire(string Name) : CommandWire;

public sealed record SetHorizonWire(int Months) : CommandWire;

public sealed record SetStartWire(DateOnly? Date = null) : CommandWire;

public sealed record SetTaxWire(string Percent, bool Counted = true) : CommandWire;

public sealed record SetDisplayWire(string Currency, IReadOnlyDictionary<string, string>? Rates = null) : CommandWire;

public sealed record SetNewCustomerWire(bool IsNew = true) : CommandWire;

public sealed record SetKeepChanceWire(string? Percent = null) : CommandWire;

public sealed record SetNeedsWire(NeedsBody Needs) : CommandWire;

public sealed record AddCandidateWire(string? CopyOf = null, CandidateBody? Candidate = null) : CommandWire;

public sealed record ReplaceCandidateWire(string Letter, CandidateBody Candidate) : CommandWire;

public sealed record RemoveCandidateWire(string Letter) : CommandWire;

public sealed record RenameCandidateWire(string Letter, string? Name = null) : CommandWire;

public sealed record MoveCandidateWire(string Letter, int By) : CommandWire;

/// <param name="EveryMonths">How it is to be paid, with <paramref name="CommitMonths"/>; absent: as before, where the
/// plan has that.</param>
public sealed record ChoosePlanWire(
    string Letter,
    string Book,
    string Plan,
    int? EveryMonths = null,
    int? CommitMonths = null
) : CommandWire;

public sealed record ChooseBillingWire(string Letter, int EveryMonths, int CommitMonths) : CommandWire;

public sealed record ChooseDataCentreWire(string Letter, string? DataCentre = null) : CommandWire;

public sealed record ChooseDomainWire(string Letter, DomainBody? Domain = null) : CommandWire;

public sealed record AddDomainWire(string Letter, DomainBody Domain) : CommandWire;

public sealed record DropDomainWire(string Letter, string Domain) : CommandWire;

public sealed record HoldNamesWire(IReadOnlyList<HeldNameWire> Names) : CommandWire;

public sealed record DropNamesWire(IReadOnlyList<HeldNameWire> Names) : CommandWire;

/// <summary>A name kept in mind.</summary>
public sealed record HeldNameWire(string Name, string Ending);

public sealed record SetExtraWire(string Letter, string Extra, int Quantity, bool ForDomain = false) : CommandWire;

public sealed record EnterCodeWire(string Letter, string Code) : CommandWire;

public sealed record DropCodeWire(string Letter, string Code) : CommandWire;

public sealed record UseCodesWire(string Letter, IReadOnlyList<string> Codes) : CommandWire;
