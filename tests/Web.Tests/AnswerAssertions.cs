using System.Net;
using System.Text.Json;

namespace HomeStart.Web.Tests;

/// <summary>What is expected of an answer.</summary>
internal static class AnswerAssertions
{
    /// <summary>The body of an answer that must be a success; what was said instead stands in the failure.</summary>
    public static JsonElement ShouldBeOk(this (HttpStatusCode Status, JsonElement Body) answer)
    {
        answer.Status.ShouldBe(HttpStatusCode.OK, answer.Body.ToString());
        return answer.Body;
    }
}
