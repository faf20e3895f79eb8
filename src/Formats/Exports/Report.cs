namespace HomeStart.Formats.Exports;

/// <summary>A page to hand to somebody: a title, a few sentences, one table, notes under it.</summary>
/// <param name="Lead">Sentences above the table.</param>
/// <param name="Notes">What is not stated, what falls due after, where each price is from.</param>
public sealed record Report(
    string Title,
    IReadOnlyList<string> Lead,
    IReadOnlyList<string> Head,
    IReadOnlyList<ReportRow> Rows,
    IReadOnlyList<string> Notes
);

/// <param name="IsTotal">Stands under a rule, in bold.</param>
public sealed record ReportRow(string Label, IReadOnlyList<string> Cells, bool IsTotal = false);
