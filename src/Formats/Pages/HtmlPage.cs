using System.Collections.Immutable;
using System.Globalization;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using HomeStart.Formats.Foreign;

namespace HomeStart.Formats.Pages;

/// <summary>Reads HTML as a page: what a reader would see of it. Nothing is fetched or run.</summary>
public sealed class HtmlPage
{
    /// <summary>How deep boxes are told apart; browsers go no deeper.</summary>
    private const int Deepest = 200;

    private static readonly HashSet<string> Unseen = new(StringComparer.Ordinal)
    {
        "script",
        "style",
        "template",
        "noscript",
        "head",
        "title",
        "iframe",
        "object",
        "embed",
        "audio",
        "video",
        "canvas",
        "map",
        "textarea",
        "datalist",
        "input",
        "img",
        "meta",
        "link",
        "base",
        "frame",
        "frameset",
        "noframes",
        "param",
        "source",
        "track",
        "rp",
    };

    private static readonly HashSet<string> Boxes = new(StringComparer.Ordinal)
    {
        "address",
        "article",
        "aside",
        "blockquote",
        "body",
        "center",
        "dd",
        "details",
        "dialog",
        "dir",
        "div",
        "dl",
        "dt",
        "fieldset",
        "figcaption",
        "figure",
        "footer",
        "form",
        "h1",
        "h2",
        "h3",
        "h4",
        "h5",
        "h6",
        "header",
        "hgroup",
        "hr",
        "html",
        "legend",
        "li",
        "main",
        "menu",
        "nav",
        "ol",
        "optgroup",
        "option",
        "p",
        "pre",
        "search",
        "section",
        "summary",
        "table",
        "tbody",
        "td",
        "tfoot",
        "th",
        "thead",
        "tr",
        "ul",
        "caption",
        "button",
        "select",
    };

    private readonly StyleRules _rules = new();
    private readonly PageBuilder _page = new();
    private readonly Guard _guard;
    private readonly Stack<Grid> _grids = new();
    private readonly Dictionary<IElement, IElement?> _chosen = [];
    private int _boxes;
    private int _tables;

    private HtmlPage(Guard guard) => _guard = guard;

    /// <summary>The page that HTML shows, or null with the reason where it was stopped.</summary>
    public static (PageText? Page, string? Stopped) Read(string html, CancellationToken cancel) =>
        Guard.Read(GuardLimits.Page, guard => new HtmlPage(guard).Walk(html), cancel);

    private PageText Walk(string html)
    {
        using var document = new HtmlParser(new HtmlParserOptions { IsScripting = true }).ParseDocument(
            HtmlLimits.Within(html)
        );
        foreach (var style in document.GetElementsByTagName("style"))
        {
            _guard.Part();
            _rules.Add(style.TextContent);
        }

        var frames = new Stack<Frame>();
        if (document.Body is { } body)
        {
            Enter(body, null, frames);
        }

        while (frames.TryPeek(out var frame))
        {
            _guard.Part();
            if (frame.Next >= frame.Children.Length)
            {
                frames.Pop();
                Leave(frame);
                continue;
            }

            var node = frame.Children[frame.Next++];
            switch (node)
            {
                case IText text:
                    AddText(text.Data, frame);
                    break;
                case IElement element:
                    Enter(element, frame, frames);
                    break;
            }
        }

        return _page.Built(isMarked: true);
    }

    private void AddText(string text, Frame frame)
    {
        if (
            frame.Look.IsRaised
            && text.Trim() is { Length: 2 } figures
            && figures.All(char.IsAsciiDigit)
            && char.IsAsciiDigit(_page.Last)
        )
        {
            _page.AddCents(figures);
            return;
        }

        if (frame.Look.IsRaised && text.Trim() is [>= '1' and <= '9' and var digit])
        {
            text = "¹²³⁴⁵⁶⁷⁸⁹"[digit - '1'].ToString(); // A note's mark, not a figure of the price before it.
        }

        if (!frame.Look.KeepsBreaks)
        {
            _page.Add(text, () => frame.Look.Line(), frame.Look.IsStruck);
            return;
        }

        foreach (var (number, line) in text.Split('\n').Index())
        {
            if (number > 0)
            {
                _page.Break();
            }

            _page.Add(line, () => frame.Look.Line(), frame.Look.IsStruck);
        }
    }

    private void Enter(IElement element, Frame? parent, Stack<Frame> frames)
    {
        var tag = element.LocalName;
        if (tag == "br")
        {
            _page.Break();
            return;
        }

        if (
            tag == "input"
            && element.GetAttribute("type") is { } type
            && type.Equals("checkbox", StringComparison.OrdinalIgnoreCase)
        )
        {
            _page.Tick(element.HasAttribute("checked"));
        }

        if (
            Unseen.Contains(tag)
            || (
                element.NamespaceUri?.EndsWith("/svg", StringComparison.Ordinal) == true
                && tag is "title" or "desc" or "defs" or "metadata"
            )
        )
        {
            _page.Boundary();
            return;
        }

        var classes = element.ClassList;
        var style = _rules.Resolve(tag, classes, element.Id, element.GetAttribute("style"));
        if (IsHidden(element, tag, style, parent))
        {
            _page.Boundary();
            return;
        }

        if (tag is "pre")
        {
            _page.Break();
            AddPreformatted(element, Look(element, tag, style, parent, isBox: true));
            return;
        }

        var display = style?.GetValueOrDefault("display");
        var isBox =
            (Boxes.Contains(tag) && display is not ("inline" or "inline-block" or "inline-flex" or "contents"))
            || display is "block" or "flex" or "grid" or "list-item" or "table" or "flow-root"
            || parent?.ParsChildren == true;
        var look = Look(element, tag, style, parent, isBox);
        Cell(element, tag, look);
        if (isBox)
        {
            _page.Break();
        }
        else if (display is "inline-block" or "inline-flex" || tag is "button" or "label")
        {
            _page.Space();
        }
        else
        {
            _page.Boundary();
        }

        frames.Push(
            new Frame(element, look, isBox, display is "inline-block" or "inline-flex" || tag is "button" or "label")
            {
                ParsChildren =
                    display is "flex" or "grid" or "inline-flex" or "inline-grid" && element.Children.Length > 1,
            }
        );
    }

    private void Leave(Frame frame)
    {
        if (frame.Element.LocalName == "table")
        {
            _grids.Pop();
        }

        if (frame.IsBox)
        {
            _page.Break();
        }
        else if (frame.IsSpaced)
        {
            _page.Space();
        }
        else
        {
            _page.Boundary();
        }
    }

    // Its lines are as they were typed; columns of spaces part its cells.
    private void AddPreformatted(IElement element, Look look)
    {
        var plain = PlainPage.Read(element.TextContent);
        var first = _tables;
        foreach (var line in plain.Lines)
        {
            _guard.Part();
            var cell = line.Cell is { } known ? known with { Table = first + known.Table } : look.Cell;
            _tables = Math.Max(_tables, cell is null ? _tables : cell.Table + 1);
            _page.Add(line.Words, () => look.Line() with { Cell = cell }, look.IsStruck);
            _page.Break();
        }
    }

    private void Cell(IElement element, string tag, Look look)
    {
        switch (tag)
        {
            case "table":
                _grids.Push(new Grid(_tables++));
                break;
            case "tr" when _grids.TryPeek(out var grid):
                grid.NextRow();
                break;
            case "td" or "th" when _grids.TryPeek(out var grid):
                look.Cell = grid.NextCell(Span(element, "colspan"), Span(element, "rowspan"), tag == "th");
                break;
        }
    }

    private static int Span(IElement element, string name) =>
        int.TryParse(element.GetAttribute(name), NumberStyles.None, CultureInfo.InvariantCulture, out var span)
            ? Math.Clamp(span, 1, 40)
            : 1;

    private bool IsHidden(IElement element, string tag, Dictionary<string, string>? style, Frame? parent)
    {
        if (element.HasAttribute("hidden") || (tag == "dialog" && !element.HasAttribute("open")))
        {
            return true;
        }

        if (parent?.Element.LocalName == "details" && !parent.Element.HasAttribute("open") && tag != "summary")
        {
            return true;
        }

        if (
            tag is "option"
            && element.ParentElement is { } list
            && (list.LocalName == "optgroup" ? list.ParentElement : list) is { LocalName: "select" } select
        )
        {
            if (!_chosen.TryGetValue(select, out var chosen))
            {
                var options = select.GetElementsByTagName("option");
                _chosen[select] = chosen = options.FirstOrDefault(one => one.HasAttribute("selected")) ?? options[0];
            }

            return !ReferenceEquals(chosen, element);
        }

        if (style is null)
        {
            return false;
        }

        return style.GetValueOrDefault("display") == "none"
            || style.GetValueOrDefault("visibility") is "hidden" or "collapse"
            || IsForScreenReaders(style);
    }

    private static bool IsForScreenReaders(Dictionary<string, string> style)
    {
        var (clip, path) = (style.GetValueOrDefault("clip") ?? "", style.GetValueOrDefault("clip-path") ?? "");
        var isCut =
            clip.StartsWith("rect(", StringComparison.Ordinal)
            || path.StartsWith("inset(50%", StringComparison.Ordinal)
            || path.StartsWith("inset(100%", StringComparison.Ordinal);
        var isTiny =
            style.GetValueOrDefault("width") is "1px" or "0" or "0px"
            && style.GetValueOrDefault("height") is "1px" or "0" or "0px";
        var isAway =
            IsFar(style.GetValueOrDefault("left"))
            || IsFar(style.GetValueOrDefault("top"))
            || IsFar(style.GetValueOrDefault("text-indent"));
        return (isCut && style.GetValueOrDefault("position") is "absolute" or "fixed")
            || (isTiny && style.GetValueOrDefault("overflow") == "hidden")
            || isAway
            || style.GetValueOrDefault("font-size") is "0" or "0px";
    }

    private static bool IsFar(string? length) =>
        length is { Length: > 4 } && length[0] == '-' && length[1..].TakeWhile(char.IsAsciiDigit).Count() >= 3;

    private Look Look(IElement element, string tag, Dictionary<string, string>? style, Frame? parent, bool isBox)
    {
        var before = parent?.Look;
        var look = new Look(before);
        if (isBox && (before?.Boxes.Length ?? 0) < Deepest)
        {
            look.Boxes = (before?.Boxes ?? []).Add(_boxes++);
        }

        look.IsStruck |=
            tag is "del" or "s" or "strike"
            || (style?.GetValueOrDefault("text-decoration") ?? "").Contains("line-through", StringComparison.Ordinal)
            || (style?.GetValueOrDefault("text-decoration-line") ?? "").Contains(
                "line-through",
                StringComparison.Ordinal
            );
        look.IsRaised = tag == "sup" || (before?.IsRaised ?? false);
        look.KeepsBreaks = style?.GetValueOrDefault("white-space") is { } space
            ? space.StartsWith("pre", StringComparison.Ordinal)
            : before?.KeepsBreaks ?? false;
        if (tag is ['h', >= '1' and <= '6'])
        {
            look.Heading = tag[1] - '0';
        }

        look.Size = style?.GetValueOrDefault("font-size")
            ?? (look.Heading > 0 && tag[0] == 'h' && tag.Length == 2 ? tag : before?.Size ?? "");
        look.Weight = style?.GetValueOrDefault("font-weight")
            ?? (
                tag is "b" or "strong" or "th" || (tag.Length == 2 && look.Heading > 0) ? "bold" : before?.Weight ?? ""
            );
        if (isBox)
        {
            look.Names = [tag];
        }

        foreach (var name in element.ClassList.Take(12))
        {
            look.Names = look.Names.Length < 40 ? look.Names.Add("." + name) : look.Names;
        }

        if (!isBox && tag is not ("span" or "a" or "font"))
        {
            look.Names = look.Names.Length < 40 ? look.Names.Add(">" + tag) : look.Names;
        }

        return look;
    }

    private sealed class Frame(IElement element, Look look, bool isBox, bool isSpaced)
    {
        public IElement Element { get; } = element;

        public INodeList Children { get; } = element.ChildNodes;

        public int Next { get; set; }

        public Look Look { get; } = look;

        public bool IsBox { get; } = isBox;

        public bool IsSpaced { get; } = isSpaced;

        public bool ParsChildren { get; init; }
    }

    // The cells of a table, with what spans rows.
    private sealed class Grid(int table)
    {
        private readonly Dictionary<int, int> _taken = [];
        private int _row = -1;
        private int _column;

        public void NextRow()
        {
            (_row, _column) = (_row + 1, 0);
        }

        public PageCell NextCell(int width, int height, bool isHead)
        {
            _row = Math.Max(_row, 0);
            while (_taken.TryGetValue(_column, out var until) && until > _row)
            {
                _column++;
            }

            var cell = new PageCell(table, _row, _column, width, isHead);
            for (var at = 0; at < width; at++)
            {
                _taken[_column + at] = _row + height;
            }

            _column += width;
            return cell;
        }
    }
}

/// <summary>How words look where a walk through HTML has come to.</summary>
internal sealed class Look(Look? before)
{
    public bool IsStruck { get; set; } = before?.IsStruck ?? false;

    public bool IsRaised { get; set; }

    public bool KeepsBreaks { get; set; }

    public int Heading { get; set; } = before?.Heading ?? 0;

    public string Size { get; set; } = "";

    public string Weight { get; set; } = "";

    public ImmutableArray<string> Names { get; set; } = before?.Names ?? [];

    public ImmutableArray<int> Boxes { get; set; } = before?.Boxes ?? [];

    public PageCell? Cell { get; set; } = before?.Cell;

    /// <summary>A line that begins here.</summary>
    public PageLine Line()
    {
        var looks = Names;
        if (Size.Length > 0 || Weight.Length > 0)
        {
            looks = looks.Add($"={Size} {Weight}");
        }

        return new PageLine(default)
        {
            Heading = Heading,
            Looks = looks,
            Boxes = Boxes,
            Cell = Cell,
        };
    }
}
