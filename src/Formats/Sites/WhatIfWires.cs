using System.Text.Json;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Scans;

namespace HomeStart.Formats.Sites;

/// <summary>
/// What a choice would make of the candidate, in the display currency; changes are the exact differences of two
/// costings.
/// </summary>
/// <param name="HorizonChange">Null while the candidate as it is cannot be costed.</param>
public sealed record OutcomeWire(
    string Currency,
    string Horizon,
    bool AtLeast,
    string DueToday,
    bool TodayAtLeast,
    NextWire? NextDue,
    string? HorizonChange,
    string? TodayChange
)
{
    /// <summary>Null where the choice cannot be costed.</summary>
    internal static OutcomeWire? From<T>(WhatIf<T> whatIf)
    {
        if (whatIf.Costing is not { } costing)
        {
            return null;
        }

        var totals = costing.Totals;
        return new OutcomeWire(
            costing.Currency.Code,
            Amount(totals.Horizon)!,
            totals.AtLeast.Horizon,
            Amount(totals.DueToday)!,
            totals.AtLeast.DueToday,
            NextWire.From(costing),
            Amount(whatIf.HorizonChange),
            Amount(whatIf.TodayChange)
        );

        string? Amount(Int128? units) => units is { } known ? new Money(known, costing.Currency).ToAmount() : null;
    }
}

/// <param name="Has">The plan's or provider's value; null: not stated.</param>
/// <param name="By">The extra that meets it: included, or to be bought.</param>
public sealed record NeedFitWire(string Need, Fit Fit, JsonElement Has, JsonElement Wants, string? By)
{
    internal static NeedFitWire From(NeedFit fit) =>
        new(fit.Need, fit.Fit, ReasonWire.Value(fit.Has), ReasonWire.Value(fit.Wants), fit.By?.Name);
}

/// <param name="Id">Null: none is chosen.</param>
public sealed record DataCentreOptionWire(
    string? Id,
    string? Name,
    string? Region,
    bool IsChosen,
    OutcomeWire? Outcome
);

/// <param name="Domain">What to choose; null: no domain.</param>
public sealed record DomainWayWire(DomainWire? Domain, bool IsChosen, OutcomeWire? Outcome);

/// <summary>A book where the domain chosen can be registered, and what it would come to there.</summary>
/// <param name="Privacy">How the holder is kept out of the public record there.</param>
/// <param name="PrivacyYear">Where contact privacy is sold there: its first year; null: it is not, or that is not
/// stated. So for <paramref name="PrivacyLater"/>, each later one.</param>
public sealed record DomainSellerWire(
    string Book,
    string Provider,
    string? Register,
    string? Renew,
    string Currency,
    PrivacyWay Privacy,
    string? PrivacyYear,
    string? PrivacyLater,
    bool IsChosen,
    OutcomeWire? Outcome
);

/// <summary>An extra that could be taken, or is.</summary>
/// <param name="First">The price of its first period, in the book's currency.</param>
/// <param name="Later">The price after the last step; null where it is not stated; the same as the first where it never
/// changes.</param>
/// <param name="IfBoughtLater">What the first period costs when it is taken later; null: not stated.</param>
/// <param name="IsHad">The plan or the domain price holds it already.</param>
/// <param name="IsAsked">A need asks for it.</param>
/// <param name="Preselected">The seller ticks it in advance. We do not.</param>
/// <param name="SameAs">Extras taken or had that do the same.</param>
/// <param name="IncludedBy">A plan of the same book that holds it, and what choosing that plan would change.</param>
/// <param name="Outcome">What taking it, or leaving it off, would change.</param>
public sealed record ExtraWire(
    string Id,
    string Name,
    string? About,
    string Seller,
    bool ForDomain,
    string? Unit,
    string? Provides,
    ChargeEvery Every,
    string First,
    string? Later,
    string? IfBoughtLater,
    string Currency,
    bool Preselected,
    bool IsHad,
    bool IsAsked,
    int Quantity,
    IReadOnlyList<string> SameAs,
    IncludedByWire? IncludedBy,
    OutcomeWire? Outcome
)
{
    internal static ExtraWire From(WhatIf<ExtraOffer> whatIf)
    {
        var (book, addOn) = (whatIf.Choice.Book, whatIf.Choice.AddOn);
        return new ExtraWire(
            addOn.Id,
            addOn.Name,
            addOn.About,
            book.Provider.Name,
            addOn.For == AddOnFor.Domain,
            addOn.Unit,
            addOn.Provides,
            addOn.Every,
            Price(addOn.Prices.Steps[0].Units)!,
            Price(addOn.Prices.Steps[^1].Units),
            Price(addOn.PriceIfBoughtLater),
            book.Currency.Code,
            addOn.Preselected,
            whatIf.Choice.IsHad,
            whatIf.Choice.IsAsked,
            whatIf.Choice.Quantity,
            [.. whatIf.Choice.SameAs.Select(other => other.Name)],
            whatIf.Choice.IncludedBy is { } plan
                ? new IncludedByWire(book.Id, plan.Choice.Id, plan.Choice.Name, OutcomeWire.From(plan)!)
                : null,
            OutcomeWire.From(whatIf)
        );

        string? Price(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }
}

public sealed record IncludedByWire(string Book, string Plan, string Name, OutcomeWire Outcome);

/// <summary>One change that would make a refused code count.</summary>
/// <param name="EveryMonths">Paying every so many months, committed for <paramref name="CommitMonths"/>.</param>
/// <param name="Plan">Choosing this plan of <paramref name="Book"/>.</param>
/// <param name="Without">Taking this code off.</param>
/// <param name="Start">Starting on this day.</param>
/// <param name="Saves">What the code changes then, over the horizon: below zero is less to pay.</param>
public sealed record CodeCureWire(
    string Code,
    string Book,
    int? EveryMonths,
    int? CommitMonths,
    string? Plan,
    string? Without,
    DateOnly? Start,
    string Saves,
    string? HorizonChange
)
{
    internal static CodeCureWire From(CodeCure cure, Currency currency)
    {
        return new CodeCureWire(
            cure.Code,
            cure.Book.Id,
            cure.Option?.EveryMonths,
            cure.Option?.CommitMonths,
            cure.Plan?.Id,
            cure.Without,
            cure.Start,
            Amount(cure.Saves),
            cure.HorizonChange is { } change ? Amount(change) : null
        );

        string Amount(Int128 units) => new Money(units, currency).ToAmount();
    }
}

public sealed record BestCodesWire(IReadOnlyList<string> Codes, OutcomeWire Outcome);

/// <summary>Where a code entered is known, and when it counts there.</summary>
/// <param name="Percent">What it takes off; or <paramref name="Amount"/>, in <paramref name="Currency"/>.</param>
/// <param name="AppliesTo">plan, dataCentre, setup, domain, addOn, or one of them: "addOn:backup".</param>
/// <param name="Bills">On how many bills; null: on all.</param>
public sealed record KnownCodeWire(
    string Code,
    string Book,
    string? Percent,
    string? Amount,
    string Currency,
    IReadOnlyList<string> AppliesTo,
    int? Bills,
    IReadOnlyList<string> Plans,
    int? MinEveryMonths,
    DateOnly? From,
    DateOnly? Until,
    bool NewCustomersOnly,
    bool Combinable
)
{
    internal static KnownCodeWire Write(string code, OfferBook book, Promotion promotion) =>
        new(
            code,
            book.Id,
            promotion.Percent?.ToString(),
            promotion.Amount is { } amount ? new Money(amount, book.Currency).ToAmount() : null,
            book.Currency.Code,
            [
                .. promotion.AppliesTo.Select(match =>
                    JsonNamingPolicy.CamelCase.ConvertName(match.Kind.ToString())
                    + (match.Of is null ? "" : $":{match.Of}")
                ),
            ],
            promotion.Bills,
            promotion.Plans,
            promotion.MinEveryMonths,
            promotion.From,
            promotion.Until,
            promotion.NewCustomersOnly,
            promotion.Combinable
        );
}
