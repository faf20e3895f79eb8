using System.Globalization;
using HomeStart.Formats.Json;

namespace HomeStart.Formats.Online;

/// <summary>What an owner says of their business.</summary>
/// <param name="Hours">Monday first, seven.</param>
/// <param name="Picture">The name of a picture that was put up for the page; null: none.</param>
public sealed record BusinessPageWire(
    string Name,
    string About,
    string Street,
    string Town,
    string Telephone,
    IReadOnlyList<OpenHoursWire> Hours,
    string Layout,
    string? Picture,
    string PictureText
)
{
    public static BusinessPageWire From(BusinessPage page) =>
        new(
            page.Name,
            page.About,
            page.Street,
            page.Town,
            page.Telephone,
            [.. page.Hours.Select(OpenHoursWire.From)],
            BusinessPageReader.Layouts.Single(layout => layout.Value == page.Layout).Word,
            page.Picture,
            page.PictureText
        );
}

/// <summary>Whether it is open on a day, and from when to when, as 09:30.</summary>
public sealed record OpenHoursWire(bool IsOpen, string Opens, string Closes)
{
    public static OpenHoursWire From(OpenHours? hours) =>
        hours is null ? new(false, "", "") : new(true, Written(hours.Opens), Written(hours.Closes));

    private static string Written(TimeOnly time) => time.ToString("HH:mm", CultureInfo.InvariantCulture);
}

/// <summary>The first page as it was last put up, and what else stands at the front of the site.</summary>
/// <param name="Page">Null: none was made yet.</param>
/// <param name="IsOccupied">Whether something that is not this page stands at the front.</param>
public sealed record FirstPageWire(BusinessPageWire? Page, bool IsOccupied);

/// <param name="Path">What the page calls it by.</param>
public sealed record PictureWire(string Path);

/// <summary>A page to be put up.</summary>
/// <param name="MayReplace">Whether what stands at the front of the site may give way.</param>
public sealed record PutPageUpBody(BusinessPageWire Page, bool MayReplace);

/// <summary>Reads a business page.</summary>
public static class BusinessPageReader
{
    public static readonly (string Word, PageLayout Value)[] Layouts =
    [
        ("column", PageLayout.Column),
        ("shopfront", PageLayout.Shopfront),
        ("spine", PageLayout.Spine),
    ];

    private const int DaysOfAWeek = 7;

    /// <summary>The page; null, with all that is wrong.</summary>
    public static BusinessPage? Read(Node node)
    {
        node.IsObject();
        var days = node["hours"].Items(DaysOfAWeek);
        OpenHours?[] hours = [.. days.Select(Hours), .. Enumerable.Repeat<OpenHours?>(null, DaysOfAWeek - days.Length)];
        var page = new BusinessPage(
            Text(node, "name"),
            Text(node, "about").ReplaceLineEndings("\n"),
            Text(node, "street"),
            Text(node, "town"),
            Text(node, "telephone"),
            [.. hours],
            node["layout"].Word(Layouts) ?? PageLayout.Column
        )
        {
            Picture = node["picture"].Text() is { Length: > 0 } picture ? picture : null,
            PictureText = Text(node, "pictureText"),
        };
        if (
            page.Picture is { } path
            && (
                FileRules.PathFlaw(path) is not null
                || path.Contains('/', StringComparison.Ordinal)
                || FileKinds.TypeOf(path)?.StartsWith("image/", StringComparison.Ordinal) != true
            )
        )
        {
            node["picture"].Fault(FaultCodes.BadType, "This is no picture that was put up for the page.");
        }

        page.Check(node.Faults);
        return node.Faults.Any ? null : page;
    }

    private static OpenHours? Hours(Node day) =>
        day["isOpen"].Flag() == true && Time(day["opens"]) is { } opens && Time(day["closes"]) is { } closes
            ? new OpenHours(opens, closes)
            : null;

    private static TimeOnly? Time(Node node)
    {
        if (node.RequiredText("The time") is not { } text)
        {
            return null;
        }

        if (TimeOnly.TryParseExact(text, "HH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var time))
        {
            return time;
        }

        node.Fault(FaultCodes.BadType, "Type a time such as 09:30.");
        return null;
    }

    private static string Text(Node node, string field) => node[field].Text() ?? "";
}

/// <summary>Tells pictures by what they begin with, whatever they are called.</summary>
public static class Pictures
{
    /// <summary>The ending of a picture by its first bytes; null: it is none that browsers show.</summary>
    public static string? EndingOf(ReadOnlySpan<byte> bytes) =>
        bytes.StartsWith(Png) ? "png"
        : bytes.StartsWith(Jpeg) ? "jpg"
        : bytes.StartsWith("GIF8"u8) ? "gif"
        : bytes.Length > 12 && bytes.StartsWith("RIFF"u8) && bytes[8..].StartsWith("WEBP"u8) ? "webp"
        : null;

    private static ReadOnlySpan<byte> Png => [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0d, 0x0a, 0x1a, 0x0a];

    private static ReadOnlySpan<byte> Jpeg => [0xff, 0xd8, 0xff];
}
