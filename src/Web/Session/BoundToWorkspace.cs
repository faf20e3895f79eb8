using HomeStart.Data;
using Microsoft.AspNetCore.Antiforgery;

namespace HomeStart.Web.Session;

/// <summary>
/// An antiforgery token holds for the workspace it was given to: one's own pair is of no use against somebody else.
/// </summary>
internal sealed class BoundToWorkspace : IAntiforgeryAdditionalDataProvider
{
    public string GetAdditionalData(HttpContext context) => Workspace(context);

    public bool ValidateAdditionalData(HttpContext context, string additionalData) =>
        additionalData == Workspace(context);

    private static string Workspace(HttpContext context) =>
        context.RequestServices.GetRequiredService<WorkspaceScope>().Id.ToString("N");
}
