using HomeStart.Core;

namespace HomeStart.Formats;

/// <summary>Writes what the worksheet page shows.</summary>
public static class SitePageWriter
{
    public static IReadOnlyList<SlipWire> Shortlist(Site site, IReadOnlyList<OfferBook> books, CountSettings settings)
    {
        var costings = site.Shortlist.Select(listed => Core.Worksheet.CostingOf(listed.Candidate, books, settings)).ToList();
        var least = Core.Shortlist.Least(costings);
        return [.. site.Shortlist.Select((listed, index) => Slip(listed, books, costings[index], least.Contains(index)))];
    }

    public static WorksheetWire Worksheet(Worksheet worksheet) =>
        new(
            worksheet.Letter,
            CandidateWire.Of(worksheet.Candidate),
            worksheet.Costing is { } costing ? CostingWriter.Write(costing) : null,
            worksheet.Costing is { } summed ? Summary(summed) : null,
            worksheet.Costing is { } drawn ? Timeline(drawn) : null,
            [.. worksheet.Faults.Select(fault => new FaultWire(fault.Code, fault.Where, fault.Message))],
            [.. worksheet.WaysToPay.Select(WayToPay)],
            [.. worksheet.Extras.Select(Extra)],
            [.. worksheet.DomainSellers.Select(seller => Seller(worksheet.Candidate, seller))]);

    private static SlipWire Slip(ListedCandidate listed, IReadOnlyList<OfferBook> books, Costing? costing, bool isLeast)
    {
        var hosting = listed.Candidate.Hosting;
        var book = books.FirstOrDefault(book => book.Id == hosting?.Book);
        var domain = listed.Candidate.Domains.FirstOrDefault();
        var totals = costing?.Totals;
        return new SlipWire(
            listed.Letter,
            book?.Provider.Name,
            book?.Plan(hosting?.Plan)?.Name,
            hosting?.EveryMonths,
            hosting?.CommitMonths ?? hosting?.EveryMonths,
            domain is { Name: not null } ? domain.Ref : null,
            costing?.Currency.Code,
            totals is null ? null : Amount(costing!, totals.Horizon),
            totals is null ? null : Amount(costing!, totals.DueToday),
            totals?.AtLeast.Horizon ?? false,
            totals?.AtLeast.DueToday ?? false,
            isLeast,
            Next(costing));
    }

    private static NextWire? Next(Costing? costing) =>
        costing?.Totals.Next is { } next ? new NextWire(next.Date, Amount(costing, next.Total), next.AtLeast) : null;

    private static SummaryWire Summary(Costing costing)
    {
        var summary = Core.Summary.Of(costing);
        return new SummaryWire(
            costing.Currency.Code,
            Amount(costing, summary.Today),
            Amount(costing, summary.RestOfFirstYear),
            summary.EachLaterYear is { } year ? Amount(costing, year) : null,
            Amount(costing, summary.Horizon),
            summary.StepTimes);
    }

    private static TimelineWire Timeline(Costing costing)
    {
        var timeline = Core.Timeline.Of(costing);
        return new TimelineWire(timeline.IsByYear, [.. timeline.Bars.Select(bar => Bar(costing, bar))]);
    }

    private static BarWire Bar(Costing costing, Bar bar) =>
        new(
            bar.Date,
            Amount(costing, bar.Total),
            bar.AtLeast,
            Amount(costing, bar.Parts.Plan),
            Amount(costing, bar.Parts.Domain),
            Amount(costing, bar.Parts.Extras),
            Amount(costing, bar.Parts.Setup),
            Amount(costing, bar.Parts.Tax),
            [.. bar.Within.Select(within => Bar(costing, within))]);

    private static WayToPayWire WayToPay(WhatIf<BillingOption> whatIf)
    {
        var (option, costing) = (whatIf.Choice, whatIf.Costing);
        return new WayToPayWire(
            option.EveryMonths,
            option.CommitMonths,
            whatIf.IsChosen,
            costing is not null && option.SetupFee is { } fee && fee != 0 ? new Money(fee, costing.Run.Purchase.Hosting!.Book.Currency).ToAmount() : null,
            costing is null ? null : [.. costing.Ledger.Totals.Select(cell => Amount(costing, cell))],
            costing is not null && Ledger.Folded(costing.Ledger.Totals) is { } folded ? Amount(costing, folded) : null,
            costing is null ? null : Amount(costing, costing.Totals.Horizon),
            costing?.Totals.AtLeast.Horizon ?? false,
            costing?.Totals.AtLeast.DueToday ?? false,
            Next(costing),
            Change(whatIf, whatIf.HorizonChange),
            Change(whatIf, whatIf.TodayChange),
            costing?.Run.Inclusions.Any(verdict => verdict.Result == InclusionResult.Used) ?? false);
    }

    private static ExtraWire Extra(WhatIf<ExtraOffer> whatIf)
    {
        var (book, addOn) = (whatIf.Choice.Book, whatIf.Choice.AddOn);
        return new ExtraWire(
            addOn.Id,
            addOn.Name,
            addOn.About,
            book.Provider.Name,
            addOn.For == AddOnFor.Domain,
            addOn.Unit,
            addOn.Every.ToString().ToLowerInvariant(),
            Price(addOn.Prices.Steps[0].Units)!,
            Price(addOn.Prices.Steps[^1].Units),
            book.Currency.Code,
            addOn.Preselected,
            whatIf.Choice.IsHad,
            whatIf.Choice.Quantity,
            Change(whatIf, whatIf.HorizonChange),
            Change(whatIf, whatIf.TodayChange));

        string? Price(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }

    private static DomainSellerWire Seller(Candidate candidate, WhatIf<OfferBook> whatIf)
    {
        var (book, costing) = (whatIf.Choice, whatIf.Costing);
        var price = book.Domain(candidate.Domains[0].Ending);
        return new DomainSellerWire(
            book.Id,
            book.Provider.Name,
            Price(price?.Register),
            Price(price?.Renew),
            book.Currency.Code,
            whatIf.IsChosen,
            costing is null ? null : Amount(costing, costing.Totals.Horizon),
            Change(whatIf, whatIf.HorizonChange),
            Change(whatIf, whatIf.TodayChange));

        string? Price(Int128? units) => units is { } stated ? new Money(stated, book.Currency).ToAmount() : null;
    }

    private static string? Change<T>(WhatIf<T> whatIf, Int128? change) => change is { } units ? Amount(whatIf.Costing!, units) : null;

    private static string Amount(Costing costing, Int128 units) => new Money(units, costing.Currency).ToAmount();
}
