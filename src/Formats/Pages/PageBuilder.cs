using System.Collections.Immutable;
using System.Text;

namespace HomeStart.Formats.Pages;

/// <summary>Puts the visible words of a page together, line by line.</summary>
internal sealed class PageBuilder
{
    /// <summary>Stands between a whole number and the raised figures that are its decimals.</summary>
    public const char Cents = '\u200A';

    private readonly StringBuilder _text = new();
    private readonly ImmutableArray<PageLine>.Builder _lines = ImmutableArray.CreateBuilder<PageLine>();
    private readonly ImmutableArray<PageSpan>.Builder _struck = ImmutableArray.CreateBuilder<PageSpan>();
    private readonly ImmutableArray<PageTick>.Builder _ticks = ImmutableArray.CreateBuilder<PageTick>();
    private PageLine? _line;
    private bool _hasSpace;
    private bool _isBoundary;

    /// <summary>How many characters there are.</summary>
    public int Length => _text.Length;

    /// <summary>Whether the line has words already.</summary>
    public bool IsInLine => _line is not null;

    /// <summary>The last character of the line; a line break where it has none.</summary>
    public char Last => _line is null || _text.Length == 0 ? '\n' : _text[^1];

    /// <summary>Adds words to the line; what they look like counts where they begin it.</summary>
    /// <param name="look">The line as it is when it begins here.</param>
    public void Add(ReadOnlySpan<char> words, Func<PageLine> look, bool isStruck)
    {
        foreach (var letter in words)
        {
            if (char.IsWhiteSpace(letter) || letter is '\u200B')
            {
                _hasSpace = true;
                continue;
            }

            if (IsUnseen(letter))
            {
                continue;
            }

            if (_line is null)
            {
                _line = look() with { At = new PageSpan(_text.Length, _text.Length) };
            }
            else if (_hasSpace || (_isBoundary && (PartsWords(_text[^1], letter) || isStruck != IsLastStruck)))
            {
                _text.Append(' ');
            }

            (_hasSpace, _isBoundary) = (false, false);
            if (isStruck)
            {
                Strike(_text.Length);
            }

            _text.Append(letter);
        }
    }

    /// <summary>Raised figures behind a whole number.</summary>
    public void AddCents(ReadOnlySpan<char> figures)
    {
        _text.Append(Cents).Append(figures);
        (_hasSpace, _isBoundary) = (false, true);
    }

    /// <summary>An element begins or ends here: a word and a figure that meet are two.</summary>
    public void Boundary() => _isBoundary = true;

    /// <summary>A space, however the words around it stand.</summary>
    public void Space() => _hasSpace = true;

    /// <summary>Adds a box to tick.</summary>
    public void Tick(bool isTicked) => _ticks.Add(new PageTick(_text.Length, isTicked));

    /// <summary>Ends the line.</summary>
    public void Break()
    {
        if (_line is not null)
        {
            _lines.Add(Closed(_line));
            _text.Append('\n');
        }

        (_line, _hasSpace, _isBoundary) = (null, false, false);
    }

    /// <summary>The page.</summary>
    public PageText Built(bool isMarked)
    {
        Break();
        return new PageText(
            _text.ToString(),
            _lines.ToImmutable(),
            _struck.ToImmutable(),
            _ticks.ToImmutable(),
            isMarked
        );
    }

    private PageLine Closed(PageLine line)
    {
        var (from, to) = (line.At.From, _text.Length);
        return line with { At = new PageSpan(from, to), Words = _text.ToString(from, to - from) };
    }

    // Where the stroke ends, so does the word: "$10.99" struck and "80% off" are two.
    private bool IsLastStruck => _struck.Count > 0 && _struck[^1].To == _text.Length;

    private void Strike(int at)
    {
        if (_struck.Count > 0 && _struck[^1].To >= at - 1 && _struck[^1].To <= at)
        {
            _struck[^1] = new PageSpan(_struck[^1].From, at + 1);
        }
        else
        {
            _struck.Add(new PageSpan(at, at + 1));
        }
    }

    // Zero-width and direction marks, soft hyphens, and what is no character.
    private static bool IsUnseen(char letter) =>
        letter
            is '\u00AD'
                or '\u200C'
                or '\u200D'
                or '\u200E'
                or '\u200F'
                or '\u2060'
                or '\uFEFF'
                or (>= '\u202A' and <= '\u202E')
                or (>= '\u2066' and <= '\u2069')
        || (char.IsControl(letter) && !char.IsWhiteSpace(letter))
        || letter is '\uFFFE' or '\uFFFF';

    private static bool PartsWords(char last, char next) =>
        (char.IsLetter(last) && (char.IsAsciiDigit(next) || IsSign(next)))
        || (char.IsAsciiDigit(last) && (char.IsUpper(next) || IsSign(next)))
        || (char.IsLower(last) && char.IsUpper(next))
        || (last is '.' or '!' or '?' or ')' or '%' && char.IsLetterOrDigit(next) && !char.IsAsciiDigit(next));

    private static bool IsSign(char letter) => letter is '£' or '€' or '$' or '₹';
}
