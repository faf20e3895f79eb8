using System.Text.Json.Serialization;
using HomeStart.Web.Requests;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace HomeStart.Web.Startup;

/// <summary>
/// Says in the OpenAPI document what its maker leaves out: that words are texts, and that a kind of a union must be
/// given.
/// </summary>
internal sealed class OpenApiSchemaFixes : IOpenApiSchemaTransformer, IOpenApiOperationTransformer
{
    /// <summary>Bodies are JSON, whatever routing is told.</summary>
    public Task TransformAsync(
        OpenApiOperation operation,
        OpenApiOperationTransformerContext context,
        CancellationToken cancellationToken
    )
    {
        if (operation.RequestBody?.Content is { } content && content.Remove(JsonBody.AnyType, out var body))
        {
            content["application/json"] = body;
        }

        return Task.CompletedTask;
    }

    public Task TransformAsync(
        OpenApiSchema schema,
        OpenApiSchemaTransformerContext context,
        CancellationToken cancellationToken
    )
    {
        if (schema.Enum is { Count: > 0 })
        {
            schema.Type ??= JsonSchemaType.String;
        }

        var union = context
            .JsonTypeInfo.Type.BaseType?.GetCustomAttributes(typeof(JsonPolymorphicAttribute), inherit: false)
            .OfType<JsonPolymorphicAttribute>()
            .FirstOrDefault();
        if (union?.TypeDiscriminatorPropertyName is { } kind && schema.Properties?.ContainsKey(kind) == true)
        {
            schema.Required ??= new HashSet<string>(StringComparer.Ordinal);
            schema.Required.Add(kind);
        }

        return Task.CompletedTask;
    }
}
