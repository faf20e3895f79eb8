using System.Collections.Immutable;
using HomeStart.Core.Basics;

namespace HomeStart.Core.Online;

/// <summary>What an owner says of their business, of which a first page is made.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="About">What they do, in a few sentences; an empty line begins a new paragraph.</param>
/// <param name="Street">Where it is; empty: not said. The same holds for town and telephone.</param>
/// <param name="Hours">When it is open, Monday first: seven.</param>
/// <param name="Layout">How it is laid out.</param>
public sealed record BusinessPage(
    string Name,
    string About,
    string Street,
    string Town,
    string Telephone,
    ImmutableArray<OpenHours?> Hours,
    PageLayout Layout
)
{
    /// <summary>The path of a picture beside the page; null: none.</summary>
    public string? Picture { get; init; }

    /// <summary>What is to be seen on the picture, for those who cannot see it.</summary>
    public string PictureText { get; init; } = "";

    /// <summary>The language it is written in (BCP 47).</summary>
    public string Language { get; init; } = "en-GB";

    /// <summary>Reports all that is missing or wrong, each at its field.</summary>
    public void Check(FaultList faults)
    {
        Check(faults, "name", Name, 1, 80, PageFlaw.Name);
        Check(faults, "about", About, 1, 2000, PageFlaw.About);
        Check(faults, "street", Street, 0, 120, PageFlaw.Street);
        Check(faults, "town", Town, 0, 120, PageFlaw.Town);
        Check(faults, "telephone", Telephone, 0, 30, PageFlaw.Telephone);
        Check(faults, "pictureText", PictureText, Picture is null ? 0 : 1, 200, PageFlaw.PictureText);
        if (Telephone.Any(letter => !char.IsAsciiDigit(letter) && letter is not ('+' or ' ' or '(' or ')' or '-')))
        {
            faults.Add(FaultCodes.BadType, "telephone", new PageFlawed(PageFlaw.Telephone));
        }

        foreach (var (at, hours) in Hours.Index().Where(day => day.Item is { } hours && hours.Opens >= hours.Closes))
        {
            faults.Add(FaultCodes.OutOfRange, $"hours[{at}]", new PageFlawed(PageFlaw.Hours));
        }
    }

    private static void Check(FaultList faults, string field, string text, int least, int most, PageFlaw flaw)
    {
        if (
            text.Trim().Length < least
            || text.Length > most
            || text.Any(letter => char.IsControl(letter) && letter != '\n')
        )
        {
            faults.Add(
                text.Trim().Length < least ? FaultCodes.Required : FaultCodes.OutOfRange,
                field,
                new PageFlawed(flaw)
            );
        }
    }
}

/// <summary>When a business is open on a day.</summary>
public sealed record OpenHours(TimeOnly Opens, TimeOnly Closes);

/// <summary>How a page is laid out.</summary>
public enum PageLayout
{
    /// <summary>Everything in one column, as on a noticeboard.</summary>
    Column,

    /// <summary>The picture across the top, and under it what they do beside where and when.</summary>
    Shopfront,

    /// <summary>A narrow strip with the name, where and when; beside it what they do.</summary>
    Spine,
}

/// <summary>What is missing, too long, or wrong.</summary>
public enum PageFlaw
{
    /// <summary>The name: 1 to 80 characters.</summary>
    Name,

    /// <summary>What they do: 1 to 2,000.</summary>
    About,

    /// <summary>At most 120.</summary>
    Street,

    /// <summary>At most 120.</summary>
    Town,

    /// <summary>Digits, spaces, brackets, hyphens and a plus; at most 30.</summary>
    Telephone,

    /// <summary>With a picture: 1 to 200.</summary>
    PictureText,

    /// <summary>A day closes after it opens.</summary>
    Hours,
}
