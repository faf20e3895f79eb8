using System.Net.Http.Json;
using System.Text.Json;
using MimeKit;

namespace HomeStart.Connectors;

/// <summary>What arrived, over HTTP.</summary>
public sealed class HttpMailbox(LookUps lookUps) : IMailbox
{
    private const int LongestText = 20_000;

    // Mail nests a few parts; one that nests for ever is read no deeper.
    private static readonly ParserOptions Guarded = new() { MaxMimeDepth = 16 };

    public async Task<IReadOnlyList<ArrivedLetter>?> ListAsync(World world, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/mail", cancel);
            return response.IsSuccessStatusCode
                ? [.. List(await response.Content.ReadFromJsonAsync<JsonElement>(cancel), cancel)]
                : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    public async Task<byte[]?> ReadAsync(World world, string id, CancellationToken cancel)
    {
        try
        {
            using var response = await lookUps.GetAsync(world, $"/mail/{id}", cancel);
            return response.IsSuccessStatusCode ? await response.Content.ReadAsByteArrayAsync(cancel) : null;
        }
        catch (Exception exception) when (LookUps.IsFailure(exception, cancel))
        {
            return null;
        }
    }

    private static IEnumerable<ArrivedLetter> List(JsonElement answer, CancellationToken cancel) =>
        answer.ValueKind != JsonValueKind.Array
            ? []
            : answer.EnumerateArray().Select(item => Letter(item, cancel)).OfType<ArrivedLetter>();

    // One that cannot be read is left out: it is there as a file all the same.
    private static ArrivedLetter? Letter(JsonElement item, CancellationToken cancel)
    {
        if (
            Answers.Text(item, "id") is not { } id
            || !DateTimeOffset.TryParse(Answers.Text(item, "arrivedAt"), out var arrived)
            || !item.TryGetProperty("raw", out var raw)
            || raw.ValueKind != JsonValueKind.String
            || !raw.TryGetBytesFromBase64(out var bytes)
        )
        {
            return null;
        }

        try
        {
            using var stream = new MemoryStream(bytes);
            using var message = MimeMessage.Load(Guarded, stream, cancel);
            var text = message.TextBody ?? "";
            return new ArrivedLetter(
                id,
                message.From.ToString(),
                message.To.ToString(),
                message.Subject ?? "",
                arrived,
                text.Length > LongestText ? text[..LongestText] : text
            )
            {
                MessageId = Guid.TryParseExact(message.MessageId?.Split('@')[0], "N", out var sent) ? sent : null,
                DeliveredTo = message.Headers["Delivered-To"],
            };
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
