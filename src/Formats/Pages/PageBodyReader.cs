using System.Text.Json;
using HomeStart.Formats.Json;
using HomeStart.Formats.Words;

namespace HomeStart.Formats.Pages;

/// <summary>Reads what was pasted or dropped as a page: HTML where it shows words, else text.</summary>
public static class PageBodyReader
{
    /// <summary>How many characters of HTML are read.</summary>
    public const int LongestHtml = 4 << 20;

    /// <summary>How many characters of text are read.</summary>
    public const int LongestText = 200_000;

    /// <summary>How many bytes of a file are read.</summary>
    public const int LargestFile = 8 << 20;

    /// <summary>The page; null, with the faults, where there is none or it is larger than is read.</summary>
    public static PageText? Read(JsonElement root, FaultList faults, CancellationToken cancel)
    {
        var node = new Node(root, "", faults);
        if (!node.IsObject())
        {
            return null;
        }

        if (node["file"] is { IsAbsent: false } file)
        {
            return File(file, faults, cancel);
        }

        var (html, text) = (Said(node["html"], LongestHtml, faults), Said(node["text"], LongestText, faults));
        if (faults.Any)
        {
            return null;
        }

        if (html is null && text is null)
        {
            faults.Say(FaultCodes.Required, "html", "Paste a seller's page, or drop a file of one.");
            return null;
        }

        if (html is not null)
        {
            if (Html(html, "html", faults, cancel) is not { } page)
            {
                return null;
            }

            if (page.Lines.Length > 0 || text is null)
            {
                return page;
            }
        }

        return PlainPage.Read(text!);
    }

    internal static PageText? Html(string html, string where, FaultList faults, CancellationToken cancel)
    {
        var (page, stopped) = HtmlPage.Read(html, cancel);
        if (stopped is not null)
        {
            faults.Say(FaultCodes.TooLarge, where, $"{stopped} Copy only the part with the plans, and paste that.");
        }

        return stopped is null ? page : null;
    }

    private static PageText? File(Node node, FaultList faults, CancellationToken cancel)
    {
        if (
            node.Element is not { ValueKind: JsonValueKind.String } element
            || !element.TryGetBytesFromBase64(out var bytes)
        )
        {
            node.Fault(FaultCodes.BadType, "This must be the bytes of a file, in Base64.");
            return null;
        }

        if (bytes.Length > LargestFile)
        {
            faults.Say(
                FaultCodes.TooLarge,
                node.Where,
                $"This file has {bytes.Length >> 20} MiB; at most {LargestFile >> 20} are read. Open it, copy "
                    + "the part with the plans, and paste that."
            );
            return null;
        }

        return PageFile.Read(bytes, node.Where, faults, cancel);
    }

    private static string? Said(Node node, int longest, FaultList faults)
    {
        switch (node.Element)
        {
            case null or { ValueKind: JsonValueKind.Undefined or JsonValueKind.Null }:
                return null;
            case { ValueKind: JsonValueKind.String } element:
                var said = element.GetString()!;
                if (said.Length <= longest)
                {
                    return said;
                }

                faults.Say(
                    FaultCodes.TooLarge,
                    node.Where,
                    $"This has {said.Length} characters; at most {longest} are read. Copy only the part with the plans."
                );
                return null;
            default:
                node.Fault(FaultCodes.BadType, "This must be text.");
                return null;
        }
    }
}
