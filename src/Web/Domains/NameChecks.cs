using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace HomeStart.Web.Domains;

/// <summary>A domain and the book whose registrar is asked about it.</summary>
public sealed record NameQuestion(string Book, DomainName Domain);

/// <summary>What comes of asking: an answer, or word that a registrar wants to be left alone for a while.</summary>
public sealed record NameNews(NameAnswer? Answer, string? PausedBook = null, TimeSpan Pause = default);

/// <summary>
/// Asks about many names at once and tells each answer as it comes. A registrar that asks for a pause gets it; one that
/// does not answer any more is let be, and whatever else is asked goes on.
/// </summary>
public sealed class NameChecks(IRegistrar registrar, RegistrarGates gates, TimeProvider time)
{
    /// <summary>How often a question is put again to a registrar that asks for pauses.</summary>
    private const int MostPauses = 5;

    /// <summary>After so many questions without an answer the rest is not put.</summary>
    private const int MostUnanswered = 20;

    /// <param name="withRecord">Whether the public record of names that are said to be free is looked at too.</param>
    public async IAsyncEnumerable<NameNews> AskAsync(
        World world,
        IReadOnlyList<NameQuestion> questions,
        bool withRecord,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        var news = Channel.CreateUnbounded<NameNews>();
        using var left = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var asking = Task.WhenAll(
            questions
                .GroupBy(question => question.Book)
                .Select(group => AskOneAsync(world, group.Key, group, withRecord, news.Writer, left.Token))
        );
        _ = asking.ContinueWith(done => news.Writer.TryComplete(done.Exception?.InnerException), TaskScheduler.Default);
        try
        {
            await foreach (var one in news.Reader.ReadAllAsync(cancel))
            {
                yield return one;
            }
        }
        finally
        {
            await left.CancelAsync();
            await asking.ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private async Task AskOneAsync(
        World world,
        string book,
        IEnumerable<NameQuestion> questions,
        bool withRecord,
        ChannelWriter<NameNews> news,
        CancellationToken cancel
    )
    {
        var gate = gates.For(world, book);
        var unanswered = 0;
        await Parallel.ForEachAsync(
            questions,
            new ParallelOptions { MaxDegreeOfParallelism = RegistrarGate.AtOnce, CancellationToken = cancel },
            async (question, cancelOne) =>
            {
                var availability =
                    Volatile.Read(ref unanswered) >= MostUnanswered
                        ? new Availability(
                            AvailabilityState.Unchecked,
                            Why: $"The registrar did not answer {MostUnanswered} questions in a row: it was not "
                                + "asked about this one."
                        )
                        : await AskPatientlyAsync(world, question, gate, news, cancelOne);
                if (availability is { State: AvailabilityState.Unchecked, Pause: null })
                {
                    Interlocked.Increment(ref unanswered);
                }
                else
                {
                    Volatile.Write(ref unanswered, 0);
                }

                var hasRecord =
                    availability.State == AvailabilityState.Taken
                    || (withRecord && availability.State is (AvailabilityState.Free or AvailabilityState.Premium));
                var record = hasRecord ? await registrar.LookUpAsync(world, question.Domain, cancelOne) : null;
                news.TryWrite(
                    new NameNews(new NameAnswer(question.Domain, book, availability, record, time.GetUtcNow()))
                );
            }
        );
    }

    private async Task<Availability> AskPatientlyAsync(
        World world,
        NameQuestion question,
        RegistrarGate gate,
        ChannelWriter<NameNews> news,
        CancellationToken cancel
    )
    {
        for (var pauses = 0; ; pauses++)
        {
            var availability = await gate.AskAsync(
                () => registrar.CheckAsync(world, question.Book, question.Domain, cancel),
                cancel
            );
            if (availability.Pause is not { } pause || pauses == MostPauses)
            {
                return availability;
            }

            if (gate.Close(pause))
            {
                news.TryWrite(new NameNews(null, question.Book, pause));
            }
        }
    }
}
