using System.Reflection;
using Microsoft.AspNetCore.Http.Metadata;

namespace HomeStart.Web.Requests;

/// <summary>
/// A body whose bytes are taken as they are: a file, a picture. It is read whole before the handler runs, up to what
/// the route allows; what cannot be read is answered by <see cref="ReadableBody"/>.
/// </summary>
internal sealed class RawBody : IReadBody, IBindableFromHttpContext<RawBody>
{
    private RawBody(byte[] bytes, IResult? problem) => (Bytes, Problem) = (bytes, problem);

    /// <summary>Exactly what came in.</summary>
    public byte[] Bytes { get; }

    public IResult? Problem { get; }

    public static async ValueTask<RawBody?> BindAsync(HttpContext context, ParameterInfo parameter)
    {
        var most = context.GetEndpoint()?.Metadata.GetMetadata<IRequestSizeLimitMetadata>()?.MaxRequestBodySize
            ?? Startup.Composition.LargestBody;
        var (bytes, problem) = await ReadAsync(context, most);
        return new RawBody(bytes, problem);
    }

    /// <summary>
    /// The bytes of a body; or the answer where there are more than are read here, or it did not arrive whole.
    /// </summary>
    public static async Task<(byte[] Bytes, IResult? Problem)> ReadAsync(HttpContext context, long most)
    {
        if (context.Request.ContentLength > most)
        {
            return ([], TooLarge());
        }

        try
        {
            using var bytes = new MemoryStream((int)Math.Min(context.Request.ContentLength ?? 0, 1 << 20));
            var buffer = new byte[32 * 1024];
            for (int read; (read = await context.Request.Body.ReadAsync(buffer, context.RequestAborted)) > 0; )
            {
                if (bytes.Length + read > most)
                {
                    return ([], TooLarge());
                }

                bytes.Write(buffer, 0, read);
            }

            return (bytes.ToArray(), null);
        }
        catch (BadHttpRequestException exception)
        {
            return (
                [],
                exception.StatusCode == StatusCodes.Status413PayloadTooLarge
                    ? TooLarge()
                    : TypedResults.Problem(
                        UnreadableRequests.Words(exception.StatusCode),
                        statusCode: exception.StatusCode
                    )
            );
        }
        catch (IOException)
        {
            return ([], new BadRequestProblem(UnreadableRequests.Words(StatusCodes.Status400BadRequest)));
        }

        IResult TooLarge() =>
            TypedResults.Problem(
                most < 1 << 20
                    ? UnreadableRequests.Words(StatusCodes.Status413PayloadTooLarge)
                    : $"This is larger than is read here: up to {most >> 20} MB are.",
                statusCode: StatusCodes.Status413PayloadTooLarge
            );
    }
}

/// <summary>A body that was read before its handler runs.</summary>
internal interface IReadBody
{
    /// <summary>The answer where it could not be read; null: it could.</summary>
    IResult? Problem { get; }
}
