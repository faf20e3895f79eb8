using HomeStart.Formats.Books;
using HomeStart.Formats.Costings;
using HomeStart.Formats.Json;
using HomeStart.Formats.Sites;

namespace HomeStart.Formats.Pages;

/// <summary>A page with what its owner answers, as a review sends it.</summary>
/// <param name="Provider">Who sells, where the page does not say.</param>
/// <param name="Tax">inside or on-top, where the page does not say.</param>
/// <param name="Plans">What is answered about plans, by their place on the page.</param>
/// <param name="Changes">What the owner mends of what was read, in the order they did.</param>
public sealed record PageReviewBody(
    string? Html,
    string? Text,
    string? File,
    string? Provider,
    string? Currency,
    string? Tax,
    IReadOnlyList<PlanAnswerBody>? Plans,
    IReadOnlyList<ReadingChangeBody>? Changes
);

/// <summary>
/// One value of a page that is mended: typed, moved to another plan, or read from an amount that was left over.
/// </summary>
/// <param name="At">The value, as sources name it: /plans/0/ways/0/price.</param>
/// <param name="Value">Null: it is not said, or it is moved or placed.</param>
/// <param name="ToPlan">The plan it belongs to instead.</param>
/// <param name="From">Where the words of the amount begin in the page's text.</param>
public sealed record ReadingChangeBody(string At, string? Value, int? ToPlan, int? From);

/// <param name="Take">Whether it is to go on the shelf; absent: yes.</param>
public sealed record PlanAnswerBody(int Plan, bool? Take, string? Name, IReadOnlyList<WayAnswerBody>? Ways);

/// <param name="Paid">at-once, monthly-bound or monthly-free.</param>
public sealed record WayAnswerBody(int Way, int? Months, string? Paid);

/// <summary>A page as it was read, and what comes of it.</summary>
/// <param name="Faults">What is still to be answered; empty: it can go on the shelf.</param>
/// <param name="Costs">What each plan comes to over the horizon, by its place on the page; null where something is to
/// be answered first.</param>
/// <param name="Book">The offer book as the text of a file; null while there are faults.</param>
/// <param name="AddsTo">The name of the owner's book of the same seller, where there is one.</param>
/// <param name="Look">What joining it to the owner's book of the same seller fills and changes; null where there is no
/// such book.</param>
/// <param name="Candidates">What buys each plan that is taken, for the shortlist.</param>
public sealed record PageReviewWire(
    PageReadingWire Page,
    IReadOnlyList<FaultWire> Faults,
    IReadOnlyList<PlanCostWire?> Costs,
    string? Book,
    string? AddsTo,
    BookLookWire? Look,
    IReadOnlyList<CandidateWire> Candidates
);

/// <summary>What a plan comes to over so many months, its first way to pay taken.</summary>
/// <param name="AtLeast">Whether something is not stated, so that it costs more.</param>
/// <param name="NotSaid">What the page does not say of it: "the renewal price".</param>
public sealed record PlanCostWire(
    int Plan,
    string Currency,
    int Months,
    string Total,
    bool AtLeast,
    IReadOnlyList<string> NotSaid
);

/// <summary>Reads what an owner answers about a page.</summary>
public static class PageAnswersReader
{
    public static PageAnswers Read(Node node)
    {
        var currency = node["currency"].IsAbsent ? null : node["currency"].CurrencyCode();
        var tax = node["tax"].IsAbsent ? (bool?)null : node["tax"].Word(("inside", true), ("on-top", false));
        return new PageAnswers(
            node["provider"].IsAbsent ? null : node["provider"].Text(),
            currency,
            tax,
            [.. node["plans"].Items(60).Select(Plan)]
        );
    }

    /// <summary>Reads what an owner mends.</summary>
    public static IReadOnlyList<ReadingChange> Changes(Node node) =>
        [
            .. node.Items(ReadingChanges.Most)
                .Select(item => new ReadingChange(
                    item["at"].RequiredText("The value") ?? "",
                    item["value"].IsAbsent ? null : item["value"].Text(),
                    item["toPlan"].Whole(),
                    item["from"].Whole()
                )),
        ];

    private static PlanAnswer Plan(Node node) =>
        new(
            node["plan"].Whole() ?? -1,
            node["take"].Flag() ?? true,
            node["name"].IsAbsent ? null : node["name"].Text(),
            [.. node["ways"].Items(40).Select(Way)]
        );

    private static WayAnswer Way(Node node) =>
        new(
            node["way"].Whole() ?? -1,
            node["months"].Whole(),
            node["paid"].IsAbsent
                ? (HowPaid?)null
                : node["paid"]
                    .Word(
                        ("at-once", HowPaid.AtOnce),
                        ("monthly-bound", HowPaid.MonthlyBound),
                        ("monthly-free", HowPaid.MonthlyFree)
                    )
        );
}
