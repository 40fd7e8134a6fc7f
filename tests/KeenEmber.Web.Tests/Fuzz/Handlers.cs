using System.Reflection;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>A handler of a page that takes a form.</summary>
/// <param name="Page">Name of the page's model without "Model".</param>
internal sealed record PostHandler(string Area, string Page, string Handler, IReadOnlyList<ParameterInfo> Parameters);

/// <summary>Every form handler of the app, found by looking at it: one that is added later is attacked without anybody thinking of
/// it.</summary>
internal static class Handlers
{
    public static IReadOnlyList<PostHandler> All { get; } =
    [
        .. typeof(Program).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(PageModel)) && !t.IsAbstract)
            .SelectMany(t => t.GetMethods().Where(m => m.Name.StartsWith("OnPost", StringComparison.Ordinal)), (t, m) => new PostHandler(
                AreaOf(t), t.Name[..^"Model".Length], m.Name["OnPost".Length..].Replace("Async", "", StringComparison.Ordinal),
                    m.GetParameters()))
            .Where(h => h.Area != "Errors"),
    ];

    /// <summary>The folder of pages it is in: "Visits", "Units".</summary>
    private static string AreaOf(Type page) => page.Namespace!.Split('.') is [_, _, _, var area, ..] ? area : "Pages";

    /// <summary>Pages of a real visit, the last part of their addresses: the stations and what lies behind them.</summary>
    public static IReadOnlyList<string> VisitPages(TestApp app) =>
        [.. Routes(app).Select(r => r.Template.Split('/')).Where(t => t is ["visits", _, not "practice"]).Select(t => t[2])
            .Order(StringComparer.Ordinal)];

    /// <summary>The last part of the address of a page of a visit.</summary>
    public static string AddressOf(TestApp app, string page) =>
        Routes(app).First(r => r.Page == page && r.Template.StartsWith("visits/", StringComparison.Ordinal)).Template.Split('/')[2];

    private static IEnumerable<(string Page, string Template)> Routes(TestApp app) =>
        app.Get<IActionDescriptorCollectionProvider>().ActionDescriptors.Items
        .OfType<PageActionDescriptor>().Select(p => (p.ViewEnginePath.Split('/')[^1], p.AttributeRouteInfo!.Template!));
}
