using static HomeStart.Core.Pages.ExtraWords;
using static HomeStart.Core.Pages.StatementWords;

namespace HomeStart.Core.Pages;

/// <summary>A page as far as it is read: its lines, each with who has read it, and what was found.</summary>
internal sealed class PageDraft
{
    /// <summary>No page sells more plans; what has more is something else.</summary>
    public const int MostPlans = 60;

    /// <summary>No line of a plan has more amounts.</summary>
    public const int MostInLine = 12;

    private const int MostExtras = 200;

    private readonly HashSet<PageAmount> _examples = [];
    private HashSet<string>? _marks;

    public PageDraft(PageText page)
    {
        Page = page;
        Lines = PageLines.Split(page);
        LineMatrix.Mark(Lines);
        EndingMatrix.Mark(Lines);
        Notes();
        DomainPrices = new DomainLists(page);
        foreach (var line in Lines.Where(line => line.Amounts.Length > 0 && Offers.IsExample(line.Words)))
        {
            _examples.UnionWith(line.Amounts);
            line.Owner = "example";
        }
    }

    public PageText Page { get; }

    public List<Line> Lines { get; }

    public DomainLists DomainPrices { get; }

    public List<PlanDraft> Plans { get; } = [];

    public List<ExtraDraft> Extras { get; } = [];

    public List<(string Code, string? Percent, PageAmount? Amount, PageSpan At)> Codes { get; } = [];

    public PageAmount? SetupForAll { get; set; }

    public PageSpan? FreeSetupForAll { get; set; }

    public bool IsFirstForAll { get; set; }

    public bool IsSameForAll { get; set; }

    public bool IsUnstatedForAll { get; set; }

    public bool IsRegularForAll { get; set; }

    public Dictionary<PageAmount, string> Why { get; } = [];

    public bool IsExample(PageAmount amount) => _examples.Contains(amount);

    /// <summary>The line of a number; null: there is none.</summary>
    public Line? LineAt(int index) => index >= 0 && index < Lines.Count ? Lines[index] : null;

    /// <summary>Whether it is free, and says what a plan has.</summary>
    public static bool IsFeatureLine(Line line) =>
        line.Owner is null
        && line.Amounts.IsEmpty
        && line.Words.Length <= 200
        && PageLines.Pieces(line.Words, 0).Exists(piece => FeatureWords.In(piece.Words, 0).Length > 0);

    /// <summary>
    /// Whether it is a note that a mark elsewhere leads to; a star before a list's entry leads nowhere.
    /// </summary>
    public bool IsNote(Line line)
    {
        if (NoteMark.Match(line.Words) is not { Success: true } match)
        {
            return false;
        }

        _marks ??=
        [
            .. Lines.SelectMany(known => Borne.Matches(known.Words)).Select(known => known.Groups["mark"].Value),
        ];
        return _marks.Contains(match.Groups["mark"].Value);
    }

    /// <summary>
    /// Whether a line says what each of so many plans costs later, one amount right behind the other.
    /// </summary>
    public bool ListsLaterPrices(Line line, int plans) =>
        plans > 1
        && line.Amounts.Length == plans
        && LaterContext.IsMatch(line.Words)
        && line.Amounts.Zip(line.Amounts.Skip(1))
            .All(pair =>
                Page.Between(pair.First.End, pair.Second.At.From).Trim() is "/" or "," or "and" or "·" or "|" or "&"
            );

    /// <summary>What an amount is, by the words of its sentence.</summary>
    public Role RoleIn(Piece sentence, PageAmount amount) =>
        Roles.Classify(amount, Page.Between(sentence.From, amount.At.From), Page.Between(amount.End, sentence.At.To));

    /// <summary>Reads a block's lines into its plan.</summary>
    public void Fill(PlanDraft plan, PlanBlock block)
    {
        var reader = new PlanReader(Page, plan);
        var body = block.Lines.Where(line => line != block.Name).ToList();
        reader.Read(body);
        reader.Features.Read(body);
        foreach (var line in block.Lines)
        {
            line.Owner = plan;
        }
    }

    /// <summary>Notes an extra, once by its name and no more than a page has.</summary>
    public void AddExtra(string name, PageSpan at, PageAmount price, string per)
    {
        name = Suffix.Replace(Patterns.Swap(name.Trim().TrimEnd(':', ','), @"\s+", " "), "");
        var tick = Page.Ticks.LastOrDefault(tick => tick.At <= at.From + 1);
        var isTicked =
            (Page.Ticks.Length > 0 && tick.IsTicked && at.From - tick.At <= 3)
            || Ticked.IsMatch(Page.Between(at.From - 4, at.From));
        if (Extras.Count >= MostExtras)
        {
            return;
        }

        if (!Extras.Any(known => string.Equals(known.Name, name, StringComparison.OrdinalIgnoreCase)))
        {
            Extras.Add(new ExtraDraft(name, at, price, per, isTicked));
        }
        else
        {
            Why[price] = "unit";
        }
    }

    // A name's mark leads to the note that has its price.
    private void Notes()
    {
        var notes = new Dictionary<string, Line>(StringComparer.Ordinal);
        foreach (var line in Lines.Where(line => line.Amounts.Length > 0))
        {
            if (NoteMark.Match(line.Words) is { Success: true } match)
            {
                notes.TryAdd(match.Groups["mark"].Value, line);
            }
        }

        foreach (var line in Lines.Where(line => notes.Count > 0 && line.Amounts.IsEmpty && line.Words.Length <= 45))
        {
            if (
                EndMark.Match(line.Words) is { Success: true } match
                && line.NameScore > 0
                && notes.TryGetValue(match.Groups["mark"].Value, out var note)
            )
            {
                line.Note = note;
            }
        }
    }
}

/// <summary>An extra as far as it is read.</summary>
internal sealed record ExtraDraft(string Name, PageSpan NameAt, PageAmount Price, string Per, bool IsTicked);
